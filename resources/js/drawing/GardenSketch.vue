<script setup lang="ts">
/** A garden as a small bench: its tubs in outline at one scale, with their water and what grows in them. Its words stand beside it. */
import { computed } from 'vue';
import { silhouette, tint } from './plants';
import type { Habit } from '../kit/library';
import type { TubShape } from '../types/report';
import { halfAt, profilePath } from './shape';

/** A tub as the list knows it, in mm above its inside floor. */
export interface SketchTub {
    stations: TubShape['stations'];
    water: number;
    top: number;
    plants: number;
    crop: { key: string; habit: Habit; height: number; spacing: number } | null;
}

const props = defineProps<{ tubs: SketchTub[] }>();

const WIDTH = 208;
const MOST_HEIGHT = 84;
const EMPTY_HEIGHT = 26;
const GAP_MM = 70;
/** Plants taller than this are cut down to it, or their tubs would be dots. */
const MOST_PLANT_MM = 700;

/** The water's outline: the vessel's, up to the line. */
const waterPath = ({ stations, water }: SketchTub, scale: number): string => {
    const line = { ...stations.at(-1)!, height_mm: water, length_mm: 2 * halfAt(stations, water) };
    return profilePath([...stations.filter((s) => s.height_mm < water), line], scale);
};
const size = ({ crop }: SketchTub): { height: number; width: number } => ({
    height: crop ? Math.min(crop.height, MOST_PLANT_MM) : 0,
    width: crop ? Math.min(crop.spacing, crop.height * 1.5) : 0,
});

/** One scale for all, and only as high as it needs. */
const fit = computed(() => {
    const wide = (t: SketchTub): number => Math.max(...t.stations.map((s) => s.length_mm), t.plants === 1 ? size(t).width : 0);
    const total = props.tubs.reduce((sum, t) => sum + wide(t) + GAP_MM, 0);
    const tall = Math.max(1, ...props.tubs.map((t) => t.top + (t.plants ? size(t).height : 0)));
    const scale = Math.min((WIDTH - 8) / Math.max(1, total), (MOST_HEIGHT - 8) / tall);
    return { wide, total, scale, height: props.tubs.length ? Math.ceil(tall * scale) + 8 : EMPTY_HEIGHT };
});

const drawn = computed(() => {
    const { wide, total, scale } = fit.value;
    let x = (WIDTH - total * scale) / 2 + (GAP_MM / 2) * scale;
    return props.tubs.map((tub) => {
        const middle = x + (wide(tub) * scale) / 2;
        x += (wide(tub) + GAP_MM) * scale;
        const room = tub.stations.at(-1)!.length_mm * scale * 0.8;
        const { height, width } = size(tub);
        return {
            x: middle,
            body: profilePath(tub.stations, scale),
            water: waterPath(tub, scale),
            top: -tub.top * scale,
            plants: tub.crop
                ? Array.from({ length: tub.plants }, (_, i) => (tub.plants < 2 ? 0 : (i / (tub.plants - 1) - 0.5) * room))
                : [],
            crown: tub.crop ? silhouette(tub.crop.key, tub.crop.habit, height * scale, width * scale) : null,
            tint: tub.crop ? tint(tub.crop.key) : '',
        };
    });
});
</script>

<template>
    <svg class="sketch" :width="WIDTH" :height="fit.height" :viewBox="`0 0 ${WIDTH} ${fit.height}`" aria-hidden="true">
        <g v-for="(t, i) in drawn" :key="i" :transform="`translate(${t.x} ${fit.height - 3})`">
            <g v-for="x in t.plants" :key="x" :transform="`translate(${x} ${t.top})`" :style="{ '--tint': t.tint }">
                <path :d="t.crown!.lines" class="lines" />
                <path :d="t.crown!.shapes" class="shapes" />
            </g>
            <path :d="t.water" class="water" />
            <path :d="t.body" class="body" />
        </g>
        <path :d="`M2 ${fit.height - 2.5}H${WIDTH - 2}`" class="bench" />
    </svg>
</template>

<style scoped>
.sketch {
    display: block;
    max-width: 100%;
}
.shapes {
    fill: var(--tint);
}
.lines {
    fill: none;
    stroke: var(--tint);
    stroke-width: 0.9;
}
.water {
    fill: var(--water-wash);
}
.body {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.1;
    stroke-linejoin: round;
}
.bench {
    stroke: var(--ink);
    stroke-width: 1.6;
}
</style>
