<script setup lang="ts">
/** One plant at a scale, standing at the origin. */
import { computed } from 'vue';
import type { Habit } from '../kit/library';
import { plant, tint, type Looks } from './plants';

const props = withDefaults(
    defineProps<{ crop: string; habit: Habit; height: number; width: number; scale: number; growth?: number; looks?: Looks }>(),
    { growth: 1, looks: 'well' },
);
/** Plants that are ill hang down: of their height so much is left, and they spread a little. */
const DROOP: Record<Looks, string> = { well: '', pale: ' scale(1 0.9)', wilting: ' scale(1.08 0.55)', dead: ' scale(1.12 0.3)' };
/** Where a plant is this small, the ribs of its leaves would only blur, px. */
const SMALL_PX = 60;
const strokes = computed(() => {
    const all = plant(props.crop, props.habit, props.height, props.width, props.growth);
    return props.height * props.scale < SMALL_PX ? all.filter((s) => s.kind !== 'vein') : all;
});
const colour = computed(() => tint(props.crop));
</script>

<template>
    <g :transform="`scale(${scale})${DROOP[looks]}`" :style="looks === 'well' ? { '--tint': colour } : {}" class="plant" :class="looks">
        <path v-for="(s, i) in strokes" :key="i" :d="s.d" :class="[s.kind, s.hue]" vector-effect="non-scaling-stroke" />
    </g>
</template>

<style scoped>
.pale {
    --tint: var(--pale);
}
.wilting {
    --tint: var(--wilted);
}
.dead {
    --tint: var(--dead);
}
.leaf {
    fill: var(--tint);
    stroke: var(--paper);
    stroke-width: 0.8;
}
.vein {
    fill: none;
    stroke: var(--paper);
    stroke-width: 0.7;
    opacity: 0.75;
}
.stem {
    fill: none;
    stroke: var(--tint);
    stroke-width: 1.6;
    stroke-linecap: round;
}
.spear {
    fill: none;
    stroke: var(--tint);
    stroke-width: 1.9;
    stroke-linecap: round;
}
.twig {
    fill: none;
    stroke: var(--tint);
    stroke-width: 1.1;
    stroke-linecap: round;
}
.stalk {
    fill: var(--sheet);
    stroke: var(--tint);
    stroke-width: 1;
}
.fruit,
.petal {
    fill: var(--paper);
    stroke: var(--ink);
    stroke-width: 0.9;
}
.petal {
    stroke-width: 0.5;
}
.red {
    fill: #c9705a;
}
.orange {
    fill: #d99a5b;
}
.yellow {
    fill: #dcc070;
}
.violet {
    fill: #9c8fb8;
}
.dark {
    fill: #453a52;
}
.green {
    fill: #86a561;
}
.white {
    fill: #fbf8ef;
}
.wilting .petal,
.dead .petal,
.dead .fruit,
.dead .stalk {
    fill: var(--tint);
}
.prop {
    fill: none;
    stroke: var(--faint);
    stroke-width: 1;
}
</style>
