<script setup lang="ts">
/** Two to four designs side by side, drawn at one scale: whole gardens, or single tubs of them. */
import { Head, Link, router } from '@inertiajs/vue3';
import { computed, ref } from 'vue';
import TubElevation from '../drawing/TubElevation.vue';
import { plantsOf, topOf, widthOf } from '../drawing/shape';
import Pages from '../kit/Pages.vue';
import { useBox } from '../drawing/useBox';
import { mass, money, number, volume, type Units } from '../kit/format';
import type { Report } from '../types/report';

interface Figures {
    tubs: number;
    plants: number;
    label_l: number | null;
    brim_l: number;
    working_l: number;
    litres_per_plant: number | null;
    plants_per_m2: number | null;
    mass_kg: number;
    water_to_harvest_l: number;
    harvest_day: number | null;
    days_between_fills: number | null;
    top_ups: number;
    changes: number;
    season_l: number;
    oxygen_mg_l: number | null;
    outlay: number;
    per_plant: number | null;
    currency: string;
    stops: number;
    mends: number;
    minds: number;
    says: { severity: 'stop' | 'mend' | 'mind'; says: string }[];
}

interface Design {
    of: string;
    name: string;
    garden: string;
    units: Units;
    figures: Figures;
    report: string;
}

const MOST = 4;
const props = defineProps<{
    all: { id: string; name: string; tubs: { id: string; name: string }[] }[];
    page: number;
    pages: number;
    chosen: Design[];
}>();

const picked = computed(() => props.chosen.map((d) => d.of));
const full = computed(() => picked.value.length >= MOST);
const units = computed<Units>(() => props.chosen[0]?.units ?? 'metric');
const designs = computed(() => props.chosen.map((d) => ({ ...d, tubs: (JSON.parse(d.report) as Report).tubs })));

function go(list: string[]): void {
    router.get(
        '/compare',
        // Nothing is said as nothing: an address that says nothing begins with two.
        { of: list.join(',') || 'none', ...(props.page > 1 ? { page: props.page } : {}) },
        { preserveScroll: true },
    );
}
const toggle = (of: string): void => go(picked.value.includes(of) ? picked.value.filter((o) => o !== of) : [...picked.value, of]);
function shift(i: number, by: number): void {
    const list = [...picked.value];
    list.splice(i + by, 0, ...list.splice(i, 1));
    go(list);
}

const area = ref<HTMLElement | null>(null);
const box = useBox(area);
const GAP = 50;
/** Of tubs alike no more than so many are drawn. */
const MOST_ALIKE = 4;
const drawn = (d: (typeof designs.value)[number]): Report['tubs'] =>
    d.tubs.flatMap((t) => Array.from({ length: Math.min(t.count, MOST_ALIKE) }, () => t));
const alike = (d: (typeof designs.value)[number]): number => (d.of.includes(':') ? (d.tubs[0]?.count ?? 1) : 1);
const widthsOf = (d: (typeof designs.value)[number]): number => drawn(d).reduce((sum, t) => sum + widthOf(t) + GAP, GAP);
const scale = computed(() => {
    const column = (box.width - 170) / Math.max(1, designs.value.length) - 20;
    const widest = Math.max(200, ...designs.value.map(widthsOf));
    const tallest = Math.max(200, ...designs.value.flatMap((d) => d.tubs.map((t) => topOf(t) + plantsOf(t))));
    return Math.max(0.02, Math.min(column / widest, 210 / tallest));
});
const placed = (d: (typeof designs.value)[number]) => {
    let x = -widthsOf(d) / 2 + GAP;
    return drawn(d).map((tub) => {
        const at = x + widthOf(tub) / 2;
        x += widthOf(tub) + GAP;
        return { tub, x: at };
    });
};

