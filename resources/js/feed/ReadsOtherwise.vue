<script setup lang="ts">
/** "It reads 2.3 and I want 1.6": what to take out and what to put in, for the water that is in the tub. */
import { computed, ref, watch } from 'vue';
import { number, volume } from '../kit/format';
import { useGarden } from '../kit/garden';
import Measure from '../kit/Measure.vue';
import { useTurns } from '../kit/turns';
import type { FeedDose } from '../types/report';
import { amount } from './amount';

interface Answer {
    litres: number;
    take_out_l: number;
    put_in_l: number;
    ec_ms_cm: number;
    after_ec_ms_cm: number;
    reaches: boolean;
    feed_known: boolean;
    parts: FeedDose[];
}

/** The day of the season that is looked at, by whose stage feed is mixed, and the EC that the tub should have then. */
const props = defineProps<{ day: number; usual: number | null }>();
const garden = useGarden();
const now = ref<number | null>(null);
const wanted = ref<number | null>(null);
const litres = ref<number | null>(null);
const answer = ref<Answer | null>(null);
const refused = ref('');
const want = computed(() => wanted.value ?? props.usual);

const { ask, stop } = useTurns();
watch([now, want, litres, () => props.day, garden.document, garden.selected], async () => {
    if (now.value === null || want.value === null) {
        stop();
        answer.value = null;
        return;
    }
    const result = await ask<Answer>('season/correct', {
        body: JSON.stringify({
            garden: garden.document.value,
            tub: garden.selected.value,
            now_ms_cm: now.value,
            wanted_ms_cm: want.value,
            litres: litres.value,
            day: props.day,
        }),
    });
    if (!result) return;
    answer.value = result.kind === 'done' ? result.data : null;
    refused.value = result.kind === 'refused' ? (result.faults[0]?.message ?? result.message) : '';
});
watch(garden.selected, () => {
    now.value = wanted.value = litres.value = null;
});

const named = (dose: FeedDose): string => `${dose.name} ${amount(dose)}`;
const says = computed(() => {
    const a = answer.value;
    if (!a) return [];
    if (a.take_out_l < 0.005 && a.put_in_l < 0.005) return ['It is right as it is.'];
    const units = garden.units.value;
    const plainWater = a.parts.every((p) => (p.ml ?? p.g ?? 0) < 0.005);
    return [
        a.take_out_l >= 0.005 ? `Take out ${volume(a.take_out_l, units)}.` : '',
        plainWater
            ? `Put in ${volume(a.put_in_l, units)} of water alone, stir, measure again.`
            : `Put in ${volume(a.put_in_l, units)} of water, then ${a.parts.map(named).join(', then ')}. Stir between, and measure again.`,
        !plainWater || a.ec_ms_cm < 0.005 || a.feed_known ? '' : 'Feed for it: choose one first, with its EC.',
        a.reaches ? '' : `It comes to ${number(a.after_ec_ms_cm, 2, 'mS/cm')} that way and no nearer.`,
    ].filter(Boolean);
});
</script>

<template>
    <section class="otherwise" aria-label="It reads otherwise">
        <h2>It reads otherwise on day {{ day }}?</h2>
        <div class="two">
            <Measure v-model="now" label="It reads" wide dimension="conductivity" optional />
            <Measure :model-value="want" label="I want" wide dimension="conductivity" optional @update:model-value="(v) => (wanted = v)" />
        </div>
        <Measure
            v-if="now !== null"
            v-model="litres"
            label="In the tub now"
            wide
            dimension="volume"
            optional
            hint="Left empty: filled to its line."
        />
        <p v-if="refused" class="wrong small">{{ refused }}</p>
        <p v-for="text in says" :key="text" role="status">{{ text }}</p>
    </section>
</template>

<style scoped>
.otherwise {
    display: grid;
    gap: 0.5rem;
    padding: 0.8rem 0;
}
.two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0.5rem;
}
.wrong {
    color: var(--stop-text);
}
</style>
