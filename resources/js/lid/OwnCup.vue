<script setup lang="ts">
/** The tub's cup by its own measures, where it is none of the Library's. */
import { computed } from 'vue';
import CupMeasures from '../kit/CupMeasures.vue';
import Fold from '../kit/Fold.vue';
import { useGarden } from '../kit/garden';
import type { Cup } from '../types/garden';

const garden = useGarden();
const at = computed(() => `/tubs/${garden.index.value}/cup`);
const shown = computed(() => garden.tubReport.value!.shape.cup);
const own = computed(() => typeof garden.tub.value!.cup === 'object');
const cup = computed<Exclude<Cup, string>>(() => {
    const given = garden.tub.value!.cup;
    if (typeof given === 'object') return given;
    const { lip_diameter_mm, top_diameter_mm, bottom_diameter_mm, height_mm } = shown.value;
    const made = garden.library.cups.find((c) => c.key === shown.value.key)?.made ?? 'bought';
    return { name: shown.value.name, lip_diameter_mm, top_diameter_mm, bottom_diameter_mm, height_mm, made };
});

/** What is changed is the grower's own, and no longer the Library's. */
function change(next: Exclude<Cup, string>): void {
    const { key: _, ...measures } = next;
    garden.changeTub('measure the cup', (t) => {
        t.cup = { ...measures, name: own.value ? (next.name ?? 'Your own cup') : 'Your own cup' };
    });
}
</script>

<template>
    <Fold title="Its measures">
        <CupMeasures class="own" :model-value="cup" :at="at" @update:model-value="change" />
    </Fold>
</template>

<style scoped>
.own {
    padding-top: 0.4rem;
}
</style>
