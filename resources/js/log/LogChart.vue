<script setup lang="ts">
/** What was read against what was forecast, by date: the band as it stood before each reading, the forecast on from each, dots. */
import { computed, ref } from 'vue';
import { lengthTicks, nice, type Tick } from '../drawing/ticks';
import { useBox } from '../drawing/useBox';
import { dayByKey } from '../kit/arrows';
import { dimension, number, type Units, volume } from '../kit/format';
import { dateOf, dayNumber, spoken, timeOf } from '../kit/dates';
import type { Diary, LoggedDay } from '../days/diary';

const props = defineProps<{ diary: Diary; units: Units; cup: number; lowest: number; likes: [number, number] | null; day: string }>();
const emit = defineEmits<{ 'update:day': [day: string] }>();

const box = ref<HTMLElement | null>(null);
const size = useBox(box);
const LEFT = 46;
const RIGHT = 12;
const TITLE = 18;
/** Where on its day a visit before noon is drawn. */
const MORNING = 0.36;

const days = computed<LoggedDay[]>(() => props.diary.courses.flatMap((c) => c.days));
const today = computed(() => timeOf(props.diary.now));
/** From the fill before today to three weeks on, or to the last harvest where that is sooner. */
const AHEAD = 24;
const BACK = 75;
const span = computed(() => {
    const dates = days.value.map((d) => dayNumber(d.date));
    const first = Math.min(...dates);
    const last = Math.max(...dates) + 1;
    const to = Math.min(last, Math.max(first + 20, Math.floor(today.value) + AHEAD));
    return { from: Math.max(first, to - BACK - AHEAD), to };
});
const X = (day: number): number => LEFT + ((day - span.value.from) / (span.value.to - span.value.from)) * (size.width - LEFT - RIGHT);
const seen = computed(() => days.value.filter((d) => dayNumber(d.date) >= span.value.from && dayNumber(d.date) < span.value.to));
const band = computed(() => props.diary.band.filter((b) => dayNumber(b.date) >= span.value.from && dayNumber(b.date) < span.value.to));
const readings = computed(() => props.diary.readings.filter((r) => timeOf(r.at) >= span.value.from && timeOf(r.at) <= span.value.to));

type Key = 'level' | 'ec' | 'ph';
interface Strip {
    key: Key;
    title: string;
    top: number;
    height: number;
    from: number;
    to: number;
    ticks: Tick[];
}
const of = (d: LoggedDay, key: Key): number | null => (key === 'level' ? d.level_mm : key === 'ec' ? d.ec_ms_cm : d.ph);
const readOf = (r: Diary['readings'][number], key: Key): number | null => (key === 'level' ? r.level_mm : key === 'ec' ? r.ec_ms_cm : r.ph);
const strips = computed<Strip[]>(() => {
    const keys = (['level', 'ec', 'ph'] as const).filter((key) => seen.value.some((d) => of(d, key) !== null));
    const share = { level: 2, ec: 1.3, ph: 1 };
    const all = keys.reduce((sum, key) => sum + share[key], 0);
    const room = size.height - 26 - keys.length * (TITLE + 8);
    let top = 6;
    return keys.map((key) => {
        const height = Math.max(30, (room * share[key]) / all);
        const values = [
            ...seen.value.map((d) => of(d, key)),
            ...readings.value.map((r) => readOf(r, key)),
            ...(key === 'level' ? band.value.flatMap((b) => b.level_mm) : key === 'ec' ? band.value.flatMap((b) => b.ec_ms_cm ?? []) : []),
        ].filter((v): v is number => v !== null);
        const [from, to] =
            key === 'level'
                ? [Math.max(0, Math.min(...values, props.lowest) - 8), Math.max(...values, props.cup) + 8]
                : key === 'ec'
                  ? [0, Math.max(...values, props.likes?.[1] ?? 0) * 1.1]
                  : [Math.min(...values, 5) - 0.2, Math.max(...values, 7) + 0.2];
        const lines = Math.max(2, Math.floor(height / 24));
        const strip = {
            key,
            title: { level: `level, ${props.units === 'us' ? 'in' : 'mm'}`, ec: 'EC, mS/cm', ph: 'pH' }[key],
            top: top + TITLE,
            height,
            from: from!,
            to: to!,
            ticks:
                key === 'level'
                    ? lengthTicks(from!, to!, lines, props.units)
                    : nice(from!, to!, lines).map((at) => ({ at, text: number(at, 2) })),
        };
        top += TITLE + height + 8;
        return strip;
    });
});
const Y = (s: Strip, value: number): number =>
    s.top + s.height * (1 - (Math.max(s.from, Math.min(s.to, value)) - s.from) / (s.to - s.from));

