<script setup lang="ts">
/** Up to three other ways to run the season beside the one planned: their policies and what-ifs, and what each comes to. */
import { computed } from 'vue';
import { money, number, length, type Units, volume } from '../kit/format';
import type { FeedDose } from '../types/report';
import { CHANGES, METHODS, STRENGTHS, TOP_UPS } from './schools';
import type { Ask } from './season';
import type { Run } from '../types/answers';

const props = defineProps<{ asks: Ask[]; runs: Run[]; units: Units; currency: string; lastDay: number; passive: boolean }>();
const emit = defineEmits<{ change: [asks: Ask[]]; take: [run: Run, name: string] }>();

const MOST = 4;
const READY: { name: string; ask: Ask; passive?: boolean }[] = [
    { name: 'Weekly changes', ask: { policy: { change: 'weekly' }, what_ifs: [] }, passive: false },
    { name: 'Never changed', ask: { policy: { change: 'never' }, what_ifs: [] }, passive: false },
    { name: 'Topped up with feed', ask: { policy: { strength: 'feed' }, what_ifs: [] } },
    { name: 'Topped up with water', ask: { policy: { strength: 'water' }, what_ifs: [] } },
    { name: 'A quarter at a time', ask: { policy: { top_ups: 'quarter' }, what_ifs: [] } },
    { name: 'One fill', ask: { policy: { top_ups: 'none', change: 'never' }, what_ifs: [] } },
    { name: 'Harvested young', ask: { policy: { density: 'tight' }, what_ifs: [] } },
    { name: 'With air', ask: { policy: { method: 'aerated', top_ups: 'level' }, what_ifs: [] }, passive: true },
    { name: 'Passive', ask: { policy: { method: 'passive', top_ups: 'quarter', change: 'never' }, what_ifs: [] }, passive: false },
];
const HAPPENS = [
    { value: 'heat', name: 'Heat wave', text: (d: number) => `heat@${d}x5+8` },
    { value: 'away', name: 'A week away', text: (d: number) => `away@${d}x7` },
    { value: 'power-cut', name: 'Power cut, 6\u202fh', text: (d: number) => `power-cut@${d}+6` },
    { value: 'missed-change', name: 'A change missed', text: (d: number) => `missed-change@${d}` },
    { value: 'cloudy', name: 'A dull week', text: (d: number) => `cloudy@${d}x7+8` },
    { value: 'hot-room', name: 'A room 5\u202f°C warmer', text: () => 'hot-room+5' },
    { value: 'wind-down', name: 'A clogged stone', text: (d: number) => `wind-down@${d}+0.3` },
];
const middle = computed(() => Math.max(0, Math.min(props.lastDay - 1, Math.round(props.lastDay * 0.45))));
const ready = computed(() => READY.filter((r) => r.passive === undefined || r.passive === props.passive));

const WORDS: Record<string, Record<string, string>> = {
    top_ups: Object.fromEntries(TOP_UPS.map((o) => [o.value, o.name.toLowerCase()])),
    strength: Object.fromEntries(STRENGTHS.map((o) => [o.value, `topped up with ${o.name.toLowerCase()}`])),
    change: Object.fromEntries(CHANGES.map((o) => [o.value, o.value === 'never' ? 'never changed' : `changed ${o.name.toLowerCase()}`])),
    density: { tight: 'harvested young', roomy: 'roomy' },
    method: Object.fromEntries(METHODS.map((o) => [o.value, o.name.toLowerCase()])),
};
function named(ask: Ask, i: number): string {
    if (i === 0) return 'As planned';
    const known = READY.find((r) => JSON.stringify(r.ask) === JSON.stringify(ask));
    if (known) return known.name;
    const happens = ask.what_ifs.map((text) => HAPPENS.find((h) => text.startsWith(h.value))?.name ?? text);
    const policy = Object.entries(ask.policy).map(([key, value]) => WORDS[key]?.[value] ?? value);
    const all = [...policy, ...happens].join(', ');
    return all.charAt(0).toUpperCase() + all.slice(1);
}
const names = computed(() => props.asks.map(named));
defineExpose({ named });

function add(ask: Ask): void {
    if (props.asks.length < MOST) emit('change', [...props.asks, ask]);
}
function choose(event: Event): void {
    const select = event.target as HTMLSelectElement;
    const [kind, index] = select.value.split(':');
    select.value = '';
    if (kind === 'way') add(JSON.parse(JSON.stringify(ready.value[Number(index)]!.ask)) as Ask);
    if (kind === 'what') add({ policy: {}, what_ifs: [HAPPENS[Number(index)]!.text(middle.value)] });
}
const drop = (i: number): void =>
    emit(
        'change',
        props.asks.filter((_, n) => n !== i),
    );

