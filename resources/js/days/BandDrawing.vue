<script setup lang="ts">
/**
 * A band for each copy of a tub, weeks across: its plantings by their stages, its water falling under them, readings as dots, changes and
 * harvests as ticks, today as a line. A planting is dragged, or moved by arrows, and all follows.
 */
import { computed, ref } from 'vue';
import { useBox } from '../drawing/useBox';
import { type Units, volume } from '../kit/format';
import { dateOf, dayNumber, spoken, timeOf } from '../kit/dates';
import type { Band, Days, PlantingDays } from './diary';

const props = defineProps<{
    days: Days;
    from: number;
    to: number;
    units: Units;
    letters: Record<string, string>;
    selected: string | null;
}>();
const emit = defineEmits<{ move: [id: string, by: number]; look: [id: string, by: number]; choose: [tub: string] }>();

const box = ref<HTMLElement | null>(null);
const size = useBox(box);
const LEFT = 118;
const RIGHT = 12;
const TOP = 24;
/** A row of a planting, the water under the rows, and the space between two bands. */
const ROW = 17;
const LEAST_WATER = 34;
const MOST_WATER = 96;
const SPACE = 12;
const DAYS_A_WEEK = 7;

const X = (day: number): number => LEFT + ((day - props.from) / (props.to - props.from)) * (size.width - LEFT - RIGHT);
const inside = (x: number): number => Math.max(LEFT, Math.min(size.width - RIGHT, x));
const today = computed(() => dayNumber(props.days.today));

/** Plantings of a copy in rows, so that none lies over another. */
function rowsOf(band: Band): PlantingDays[][] {
    const rows: PlantingDays[][] = [];
    for (const p of band.plantings) {
        const row = rows.find((r) => dayNumber(endOf(r.at(-1)!)) < dayNumber(p.begins));
        if (row) row.push(p);
        else rows.push([p]);
    }
    return rows;
}
const endOf = (p: PlantingDays): string => p.cleared ?? p.died ?? p.last ?? p.dry ?? p.harvest ?? p.set_in;

interface Drawn {
    band: Band;
    rows: PlantingDays[][];
    top: number;
    water: number;
    height: number;
}
/** Where there are few bands their water has more room. */
const deep = computed(() => {
    const rows = props.days.copies.reduce((sum, c) => sum + Math.max(1, rowsOf(c).length) * ROW + SPACE, TOP + 24);
    const room = (size.height - rows) / Math.max(1, props.days.copies.length);
    return Math.max(LEAST_WATER, Math.min(MOST_WATER, room));
});
const bands = computed<Drawn[]>(() => {
    let top = TOP;
    return props.days.copies.map((band) => {
        const rows = rowsOf(band);
        const height = Math.max(1, rows.length) * ROW + deep.value;
        const drawn = { band, rows, top, water: top + Math.max(1, rows.length) * ROW, height };
        top += height + SPACE;
        return drawn;
    });
});
const tall = computed(() => (bands.value.at(-1)?.top ?? TOP) + (bands.value.at(-1)?.height ?? 0) + 6);

/** The first of each month, and each Monday between. */
const months = computed(() => {
    const list: { x: number; text: string }[] = [];
    for (let day = Math.ceil(props.from); day <= props.to; day++) {
        const date = dateOf(day);
        if (date.endsWith('-01')) list.push({ x: X(day), text: spoken(date).split(' ')[1]! });
    }
    return list.filter((m, i) => i === 0 || m.x - list[i - 1]!.x > 30);
});
const weeks = computed(() => {
    const list: number[] = [];
    if (props.to - props.from > 200) return list;
    for (let day = Math.ceil(props.from); day <= props.to; day++)
        if ((((day - 4) % DAYS_A_WEEK) + DAYS_A_WEEK) % DAYS_A_WEEK === 0) list.push(X(day));
    return list;
});

