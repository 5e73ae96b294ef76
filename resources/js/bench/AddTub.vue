<script setup lang="ts">
/** Choosing a new tub: the vessels drawn at one scale or one by tape, then how it is run, its cup and its crop. */
import type { Advice } from '../types/answers';
import Dialog from 'primevue/dialog';
import { computed, ref, watch } from 'vue';
import { sections } from '../drawing/shape';
import TubMini from '../drawing/TubMini.vue';
import { arrows } from '../kit/arrows';
import CupMeasures from '../kit/CupMeasures.vue';
import { volume } from '../kit/format';
import { useControls } from '../kit/controls';
import { useGarden } from '../kit/garden';
import { cropOptions, cupOptions, soldFirst } from '../kit/library';
import Pick from '../kit/Pick.vue';
import { SYSTEMS } from '../kit/systems';
import Toggle from '../kit/Toggle.vue';
import { useTurns } from '../kit/turns';
import type { Cup, Tub, Vessel } from '../types/garden';
import ByTape from './ByTape.vue';
import DrilledLid from './DrilledLid.vue';
import { drilledHoles, type Drilled } from './drilled';
import { blank, type Taped } from './tape';

const props = defineProps<{ visible: boolean }>();
const emit = defineEmits<{ 'update:visible': [visible: boolean]; added: [tub: string] }>();

useControls();
const garden = useGarden();
const vessels = soldFirst(garden.library.vessels, garden.units.value);
const vessel = ref(garden.units.value === 'us' ? 'bucket-19' : 'bucket-20');
const taped = ref<Taped>(blank('round'));
const kind = ref<'bucket' | 'tote' | 'jar' | 'other' | 'own' | 'tape'>('bucket');

/** What the grower chose; what was not chosen is advised, and follows the vessel and the crop. */
const run = ref<Tub['system'] | null>(null);
const cropChosen = ref<string | null | undefined>(undefined);
const cupChosen = ref<string | null>(null);
const ownCup = ref<Exclude<Cup, string> | null>(null);
const advised = ref<Advice>({ system: 'aerated', crop: null, cup: 'net-cup-50' });
const system = computed(() => run.value ?? advised.value.system);
const crop = computed(() => (cropChosen.value === undefined ? advised.value.crop : cropChosen.value));
const cup = computed(() => cupChosen.value ?? advised.value.cup);
const started = ref<NonNullable<Tub['started']>>('plug');
const drilled = ref<Drilled | null>(null);

const SCALE = 0.13;
const SHELVES: string[] = ['bucket', 'tote', 'jar'];
const shown = computed(() =>
    vessels.filter((v) =>
        kind.value === 'own' ? v.own : !v.own && (kind.value === 'other' ? !SHELVES.includes(v.kind ?? '') : v.kind === kind.value),
    ),
);
const tabs = computed(() => [
    { value: 'bucket' as const, name: 'Buckets' },
    { value: 'tote' as const, name: 'Totes' },
    { value: 'jar' as const, name: 'Jars' },
    { value: 'other' as const, name: 'Others' },
    ...(vessels.some((v) => v.own) ? [{ value: 'own' as const, name: 'Your own' }] : []),
    { value: 'tape' as const, name: 'By tape' },
]);
const byTape = computed(() => kind.value === 'tape');
const chosen = computed(() => vessels.find((v) => v.key === vessel.value)!);
const given = computed<Vessel>(() => (byTape.value ? taped.value : vessel.value));
const rim = computed(() => (byTape.value ? taped.value : chosen.value).stations.at(-1)!);

const { ask } = useTurns();
let advising: Promise<void> = Promise.resolve();
/** What a garden would refuse of it: a measure beyond its limits. */
const fault = ref('');
async function advise(): Promise<void> {
    const answer = await ask<Advice>('advice', {
        body: JSON.stringify({ vessel: given.value, system: run.value, crop: cropChosen.value ?? null }),
    });
    if (!answer) return;
    fault.value = answer.kind === 'refused' ? (answer.faults[0]?.message ?? answer.message) : '';
    if (answer.kind === 'done') advised.value = answer.data;
}

