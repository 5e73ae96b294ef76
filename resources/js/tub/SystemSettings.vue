<script setup lang="ts">
/** What a raft, a cloner or a nursery wants to be told besides. */
import Caution from '../kit/Caution.vue';
import Field from '../kit/Field.vue';
import Measure from '../kit/Measure.vue';
import NumberField from '../kit/NumberField.vue';
import Toggle from '../kit/Toggle.vue';
import { useVessel } from './vessel';

const { report, at, setTub } = useVessel();

function setDrip(key: 'flow_l_h' | 'on_min' | 'off_min', value: number): void {
    setTub('change the drip', (t) => {
        (t.nursery ??= {})[key] = value;
    });
}
</script>

<template>
    <div v-if="report.raft" class="stack">
        <Measure
            label="Board, thick"
            dimension="length"
            :model-value="report.raft.thickness_mm"
            :at="`${at}/raft/thickness_mm`"
            @update:model-value="
                (x) =>
                    x !== null &&
                    setTub('change the board', (t) => {
                        (t.raft ??= {}).thickness_mm = x;
                    })
            "
        />
        <Measure
            label="Gap to the wall"
            dimension="length"
            :model-value="report.raft.gap_mm"
            :at="`${at}/raft/gap_mm`"
            @update:model-value="
                (x) =>
                    x !== null &&
                    setTub('change the gap', (t) => {
                        (t.raft ??= {}).gap_mm = x;
                    })
            "
        />
        <Measure
            label="Water below the rim"
            dimension="length"
            :model-value="report.levels.rim_mm - report.levels.water_line_mm"
            :at="`${at}/raft/below_rim_mm`"
            @update:model-value="
                (x) =>
                    x !== null &&
                    setTub('change the line', (t) => {
                        (t.raft ??= {}).below_rim_mm = x;
                    })
            "
        />
    </div>
    <div v-if="report.cloner" class="stack">
        <Measure
            label="Stems below the cup"
            dimension="length"
            :model-value="report.cloner.stem_below_cup_mm"
            :at="`${at}/cloner/stem_below_cup_mm`"
            @update:model-value="
                (x) =>
                    x !== null &&
                    setTub('change the stems', (t) => {
                        (t.cloner ??= {}).stem_below_cup_mm = x;
                    })
            "
        />
        <Toggle
            label="Held by"
            :model-value="report.cloner.collar ? 'collar' : 'pebbles'"
            :options="[
                { value: 'collar', name: 'Foam collars' },
                { value: 'pebbles', name: 'Pebbles' },
            ]"
            @update:model-value="
                (v) =>
                    setTub('change what holds the stems', (t) => {
                        (t.cloner ??= {}).collar = v === 'collar';
                    })
            "
        />
    </div>
    <div v-if="report.nursery" class="stack">
        <Field id="drip-flow" label="Water pump, L/h"
            ><NumberField
                id="drip-flow"
                name="flow_l_h"
                :least="0"
                :most="10000"
                above
                :value="report.nursery.flow_l_h"
                :set="(v) => setDrip('flow_l_h', v!)"
            />
        </Field>
        <div class="pair">
            <Field id="drip-on" label="On, min"
                ><NumberField
                    id="drip-on"
                    name="on_min"
                    :least="0"
                    :most="1440"
                    above
                    :value="report.nursery.on_min"
                    :set="(v) => setDrip('on_min', v!)"
                />
            </Field>
            <Field id="drip-off" label="Off, min"
                ><NumberField
                    id="drip-off"
                    name="off_min"
                    :least="0"
                    :most="1440"
                    :value="report.nursery.off_min"
                    :set="(v) => setDrip('off_min', v!)"
                />
            </Field>
        </div>
        <Caution>
            Electricity near water: a socket with residual-current protection, a drip loop in the cord, timer and plug above the water.
            Fixed wiring is for a licensed electrician.
        </Caution>
    </div>
</template>

<style scoped>
.stack {
    display: grid;
    gap: 0.7rem;
    padding-top: 0.5rem;
}
.pair {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0.6rem;
}
</style>
