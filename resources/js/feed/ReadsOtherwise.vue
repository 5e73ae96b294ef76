<script setup lang="ts">
/** "It reads 2.3 and I want 1.6": what to take out and what to put in, for the water that is in the tub. */
import { computed, ref, watch } from 'vue';
import { number, volume } from '../kit/format';
import { useGarden } from '../kit/garden';
import Measure from '../kit/Measure.vue';
import { useTurns } from '../kit/turns';
import type { Correction, FeedDose } from '../types/answers';
import { amount } from './amount';

/** A correction that was done, as a log has it: what was read, what was left when water was out, and what was put in. */
export interface Corrected {
    ec_ms_cm: number;
    level_mm?: number;
    top_up_l?: number;
    dose?: Record<string, { ml?: number; g?: number }>;
}

/** The day of the season that is looked at, by whose stage feed is mixed, and the EC that the tub should have then. */
const props = defineProps<{
    day: number;
    usual: number | null;
    /** What is in the tub now as far as is known, L. */
    there?: number | null;
    /** Whether it can be written down as done. */
    writes?: boolean;
}>();
const emit = defineEmits<{ did: [done: Corrected] }>();
const garden = useGarden();
const now = ref<number | null>(null);
const wanted = ref<number | null>(null);
const litres = ref<number | null>(null);
const answer = ref<Correction | null>(null);
const refused = ref('');
const want = computed(() => wanted.value ?? props.usual);

const { ask, stop } = useTurns();
watch([now, want, litres, () => props.day, garden.document, garden.selected], async () => {
    if (now.value === null || want.value === null) {
        stop();
        answer.value = null;
        return;
    }
    const result = await ask<Correction>('season/correct', {
        body: JSON.stringify({
            garden: garden.document.value,
            tub: garden.selected.value,
            now_ms_cm: now.value,
            wanted_ms_cm: want.value,
            litres: litres.value ?? props.there ?? null,
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

/** Enough to be worth a jug, L; and of a part, g or mL. */
const SOME = 0.005;
function writeDown(): void {
    const a = answer.value;
    if (!a || now.value === null) return;
    const dose = Object.fromEntries(
        a.parts
            .filter((p) => (p.ml ?? p.g ?? 0) >= SOME)
            .map((p) => [p.name, p.ml === null || p.ml === undefined ? { g: p.g! } : { ml: p.ml }]),
    );
    emit('did', {
        ec_ms_cm: now.value,
        ...(a.take_out_l >= SOME ? { level_mm: Math.round(a.level_mm) } : {}),
        ...(a.put_in_l >= SOME ? { top_up_l: Math.round(a.put_in_l * 100) / 100 } : {}),
        ...(Object.keys(dose).length ? { dose } : {}),
    });
    now.value = wanted.value = litres.value = null;
}

const named = (dose: FeedDose): string => `${dose.name} ${amount(dose)}`;
const says = computed(() => {
    const a = answer.value;
    if (!a) return [];
    if (a.take_out_l < SOME && a.put_in_l < SOME) return ['It is right as it is.'];
    const units = garden.units.value;
    const plainWater = a.parts.every((p) => (p.ml ?? p.g ?? 0) < SOME);
    return [
        a.take_out_l >= SOME ? `Take out ${volume(a.take_out_l, units)}.` : '',
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
            :hint="there ? `Left empty: ${volume(there, garden.units.value)}, as it is forecast.` : 'Left empty: filled to its line.'"
        />
        <p v-if="refused" class="wrong small">{{ refused }}</p>
        <p v-for="text in says" :key="text" role="status">{{ text }}</p>
        <button
            v-if="writes && answer && (answer.put_in_l >= SOME || answer.take_out_l >= SOME)"
            type="button"
            class="box strong"
            data-act="write-correction"
            @click="writeDown"
        >
            Done: write it down
        </button>
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