watch(kind, () => {
    if (!byTape.value && !shown.value.some((v) => v.key === vessel.value)) vessel.value = shown.value[0]!.key;
});
watch([given, cropChosen, run], () => {
    advising = advise();
});
watch(
    () => props.visible,
    (now) => {
        if (!now) return;
        kind.value = 'bucket';
        taped.value = blank('round');
        run.value = cupChosen.value = ownCup.value = drilled.value = null;
        cropChosen.value = undefined;
        started.value = 'plug';
        fault.value = '';
        advising = advise();
    },
);

const OWN_CUP: Exclude<Cup, string> = {
    name: 'Your own cup',
    lip_diameter_mm: 58,
    top_diameter_mm: 50,
    bottom_diameter_mm: 36,
    height_mm: 52,
    made: 'bought',
};
/** It begins with the measures of the cup that it takes the place of. */
function measureCup(): void {
    const { key: _, own: __, ...like } = garden.library.cups.find((c) => c.key === cup.value) ?? { ...OWN_CUP, key: '', own: false };
    ownCup.value = { ...like, name: OWN_CUP.name as string };
}

const adding = ref(false);
async function add(): Promise<void> {
    adding.value = true;
    await advising;
    const tub = {
        name: byTape.value ? taped.value.name : chosen.value.name,
        system: system.value,
        vessel: given.value,
        cup: ownCup.value ?? cup.value,
        crop: crop.value,
        ...(started.value === 'plug' ? {} : { started: started.value }),
        ...(drilled.value ? drilledHoles(drilled.value) : {}),
    };
    const added = await garden.askOnce('add a tub', 'edits/add', () => ({ garden: garden.document.value, tub }));
    adding.value = false;
    if (!added?.tub) {
        fault.value = garden.refusal.value?.faults[0]?.message ?? 'It could not be added. Try again in a moment.';
        return;
    }
    garden.choose(added.tub);
    emit('update:visible', false);
    emit('added', added.tub);
}
</script>

<template>
    <Dialog
        :visible="visible"
        modal
        header="A tub for the bench"
        :style="{ width: 'min(62rem, 96vw)' }"
        @update:visible="(v: boolean) => emit('update:visible', v)"
    >
        <div class="add">
            <div class="vessels">
                <Toggle v-model="kind" label="Vessel" :options="tabs" />
                <ByTape v-if="byTape" v-model="taped" />
                <div v-else class="shelf" role="listbox" aria-label="Vessels of the Library, at one scale" @keydown="arrows">
                    <button
                        v-for="v in shown"
                        :key="v.key"
                        type="button"
                        role="option"
                        :tabindex="v.key === vessel ? 0 : -1"
                        :aria-selected="v.key === vessel"
                        :data-vessel="v.key"
                        @click="vessel = v.key"
                    >
                        <svg width="104" height="68" aria-hidden="true">
                            <g transform="translate(52 66)">
                                <TubMini
                                    :stations="sections(v.stations)"
                                    :scale="SCALE"
                                    :lid="v.lid?.diameter_mm ?? v.lid?.length_mm ?? 0"
                                />
                            </g>
                        </svg>
                        <span class="small">{{ v.name }}</span>
                    </button>
                </div>
                <DrilledLid v-model="drilled" class="drilled" :rim="rim" :round="rim.diameter_mm !== undefined" />
            </div>
            <div class="rest">
                <div class="run" role="group" aria-labelledby="add-run">
                    <span id="add-run" class="label">Run it</span>
                    <button v-for="s in SYSTEMS" :key="s.value" type="button" :aria-pressed="s.value === system" @click="run = s.value">
                        {{ s.name }}
                    </button>
                </div>
                <p class="small faint">{{ SYSTEMS.find((s) => s.value === system)!.says }}</p>
                <Pick
                    :model-value="crop"
                    label="Crop"
                    :options="cropOptions(garden.library)"
                    filter
                    clearable
                    placeholder="Not yet"
                    @update:model-value="(v) => (cropChosen = v)"
                />
                <Toggle
                    v-if="crop && system !== 'cloner'"
                    v-model="started"
                    label="Started from"
                    :options="[
                        { value: 'plug', name: 'Plug', title: 'Raised from seed in a plug, set out when its roots show' },
                        { value: 'seedling', name: 'Seedling', title: 'A young plant with its roots rinsed' },
                        { value: 'seed', name: 'Seed', title: 'Seed on the pebbles of the cup' },
                    ]"
                />
                <div v-if="!ownCup">
                    <Pick
                        :model-value="cup"
                        label="Cup"
                        :options="cupOptions(garden.library)"
                        filter
                        @update:model-value="(v) => (cupChosen = v)"
                    />
                    <button type="button" class="word small" data-act="own-cup" @click="measureCup">Measure a cup of your own</button>
                </div>
                <fieldset v-else class="plain">
                    <legend>Your own cup</legend>
                    <CupMeasures v-model="ownCup" />
                    <button type="button" class="word small" @click="ownCup = null">Take one of the Library instead</button>
                </fieldset>
                <p v-if="fault" class="small wrong" role="alert">{{ fault }}</p>
                <p v-else-if="!byTape" class="small faint">
                    {{ chosen.name }}<template v-if="chosen.label_l">, sold as {{ volume(chosen.label_l, garden.units.value) }}</template
                    >. Its true volume is worked out from its measures.
                </p>
                <button type="button" class="box strong" data-act="add-tub" :disabled="adding || fault !== ''" @click="add">
                    Put it on the bench
                </button>
            </div>
        </div>
    </Dialog>
