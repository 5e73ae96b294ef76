<script setup lang="ts">
/** All gardens: open, make, copy, delete and bring back, save as a file and read one. */
import { Head, Link, router, usePage } from '@inertiajs/vue3';
import { computed, ref } from 'vue';
import type { Fault } from '../kit/api';
import { counted, money } from '../kit/format';
import { isPacked, parse, parts, type Pictured, unpack } from '../kit/everything';
import DueNow from '../days/DueNow.vue';
import GardenSketch, { type SketchTub } from '../drawing/GardenSketch.vue';
import Pages from '../kit/Pages.vue';
import { send } from '../kit/turns';
import { newName } from '../kit/unsaved';

interface Row {
    sketch: SketchTub[];
    id: string;
    name: string;
    revision: number;
    tubs: number;
    plants: number;
    worst: 'stop' | 'mend' | 'mind' | null;
    outlay: number;
    /** Whether the figures come of final layouts. */
    settled: boolean;
    currency: string;
    updated_at: string;
    /** Whether anything was read or done in it. */
    logged: boolean;
}

const props = defineProps<{
    gardens: Row[];
    page: number;
    pages: number;
    deleted: number;
    /** Where everything as one file is. */
    everything: string;
    version: string;
}>();

/** What came of a file with everything in it. */
interface TakenIn {
    new: string[];
    back: string[];
    same: number;
    beside: string[];
    refused: { name: string; message: string }[];
    items: number;
    /** Where each garden of the file is now. */
    places: Record<string, string>;
}

/** Who is signed in, on the house network. */
const grower = usePage().props.grower as string | null;

const MOST_BYTES = 2_000_000;
const taken = ref<TakenIn | null>(null);
const name = ref('');
const message = ref('');
const faults = ref<Fault[]>([]);
const refusedFile = ref('');
const gone = ref<Row | null>(null);
const busy = ref(false);
const dropping = ref(false);

function say(text: string, found: Fault[] = [], file = ''): void {
    message.value = text;
    faults.value = found;
    refusedFile.value = file;
}

async function post<T>(
    path: string,
    body: string,
    options: { method?: 'DELETE'; revision?: number; file?: string } = {},
): Promise<T | null> {
    // Entered twice it is sent once.
    if (busy.value) return null;
    busy.value = true;
    taken.value = null;
    const { file = '', ...how } = options;
    const answer = await send<T>('Kelp Tub is working', path, { method: 'POST', ...how, body, ...(how.method ? {} : { key: newName() }) });
    busy.value = false;
    if (answer.kind === 'done') {
        say('');
        return answer.data;
    }
    const text = answer.kind === 'conflict' ? 'It was changed in another window meanwhile, and was not deleted. Look at it first.' : '';
    say(text || ('message' in answer ? answer.message : 'That did not work.'), answer.kind === 'refused' ? answer.faults : [], file);
    if (answer.kind === 'conflict') router.reload();
    return null;
}

async function make(): Promise<void> {
    const made = await post<{ id: string }>('gardens', JSON.stringify({ name: name.value.trim() || 'New garden' }));
    if (made) router.visit(`/gardens/${made.id}`);
}

async function copy(row: Row, log = false): Promise<void> {
    if (await post(`gardens/${row.id}/copy`, JSON.stringify({ log }))) router.reload();
}

async function remove(row: Row): Promise<void> {
    if (await post(`gardens/${row.id}`, '{}', { method: 'DELETE', revision: row.revision })) {
        gone.value = row;
        router.reload();
    }
}

async function bringBack(): Promise<void> {
    if (gone.value && (await post(`gardens/${gone.value.id}/restore`, '{}'))) {
        gone.value = null;
        router.reload();
    }
}

async function take(files: FileList | null): Promise<void> {
    const file = files?.[0];
    if (!file) return;
    const bytes = await file.arrayBuffer().catch(() => null);
    if (bytes === null) return say('It cannot be read any more. Choose it again.', [], file.name);
    const packed = new Uint8Array(bytes);
    if (isPacked(packed)) {
        const inside = unpack(packed);
        return typeof inside === 'string' ? say(inside, [], file.name) : takeEverything(file.name, inside.text, inside.photos);
    }
    const text = new TextDecoder().decode(bytes);
    // Which of the two kinds it is, it says at its beginning.
    if (text.slice(0, 200).includes('"kelp-tub.everything"')) return takeEverything(file.name, text);
    if (file.size > MOST_BYTES) return tooLarge(file);
    const made = await post<{ id: string }>('gardens', text, { file: file.name });
    if (made) router.visit(`/gardens/${made.id}`);
}

