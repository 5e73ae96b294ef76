<script setup lang="ts">
/** How it came out: what each decision was worth, what had been hidden, and what to do otherwise. */
import { computed } from 'vue';
import { number, type Units, weight } from '../kit/format';
import type { DryRun, Ending } from '../types/dry-run';
import { LEAST_WORTH_G, told } from './run';

const props = defineProps<{ run: DryRun; end: Ending; units: Units }>();
const emit = defineEmits<{ offer: [way: Ending['otherwise'][number]]; back: [day: number] }>();

/** Looks are left out: they change nothing. */
const decided = computed(() => props.end.decisions.filter((d) => d.do !== 'look'));
const worth = (g: number): string => (Math.abs(g) < LEAST_WORTH_G ? 'nothing' : `${g > 0 ? '+' : '\u2212'}${number(Math.abs(g), 0, 'g')}`);
const ADVISED: Record<string, string> = { 'top-up': 'top up', change: 'change', strengthen: 'stir feed in', nothing: 'nothing' };
const outcome = computed(() => {
    const { harvest_g: got, best_g: best, killed_day: died } = props.end;
    if (died !== null && got <= 0) return `Lost on day ${died}. ${weight(best, props.units)} could have been brought in.`;
    const share = best > 0 ? Math.round((100 * got) / best) : 0;
    return `${weight(got, props.units)} picked, ${share} % of the ${weight(best, props.units)} that there were to be had.`;
});
</script>

<template>
    <div class="ending">
        <p class="outcome" data-outcome>{{ outcome }}</p>
        <p v-if="run.lesson" class="small" role="status" data-reached>
            <b>{{ run.lesson.reached ? 'The goal is reached.' : 'The goal is not reached yet.' }}</b>
            {{ run.lesson.reached ? run.lesson.title + ' is learned.' : 'Go back to an evening, or begin again.' }}
        </p>
        <div v-if="end.otherwise.length">
            <h2>To do otherwise</h2>
            <ol class="otherwise">
                <li v-for="way in end.otherwise" :key="way.says" data-otherwise>
                    {{ way.says }}
                    <button v-if="way.patch && run.garden?.differs" type="button" class="box" @click="emit('offer', way)">
                        Change the design so
                    </button>
                </li>
            </ol>
        </div>
        <div v-if="decided.length">
            <h2>What you decided</h2>
            <table>
                <thead>
                    <tr>
                        <th scope="col">day</th>
                        <th scope="col">you</th>
                        <th scope="col">the plan</th>
                        <th scope="col" class="right">worth</th>
                    </tr>
                </thead>
                <tbody>
                    <tr
                        v-for="(d, i) in decided"
                        :key="i"
                        :class="d.worth_g > LEAST_WORTH_G ? 'good' : d.worth_g < -LEAST_WORTH_G ? 'bad' : ''"
                    >
                        <td>
                            <button type="button" class="word" :aria-label="`Go back to day ${d.day}`" @click="emit('back', d.day)">
                                {{ d.day }}
                            </button>
                        </td>
                        <td>{{ told(d, units) }}</td>
                        <td>{{ d.advised === null ? '' : (ADVISED[d.advised] ?? d.advised) }}</td>
                        <td class="right worth">{{ worth(d.worth_g) }}</td>
                    </tr>
                </tbody>
            </table>
        </div>
        <p v-else class="faint">You did nothing.</p>
    </div>
</template>

<style scoped>
.ending {
    display: grid;
    gap: 0.8rem;
    align-content: start;
    overflow-y: auto;
    min-height: 0;
    padding-right: 0.4rem;
    scrollbar-width: thin;
}
.outcome {
    font-family: var(--grotesque);
    font-size: 1.25rem;
    font-weight: 650;
    line-height: 1.25;
}
.otherwise {
    margin: 0.3rem 0 0;
    padding-left: 1.2rem;
    display: grid;
    gap: 0.4rem;
}
.otherwise .box {
    display: block;
    margin-top: 0.25rem;
}
td,
th {
    padding: 0.1rem 0.6rem 0.1rem 0;
    border-bottom: 1px solid var(--rule);
    vertical-align: baseline;
}
.right {
    text-align: right;
    white-space: nowrap;
}
.good .worth {
    color: var(--kelp);
    font-weight: 650;
}
.bad .worth {
    color: var(--stop-text);
    font-weight: 650;
}
</style>
