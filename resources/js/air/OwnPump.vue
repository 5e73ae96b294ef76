<script setup lang="ts">
/** A pump of one's own: from its box, from "for tanks of n litres", or from a jar and a stopwatch. */
import { reactive, ref } from 'vue';
import { readBare } from '../kit/bare';
import { deeds, type Act } from '../kit/deeds';
import { number } from '../kit/format';
import Measure from '../kit/Measure.vue';
import Toggle from '../kit/Toggle.vue';
import { useTurns } from '../kit/turns';
import type { Answers } from '../types/answers';
import type { Pump } from '../types/garden';

const emit = defineEmits<{ take: [pump: Exclude<Pump, string>] }>();

const way = ref<'box' | 'rated' | 'bucket'>('box');
const name = ref('My pump');
const values = reactive<{ free: number | null; pressure: number | null; litres: number | null; watts: number | null; outlets: string }>({
    free: null,
    pressure: null,
    litres: null,
    watts: null,
    outlets: '1',
});
const fills = reactive<{ litres: number | null; seconds: string; depth_mm: number | null }[]>([
    { litres: null, seconds: '', depth_mm: null },
    { litres: null, seconds: '', depth_mm: null },
]);
const refused = ref('');
const understood = ref('');

/** Taken once, though it is pressed twice: the press waits for the measures that are being read. */
function take(): Promise<void> {
    return deeds.runOnce('Working out the pump’s curve', work);
}

const { ask } = useTurns();
async function work(act: Act): Promise<void> {
    refused.value = understood.value = '';
    const timed = fills.map((f) => ({ ...f, seconds: readBare(f.seconds, { least: 0, above: true, optional: true }) }));
    const wrong = timed.find((f) => 'error' in f.seconds)?.seconds;
    if (way.value === 'bucket' && wrong && 'error' in wrong) return void (refused.value = wrong.error);
    const measured = timed.flatMap((f) =>
        f.litres !== null && f.depth_mm !== null && 'value' in f.seconds && f.seconds.value !== null
            ? [{ litres: f.litres, depth_mm: f.depth_mm, seconds: f.seconds.value }]
            : [],
    );
    const answer = await ask<Answers['pumps/curve']>('pumps/curve', {
        body: JSON.stringify(
            way.value === 'box'
                ? { way: 'box', free_flow_l_min: values.free ?? 0, max_pressure_kpa: values.pressure }
                : way.value === 'rated'
                  ? { way: 'rated', litres: values.litres ?? 0 }
                  : {
                        way: 'bucket',
                        fills: measured,
                        max_pressure_kpa: values.pressure,
                    },
        ),
    });
    if (!answer) return;
    if (answer.kind !== 'done') {
        refused.value = answer.kind === 'refused' ? (answer.faults[0]?.message ?? answer.message) : 'It could not be worked out just now.';
        return;
    }
    const { free_flow_l_min: free, max_pressure_kpa: most } = answer.data;
    understood.value = `${number(free, 2, 'L/min')} free, ${number(most, 1, 'kPa')} at most`;
    act(() =>
        emit('take', {
            name: name.value.trim().slice(0, 120) || 'My pump',
            free_flow_l_min: free,
            max_pressure_kpa: most,
            outlets: Math.max(1, Math.min(50, Math.round(Number(values.outlets)) || 1)),
            power_w: values.watts ?? 0,
        }),
    );
}
</script>

<template>
    <div class="own">
        <label><span>Its name</span><input v-model="name" class="text" maxlength="120" /></label>
        <Toggle
            v-model="way"
            label="By"
            :options="[
                { value: 'box', name: 'Its box' },
                { value: 'rated', name: '“For n L”' },
                { value: 'bucket', name: 'A test' },
            ]"
        />
        <Measure v-if="way === 'box'" v-model="values.free" label="Free flow" dimension="air-flow" />
        <Measure v-if="way === 'rated'" v-model="values.litres" label="For tanks up to" dimension="volume" />
        <template v-if="way === 'bucket'">
            <p class="small faint">
                Fill a jar with water, turn it over under water, let the tube blow into it and time until it is full of air. Once shallow,
                once deep.
            </p>
            <fieldset v-for="(f, i) in fills" :key="i" class="ruled">
                <legend>{{ i === 0 ? 'Shallow' : 'Deep' }}</legend>
                <Measure v-model="f.litres" label="Jar" dimension="volume" optional />
                <label class="row"><span>Seconds</span><input v-model="f.seconds" class="text" inputmode="decimal" /></label>
                <Measure v-model="f.depth_mm" label="Tube’s end under" dimension="length" optional />
            </fieldset>
        </template>
        <Measure
            v-if="way !== 'rated'"
            v-model="values.pressure"
            label="Pressure"
            dimension="pressure"
            optional
            hint="Left empty: usual for small pumps."
        />
        <Measure v-model="values.watts" label="Power" dimension="power" optional />
        <label class="row"><span>Outlets</span><input v-model="values.outlets" class="text" inputmode="numeric" /></label>
        <p v-if="refused" class="wrong small" role="alert">{{ refused }}</p>
        <p v-if="understood" class="small faint" role="status">{{ understood }}</p>
        <button type="button" class="box strong" @click="take">Use it here</button>
    </div>
</template>

<style scoped>
.own {
    display: grid;
    gap: 0.6rem;
    padding-top: 0.4rem;
}
label {
    display: grid;
    gap: 0.15rem;
}
.row {
    grid-template-columns: 1fr 7.25rem;
    align-items: center;
}
.wrong {
    color: var(--stop-text);
}
</style>
