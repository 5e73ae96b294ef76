<script setup lang="ts">
/** What a garden was: when it changed and what of it, each drawn small, and the way back. Undo is for the hand, this for the season. */
import { Head, Link, router } from '@inertiajs/vue3';
import { computed, ref } from 'vue';
import TubMini from '../drawing/TubMini.vue';
import { send } from '../kit/turns';
import Pages from '../kit/Pages.vue';
import { newName } from '../kit/unsaved';
import type { TubShape } from '../types/report';

interface Outline {
    name: string;
    count: number;
    stations: TubShape['stations'];
}

interface Row {
    revision: number;
    at: string;
    says: string[];
    tubs: Outline[];
}

const props = defineProps<{ id: string; name: string; revision: number; revisions: Row[]; page: number; pages: number }>();

const WIDTH = 210;
const HEIGHT = 64;
const GAP = 40;
/** Of tubs alike no more than so many are drawn. */
const MOST_ALIKE = 3;
const message = ref('');

const drawn = (row: Row): Outline[] => row.tubs.flatMap((t) => Array.from({ length: Math.min(t.count, MOST_ALIKE) }, () => t));
const across = (t: Outline): number => Math.max(...t.stations.map((s) => s.length_mm));
const widthOf = (row: Row): number => drawn(row).reduce((sum, t) => sum + across(t) + GAP, GAP);
/** All of them at one scale, so that a taller tub is taller. */
const scale = computed(() =>
    Math.min(
        WIDTH / Math.max(500, ...props.revisions.map(widthOf)),
        (HEIGHT - 6) / Math.max(300, ...props.revisions.flatMap((r) => r.tubs.map((t) => t.stations.at(-1)?.height_mm ?? 0))),
    ),
);
function placed(row: Row): { tub: Outline; x: number }[] {
    let x = GAP;
    return drawn(row).map((tub) => {
        const at = x + across(tub) / 2;
        x += across(tub) + GAP;
        return { tub, x: at * scale.value };
    });
}

const when = (iso: string): string =>
    new Date(iso).toLocaleString(undefined, {
        weekday: 'short',
        day: 'numeric',
        month: 'short',
        year: 'numeric',
        hour: '2-digit',
        minute: '2-digit',
    });

async function goBack(row: Row): Promise<void> {
    const answer = await send('Going back', `gardens/${props.id}/revisions/${row.revision}/restore`, {
        body: '{}',
        revision: props.revision,
        key: newName(),
    });
    if (answer.kind === 'done') return void router.visit(`/gardens/${props.id}`);
    message.value =
        answer.kind === 'conflict'
            ? 'It was changed in another window meanwhile. Look again.'
            : answer.kind === 'refused'
              ? `It does not pass what is asked of a garden now: ${answer.faults[0]?.pointer} ${answer.faults[0]?.message}`
              : 'message' in answer
                ? answer.message
                : 'That did not work.';
    if (answer.kind === 'conflict') router.reload();
}

async function copy(row: Row): Promise<void> {
    const old = await send<{ document: string }>('Copying', `gardens/${props.id}/revisions/${row.revision}`, { method: 'GET' });
    const made =
        old.kind === 'done'
            ? await send<{ id: string }>('Copying', 'gardens', { body: renamed(old.data.document, row), key: newName() })
            : old;
    if (made.kind === 'done') router.visit(`/gardens/${(made.data as { id: string }).id}`);
    else message.value = 'message' in made ? made.message : 'That did not work.';
}

function renamed(text: string, row: Row): string {
    const document = JSON.parse(text) as { name?: string };
    document.name = `${(document.name ?? 'Garden').slice(0, 90)} (${row.at.slice(0, 10)})`;
    return JSON.stringify(document);
}
</script>

<template>
    <Head :title="`History of ${name}`" />
    <main class="leaf">
        <header>
            <Link :href="`/gardens/${id}`" class="back">Back to the garden</Link>
            <h1>History of {{ name }}</h1>
            <p class="faint small">
                Every change of the last day, then one an hour for a week, one a day for two months, and one a week. Going back is a change
                too: nothing is lost by it. What is shown of an earlier design is judged by today’s rules.
            </p>
        </header>
        <p v-if="message" class="message" role="alert">{{ message }}</p>
        <ol>
            <li v-for="row in revisions" :key="row.revision" :data-revision="row.revision">
                <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" :width="WIDTH" :height="HEIGHT" role="img" :aria-label="`${row.tubs.length} tubs`">
                    <g v-for="(p, i) in placed(row)" :key="i" :transform="`translate(${p.x} ${HEIGHT - 2})`">
                        <TubMini :stations="p.tub.stations" :scale="scale" />
                    </g>
                    <line x1="0" :x2="WIDTH" :y1="HEIGHT - 1" :y2="HEIGHT - 1" />
                </svg>
                <div class="what">
                    <time :datetime="row.at">{{ when(row.at) }}</time>
                    <ul>
                        <li v-for="says in row.says" :key="says">{{ says }}</li>
                    </ul>
                </div>
                <span v-if="row.revision === revision" class="faint">As it is now</span>
                <span v-else class="acts">
                    <button type="button" class="box" @click="goBack(row)">
                        Go back to this<span class="hidden-visually"> of {{ when(row.at) }}</span>
                    </button>
                    <button type="button" class="word" @click="copy(row)">
                        As a copy<span class="hidden-visually"> of {{ when(row.at) }}</span>
                    </button>
                </span>
            </li>
        </ol>
        <Pages :page="page" :pages="pages" :href="`/gardens/${id}/history`" />
    </main>
</template>

<style scoped>
ol,
ul {
    list-style: none;
    margin: 0;
    padding: 0;
}
ol > li {
    display: grid;
    grid-template-columns: 210px 1fr auto;
    gap: 1.2rem;
    align-items: center;
    padding: 0.7rem 0;
    border-bottom: 1px solid var(--rule);
}
time {
    font-family: var(--grotesque);
    font-weight: 650;
}
.what {
    min-width: 0;
    overflow-wrap: anywhere;
}
.acts {
    display: flex;
    gap: 0.9rem;
    align-items: center;
}
line {
    stroke: var(--ink);
}
.message {
    border: 1px solid var(--ink);
    background: var(--sheet);
    padding: 0.6rem 1rem;
    margin: 0.8rem 0;
}
@media (max-width: 760px) {
    ol > li {
        grid-template-columns: 1fr;
        gap: 0.5rem;
    }
    .acts > * {
        min-height: 44px;
    }
}
</style>
