<script setup lang="ts">
/**
 * The season so far: the level as it was read, evening by evening, and what was done; when it is over, the level as it was, and what went
 * wrong. An evening can be chosen.
 */
import { computed, ref } from 'vue';
import { dimension, type Units } from '../kit/format';
import { useBox } from '../drawing/useBox';

export interface Drawn {
    day: number;
    says: string;
    tone: 'good' | 'bad' | 'none';
}

const props = defineProps<{
    days: number;
    line: number;
    lowest: number;
    cup: number;
    read: { day: number; level_mm: number }[];
    course?: { day: number; level_mm: number }[];
    /** Of another run, to be held beside. */
    other?: { day: number; level_mm: number }[];
    deeds: Drawn[];
    mishaps?: { day: number; says: string }[];
    next?: number | null;
    day: number;
    units: Units;
}>();
const emit = defineEmits<{ 'update:day': [day: number] }>();

const box = ref<HTMLElement | null>(null);
const size = useBox(box);
const LEFT = 40;
const RIGHT = 10;
const BOTTOM = 22;
const top = computed(() => 12 + (props.mishaps?.length ? 15 * Math.min(3, props.mishaps.length) : 0));
const last = computed(() => Math.max(1, props.days - 1));
const most = computed(
    () => Math.max(props.cup, props.line, ...props.read.map((r) => r.level_mm), ...(props.course ?? []).map((r) => r.level_mm)) * 1.06,
);
const X = (day: number): number => LEFT + ((size.width - LEFT - RIGHT) * Math.min(day, last.value)) / last.value;
const Y = (mm: number): number => top.value + (size.height - top.value - BOTTOM - 14) * (1 - mm / most.value);
const shown = (mm: number): string => dimension(mm, props.units);
const path = (points: { day: number; level_mm: number }[]): string =>
    points.map((p, i) => `${i ? 'L' : 'M'}${X(p.day)} ${Y(p.level_mm)}`).join('');
const ticks = computed(() => {
    const step = [1, 2, 5, 7, 10, 14, 20, 28, 50].find((s) => last.value / s <= Math.max(3, size.width / 70)) ?? 100;
    return Array.from({ length: Math.floor(last.value / step) + 1 }, (_, i) => i * step);
});
const levels = computed(() =>
    [
        { mm: props.cup, text: 'cups end' },
        { mm: props.line, text: 'line' },
        { mm: props.lowest, text: 'lowest' },
    ].filter((l, i, all) => all.slice(0, i).every((other) => Math.abs(Y(other.mm) - Y(l.mm)) > 14)),
);
/** Names of mishaps stand over one another, each from its own day on. */
const named = computed(() =>
    (props.mishaps ?? []).map((m, i) => ({ ...m, y: 11 + 15 * (i % 3), end: X(m.day) > LEFT + (size.width - LEFT) * 0.6 })),
);
const TONES = { good: 'did well', bad: 'cost something', none: '' };

function choose(event: PointerEvent): void {
    const left = box.value?.getBoundingClientRect().left ?? 0;
    const at = ((event.clientX - left - LEFT) / Math.max(1, size.width - LEFT - RIGHT)) * last.value;
    const nearest = [...props.read].sort((a, b) => Math.abs(a.day - at) - Math.abs(b.day - at))[0];
    if (nearest) emit('update:day', nearest.day);
}
function step(by: number): void {
    const days = props.read.map((r) => r.day);
    const at = days.indexOf(props.day);
    const to = days[Math.max(0, Math.min(days.length - 1, (at < 0 ? days.length - 1 : at) + by))];
    if (to !== undefined) emit('update:day', to);
}
</script>

<template>
    <div
        ref="box"
        class="holder"
        role="slider"
        tabindex="0"
        aria-label="Evenings on which somebody was there"
        :aria-valuemin="0"
        :aria-valuemax="days - 1"
        :aria-valuenow="day"
        :aria-valuetext="`day ${day}`"
        @pointerdown="choose"
        @keydown.left.prevent="step(-1)"
        @keydown.right.prevent="step(1)"
        @keydown.home.prevent="step(-9999)"
        @keydown.end.prevent="step(9999)"
    >
        <svg v-if="size.width" class="drawing" :width="size.width" :height="size.height" aria-hidden="true">
            <g v-for="l in levels" :key="l.text">
                <line class="level" :x1="LEFT" :x2="size.width - RIGHT" :y1="Y(l.mm)" :y2="Y(l.mm)" />
                <text :x="size.width - RIGHT" :y="Y(l.mm) - 3" text-anchor="end" class="quiet">{{ l.text }}</text>
                <text :x="LEFT - 6" :y="Y(l.mm) + 4" text-anchor="end" class="quiet">{{ shown(l.mm) }}</text>
            </g>
            <path class="fine" :d="`M${LEFT} ${top}V${Y(0)}H${size.width - RIGHT}`" />
            <g v-for="t in ticks" :key="t">
                <line class="fine" :x1="X(t)" :x2="X(t)" :y1="Y(0)" :y2="Y(0) + 4" />
                <text :x="X(t)" :y="size.height - 5" text-anchor="middle" class="quiet">{{ t === 0 ? 'day 0' : t }}</text>
            </g>
            <g v-for="m in named" :key="m.says">
                <line class="mishap" :x1="X(m.day)" :x2="X(m.day)" :y1="m.y - 8" :y2="Y(0)" />
                <text :x="X(m.day) + (m.end ? -4 : 4)" :y="m.y" :text-anchor="m.end ? 'end' : 'start'" class="strong bad">
                    {{ m.says }}
                </text>
            </g>
            <path v-if="other?.length" class="other" :d="path(other)" />
            <path v-if="course?.length" class="course" :d="path(course)" />
            <path v-else class="between" :d="path(read)" />
            <circle v-for="r in read" :key="r.day" class="dot" :cx="X(r.day)" :cy="Y(r.level_mm)" :r="read.length > 40 ? 2 : 3.2" />
            <path v-for="(d, i) in deeds" :key="i" class="deed" :class="d.tone" :d="`M${X(d.day)} ${Y(0) + 1}l4.5 9h-9z`">
                <title>day {{ d.day }}: {{ d.says }}{{ TONES[d.tone] && `, ${TONES[d.tone]}` }}</title>
            </path>
            <path v-if="next !== null && next !== undefined" class="ahead" :d="`M${X(next)} ${Y(0) + 1}l4.5 9h-9z`" />
            <line class="now" :x1="X(day)" :x2="X(day)" :y1="top" :y2="Y(0)" />
        </svg>
    </div>
</template>

<style scoped>
.holder {
    width: 100%;
    height: 100%;
    min-height: 130px;
    touch-action: pan-y;
    cursor: pointer;
}
.level {
    stroke: var(--rule);
}
.between,
.other {
    fill: none;
    stroke: var(--water);
    stroke-width: 1.4;
    stroke-dasharray: 4 4;
}
.other {
    stroke: var(--faint);
}
.course {
    fill: none;
    stroke: var(--water);
    stroke-width: 2.2;
}
.dot {
    fill: var(--ink);
    stroke: var(--paper);
}
.deed {
    fill: var(--ink);
}
.deed.good {
    fill: var(--kelp);
}
.deed.bad {
    fill: var(--stop);
}
.ahead {
    fill: none;
    stroke: var(--faint);
}
.mishap {
    stroke: var(--stop);
    stroke-dasharray: 2 3;
}
text.bad {
    fill: var(--stop-text);
}
.now {
    stroke: var(--ink);
    stroke-width: 1;
}
</style>