/** How far a file with everything in it is read: things so far, and in all. */
const progress = ref<{ file: string; done: number; of: number } | null>(null);
const stopped = ref(false);

/** Part after part, so that neither its size nor the time that it takes matters; what came in stays in, whatever comes of the rest. */
async function takeEverything(file: string, text: string, photos: Pictured[] = []): Promise<void> {
    const read = parse(text);
    if (typeof read === 'string') return say(read, [], file);
    const all = parts(read);
    const sum: TakenIn = { new: [], back: [], same: 0, beside: [], refused: [], items: 0, places: {} };
    const of = all.reduce((count, part) => count + part.holds, photos.length);
    stopped.value = false;
    progress.value = { file, done: 0, of };
    for (const part of all) {
        const came = await post<TakenIn>('everything', part.body, { file });
        if (!came) {
            taken.value = progress.value.done ? sum : null;
            break;
        }
        for (const key of ['new', 'back', 'beside'] as const) sum[key].push(...came[key]);
        sum.refused.push(...came.refused);
        sum.same += came.same;
        sum.items += came.items;
        Object.assign(sum.places, came.places);
        taken.value = sum;
        progress.value = { ...progress.value, done: progress.value.done + part.holds };
        if (stopped.value) break;
    }
    for (const photo of photos) {
        const place = sum.places[photo.garden];
        if (stopped.value || !place) continue;
        const answer = await send('Taking photographs in', `gardens/${place}/photos?id=${photo.id}`, { body: photo.picture() });
        if (answer.kind === 'refused') sum.refused.push({ name: `Photograph ${photo.id}`, message: answer.faults[0]?.message ?? '' });
        else if (answer.kind !== 'done') {
            say('message' in answer ? answer.message : 'That did not work.', [], file);
            break;
        }
        progress.value = { ...progress.value, done: progress.value.done + 1 };
    }
    progress.value = null;
    if (taken.value) router.reload();
}

function tooLarge(file: File): void {
    say(`It is ${(file.size / 1e6).toFixed(1)} MB, and a garden file has at most 2 MB. Nothing was saved.`, [], file.name);
}

const when = (iso: string): string =>
    new Date(iso).toLocaleString(undefined, { day: 'numeric', month: 'short', year: 'numeric', hour: '2-digit', minute: '2-digit' });
/** With two gardens or more, the newest two stand side by side at once. */
const compareHref = computed(() =>
    props.gardens.length > 1
        ? `/compare?of=${props.gardens
              .slice(0, 2)
              .map((g) => g.id)
              .join(',')}`
        : '/compare',
);
const WORDS = { stop: 'Stop', mend: 'Mend', mind: 'Mind' } as const;
</script>

