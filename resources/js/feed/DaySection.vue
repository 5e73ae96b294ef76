<script setup lang="ts">
/** The tub cut open on one day: the water where it stands, plants and roots as far as they have come. */
import { computed, ref } from 'vue';
import TubElevation from '../drawing/TubElevation.vue';
import { topOf, widthOf } from '../drawing/shape';
import { useBox } from '../drawing/useBox';
import { length, number, temperature, type Units, volume } from '../kit/format';
import type { SeasonDay, TubReport } from '../types/report';

const props = defineProps<{ tub: TubReport; day: SeasonDay; units: Units; title?: string }>();

const box = ref<HTMLElement | null>(null);
const size = useBox(box);
/** Plants are drawn by how far they have come. */
const growth = computed(() => Math.max(0.08, props.day.growth));
const LOOKS = { well: '', pale: 'they do poorly', wilting: 'they wilt', dead: 'they are dead' };
const tall = computed(() => topOf(props.tub) + Math.max(0, ...props.tub.shape.crops.map((c) => c.mature_height_mm)) + 20);
const scale = computed(() => Math.max(0.03, Math.min((size.width - 6) / (widthOf(props.tub) + 6), (size.height - 32) / tall.value)));
const figures = computed(() => {
    const d = props.day;
    return [
        { name: 'water', value: `${length(d.level_mm, props.units)}, ${volume(d.volume_l, props.units)}` },
        { name: 'EC', value: d.ec_ms_cm === null ? 'unknown' : number(d.ec_ms_cm, 2, 'mS/cm') },
        ...(d.oxygen_mg_l === null ? [] : [{ name: 'oxygen', value: number(d.oxygen_mg_l, 1, 'mg/L') }]),
        { name: 'warmth', value: temperature(d.water_c, props.units) },
        { name: 'drinks', value: volume(d.use_l, props.units) },
        ...(d.fare === null ? [] : [{ name: 'fares', value: number(100 * d.fare, 0, '%') }]),
        ...(d.stronger > 0 ? [{ name: 'feed', value: 'stirred in' }] : []),
        ...(d.change
            ? [{ name: 'water', value: 'changed' }]
            : d.top_up_l > 0
              ? [{ name: 'topped up', value: volume(d.top_up_l, props.units) }]
              : []),
    ];
});
const gap = computed(() =>
    props.day.air_gap_mm > 0.5
        ? `air gap ${length(props.day.air_gap_mm, props.units)}`
        : `cup ${length(-props.day.air_gap_mm, props.units)} in the water`,
);
</script>

<template>
    <div class="day">
        <h2>{{ title ?? `Day ${day.day}` }}</h2>
        <table>
            <tbody>
                <tr v-for="f in figures" :key="f.name + f.value">
                    <th scope="row">{{ f.name }}</th>
                    <td>{{ f.value }}</td>
                </tr>
            </tbody>
        </table>
        <div ref="box" class="holder">
            <svg
                v-if="size.width"
                class="drawing"
                :width="size.width"
                :height="size.height"
                role="img"
                :aria-label="`${tub.name} on day ${day.day}: ${[gap, LOOKS[day.looks]].filter(Boolean).join(', ')}`"
            >
                <line class="pen" x1="2" :x2="size.width - 2" :y1="size.height - 22" :y2="size.height - 22" />
                <g :transform="`translate(${size.width / 2} ${size.height - 22})`">
                    <TubElevation :tub="tub" :scale="scale" :growth="growth" :looks="day.looks" :level="day.level_mm" />
                </g>
                <text :x="size.width / 2" :y="size.height - 5" text-anchor="middle" :class="day.looks === 'well' ? 'quiet' : 'ill strong'">
                    {{ LOOKS[day.looks] || gap }}
                </text>
            </svg>
        </div>
    </div>
</template>

<style scoped>
.day {
    display: flex;
    flex-direction: column;
    min-height: 0;
    padding-top: 0.2rem;
}
table {
    font-size: 0.8125rem;
    line-height: 1.3;
    margin-top: 0.2rem;
}
td {
    text-align: right;
    white-space: nowrap;
}
th,
td {
    padding: 0.1rem 0;
    border-bottom: 1px solid var(--rule);
}
.ill {
    fill: var(--stop-text) !important;
}
.holder {
    flex: 1;
    width: 100%;
    min-height: 110px;
}
</style>
