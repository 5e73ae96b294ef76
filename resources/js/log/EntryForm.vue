<script setup lang="ts">
/** What was read or done: by one line of text, or by fields with large targets; without a meter as easily as with one. */
import { computed, ref, watch } from 'vue';
import { readBare } from '../kit/bare';
import { useGarden } from '../kit/garden';
import type { Answer } from '../kit/api';
import { deeds } from '../kit/deeds';
import { read } from '../kit/reader';
import { forget, keep, recall } from '../kit/storage';
import Toggle from '../kit/Toggle.vue';
import { useTurns } from '../kit/turns';
import { wallClock } from '../kit/dates';
import type { Entry } from '../days/diary';
import { newEntryId, outbox, type ReadLine } from '../days/outbox';
import PhotoPick from './PhotoPick.vue';
import SignPicture from './SignPicture.vue';
import { type SignKey, signName, SIGNS } from './signs';

const props = defineProps<{ tub: string; copy: number; planting: string | null }>();
const garden = useGarden();

const way = ref<'line' | 'fields'>('line');
const line = ref('');
const understood = ref<ReadLine | null>(null);
const wrong = ref('');
/** Which text it was that was understood, and whether nobody is there to read one. */
const readText = ref('');
const isAway = ref(false);
/** While it is written, and when it is kept: neither overtakes the other. */
const [turns, keeping] = [useTurns(), useTurns()];
let timer: ReturnType<typeof setTimeout> | undefined;

const question = (text: string): [string, { body: string }] => [
    `gardens/${garden.id}/entries/read`,
    { body: JSON.stringify({ garden: garden.document.value, tub: props.tub, copy: props.copy, text, now: wallClock() }) },
];
/** What was answered to a text is shown where that text still stands. */
function show(text: string, answer: Answer<ReadLine>): void {
    if (line.value.trim() !== text) return;
    isAway.value = answer.kind === 'away' || answer.kind === 'failed';
    wrong.value = answer.kind === 'refused' ? (answer.faults[0]?.message ?? answer.message) : '';
    understood.value = answer.kind === 'done' ? answer.data : null;
    readText.value = text;
}
function unread(): void {
    understood.value = null;
    readText.value = '';
}
/** Reads the text while it is written: of several questions the newest counts. */
async function readLine(): Promise<void> {
    clearTimeout(timer);
    const text = line.value.trim();
    if (text === '') return unread();
    const answer = await turns.ask<ReadLine>(...question(text));
    if (answer) show(text, answer);
}
watch(line, () => {
    clearTimeout(timer);
    timer = setTimeout(() => void readLine(), 180);
});
watch([() => props.tub, () => props.copy], () => void readLine());

function entryWith(of: Partial<Entry>): Entry {
    return {
        id: newEntryId(),
        tub: props.tub,
        copy: props.copy,
        ...(props.planting && (of.harvest_g || of.picked) ? { planting: props.planting } : {}),
        at: wallClock(),
        ...of,
    } as Entry;
}
/** The photograph that goes with what is kept now; the next entry begins without one. */
const photo = ref<File | null>(null);
async function withPhoto(): Promise<{ photo?: string }> {
    const file = photo.value;
    photo.value = null;
    return file ? { photo: await outbox.addPhoto(file) } : {};
}
function keepLine(): Promise<void> {
    return deeds.runOnce('Keep a line', async () => {
        const [text, at] = [line.value.trim(), wallClock()];
        const [tub, copy] = [props.tub, props.copy];
        if (text === '') return photo.value ? outbox.add(garden.id, entryWith(await withPhoto())) : undefined;
        if (readText.value !== text) {
            // The press has a question of its own: another one that overtakes it would take the press away.
            clearTimeout(timer);
            turns.stop();
            const answer = await keeping.ask<ReadLine>(...question(text));
            if (answer) show(text, answer);
        }
        const got = readText.value === text ? understood.value : null;
        // Where it has to be asked first, or is refused, it stays in its field.
        if (got ? got.asks.length > 0 : !isAway.value) return;
        const pictured = await withPhoto();
        if (got)
            await outbox.add(garden.id, {
                ...entryWith({ ...got.entry, ...(got.left === '' ? {} : { note: got.left }) }),
                ...pictured,
                tub,
                copy,
            });
        else await outbox.addLine(garden.id, { id: newEntryId(), tub, copy, at, text, ...pictured });
        // It goes from its field when it is kept elsewhere, and what was written meanwhile stays.
        if (tub !== props.tub || copy !== props.copy) forget(draftOf(tub, copy));
        else if (line.value.trim() === text) {
            line.value = '';
            unread();
        }
    });
}

