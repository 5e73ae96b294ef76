<script setup lang="ts">
/** The tub's floor from above with its stones, and the cups over them. */
import { computed, ref } from 'vue';
import { useBox } from '../drawing/useBox';
import { length, type Units } from '../kit/format';
import type { TubReport } from '../types/report';

const props = defineProps<{ tub: TubReport; units: Units }>();

const box = ref<HTMLElement | null>(null);
const size = useBox(box);
const floor = computed(() => props.tub.shape.stations[0]!);
const lid = computed(() => props.tub.shape.lid);
/** A jar’s floor is wider than its lid; the wider of the two fills the drawing. */
const widest = computed(() => ({
    length: Math.max(lid.value.length_mm, floor.value.length_mm),
    width: Math.max(lid.value.width_mm, floor.value.width_mm),
}));
const scale = computed(() => Math.max(0.03, Math.min((size.width - 10) / widest.value.length, (size.height - 30) / widest.value.width)));
const X = (mm: number): number => size.width / 2 + mm * scale.value;
const Y = (mm: number): number => (size.height - 24) / 2 - mm * scale.value;
const stones = computed(() => props.tub.shape.stones);
const foot = computed(() => -floor.value.length_mm / 2);
/** From the wall to the nearest stone, and from that to the others, as the tube is cut. */
const runs = computed(() => {
    const at = [...(stones.value?.at ?? [])].sort(
        (a, b) => Math.hypot(a.x_mm - foot.value, a.y_mm) - Math.hypot(b.x_mm - foot.value, b.y_mm),
    );
    const first = at[0];
    if (!first) return '';
    return (
        `M${X(foot.value)} ${Y(0)}L${X(first.x_mm)} ${Y(first.y_mm)}` +
        at
            .slice(1)
            .map((p) => `M${X(first.x_mm)} ${Y(first.y_mm)}L${X(p.x_mm)} ${Y(p.y_mm)}`)
            .join('')
    );
});
const text = computed(
    () =>
        `Floor of ${props.tub.name} from above: ${stones.value?.at.length ?? 0} stones under ${props.tub.layout.count} ` +
        `cups${stones.value?.at[0] ? `, the first ${length(stones.value.at[0].x_mm, props.units)} right of the middle` : ''}.`,
);
</script>

<template>
    <div ref="box" class="holder">
        <svg v-if="size.width" class="drawing" :width="size.width" :height="size.height" role="img" :aria-label="text">
            <rect
                class="hair"
                :x="X(-lid.length_mm / 2)"
                :y="Y(lid.width_mm / 2)"
                :width="lid.length_mm * scale"
                :height="lid.width_mm * scale"
                :rx="lid.corner_radius_mm * scale"
            />
            <rect
                class="floor"
                :x="X(-floor.length_mm / 2)"
                :y="Y(floor.width_mm / 2)"
                :width="floor.length_mm * scale"
                :height="floor.width_mm * scale"
                :rx="floor.corner_radius_mm * scale"
            />
            <circle
                v-for="(h, i) in tub.layout.holes"
                :key="`h${i}`"
                class="cup"
                :cx="X(h.x_mm)"
                :cy="Y(h.y_mm)"
                :r="(tub.shape.cup.top_diameter_mm / 2) * scale"
            />
            <path :d="runs" class="tube" />
            <circle
                v-for="(s, i) in stones?.at ?? []"
                :key="`s${i}`"
                class="stone"
                :cx="X(s.x_mm)"
                :cy="Y(s.y_mm)"
                :r="Math.max(3, Math.min(stones!.length_mm / 2, 60) * scale)"
            />
            <text :x="size.width / 2" :y="size.height - 6" text-anchor="middle" class="quiet">Floor from above: stones under the cups</text>
        </svg>
    </div>
</template>

<style scoped>
.holder {
    width: 100%;
    height: 100%;
    min-height: 150px;
}
/* A hole far off the lid does not stand on the words beside the drawing. */
.holder .drawing {
    overflow: hidden;
}
.floor {
    fill: var(--water-wash);
    stroke: var(--ink);
    stroke-width: 1.5;
}
.cup {
    fill: none;
    stroke: var(--faint);
    stroke-dasharray: 3 3;
}
.stone {
    fill: var(--stone);
    stroke: var(--ink);
}
.tube {
    stroke: var(--water);
    stroke-width: 2;
    fill: none;
}
</style>
