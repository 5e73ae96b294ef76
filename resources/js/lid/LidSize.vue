<script setup lang="ts">
/** The lid from outside, edge to edge. One that was not measured goes with the rim; one that was keeps its size. */
import { computed } from 'vue';
import { vesselInPlace } from '../kit/edits';
import { useGarden } from '../kit/garden';
import Measure from '../kit/Measure.vue';
import { VESSEL } from '../kit/plausible';
import type { Vessel } from '../types/garden';

type Lid = NonNullable<Exclude<Vessel, string>['lid']>;

const garden = useGarden();
const report = computed(() => garden.tubReport.value!);
const lid = computed(() => report.value.shape.lid);
const at = computed(() => `/tubs/${garden.index.value}/vessel/lid`);
const measured = computed(() => {
    const vessel = garden.tub.value!.vessel;
    return typeof vessel !== 'string' && vessel.lid?.measured === true;
});

function change(says: string, size: Partial<Lid>): void {
    garden.changeTub(says, (t) => {
        const vessel = vesselInPlace(t, garden.library);
        // All of its size is said, so that what was left to the rim does not change with it.
        const { length_mm, width_mm, corner_radius_mm } = lid.value;
        const whole = lid.value.round ? { diameter_mm: length_mm } : { length_mm, width_mm, corner_radius_mm };
        vessel.lid = { ...vessel.lid, ...whole, ...size };
    });
}

function set(key: 'diameter_mm' | 'length_mm' | 'width_mm', value: number | null): void {
    if (value !== null) change('measure the lid', { [key]: value, measured: true });
}

/** Back over the rim as it is measured. */
function follow(): void {
    const rim = report.value.shape.stations.at(-1)!;
    const each = report.value.limits.lid_over_rim_mm;
    const over = (mm: number): number => Math.round(mm + 2 * each);
    change('let the lid go with the rim', {
        ...(lid.value.round
            ? { diameter_mm: over(rim.length_mm) }
            : {
                  length_mm: over(rim.length_mm),
                  width_mm: over(rim.width_mm),
                  corner_radius_mm: Math.round(rim.corner_radius_mm + each),
              }),
        measured: false,
    });
}
</script>

<template>
    <fieldset class="ruled" data-lid-size>
        <legend>Lid, outside</legend>
        <Measure
            v-if="lid.round"
            label="Lid Ø"
            :plausible="VESSEL"
            dimension="length"
            :model-value="lid.length_mm"
            :at="`${at}/diameter_mm`"
            @update:model-value="(v) => set('diameter_mm', v)"
        />
        <template v-else>
            <Measure
                label="Lid length"
                :plausible="VESSEL"
                dimension="length"
                :model-value="lid.length_mm"
                :at="`${at}/length_mm`"
                @update:model-value="(v) => set('length_mm', v)"
            />
            <Measure
                label="Lid width"
                :plausible="VESSEL"
                dimension="length"
                :model-value="lid.width_mm"
                :at="`${at}/width_mm`"
                @update:model-value="(v) => set('width_mm', v)"
            />
        </template>
        <p class="small faint">
            <template v-if="measured">
                As you measured it.
                <button type="button" class="word small" @click="follow">Let it go with the rim</button>
            </template>
            <template v-else>Goes with the rim until you measure it.</template>
        </p>
    </fieldset>
</template>