/** The scale of a meter that shows ppm, and the size of a jug: asked for once, and remembered with the garden. */
function remember(key: 'ppm_scale' | 'jug_l', value: number): void {
    garden.change(key === 'ppm_scale' ? 'say which scale the meter has' : 'say what the jug holds', (g) => {
        g.log = { ...g.log, [key]: value } as NonNullable<typeof g.log>;
    });
    void readLine();
}
const jug = ref('');
async function setJug(): Promise<void> {
    const reading = await read(jug.value, 'volume', garden.units.value);
    if ('value' in reading) remember('jug_l', reading.value);
}
watch(
    () => garden.document.value.log,
    () => void readLine(),
);

/** By fields. Each is a text that the core reads. */
const FIELDS = [
    { key: 'level_mm', label: 'Level from the floor', dimension: 'length', says: 'level …' },
    { key: 'top_up_l', label: 'Topped up', dimension: 'volume', says: 'topped up …' },
    { key: 'ph', label: 'pH', dimension: null, says: 'pH …' },
    { key: 'ec_ms_cm', label: 'EC', dimension: 'conductivity', says: 'EC …' },
    { key: 'water_c', label: 'Water', dimension: 'temperature', says: 'temp …' },
    { key: 'harvest_g', label: 'Picked, g', dimension: null, says: 'picked … g' },
] as const;
type Key = (typeof FIELDS)[number]['key'];
const texts = ref<Record<Key, string>>({ level_mm: '', top_up_l: '', ph: '', ec_ms_cm: '', water_c: '', harvest_g: '' });
const faults = ref<Partial<Record<Key, string>>>({});
const change = ref<'no' | 'yes'>('no');
const note = ref('');
const signs = ref<SignKey[]>([]);
const looked = ref(false);
/** As one line, for when nobody is there to read the fields. */
const asLine = (): string =>
    [
        ...FIELDS.map(({ key, says }) => (texts.value[key].trim() === '' ? '' : says.replace('…', texts.value[key].trim()))),
        change.value === 'yes' ? 'changed the water' : '',
        ...signs.value.map((s) => signName(s).toLowerCase()),
        note.value.trim(),
    ]
        .filter(Boolean)
        .join(', ');
