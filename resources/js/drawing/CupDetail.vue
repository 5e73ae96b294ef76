<script setup lang="ts">
/** The cup in its hole, cut through: how it bears, how much play it has, how far it stands proud. */
import { computed, ref } from 'vue';
import type { TubReport } from '../types/report';
import { dimension, fine, length, type Units } from '../kit/format';
import { useBox } from './useBox';

const props = defineProps<{ tub: TubReport; units: Units }>();

const box = ref<HTMLElement | null>(null);
const size = useBox(box);
const cup = computed(() => props.tub.shape.cup);
const hole = computed(() => props.tub.hole);
const scale = computed(() =>
    Math.max(
        0.2,
        Math.min(
            (size.width - 16) / (Math.max(cup.value.lip_diameter_mm, hole.value.diameter_mm) * 1.7),
            (size.height - 78) / (cup.value.height_mm + hole.value.raise_mm + 8),
        ),
    ),
);
const lidY = computed(() => 46 + hole.value.raise_mm * scale.value);
const middle = computed(() => size.width / 2);
const seats = {
    lip: 'hangs by its lip',
    wedged: 'wedges in the hole',
    'falls-through': 'falls through',
    'does-not-enter': 'does not go in',
} as const;

const cupPath = computed(() => {
    const k = scale.value;
    const top = hole.value.seat === 'falls-through' ? lidY.value + 12 : lidY.value - hole.value.raise_mm * k;
    const [b, t, l] = [cup.value.bottom_diameter_mm / 2, cup.value.top_diameter_mm / 2, cup.value.lip_diameter_mm / 2].map(
        (v) => v * k,
    ) as [number, number, number];
    return `M${-b} ${top + cup.value.height_mm * k}L${-t} ${top}H${-l}v-4H${l}v4H${t}L${b} ${top + cup.value.height_mm * k}Z`;
});
const half = computed(() => (hole.value.diameter_mm / 2) * scale.value);
const reach = computed(() => Math.max(cup.value.lip_diameter_mm, hole.value.diameter_mm) * 0.82 * scale.value);
const text = computed(
    () =>
        `Cup in its hole: ${seats[hole.value.seat]}; hole ${length(hole.value.diameter_mm, props.units)}, ` +
        `bearing ${fine(hole.value.bearing_mm, props.units)} ` +
        `each side, ` +
        `play ${fine(hole.value.play_mm, props.units)}` +
        `${hole.value.raise_mm > 0 ? `, raised ${length(hole.value.raise_mm, props.units)}` : ''}.`,
);
</script>

<template>
    <div ref="box" class="holder">
        <svg v-if="size.width" class="drawing" :width="size.width" :height="size.height" role="img" :aria-label="text">
            <g :transform="`translate(${middle} 0)`">
                <path class="fine" :d="`M${-half} 24H${half}M${-half - 4} 28l8 -8M${half - 4} 28l8 -8`" />
                <path class="hair" :d="`M${-half} 18V${lidY}M${half} 18V${lidY}`" />
                <text x="0" y="16" text-anchor="middle">
                    {{ tub.shape.in_mouth ? 'mouth' : 'hole' }} {{ dimension(hole.diameter_mm, units) }}
                </text>
                <path :d="cupPath" class="cup" />
                <rect class="lid" :x="-reach" :y="lidY" :width="reach - half" :height="Math.max(4, tub.shape.lid.thickness_mm * scale)" />
                <rect class="lid" :x="half" :y="lidY" :width="reach - half" :height="Math.max(4, tub.shape.lid.thickness_mm * scale)" />
            </g>
            <text :x="middle" :y="size.height - 26" text-anchor="middle" class="strong">{{ seats[hole.seat] }}</text>
            <text :x="middle" :y="size.height - 10" text-anchor="middle" class="quiet">
                bearing {{ fine(hole.bearing_mm, units) }} · play {{ fine(hole.play_mm, units) }}
                <tspan v-if="hole.raise_mm > 0">· raised {{ dimension(hole.raise_mm, units) }}</tspan>
            </text>
        </svg>
    </div>
</template>

<style scoped>
.holder {
    width: 100%;
    height: 100%;
    min-height: 120px;
}
.cup {
    fill: var(--cup);
    stroke: var(--ink);
    stroke-width: 1.4;
}
.lid {
    fill: var(--ink);
}
</style>
