<script setup lang="ts">
/** The vessel by tape: how the tape is held, its widths by height, and its lid. */
import { computed, ref } from 'vue';
import { measured } from '../kit/edits';
import Fold from '../kit/Fold.vue';
import Measure from '../kit/Measure.vue';
import type { Way } from '../kit/reader';
import StationFields from '../kit/StationFields.vue';
import Toggle from '../kit/Toggle.vue';
import LidSize from '../lid/LidSize.vue';
import type { Vessel } from '../types/garden';
import { useVessel } from './vessel';

const { report, at, vessel, setVessel } = useVessel();

type Station = Exclude<Vessel, string>['stations'][number];

const stations = computed(() => vessel.value.stations);
const round = computed(() => stations.value[0]?.diameter_mm !== undefined);

/** How the tape is held: what is typed is turned into inside measures over the inside floor. */
const across = ref<'inside' | 'outside' | 'girth'>('inside');
const up = ref<'inside' | 'from-rim' | 'from-bench'>('inside');
const wall = ref(2.5);
const wayAcross = computed<Way>(() => ({ way: across.value, wall_mm: wall.value }));
const wayUp = computed<Way>(() => ({ way: up.value, rim_mm: report.value.levels.rim_mm, floor_mm: report.value.shape.floor_mm }));

function setStation(i: number, key: keyof Station, value: number): void {
    setMeasures('measure the vessel', (v) => {
        v.stations[i]![key] = value;
    });
}

function setMeasures(says: string, edit: (vessel: Exclude<Vessel, string>) => void): void {
    setVessel(says, (v) => measured(v, edit));
}
</script>

<template>
    <Fold title="Measures">
        <div class="stack tape">
            <Toggle
                v-model="across"
                label="Across, the tape goes"
                :options="
                    round
                        ? [
                              { value: 'inside', name: 'Inside' },
                              { value: 'outside', name: 'Outside' },
                              { value: 'girth', name: 'Round it' },
                          ]
                        : [
                              { value: 'inside', name: 'Inside' },
                              { value: 'outside', name: 'Outside' },
                          ]
                "
            />
            <Measure
                v-if="across !== 'inside'"
                label="Wall, thick"
                dimension="length"
                :model-value="wall"
                @update:model-value="(x) => x !== null && (wall = x)"
            />
            <Toggle
                v-model="up"
                label="Heights, from the"
                :options="[
                    { value: 'inside', name: 'Floor' },
                    { value: 'from-rim', name: 'Rim down' },
                    { value: 'from-bench', name: 'Bench' },
                ]"
            />
            <Measure
                label="Bench to inside floor"
                dimension="length"
                :model-value="vessel.floor_mm ?? 3"
                :at="`${at}/vessel/floor_mm`"
                @update:model-value="
                    (x) =>
                        x !== null &&
                        setVessel('change the floor', (v) => {
                            v.floor_mm = x;
                        })
                "
            />
            <p class="small faint">What is kept and shown is the inside, from its floor up.</p>
        </div>
        <StationFields
            :stations="stations"
            :at="`${at}/vessel/stations`"
            :across="wayAcross"
            :up="wayUp"
            @change="setStation"
            @remove="
                (i) =>
                    setMeasures('remove a station', (v) => {
                        v.stations.splice(i, 1);
                    })
            "
            @add="
                (station) =>
                    setVessel('add a station', (v) => {
                        v.stations.splice(v.stations.length - 1, 0, station);
                    })
            "
        />
        <LidSize v-if="!report.raft" />
    </Fold>
</template>

<style scoped>
.stack {
    display: grid;
    gap: 0.7rem;
    padding-top: 0.5rem;
}
.stack.tape {
    border-bottom: 1px solid var(--rule);
    padding-bottom: 0.7rem;
}
</style>
