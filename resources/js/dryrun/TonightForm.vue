<script setup lang="ts">
/** What may be done this evening, and what was. */
import { readBare } from '../kit/bare';
import { computed, ref } from 'vue';
import Caution from '../kit/Caution.vue';
import Fold from '../kit/Fold.vue';
import Measure from '../kit/Measure.vue';
import type { Units } from '../kit/format';
import type { Decision, DryRun } from '../types/dry-run';
import { type Act, ACTS, type Deed, told } from './run';

const props = defineProps<{
    run: DryRun;
    tonight: Decision[];
    units: Units;
    /** Decides something; whether it was kept. */
    decide: (deed: Deed) => Promise<boolean>;
}>();
const emit = defineEmits<{ take: [decision: Decision] }>();

const may = computed(() => new Set<Act>(props.run.so_far.may));
const litres = ref<number | null>(null);
const ec = ref<number | null>(null);
const ph = ref('6.0');
const away = ref('7');
const wrong = ref('');

const AIR: Act[] = ['valve', 'clean-stone', 'restart-pump'];
const CARE: Act[] = ['cover', 'cool', 'wet-plugs', 'trim-roots', 'pick'];
const of = (acts: Act[]): Act[] => acts.filter((act) => may.value.has(act));

function act(what: Act, more: Omit<Deed, 'do'> = {}): Promise<boolean> {
    wrong.value = '';
    return props.decide({ do: what, ...more });
}
/** What was poured in is written anew; what was not taken, or was written meanwhile, stays. */
async function topUp(): Promise<void> {
    const poured = litres.value;
    const at = ec.value;
    if (poured === null) return void (wrong.value = 'Say how much: 2 L.');
    if (!(await act('top-up', { litres: poured, ...(at === null ? {} : { ec_ms_cm: at }) }))) return;
    if (litres.value === poured) litres.value = null;
    if (ec.value === at) ec.value = null;
}
function setPh(): void {
    const read = readBare(ph.value, { least: 4, most: 9 });
    if ('error' in read) return void (wrong.value = read.error);
    void act('ph', { ph: read.value });
}
function goAway(): void {
    const read = readBare(away.value, { least: 1, most: 60, whole: true });
    if ('error' in read) return void (wrong.value = read.error);
    void act('away', { days: read.value });
}
</script>

<template>
    <section class="tonight" aria-label="Tonight">
        <h2>Tonight</h2>
        <p v-if="!tonight.length" class="faint none">Nothing yet.</p>
        <ul v-else class="plain">
            <li v-for="(d, i) in tonight" :key="i">
                <span>{{ told(d, units) }}</span>
                <button type="button" class="word small" :aria-label="`Take back: ${told(d, units)}`" @click="emit('take', d)">
                    Take back
                </button>
            </li>
        </ul>
        <fieldset class="ruled">
            <legend>Water</legend>
            <Measure label="Top up" dimension="volume" :model-value="litres" optional @update:model-value="(v) => (litres = v)" />
            <Measure
                label="at EC"
                dimension="conductivity"
                :model-value="ec"
                optional
                hint="as planned where it is left empty"
                @update:model-value="(v) => (ec = v)"
            />
            <button type="button" class="box" data-act="top-up" @click="topUp">{{ ACTS['top-up'].says }}</button>
            <div class="pair">
                <button type="button" class="box" data-act="change" @click="act('change')">{{ ACTS.change.says }}</button>
                <button v-if="may.has('strengthen')" type="button" class="box" data-act="strengthen" @click="act('strengthen')">
                    {{ ACTS.strengthen.says }}
                </button>
            </div>
            <div class="with">
                <input v-model="ph" class="text" inputmode="decimal" aria-label="pH that it is set to" @keydown.enter.prevent="setPh" />
                <button type="button" class="box" data-act="ph" @click="setPh">{{ ACTS.ph.says }}</button>
            </div>
        </fieldset>
        <fieldset v-if="of(AIR).length" class="ruled">
            <legend>Air</legend>
            <div class="pair">
                <button v-for="a in of(AIR)" :key="a" type="button" class="box" :data-act="a" @click="act(a)">
                    {{ ACTS[a].says }}
                </button>
            </div>
        </fieldset>
        <Fold title="Care, and going away" :open="false">
            <div class="care">
                <button v-for="a in of(CARE)" :key="a" type="button" class="box" :data-act="a" @click="act(a)">
                    {{ ACTS[a].says }}
                </button>
                <div class="with">
                    <input v-model="away" class="text" inputmode="numeric" aria-label="Days away" @keydown.enter.prevent="goAway" />
                    <button type="button" class="box" data-act="away" @click="goAway">{{ ACTS.away.says }}, days</button>
                </div>
            </div>
        </Fold>
        <p v-if="wrong" class="small wrong" role="alert">{{ wrong }}</p>
        <Caution v-if="tonight.some((d) => d.do === 'ph')">
            In life: acid or base a drop at a time, into water and never water into it, with gloves and goggles.
        </Caution>
    </section>
</template>

<style scoped>
.tonight {
    display: grid;
    gap: 0.6rem;
}
ul li {
    display: flex;
    justify-content: space-between;
    align-items: baseline;
    gap: 0.5rem;
    border-bottom: 1px solid var(--rule);
}
/* As high as the first line of the list, so that nothing below moves when that comes. */
.none {
    border-bottom: 1px solid transparent;
}
.with {
    display: grid;
    grid-template-columns: 4.2rem 1fr;
    gap: 0.4rem;
}
.pair {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0.3rem;
}
.pair .box {
    padding-inline: 0.4rem;
}
.care {
    display: grid;
    gap: 0.3rem;
}
.wrong {
    color: var(--stop-text);
}
</style>
