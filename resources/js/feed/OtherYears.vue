<script setup lang="ts">
/** How the tub fares in other years of the same climate: asked for at a press, and gone when the garden changes. */
import { ref, watch } from 'vue';
import { number } from '../kit/format';
import { useGarden } from '../kit/garden';
import { useTurns } from '../kit/turns';
import type { Answers, Years } from '../types/answers';

const SEEDS = 20;
const WORDS: Record<string, string> = {
    'season.killed': 'something dies',
    'season.dry': 'it runs dry',
    'season.air': 'oxygen runs short',
    'season.warm': 'the water gets too warm',
    'season.cold': 'the water gets too cold',
    'season.slow': 'the harvest is late',
    'season.salt': 'the water gets too strong or too weak',
    'season.visits': 'it wants more than a visit a day',
    'season.overflow': 'it spills over',
    'passive.gap': 'the air gap is too small',
};

const garden = useGarden();
const years = ref<Years | null>(null);
const busy = ref(false);
const away = ref('');
const turns = useTurns();
watch([garden.document, garden.selected], () => {
    years.value = null;
    away.value = '';
});

async function ask(): Promise<void> {
    busy.value = true;
    const answer = await turns.ask<Answers['season']>('season', {
        body: JSON.stringify({
            garden: garden.document.value,
            tub: garden.selected.value,
            runs: [{ policy: {}, what_ifs: [] }],
            seeds: SEEDS,
        }),
    });
    busy.value = false;
    if (!answer) return;
    away.value = answer.kind === 'done' ? '' : 'message' in answer ? answer.message : 'That cannot be looked at here.';
    if (answer.kind === 'done') years.value = answer.data.years ?? null;
}
const of = (count: number): string => `${count} of ${years.value?.years} years`;
</script>

<template>
    <section class="years">
        <h3>In other years</h3>
        <template v-if="years">
            <p>
                In {{ of(years.harvests) }} it comes to harvest<template v-if="years.harvest_day"
                    >, on day {{ Math.floor(years.harvest_day[0]!) }} to {{ Math.floor(years.harvest_day[2]!) }},
                    {{ number(years.harvest_g![0]! / 1000, 1) }} to {{ number(years.harvest_g![2]! / 1000, 1, 'kg') }}</template
                >.
            </p>
            <ul v-if="years.findings.length">
                <li v-for="f in years.findings" :key="f.severity + f.code">
                    <span class="severity" :class="f.severity">{{ f.severity }}</span> {{ WORDS[f.code] ?? f.code }} in {{ of(f.years) }}
                </li>
            </ul>
            <p v-else>Nothing goes wrong in any of them.</p>
        </template>
        <button v-else type="button" class="word" :disabled="busy" @click="ask">
            {{ busy ? 'Looking …' : `Look at ${SEEDS} years` }}
        </button>
        <p v-if="away" class="small faint" role="status">{{ away }}</p>
    </section>
</template>

<style scoped>
.years {
    padding: 0.7rem 0;
}
h3 {
    font-size: 1rem;
    font-weight: 500;
    margin: 0 0 0.4rem;
}
p {
    margin: 0 0 0.3rem;
}
ul {
    list-style: none;
    margin: 0;
    padding: 0;
}
li {
    margin: 0.15rem 0;
}
.severity {
    font-weight: 650;
}
.stop {
    color: var(--stop);
}
.mend {
    color: var(--mend);
}
.mind {
    color: var(--mind);
}
</style>
