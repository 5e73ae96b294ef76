<script setup lang="ts">
/** The pump against its lines, and oxygen against air. */
import { computed } from 'vue';
import LineChart, { type ChartLine, type ChartMark } from '../drawing/LineChart.vue';
import { number, plain } from '../kit/format';
import { useGarden } from '../kit/garden';
import { useTubAir } from './tub';

const garden = useGarden();
const { tub, report, look, wrong } = useTubAir();
const letters = garden.letters;
const floor = computed(() => report.value.limits.oxygen_mg_l);

const nice = (value: number): number => {
    const power = 10 ** Math.floor(Math.log10(Math.max(1e-6, value)));
    return ([1, 1.5, 2, 2.5, 3, 4, 5, 6, 8, 10].find((m) => m * power >= value - 1e-9) ?? 10) * power;
};
const curves = computed(() => {
    const c = look.value?.curves;
    if (!c) return null;
    const lines: ChartLine[] = [
        ...(wrong.value && JSON.stringify(c.pump) !== JSON.stringify(c.new_pump)
            ? [{ points: c.new_pump, tone: 'faint' as const, name: 'as new', along: 0.4 }]
            : []),
        { points: c.pump, tone: 'ink', name: 'pump', along: 0 },
        { points: c.lines, tone: wrong.value ? 'stop' : 'water', dashed: wrong.value !== null, name: 'your lines', below: true },
    ];
    const marks: ChartMark[] = [{ at: c.at, text: `${number(c.at[0], 1)} at ${number(c.at[1], 1)}` }];
    return {
        lines,
        marks,
        xTo: nice(Math.max(...c.new_pump.map((p) => p[0])) * 1.02),
        yTo: nice(Math.max(...c.new_pump.map((p) => p[1])) * 1.02),
    };
});
/** So far over the floor a word under a mark does not touch its line, mg/L. */
const CLEAR_OF_FLOOR = 1.5;
const byAir = computed(() => {
    const o = look.value?.oxygen_by_air;
    if (!o) return null;
    const xTo = o.points.at(-1)![0];
    const lines: ChartLine[] = [
        {
            points: [
                [0, o.saturation_mg_l],
                [xTo, o.saturation_mg_l],
            ],
            tone: 'faint',
            dashed: true,
            name: `no pump passes ${number(o.saturation_mg_l, 1)}`,
        },
        {
            points: [
                [0, floor.value],
                [xTo, floor.value],
            ],
            tone: 'mend',
            name: `floor ${plain(floor.value, 0)}`,
            below: true,
        },
        { points: o.points, tone: 'water' },
    ];
    // Where the curve flattens out it goes on over the word's place; under it there is room, but for the floor.
    const marks: ChartMark[] = [{ at: o.now, text: `now ${number(o.now[1], 1)}`, below: o.now[1] > floor.value + CLEAR_OF_FLOOR }];
    return { lines, marks, xTo, yTo: 10, next: o };
});
</script>

<template>
    <div class="pair">
        <LineChart
            v-if="curves"
            v-bind="curves"
            x="air, L/min"
            y="kPa"
            :label="`The pump’s curve and the lines’: they meet at ${curves.marks[0]!.text} kPa`"
        />
        <LineChart
            v-if="byAir"
            :lines="byAir.lines"
            :marks="byAir.marks"
            :x-to="byAir.xTo"
            :y-to="byAir.yTo"
            :x="`air into ${letters[tub.id]}, L/min`"
            y="oxygen, mg/L"
            :label="`Oxygen against air: the next litre a minute brings ${number(byAir.next.next_mg_l, 1, 'mg/L')}`"
        />
        <p v-else-if="look" class="faint small">No air comes into this tub, so there is nothing to draw oxygen against.</p>
    </div>
</template>

<style scoped>
.pair {
    flex: 1;
    min-height: 0;
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: 1rem;
    padding-top: 0.3rem;
}
@media (max-width: 760px) {
    .pair {
        grid-template-columns: 1fr;
        grid-auto-rows: minmax(200px, auto);
    }
}
</style>