/** What was read on a day before noon, or after it: the line goes through it. */
const found = (date: string, key: Key, early: boolean): { x: number; v: number | null }[] =>
    readings.value
        .filter((r) => r.at.slice(0, 10) === date && Number(r.at.slice(11, 13)) < 12 === early && readOf(r, key) !== null)
        .map((r) => ({ x: X(early ? Math.min(timeOf(r.at), dayNumber(date) + MORNING) : timeOf(r.at)), v: readOf(r, key) }));

/** The line in pieces: before now it is drawn faint, since it was read over; courses stand apart. */
function line(s: Strip, ahead: boolean): string {
    return props.diary.courses
        .map((course) => {
            const points = course.days
                .filter((d) => dayNumber(d.date) >= span.value.from && dayNumber(d.date) < span.value.to)
                .filter((d) => dayNumber(d.date) + 1 >= today.value === ahead || Math.abs(dayNumber(d.date) + 1 - today.value) < 1)
                .flatMap((d) => [
                    ...found(d.date, s.key, true),
                    ...(d.morning ? [{ x: X(dayNumber(d.date) + MORNING), v: of({ ...d, ...d.morning }, s.key) }] : []),
                    ...found(d.date, s.key, false),
                    { x: X(dayNumber(d.date) + 1), v: of(d, s.key) },
                ])
                .filter((p) => p.v !== null);
            return points.length ? `M${points.map((p) => `${p.x.toFixed(1)} ${Y(s, p.v!).toFixed(1)}`).join('L')}` : '';
        })
        .join('');
}
function ends(s: Strip): string {
    if (s.key === 'ph') return '';
    const points = band.value
        .map((b) => ({ x: X(dayNumber(b.date) + 1), ends: s.key === 'level' ? b.level_mm : b.ec_ms_cm }))
        .filter((p): p is { x: number; ends: [number, number] } => p.ends !== null);
    if (points.length < 2) return '';
    const up = points.map((p) => `${p.x.toFixed(1)} ${Y(s, p.ends[1]).toFixed(1)}`).join('L');
    const down = points
        .reverse()
        .map((p) => `${p.x.toFixed(1)} ${Y(s, p.ends[0]).toFixed(1)}`)
        .join('L');
    return `M${up}L${down}Z`;
}
const dots = (s: Strip): { x: number; y: number; says: string; meter: boolean }[] =>
    readings.value
        .map((r) => ({ r, v: readOf(r, s.key) }))
        .filter((d) => d.v !== null)
        .map(({ r, v }) => ({
            x: X(timeOf(r.at)),
            y: Y(s, v!),
            meter: r.from === 'meter',
            says: `${spoken(r.at)}, ${r.at.slice(11)}: ${s.key === 'level' ? dimension(v!, props.units) : number(v!, 2)}`,
        }));
const put = computed(() => [
    ...readings.value
        .filter((r) => r.top_up_l > 0 || r.change)
        .map((r) => ({
            x: X(timeOf(r.at)),
            change: r.change,
            done: true,
            says: r.change ? 'changed' : `topped up ${volume(r.top_up_l, props.units)}`,
        })),
    ...seen.value
        .filter((d) => dayNumber(d.date) >= Math.floor(today.value) && (d.top_up_l > 0 || d.change))
        .map((d) => ({
            x: X(dayNumber(d.date) + 1),
            change: d.change,
            done: false,
            says: d.change ? 'change' : `top up ${volume(d.top_up_l, props.units)}`,
        })),
]);
const weeks = computed(() => {
    const list: { x: number; text: string }[] = [];
    for (let day = Math.ceil(span.value.from); day < span.value.to; day++)
        if ((((day - 4) % 7) + 7) % 7 === 0) list.push({ x: X(day), text: spoken(dateOf(day)) });
    const every = Math.ceil((list.length * 48) / Math.max(1, size.width - LEFT));
    return list.filter((_, i) => i % Math.max(1, every) === 0);
});
const foot = computed(() => {
    const last = strips.value.at(-1);
    return last ? last.top + last.height : 0;
});

function at(event: PointerEvent): void {
    const bounds = box.value!.getBoundingClientRect();
    const part = (event.clientX - bounds.left - LEFT) / (size.width - LEFT - RIGHT);
    const day = Math.floor(span.value.from + Math.max(0, Math.min(0.9999, part)) * (span.value.to - span.value.from));
    emit('update:day', dateOf(day));
}
function drag(event: PointerEvent): void {
    if (event.buttons & 1) at(event);
}
function byKey(event: KeyboardEvent): void {
    const to = dayByKey(event, dayNumber(props.day), span.value.from, span.value.to - 1);
    if (to !== null) emit('update:day', dateOf(to));
}
</script>

