<script setup lang="ts">
/** A meter that stands in this tub: put in, asked, seen to be there or away, and calibrated by two fluids. */
import type { Answers } from '../types/answers';
import { computed, ref, watch } from 'vue';
import type { Entry } from '../days/diary';
import { outbox } from '../days/outbox';
import { spoken, timeOf, wallClock } from '../kit/dates';
import { length, number } from '../kit/format';
import { useGarden } from '../kit/garden';
import Pick from '../kit/Pick.vue';
import Toggle from '../kit/Toggle.vue';
import { send, useTurns } from '../kit/turns';
import type { Calibration } from '../types/garden';

const props = defineProps<{ tub: string; copy: number; last: Entry | null }>();
const garden = useGarden();

/** The stand-in that ships with Kelp Tub, with the habits that a probe may have. */
const PROBES = [
    { value: 'steady', name: 'Well' },
    { value: 'drifting', name: 'Its pH drifts' },
    { value: 'worn', name: 'Its pH electrode is worn' },
    { value: 'stuck', name: 'It sticks' },
    { value: 'jumpy', name: 'It jumps' },
    { value: 'silent', name: 'It falls silent at eight' },
];
const isHere = (m: { tub: string; copy?: number }): boolean => m.tub === props.tub && (m.copy ?? 1) === props.copy;
const meter = computed(() => (garden.document.value.meters ?? []).find(isHere) ?? null);

function putIn(): void {
    const [tub, copy] = [props.tub, props.copy];
    garden.change('put a meter in', (g) => {
        g.meters = [...(g.meters ?? []), { tub, copy, probe: 'steady' }];
    });
}
function takeOut(): void {
    garden.change('take the meter out', (g) => {
        g.meters = (g.meters ?? []).filter((m) => !isHere(m));
    });
}
function change(says: string, edit: (m: NonNullable<typeof meter.value>) => void): void {
    garden.change(says, (g) => {
        const of = g.meters?.find(isHere);
        if (of) edit(of);
    });
}

/** A reading is old after so long, in days: it is asked every quarter of an hour. */
const OLD = 1 / 24;
const state = computed(() => {
    if (!props.last) return { is: 'new', says: 'It has not been heard yet.' };
    const hours = (timeOf(wallClock()) - timeOf(props.last.at)) * 24;
    const when =
        hours < 1 / 60
            ? 'just now'
            : hours < 1
              ? `${Math.max(0, Math.round(hours * 60))} minutes ago`
              : hours < 48
                ? `${Math.round(hours)} hours ago`
                : `on ${spoken(props.last.at, wallClock())}`;
    return hours / 24 > OLD ? { is: 'away', says: `Not heard since ${when}.` } : { is: 'there', says: `Heard ${when}.` };
});
const shows = computed(() => {
    const of = props.last;
    if (!of) return '';
    return [
        of.level_mm === undefined ? '' : length(of.level_mm, garden.units.value),
        of.ph === undefined ? '' : `pH ${number(of.ph, 2)}`,
        of.ec_ms_cm === undefined ? '' : `EC ${number(of.ec_ms_cm, 2)}`,
        of.water_c === undefined ? '' : `${number(of.water_c, 1)}\u202f°C`,
    ]
        .filter(Boolean)
        .join(', ');
});

const asking = ref(false);
const said = ref('');
/** With the garden as it stands: what was changed of the meter a moment ago counts. */
const place = (): object => ({ garden: garden.document.value, tub: props.tub, copy: props.copy, now: wallClock() });
async function askNow(): Promise<void> {
    asking.value = true;
    const answer = await send<{ away: string | null }>('Asking the meter', `gardens/${garden.id}/meter`, {
        body: JSON.stringify(place()),
    });
    asking.value = false;
    said.value = answer.kind === 'done' ? (answer.data.away ?? '') : 'message' in answer ? answer.message : '';
    if (answer.kind === 'done' && !answer.data.away) outbox.kept.value++;
}