<template>
    <Head title="Gardens" />
    <div
        class="page"
        :class="{ dropping }"
        @dragover.prevent="dropping = true"
        @dragleave.self="dropping = false"
        @drop.prevent="
            dropping = false;
            take($event.dataTransfer?.files ?? null);
        "
    >
        <header>
            <svg width="150" height="64" viewBox="0 0 150 64" aria-hidden="true">
                <path class="w" d="M22 30h52l-4 28H26z" />
                <path d="M18 10h60M20 10l5 48h46l5-48" />
                <path class="c" d="M34 10h12l-2 12h-8zM52 10h12l-2 12h-8z" />
                <path d="M0 60h150M92 60V22h24v38M90 22h28" />
                <path class="w" d="M93 40h22v19H93z" />
            </svg>
            <div>
                <h1>Kelp Tub</h1>
                <p class="faint">Design, build and keep standalone hydroponic tubs.</p>
            </div>
            <nav aria-label="Beside the gardens">
                <Link href="/library" class="word">Library</Link><Link href="/wish" class="word">Wish</Link
                ><Link href="/dry-runs" class="word">Dry runs</Link><Link :href="compareHref" class="word">Compare</Link
                ><Link v-if="grower" href="/people" class="word">{{ grower }}</Link>
            </nav>
        </header>

        <div v-if="message" class="message" role="alert">
            <p>
                <b v-if="refusedFile">{{ refusedFile }}: </b>{{ message }}
            </p>
            <ul v-if="faults.length">
                <li v-for="f in faults.slice(0, 12)" :key="f.pointer + f.message">
                    <code>{{ f.pointer || '/' }}</code> {{ f.message }}
                </li>
            </ul>
            <p v-if="faults.length > 12" class="faint">and {{ faults.length - 12 }} more</p>
            <button type="button" class="word" @click="say('')">Close</button>
        </div>
        <div v-if="progress" class="message" role="status" data-progress>
            <p>{{ progress.file }}: {{ progress.done }} of {{ progress.of }} read.</p>
            <button type="button" class="box" @click="stopped = true">Stop here</button>
        </div>
        <div v-else-if="taken" class="message" role="status">
            <p>
                {{ counted(taken.new.length, 'garden', 'gardens') }} came in, and {{ counted(taken.items, 'thing', 'things') }} for the
                Library; {{ counted(taken.same, 'was', 'were') }} here already.<template v-if="stopped">
                    You stopped it there; read the file again for the rest.</template
                >
            </p>
            <ul v-if="taken.back.length + taken.beside.length + taken.refused.length">
                <li v-for="name in taken.back" :key="name">{{ name }} was deleted here, and is back as it is in the file.</li>
                <li v-for="name in taken.beside" :key="name">
                    {{ name }}: the one here differs and stays as it is; this came in beside it.
                </li>
                <li v-for="r in taken.refused" :key="r.name + r.message">{{ r.name }} could not come in: {{ r.message }}</li>
            </ul>
            <button type="button" class="word" @click="taken = null">Close</button>
        </div>
        <div v-if="gone" class="message" role="status">
            <p>{{ gone.name }} was deleted.</p>
            <button type="button" class="box" @click="bringBack">Bring it back</button>
        </div>

        <main>
            <DueNow />
            <h2>Gardens</h2>
            <p v-if="props.gardens.length === 0" class="none">No gardens yet. Make one, or read a file.</p>
            <ul v-else class="gardens">
                <li v-for="g in props.gardens" :key="g.id" :data-garden="g.id">
                    <Link :href="`/gardens/${g.id}`" class="bench" tabindex="-1" aria-hidden="true"><GardenSketch :tubs="g.sketch" /></Link>
                    <Link :href="`/gardens/${g.id}`" class="open">{{ g.name }}</Link>
                    <p class="faint small">
                        {{ g.tubs }} {{ g.tubs === 1 ? 'tub' : 'tubs' }} · {{ g.plants }} {{ g.plants === 1 ? 'plant' : 'plants' }} ·
                        {{ g.settled ? '' : 'about ' }}{{ money(g.outlay) }} {{ g.currency }} · {{ when(g.updated_at) }}
                    </p>
                    <span v-if="g.worst" class="severity" :class="g.worst">{{ WORDS[g.worst] }}</span><span v-else class="sound">{{
                        g.tubs ? 'Sound' : ''
                    }}</span>
                    <span class="acts">
                        <button type="button" class="word" @click="copy(g)">
                            Copy<span class="hidden-visually"> {{ g.name }}</span>
                        </button>
                        <button v-if="g.logged" type="button" class="word" data-with-log @click="copy(g, true)">
                            Copy with its log<span class="hidden-visually">: {{ g.name }}</span>
                        </button>
                        <Link class="word" :href="`/gardens/${g.id}/history`"
                            >History<span class="hidden-visually"> of {{ g.name }}</span></Link
                        >
                        <a class="word" :href="`/api/gardens/${g.id}/file`" download
                            >Save as a file<span class="hidden-visually">: {{ g.name }}</span></a
                        >
                        <button type="button" class="word" @click="remove(g)">
                            Delete<span class="hidden-visually"> {{ g.name }}</span>
                        </button>
                    </span>
                </li>
            </ul>
            <Pages :page="props.page" :pages="props.pages" href="/" />
            <form class="make" @submit.prevent="make">
                <label for="new-name">A new garden</label>
                <input id="new-name" v-model="name" maxlength="120" placeholder="Its name" />
                <button type="submit" class="box strong" :disabled="busy">Make it</button>
                <Link href="/wish" class="box" data-act="wish">What I would like to grow</Link>
                <span class="or faint">or</span>
                <label class="box file" for="file"
                    >Read a file<input
                        id="file"
                        type="file"
                        accept=".json,application/json,.zip,application/zip"
                        class="hidden-visually"
                        @change="
                            take(($event.target as HTMLInputElement).files);
                            ($event.target as HTMLInputElement).value = '';
                        "
                /></label>
            </form>
            <p class="small faint">Files end in .kelp.json. You can also drop one on this page.</p>
            <p class="small below">
                <a :href="everything" download>Everything as one file</a>
                <span class="faint">all gardens and your Library, to keep or to move; read it back like any file.</span>
            </p>
            <p v-if="props.deleted" class="small below">
                <Link href="/deleted">{{ counted(props.deleted, 'deleted garden', 'deleted gardens') }}</Link>
                <span class="faint">can still be brought back.</span>
            </p>
            <p class="small faint version">
                Kelp Tub {{ props.version }} · <a href="/build/licences.txt">Licences of what it is made with</a>
            </p>
        </main>
    </div>
