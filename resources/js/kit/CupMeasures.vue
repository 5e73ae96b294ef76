<script setup lang="ts">
/** The four measures of a cup of one's own. */
import type { Cup } from '../types/garden';
import Measure from './Measure.vue';
import { CUP } from './plausible';
import Toggle from './Toggle.vue';

type Whole = Exclude<Cup, string>;

const cup = defineModel<Whole>({ required: true });
defineProps<{ at?: string }>();

const FIELDS = [
    ['lip_diameter_mm', 'Lip Ø'],
    ['top_diameter_mm', 'Body Ø under the lip'],
    ['bottom_diameter_mm', 'Foot Ø'],
    ['height_mm', 'Depth under the lip'],
] as const;
</script>

<template>
    <div class="cup">
        <Measure
            v-for="[key, label] in FIELDS"
            :key="key"
            :label="label"
            :plausible="CUP"
            dimension="length"
            :model-value="cup[key]"
            :at="at === undefined ? '' : `${at}/${key}`"
            @update:model-value="(v) => v !== null && (cup = { ...cup, [key]: v })"
        />
        <Toggle
            label="It is"
            :model-value="cup.made ?? 'bought'"
            :options="[
                { value: 'bought', name: 'Bought' },
                { value: 'home', name: 'Made at home' },
            ]"
            @update:model-value="(made) => (cup = { ...cup, made })"
        />
    </div>
</template>

<style scoped>
.cup {
    display: grid;
    gap: 0.5rem;
}
</style>
