<script setup lang="ts">
/** Walls that keep the light out, and what the tub stands on. */
import { computed } from 'vue';
import Caution from '../kit/Caution.vue';
import Fold from '../kit/Fold.vue';
import { length } from '../kit/format';
import { useGarden } from '../kit/garden';
import Measure from '../kit/Measure.vue';
import Toggle from '../kit/Toggle.vue';
import { useVessel } from './vessel';

const garden = useGarden();
const { tub, report, at, vessel, cover, setTub, setVessel } = useVessel();
const units = garden.units;

const liner = computed(() => (typeof vessel.value.cover === 'object' ? vessel.value.cover.liner : null));
const shelf = computed(() => garden.document.value.site?.shelf_limit_kg ?? null);

function setCover(kind: string): void {
    setVessel('change the cover', (v) => {
        const bag = report.value.liner;
        v.cover = kind === 'liner' ? { liner: { width_mm: bag.sold_width_mm, length_mm: bag.sold_length_mm } } : (kind as 'none');
    });
}
</script>

<template>
    <Fold title="Walls and where it stands">
        <div class="stack">
            <Toggle
                label="Walls"
                :model-value="vessel.opacity ?? 'opaque'"
                :options="[
                    { value: 'opaque', name: 'Opaque' },
                    { value: 'translucent', name: 'Translucent' },
                    { value: 'clear', name: 'Clear' },
                ]"
                @update:model-value="
                    (x) =>
                        setVessel('change the walls', (v) => {
                            v.opacity = x;
                        })
                "
            />
            <Toggle
                label="Light cover"
                :model-value="cover"
                :options="[
                    { value: 'none', name: 'None' },
                    { value: 'paint', name: 'Paint' },
                    { value: 'foil', name: 'Foil' },
                    { value: 'sleeve', name: 'Sleeve' },
                    { value: 'liner', name: 'Bag' },
                ]"
                @update:model-value="setCover"
            />
            <Toggle
                v-if="cover !== 'none' && cover !== 'liner'"
                label="It goes on"
                :model-value="report.shape.cover_parts"
                :options="[
                    { value: 'both', name: 'Both' },
                    { value: 'walls', name: 'Walls' },
                    { value: 'lid', name: 'The lid' },
                ]"
                @update:model-value="
                    (x) =>
                        setVessel('change what is covered', (v) => {
                            v.cover_parts = x;
                        })
                "
            />
            <template v-if="liner">
                <Measure
                    label="Bag, flat width"
                    dimension="length"
                    :model-value="liner.width_mm"
                    :at="`${at}/vessel/cover`"
                    @update:model-value="
                        (x) =>
                            x !== null &&
                            setVessel('change the bag', (v) => {
                                if (typeof v.cover === 'object') v.cover.liner.width_mm = x;
                            })
                    "
                />
                <Measure
                    label="Bag, length"
                    dimension="length"
                    :model-value="liner.length_mm"
                    :at="`${at}/vessel/cover`"
                    @update:model-value="
                        (x) =>
                            x !== null &&
                            setVessel('change the bag', (v) => {
                                if (typeof v.cover === 'object') v.cover.liner.length_mm = x;
                            })
                    "
                />
                <p class="small faint">
                    At least {{ length(report.liner.least_width_mm, units) }} by {{ length(report.liner.least_length_mm, units) }}. Fill it
                    with water to smooth it, then trim.
                </p>
            </template>
            <Caution v-if="cover === 'paint'">
                Paint outdoors, with a mask, on the outside only: a dark coat, then a light one. Let it cure before it is used.
            </Caution>
            <Measure
                label="Stands on"
                dimension="length"
                :model-value="tub.stand_mm ?? 0"
                :at="`${at}/stand_mm`"
                @update:model-value="
                    (x) =>
                        x !== null &&
                        setTub('change the stand', (t) => {
                            t.stand_mm = x;
                        })
                "
            />
            <Measure
                label="Shelf bears"
                dimension="mass"
                optional
                :model-value="shelf === null ? null : shelf * 1000"
                at="/site/shelf_limit_kg"
                @update:model-value="
                    (x) =>
                        garden.change('change the shelf', (g) => {
                            (g.site ??= {}).shelf_limit_kg = x === null ? null : x / 1000;
                        })
                "
            />
        </div>
    </Fold>
</template>

<style scoped>
.stack {
    display: grid;
    gap: 0.7rem;
    padding-top: 0.5rem;
}
</style>
