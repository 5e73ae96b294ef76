<script setup lang="ts">
/** Over every mark: the garden's name, its tubs to scale to choose from, units, undo and redo, the night, and how the keeping stands. */
import { Link, router } from '@inertiajs/vue3';
import { computed, nextTick, onBeforeUnmount, onMounted, ref, watch } from 'vue';
import TubMini from '../drawing/TubMini.vue';
import { useGarden } from '../kit/garden';
import { isNight, setNight } from '../kit/theme';
import { vShown } from '../kit/shown';

const props = defineProps<{ onBench: boolean }>();
const emit = defineEmits<{ choose: [tub: string]; keys: [] }>();

const garden = useGarden();
const tubs = computed(() => garden.report.value.tubs);
const tallest = computed(() => Math.max(200, ...tubs.value.map((t) => t.levels.rim_mm)));
const widest = computed(() => Math.max(200, ...tubs.value.map((t) => t.shape.lid.length_mm)));
const scale = computed(() => Math.min(26 / tallest.value, 58 / widest.value));
const night = ref(isNight());
const state = computed(
    () =>
        ({
            saved: 'Saved',
            saving: 'Saving',
            away: 'Not saved yet',
            full: 'Not saved yet',
            refused: 'Not saved',
            conflict: 'Not saved',
            gone: 'Not saved',
            failed: 'Not saved',
        })[garden.save.value],
);
/** What undo or redo has done is said for a while. */
const SAID_MS = 4000;
const stepped = ref('');
let saying: ReturnType<typeof setTimeout> | undefined;
watch(
    () => garden.stepped.value,
    (now) => {
        clearTimeout(saying);
        stepped.value = now;
        if (now) saying = setTimeout(() => (stepped.value = ''), SAID_MS);
    },
);
onBeforeUnmount(() => clearTimeout(saying));
const editing = ref(false);

/** The chosen tub stays in sight where there is not room for all. */
const strip = ref<HTMLElement | null>(null);
function bring(): void {
    const bar = strip.value;
    const chosen = bar?.querySelector<HTMLElement>('[aria-pressed=true]');
    if (bar && chosen) bar.scrollLeft = chosen.offsetLeft - bar.offsetLeft - (bar.clientWidth - chosen.offsetWidth) / 2;
}
onMounted(bring);
watch(
    () => garden.selected.value,
    () => void nextTick(bring),
);

function rename(event: Event): void {
    const name = (event.target as HTMLInputElement).value.trim().slice(0, 120);
    editing.value = false;
    if (name)
        garden.change('rename the garden', (g) => {
            g.name = name;
        });
}

async function copy(): Promise<void> {
    const id = await garden.copy();
    if (id) router.visit(`/gardens/${id}`);
}

function file(): void {
    const { name, content } = garden.file();
    const link = document.createElement('a');
    link.href = URL.createObjectURL(new Blob([content], { type: 'application/json' }));
    link.download = name;
    link.click();
    // The browser has read it by the next turn.
    setTimeout(() => URL.revokeObjectURL(link.href), 1000);
}

function flip(): void {
    night.value = !night.value;
    setNight(night.value);
}
</script>

<template>
    <header>
        <div class="name">
            <nav class="back" aria-label="Beside this garden">
                <Link href="/">All gardens</Link>
                <Link href="/library">Library</Link>
                <button type="button" data-act="copy-garden" @click="copy">Copy</button>
                <button type="button" aria-label="Save as a file" @click="file">
                    <span class="wide">Save as a file</span><span class="narrow">File</span>
                </button>
                <Link :href="`/gardens/${garden.id}/history`">History</Link>
            </nav>
            <h1 v-if="!editing">
                <button type="button" class="title" title="Rename" @click="editing = true">
                    {{ garden.document.value.name || 'Garden' }}
                </button>
            </h1>
            <input
                v-else
                v-shown="garden.document.value.name"
                aria-label="Name of the garden"
                maxlength="120"
                @vue:mounted="({ el }: { el: HTMLInputElement | null }) => el?.select()"
                @blur="rename"
                @keydown.enter="rename"
                @keydown.esc="editing = false"
            />
        </div>
        <div ref="strip" class="strip" role="group" aria-label="Tubs">
            <button
                v-for="tub in tubs"
                :key="tub.id"
                type="button"
                :data-to="tub.id"
                :aria-pressed="!props.onBench && garden.selected.value === tub.id"
                @click="emit('choose', tub.id)"
            >
                <svg :width="Math.max(30, tub.shape.lid.length_mm * scale + 4)" height="30" aria-hidden="true">
                    <g :transform="`translate(${Math.max(30, tub.shape.lid.length_mm * scale + 4) / 2} 29)`">
                        <TubMini :stations="tub.shape.stations" :scale="scale" :lid="tub.shape.in_mouth ? 0 : tub.shape.lid.length_mm" />
                    </g>
                </svg>
                <span class="small"
                    >{{ tub.name }}<template v-if="tub.count > 1"> ×{{ tub.count }}</template></span
                >
            </button>
        </div>
        <div class="tools">
            <span class="units" role="group" aria-label="Units">
                <button
                    type="button"
                    class="word"
                    :aria-pressed="garden.units.value === 'metric'"
                    @click="
                        garden.change('change units', (g) => {
                            g.units = 'metric';
                        })
                    "
                >
                    mm
                </button>
                <button
                    type="button"
                    class="word"
                    :aria-pressed="garden.units.value === 'us'"
                    @click="
                        garden.change('change units', (g) => {
                            g.units = 'us';
                        })
                    "
                >
                    in
                </button>
            </span>
            <button
                type="button"
                class="word"
                :disabled="!garden.history.canUndo.value"
                :title="garden.history.undoSays.value ? `Undo: ${garden.history.undoSays.value}` : ''"
                @click="garden.undo()"
            >
                Undo
            </button>
            <button
                type="button"
                class="word"
                :disabled="!garden.history.canRedo.value"
                :title="garden.history.redoSays.value ? `Redo: ${garden.history.redoSays.value}` : ''"
                @click="garden.redo()"
            >
                Redo
            </button>
            <button type="button" class="word" :aria-pressed="night" @click="flip">Night</button>
            <button type="button" class="word" @click="emit('keys')">Keys</button>
            <span class="state small" :class="garden.save.value" role="status">{{ state }}</span>
            <span class="stepped small" role="status">{{ stepped }}</span>
        </div>
    </header>
