<script setup lang="ts">
/** Choosing a new tub: the vessels drawn at one scale, then how it is run, its cup and its crop. */
import Dialog from 'primevue/dialog';
import { computed, ref, watch } from 'vue';
import TubMini from '../drawing/TubMini.vue';
import { call } from '../kit/api';
import { volume } from '../kit/format';
import { useGarden } from '../kit/garden';
import { cropOptions, cupOptions, type Library } from '../kit/library';
import Pick from '../kit/Pick.vue';
import { SYSTEMS } from '../kit/systems';
import Toggle from '../kit/Toggle.vue';
import type { Tub, Vessel } from '../types/garden';

const props = defineProps<{ visible: boolean }>();
const emit = defineEmits<{ 'update:visible': [visible: boolean]; added: [tub: string] }>();

const garden = useGarden();
const vessels = garden.library.vessels;
const vessel = ref('bucket-20');
const system = ref<Tub['system']>('aerated');
const cup = ref<string | null>('net-cup-50');
const crop = ref<string | null>(null);
const kind = ref<'bucket' | 'tote' | 'jar' | 'other' | 'own'>('bucket');

/** Vessels of any make, to be measured with a tape once they stand on the bench. */
const TAPE = {
    'tape-round': {
        name: 'A round one, by tape',
        vessel: {
            kind: 'other',
            name: 'Measured tub',
            stations: [
                { height_mm: 0, diameter_mm: 250 },
                { height_mm: 300, diameter_mm: 280 },
            ],
            lid: { diameter_mm: 300 },
        },
    },
    'tape-square': {
        name: 'A box, by tape',
        vessel: {
            kind: 'other',
            name: 'Measured box',
            stations: [
                { height_mm: 0, length_mm: 400, width_mm: 280, corner_radius_mm: 20 },
                { height_mm: 250, length_mm: 430, width_mm: 310, corner_radius_mm: 25 },
            ],
            lid: { length_mm: 450, width_mm: 330, corner_radius_mm: 30 },
        },
    },
} satisfies Record<string, { name: string; vessel: Exclude<Vessel, string> }>;
const tape: Library['vessels'] = Object.entries(TAPE).map(([key, { name, vessel: v }]) => ({
    ...v,
    key,
    name,
}));

const SCALE = 0.13;
const shown = computed<Library['vessels']>(() =>
    kind.value === 'own'
        ? [...vessels.filter((v) => v.own), ...tape]
        : vessels.filter(
              (v) => !v.own && (kind.value === 'other' ? !['bucket', 'tote', 'jar'].includes(v.kind ?? '') : v.kind === kind.value),
          ),
);
const chosen = computed(() => [...vessels, ...tape].find((v) => v.key === vessel.value)!);
const measured = computed(() => vessel.value in TAPE);
const stations = (v: (typeof vessels)[number]) =>
    v.stations.map((s) => ({
        height_mm: s.height_mm,
        length_mm: s.diameter_mm ?? s.length_mm ?? 0,
        width_mm: s.diameter_mm ?? s.width_mm ?? 0,
        corner_radius_mm: s.corner_radius_mm ?? 0,
        round: s.diameter_mm !== undefined,
    }));
const lidLength = (v: (typeof vessels)[number]): number => v.lid?.diameter_mm ?? v.lid?.length_mm ?? 0;

const given = computed<Vessel>(() => (measured.value ? TAPE[vessel.value as keyof typeof TAPE].vessel : vessel.value));

/** What the application advises for this vessel and crop; only the newest answer counts. A cup that the grower chose stays. */
let asked = 0;
let advising: Promise<void> = Promise.resolve();
const cupChosen = ref(false);
function chooseCup(key: string | null): void {
    cup.value = key;
    cupChosen.value = key !== null;
}
/** How the grower chose to run it; until then the vessel suggests it. */
const run = ref<Tub['system'] | null>(null);
async function advise(): Promise<void> {
    const turn = ++asked;
    const answer = await call<{ system: Tub['system']; crop: string | null; cup: string }>('advice', {
        body: JSON.stringify({ vessel: given.value, system: run.value, crop: crop.value }),
    });
    if (turn !== asked || answer.kind !== 'done') return;
    system.value = answer.data.system;
    crop.value = answer.data.crop;
    if (!cupChosen.value) cup.value = answer.data.cup;
}

watch(kind, () => {
    if (!shown.value.some((v) => v.key === vessel.value)) vessel.value = shown.value[0]!.key;
});
watch([vessel, crop, run], () => {
    advising = advise();
});
watch(
    () => props.visible,
    (now) => {
        if (now) {
            kind.value = 'bucket';
            run.value = null;
            cupChosen.value = false;
        }
    },
);

const adding = ref(false);
async function add(): Promise<void> {
    adding.value = true;
    await advising;
    const added = await garden.ask('add a tub', 'edits/add', {
        garden: garden.document.value,
        tub: {
            name: measured.value ? 'Measured tub' : chosen.value.name,
            system: system.value,
            vessel: given.value,
            cup: cup.value ?? 'net-cup-50',
            crop: crop.value,
        },
    });
    adding.value = false;
    if (!added?.tub) return;
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
        :style="{ width: 'min(60rem, 96vw)' }"
        @update:visible="(v: boolean) => emit('update:visible', v)"
    >
        <div class="add">
            <div class="vessels">
                <Toggle
                    v-model="kind"
                    label="Vessel"
                    :options="[
                        { value: 'bucket', name: 'Buckets' },
                        { value: 'tote', name: 'Totes' },
                        { value: 'jar', name: 'Jars' },
                        { value: 'other', name: 'Others' },
                        { value: 'own', name: 'Your own' },
                    ]"
                />
                <div class="shelf" role="listbox" aria-label="Vessels of the Library, at one scale">
                    <button
                        v-for="v in shown"
                        :key="v.key"
                        type="button"
                        role="option"
                        :aria-selected="v.key === vessel"
                        :data-vessel="v.key"
                        @click="vessel = v.key"
                    >
                        <svg width="104" height="68" aria-hidden="true">
                            <g transform="translate(52 66)"><TubMini :stations="stations(v)" :scale="SCALE" :lid="lidLength(v)" /></g>
                        </svg>
                        <span class="small">{{ v.name }}</span>
                    </button>
                </div>
            </div>
            <div class="rest">
                <div class="run" role="group" aria-labelledby="add-run">
                    <span id="add-run" class="label">Run it</span>
                    <button v-for="s in SYSTEMS" :key="s.value" type="button" :aria-pressed="s.value === system" @click="run = s.value">
                        {{ s.name }}
                    </button>
                </div>
                <p class="small faint">{{ SYSTEMS.find((s) => s.value === system)!.says }}</p>
                <Pick v-model="crop" label="Crop" :options="cropOptions(garden.library)" filter clearable placeholder="Not yet" />
                <Pick :model-value="cup" label="Cup" @update:model-value="chooseCup" :options="cupOptions(garden.library)" filter />
                <p class="small faint">
                    {{ chosen.name }}<template v-if="chosen.label_l">, sold as {{ volume(chosen.label_l, garden.units.value) }}</template
                    >.
                    {{
                        measured
                            ? 'Write what your tape says once it stands on the bench.'
                            : 'Its true volume is worked out from its measures.'
                    }}
                </p>
                <button type="button" class="box strong" data-act="add-tub" :disabled="adding" @click="add">Put it on the bench</button>
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
    grid-template-columns: 1fr 15rem;
    gap: 1.5rem;
}
.shelf {
    display: flex;
    flex-wrap: wrap;
    gap: 0.3rem;
    margin-top: 0.7rem;
    max-height: 23rem;
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
