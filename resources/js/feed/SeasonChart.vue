<script setup lang="ts">
/** Level, EC, oxygen and warmth over the days on one time axis, with what is put in as ticks; a line to drag through the days. */
import { computed, ref } from 'vue';
import { lengthTicks, nice, temperatureTicks } from '../drawing/ticks';
import { useBox } from '../drawing/useBox';
import { dayByKey } from '../kit/arrows';
import { dimension, number, type Units, volume } from '../kit/format';
import type { SeasonDay, TubReport } from '../types/report';
import type { Run } from '../types/answers';

const props = defineProps<{ tub: TubReport; runs: Run[]; names: string[]; units: Units; day: number }>();
const emit = defineEmits<{ 'update:day': [day: number] }>();

const box = ref<HTMLElement | null>(null);
const size = useBox(box);
const LEFT = 44;
const RIGHT = 10;
const first = computed(() => props.runs[0]!);
const days = computed<SeasonDay[]>(() => first.value.season.days ?? []);
const last = computed(() => Math.max(1, ...props.runs.map((run) => run.season.days?.length ?? 0)));
const X = (day: number): number => LEFT + ((size.width - LEFT - RIGHT) * day) / last.value;

const withOxygen = computed(() => days.value.some((d) => d.oxygen_mg_l !== null));
const withWarmth = computed(() => {
    const water = props.runs.flatMap((run) => run.season.days ?? []).map((d) => d.water_c);
    return Math.max(...water) - Math.min(...water) > 0.3;
});
const withEc = computed(() => props.runs.some((run) => run.season.days?.some((d) => d.ec_ms_cm !== null)));

interface Strip {
    key: 'level' | 'ec' | 'oxygen' | 'water';
    title: string;
    top: number;
    height: number;
    from: number;
    to: number;
    ticks: { at: number; text: string }[];
}

const strips = computed<Strip[]>(() => {
    const keys: Strip['key'][] = [
        'level',
        ...(withEc.value ? (['ec'] as const) : []),
        ...(withOxygen.value ? (['oxygen'] as const) : []),
        ...(withWarmth.value ? (['water'] as const) : []),
    ];
    const share = { level: 2.3, ec: 1.25, oxygen: 0.85, water: 0.7 };
    const all = keys.reduce((sum, key) => sum + share[key], 0);
    // A title over each, the ticks of events under the level, and the days at the foot.
    const room = size.height - 30 - 18 - keys.length * 26;
    const every = props.runs.flatMap((run) => run.season.days ?? []);
    const levels = every.map((d) => d.level_mm);
    const cup = props.tub.levels.cup_bottom_mm;
    let top = 20;
    return keys.map((key) => {
        const height = Math.max(24, (room * share[key]) / all);
        const [from, to] =
            key === 'level'
                ? [Math.max(0, Math.min(...levels, props.tub.levels.lowest_mm) - 12), Math.max(...levels, cup) + 8]
                : key === 'ec'
                  ? [0, Math.max(0.5, ...every.map((d) => d.ec_ms_cm ?? 0), (props.tub.limits.ec_ms_cm?.[1] ?? 0) * 1.1) * 1.08]
                  : key === 'oxygen'
                    ? [0, Math.max(10, Math.ceil(Math.max(...every.map((d) => d.oxygen_mg_l ?? 0))))]
                    : [Math.min(...every.map((d) => d.water_c)) - 1, Math.max(...every.map((d) => d.water_c)) + 1];
        const lines = Math.max(2, Math.floor(height / 26));
        const strip: Strip = {
            key,
            title:
                key === 'level'
                    ? `level, ${props.units === 'us' ? 'in' : 'mm'}`
                    : key === 'ec'
                      ? 'EC, mS/cm'
                      : key === 'oxygen'
                        ? 'oxygen, mg/L'
                        : `water, ${props.units === 'us' ? '°F' : '°C'}`,
            top,
            height,
            from: from!,
            to: to!,
            ticks:
                key === 'oxygen'
                    ? [0, 5, 10].map((at) => ({ at, text: String(at) }))
                    : key === 'level'
                      ? lengthTicks(from!, to!, lines, props.units)
                      : key === 'water'
                        ? temperatureTicks(from!, to!, lines, props.units)
                        : nice(from!, to!, lines).map((at) => ({ at, text: number(at, 2) })),
        };
        top += height + 26 + (key === 'level' ? 18 : 0);
        return strip;
    });
});
const foot = computed(() => {
    const strip = strips.value.at(-1)!;
    return strip.top + strip.height + (strip.key === 'level' ? 18 : 4);
});
const stripOf = (key: Strip['key']): Strip | undefined => strips.value.find((s) => s.key === key);
const Y = (strip: Strip, value: number): number =>
    strip.top + strip.height * (1 - (Math.max(strip.from, Math.min(strip.to, value)) - strip.from) / (strip.to - strip.from));

