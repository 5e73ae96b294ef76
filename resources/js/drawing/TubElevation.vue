<script setup lang="ts">
/** One tub from the side, cut open, at a scale in px per mm. The origin is the ground under its middle. */
import { computed, useId } from 'vue';
import type { TubReport } from '../types/report';
import PlantDrawing from './PlantDrawing.vue';
import { cupColumns, halfAt, profilePath, scatter, wallPath } from './shape';

const props = withDefaults(defineProps<{ tub: TubReport; scale: number; growth?: number; level?: number; bubbles?: boolean; bare?: boolean; back?: boolean }>(), { growth: 1, level: undefined, bubbles: true, bare: false, back: false });

const clip = useId();
const s = computed(() => props.scale);
const shape = computed(() => props.tub.shape);
const levels = computed(() => props.tub.levels);
const water = computed(() => props.level ?? levels.value.water_line_mm);
const floorY = computed(() => -(shape.value.stand_mm + shape.value.floor_mm) * s.value);
const rim = computed(() => levels.value.rim_mm);
const lidHeight = computed(() => Math.max(2.5, shape.value.lid.thickness_mm * s.value));
const columns = computed(() => cupColumns(props.tub));
const cup = computed(() => shape.value.cup);
const hung = computed(() => levels.value.cup_bottom_mm + cup.value.height_mm);

const cupPath = computed(() => {
    const k = s.value;
    const [bottom, top, lip] = [cup.value.bottom_diameter_mm / 2, cup.value.top_diameter_mm / 2, cup.value.lip_diameter_mm / 2];
    const [low, high] = [-levels.value.cup_bottom_mm * k, -hung.value * k];
    return `M${-bottom * k} ${low}L${-top * k} ${high}H${-lip * k}v${-Math.max(1.5, 2 * k)}H${lip * k}v${Math.max(1.5, 2 * k)}H${top * k}L${bottom * k} ${low}Z`;
});

/** Roots hang from the cup into the water, more of them the more has grown. */
const roots = computed(() => {
    const k = s.value;
    const reach = Math.min(levels.value.cup_bottom_mm * 0.75, 40 + 130 * props.growth);
    return [-0.7, -0.35, 0, 0.35, 0.7].map((a, i) => {
        const x = (a * cup.value.bottom_diameter_mm * k) / 2;
        const end = (-levels.value.cup_bottom_mm + reach * (0.75 + 0.25 * scatter(i))) * k;
        const out = x * (1 + 0.5 * scatter(i, 2));
        return `M${x} ${-levels.value.cup_bottom_mm * k}C${x} ${(-levels.value.cup_bottom_mm + reach * 0.4) * k} ${out * 1.5} ${end - reach * 0.3 * k} ${out} ${end}`;
    });
});

const stones = computed(() => shape.value.stones);
const bubblesAt = computed(() => {
    const stone = stones.value;
    const air = props.tub.oxygen.air_l_min ?? 0;
    if (!stone || !props.bubbles || air <= 0) return [];
    const each = air / Math.max(1, stone.at.length);
    const count = Math.round(Math.min(26, 4 + each * 9));
    const size = { coarse: 5, medium: 3.5, fine: 2 }[stone.bubble];
    const height = water.value - stone.height_mm;
    return stone.at.flatMap((p, n) =>
        Array.from({ length: count }, (_, i) => ({
            x: (p.x_mm + (scatter(i, n) - 0.5) * stone.length_mm * (0.8 + scatter(i, 3) * 0.5)) * s.value,
            y: -(stone.height_mm + 8 + scatter(i, n + 5) * Math.max(0, height - 14)) * s.value,
            r: Math.max(0.8, size * (0.6 + 0.8 * scatter(i, 7)) * s.value),
        })),
    );
});

/** In at the hole, down the wall, along the floor to the stones. */
const tubePath = computed(() => {
    const entry = levels.value.tube_entry_mm;
    if (entry === null || !stones.value || stones.value.at.length === 0) return '';
    const k = s.value;
    const floor = -(stones.value.height_mm + 6) * k;
    const far = Math.max(...stones.value.at.map((p) => p.x_mm)) * k;
    const wall = (shape.value.tube_through_lid ? -shape.value.lid.length_mm / 2 + 25 : -halfAt(shape.value.stations, entry)) * k;
    const foot = (-halfAt(shape.value.stations, 12) + 8) * k;
    return `M${wall - (shape.value.tube_through_lid ? 0 : 6)} ${-entry * k}${shape.value.tube_through_lid ? '' : `L${wall + 7 * k} ${-entry * k}`}L${foot} ${floor - 20 * k}Q${foot} ${floor} ${foot + 14 * k} ${floor}H${far}`;
});

