<script setup lang="ts">
/** A nursery's time as a bar in days, one for each crop: sown, set in, handed over. */
import { computed, ref } from 'vue';
import { tint } from '../drawing/plants';
import { useBox } from '../drawing/useBox';
import type { RaisedReport } from '../types/report';

const props = defineProps<{ raised: RaisedReport[] }>();

const TOP = 16;
const box = ref<HTMLElement | null>(null);
const size = useBox(box);
const bars = computed(() => props.raised.filter((r) => r.hand_over_day !== null));
const before = computed(() => Math.max(0, ...bars.value.map((r) => r.sown_before_days)));
const last = computed(() => Math.max(1, ...bars.value.map((r) => r.hand_over_day!)));
const left = computed(() => (bars.value.length > 1 ? 96 : 10));
const X = (day: number): number => left.value + ((before.value + day) / (before.value + last.value)) * (size.width - 40 - left.value);
const row = computed(() => Math.min(26, 56 / Math.max(1, bars.value.length)));
const bottom = computed(() => TOP + row.value * bars.value.length);
const days = computed(() => Array.from({ length: before.value + last.value + 1 }, (_, i) => i - before.value));
const spoken = computed(() =>
    bars.value
        .map((r) => `${r.name}: sown ${r.sown_before_days} days before it is set in, handed over on day ${r.hand_over_day}`)
        .join('; '),
);
</script>

<template>
    <div ref="box" class="holder">
        <svg v-if="size.width && bars.length" class="drawing" :width="size.width" height="104" role="img" :aria-label="spoken">
            <line v-for="d in days" :key="d" class="hair" :x1="X(d)" :x2="X(d)" :y1="bottom - 2" :y2="bottom + 3" />
            <g v-for="(r, i) in bars" :key="r.crop" :transform="`translate(0 ${TOP + i * row})`">
                <text v-if="bars.length > 1" :x="left - 8" :y="row - 9" text-anchor="end">{{ r.name }}</text>
                <rect class="plugs" :x="X(-r.sown_before_days)" :width="X(0) - X(-r.sown_before_days)" :height="row - 6" />
                <rect :x="X(0)" :width="X(r.hand_over_day!) - X(0)" :height="row - 6" :fill="tint(r.crop)" />
            </g>
            <text v-if="before" :x="X(-before)" :y="bottom + 18">sow in plugs</text>
            <text :x="X(0)" :y="bottom + 18" :text-anchor="before ? 'middle' : 'start'">{{ before ? 'up: set in' : 'sow' }}</text>
            <text v-for="r in bars" :key="r.crop" :x="X(r.hand_over_day!)" :y="bottom + 18" text-anchor="middle" class="strong">
                day {{ r.hand_over_day }}
            </text>
            <text :x="X(last)" :y="bottom + 32" text-anchor="middle" class="quiet">handed over</text>
        </svg>
    </div>
</template>

<style scoped>
.holder {
    width: 100%;
    min-height: 104px;
}
.plugs {
    fill: var(--shoal);
    stroke: var(--ink);
    stroke-width: 0.8;
}
</style>