const valueOf = (strip: Strip, d: SeasonDay): number | null =>
    strip.key === 'level' ? d.level_mm : strip.key === 'ec' ? d.ec_ms_cm : strip.key === 'oxygen' ? d.oxygen_mg_l : d.water_c;

/** A line through the evenings, from how it stood at the start; what is put in stands up straight. */
function line(run: Run, strip: Strip): string {
    const start = run.season.start;
    const begin =
        start === null
            ? null
            : strip.key === 'level'
              ? start.level_mm
              : strip.key === 'ec'
                ? start.ec_ms_cm
                : strip.key === 'oxygen'
                  ? start.oxygen_mg_l
                  : start.water_c;
    let path = begin === null ? '' : `M${X(0)} ${Y(strip, begin)}`;
    let open = begin !== null;
    for (const d of run.season.days ?? []) {
        const value = valueOf(strip, d);
        if (value === null) {
            open = false;
            continue;
        }
        path += `${open ? 'L' : 'M'}${X(d.day + 1)} ${Y(strip, value)}`;
        open = true;
    }
    return path;
}
function band(strip: Strip): string {
    const edges = first.value.band;
    if (!edges || (strip.key !== 'level' && strip.key !== 'ec')) return '';
    const of = (e: { level_mm: number; ec_ms_cm: number | null }): number | null => (strip.key === 'level' ? e.level_mm : e.ec_ms_cm);
    const up = edges.thirsty.map((e, i) => [i + 1, of(e)] as const).filter((p) => p[1] !== null);
    const down = edges.hungry.map((e, i) => [i + 1, of(e)] as const).filter((p) => p[1] !== null);
    if (up.length < 2 || down.length < 2) return '';
    const points = [...up, ...down.reverse()].map(([d, v]) => `${X(d)} ${Y(strip, v!)}`);
    return `M${points.join('L')}Z`;
}
const water = computed(() => {
    const strip = stripOf('level')!;
    return days.value.length
        ? `${line(first.value, strip)}L${X(days.value.length)} ${Y(strip, strip.from)}L${X(0)} ${Y(strip, strip.from)}Z`
        : '';
});
/** What these plants like, from one stage to the next: young ones half as much. */
const windows = computed(() => {
    const stages = props.tub.feed?.stages ?? [];
    const limits = props.tub.limits.ec_ms_cm;
    if (!stages.length) return limits ? [{ from: 0, to: last.value, low: limits[0]!, high: limits[1]! }] : [];
    return stages.map((stage, i) => ({
        from: stage.from_day,
        to: stages[i + 1]?.from_day ?? last.value,
        low: stage.likes_ec_ms_cm[0]!,
        high: stage.likes_ec_ms_cm[1]!,
    }));
});
/** What the triangles are. */
const legend = computed(() =>
    [
        events.value.some((d) => d.top_up_l > 0 && !d.change) ? '△ top-up' : '',
        events.value.some((d) => d.change) ? '▲ change' : '',
        events.value.some((d) => !d.change && d.stronger > 0) ? 'green: feed alone' : '',
    ]
        .filter(Boolean)
        .join(' · '),
);
const events = computed(() => days.value.filter((d) => d.change || d.top_up_l > 0 || d.stronger > 0));
/** Days on which plants do poorly, and what of them. */
const ill = computed(() => days.value.filter((d) => d.looks !== 'well'));
const dayTicks = computed(() => nice(0, last.value, Math.max(4, Math.floor((size.width - LEFT) / 70))));
const harvest = computed(() => first.value.season.harvest_day);

const at = computed(() => Math.max(0, Math.min(days.value.length - 1, props.day)));
const here = computed(() => days.value[at.value] ?? null);
const note = computed(() => {
    const d = here.value;
    if (!d) return [];
    return [
        `day ${d.day}`,
        `${dimension(d.level_mm, props.units)}\u202f${props.units === 'us' ? 'in' : 'mm'} · ${volume(d.volume_l, props.units)}`,
        ...(d.looks === 'well' ? [] : [{ pale: 'they do poorly', wilting: 'they wilt', dead: 'they are dead' }[d.looks]]),
        ...(d.ec_ms_cm === null
            ? []
            : [`${number(d.ec_ms_cm, 2, 'mS/cm')}${d.oxygen_mg_l === null ? '' : ` · ${number(d.oxygen_mg_l, 1, 'mg/L')}`}`]),
        d.change
            ? 'water changed'
            : d.stronger > 0
              ? 'feed stirred in'
              : d.top_up_l > 0
                ? `topped up ${volume(d.top_up_l, props.units)}`
                : `drinks ${volume(d.use_l, props.units)} a day`,
    ];
});