</template>

<style scoped>
.run {
    display: flex;
    flex-wrap: wrap;
    border: 1px solid var(--ink);
    background: var(--sheet);
    margin-top: 1.4rem;
    position: relative;
}
.run .label {
    position: absolute;
    bottom: calc(100% + 0.2rem);
    left: 0;
    font-weight: 600;
    font-family: var(--grotesque);
}
.run button {
    flex: 1 1 30%;
    background: none;
    border: 0;
    padding: 0.3rem 0.4rem;
    min-height: 32px;
    cursor: pointer;
    color: var(--ink);
}
.run button:hover {
    background: var(--shoal);
}
.run button[aria-pressed='true'] {
    background: var(--ink);
    color: var(--paper);
}
.add {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 16rem;
    gap: 1.5rem;
}
.shelf {
    display: flex;
    flex-wrap: wrap;
    gap: 0.3rem;
    margin-top: 0.7rem;
    max-height: 27rem;
    overflow-y: auto;
    align-content: flex-start;
    min-height: 15rem;
}
.shelf button {
    display: flex;
    flex-direction: column;
    align-items: center;
    gap: 0.2rem;
    background: none;
    border: 1px solid transparent;
    padding: 0.4rem 0.2rem;
    cursor: pointer;
    width: 8rem;
    color: var(--ink);
    text-align: center;
}
.shelf button:hover {
    border-color: var(--rule);
}
.shelf button[aria-selected='true'] {
    border-color: var(--ink);
    background: var(--shoal);
}
.rest {
    display: grid;
    gap: 0.8rem;
    align-content: start;
    grid-template-columns: minmax(0, 1fr);
}
.plain {
    border: 0;
    padding: 0;
    margin: 0;
}
.plain legend {
    font-weight: 600;
    font-family: var(--grotesque);
    padding: 0;
}
.wrong {
    color: var(--stop-text);
}
.rest .word {
    text-decoration: underline;
    text-underline-offset: 3px;
    color: var(--water-text);
}
/* Whatever is opened above it, it stays in reach. */
.rest [data-act='add-tub'] {
    position: sticky;
    bottom: 0;
    outline: 0.6rem solid var(--sheet);
}
.rest [data-act='add-tub']:focus-visible {
    outline: 2px solid var(--focus);
}
.drilled {
    margin-top: 0.9rem;
    padding-top: 0.7rem;
    border-top: 1px solid var(--rule);
}
@media (max-width: 760px) {
    .add {
        grid-template-columns: 1fr;
    }
    .shelf {
        max-height: 14rem;
        min-height: 0;
    }
}
</style>