/** Two fluids, one after the other. */
type What = 'ph' | 'ec';
const what = ref<What>('ph');
const FLUIDS: Record<What, { low: number[]; high: number[]; unit: string; name: string }> = {
    ph: { low: [4.01, 6.86], high: [7.01, 9.18, 10.01], unit: '', name: 'pH' },
    ec: { low: [0.084, 0.5, 1.413], high: [1.413, 2.76, 5], unit: '\u202fmS/cm', name: 'EC' },
};
const low = ref(4.01);
const high = ref(7.01);
const shown = ref<{ low: number | null; high: number | null }>({ low: null, high: null });
watch([what, () => props.tub, () => props.copy], () => {
    [low.value, high.value] = what.value === 'ph' ? [4.01, 7.01] : [0.5, 1.413];
    start();
});
function start(): void {
    shown.value = { low: null, high: null };
    judged.value = null;
    wrong.value = '';
}
const wrong = ref('');
const judged = ref<{ word: string; says: string } | null>(null);
const turns = useTurns();
async function hold(which: 'low' | 'high'): Promise<void> {
    const fluid = which === 'low' ? low.value : high.value;
    const answer = await turns.ask<{ shown: number | null; away: string | null }>(`gardens/${garden.id}/meter/hold`, {
        body: JSON.stringify({ ...place(), [what.value]: fluid }),
    });
    if (!answer) return;
    wrong.value = answer.kind === 'done' ? (answer.data.away ?? '') : 'message' in answer ? answer.message : '';
    if (answer.kind !== 'done' || answer.data.shown === null) return;
    shown.value = { ...shown.value, [which]: answer.data.shown };
    if (shown.value.low !== null && shown.value.high !== null) await judge();
}
const fluids = (): Calibration => ({
    at: wallClock(),
    low: low.value,
    low_shown: shown.value.low!,
    high: high.value,
    high_shown: shown.value.high!,
});
async function judge(): Promise<void> {
    const answer = await turns.ask<Answers['meter/judge']>('meter/judge', {
        body: JSON.stringify({ what: what.value, ...fluids() }),
    });
    judged.value = answer?.kind === 'done' ? answer.data : null;
    if (answer?.kind === 'refused') wrong.value = answer.faults.map((f) => `The other fluid ${f.message}.`).join(' ');
}
function goBy(): void {
    const [key, of] = [what.value, fluids()];
    change(`calibrate its ${FLUIDS[key].name}`, (m) => (m[key] = of));
    start();
}
const known = computed(() => {
    const of = meter.value?.[what.value];
    return of ? `Last calibrated on ${spoken(of.at, wallClock())}.` : 'Not calibrated yet.';
});
</script>

<template>
    <div class="meter" data-meter>
        <template v-if="meter">
            <p role="status">
                <b :class="state.is" data-state>{{ state.says }}</b> {{ shows }}
            </p>
            <p v-if="said" class="small wrong" role="alert">{{ said }}</p>
            <div class="acts">
                <button type="button" class="box" data-act="ask-meter" :disabled="asking" @click="askNow">Ask it now</button>
                <button type="button" class="word" data-act="take-meter" @click="takeOut">Take it out</button>
            </div>
            <Pick
                label="The stand-in’s habit"
                :model-value="meter.probe"
                :options="PROBES"
                @update:model-value="(v) => change('change the stand-in', (m) => (m.probe = v ?? 'steady'))"
            />
            <fieldset>
                <legend>Calibrate</legend>
                <Toggle
                    label="Probe"
                    :model-value="what"
                    :options="[
                        { value: 'ph', name: 'pH' },
                        { value: 'ec', name: 'EC' },
                    ]"
                    @update:model-value="(v) => (what = v)"
                />
                <p class="small faint">{{ known }} Rinse, dip, wait a minute; never pour a fluid back into its bottle.</p>
                <div v-for="which in ['low', 'high'] as const" :key="which" class="fluid">
                    <select
                        :aria-label="which === 'low' ? 'The lower fluid' : 'The higher fluid'"
                        class="text"
                        :value="which === 'low' ? low : high"
                        @change="
                            which === 'low'
                                ? (low = Number(($event.target as HTMLSelectElement).value))
                                : (high = Number(($event.target as HTMLSelectElement).value));
                            start();
                        "
                    >
                        <option v-for="v in FLUIDS[what][which]" :key="v" :value="v">{{ v }}{{ FLUIDS[what].unit }}</option>
                    </select>
                    <button type="button" class="box" :data-act="`hold-${which}`" @click="hold(which)">It is in it</button>
                    <span class="small">{{ shown[which] === null ? '' : `shows ${number(shown[which]!, 2)}` }}</span>
                </div>
                <p v-if="wrong" class="small wrong" role="alert">{{ wrong }}</p>
                <template v-if="judged">
                    <p class="small" :class="{ wrong: judged.word !== 'good' }" role="status" data-slope>{{ judged.says }}</p>
                    <button type="button" class="box strong" data-act="go-by" @click="goBy">Go by this from now on</button>
                </template>
            </fieldset>
        </template>
        <template v-else>
            <p class="small">
                Kelp Tub brings a stand-in for a meter on your network: it makes its readings up from the forecast, so that you can try one
                before you own one. It is asked every quarter of an hour; what it shows is marked as a meter’s.
            </p>
            <button type="button" class="box" data-act="put-meter" @click="putIn">Put a meter into this tub</button>
        </template>
    </div>
</template>

<style scoped>
.meter,
fieldset {
    display: grid;
    gap: 0.6rem;
}
fieldset {
    border: 1px solid var(--rule);
    margin: 0;
    padding: 0.5rem 0.6rem;
}
legend {
    font-weight: 600;
    font-family: var(--grotesque);
}
.acts {
    display: flex;
    gap: 0.9rem;
    align-items: center;
}
.fluid {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 0.3rem;
    align-items: center;
}
.there {
    color: var(--water-text);
}
.away,
.wrong {
    color: var(--stop-text);
}
</style>
