<script setup lang="ts">
/** What was poured in and how high it stood: two or more correct the measures. */
import { computed, ref } from 'vue';
import { deeds } from '../kit/deeds';
import Fold from '../kit/Fold.vue';
import Measure from '../kit/Measure.vue';
import Toggle from '../kit/Toggle.vue';
import { useVessel } from './vessel';

const { at, vessel, setVessel } = useVessel();

const fills = computed(() => vessel.value.fills ?? []);
const byScale = ref<'jug' | 'scale'>('jug');

/** A fill that is being written down: it counts once both its measures are there. */
const next = ref<{ litres: number | null; depth: number | null }>({ litres: null, depth: null });
function addFill(): void {
    const { litres, depth } = next.value;
    if (litres === null || depth === null) return;
    setVessel('add a known fill', (v) => {
        v.fills = [...(v.fills ?? []), { litres, depth_mm: depth }].sort((a, b) => a.depth_mm - b.depth_mm);
    });
    next.value = { litres: null, depth: null };
}
</script>

<template>
    <Fold title="Known fills" :open="fills.length > 0">
        <p class="small faint">Pour, read the tape, write all that is in it so far. Two or more correct the measures.</p>
        <Toggle
            v-model="byScale"
            label="Measured by"
            :options="[
                { value: 'jug', name: 'Jug' },
                { value: 'scale', name: 'Scale' },
            ]"
        />
        <fieldset v-for="(fill, i) in fills" :key="i">
            <legend>
                Fill {{ i + 1 }}
                <button
                    type="button"
                    class="word small"
                    @click="
                        setVessel('remove a known fill', (v) => {
                            v.fills!.splice(i, 1);
                        })
                    "
                >
                    Remove
                </button>
            </legend>
            <Measure
                v-if="byScale === 'jug'"
                label="Poured so far"
                dimension="volume"
                :model-value="fill.litres"
                :at="`${at}/vessel/fills/${i}/litres`"
                @update:model-value="
                    (x) =>
                        x !== null &&
                        setVessel('change a known fill', (v) => {
                            v.fills![i]!.litres = x;
                        })
                "
            />
            <Measure
                v-else
                label="Water weighs"
                dimension="mass"
                hint="The tub’s own weight taken off; a kilogram is a litre."
                :model-value="fill.litres * 1000"
                :at="`${at}/vessel/fills/${i}/litres`"
                @update:model-value="
                    (x) =>
                        x !== null &&
                        setVessel('change a known fill', (v) => {
                            v.fills![i]!.litres = x / 1000;
                        })
                "
            />
            <Measure
                label="Depth"
                dimension="length"
                :model-value="fill.depth_mm"
                :at="`${at}/vessel/fills/${i}/depth_mm`"
                @update:model-value="
                    (x) =>
                        x !== null &&
                        setVessel('change a known fill', (v) => {
                            v.fills![i]!.depth_mm = x;
                        })
                "
            />
        </fieldset>
        <fieldset>
            <legend>{{ fills.length ? 'Another fill' : 'A fill' }}</legend>
            <Measure
                v-if="byScale === 'jug'"
                :label="fills.length ? 'Poured in all' : 'Poured in'"
                dimension="volume"
                optional
                :model-value="next.litres"
                @update:model-value="(x) => (next.litres = x)"
            />
            <Measure
                v-else
                label="All water weighs"
                dimension="mass"
                optional
                :model-value="next.litres === null ? null : next.litres * 1000"
                @update:model-value="(x) => (next.litres = x === null ? null : x / 1000)"
            />
            <Measure
                label="Stands at"
                dimension="length"
                optional
                :model-value="next.depth"
                @update:model-value="(x) => (next.depth = x)"
            />
            <button
                type="button"
                class="box"
                data-act="add-fill"
                :disabled="(next.litres === null || next.depth === null) && !deeds.busy.value"
                @click="addFill"
            >
                Write it down
            </button>
        </fieldset>
    </Fold>
</template>

<style scoped>
fieldset {
    border: 0;
    padding: 0;
    margin: 0.5rem 0 0.7rem;
    display: grid;
    gap: 0.3rem;
}
legend {
    padding: 0;
    color: var(--faint);
    font-size: 0.875rem;
}
</style>