/** Where so many litres stand in a band. */
function depthOf(drawn: Drawn): (litres: number) => number {
    const most = Math.max(drawn.band.fill_l, ...drawn.band.courses.flatMap((c) => c.high_l ?? c.volume_l)) || 1;
    return (litres) => drawn.water + deep.value - 4 - (Math.max(0, litres) / most) * (deep.value - 8);
}
/** Between the least and the most that there may be. */
function range(drawn: Drawn): string {
    const y = depthOf(drawn);
    return drawn.band.courses
        .map(({ start, low_l: low, high_l: high }) => {
            if (!low || !high) return '';
            const days = high.map((_, i) => i).filter((i) => dayNumber(start) + i + 1 >= props.from && dayNumber(start) + i <= props.to);
            if (days.length === 0) return '';
            const at = (i: number): string => inside(X(dayNumber(start) + i + 1)).toFixed(1);
            const top = days.map((i) => `${at(i)} ${y(high[i]!).toFixed(1)}`);
            const foot = days.map((i) => `${at(i)} ${y(low[i]!).toFixed(1)}`).reverse();
            return `M${[...top, ...foot].join('L')}Z`;
        })
        .join('');
}
function water(drawn: Drawn): string {
    const y = depthOf(drawn);
    return drawn.band.courses
        .map((course) => {
            const start = dayNumber(course.start);
            const points = course.volume_l
                .map((litres, i) => ({ day: start + i + 1, litres }))
                .filter((p) => p.day >= props.from && p.day <= props.to + 1);
            if (points.length === 0) return '';
            const line = points.map((p) => `${inside(X(p.day)).toFixed(1)} ${y(p.litres).toFixed(1)}`);
            const foot = drawn.water + deep.value - 4;
            const begins = inside(X(Math.max(props.from, points[0]!.day - 1))).toFixed(1);
            return `M${begins} ${foot}V${y(points[0]!.litres).toFixed(1)}L${line.join('L')}V${foot}Z`;
        })
        .join('');
}
function dry(drawn: Drawn): number {
    return depthOf(drawn)(drawn.band.dry_l);
}
function dots(drawn: Drawn): { x: number; y: number; text: string }[] {
    const y = depthOf(drawn);
    return drawn.band.readings
        .map((r) => ({
            day: timeOf(r.at),
            x: X(timeOf(r.at)),
            y: y(r.litres),
            text: `${volume(r.litres, props.units)} read on ${spoken(r.at)}`,
        }))
        .filter((d) => d.day >= props.from && d.day <= props.to);
}
const ticks = (drawn: Drawn): { x: number; kind: string; says: string; done: boolean }[] =>
    drawn.band.items
        .filter((i) => ['top-up', 'change', 'strengthen', 'pick'].includes(i.kind))
        .filter((i) => dayNumber(i.date) >= props.from && dayNumber(i.date) <= props.to)
        .map((i) => ({ x: X(dayNumber(i.date) + 0.5), kind: i.kind, says: `${spoken(i.date)}: ${i.says}`, done: i.done !== null }));

/** What of a planting is drawn: raising, growing, bearing. */
function stages(p: PlantingDays): { kind: string; from: number; to: number }[] {
    const [begins, setIn, end] = [dayNumber(p.begins), dayNumber(p.set_in), dayNumber(endOf(p))];
    const harvest = p.harvest === null ? end : dayNumber(p.harvest);
    return [
        { kind: 'raised', from: begins, to: setIn },
        { kind: 'grows', from: setIn, to: Math.min(harvest, end) },
        { kind: 'bears', from: harvest, to: Math.max(harvest, end) },
    ]
        .filter((s) => s.to > s.from && s.to > props.from && s.from < props.to)
        .map((s) => ({ ...s, from: Math.max(s.from, props.from), to: Math.min(s.to, props.to) }));
}