const keepFields = (): Promise<void> => deeds.runOnce('Keep what was read', keepThem);
async function keepThem(): Promise<void> {
    faults.value = {};
    const of: Partial<Entry> = {};
    for (const { key, dimension } of FIELDS) {
        const text = texts.value[key].trim();
        if (text === '') continue;
        if (dimension === null) {
            const bare = readBare(text, {});
            const value = 'value' in bare ? bare.value : 0;
            if ('error' in bare) faults.value[key] = bare.error;
            else if (key === 'ph' && (value < 0 || value > 14))
                faults.value[key] = value > 0 && value <= 140 ? `${value}? pH lies from 0 to 14: ${value / 10}?` : 'pH lies from 0 to 14.';
            else of[key] = value;
            continue;
        }
        const reading = await read(text, dimension, garden.units.value);
        if ('value' in reading) of[key] = reading.value;
        else if ('error' in reading) faults.value[key] = reading.error;
        else {
            const said = { id: newEntryId(), tub: props.tub, copy: props.copy, at: wallClock(), text: asLine() };
            await outbox.addLine(garden.id, { ...said, ...(await withPhoto()) });
            return clear();
        }
    }
    if (Object.keys(faults.value).length) return;
    if (change.value === 'yes') of.change = true;
    if (signs.value.length) of.signs = [...signs.value];
    if (note.value.trim()) of.note = note.value.trim();
    if (looked.value && Object.keys(of).length === 0) of.did = ['check'];
    if (Object.keys(of).length === 0 && !photo.value) {
        wrong.value = 'Write what you read, or tick that you looked.';
        return;
    }
    await outbox.add(garden.id, { ...entryWith(of), ...(await withPhoto()) });
    clear();
}
function clear(): void {
    wrong.value = '';
    for (const { key } of FIELDS) texts.value[key] = '';
    change.value = 'no';
    note.value = '';
    signs.value = [];
    looked.value = false;
}
function toggleSign(key: SignKey): void {
    signs.value = signs.value.includes(key) ? signs.value.filter((s) => s !== key) : [...signs.value, key];
}
const canKeep = computed(() => line.value.trim() !== '' || photo.value !== null);

/** What was typed and not kept yet is found again where it was left. */
const draftOf = (tub = props.tub, copy = props.copy): string => `kelp-text-${garden.id}/log/${tub}/${copy}`;
interface Draft {
    line: string;
    texts: Record<Key, string>;
    note: string;
    signs: SignKey[];
}
function findAgain(): void {
    const left = recall(draftOf());
    const draft = (left ? JSON.parse(left) : null) as Draft | null;
    line.value = draft?.line ?? '';
    texts.value = { level_mm: '', top_up_l: '', ph: '', ec_ms_cm: '', water_c: '', harvest_g: '', ...draft?.texts };
    note.value = draft?.note ?? '';
    signs.value = draft?.signs ?? [];
    if (Object.values(texts.value).some((t) => t !== '') || note.value || signs.value.length) way.value = 'fields';
}
findAgain();
watch([() => props.tub, () => props.copy], findAgain);
watch(
    [line, texts, note, signs],
    () => {
        const draft: Draft = { line: line.value, texts: texts.value, note: note.value, signs: signs.value };
        const isEmpty = !draft.line && !draft.note && draft.signs.length === 0 && Object.values(draft.texts).every((t) => t === '');
        if (isEmpty) forget(draftOf());
        else keep(draftOf(), JSON.stringify(draft));
    },
    { deep: true },
);
</script>

