<script setup lang="ts">
/** The pump, how it stands, and what may go wrong with it. */
import { computed, ref } from 'vue';
import { fromLibrary } from '../kit/edits';
import Fold from '../kit/Fold.vue';
import { useGarden } from '../kit/garden';
import { keyOf, named } from '../kit/library';
import Measure from '../kit/Measure.vue';
import Pick from '../kit/Pick.vue';
import Toggle from '../kit/Toggle.vue';
import type { PumpOption } from '../types/answers';
import type { Pump } from '../types/garden';
import OwnPump from './OwnPump.vue';
import { useTubAir } from './tub';
import WhichPump from './WhichPump.vue';

const garden = useGarden();
const { ask, pump, setPump, asked, ...air } = useTubAir();
/* Shown only where there is one. */
const line = computed(() => air.line.value!);
/** All pumps are tried only for somebody who looks at them. */
const choosing = ref(false);

const OWN = 'own';
const pumps = computed(() => [
    ...named(garden.library.pumps),
    ...(keyOf(line.value.system.pump) === null ? [{ value: OWN, name: pump.value?.name ?? 'Your own pump' }] : []),
]);
function takePump(option: PumpOption): void {
    garden.apply(`use the ${option.name}`, option.patch);
}
function takeOwn(own: Exclude<Pump, string>): void {
    setPump('use a pump of your own', (s) => {
        s.pump = own;
    });
}

const TROUBLES = [
    { value: 'none', name: 'Nothing goes wrong' },
    { value: 'clogged-stone', name: 'Its stone is clogged' },
    { value: 'weak-diaphragm', name: 'The diaphragm is worn' },
    { value: 'second-check-valve', name: 'A second check valve' },
    { value: 'reversed-check-valve', name: 'The check valve is reversed' },
    { value: 'valve-shut', name: 'Its valve is knocked shut' },
];
</script>

<template>
    <Pick
        label="Pump"
        :model-value="keyOf(line.system.pump) ?? OWN"
        :options="pumps"
        hint="It feeds every tub drawn here."
        @update:model-value="
            (v) =>
                v &&
                v !== OWN &&
                setPump('change the pump', (s) => {
                    s.pump = fromLibrary(garden.library.pumps, v);
                })
        "
    />
    <Fold title="Which pump?" @toggle="(isOpen) => (choosing = isOpen)">
        <WhichPump v-if="choosing" :day="asked.day" @take="takePump" />
    </Fold>
    <Fold title="A pump of your own"><OwnPump @take="takeOwn" /></Fold>
    <Pick
        label="What if"
        :model-value="asked.trouble || 'none'"
        :options="TROUBLES"
        @update:model-value="(v) => ask({ trouble: v === 'none' || v === null ? '' : v })"
    />
    <Toggle
        label="Check valve"
        :model-value="line.system.check_valve ? 'yes' : 'no'"
        :options="[
            { value: 'no', name: 'None' },
            { value: 'yes', name: 'Fitted' },
        ]"
        @update:model-value="
            (v) =>
                setPump('change the check valve', (s) => {
                    s.check_valve = v === 'yes';
                })
        "
    />
    <Toggle
        label="Pump stands"
        :model-value="line.system.above_water ? 'above' : 'measured'"
        :options="[
            { value: 'above', name: 'Above the water' },
            { value: 'measured', name: 'At a height' },
        ]"
        @update:model-value="
            (v) =>
                setPump('move the pump', (s) => {
                    s.above_water = v === 'above';
                })
        "
    />
    <Measure
        v-if="!line.system.above_water"
        label="Over the floor"
        dimension="length"
        :model-value="line.system.height_above_floor_mm ?? 0"
        :at="`/air/${line.index}/height_above_floor_mm`"
        @update:model-value="
            (v) =>
                v !== null &&
                setPump('move the pump', (s) => {
                    s.height_above_floor_mm = v;
                })
        "
    />
</template>
