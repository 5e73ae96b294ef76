<script setup lang="ts">
/** A lid that is drilled already: how wide its holes are and how they stand, as small as it can be said. */
import { computed } from 'vue';
import Counter from '../kit/Counter.vue';
import Measure from '../kit/Measure.vue';
import { HOLE } from '../kit/plausible';
import Tick from '../kit/Tick.vue';
import Toggle from '../kit/Toggle.vue';
import type { Station } from '../types/garden';
import { holesOf, type Drilled } from './drilled';

const drilled = defineModel<Drilled | null>({ required: true });
const props = defineProps<{ rim: Station; round: boolean }>();

const long = computed(() => props.rim.diameter_mm ?? props.rim.length_mm ?? 300);
const wide = computed(() => props.rim.diameter_mm ?? props.rim.width_mm ?? 300);

function start(): void {
    drilled.value = {
        hole: 51,
        how: props.round ? 'middle' : 'rows',
        rows: 2,
        columns: 3,
        apart: Math.round(Math.min(long.value / 3, wide.value / 2)),
        count: 4,
        ring: Math.round(long.value * 0.6),
    };
}

const set = (change: Partial<Drilled>): void => {
    if (drilled.value) drilled.value = { ...drilled.value, ...change };
};
const holes = computed(() => (drilled.value ? holesOf(drilled.value) : []));
/** The rim seen from above, in a box of 72 px. */
const scale = computed(() => 68 / long.value);
</script>

<template>
    <div class="drilled">
        <Tick class="asked" :checked="drilled !== null" @tick="(on) => (on ? start() : (drilled = null))">Its lid is drilled already</Tick>
        <template v-if="drilled">
            <Measure
                label="Each hole, Ø"
                :plausible="HOLE"
                dimension="length"
                :model-value="drilled.hole"
                @update:model-value="(v) => v !== null && v > 0 && set({ hole: v })"
            />
            <Toggle
                label="They stand"
                :model-value="drilled.how"
                :options="[
                    { value: 'middle', name: 'One, middle' },
                    { value: 'rows', name: 'Rows' },
                    { value: 'ring', name: 'Ring' },
                ]"
                @update:model-value="(how) => set({ how })"
            />
            <template v-if="drilled.how === 'rows'">
                <Counter label="Rows" :model-value="drilled.rows" :most="14" @update:model-value="(rows) => set({ rows })" />
                <Counter
                    label="In each row"
                    :model-value="drilled.columns"
                    :most="14"
                    @update:model-value="(columns) => set({ columns })"
                />
                <Measure
                    label="Apart"
                    dimension="length"
                    :model-value="drilled.apart"
                    @update:model-value="(v) => v !== null && v > 0 && set({ apart: v })"
                />
            </template>
            <template v-if="drilled.how === 'ring'">
                <Counter label="Holes" :model-value="drilled.count" :most="40" @update:model-value="(count) => set({ count })" />
                <Measure
                    label="Ring, centre to centre"
                    dimension="length"
                    :model-value="drilled.ring"
                    @update:model-value="(v) => v !== null && v > 0 && set({ ring: v })"
                />
            </template>
            <div class="seen">
                <svg width="76" height="76" viewBox="-38 -38 76 76" aria-hidden="true">
                    <rect
                        class="rim"
                        :x="(-long / 2) * scale"
                        :y="(-wide / 2) * scale"
                        :width="long * scale"
                        :height="wide * scale"
                        :rx="round ? (long / 2) * scale : 4"
                    />
                    <circle
                        v-for="(h, i) in holes"
                        :key="i"
                        :cx="h.x_mm * scale"
                        :cy="-h.y_mm * scale"
                        :r="Math.max(1, (drilled.hole / 2) * scale)"
                    />
                </svg>
                <p class="small faint">No saw is bought. Holes can be moved to where yours are on Lid, one by one.</p>
            </div>
        </template>
    </div>
</template>

<style scoped>
.drilled {
    display: grid;
    gap: 0.55rem 1.4rem;
    grid-template-columns: repeat(auto-fit, minmax(13rem, 1fr));
    align-items: start;
}
.asked,
.seen {
    grid-column: 1 / -1;
}
.seen {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr);
    gap: 0.6rem;
    align-items: center;
}
.rim {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.4;
}
circle {
    fill: var(--ink);
}
</style>
