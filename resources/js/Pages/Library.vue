<script setup lang="ts">
/** The Library: what ships with the application and the grower's own, to find, look at, copy, change, take from a file and write to one. */
import { Head, Link, router } from '@inertiajs/vue3';
import { computed, nextTick, onBeforeUnmount, onMounted, reactive, ref, watch } from 'vue';
import type { Fault } from '../kit/api';
import { dimension, number, type Units, volume } from '../kit/format';
import { provideMeasures } from '../kit/garden';
import { loadRest, type Library } from '../kit/library';
import Toggle from '../kit/Toggle.vue';
import { send } from '../kit/turns';
import ItemDrawing from '../library/ItemDrawing.vue';
import ItemForm from '../library/ItemForm.vue';
import { blank, copyOf, found, freeFlow, KINDS, shelf, type CropColumns, type Draft, type Kind } from '../library/shelves';
import VesselDrawing from '../library/VesselDrawing.vue';
import type { Station } from '../types/garden';

const props = defineProps<{ kind: Kind; library: Library; crop: CropColumns }>();

const MOST_BYTES = 7_000_000;
/** The Library with what came of long shelves after the page; what is looked at may be on it only then. */
const held = ref<Library>(props.library);
const whole = ref<Promise<void>>(Promise.resolve());
watch(
    () => props.library,
    (now) => {
        held.value = reactive(JSON.parse(JSON.stringify(now)) as Library);
        whole.value = loadRest(held.value);
    },
    { immediate: true },
);
const units = ref<Units>('metric');
const text = ref('');
const whose = ref<'all' | 'own' | 'shipped'>('all');
const draft = ref<Draft>(JSON.parse(JSON.stringify(shelf(props.library, props.kind)[0])) as Draft);
const touched = ref(false);
const faults = ref<Fault[]>([]);
const drawingFaults = ref<Fault[]>([]);
const message = ref('');
const busy = ref(false);
const find = ref<HTMLInputElement | null>(null);

provideMeasures({
    units,
    faultAt: (pointer) => [...faults.value, ...drawingFaults.value].find((f) => f.pointer === pointer)?.message ?? null,
});

const one = computed(() => KINDS.find((k) => k.key === props.kind)!.one);
const items = computed(() => shelf(held.value, props.kind));
const shown = computed(() => found(items.value, text.value, whose.value));
const own = computed(() => draft.value.own === true);
/** Faults that no field shows. */
const others = computed(() => faults.value.filter((f) => !f.pointer.startsWith('/') || f.pointer === '/key' || f.pointer === '/name'));

/** How many items were looked at: the fields of each are its own. */
const looked = ref(0);
function look(item: Draft): void {
    looked.value++;
    draft.value = JSON.parse(JSON.stringify(item)) as Draft;
    touched.value = false;
    faults.value = drawingFaults.value = [];
    message.value = '';
}
watch(
    () => props.kind,
    () => {
        text.value = '';
        look(items.value[0]!);
    },
);

function change(item: Draft): void {
    // What ships stays as it is: a change of it is a copy of one's own.
    draft.value =
        own.value || draft.value.key === undefined
            ? item
            : {
                  ...item,
                  ...(item.name === draft.value.name ? { name: copyOf(draft.value).name } : {}),
                  key: undefined as unknown as string,
                  own: undefined as unknown as boolean,
              };
    touched.value = true;
    faults.value = [];
}

async function save(item: Draft = draft.value): Promise<void> {
    const { own: _, ...body } = item;
    // Entered twice it is kept once.
    if (busy.value) return;
    const kind = props.kind;
    busy.value = true;
    const answer = await send<{ key: string }>('Keeping it on your shelf', `library/${kind}`, { body: JSON.stringify(body) });
    busy.value = false;
    if (answer.kind !== 'done') {
        faults.value = answer.kind === 'refused' ? answer.faults : [];
        message.value = 'message' in answer ? answer.message : 'That did not work.';
        return;
    }
    const key = answer.data.key;
    router.reload({
        only: ['library'],
        onSuccess: () =>
            void nextTick(async () => {
                await whole.value;
                const kept = items.value.find((i) => i.key === key);
                if (kept) look(kept);
                message.value = `${kept?.name ?? 'It'} is on your shelf.`;
            }),
    });
}