</template>

<style scoped>
.page {
    max-width: 66rem;
    margin: 0 auto;
    padding: 2.4rem 1.4rem 4rem;
    min-height: 100vh;
}
.version {
    margin-top: 2.4rem;
}
.page.dropping {
    outline: 3px dashed var(--water);
    outline-offset: -12px;
}
header {
    display: flex;
    align-items: flex-end;
    gap: 1.4rem;
    margin-bottom: 2rem;
    border-bottom: 1px solid var(--ink);
}
header > div {
    padding-bottom: 0.7rem;
    flex: 1;
}
header nav {
    display: flex;
    gap: 1.1rem;
    padding-bottom: 0.7rem;
}
header nav a {
    text-decoration: none;
    display: inline-flex;
    align-items: center;
}
header h1 {
    font-size: 2.1rem;
}
svg path {
    fill: none;
    stroke: var(--ink);
    stroke-width: 2;
}
svg .w {
    fill: var(--water-wash);
    stroke: none;
}
svg .c {
    fill: var(--cup);
    stroke-width: 1.2;
}
.gardens {
    list-style: none;
    padding: 0;
    margin: 0.8rem 0 1.6rem;
    border-top: 1px solid var(--rule);
}
.gardens li {
    display: grid;
    grid-template-columns: 13rem 1fr 5rem auto;
    gap: 0 1.2rem;
    align-items: center;
    padding: 0.75rem 0;
    border-bottom: 1px solid var(--rule);
}
.open {
    font-family: var(--grotesque);
    font-weight: 700;
    font-size: 1.2rem;
    color: var(--ink);
    text-decoration: none;
    overflow-wrap: anywhere;
}
.open:hover {
    text-decoration: underline;
    text-underline-offset: 3px;
}
.gardens .bench {
    grid-row: 1 / 3;
}
.gardens p {
    grid-row: 2;
    grid-column: 2;
}
.severity,
.sound {
    grid-row: 1 / 3;
    grid-column: 3;
    justify-self: start;
}
.sound {
    color: var(--kelp);
}
.acts {
    grid-row: 1 / 3;
    grid-column: 4;
    display: flex;
    gap: 0.9rem;
}
a.word {
    text-decoration: none;
    display: inline-flex;
    align-items: center;
}
.make {
    display: flex;
    flex-wrap: wrap;
    gap: 0.6rem;
    align-items: center;
    margin: 1.6rem 0 0.6rem;
}
.make label:first-child {
    font-family: var(--grotesque);
    font-weight: 600;
}
.make input:not([type='file']) {
    border: 1px solid var(--ink);
    background: var(--sheet);
    color: var(--ink);
    padding: 0.35rem 0.6rem;
    min-height: 34px;
    width: 16rem;
}
.below {
    margin-top: 0.5rem;
}
.below a {
    color: var(--ink);
    margin-right: 0.6rem;
}
.file {
    display: inline-flex;
    align-items: center;
    position: relative;
}
.file:focus-within {
    outline: 2px solid var(--focus);
    outline-offset: 2px;
}
.message {
    border: 1px solid var(--ink);
    background: var(--sheet);
    padding: 0.7rem 1rem;
    margin-bottom: 1.2rem;
    display: grid;
    gap: 0.4rem;
    justify-items: start;
    overflow-wrap: anywhere;
}
.message ul {
    margin: 0;
    padding-left: 1.1rem;
}
code {
    font-family: inherit;
    font-weight: 600;
}
.none {
    padding: 1rem 0;
}
@media (max-width: 760px) {
    .page {
        padding-top: 1.2rem;
    }
    .gardens li {
        grid-template-columns: 1fr auto;
    }
    .gardens .bench {
        grid-row: 1;
        grid-column: 1 / -1;
        justify-self: start;
    }
    .gardens .open {
        grid-row: 2;
    }
    .gardens p {
        grid-row: 3;
        grid-column: 1;
    }
    .severity,
    .sound {
        grid-row: 2 / 4;
        grid-column: 2;
    }
    .acts {
        grid-column: 1 / -1;
        grid-row: 4;
    }
    header {
        flex-wrap: wrap;
        gap: 0.4rem 1rem;
    }
    header svg {
        width: 100px;
    }
    header nav {
        flex-basis: 100%;
    }
}
</style>