/** By how many days a planting is held beside where it was taken. */
const drag = ref<{ id: string; x: number; by: number } | null>(null);
const shift = (id: string): number => (drag.value?.id === id ? drag.value.by : 0);
const perDay = computed(() => (size.width - LEFT - RIGHT) / (props.to - props.from));
function take(event: PointerEvent, p: PlantingDays): void {
    if (event.button !== 0) return;
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    drag.value = { id: p.id, x: event.clientX, by: 0 };
}
function held(event: PointerEvent): void {
    if (!drag.value) return;
    const by = Math.round((event.clientX - drag.value.x) / perDay.value);
    if (by === drag.value.by) return;
    drag.value = { ...drag.value, by };
    emit('look', drag.value.id, by);
}
function let_(): void {
    const of = drag.value;
    drag.value = null;
    if (of && of.by !== 0) emit('move', of.id, of.by);
}
function byKey(event: KeyboardEvent, p: PlantingDays): void {
    const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    emit('move', p.id, event.shiftKey ? by * 7 : by);
}
const says = (band: Band, p: PlantingDays): string =>
    [
        `${p.name}, ${p.plants === 1 ? '1 plant' : `${p.plants} plants`}, in ${band.name}`,
        p.sown ? `sown ${spoken(p.sown)}` : '',
        `set in ${spoken(p.set_in)}`,
        p.harvest ? `first harvest ${spoken(p.harvest)}` : 'no harvest',
        p.dry ? `dry from ${spoken(p.dry)}` : '',
        'move by arrows',
    ]
        .filter(Boolean)
        .join(', ');
const MOST_LETTERS = 17;
const short = (name: string): string => (name.length > MOST_LETTERS ? `${name.slice(0, MOST_LETTERS - 1).trimEnd()}…` : name);
const nameOf = (band: Band): string => (band.count > 1 ? `${props.letters[band.tub] ?? ''} ${band.copy}` : (props.letters[band.tub] ?? ''));
</script>

<template>
    <div ref="box" class="bands">
        <svg
            v-if="size.width"
            class="drawing"
            :width="size.width"
            :height="Math.max(tall + 12, size.height)"
            aria-label="What grows, by date"
            role="group"
        >
            <g class="time" aria-hidden="true">
                <line v-for="x in weeks" :key="x" :x1="x" :x2="x" :y1="TOP - 4" :y2="tall - 6" class="week" />
                <g v-for="m in months" :key="m.x">
                    <line :x1="m.x" :x2="m.x" :y1="TOP - 10" :y2="tall - 6" class="month" />
                    <text :x="m.x + 3" :y="TOP - 8">{{ m.text }}</text>
                </g>
            </g>
            <g v-for="d in bands" :key="`${d.band.tub} ${d.band.copy}`" :data-band="`${d.band.tub}.${d.band.copy}`">
                <g
                    class="name"
                    role="button"
                    tabindex="0"
                    :aria-label="`Go to ${d.band.name}`"
                    @click="emit('choose', d.band.tub)"
                    @keydown.enter="emit('choose', d.band.tub)"
                >
                    <rect x="0" :y="d.top" :width="LEFT - 8" :height="d.height" class="hit" />
                    <rect v-if="d.band.tub === selected" x="0" :y="d.top" width="3" :height="d.height" class="here" />
                    <text x="10" :y="d.top + 14" class="letter">{{ nameOf(d.band) }}</text>
                    <text x="10" :y="d.top + 30" class="tub">{{ short(d.band.name) }}</text>
                    <text v-if="d.band.today" x="10" :y="d.top + 46" class="stands" :class="{ low: d.band.today.low }">
                        {{ volume(d.band.today.volume_l, units) }}
                    </text>
                </g>
                <rect :x="LEFT" :y="d.water" :width="Math.max(0, size.width - LEFT - RIGHT)" :height="deep - 4" class="glass" />
                <path :d="water(d)" class="water" />
                <path :d="range(d)" class="range"><title>From the least to the most that there may be</title></path>
                <line :x1="LEFT" :x2="size.width - RIGHT" :y1="dry(d)" :y2="dry(d)" class="dry" />
                <g v-for="(t, i) in ticks(d)" :key="i" :class="['tick', t.kind, { done: t.done }]">
                    <title>{{ t.says }}</title>
                    <path v-if="t.kind === 'pick'" :d="`M${t.x - 3} ${d.water - 3}l3 -5l3 5z`" />
                    <line v-else :x1="t.x" :x2="t.x" :y1="d.water + (t.kind === 'change' ? -4 : 1)" :y2="d.water + 6" />
                </g>
                <circle v-for="(r, i) in dots(d)" :key="i" :cx="r.x" :cy="r.y" r="3" class="read">
                    <title>{{ r.text }}</title>
                </circle>
                <template v-for="(row, n) in d.rows" :key="n">
                    <g
                        v-for="p in row"
                        :key="p.id"
                        class="planting"
                        role="button"
                        tabindex="0"
                        :data-planting="p.id"
                        :aria-label="says(d.band, p)"
                        :transform="`translate(${shift(p.id) * perDay} 0)`"
                        @pointerdown="take($event, p)"
                        @pointermove="held"
                        @pointerup="let_"
                        @pointercancel="drag = null"
                        @keydown="byKey($event, p)"
                    >
                        <rect
                            v-for="s in stages(p)"
                            :key="s.kind"
                            :class="s.kind"
                            :x="X(s.from)"
                            :y="d.top + n * ROW + 1"
                            :width="Math.max(1, X(s.to) - X(s.from))"
                            :height="ROW - 4"
                        />
                        <text
                            v-if="stages(p).length"
                            :x="Math.max(X(stages(p)[0]!.from), LEFT) + 4"
                            :y="d.top + n * ROW + 11.5"
                            class="crop"
                        >
                            {{ p.name }}{{ p.plants > 1 ? ` × ${p.plants}` : '' }}
                        </text>
                    </g>
                </template>
            </g>
            <g v-if="today >= from && today <= to" class="today" aria-hidden="true">
                <line :x1="X(today + 0.5)" :x2="X(today + 0.5)" :y1="TOP - 6" :y2="tall + 2" />
                <text :x="X(today + 0.5) + 4" :y="tall + 6">today</text>
            </g>
        </svg>
    </div>
