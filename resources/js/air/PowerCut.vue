<script setup lang="ts">
/** How long roots have air after the power has failed, with a battery or without. */
import { computed, ref } from 'vue';
import LineChart, { type ChartLine } from '../drawing/LineChart.vue';
import { readBare } from '../kit/bare';
import { number, plain, span } from '../kit/format';
import DrawingWithFields from './DrawingWithFields.vue';
import { useTubAir } from './tub';

const { report, asked, ask, look } = useTubAir();
const outage = computed(() => {
    const o = look.value?.outage;
    if (!o) return null;
    // On the battery nothing falls yet.
    const kept = o.battery_wh > 0 && o.battery_min !== null ? o.battery_min / 60 : 0;
    const hours = (points: [number, number][]): [number, number][] => [
        ...(kept > 0 ? [[0, points[0]![1]] as [number, number]] : []),
        ...points.map(([m, mg]): [number, number] => [kept + m / 60, mg]),
    ];
    const xTo = kept + o.hours;
    const stop = report.value.limits.oxygen_stop_mg_l;
    const lines: ChartLine[] = [
        {
            points: [
                [0, stop],
                [xTo, stop],
            ],
            tone: 'stop',
            name: `${plain(stop, 0)}: roots suffocate`,
            below: true,
        },
        ...(o.today ? [{ points: hours(o.today), tone: 'kelp' as const, name: `day ${o.day}`, along: 0.75 }] : []),
        { points: hours(o.grown), tone: 'water', name: 'grown', along: 0.3, below: true },
    ];
    return { lines, xTo, battery: kept > 0 ? ([0, kept] as const) : null, o };
});
const bridged = computed(() => {
    const o = look.value?.outage;
    if (!o || o.battery_min === null || o.battery_min <= 0) return '';
    const grown = o.grown_min === null ? 'and after that the surface is enough' : `and ${span(o.grown_min)} more until 3\u202fmg/L`;
    const dark = look.value?.energy?.dark_days ?? 0;
    const going = `${plain(o.battery_wh, 0)}\u202fWh keeps the air going for ${span(o.battery_min)}`;
    return `${going}, ${grown}. It bridges ${number(dark, 1)} dark days.`;
});
const batteryText = ref('');
const setBattery = (event: Event): void => {
    const read = readBare((event.target as HTMLInputElement).value, { least: 0, most: 100000 });
    batteryText.value = 'error' in read ? `${read.error} 12 V and 12 Ah are 144.` : '';
    if ('value' in read) ask({ battery: read.value });
};
</script>

<template>
    <DrawingWithFields>
        <LineChart
            v-if="outage"
            :lines="outage.lines"
            :x-to="outage.xTo"
            :y-to="10"
            x="hours without power"
            y="oxygen, mg/L"
            :shade="outage.battery"
            shade-name="on the battery"
            label="Oxygen after the power has failed"
        />
        <template #beside>
            <label
                ><span>A battery of, Wh</span><input class="text" inputmode="decimal" :value="plain(asked.battery, 0)" @change="setBattery"
            /></label>
            <p v-if="batteryText" class="wrong small">{{ batteryText }}</p>
            <label class="day"
                ><span>Plants of day {{ asked.day }}</span
                ><input
                    type="range"
                    min="0"
                    :max="Math.max(1, Math.round(report.season.last_day ?? 60) - 1)"
                    :value="asked.day"
                    @change="ask({ day: Number(($event.target as HTMLInputElement).value) })"
            /></label>
            <p v-if="outage" class="small">
                Grown: {{ outage.o.grown_min === null ? 'the surface is enough' : span(outage.o.grown_min) }}. Day {{ outage.o.day }}:
                {{ outage.o.today_min === null ? 'the surface is enough' : span(outage.o.today_min) }}.
            </p>
            <p v-if="bridged" class="small" role="status">{{ bridged }}</p>
        </template>
    </DrawingWithFields>
</template>

<style scoped>
label {
    display: grid;
    gap: 0.15rem;
}
.wrong {
    color: var(--stop-text);
}
.day input {
    accent-color: var(--ink);
    min-height: 28px;
}
</style>