const svg = ref<SVGSVGElement | null>(null);
function scrub(event: PointerEvent): void {
    const left = svg.value!.getBoundingClientRect().left;
    const day = Math.round(((event.clientX - left - LEFT) / (size.width - LEFT - RIGHT)) * last.value) - 1;
    emit('update:day', Math.max(0, Math.min(days.value.length - 1, day)));
}
const dragging = ref(false);
function down(event: PointerEvent): void {
    dragging.value = true;
    (event.currentTarget as Element).setPointerCapture?.(event.pointerId);
    scrub(event);
}
function key(event: KeyboardEvent): void {
    const to = dayByKey(event, at.value, 0, days.value.length - 1);
    if (to !== null) emit('update:day', to);
}
</script>

<template>
    <div ref="box" class="holder">
        <svg
            v-if="size.width && days.length"
            ref="svg"
            class="drawing"
            :width="size.width"
            :height="size.height"
            role="slider"
            tabindex="0"
            aria-label="Day of the season"
            :aria-valuemin="0"
            :aria-valuemax="days.length - 1"
            :aria-valuenow="at"
            :aria-valuetext="note.join(', ')"
            @pointerdown="down"
            @pointermove="dragging && scrub($event)"
            @pointerup="dragging = false"
            @pointercancel="dragging = false"
            @keydown="key"
        >
            <rect class="catch" x="0" y="0" :width="size.width" :height="size.height" />
            <g v-for="strip in strips" :key="strip.key">
                <text :x="LEFT" :y="strip.top - 6" class="quiet">{{ strip.title }}</text>
                <text v-if="strip.key === 'ec' && events.length" :x="size.width - RIGHT" :y="strip.top - 6" text-anchor="end" class="quiet">
                    {{ legend }}
                </text>
                <text v-if="strip.key === 'oxygen'" :x="size.width - RIGHT" :y="strip.top - 6" text-anchor="end" class="quiet">
                    shaded: they drink and eat a quarter more or less
                </text>
                <template v-if="strip.key === 'ec'">
                    <rect
                        v-for="w in windows"
                        :key="`w${w.from}`"
                        class="window"
                        :x="X(w.from)"
                        :width="X(w.to) - X(w.from)"
                        :y="Y(strip, w.high)"
                        :height="Y(strip, w.low) - Y(strip, w.high)"
                    />
                </template>
                <path v-if="strip.key === 'level'" :d="water" class="water" />
                <template v-if="strip.key === 'level'">
                    <rect
                        v-for="d in ill"
                        :key="`i${d.day}`"
                        class="ill"
                        :class="d.looks"
                        :x="X(d.day)"
                        :width="Math.max(1, X(d.day + 1) - X(d.day))"
                        :y="strip.top"
                        height="4"
                    />
                </template>
                <path :d="band(strip)" class="band" :class="strip.key" />
                <template v-for="tick in strip.ticks" :key="tick.at">
                    <line class="rule" :x1="LEFT" :x2="size.width - RIGHT" :y1="Y(strip, tick.at)" :y2="Y(strip, tick.at)" />
                    <text :x="LEFT - 6" :y="Y(strip, tick.at) + 4" text-anchor="end" class="quiet">{{ tick.text }}</text>
                </template>
                <template v-if="strip.key === 'level'">
                    <line
                        class="cup"
                        :x1="LEFT"
                        :x2="size.width - RIGHT"
                        :y1="Y(strip, tub.levels.cup_bottom_mm)"
                        :y2="Y(strip, tub.levels.cup_bottom_mm)"
                    />
                    <text :x="size.width - RIGHT - 3" :y="Y(strip, tub.levels.cup_bottom_mm) - 4" text-anchor="end" class="quiet halo">
                        cup bottom
                    </text>
                    <line
                        class="low"
                        :x1="LEFT"
                        :x2="size.width - RIGHT"
                        :y1="Y(strip, tub.levels.lowest_mm)"
                        :y2="Y(strip, tub.levels.lowest_mm)"
                    />
                    <text :x="LEFT + 4" :y="Y(strip, tub.levels.lowest_mm) - 4" class="quiet halo">lowest useful</text>
                    <path
                        v-for="e in events"
                        :key="e.day"
                        class="event"
                        :class="{ change: e.change, stronger: !e.change && e.stronger > 0 }"
                        :d="`M${X(e.day + 1) - 5} ${strip.top + strip.height + 14}h10l-5 -9Z`"
                    />
                </template>
                <line
                    v-if="strip.key === 'oxygen'"
                    class="floor"
                    :x1="LEFT"
                    :x2="size.width - RIGHT"
                    :y1="Y(strip, tub.limits.oxygen_mg_l)"
                    :y2="Y(strip, tub.limits.oxygen_mg_l)"
                />
                <text
                    v-if="strip.key === 'ec' && tub.limits.ec_ms_cm"
                    :x="size.width - RIGHT - 3"
                    :y="Y(strip, tub.limits.ec_ms_cm[1]!) - 3"
                    text-anchor="end"
                    class="quiet halo"
                >
                    what these plants like
                </text>
                <path v-for="(run, i) in runs" :key="i" :d="line(run, strip)" class="line" :class="[strip.key, `run${i}`]" />
            </g>
            <g>
                <line class="fine" :x1="LEFT" :x2="size.width - RIGHT" :y1="foot" :y2="foot" />
                <template v-for="t in dayTicks" :key="t">
                    <line class="fine" :x1="X(t)" :x2="X(t)" :y1="foot" :y2="foot + 5" />
                    <text v-if="Math.abs(X(t) - X(at + 1)) > 20" :x="X(t)" :y="foot + 18" text-anchor="middle" class="quiet">{{ t }}</text>
                </template>
                <text x="0" :y="foot + 18" class="quiet">day</text>
                <g v-if="harvest !== null && harvest <= last">
                    <line class="harvest" :x1="X(harvest)" :x2="X(harvest)" :y1="strips[0]!.top" :y2="foot" />
                    <text
                        :x="X(harvest)"
                        :y="strips[0]!.top - 5"
                        :text-anchor="X(harvest) > size.width - 90 ? 'end' : 'middle'"
                        class="kelp"
                    >
                        first harvest
                    </text>
                </g>
            </g>
            <g v-if="here" class="scrub" aria-hidden="true">
                <line class="pen" :x1="X(at + 1)" :x2="X(at + 1)" :y1="strips[0]!.top - 2" :y2="foot" />
                <path class="handle" :d="`M${X(at + 1) - 7} ${strips[0]!.top - 14}h14v9l-7 7l-7 -7Z`" />
                <text :x="X(at + 1)" :y="foot + 18" text-anchor="middle" class="strong halo">{{ here.day }}</text>
            </g>
        </svg>
    </div>