<template>
    <div ref="box" class="chart">
        <svg
            v-if="size.width && strips.length"
            class="drawing"
            :width="size.width"
            :height="size.height"
            role="slider"
            tabindex="0"
            aria-label="Day that is looked at"
            :aria-valuemin="span.from"
            :aria-valuemax="span.to - 1"
            :aria-valuenow="dayNumber(day)"
            :aria-valuetext="spoken(day)"
            @pointerdown="at"
            @pointermove="drag"
            @keydown="byKey"
        >
            <g v-for="w in weeks" :key="w.x" class="week" aria-hidden="true">
                <line :x1="w.x" :x2="w.x" y1="10" :y2="foot" />
                <text :x="w.x + 2" :y="foot + 14">{{ w.text }}</text>
            </g>
            <g v-for="s in strips" :key="s.key" :data-strip="s.key">
                <text :x="0" :y="s.top - 6" class="title">{{ s.title }}</text>
                <line v-for="t in s.ticks" :key="t.at" :x1="LEFT" :x2="size.width - RIGHT" :y1="Y(s, t.at)" :y2="Y(s, t.at)" class="grid" />
                <text v-for="t in s.ticks" :key="`t${t.at}`" :x="LEFT - 5" :y="Y(s, t.at) + 4" text-anchor="end">{{ t.text }}</text>
                <rect
                    v-if="s.key === 'ec' && likes"
                    :x="LEFT"
                    :width="Math.max(0, size.width - LEFT - RIGHT)"
                    :y="Y(s, likes[1])"
                    :height="Math.max(0, Y(s, likes[0]) - Y(s, likes[1]))"
                    class="likes"
                />
                <template v-if="s.key === 'level'">
                    <line :x1="LEFT" :x2="size.width - RIGHT" :y1="Y(s, cup)" :y2="Y(s, cup)" class="cup" />
                    <text :x="size.width - RIGHT" :y="Y(s, cup) - 3" text-anchor="end">cups end</text>
                    <line :x1="LEFT" :x2="size.width - RIGHT" :y1="Y(s, lowest)" :y2="Y(s, lowest)" class="low" />
                </template>
                <path :d="ends(s)" class="band" />
                <path :d="line(s, false)" class="was" />
                <path :d="line(s, true)" class="goes" />
                <g v-for="(d, i) in dots(s)" :key="i">
                    <circle :cx="d.x" :cy="d.y" :r="d.meter ? 2 : 3.6" class="read">
                        <title>{{ d.says }}</title>
                    </circle>
                </g>
            </g>
            <g v-if="strips[0]" class="put">
                <line
                    v-for="(p, i) in put"
                    :key="i"
                    :x1="p.x"
                    :x2="p.x"
                    :y1="strips[0].top + strips[0].height"
                    :y2="strips[0].top + strips[0].height - (p.change ? 12 : 7)"
                    :class="{ change: p.change, done: p.done }"
                >
                    <title>{{ p.says }}</title>
                </line>
            </g>
            <g class="now" aria-hidden="true">
                <line :x1="X(today)" :x2="X(today)" y1="6" :y2="foot" />
                <text :x="X(today) + 4" y="14">now</text>
            </g>
            <line :x1="X(dayNumber(day) + 0.5)" :x2="X(dayNumber(day) + 0.5)" y1="6" :y2="foot" class="looked" />
        </svg>
    </div>
</template>

<style scoped>
.chart {
    flex: 1 1 auto;
    min-height: 240px;
    min-width: 0;
    position: relative;
}
svg {
    display: block;
    position: absolute;
    font-family: var(--grotesque);
    font-size: 11px;
    touch-action: pan-y;
    cursor: ew-resize;
}
text {
    fill: var(--faint);
}
.title {
    fill: var(--ink);
    font-weight: 600;
    font-size: 12px;
}
.grid,
.week line {
    stroke: var(--rule);
    stroke-width: 0.6;
}
.likes {
    fill: var(--shoal);
    opacity: 0.6;
}
.cup {
    stroke: var(--root);
    stroke-width: 1.6;
}
.low {
    stroke: var(--stop);
    stroke-dasharray: 2 3;
}
.band {
    fill: var(--water-wash);
    opacity: 0.75;
}
.was,
.goes {
    fill: none;
    stroke: var(--water);
    stroke-width: 1.8;
}
.was {
    opacity: 0.65;
}
.goes {
    stroke-dasharray: 5 3;
}
.read {
    fill: var(--ink);
    stroke: var(--paper);
}
.put line {
    stroke: var(--water-text);
    stroke-width: 1.6;
}
.put .change {
    stroke: var(--ink);
    stroke-width: 2.4;
}
.now line {
    stroke: var(--stop);
    stroke-width: 1.4;
}
.now text {
    fill: var(--stop-text);
    font-weight: 700;
}
.looked {
    stroke: var(--ink);
    stroke-dasharray: 1 3;
    stroke-width: 1.4;
}
</style>