async function remove(): Promise<void> {
    const { key, name } = draft.value;
    const answer = await send('Taking it off your shelf', `library/${props.kind}/${encodeURIComponent(key ?? '')}`, {
        method: 'DELETE',
        body: '{}',
    });
    if (answer.kind !== 'done') {
        message.value = 'message' in answer ? answer.message : 'That did not work.';
        return;
    }
    router.reload({
        only: ['library'],
        onSuccess: () =>
            void nextTick(() => {
                look(items.value[0]!);
                message.value = `${name} was taken off your shelf. Gardens that use it keep it.`;
            }),
    });
}

async function take(files: FileList | null): Promise<void> {
    const file = files?.[0];
    if (!file) return;
    faults.value = [];
    if (file.size > MOST_BYTES) {
        message.value = `${file.name} is ${(file.size / 1e6).toFixed(1)} MB; at most 7 MB are read at a time. Nothing was taken.`;
        return;
    }
    busy.value = true;
    const content = await file.text();
    const answer = await send<{ keys: string[] }>(`Reading ${file.name}`, `library/${props.kind}/import`, {
        body: JSON.stringify(file.name.toLowerCase().endsWith('.csv') ? { csv: content } : { json: content }),
    });
    busy.value = false;
    if (answer.kind === 'done') {
        router.reload({ only: ['library'] });
        message.value = `${answer.data.keys.length} from ${file.name} are on your shelf.`;
    } else {
        imported.value = answer.kind === 'refused' ? answer.faults : [];
        message.value = `${file.name}: ${'message' in answer ? answer.message : 'that did not work.'}`;
    }
}
const imported = ref<Fault[]>([]);

function keys(event: KeyboardEvent): void {
    const inField = (event.target as HTMLElement).closest('input, textarea, select, [contenteditable]');
    if (event.key === '/' && !inField && !event.ctrlKey && !event.metaKey) {
        event.preventDefault();
        find.value?.focus();
    }
}
onMounted(() => window.addEventListener('keydown', keys));
onBeforeUnmount(() => window.removeEventListener('keydown', keys));

const measures = (item: Draft): string => {
    const n = (key: string): string => dimension(Number(item[key] ?? 0), units.value);
    switch (props.kind) {
        case 'cups':
            return `${n('lip_diameter_mm')} / ${n('top_diameter_mm')} / ${n('bottom_diameter_mm')}, ${n('height_mm')} deep`;
        case 'saws':
            return n('diameter_mm');
        case 'pumps':
            return `${number(Number(item.power_w ?? 0), 1, 'W')}, ${number(freeFlow(item), 1, 'L/min')} free`;
        case 'stones':
            return (
                `${n('length_mm')} long, ${number(Number(item.min_l_min ?? 0), 1)} ` +
                `to ${number(Number(item.max_l_min ?? 0), 1, 'L/min')}`
            );
        case 'feeds': {
            const parts = (item.parts ?? []) as unknown[];
            return parts.length === 1 ? 'one part' : `${parts.length} parts`;
        }
        case 'crops':
            return `${n('spacing_mm')} apart · ${volume(Number(item.litres_per_plant ?? 0), units.value)}`;
        default: {
            // Its name mostly says the litres; what it measures at the rim is what tells it from others.
            const rim = (item.stations as Station[] | undefined)?.at(-1);
            const across = (mm: number): string => dimension(mm, units.value);
            if (!rim) return String(item.kind ?? '');
            const box = `${across(rim.length_mm ?? 0)} × ${across(rim.width_mm ?? 0)}`;
            const wide = rim.diameter_mm === undefined ? box : `Ø ${across(rim.diameter_mm)}`;
            return `${wide}, ${across(rim.height_mm)} deep${item.opacity === 'opaque' ? '' : `, ${String(item.opacity)}`}`;
        }
    }
};
</script>

