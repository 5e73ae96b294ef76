<script setup lang="ts">
/** The floor from above: stones by hand. */
import { computed, ref, watch } from 'vue';
import { useGarden } from '../kit/garden';
import Measure from '../kit/Measure.vue';
import DrawingWithFields from './DrawingWithFields.vue';
import StonePlan from './StonePlan.vue';
import { useTubAir } from './tub';

const garden = useGarden();
const { tub, report, set } = useTubAir();
const units = garden.units;
const stone = ref<number | null>(null);
watch(garden.selected, () => (stone.value = null));
const places = computed(() => report.value.shape.stones?.at ?? []);
const at = computed(() => (stone.value === null ? null : (places.value[stone.value] ?? null)));
type Place = { x_mm: number; y_mm: number };
const lookAt = (to: Place[]): void =>
    garden.look((g) => {
        const t = g.tubs?.find((x) => x.id === tub.value.id);
        if (t?.stones) t.stones.at = to;
    });
const place = (to: Place[]): void =>
    set('move a stone', (t) => {
        t.stones!.at = to;
    });
function type(axis: 'x_mm' | 'y_mm', value: number | null): void {
    if (value === null || stone.value === null) return;
    place(places.value.map((p, i) => ({ x_mm: p.x_mm, y_mm: p.y_mm, ...(i === stone.value ? { [axis]: value } : {}) })));
}
</script>

<template>
    <DrawingWithFields>
        <StonePlan :tub="report" :units="units" :chosen="stone" @choose="(i) => (stone = i)" @look="lookAt" @move="place" />
        <template #beside>
            <h2>Floor from above</h2>
            <p class="small faint">Drag a stone, or choose it and use the arrow keys. The line follows and its pieces are cut anew.</p>
            <template v-if="at">
                <Measure
                    label="Right of the middle"
                    dimension="length"
                    :model-value="at.x_mm"
                    @update:model-value="(v) => type('x_mm', v)"
                />
                <Measure label="Behind the middle" dimension="length" :model-value="at.y_mm" @update:model-value="(v) => type('y_mm', v)" />
            </template>
            <button
                v-if="report.shape.stones?.by_hand"
                type="button"
                class="box"
                @click="
                    set('lay the stones under the cups', (t) => {
                        delete t.stones!.at;
                    })
                "
            >
                Lay them under the cups
            </button>
        </template>
    </DrawingWithFields>
</template>