const plantSize = computed(() => {
    const crop = shape.value.crop;
    if (!crop) return null;
    // Seedlings are alike in size whatever they will be.
    return props.growth < 0.3
        ? { height: Math.min(crop.mature_height_mm * 0.3, 70, 34 / s.value), width: Math.min(crop.spacing_mm * 0.4, 70, 40 / s.value) }
        : { height: crop.mature_height_mm * props.growth, width: Math.min(crop.spacing_mm * 1.05, crop.mature_height_mm * 1.5) * props.growth };
});
</script>

<template>
    <g>
        <g v-if="shape.stand_mm > 0" class="stand">
            <rect v-for="side in [-0.36, 0.28]" :key="side" :x="side * shape.stations[0]!.length_mm * s" :y="-shape.stand_mm * s" :width="0.08 * shape.stations[0]!.length_mm * s" :height="shape.stand_mm * s" />
        </g>
        <g :transform="`translate(0 ${floorY})`">
            <clipPath :id="clip"><path :d="profilePath(shape.stations, s)" /></clipPath>
            <path :d="profilePath(shape.stations, s)" class="inside" />
            <g :clip-path="`url(#${clip})`">
                <rect class="water fall" :x="-2000 * s" :width="4000 * s" :y="-water * s" :height="water * s" />
                <line class="surface fall-line" :x1="-2000 * s" :x2="2000 * s" :style="{ transform: `translateY(${-water * s}px)` }" />
            </g>
            <template v-if="!bare">
                <path v-if="tubePath" :d="tubePath" class="tube" />
                <g v-if="stones">
                    <rect v-for="(p, i) in stones.at" :key="i" class="stone" :x="(p.x_mm - stones.length_mm / 2) * s" :y="-(stones.height_mm) * s" :width="stones.length_mm * s" :height="Math.max(3, Math.min(stones.height_mm, 20) * s)" />
                </g>
                <circle v-for="(b, i) in bubblesAt" :key="`b${i}`" class="bubble" :cx="b.x" :cy="b.y" :r="b.r" />
            </template>
            <path :d="wallPath(shape.stations, s)" class="pen" />
            <g v-for="x in columns" :key="`r${x}`" :transform="`translate(${x * s} 0)`">
                <path v-for="(d, i) in roots" :key="i" :d="d" class="root" />
            </g>
            <g v-if="plantSize && shape.crop && !bare">
                <g v-for="x in columns" :key="`p${x}`" :transform="`translate(${x * s} ${-hung * s})`">
                    <PlantDrawing :habit="growth < 0.3 ? 'seedling' : shape.crop.habit" :crop="shape.crop.key" :height="plantSize.height" :width="plantSize.width" :scale="s" />
                </g>
            </g>
            <g v-for="x in columns" :key="`c${x}`" :transform="`translate(${x * s} 0)`"><path :d="cupPath" class="cup" /></g>
            <rect v-if="!shape.in_mouth" class="lid" :x="(-shape.lid.length_mm / 2) * s" :width="shape.lid.length_mm * s" :y="-levels.lid_top_mm * s - lidHeight / 2" :height="lidHeight" />
            <line v-else class="pen" :x1="-halfAt(shape.stations, rim) * s - 2" :x2="halfAt(shape.stations, rim) * s + 2" :y1="-rim * s" :y2="-rim * s" />
        </g>
    </g>
</template>

<style scoped>
.inside { fill: var(--sheet); }
.stand rect { fill: var(--sand); stroke: var(--ink); }
.fall { transition: y 0.35s, height 0.35s; }
.fall-line { transition: transform 0.35s; }
.cup { fill: var(--cup); stroke: var(--ink); stroke-width: 1; }
.root { fill: none; stroke: var(--root); stroke-width: 1; }
.lid { fill: var(--ink); }
.stone { fill: var(--stone); stroke: var(--ink); stroke-width: 0.8; }
.bubble { fill: none; stroke: var(--water); stroke-width: 1; }
.tube { fill: none; stroke: var(--water); stroke-width: 1.6; }
</style>