<template>
    <Head title="Library" />
    <div class="page">
        <header>
            <div>
                <Link href="/" class="back">All gardens</Link>
                <h1>Library</h1>
            </div>
            <nav aria-label="Shelves">
                <Link
                    v-for="k in KINDS"
                    :key="k.key"
                    :href="`/library/${k.key}`"
                    class="word"
                    :aria-current="k.key === kind ? 'true' : undefined"
                    >{{ k.name }}</Link
                >
            </nav>
            <Toggle
                v-model="units"
                class="units"
                label="Units"
                :options="[
                    { value: 'metric', name: 'mm' },
                    { value: 'us', name: 'in' },
                ]"
            />
        </header>
        <main class="columns">
            <section class="list" aria-label="Shelf">
                <label for="find" class="hidden-visually">Find in the Library</label>
                <input id="find" ref="find" v-model="text" class="find" type="search" :placeholder="`Find a ${one}   /`" />
                <Toggle
                    v-model="whose"
                    class="whose"
                    label="Whose"
                    :options="[
                        { value: 'all', name: 'All' },
                        { value: 'own', name: 'Your own' },
                        { value: 'shipped', name: 'Shipped' },
                    ]"
                />
                <ul>
                    <li v-for="item in shown" :key="`${item.own}${item.key}`">
                        <button
                            type="button"
                            :data-item="item.key"
                            :aria-pressed="item.key === draft.key && (item.own === true) === own"
                            @click="look(item)"
                        >
                            <b>{{ item.name }}</b><span v-if="item.own" class="mine small">yours</span
                            ><span class="small faint">{{ measures(item) }}</span>
                        </button>
                    </li>
                </ul>
                <p v-if="shown.length === 0" class="small faint">
                    {{ whose === 'own' && !text ? `No ${one} of your own yet. Copy one, or start a new one.` : 'Nothing by that name.' }}
                </p>
                <div class="foot">
                    <button
                        type="button"
                        class="box"
                        data-act="new"
                        @click="
                            look(blank(kind, props.crop));
                            touched = true;
                        "
                    >
                        A new {{ one }}
                    </button>
                    <label class="box file" for="import"
                        >Take from a file<input
                            id="import"
                            type="file"
                            accept=".csv,.json,text/csv,application/json"
                            class="hidden-visually"
                            @change="
                                take(($event.target as HTMLInputElement).files);
                                ($event.target as HTMLInputElement).value = '';
                            "
                    /></label>
                    <p class="small">
                        Write yours as
                        <template v-if="kind !== 'feeds'"><a :href="`/api/library/${kind}/file.csv`" download>CSV</a> or</template>
                        <a :href="`/api/library/${kind}/file.json`" download>JSON</a>
                    </p>
                </div>
            </section>
            <section class="picture" :aria-label="draft.name">
                <div v-if="message" class="message" role="status">
                    <p>{{ message }}</p>
                    <ul v-if="imported.length || others.length">
                        <li v-for="f in [...imported, ...others].slice(0, 12)" :key="f.pointer + f.message">
                            <code>{{ f.pointer }}</code> {{ f.message }}
                        </li>
                    </ul>
                    <p v-if="imported.length > 12" class="faint">and {{ imported.length - 12 }} more</p>
                    <button
                        type="button"
                        class="word"
                        @click="
                            message = '';
                            imported = [];
                        "
                    >
                        Close
                    </button>
                </div>
                <VesselDrawing v-if="kind === 'vessels'" :item="draft" :units="units" @faults="(f) => (drawingFaults = f)" />
                <ItemDrawing v-else :kind="kind" :item="draft" :units="units" />
            </section>
            <section class="form" aria-label="Measures">
                <h2>{{ draft.name || `A ${one}` }}</h2>
                <p class="small faint">
                    {{
                        own
                            ? 'Your own.'
                            : draft.key
                              ? 'Comes with Kelp Tub. Change a measure and it becomes a copy of yours.'
                              : 'Not kept yet.'
                    }}
                </p>
                <div class="acts">
                    <button
                        v-if="touched"
                        type="button"
                        class="box strong"
                        data-act="save"
                        :disabled="busy || drawingFaults.length > 0"
                        @click="save()"
                    >
                        {{ own ? 'Save' : 'Put it on your shelf' }}
                    </button>
                    <button
                        v-else-if="kind === 'saws' && !own"
                        type="button"
                        class="box strong"
                        data-act="have"
                        :disabled="busy"
                        @click="save(copyOf(draft))"
                    >
                        I have this one
                    </button>
                    <button
                        v-else
                        type="button"
                        class="box"
                        data-act="copy"
                        @click="
                            look(copyOf(draft));
                            touched = true;
                        "
                    >
                        Copy it
                    </button>
                    <button v-if="own" type="button" class="box" data-act="remove" @click="remove">Take it off</button>
                </div>
                <ItemForm :key="looked" :crop="crop" :kind="kind" :item="draft" @change="change" />
            </section>
        </main>
    </div>
