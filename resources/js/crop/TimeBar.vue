<script setup lang="ts">
/** From sowing to the last harvest as a bar in days, with the day on which the water would be gone. */
import { computed, ref } from 'vue';
import { number } from '../kit/format';
import type { TubReport } from '../types/report';
import { tint } from '../drawing/plants';
import { useBox } from '../drawing/useBox';

const props = defineProps<{ tub: TubReport; alarm: boolean }>();

const box = ref<HTMLElement | null>(null);
const size = useBox(box);
const sown = computed(() => props.tub.shape.crop?.days_sow_to_transplant ?? 0);
const harvest = computed(() => props.tub.season.harvest_day ?? 0);
const last = computed(() => props.tub.season.last_day ?? harvest.value);
const dry = computed(() => props.tub.season.dry_day);
const total = computed(() => Math.max(1, sown.value + last.value));
const X = (day: number): number => 10 + ((sown.value + day) / total.value) * (size.width - 20);
const weeks = computed(() => Array.from({ length: Math.floor(total.value / 7) + 1 }, (_, i) => i * 7 - sown.value));
const spoken = computed(() => `Transplant ${sown.value} days after sowing, first harvest ${number(harvest.value, 0)} days after that${dry.value === null ? '' : `; without top-ups dry on day ${Math.floor(dry.value)}`}.`);
</script>

<template>
    <div ref="box" class="holder">
        <svg v-if="size.width && tub.shape.crop" class="drawing" :width="size.width" height="86" role="img" :aria-label="spoken">
            <line v-for="w in weeks" :key="w" class="hair" :x1="X(w)" :x2="X(w)" y1="52" y2="57" />
            <rect class="nursery" :x="X(-sown)" y="34" :width="Math.max(0, X(0) - X(-sown))" height="18" />
            <rect :x="X(0)" y="34" :width="Math.max(0, X(harvest) - X(0))" height="18" :fill="tint(tub.shape.crop.key)" />
            <rect v-if="last > harvest" class="repeat" :x="X(harvest)" y="34" :width="X(last) - X(harvest)" height="18" :stroke="tint(tub.shape.crop.key)" />
            <text :x="X(-sown)" y="72">sow</text>
            <text :x="X(0)" y="72" text-anchor="middle">transplant</text>
            <text :x="Math.min(X(harvest), size.width - 40)" y="72" text-anchor="middle" class="strong">day {{ number(harvest, 0) }}</text>
            <text :x="Math.min(X(harvest), size.width - 40)" y="85" text-anchor="middle" class="quiet">first harvest</text>
            <g v-if="dry !== null">
                <line class="dry" :x1="X(dry)" :x2="X(dry)" y1="24" y2="56" />
                <text :x="Math.min(X(dry) + 4, size.width - 150)" y="20" class="strong" :class="alarm ? 'early' : 'wet'">dry on day {{ Math.floor(dry) }} if nobody tops up</text>
            </g>
            <text v-else :x="size.width - 10" y="20" text-anchor="end" class="wet">the water lasts</text>
        </svg>
    </div>
</template>

<style scoped>
.holder { width: 100%; min-height: 86px; }
.nursery { fill: var(--shoal); stroke: var(--ink); stroke-width: 0.8; }
.repeat { fill: none; stroke-width: 2; stroke-dasharray: 5 3; }
.dry { stroke: var(--water); stroke-width: 3; }
.early { fill: var(--stop-text) !important; }
</style>
