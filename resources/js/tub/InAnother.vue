<script setup lang="ts">
/** A lower vessel that this one stands in. */
import Caution from '../kit/Caution.vue';
import Fold from '../kit/Fold.vue';
import { useGarden } from '../kit/garden';
import { keyOf, vesselOptions } from '../kit/library';
import Measure from '../kit/Measure.vue';
import Pick from '../kit/Pick.vue';
import { useVessel } from './vessel';

const garden = useGarden();
const { tub, at, setTub, change } = useVessel();

function setUnder(key: string | null): void {
    const says = key ? 'stand it in another vessel' : 'take it out of the other vessel';
    void garden.ask(says, change('nest') + (key ? `&under=${encodeURIComponent(key)}` : ''));
}
</script>

<template>
    <Fold title="Stands in another vessel" :open="!!tub.under">
        <div class="stack">
            <Pick
                label="Lower vessel"
                :model-value="tub.under ? keyOf(tub.under.vessel) : null"
                :options="vesselOptions(garden.library, garden.units.value)"
                filter
                clearable
                placeholder="None"
                :at="`${at}/under/vessel`"
                @update:model-value="setUnder"
            />
            <Measure
                v-if="tub.under"
                label="On blocks of"
                dimension="length"
                :model-value="tub.under.blocks_mm ?? 0"
                :at="`${at}/under/blocks_mm`"
                @update:model-value="
                    (x) =>
                        x !== null &&
                        setTub('change the blocks', (t) => {
                            if (t.under) t.under.blocks_mm = x;
                        })
                "
            />
            <Caution v-if="tub.under">
                The pump lives below the water: a check valve is a must. Cord out by a drip loop, no plug inside.
            </Caution>
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
