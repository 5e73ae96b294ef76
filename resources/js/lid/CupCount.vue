<script setup lang="ts">
/** How many cups: all that the tub carries, a number, or as many as go so far apart. */
import { computed, ref, watch } from 'vue';
import Counter from '../kit/Counter.vue';
import { deeds } from '../kit/deeds';
import { length } from '../kit/format';
import { useGarden } from '../kit/garden';
import Measure from '../kit/Measure.vue';
import Toggle from '../kit/Toggle.vue';
import { useTurns } from '../kit/turns';
import type { Answers } from '../types/answers';

const garden = useGarden();
const tub = computed(() => garden.tub.value!);
const layout = computed(() => garden.tubReport.value!.layout);
const most = computed(() => (tub.value.layout?.cups ?? 'max') === 'max');

type How = 'max' | 'number' | 'apart';
/** Kept as a number of cups, whichever of the two it was said by. */
const byDistance = ref(false);
const how = computed<How>(() => (most.value ? 'max' : byDistance.value ? 'apart' : 'number'));
watch(
    () => tub.value.id,
    () => {
        byDistance.value = false;
    },
);

function set(cups: number | 'max', says = 'change the number of cups'): void {
    garden.changeTub(says, (t) => {
        t.layout = { pattern: 'best', holes: null, ...t.layout, cups };
    });
}

function choose(next: How): void {
    byDistance.value = next === 'apart';
    set(next === 'max' ? 'max' : Math.max(1, layout.value.count));
}

const wanted = ref<number | null>(null);
/** Only the newest distance counts; what is done after it waits for its number. */
const { ask } = useTurns();
function apart(mm: number): void {
    wanted.value = mm;
    void deeds.run('Counting the cups that go so far apart', async (act) => {
        const answer = await ask<Answers['apart']>(`apart?tub=${encodeURIComponent(tub.value.id)}&mm=${mm}`, {
            body: JSON.stringify(garden.document.value),
        });
        if (answer?.kind === 'done') act(() => set(Math.max(1, answer.data.cups[0] ?? 1), 'put cups so far apart'));
    });
}
const shown = computed(() => wanted.value ?? layout.value.spacing_mm);
const note = computed(() => {
    const units = garden.units.value;
    const { count, spacing_mm } = layout.value;
    if (spacing_mm === null) return 'One cup: no two go so far apart.';
    return `${count} cups go on this lid, ${length(spacing_mm, units)} apart.`;
});
</script>

<template>
    <div class="cups">
        <Toggle
            label="Cups"
            :model-value="how"
            :options="[
                { value: 'max', name: 'All', title: 'All that it carries' },
                { value: 'number', name: 'So many' },
                { value: 'apart', name: 'Apart', title: 'As many as go so far apart' },
            ]"
            @update:model-value="choose"
        />
        <Counter
            v-if="how === 'number'"
            label="How many"
            :model-value="Number(tub.layout?.cups ?? 1)"
            @update:model-value="(v) => set(v)"
        />
        <Measure
            v-if="how === 'apart'"
            label="Apart, at least"
            dimension="length"
            :model-value="shown"
            :hint="note"
            @update:model-value="(v) => v !== null && v > 0 && apart(v)"
        />
    </div>
</template>

<style scoped>
.cups {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: 0.6rem;
}
</style>