/** What is compared; of some more is better, of others less, and of some neither. */
const ROWS = computed<{ key: keyof Figures; name: string; note?: string; better?: 1 | -1; show: (f: Figures) => string }[]>(() => {
    const u = units.value;
    const or = (value: number | null, show: (v: number) => string): string => (value === null ? '–' : show(value));
    return [
        { key: 'plants', name: 'Plants', better: 1, show: (f) => String(f.plants) },
        { key: 'label_l', name: 'Label', note: 'as sold', show: (f) => or(f.label_l, (v) => volume(v, u)) },
        { key: 'brim_l', name: 'To the rim', show: (f) => volume(f.brim_l, u) },
        { key: 'working_l', name: 'Working volume', show: (f) => volume(f.working_l, u) },
        { key: 'litres_per_plant', name: 'Water a plant', better: 1, show: (f) => or(f.litres_per_plant, (v) => volume(v, u)) },
        { key: 'plants_per_m2', name: 'Density', note: 'plants a m² of lid', show: (f) => or(f.plants_per_m2, (v) => number(v, 0)) },
        { key: 'mass_kg', name: 'Weight filled', better: -1, show: (f) => mass(f.mass_kg, u) },
        {
            key: 'days_between_fills',
            name: 'Days between fills',
            note: 'grown, until a third of the usable water is gone, or as much as its top-ups wait for',
            better: 1,
            show: (f) => or(f.days_between_fills, (v) => number(v, v < 10 ? 1 : 0)),
        },
        { key: 'water_to_harvest_l', name: 'Drunk to harvest', better: -1, show: (f) => volume(f.water_to_harvest_l, u) },
        { key: 'top_ups', name: 'Top-ups to harvest', better: -1, show: (f) => number(f.top_ups, 0) },
        { key: 'changes', name: 'Changes to harvest', better: -1, show: (f) => number(f.changes, 0) },
        { key: 'season_l', name: 'Water for the season', better: -1, show: (f) => volume(f.season_l, u) },
        {
            key: 'harvest_day',
            name: 'All harvested once',
            note: 'days from transplanting',
            better: -1,
            show: (f) => or(f.harvest_day, (v) => number(v, 0)),
        },
        {
            key: 'oxygen_mg_l',
            name: 'Oxygen, grown',
            note: 'where it is least, mg/L',
            better: 1,
            show: (f) => or(f.oxygen_mg_l, (v) => number(v, 1)),
        },
        { key: 'outlay', name: 'Outlay', better: -1, show: (f) => `${money(f.outlay)} ${f.currency}` },
        { key: 'per_plant', name: 'Outlay a plant', better: -1, show: (f) => or(f.per_plant, (v) => `${money(v)} ${f.currency}`) },
    ];
});

function best(row: (typeof ROWS.value)[number], f: Figures): boolean {
    if (!row.better || designs.value.length < 2) return false;
    const values = designs.value.map((d) => d.figures[row.key]).filter((v): v is number => typeof v === 'number');
    const mine = f[row.key];
    if (typeof mine !== 'number' || values.length < 2) return false;
    const top = row.better > 0 ? Math.max(...values) : Math.min(...values);
    return mine === top && values.some((v) => v !== top);
}
const WORDS = { stop: 'Stop', mend: 'Mend', mind: 'Mind' } as const;
const letters = 'ABCD';
</script>

<template>
    <Head title="Compare" />
    <div class="page">
        <header>
            <Link href="/" class="back">All gardens</Link>
            <Link href="/library" class="back">Library</Link>
            <h1>Compare</h1>
            <p class="faint">Two to four designs at one scale: whole gardens, or single tubs of them, each with the air it has.</p>
        </header>
        <main class="body">
            <section class="choose" aria-label="What to compare">
                <details v-for="g in all" :key="g.id" :open="all.length === 1 || picked.some((o) => o.startsWith(g.id))">
                    <summary>{{ g.name }}</summary>
                    <ul>
                        <li>
                            <label
                                ><input
                                    type="checkbox"
                                    :checked="picked.includes(g.id)"
                                    :disabled="full && !picked.includes(g.id)"
                                    @change="toggle(g.id)"
                                />
                                the whole garden</label
                            >
                        </li>
                        <li v-for="t in g.tubs" :key="t.id">
                            <label
                                ><input
                                    type="checkbox"
                                    :data-of="`${g.id}:${t.id}`"
                                    :checked="picked.includes(`${g.id}:${t.id}`)"
                                    :disabled="full && !picked.includes(`${g.id}:${t.id}`)"
                                    @change="toggle(`${g.id}:${t.id}`)"
                                />
                                {{ t.name }}</label
                            >
                        </li>
                    </ul>
                </details>
                <Pages :page="page" :pages="pages" href="/compare" :of="picked.join(',')" />
                <p v-if="all.length === 0" class="faint">There are no gardens yet.</p>
                <p v-if="full" class="small faint">Four are as many as fit side by side.</p>
            </section>
            <div ref="area" class="area">
                <p v-if="designs.length < 2" class="start">
                    {{ designs.length === 0 ? 'Choose two designs to set side by side.' : 'Choose another to set beside it.' }}
                </p>
                <table v-if="designs.length && box.width">
                    <colgroup>
                        <col class="names" />
                        <col v-for="d in designs" :key="d.of" />
                    </colgroup>
                    <thead>
                        <tr class="pictures">
                            <td></td>
                            <td v-for="d in designs" :key="d.of">
                                <svg class="drawing" width="100%" height="240" role="img" :aria-label="`${d.name} from the side`">
                                    <svg x="50%" y="226" overflow="visible">
                                        <g v-for="(p, n) in placed(d)" :key="n" :transform="`translate(${p.x * scale} 0)`">
                                            <TubElevation :tub="p.tub" :scale="scale" />
                                        </g>
                                    </svg>
                                    <line class="pen" x1="4" x2="98%" y1="227" y2="227" />
                                </svg>
                            </td>
                        </tr>
                        <tr>
                            <th scope="col"></th>
                            <th v-for="(d, i) in designs" :key="d.of" scope="col">
                                <span class="letter">{{ letters[i] }}</span>
                                <b
                                    >{{ d.name }}<template v-if="alike(d) > 1"> ×{{ alike(d) }}</template></b
                                >
                                <span v-if="d.of.includes(':')" class="small faint"> of {{ d.garden }}</span>
                                <span class="acts"
                                    ><button
                                        v-if="i > 0"
                                        type="button"
                                        class="word small"
                                        :aria-label="`Move ${d.name} left`"
                                        @click="shift(i, -1)"
                                    >
                                        ←</button
                                    ><button
                                        v-if="i < designs.length - 1"
                                        type="button"
                                        class="word small"
                                        :aria-label="`Move ${d.name} right`"
                                        @click="shift(i, 1)"
                                    >
                                        →</button
                                    ><button type="button" class="word small" @click="toggle(d.of)">
                                        Take out<span class="hidden-visually"> {{ d.name }}</span>
                                    </button></span
                                >
                            </th>
                        </tr>
                    </thead>
                    <tbody>
                        <tr v-for="row in ROWS" :key="row.key">
                            <th scope="row">
                                {{ row.name }}<span v-if="row.note" class="small faint">{{ row.note }}</span>
                            </th>
                            <td v-for="d in designs" :key="d.of">
                                <span class="number" :class="{ best: best(row, d.figures) }">{{ row.show(d.figures) }}</span><span
                                    v-if="best(row, d.figures)"
                                    class="hidden-visually"
                                >
                                    (the better)</span
                                >
                            </td>
                        </tr>
                        <tr class="says">
                            <th scope="row">Findings</th>
                            <td v-for="d in designs" :key="d.of">
                                <p v-if="d.figures.stops + d.figures.mends + d.figures.minds === 0" class="sound">Nothing to mend.</p>
                                <p v-else class="counts">
                                    <template
                                        v-for="[n, word] in [
                                            [d.figures.stops, 'stop'],
                                            [d.figures.mends, 'mend'],
                                            [d.figures.minds, 'mind'],
                                        ] as const"
                                        :key="word"
                                        ><span v-if="n" class="severity" :class="word">{{ n }} {{ WORDS[word].toLowerCase() }}</span>
                                    </template>
                                </p>
                                <p v-for="f in d.figures.says" :key="f.says" class="small">
                                    <i :class="f.severity">{{ WORDS[f.severity] }}</i> {{ f.says }}
                                </p>
                            </td>
                        </tr>
                    </tbody>
                </table>
                <p v-if="designs.length > 1" class="small faint">
                    The better figure of a row is underlined. More and less are only better as far as the plants are served.
                </p>
            </div>
        </main>
    </div>