<template>
    <div class="entry">
        <Toggle
            label="New entry"
            :model-value="way"
            :options="[
                { value: 'line', name: 'One line' },
                { value: 'fields', name: 'Fields' },
            ]"
            @update:model-value="(v) => (way = v)"
        />
        <form v-if="way === 'line'" class="line" @submit.prevent="keepLine">
            <label class="hidden-visually" for="log-line">What was read or done</label>
            <textarea
                id="log-line"
                v-model="line"
                class="text"
                rows="3"
                maxlength="2000"
                placeholder="level 21 cm, topped up 3 L"
                @keydown.enter.exact.prevent="keepLine"
            ></textarea>
            <!-- Above what comes and goes: it is where it was when the finger gets there. -->
            <button type="submit" class="box strong" data-act="keep-line" :disabled="!canKeep">Keep it</button>
            <div v-if="understood" class="understood" role="status">
                <p v-if="understood.understood.length" class="small"><b>Understood:</b> {{ understood.understood.join('; ') }}.</p>
                <p v-if="understood.left" class="small faint">As a note: {{ understood.left }}</p>
                <div v-for="a in understood.asks" :key="a.text" class="small ask">
                    {{ a.question }}
                    <template v-if="a.about === 'ppm'">
                        <button type="button" class="box" data-act="ppm-500" @click="remember('ppm_scale', 500)">500</button>
                        <button type="button" class="box" data-act="ppm-700" @click="remember('ppm_scale', 700)">700</button>
                    </template>
                    <span v-else-if="a.about === 'jug'" class="jug">
                        <input
                            v-model="jug"
                            class="text"
                            aria-label="What the jug holds"
                            placeholder="1.5 L"
                            @keydown.enter.prevent="setJug"
                        />
                        <button type="button" class="box" @click="setJug">It holds so much</button>
                    </span>
                </div>
            </div>
            <p v-if="wrong" class="small wrong" role="alert">{{ wrong }}</p>
            <p v-if="isAway && canKeep" class="small ask">Nobody is there to read it now. Kept, it waits on this device.</p>
            <PhotoPick v-model="photo" />
        </form>
        <form v-else class="fields" @submit.prevent="keepFields">
            <div class="grid">
                <label v-for="f in FIELDS" :key="f.key" class="field">
                    <span>{{ f.label }}</span>
                    <input v-model="texts[f.key]" class="text" inputmode="decimal" :aria-invalid="!!faults[f.key]" :data-field="f.key" />
                    <span v-if="faults[f.key]" class="small wrong">{{ faults[f.key] }}</span>
                </label>
            </div>
            <Toggle
                label="Water changed"
                :model-value="change"
                :options="[
                    { value: 'no', name: 'No' },
                    { value: 'yes', name: 'All of it' },
                ]"
                @update:model-value="(v) => (change = v)"
            />
            <fieldset class="signs">
                <legend>What you see</legend>
                <button
                    v-for="s in SIGNS"
                    :key="s.key"
                    type="button"
                    class="sign"
                    :aria-pressed="signs.includes(s.key)"
                    :data-sign="s.key"
                    @click="toggleSign(s.key)"
                >
                    <SignPicture :sign="s.key" /><span>{{ s.name }}</span>
                </button>
            </fieldset>
            <label class="looked"><input v-model="looked" type="checkbox" /> I looked, and all is well</label>
            <label class="field"><span>Note</span><textarea v-model="note" class="text" rows="2" maxlength="2000"></textarea></label>
            <PhotoPick v-model="photo" />
            <p v-if="wrong" class="small wrong" role="alert">{{ wrong }}</p>
            <button type="submit" class="box strong" data-act="keep-fields">Keep it</button>
        </form>
    </div>
</template>

<style scoped>
.entry,
.line,
.fields {
    display: grid;
    gap: 0.6rem;
}
.grid {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0.5rem;
    align-items: start;
}
.field {
    display: grid;
    gap: 0.15rem;
}
.field > span:first-child {
    font-size: 0.8125rem;
}
.understood {
    border-left: 3px solid var(--water);
    padding-left: 0.6rem;
    display: grid;
    gap: 0.2rem;
}
.ask {
    color: var(--mind-text);
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.4rem;
}
.jug {
    display: inline-flex;
    gap: 0.3rem;
}
.jug .text {
    width: 5rem;
}
.signs {
    border: 0;
    margin: 0;
    padding: 0;
    display: grid;
    grid-template-columns: repeat(3, 1fr);
    gap: 0.3rem;
}
.signs legend {
    font-weight: 600;
    font-family: var(--grotesque);
    padding: 0 0 0.2rem;
}
.sign {
    display: grid;
    justify-items: center;
    gap: 0.1rem;
    padding: 0.25rem 0.1rem;
    border: 1px solid var(--rule);
    background: var(--sheet);
    font-size: 0.75rem;
    line-height: 1.15;
    cursor: pointer;
}
.sign[aria-pressed='true'] {
    border: 2px solid var(--ink);
    background: var(--shoal);
    font-weight: 600;
}
.looked {
    display: flex;
    gap: 0.4rem;
    align-items: center;
    min-height: 32px;
}
.wrong {
    color: var(--stop-text);
}
textarea {
    resize: vertical;
}
@media (pointer: coarse) {
    .text {
        min-height: 44px;
    }
}
</style>