</template>

<style scoped>
.page {
    display: flex;
    flex-direction: column;
    height: 100vh;
    height: 100dvh;
}
header {
    display: flex;
    align-items: flex-end;
    gap: 2rem;
    padding: 0.7rem 1.2rem 0.6rem;
    border-bottom: 1px solid var(--ink);
}
header h1 {
    font-size: 1.5rem;
}
nav {
    display: flex;
    gap: 1.1rem;
    flex: 1;
}
nav a {
    text-decoration: none;
    display: inline-flex;
    align-items: center;
}
.units :deep(.label),
.whose :deep(.label) {
    display: none;
}
.columns {
    flex: 1;
    min-height: 0;
    display: grid;
    grid-template: minmax(0, 1fr) / 282px minmax(0, 1fr) 300px;
}
.list {
    display: grid;
    grid-template-rows: auto auto minmax(0, 1fr) auto;
    gap: 0.5rem;
    padding: 0.9rem 1rem;
    border-right: 1px solid var(--rule);
    min-height: 0;
}
.find {
    border: 1px solid var(--ink);
    background: var(--sheet);
    color: var(--ink);
    padding: 0.35rem 0.6rem;
    min-height: 34px;
    width: 100%;
}
.list ul {
    list-style: none;
    margin: 0;
    padding: 0;
    overflow-y: auto;
    scrollbar-width: thin;
    scrollbar-color: var(--rule) transparent;
    border-block: 1px solid var(--rule);
}
.list li button {
    display: grid;
    grid-template-columns: 1fr auto;
    width: 100%;
    text-align: left;
    background: none;
    border: 0;
    border-bottom: 1px solid var(--rule);
    padding: 0.35rem 0.3rem;
    min-height: 44px;
    cursor: pointer;
    color: var(--ink);
}
.list li button:hover {
    background: var(--shoal);
}
.list li button[aria-pressed='true'] {
    background: var(--ink);
    color: var(--paper);
}
.list li button[aria-pressed='true'] .faint,
.list li button[aria-pressed='true'] .mine {
    color: var(--paper);
}
.list li .faint {
    grid-column: 1 / -1;
}
.mine {
    color: var(--water-text);
    font-weight: 600;
}
.foot {
    display: grid;
    gap: 0.4rem;
}
.foot .box {
    text-align: center;
}
.file {
    position: relative;
}
.file:focus-within {
    outline: 2px solid var(--focus);
    outline-offset: 2px;
}
.picture {
    padding: 1rem;
    min-height: 0;
    min-width: 0;
    display: flex;
    flex-direction: column;
}
.picture > :last-child {
    flex: 1;
    min-height: 0;
}
.message {
    border: 1px solid var(--ink);
    background: var(--sheet);
    padding: 0.6rem 0.9rem;
    margin-bottom: 0.8rem;
    overflow-wrap: anywhere;
}
.message ul {
    margin: 0.2rem 0;
    padding-left: 1.1rem;
}
code {
    font-family: inherit;
    font-weight: 600;
}
.form {
    border-left: 1px solid var(--ink);
    padding: 1rem;
    overflow: hidden auto;
    scrollbar-width: thin;
    scrollbar-color: var(--rule) transparent;
    display: grid;
    gap: 0.6rem;
    align-content: start;
    grid-template-columns: minmax(0, 1fr);
}
.acts {
    display: flex;
    gap: 0.5rem;
}
@media (max-width: 760px) {
    .page {
        height: auto;
    }
    header {
        flex-wrap: wrap;
        gap: 0.6rem 1rem;
        padding: 0.6rem 0.8rem;
    }
    .columns {
        display: flex;
        flex-direction: column;
    }
    .list {
        border: 0;
    }
    .list ul {
        max-height: 40vh;
    }
    .picture {
        height: 360px;
    }
    .form {
        border: 0;
        border-top: 1px solid var(--ink);
    }
}
</style>
