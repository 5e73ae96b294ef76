<script setup lang="ts">
/** Choosing a new tub: the vessels drawn at one scale, then how it is run, its cup and its crop. */
import Dialog from 'primevue/dialog';
import { computed, ref, watch } from 'vue';
import TubMini from '../drawing/TubMini.vue';
import { addTub, bringCrop, fromLibrary } from '../kit/edits';
import { volume } from '../kit/format';
import { useGarden } from '../kit/garden';
import { cropOptions, cupOptions, type Library } from '../kit/library';
import Pick from '../kit/Pick.vue';
import { SYSTEMS } from '../kit/systems';
import Toggle from '../kit/Toggle.vue';
import type { Cup, Tub, Vessel } from '../types/garden';

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
    suggested_cup: 'net-cup-50',
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

watch(kind, () => {
    if (!shown.value.some((v) => v.key === vessel.value)) vessel.value = shown.value[0]!.key;
    if (kind.value === 'jar') system.value = 'passive';
});
watch(system, (now) => {
    if (now === 'cloner') {
        cup.value = 'collar-35';
        crop.value ??= 'soft-cuttings';
    }
});
watch([vessel, crop], () => {
    const needs = garden.library.crops.find((c) => c.key === crop.value)?.cup_min_mm ?? 0;
    const suggested = garden.library.cups.find((c) => c.key === chosen.value.suggested_cup);
    const large = garden.library.cups
        .filter((c) => c.made === 'bought' && c.top_diameter_mm >= needs - 2)
        .sort((a, b) => a.top_diameter_mm - b.top_diameter_mm)[0];
    cup.value = suggested && suggested.top_diameter_mm >= needs - 2 ? suggested.key : (large?.key ?? 'net-cup-50');
});
watch(
    () => props.visible,
    (now) => {
        if (now) {
            kind.value = 'bucket';
            system.value = 'aerated';
        }
    },
);

function add(): void {
    const long = Math.max(...stations(chosen.value).map((s) => s.length_mm));
    let id = '';
    garden.change('add a tub', (g) => {
        const given = measured.value
            ? (JSON.parse(JSON.stringify(TAPE[vessel.value as keyof typeof TAPE].vessel)) as Vessel)
            : (fromLibrary(garden.library.vessels, vessel.value) as Vessel);
        id = addTub(g, {
            name: measured.value ? 'Measured tub' : chosen.value.name,
            system: system.value,
            vessel: given,
            cup: fromLibrary(garden.library.cups, cup.value ?? 'net-cup-50') as Cup,
            crop: bringCrop(g, garden.library, crop.value),
            stones: long > 450 ? 2 : long > 170 ? 1 : 0,
        });
    });
    garden.choose(id);
    emit('update:visible', false);
    emit('added', id);
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
                    <button v-for="s in SYSTEMS" :key="s.value" type="button" :aria-pressed="s.value === system" @click="system = s.value">
                        {{ s.name }}
                    </button>
                </div>
                <p class="small faint">{{ SYSTEMS.find((s) => s.value === system)!.says }}</p>
                <Pick v-model="crop" label="Crop" :options="cropOptions(garden.library)" filter clearable placeholder="Not yet" />
                <Pick v-model="cup" label="Cup" :options="cupOptions(garden.library)" filter />
                <p class="small faint">
                    {{ chosen.name }}<template v-if="chosen.label_l">, sold as {{ volume(chosen.label_l, garden.units.value) }}</template
                    >.
                    {{
                        measured
                            ? 'Write what your tape says once it stands on the bench.'
                            : 'Its true volume is worked out from its measures.'
                    }}
                </p>
                <button type="button" class="box strong" data-act="add-tub" @click="add">Put it on the bench</button>
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