</template>

<style scoped>
.holder {
    width: 100%;
    height: 100%;
    min-height: 260px;
    touch-action: pan-y;
}
.catch {
    fill: transparent;
}
.drawing {
    cursor: ew-resize;
}
.rule {
    stroke: var(--rule);
    stroke-width: 0.6;
}
.window {
    fill: var(--shoal);
}
.band {
    fill: var(--root);
    opacity: 0.32;
}
.band.level {
    fill: var(--water);
    opacity: 0.16;
}
.cup {
    stroke: var(--ink);
    stroke-dasharray: 4 4;
}
.low {
    stroke: var(--faint);
    stroke-dasharray: 2 4;
}
.line {
    fill: none;
    stroke-width: 2.2;
    stroke-linejoin: round;
}
.line.level {
    stroke: var(--water);
}
.line.ec {
    stroke: var(--ink);
}
.line.oxygen,
.line.water {
    stroke: var(--kelp);
    fill: none;
}
.line.run1 {
    stroke-dasharray: 7 4;
}
.line.run2 {
    stroke-dasharray: 2 3;
}
.line.run3 {
    stroke-dasharray: 10 3 2 3;
}
.floor {
    stroke: var(--mend);
    stroke-width: 1.2;
}
.harvest {
    stroke: var(--kelp);
    stroke-dasharray: 1 3;
}
.kelp {
    fill: var(--kelp) !important;
    font-weight: 650;
}
.ill {
    fill: var(--mind);
}
.ill.wilting,
.ill.dead {
    fill: var(--stop);
}
.event.stronger {
    fill: var(--kelp);
}
.event {
    fill: var(--paper);
    stroke: var(--ink);
    stroke-width: 1.2;
}
.event.change {
    fill: var(--ink);
}
.handle {
    fill: var(--ink);
}
.halo {
    paint-order: stroke;
    stroke: var(--paper);
    stroke-width: 3px;
}
</style>
