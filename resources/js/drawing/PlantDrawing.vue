<script setup lang="ts">
/** One plant at a scale, standing at the origin. */
import { computed } from 'vue';
import type { Habit } from '../kit/library';
import { plant, tint } from './plants';

const props = defineProps<{ habit: Habit | 'seedling'; crop: string; height: number; width: number; scale: number }>();
const strokes = computed(() => plant(props.habit, props.height, props.width));
const colour = computed(() => tint(props.crop));
</script>

<template>
    <g :transform="`scale(${scale})`" :style="{ '--tint': colour }" class="plant">
        <path v-for="(s, i) in strokes" :key="i" :d="s.d" :class="s.kind" vector-effect="non-scaling-stroke" />
    </g>
</template>

<style scoped>
.leaf {
    fill: var(--tint);
    stroke: var(--paper);
    stroke-width: 0.8;
}
.stem {
    fill: none;
    stroke: var(--tint);
    stroke-width: 2;
    stroke-linecap: round;
}
.fruit {
    fill: var(--paper);
    stroke: var(--tint);
    stroke-width: 1.6;
}
</style>
