<script setup lang="ts">
/** Ways under the cap: those of least harm that meet it together, at one press, and each by itself. */
import { useAsked } from '../kit/asked';
import { mass, money } from '../kit/format';
import { useGarden } from '../kit/garden';
import type { Savings } from '../types/answers';
import { harm } from './money';

const garden = useGarden();
const { answer, away } = useAsked<Savings>(garden, () => 'savings');
const does = (of: Parameters<typeof harm>[0]): string => harm(of, (kg) => mass(kg, garden.units.value));
</script>

<template>
    <div class="ways">
        <p v-if="away" class="wrong" role="alert">{{ away }}</p>
        <p v-if="!answer" class="faint" role="status">Working out what each way saves and spoils …</p>
        <template v-else>
            <section v-if="answer.set" class="set" data-set>
                <h2>Least harm under the cap</h2>
                <p>{{ answer.set.says }}.</p>
                <p>
                    <b>{{ money(answer.set.outlay) }}&#8239;{{ answer.currency }}</b> in place of {{ money(answer.outlay) }};
                    {{ does(answer.set) }}.
                </p>
                <button
                    type="button"
                    class="box strong"
                    data-act="apply-set"
                    @click="garden.apply('come under the cap', answer.set!.patch)"
                >
                    Do all of it
                </button>
                <p class="small faint">
                    One press takes it back: Undo.{{
                        answer.set.of_every ? '' : ' There are too many ways to try every set: these are the likeliest.'
                    }}
                </p>
            </section>
            <p v-else-if="answer.proof" class="set severity mend" data-proof>{{ answer.proof }}</p>
            <p v-else-if="answer.cap === null" class="faint">
                Set a cap on the left, and the ways under it of least harm are put together for you.
            </p>
            <p v-else class="faint">It is under the cap already.</p>
            <section v-if="answer.least && answer.least.outlay !== answer.set?.outlay" class="least" data-least>
                <p>
                    <b>With as many plants as now</b> the least is <b>{{ money(answer.least.outlay) }}&#8239;{{ answer.currency }}</b
                    >; {{ does(answer.least) }}.
                    <span class="faint">{{ answer.least.says }}.</span>
                </p>
                <button type="button" class="box" data-act="apply-least" @click="garden.apply('spend the least', answer.least!.patch)">
                    Do all of that
                </button>
            </section>
            <table v-if="answer.savings.length">
                <thead>
                    <tr>
                        <th scope="col" class="r">saves</th>
                        <th scope="col">by</th>
                        <th scope="col">and</th>
                        <td></td>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="s in answer.savings" :key="s.key" :data-saving="s.key">
                        <td class="r number">{{ money(s.saves) }}</td>
                        <td>{{ s.says }}</td>
                        <td>
                            <span v-if="s.stops > 0" class="severity stop">{{ does(s) }}</span>
                            <span v-else-if="s.mends > 0" class="severity mend">{{ does(s) }}</span>
                            <span v-else class="faint">{{ does(s) }}</span>
                        </td>
                        <td class="r">
                            <button type="button" class="word" @click="garden.apply(s.says.toLowerCase(), s.patch)">
                                do it<span class="hidden-visually">: {{ s.says }}</span>
                            </button>
                        </td>
                    </tr>
                </tbody>
            </table>
            <p v-else class="faint">There is nothing to save: everything is there, or at its cheapest.</p>
        </template>
    </div>
</template>

<style scoped>
.ways {
    /* What only screen readers are told stays in here. */
    position: relative;
    flex: 1;
    min-height: 0;
    overflow-y: auto;
}
.set {
    border: 1px solid var(--ink);
    background: var(--sheet);
    padding: 0.7rem 0.9rem;
    margin-bottom: 1rem;
    display: grid;
    gap: 0.35rem;
    justify-items: start;
}
.least {
    display: flex;
    flex-wrap: wrap;
    gap: 0.4rem 1rem;
    align-items: baseline;
    justify-content: space-between;
    margin: 0.6rem 0 1rem;
}
.least p {
    flex: 1 1 24rem;
    margin: 0;
}
table {
    font-size: 0.875rem;
    width: 100%;
}
td,
th {
    padding: 0.25rem 0.8rem 0.25rem 0;
    border-bottom: 1px solid var(--rule);
    vertical-align: baseline;
    text-align: left;
}
.r {
    text-align: right;
    white-space: nowrap;
}
.word {
    min-height: 28px;
}
.wrong {
    color: var(--stop-text);
}
@media (max-width: 760px) {
    .word {
        min-height: 44px;
    }
}
</style>
