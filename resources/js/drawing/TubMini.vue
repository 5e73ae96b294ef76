<script setup lang="ts">
/** A tub as a small outline with its water, for strips and lists. All minis of a strip share one scale. */
import type { TubShape } from '../types/report';
import { profilePath } from './shape';

withDefaults(defineProps<{ stations: TubShape['stations']; scale: number; level?: number; lid?: number }>(), { level: 0, lid: 0 });
</script>

<template>
    <g>
        <path :d="profilePath(stations, scale)" class="body" />
        <line
            class="top"
            :x1="-((lid || stations.at(-1)!.length_mm) / 2) * scale"
            :x2="((lid || stations.at(-1)!.length_mm) / 2) * scale"
            :y1="-stations.at(-1)!.height_mm * scale"
            :y2="-stations.at(-1)!.height_mm * scale"
        />
    </g>
</template>

<style scoped>
.body {
    fill: var(--water-wash);
    stroke: var(--ink);
    stroke-width: 1.4;
}
.top {
    stroke: var(--ink);
    stroke-width: 2.4;
}
</style>
