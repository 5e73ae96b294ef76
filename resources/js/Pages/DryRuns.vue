<script setup lang="ts">
/** Dry runs: six short lessons, and the runs that are kept. */
import { Head, Link, router } from '@inertiajs/vue3';
import { computed, ref } from 'vue';
import GardenSketch, { type SketchTub } from '../drawing/GardenSketch.vue';
import type { Fault } from '../kit/api';
import { send } from '../kit/turns';
import { whyNot } from '../dryrun/run';
import type { DryRun } from '../types/dry-run';

interface Lesson {
    key: string;
    title: string;
    about: string;
    minutes: number;
    sketch: SketchTub[];
}
interface Row {
    id: string;
    name: string;
    lesson: string | null;
    seed: number;
    day: number;
    over: boolean;
    at: string;
}
const props = defineProps<{ lessons: Lesson[]; runs: Row[] }>();

const message = ref('');
async function begin(lesson: string): Promise<void> {
    const answer = await send<DryRun>('Beginning a lesson', 'dry-runs', { body: JSON.stringify({ lesson }) });
    if (answer.kind === 'done') router.visit(`/dry-runs/${answer.data.id}`);
    else message.value = whyNot(answer);
}
async function remove(row: Row): Promise<void> {
    const answer = await send('Taking a run away', `dry-runs/${row.id}`, { method: 'DELETE' });
    if (answer.kind === 'done' || answer.kind === 'gone') router.reload();
    else message.value = whyNot(answer);
}
const fault = (f: Fault | undefined): string => (f ? `${f.pointer.slice(1)} ${f.message}` : '');
async function take(files: FileList | null): Promise<void> {
    const text = await files?.[0]?.text().catch(() => null);
    if (text === null || text === undefined) return;
    const answer = await send<DryRun>('Reading a run', 'dry-runs/file', { body: JSON.stringify({ text }) });
    if (answer.kind === 'done') return void router.visit(`/dry-runs/${answer.data.id}`);
    message.value =
        answer.kind === 'refused' ? `This is no dry run that can be played: ${fault(answer.faults[0]) || answer.message}.` : whyNot(answer);
}
const begun = computed(() => new Map(props.runs.filter((r) => r.lesson).map((r) => [r.lesson!, r])));
const when = (iso: string): string => new Date(iso).toLocaleDateString(undefined, { day: 'numeric', month: 'short' });
const title = (row: Row): string => props.lessons.find((l) => l.key === row.lesson)?.title ?? row.name;
</script>

<template>
    <Head title="Dry runs" />
    <main class="leaf">
        <header>
            <Link href="/" class="back">All gardens</Link>
            <h1>Dry runs</h1>
            <p class="faint">
                A season lived through before a seed is sown: you read the tub as in life, decide, let days pass, and are told at the end
                what each decision did. Of your own tubs you begin one at the Bench or the Log.
            </p>
        </header>
        <p v-if="message" class="message" role="alert">{{ message }}</p>
        <section aria-label="Lessons">
            <h2>Six short lessons</h2>
            <ol class="lessons">
                <li v-for="(l, i) in lessons" :key="l.key" :data-lesson="l.key">
                    <GardenSketch :tubs="l.sketch" />
                    <div>
                        <h3>{{ i + 1 }}. {{ l.title }}</h3>
                        <p class="small">{{ l.about }}</p>
                        <p class="small faint">Some {{ l.minutes }} minutes.</p>
                    </div>
                    <span class="acts">
                        <button type="button" class="box" @click="begin(l.key)">
                            {{ begun.has(l.key) ? 'Take it again' : 'Take it' }}<span class="hidden-visually">: {{ l.title }}</span>
                        </button>
                        <Link v-if="begun.get(l.key)?.over === false" :href="`/dry-runs/${begun.get(l.key)!.id}`" class="word small">
                            Go on, day {{ begun.get(l.key)!.day }}
                        </Link>
                    </span>
                </li>
            </ol>
        </section>
        <section aria-label="Kept runs">
            <div class="head">
                <h2>Kept</h2>
                <label class="box file"
                    >Read a run from a file<input
                        type="file"
                        accept=".json,application/json"
                        class="hidden-visually"
                        @change="take(($event.target as HTMLInputElement).files)"
                /></label>
            </div>
            <ul v-if="runs.length" class="kept">
                <li v-for="r in runs" :key="r.id" :data-run="r.id">
                    <Link :href="`/dry-runs/${r.id}`">{{ title(r) }}</Link>
                    <span class="faint small">{{ r.over ? 'over' : `day ${r.day}` }}, seed {{ r.seed }}, {{ when(r.at) }}</span>
                    <button type="button" class="word small" :aria-label="`Take away: ${title(r)}, seed ${r.seed}`" @click="remove(r)">
                        Take away
                    </button>
                </li>
            </ul>
            <p v-else class="faint">None yet.</p>
        </section>
    </main>
</template>

<style scoped>
.leaf {
    max-width: 62rem;
    margin: 0 auto;
    padding: 1.2rem 1.4rem 3rem;
    display: grid;
    gap: 1.3rem;
}
header p {
    max-width: 46rem;
}
.back {
    font-size: 0.875rem;
}
.lessons {
    list-style: none;
    margin: 0.5rem 0 0;
    padding: 0;
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(26rem, 1fr));
    column-gap: 2rem;
}
.lessons li {
    display: grid;
    grid-template-columns: 92px 1fr auto;
    gap: 0.9rem;
    align-items: start;
    padding: 0.7rem 0;
    border-top: 1px solid var(--rule);
}
.lessons :deep(svg) {
    width: 168px;
    max-width: none;
    height: auto;
    margin: 0 -38px;
    clip-path: inset(0 38px);
}
.acts {
    display: grid;
    justify-items: end;
    gap: 0.2rem;
}
.head {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: 1rem;
}
.file {
    cursor: pointer;
}
.kept {
    list-style: none;
    padding: 0;
    margin: 0.4rem 0 0;
}
.kept li {
    display: grid;
    grid-template-columns: 1fr auto auto;
    gap: 1rem;
    align-items: baseline;
    padding: 0.25rem 0;
    border-top: 1px solid var(--rule);
}
.message {
    color: var(--stop-text);
}
@media (max-width: 760px) {
    .lessons {
        grid-template-columns: 1fr;
    }
    .lessons li {
        grid-template-columns: 92px 1fr;
    }
    .acts {
        grid-column: 2;
        justify-items: start;
    }
    .kept li {
        grid-template-columns: 1fr auto;
    }
}
</style>
