<script setup lang="ts">
/** What a thousand seasons would do to a tub under its own habits: told as they come, a few first, and stopped at a press. */
import { computed, ref, watch } from 'vue';
import { useGarden } from '../kit/garden';
import { number, weight } from '../kit/format';
import { useTurns } from '../kit/turns';
import type { Odds } from '../types/odds';
import { whyNot } from './run';

const props = defineProps<{ tub: string }>();
const garden = useGarden();

/** So many seasons are told of, one after the other. */
const STEPS = [20, 200, 1000];
/** A thousand seasons take a while on a slow machine, ms. */
const WITHIN_MS = 90_000;

const odds = ref<Odds | null>(null);
const wrong = ref('');
const turns = useTurns();
const running = ref(false);

async function ask(): Promise<void> {
    odds.value = null;
    wrong.value = '';
    running.value = true;
    for (const seeds of STEPS) {
        const answer = await turns.ask<Odds>('odds', {
            body: JSON.stringify({ garden: garden.document.value, tub: props.tub, seeds }),
            within: WITHIN_MS,
        });
        if (!answer || answer.kind === 'cancelled') break;
        if (answer.kind !== 'done') {
            wrong.value = whyNot(answer);
            break;
        }
        odds.value = answer.data;
    }
    running.value = false;
}
function stop(): void {
    turns.stop();
    running.value = false;
}
/** What was counted is of the design that it was counted for. */
watch(garden.document, () => {
    stop();
    odds.value = null;
});

const WORDS: Record<string, string> = {
    'heat-wave': 'heat',
    'power-cut': 'a power cut',
    'valve-shut': 'a valve knocked shut',
    'diaphragm-worn': 'a worn pump',
    'clogged-stone': 'a clogged stone',
    'light-leak': 'light on the water',
    'filled-to-brim': 'one who filled it up',
    'unrinsed-medium': 'pebbles not rinsed',
    'visitor-feeds': 'one who fed it too',
    'missed-week': 'a week away',
    'not-up': 'seed that did not come up',
    'the-design': 'the design itself',
    'thirst-or-appetite': 'thirst or appetite',
};
const through = computed(() => (odds.value ? `${odds.value.came_through} of ${number(odds.value.runs, 0)}` : ''));
const lost = computed(() =>
    Object.entries(odds.value?.killed_by ?? {})
        .sort(([, a], [, b]) => b - a)
        .slice(0, 3)
        .map(([kind, many]) => `${WORDS[kind] ?? kind} ${many}`)
        .join(', '),
);
const harvests = computed(() => {
    const [low, , high] = odds.value?.harvest_g ?? [];
    if (low === undefined || high === undefined) return '';
    const [least, most] = [weight(low, garden.units.value), weight(high, garden.units.value)];
    return least === most ? `some ${least}` : `${least} to ${most}`;
});
</script>

<template>
    <div class="odds">
        <p v-if="odds" class="small" role="status" data-odds>
            <b class="number">{{ through }}</b> seasons come through, with {{ harvests }}.<template v-if="lost">
                Lost by: {{ lost }}.</template
            >
        </p>
        <p v-if="odds?.helps_most" class="small">
            {{ odds.helps_most.says }}: {{ odds.helps_most.came_through }} of {{ odds.runs }}.
            <button type="button" class="word small" @click="garden.apply(odds.helps_most.says, odds.helps_most.patch)">Do so</button>
        </p>
        <p v-if="wrong" class="small wrong" role="alert">{{ wrong }}</p>
        <button v-if="running" type="button" class="word small" data-act="stop-odds" @click="stop">
            {{ odds ? 'Counting on. ' : 'Playing seasons. ' }}Stop
        </button>
        <button v-else-if="!odds" type="button" class="word small" data-act="odds" @click="ask">A thousand seasons</button>
    </div>
</template>

<style scoped>
.odds {
    display: grid;
    gap: 0.15rem;
    justify-items: start;
}
.wrong {
    color: var(--stop-text);
}
</style>