</template>

<style scoped>
.bands {
    flex: 1 1 auto;
    min-height: 120px;
    overflow: hidden auto;
    scrollbar-width: thin;
}
svg {
    display: block;
    font-family: var(--grotesque);
    font-size: 11px;
}
text {
    fill: var(--ink);
}
.time text {
    fill: var(--faint);
}
.week {
    stroke: var(--rule);
    stroke-width: 0.5;
}
.month {
    stroke: var(--rule);
}
.hit {
    fill: transparent;
}
.name {
    cursor: pointer;
}
.name:hover .tub {
    text-decoration: underline;
}
.here {
    fill: var(--ink);
}
.letter {
    font-weight: 700;
    font-size: 14px;
}
.stands {
    fill: var(--water-text);
}
.stands.low {
    fill: var(--stop-text);
    font-weight: 700;
}
.glass {
    fill: var(--sheet);
    stroke: var(--rule);
}
.water {
    fill: var(--water-wash);
    stroke: var(--water);
    stroke-width: 1.2;
}
.range {
    fill: var(--water);
    fill-opacity: 0.26;
}
.dry {
    stroke: var(--stop);
    stroke-dasharray: 2 3;
    stroke-width: 0.8;
}
.tick line {
    stroke: var(--water-text);
    stroke-width: 1.4;
}
.tick.change line {
    stroke: var(--ink);
    stroke-width: 2.2;
}
.tick.pick path {
    fill: var(--mind);
}
.read {
    fill: var(--ink);
    stroke: var(--paper);
}
.planting {
    cursor: grab;
    touch-action: none;
}
.planting:active {
    cursor: grabbing;
}
.planting rect {
    stroke: var(--ink);
    stroke-width: 0.8;
}
.raised {
    fill: var(--sand);
    stroke-dasharray: 3 2;
}
.grows {
    fill: color-mix(in srgb, var(--kelp) 26%, var(--sheet));
}
.bears {
    fill: color-mix(in srgb, var(--mind) 38%, var(--sheet));
}
.planting:focus-visible rect {
    stroke: var(--focus);
    stroke-width: 2.4;
}
.planting:focus-visible {
    outline: none;
}
.crop {
    font-size: 10.5px;
    pointer-events: none;
}
.today line {
    stroke: var(--stop);
    stroke-width: 1.4;
}
.today text {
    fill: var(--stop-text);
    font-weight: 700;
}
</style>
