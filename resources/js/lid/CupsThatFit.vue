<script setup lang="ts">
/** Cups of the Library that fit the hole as it is: for a lid that is drilled already. */
import { computed, ref, watch } from 'vue';
import { fromLibrary } from '../kit/edits';
import Fold from '../kit/Fold.vue';
import { fine, length } from '../kit/format';
import { useGarden } from '../kit/garden';
import { useTurns } from '../kit/turns';
import type { Answers, CupFit } from '../types/answers';
import type { Cup } from '../types/garden';

const garden = useGarden();
const units = garden.units;
const open = ref(false);
const cups = ref<CupFit[]>([]);
const { ask } = useTurns();
/** The cup that hangs in it now. */
const here = computed(() => garden.tubReport.value!.shape.cup.key);
const hole = computed(() => garden.tubReport.value!.hole.diameter_mm);

/** The hole stays as it is cut; the cup changes. */
function choose(key: string): void {
    const cut = Math.round(hole.value * 100) / 100;
    garden.changeTub('change the cup, keep the hole', (t) => {
        t.cup = fromLibrary(garden.library.cups, key) as Cup;
        t.hole_mm = cut;
    });
}

watch([open, hole], async ([now]) => {
    if (!now) return;
    const answer = await ask<Answers['cups']>('cups', { body: JSON.stringify({ hole_mm: hole.value }) });
    if (answer?.kind === 'done') cups.value = answer.data.cups.slice(0, 12);
});
</script>

<template>
    <Fold :title="`Cups for a hole of ${length(hole, units)}`" :open="open" @toggle="(now) => (open = now)">
        <p class="small faint">A lid that is drilled already: these hang in its holes as they are.</p>
        <ol class="ranked">
            <li v-for="c in cups" :key="c.cup">
                <button type="button" :aria-pressed="c.cup === here" @click="choose(c.cup)">
                    <b>{{ c.name }}</b>
                    <span class="faint small">{{
                        c.seat === 'lip'
                            ? `bears ${fine(c.bearing_mm, units)}, play ${fine(c.play_mm, units)}${c.good ? '' : ': poor'}`
                            : `wedges, stands ${length(c.raise_mm, units)} proud`
                    }}</span>
                </button>
            </li>
        </ol>
    </Fold>
</template>

<style scoped>
li button {
    display: grid;
}
</style>
