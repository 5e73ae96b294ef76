<script setup lang="ts">
/** A small chart of lines on two axes, as a working drawing has them: a pen for each, words where they end, marks where they meet. */
import { nice, type Tick } from './ticks';
import { computed, ref } from 'vue';
import { plain } from '../kit/format';
import { useBox } from './useBox';

export interface ChartLine {
    points: readonly (readonly [number, number])[];
    tone: 'ink' | 'water' | 'kelp' | 'stop' | 'mend' | 'faint';
    dashed?: boolean;
    name?: string;
    /** Where its name stands along it, 0 … 1. */
    along?: number;
    below?: boolean;
}
export interface ChartMark {
    at: readonly [number, number];
    text: string;
    hollow?: boolean;
    left?: boolean;
    below?: boolean;
}

const props = defineProps<{
    lines: ChartLine[];
    marks?: ChartMark[];
    x: string;
    y: string;
    xTo: number;
    yTo: number;
    xTicks?: { at: number; text: string }[];
    label: string;
    shade?: readonly [number, number] | null;
    shadeName?: string;
}>();

const box = ref<HTMLElement | null>(null);
const size = useBox(box);
const LEFT = 30;
const TOP = 18;
const BOTTOM = 34;
const X = (v: number): number => LEFT + ((size.width - LEFT - 8) * Math.max(0, Math.min(props.xTo, v))) / props.xTo;
const Y = (v: number): number => TOP + (size.height - TOP - BOTTOM) * (1 - Math.max(0, Math.min(props.yTo, v)) / props.yTo);
const ticks = (to: number, most: number): Tick[] => nice(0, to, most).map((at) => ({ at, text: plain(at, 2) }));
const path = (line: ChartLine): string => {
    let last = '';
    return line.points
        .filter(([x]) => x <= props.xTo + 1e-9)
        .map(([x, y]) => {
            const cut = y > props.yTo ? '' : `${last === '' ? 'M' : 'L'}${X(x)} ${Y(y)}`;
            last = cut === '' ? last : cut;
            return cut;
        })
        .join('');
};
const named = computed(() =>
    props.lines
        .filter((l) => l.name && l.points.length)
        .map((l) => {
            const inside = l.points.filter(([x, y]) => x <= props.xTo && y <= props.yTo);
            const p = inside[Math.min(inside.length - 1, Math.round((l.along ?? 1) * (inside.length - 1)))] ?? [0, 0];
            return { name: l.name!, tone: l.tone, x: X(p[0]), y: Y(p[1]) + (l.below ? 15 : -6), end: X(p[0]) > size.width * 0.6 };
        }),
);
</script>

<template>
    <div ref="box" class="holder">
        <svg v-if="size.width" class="drawing" :width="size.width" :height="size.height" role="img" :aria-label="label">
            <text x="0" y="10" class="quiet">{{ y }}</text>
            <text :x="size.width - 8" :y="size.height - 3" text-anchor="end" class="quiet">{{ x }}</text>
            <g v-if="shade">
                <rect
                    class="shade"
                    :x="X(shade[0])"
                    :width="Math.max(0, X(shade[1]) - X(shade[0]))"
                    :y="TOP"
                    :height="Math.max(0, Y(0) - TOP)"
                />
                <text :x="X(shade[0]) + 5" :y="TOP + 12" class="quiet">{{ shadeName }}</text>
            </g>
            <path class="axis" :d="`M${LEFT} ${TOP}V${Y(0)}H${size.width - 8}`" />
            <template v-for="t in ticks(yTo, 4)" :key="`y${t.at}`">
                <line class="fine" :x1="LEFT - 4" :x2="LEFT" :y1="Y(t.at)" :y2="Y(t.at)" />
                <text :x="LEFT - 7" :y="Y(t.at) + 4" text-anchor="end" class="quiet">{{ t.text }}</text>
            </template>
            <template v-for="t in xTicks ?? ticks(xTo, 5)" :key="`x${t.at}`">
                <line class="fine" :x1="X(t.at)" :x2="X(t.at)" :y1="Y(0)" :y2="Y(0) + 4" />
                <text :x="X(t.at)" :y="Y(0) + 16" text-anchor="middle" class="quiet">{{ t.text }}</text>
            </template>
            <path v-for="(line, i) in lines" :key="i" :d="path(line)" class="line" :class="[line.tone, { dashed: line.dashed }]" />
            <text
                v-for="n in named"
                :key="n.name"
                :x="n.x"
                :y="n.y"
                :text-anchor="n.end ? 'end' : 'start'"
                class="strong halo"
                :class="n.tone"
            >
                {{ n.name }}
            </text>
            <g v-for="m in marks ?? []" :key="m.text">
                <circle class="dot" :class="{ hollow: m.hollow }" :cx="X(m.at[0])" :cy="Y(m.at[1])" r="5" />
                <text
                    :x="X(m.at[0]) + (m.left || X(m.at[0]) > size.width * 0.7 ? -9 : 9)"
                    :y="Y(m.at[1]) + (m.below || Y(m.at[1]) < TOP + 14 ? 17 : -8)"
                    :text-anchor="m.left || X(m.at[0]) > size.width * 0.7 ? 'end' : 'start'"
                    class="strong halo"
                >
                    {{ m.text }}
                </text>
            </g>
        </svg>
    </div>
</template>

<style scoped>
.holder {
    width: 100%;
    height: 100%;
    min-height: 150px;
}
.axis {
    fill: none;
    stroke: var(--ink);
}
.line {
    fill: none;
    stroke-width: 2;
}
.line.dashed {
    stroke-dasharray: 5 4;
}
.line.ink {
    stroke: var(--ink);
}
.line.water {
    stroke: var(--water);
}
.line.kelp {
    stroke: var(--kelp);
}
.line.stop {
    stroke: var(--stop);
}
.line.mend {
    stroke: var(--mend);
    stroke-width: 1.4;
}
.line.faint {
    stroke: var(--faint);
    stroke-width: 1.4;
}
text.water {
    fill: var(--water-text);
}
text.kelp {
    fill: var(--kelp);
}
text.stop {
    fill: var(--stop-text);
}
text.mend {
    fill: var(--mend-text);
}
text.faint {
    fill: var(--faint);
}
.shade {
    fill: var(--shoal);
}
.dot {
    fill: var(--ink);
    stroke: var(--paper);
    stroke-width: 1;
}
.dot.hollow {
    fill: var(--paper);
    stroke: var(--ink);
    stroke-width: 2;
}
.halo {
    paint-order: stroke;
    stroke: var(--paper);
    stroke-width: 4px;
}
</style>