const feed = (doses: FeedDose[]): string => {
    const sum = doses.reduce((all, d) => all + (d.ml ?? d.g ?? 0), 0);
    return doses.length ? number(sum, 0, doses[0]!.ml === null ? 'g' : 'mL') : '–';
};
const risk = (run: Run): string => {
    const f = run.figures;
    if (!f) return '–';
    if (f.dry_day !== null) return `dry on day ${f.dry_day}`;
    if (f.below_usable_day !== null) return `too low from day ${f.below_usable_day}`;
    if ((f.days_under_oxygen ?? 0) > 0) return 'short of oxygen';
    if ((f.days_over_ec ?? 0) > 5) return 'salts climb';
    return 'none seen';
};
const ROWS: { name: string; of: (run: Run) => string }[] = [
    { name: 'Water', of: (r) => (r.figures ? volume(r.figures.water_l, props.units) : '–') },
    { name: 'Feed', of: (r) => (r.figures ? feed(r.figures.feed) : '–') },
    { name: 'Visits a week', of: (r) => (r.figures ? number(r.figures.visits_a_week, 1) : '–') },
    { name: 'Days out of the EC window', of: (r) => (r.figures?.days_out_of_ec === null ? '–' : String(r.figures?.days_out_of_ec ?? '–')) },
    {
        name: 'Days under 5\u202fmg/L',
        of: (r) => (r.figures?.days_under_oxygen === null ? '–' : String(r.figures?.days_under_oxygen ?? '–')),
    },
    { name: 'Lowest air gap', of: (r) => (r.figures?.lowest_gap_mm == null ? '–' : length(r.figures.lowest_gap_mm, props.units)) },
    { name: 'Risk', of: risk },
    { name: 'Water and feed', of: (r) => (r.figures?.cost == null ? '–' : `${money(r.figures.cost)}\u202f${props.currency}`) },
    { name: 'Harvest', of: (r) => (r.figures ? number(r.figures.yield_g, 0, 'g') : '–') },
];
</script>

<template>
    <section class="beside" aria-label="Beside another way">
        <table v-if="runs.length === asks.length">
            <thead>
                <tr>
                    <th scope="col"><span class="hidden-visually">Figure</span></th>
                    <th v-for="(name, i) in names" :key="i" scope="col">
                        <svg width="34" height="8" aria-hidden="true"><line x1="0" x2="34" y1="4" y2="4" :class="`run run${i}`" /></svg>
                        <span class="name">{{ name }}</span>
                        <span v-if="i > 0" class="do">
                            <button v-if="runs[i]?.patch.length" type="button" class="word small" @click="emit('take', runs[i]!, name)">
                                Do it so
                            </button>
                            <button type="button" class="word small" :aria-label="`Take away ${name}`" @click="drop(i)">Take away</button>
                        </span>
                    </th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="row in ROWS" :key="row.name">
                    <th scope="row">{{ row.name }}</th>
                    <td v-for="(run, i) in runs" :key="i" :class="{ other: i > 0 && row.of(run) !== row.of(runs[0]!) }">
                        {{ row.of(run) }}
                    </td>
                </tr>
            </tbody>
        </table>
        <label v-if="asks.length < MOST" class="add">
            <span>{{ asks.length > 1 ? 'And beside' : 'Beside' }}</span>
            <select class="text" @change="choose">
                <option value="">another way, or something that happens</option>
                <optgroup label="Another way">
                    <option v-for="(r, i) in ready" :key="r.name" :value="`way:${i}`">{{ r.name }}</option>
                </optgroup>
                <optgroup :label="`What if, from day ${middle}`">
                    <option v-for="(h, i) in HAPPENS" :key="h.value" :value="`what:${i}`">{{ h.name }}</option>
                </optgroup>
            </select>
        </label>
    </section>
</template>

<style scoped>
.beside {
    display: grid;
    gap: 0.5rem;
    align-content: start;
    overflow: auto;
    min-height: 0;
}
table {
    font-size: 0.8125rem;
    line-height: 1.25;
}
thead th {
    vertical-align: bottom;
    color: var(--ink);
    font-weight: 600;
    padding: 0 0.5rem 0.2rem 0;
    border-bottom: 1px solid var(--ink);
}
.name,
thead svg {
    display: block;
}
.do {
    display: flex;
    flex-wrap: wrap;
    gap: 0 0.6rem;
    font-weight: 400;
}
.do .word {
    text-decoration: underline;
    padding: 0;
}
tbody th,
td {
    padding: 0.12rem 0.5rem 0.12rem 0;
    border-bottom: 1px solid var(--rule);
}
td.other {
    font-weight: 650;
}
.run {
    stroke: var(--ink);
    stroke-width: 2.2;
}
.run1 {
    stroke-dasharray: 7 4;
}
.run2 {
    stroke-dasharray: 2 3;
}
.run3 {
    stroke-dasharray: 10 3 2 3;
}
.add {
    display: grid;
    grid-template-columns: auto minmax(0, 22rem);
    gap: 0.6rem;
    align-items: center;
    font-weight: 600;
    font-family: var(--grotesque);
}
</style>
