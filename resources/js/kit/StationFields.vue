<script setup lang="ts">
/** The stations of a vessel, from the floor up: each one's height, and its size across as the tape is held. */
import { computed } from 'vue';
import type { Station } from '../types/garden';
import { length } from './format';
import { useMeasures } from './garden';
import Measure from './Measure.vue';
import { HEIGHT, VESSEL } from './plausible';
import type { Way } from './reader';

const props = defineProps<{ stations: Station[]; at: string; across?: Way; up?: Way }>();
const emit = defineEmits<{ change: [i: number, key: keyof Station, value: number]; remove: [i: number]; add: [station: Station] }>();

const { units } = useMeasures();
const round = computed(() => props.stations[0]?.diameter_mm !== undefined);
const last = computed(() => props.stations.length - 1);
const sideways = computed(
    () => ({ inside: 'Inside', outside: 'Outside', girth: 'Girth' })[String(props.across?.way ?? 'inside')] ?? 'Inside',
);
const nameOf = (i: number): string =>
    i === 0 ? 'Floor' : i === last.value ? 'Rim' : `At ${length(props.stations[i]!.height_mm, units.value)}`;
/** The rim is what heights from the rim are taken from. */
const wayUp = (i: number): Way | undefined => (i === last.value && props.up?.way === 'from-rim' ? undefined : props.up);

/** A station half way between the two at the top. */
function add(): void {
    const [a, b] = [props.stations.at(-2)!, props.stations.at(-1)!];
    const middle = Object.entries(b).map(([key, value]) => [key, Math.round(((a[key as keyof Station] ?? value) + value) / 2)]);
    emit('add', Object.fromEntries(middle) as Station);
}
</script>

<template>
    <fieldset v-for="(station, i) in stations" :key="i" class="ruled">
        <legend>
            {{ nameOf(i) }}
            <button v-if="i > 0 && i < last" type="button" class="word small" @click="emit('remove', i)">Remove</button>
        </legend>
        <Measure
            v-if="i > 0"
            label="Height"
            :plausible="HEIGHT"
            dimension="length"
            :way="wayUp(i)"
            :model-value="station.height_mm"
            :at="`${at}/${i}/height_mm`"
            @update:model-value="(v) => v !== null && emit('change', i, 'height_mm', v)"
        />
        <Measure
            v-if="round"
            :label="sideways === 'Girth' ? sideways : `${sideways} Ø`"
            :plausible="VESSEL"
            dimension="length"
            :way="across"
            :model-value="station.diameter_mm ?? null"
            :at="`${at}/${i}/diameter_mm`"
            @update:model-value="(v) => v !== null && emit('change', i, 'diameter_mm', v)"
        />
        <template v-else>
            <Measure
                label="Length"
                :plausible="VESSEL"
                dimension="length"
                :way="across"
                :model-value="station.length_mm ?? null"
                :at="`${at}/${i}/length_mm`"
                @update:model-value="(v) => v !== null && emit('change', i, 'length_mm', v)"
            />
            <Measure
                label="Width"
                :plausible="VESSEL"
                dimension="length"
                :way="across"
                :model-value="station.width_mm ?? null"
                :at="`${at}/${i}/width_mm`"
                @update:model-value="(v) => v !== null && emit('change', i, 'width_mm', v)"
            />
            <Measure
                label="Corner radius"
                dimension="length"
                :model-value="station.corner_radius_mm ?? 0"
                :at="`${at}/${i}/corner_radius_mm`"
                @update:model-value="(v) => v !== null && emit('change', i, 'corner_radius_mm', v)"
            />
        </template>
    </fieldset>
    <button type="button" class="box" @click="add">Add a station</button>
</template>
