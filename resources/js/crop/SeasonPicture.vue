<script setup lang="ts">
/** Dry day against harvest day as a picture: the tub on three days, the water where it stands if nobody tops up beyond what is planned. */
import { computed, ref } from 'vue';
import TubElevation from '../drawing/TubElevation.vue';
import type { Looks } from '../drawing/plants';
import { topOf, widthOf } from '../drawing/shape';
import { useBox } from '../drawing/useBox';
import { length, type Units } from '../kit/format';
import type { TubReport } from '../types/report';

const props = defineProps<{ tub: TubReport; units: Units }>();

const box = ref<HTMLElement | null>(null);
const size = useBox(box);
const harvest = computed(() => props.tub.season.harvest_day ?? 0);
/** Half-way of the days in which it grows; those in which seeds become seedlings do not count. */
const halfWay = computed(() => (Math.min(...props.tub.crops.map((c) => c.days_within), harvest.value) + harvest.value) / 2);
const days = computed(() => {
    const l = props.tub.levels;
    const dry = props.tub.season.dry_day;
    const list = [
        {
            key: 'start',
            growth: 0.15,
            looks: 'well' as Looks,
            level: l.start_line_mm,
            text: 'planted',
            sub: `water ${length(l.start_line_mm, props.units)}`,
            dry: false,
        },
    ];
    if (l.half_way_mm !== null)
        list.push({
            key: 'half',
            growth: 0.55,
            looks: (dry !== null && dry < halfWay.value ? 'dead' : 'well') as Looks,
            level: l.half_way_mm,
            text: `day ${Math.round(halfWay.value)}`,
            sub: `water ${length(l.half_way_mm, props.units)}`,
            dry: dry !== null && dry < halfWay.value,
        });
    if (l.harvest_mm !== null)
        list.push({
            key: 'harvest',
            growth: 1,
            looks: props.tub.season.looks ?? 'well',
            level: l.harvest_mm,
            text: `harvest, day ${Math.round(harvest.value)}`,
            sub:
                dry !== null && dry < harvest.value
                    ? `dry, day ${Math.floor(dry)}`
                    : `air gap ${length(l.air_gap_harvest_mm ?? 0, props.units)}`,
            dry: dry !== null && dry < harvest.value,
        });
    return list;
});
const tall = computed(() => topOf(props.tub) + Math.max(0, ...props.tub.shape.crops.map((c) => c.mature_height_mm)) + 20);
const column = computed(() => (size.width - 8) / Math.max(1, days.value.length));
const scale = computed(() => Math.max(0.03, Math.min((column.value - 10) / (widthOf(props.tub) + 10), (size.height - 52) / tall.value)));
</script>

<template>
    <div ref="box" class="holder">
        <svg
            v-if="size.width"
            class="drawing"
            :width="size.width"
            :height="size.height"
            role="img"
            :aria-label="days.map((d) => `${d.text}: ${d.sub}`).join('; ')"
        >
            <line class="pen" x1="4" :x2="size.width - 4" :y1="size.height - 40" :y2="size.height - 40" />
            <g v-for="(d, i) in days" :key="d.key">
                <g :transform="`translate(${4 + column * (i + 0.5)} ${size.height - 40})`">
                    <TubElevation :tub="tub" :scale="scale" :growth="d.growth" :looks="d.looks" :level="d.level" />
                </g>
                <text :x="4 + column * (i + 0.5)" :y="size.height - 22" text-anchor="middle" class="strong">{{ d.text }}</text>
                <text :x="4 + column * (i + 0.5)" :y="size.height - 8" text-anchor="middle" :class="d.dry ? 'dry strong' : 'quiet'">
                    {{ d.sub }}
                </text>
            </g>
        </svg>
    </div>
</template>

<style scoped>
.holder {
    width: 100%;
    height: 100%;
    min-height: 0;
}
.dry {
    fill: var(--stop-text) !important;
}
</style>
