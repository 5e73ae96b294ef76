<script setup lang="ts">
/** A vessel by tape: its rim, its floor and its depth, drawn as they are written. */
import { computed, ref } from 'vue';
import { sections } from '../drawing/shape';
import TubMini from '../drawing/TubMini.vue';
import { dimension } from '../kit/format';
import { useMeasures } from '../kit/garden';
import Field from '../kit/Field.vue';
import Measure from '../kit/Measure.vue';
import { HEIGHT, VESSEL } from '../kit/plausible';
import type { Way } from '../kit/reader';
import Toggle from '../kit/Toggle.vue';
import type { Station } from '../types/garden';
import { blank, tape, type Shape, type Taped } from './tape';

const vessel = defineModel<Taped>({ required: true });

const { units } = useMeasures();
const round = computed(() => vessel.value.stations[0]!.diameter_mm !== undefined);
const floor = computed(() => vessel.value.stations[0]!);
const rim = computed(() => vessel.value.stations.at(-1)!);
const floorMeasured = ref(false);
const across = ref<'inside' | 'outside' | 'girth'>('inside');
const wall = ref(2.5);
const way = computed<Way>(() => ({ way: across.value, wall_mm: wall.value }));

/** What is measured across, the rim first. */
const sides = computed((): ['rim' | 'floor', 'diameter_mm' | 'length_mm' | 'width_mm', string][] =>
    round.value
        ? [
              ['rim', 'diameter_mm', 'At the rim'],
              ['floor', 'diameter_mm', 'At the floor'],
          ]
        : [
              ['rim', 'length_mm', 'Rim, length'],
              ['rim', 'width_mm', 'Rim, width'],
              ['floor', 'length_mm', 'Floor, length'],
              ['floor', 'width_mm', 'Floor, width'],
          ],
);

function setShape(shape: Shape): void {
    const { label_l, opacity } = vessel.value;
    vessel.value = { ...blank(shape), ...(label_l ? { label_l } : {}), ...(opacity ? { opacity } : {}) };
    floorMeasured.value = false;
    if (across.value === 'girth') across.value = 'outside';
}

function set(which: 'rim' | 'floor', key: keyof Station, value: number | null): void {
    if (value === null) return;
    if (which === 'floor') floorMeasured.value = true;
    vessel.value = tape(vessel.value, which, key, value, floorMeasured.value);
}

/** The drawing fills its box whatever is measured. */
const scale = computed(() => Math.min(240 / (rim.value.length_mm ?? rim.value.diameter_mm ?? 1), 190 / rim.value.height_mm));
const lid = computed(() => vessel.value.lid?.diameter_mm ?? vessel.value.lid?.length_mm ?? 0);
const at = (mm: number): number => mm * scale.value;
const top = computed(() => -at(rim.value.height_mm));
const wide = computed(() => rim.value.diameter_mm ?? rim.value.length_mm ?? 0);
const deep = computed(() => floor.value.diameter_mm ?? floor.value.length_mm ?? 0);
</script>

<template>
    <div class="tape">
        <div class="fields">
            <Toggle
                label="Shape"
                :model-value="round ? 'round' : 'square'"
                :options="[
                    { value: 'round', name: 'Round' },
                    { value: 'square', name: 'Box' },
                ]"
                @update:model-value="setShape"
            />
            <Toggle
                v-model="across"
                label="The tape goes"
                :options="[
                    { value: 'inside', name: 'Inside' },
                    { value: 'outside', name: 'Outside' },
                    ...(round ? [{ value: 'girth' as const, name: 'Round it' }] : []),
                ]"
            />
            <Measure
                v-if="across !== 'inside'"
                label="Wall, thick"
                dimension="length"
                :model-value="wall"
                @update:model-value="(v) => v !== null && (wall = v)"
            />
            <Measure
                v-for="[which, key, label] in sides"
                :key="label"
                :label="label"
                :plausible="VESSEL"
                dimension="length"
                :way="way"
                :model-value="(which === 'rim' ? rim : floor)[key] ?? null"
                @update:model-value="(v) => set(which, key, v)"
            />
            <Measure
                label="Depth, inside"
                :plausible="HEIGHT"
                dimension="length"
                :model-value="rim.height_mm"
                @update:model-value="(v) => set('rim', 'height_mm', v)"
            />
            <p v-if="!floorMeasured" class="small faint">The floor goes with the rim, at nine tenths of it, until you measure it.</p>
        </div>
        <div class="picture">
            <svg
                width="280"
                :height="at(rim.height_mm) + 50"
                role="img"
                :aria-label="`From the side: ${dimension(wide, units)} at the rim`"
            >
                <g :transform="`translate(140 ${at(rim.height_mm) + 26})`">
                    <TubMini :stations="sections(vessel.stations)" :scale="scale" :lid="lid" />
                    <text x="0" :y="top - 8" class="dim">{{ dimension(wide, units) }}</text>
                    <text x="0" y="16" class="dim">{{ dimension(deep, units) }}</text>
                    <text x="0" :y="top / 2" class="dim">{{ dimension(rim.height_mm, units) }} deep</text>
                </g>
            </svg>
            <Field id="tape-name" label="Call it"
                ><input
                    id="tape-name"
                    class="text"
                    maxlength="120"
                    :value="vessel.name"
                    @change="vessel = { ...vessel, name: ($event.target as HTMLInputElement).value.trim() || 'Measured tub' }"
                />
            </Field>
            <Measure
                label="Sold as"
                dimension="volume"
                optional
                :model-value="vessel.label_l ?? null"
                @update:model-value="(v) => (vessel = { ...vessel, label_l: v })"
            />
            <Toggle
                label="Walls"
                :model-value="vessel.opacity ?? 'opaque'"
                :options="[
                    { value: 'opaque', name: 'Opaque' },
                    { value: 'translucent', name: 'Milky' },
                    { value: 'clear', name: 'Clear' },
                ]"
                @update:model-value="(v) => (vessel = { ...vessel, opacity: v })"
            />
        </div>
    </div>
</template>

<style scoped>
.tape {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: 1.4rem;
    margin-top: 0.7rem;
}
.fields,
.picture {
    display: grid;
    gap: 0.55rem;
    align-content: start;
}
.picture svg {
    justify-self: center;
    max-width: 100%;
}
.dim {
    text-anchor: middle;
    font-size: 13px;
    fill: var(--ink);
    font-family: var(--grotesque);
}
@media (max-width: 760px) {
    .tape {
        grid-template-columns: 1fr;
    }
}
</style>
