<script setup lang="ts">
/** What the air of a tub comes to. */
import { computed } from 'vue';
import Figure from '../kit/Figure.vue';
import { toneOf } from '../kit/findings';
import { money, number, plain, run, span } from '../kit/format';
import { useGarden } from '../kit/garden';
import { useTubAir } from './tub';

const garden = useGarden();
const { tub, report, look, wrong, pump, branch, oxygenOf } = useTubAir();
const units = garden.units;
const steady = computed(() => oxygenOf.value[tub.value.id] ?? null);
const oxygen = computed(() => report.value.oxygen);
const floor = computed(() => report.value.limits.oxygen_mg_l);
const currency = computed(() => garden.document.value.money?.currency ?? 'EUR');

const nextLitre = computed(() =>
    look.value?.oxygen_by_air && !wrong.value
        ? `The next litre a minute would bring ${number(look.value.oxygen_by_air.next_mg_l, 1, 'mg/L')}. `
        : '',
);
const offMains = computed(() => {
    const energy = look.value?.energy;
    if (!energy || energy.watts <= 0) return '';
    if (energy.panel_wp === null) return 'There is no sun here for a panel.';
    const [panel, battery] = [Math.ceil(energy.panel_wp), Math.ceil(energy.battery_wh_day)];
    return (
        `Off the mains: a panel of ${panel}\u202fWp in ${plain(energy.sun_hours, 1)}\u202fh of sun, ` +
        `and ${battery}\u202fWh of battery for each dark day.`
    );
});
const outageWords = computed(() => {
    const { outage_min: minutes, stems_dry_h: hours } = oxygen.value;
    return hours !== null ? number(hours, 0, 'h') : minutes === null ? 'never' : span(minutes);
});
const tone = computed(() => (wrong.value ? null : toneOf(garden.findings.value, 'air.oxygen')));
const passive = computed(() => tub.value.system === 'passive');
</script>

<template>
    <template v-if="!passive">
        <Figure
            v-if="steady !== null"
            :label="wrong ? 'Oxygen then' : 'Oxygen, plants grown'"
            :value="number(steady, 1, 'mg/L')"
            :share="steady / oxygen.saturation_mg_l"
            :limit="floor / oxygen.saturation_mg_l"
            :tone="tone"
            :note="`floor ${number(floor, 0)}, the water holds ${number(oxygen.saturation_mg_l, 1)} at most`"
            :why="wrong ? undefined : report.workings.steady_mg_l"
        />
        <Figure
            label="Air into the tub"
            :value="number(branch?.flow_l_min ?? oxygen.air_l_min ?? 0, 2, 'L/min')"
            :note="`${nextLitre}${report.workings.thumb_l_min ?? ''}`"
        />
        <Figure
            v-if="branch && branch.per_stone_l_min !== null && report.shape.stones"
            label="Each stone"
            :value="number(branch.per_stone_l_min, 2, 'L/min')"
            :share="branch.per_stone_l_min / (1.3 * report.shape.stones.most_l_min)"
            :limit="report.shape.stones.least_l_min / (1.3 * report.shape.stones.most_l_min)"
            :note="`made for ${number(report.shape.stones.least_l_min, 1)} ` + `to ${number(report.shape.stones.most_l_min, 1, 'L/min')}`"
        />
        <Figure label="Roots ask for" :value="number(oxygen.demand_mg_h ?? 0, 0, 'mg/h')" />
        <Figure
            label="On a power cut"
            :value="outageWords"
            :note="oxygen.stems_dry_h === null ? `until ${number(report.limits.oxygen_stop_mg_l, 0, 'mg/L')}` : 'until the stems dry'"
            :why="report.workings.outage_min"
        />
        <Figure
            v-if="look?.energy && pump"
            label="Running"
            :value="number(look.energy.kwh_month, 1, 'kWh')"
            :note="`a month, ${money(look.energy.money_month)}\u202f${currency}. ${offMains}`"
        />
        <Figure v-if="pump" label="Tubing in all" :value="run(pump.tubing_mm, units)" />
    </template>
    <Figure
        v-else
        label="The water holds"
        :value="number(oxygen.saturation_mg_l, 1, 'mg/L')"
        note="of oxygen at most; a passive tub is judged by its air gap, at the Crop mark"
    />
</template>
