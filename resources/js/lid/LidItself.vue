<script setup lang="ts">
/** The lid as it is made: how it lies on the rim, and what of it has to stay clear. */
import { computed } from 'vue';
import { vesselInPlace } from '../kit/edits';
import Fold from '../kit/Fold.vue';
import { length } from '../kit/format';
import { useGarden } from '../kit/garden';
import Measure from '../kit/Measure.vue';
import Toggle from '../kit/Toggle.vue';
import type { KeepOut, Lid } from '../types/garden';
import LidSize from './LidSize.vue';

const garden = useGarden();
const report = computed(() => garden.tubReport.value!);
const at = computed(() => `/tubs/${garden.index.value}/vessel/lid`);
const lid = computed(() => report.value.shape.lid);
const above = computed(() => report.value.levels.lid_top_mm - report.value.levels.rim_mm);
const keepOuts = computed(() => lid.value.keep_outs);

function set(says: string, edit: (lid: Lid) => void): void {
    garden.changeTub(says, (t) => {
        const vessel = vesselInPlace(t, garden.library);
        edit((vessel.lid ??= {}));
    });
}

function setKeepOut(i: number, key: keyof KeepOut, value: number | null): void {
    if (value !== null)
        set('change a keep-out', (l) => {
            l.keep_outs![i]![key] = value;
        });
}

/** A rib from edge to edge across the lid, or a latch of a few centimetres at its edge. */
function add(kind: 'rib' | 'latch'): void {
    const { round, length_mm, width_mm } = lid.value;
    set('add a keep-out', (l) => {
        const half = Math.round(width_mm / 2);
        (l.keep_outs ??= []).push(
            kind === 'rib'
                ? { x_mm: 0, y_mm: 0, length_mm: 20, width_mm: Math.round(width_mm - (round ? 2 : 20)) }
                : { x_mm: 0, y_mm: half - 20, length_mm: Math.min(60, Math.round(length_mm / 3)), width_mm: 40 },
        );
    });
}
</script>

<template>
    <Fold title="The lid itself">
        <div class="stack">
            <LidSize />
            <Toggle
                label="Make"
                :model-value="lid.make"
                :options="[
                    { value: 'ribbed', name: 'Ribbed' },
                    { value: 'plain', name: 'Plain' },
                    { value: 'thin', name: 'Thin' },
                ]"
                @update:model-value="
                    (v) =>
                        set('change the lid', (l) => {
                            l.make = v;
                        })
                "
            />
            <Measure
                label="Thickness"
                dimension="length"
                :model-value="lid.thickness_mm"
                :at="`${at}/thickness_mm`"
                @update:model-value="
                    (x) =>
                        x !== null &&
                        set('change the lid', (l) => {
                            l.thickness_mm = x;
                        })
                "
            />
            <Toggle
                label="Its upper face lies"
                :model-value="above < -0.01 ? 'in' : above > 0.01 ? 'over' : 'level'"
                :options="[
                    { value: 'in', name: 'Sunk in' },
                    { value: 'level', name: 'Level' },
                    { value: 'over', name: 'Raised' },
                ]"
                @update:model-value="
                    (v) =>
                        set('change how the lid lies', (l) => {
                            l.top_above_rim_mm = v === 'level' ? 0 : v === 'in' ? -10 : 10;
                        })
                "
            />
            <Measure
                v-if="Math.abs(above) > 0.01"
                :label="above < 0 ? 'Below the rim' : 'Above the rim'"
                dimension="length"
                :model-value="Math.abs(above)"
                :at="`${at}/top_above_rim_mm`"
                @update:model-value="
                    (x) =>
                        x !== null &&
                        set('change how the lid lies', (l) => {
                            l.top_above_rim_mm = above < 0 ? -x : x;
                        })
                "
            />
            <h3>Keep clear</h3>
            <p v-if="!keepOuts.length" class="small faint">
                Latches, handles and ribs: cups stay {{ length(report.limits.keep_out_mm, garden.units.value) }} off them. Ribs from edge to
                edge make panels.
            </p>
            <fieldset v-for="(k, i) in keepOuts" :key="i" :data-keep-out="i">
                <legend>
                    Keep-out {{ i + 1 }}
                    <button
                        type="button"
                        class="word small"
                        @click="
                            set('remove a keep-out', (l) => {
                                l.keep_outs!.splice(i, 1);
                            })
                        "
                    >
                        Remove
                    </button>
                </legend>
                <Measure
                    label="Right of the middle"
                    dimension="length"
                    :model-value="k.x_mm"
                    :at="`${at}/keep_outs/${i}/x_mm`"
                    @update:model-value="(v) => setKeepOut(i, 'x_mm', v)"
                />
                <Measure
                    label="Back of the middle"
                    dimension="length"
                    :model-value="k.y_mm"
                    :at="`${at}/keep_outs/${i}/y_mm`"
                    @update:model-value="(v) => setKeepOut(i, 'y_mm', v)"
                />
                <Measure
                    v-if="k.round"
                    label="Ø"
                    dimension="length"
                    :model-value="k.length_mm"
                    :at="`${at}/keep_outs/${i}/diameter_mm`"
                    @update:model-value="(v) => setKeepOut(i, 'diameter_mm', v)"
                />
                <template v-else>
                    <Measure
                        label="Left to right"
                        dimension="length"
                        :model-value="k.length_mm"
                        :at="`${at}/keep_outs/${i}/length_mm`"
                        @update:model-value="(v) => setKeepOut(i, 'length_mm', v)"
                    />
                    <Measure
                        label="Front to back"
                        dimension="length"
                        :model-value="k.width_mm"
                        :at="`${at}/keep_outs/${i}/width_mm`"
                        @update:model-value="(v) => setKeepOut(i, 'width_mm', v)"
                    />
                </template>
            </fieldset>
            <div class="row">
                <button type="button" class="box" data-act="add-rib" @click="add('rib')">Add a rib</button>
                <button type="button" class="box" data-act="add-latch" @click="add('latch')">Add a latch</button>
            </div>
        </div>
    </Fold>
</template>

<style scoped>
.stack {
    display: grid;
    gap: 0.6rem;
    padding-top: 0.4rem;
}
fieldset {
    border: 0;
    padding: 0;
    margin: 0;
    display: grid;
    gap: 0.3rem;
}
legend {
    padding: 0;
    color: var(--faint);
    font-size: 0.875rem;
}
.row {
    display: flex;
    gap: 0.4rem;
}
</style>