</template>

<style scoped>
.page {
    padding: 1rem 1.4rem 3rem;
}
header .back + .back {
    margin-left: 1rem;
}
header {
    border-bottom: 1px solid var(--ink);
    padding-bottom: 0.7rem;
    margin-bottom: 1rem;
}
.body {
    display: grid;
    grid-template-columns: 13.5rem minmax(0, 1fr);
    gap: 1.4rem;
}
.choose ul {
    list-style: none;
    margin: 0 0 0.6rem;
    padding: 0;
}
.choose label {
    display: flex;
    gap: 0.5rem;
    align-items: center;
    min-height: 28px;
    cursor: pointer;
}
.choose input {
    accent-color: var(--ink);
    width: 16px;
    height: 16px;
}
summary {
    cursor: pointer;
    font-family: var(--grotesque);
    font-weight: 600;
    min-height: 28px;
    overflow-wrap: anywhere;
}
table {
    table-layout: fixed;
}
.names {
    width: 150px;
}
th,
td {
    vertical-align: top;
    padding: 0.32rem 0.6rem 0.32rem 0;
    border-bottom: 1px solid var(--rule);
    text-align: left;
    color: var(--ink);
}
.pictures td {
    border-bottom: 0;
    padding: 0;
}
thead th {
    font-weight: 400;
}
tbody th {
    font-weight: 600;
    font-family: var(--grotesque);
}
tbody th .small {
    display: block;
    font-weight: 400;
    font-family: var(--legible);
}
td .number {
    font-size: 1.1rem;
    font-weight: 650;
}
.best {
    border-bottom: 3px solid var(--kelp);
}
.letter {
    display: inline-block;
    min-width: 1.35rem;
    margin-right: 0.45rem;
    border: 1.5px solid var(--ink);
    text-align: center;
    font: 600 0.8125rem/1.25rem var(--grotesque);
}
.acts {
    display: flex;
    gap: 0.5rem;
}
.start {
    padding: 2rem 0;
    font-size: 1.05rem;
}
.says .small + .small,
.counts + .small {
    margin-top: 0.3rem;
}
.sound {
    color: var(--kelp);
}
.counts {
    display: flex;
    gap: 0.7rem;
}
i {
    font-style: normal;
    font-weight: 650;
}
i.stop {
    color: var(--stop-text);
}
i.mend {
    color: var(--mend-text);
}
i.mind {
    color: var(--mind-text);
}
@media (max-width: 760px) {
    .page {
        padding: 0.8rem;
    }
    .body {
        grid-template-columns: 1fr;
    }
    .area {
        overflow-x: auto;
    }
    table {
        min-width: 34rem;
    }
}
</style>