</template>

<style scoped>
header {
    position: relative;
    display: flex;
    align-items: stretch;
    gap: 1rem;
    height: 62px;
    border-bottom: 1px solid var(--ink);
    padding: 0 1rem 0 1.1rem;
    background: var(--paper);
}
.name {
    display: flex;
    flex-direction: column;
    justify-content: center;
    min-width: 0;
    max-width: 17rem;
}
h1 {
    font-size: 1.25rem;
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
}
.title {
    background: none;
    border: 0;
    padding: 0;
    min-height: 24px;
    font: inherit;
    color: inherit;
    cursor: text;
    max-width: 100%;
    overflow: hidden;
    text-overflow: ellipsis;
}
.title:hover {
    text-decoration: underline;
    text-decoration-style: dotted;
    text-underline-offset: 4px;
}
.back {
    display: flex;
    gap: 0.7rem;
    white-space: nowrap;
}
.back > * {
    font-size: 12px;
    font-family: var(--legible);
    color: var(--faint);
    text-decoration: none;
    min-height: 24px;
    display: inline-flex;
    align-items: end;
    background: none;
    border: 0;
    padding: 0;
    cursor: pointer;
}
.back .narrow {
    display: none;
}
.back > *:hover {
    text-decoration: underline;
}
.name input {
    font-family: var(--grotesque);
    font-weight: 700;
    font-size: 1.15rem;
    border: 1px solid var(--ink);
    background: var(--sheet);
    color: var(--ink);
    padding: 0.1rem 0.4rem;
    width: 15rem;
}
.strip {
    flex: 1;
    min-width: 0;
    display: flex;
    align-items: stretch;
    gap: 0.1rem;
    overflow-x: auto;
    scrollbar-width: none;
    justify-content: safe center;
}
.strip button {
    background: none;
    border: 0;
    border-bottom: 4px solid transparent;
    cursor: pointer;
    display: flex;
    flex-direction: column;
    align-items: center;
    justify-content: flex-end;
    padding: 0 0.45rem 2px;
    color: var(--faint);
    white-space: nowrap;
    /* All in sight as long as their names can be told by their beginnings. */
    flex: 0 1 auto;
    min-width: 4.6rem;
}
.strip button span {
    max-width: 100%;
    overflow: hidden;
    text-overflow: ellipsis;
}
.strip button:hover {
    border-bottom-color: var(--rule);
}
.strip button[aria-pressed='true'] {
    flex-shrink: 0;
    border-bottom-color: var(--ink);
    color: var(--ink);
    font-weight: 600;
}
.strip .small {
    font-size: 12px;
}
.tools {
    display: flex;
    align-items: center;
    gap: 0.7rem;
    white-space: nowrap;
}
.units {
    display: inline-flex;
    gap: 0.4rem;
}
.stepped {
    position: absolute;
    z-index: 2;
    top: 62px;
    right: 1rem;
    background: var(--shoal);
    padding: 0.15rem 0.6rem;
}
.stepped:empty {
    display: none;
}
.state {
    color: var(--faint);
    min-width: 3.2rem;
}
.state:is(.away, .full, .refused, .conflict, .gone, .failed) {
    color: var(--stop-text);
    font-weight: 600;
}
button:focus-visible {
    outline-offset: -2px;
}
@media (max-width: 1100px) {
    .strip span {
        max-width: 6rem;
        overflow: hidden;
        text-overflow: ellipsis;
    }
}
@media (max-width: 760px) {
    header {
        height: auto;
        flex-wrap: wrap;
        padding: 0 0.8rem;
        gap: 0 0.6rem;
    }
    .name {
        flex: 1 1 100%;
        max-width: 100%;
        flex-direction: row;
        align-items: center;
        justify-content: space-between;
        gap: 0.8rem;
    }
    .name h1 {
        order: -1;
        font-size: 1.1rem;
        flex: 0 1 auto;
        min-width: 0;
    }
    .back {
        gap: 0.6rem;
    }
    .back .wide {
        display: none;
    }
    .back .narrow {
        display: inline;
    }
    .strip {
        order: 3;
        flex-basis: 100%;
        justify-content: flex-start;
    }
    .strip button {
        min-height: 48px;
    }
    .tools {
        flex: 1;
        justify-content: flex-start;
        gap: 0.2rem 0.9rem;
    }
    .tools .word {
        min-height: 44px;
    }
    .state {
        margin-left: auto;
        min-width: 0;
        overflow: hidden;
        text-overflow: ellipsis;
    }
    .back > * {
        min-height: 44px;
        align-items: center;
    }
    .tools > button:nth-last-of-type(1) {
        display: none;
    }
}
</style>
