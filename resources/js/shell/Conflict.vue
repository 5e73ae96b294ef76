<script setup lang="ts">
/** A garden that two windows changed at the same place: both at one scale, what differs field by field, and which is to count. */
import { computed, shallowRef, watch, type ShallowRef } from 'vue';
import { useGarden } from '../kit/garden';
import { useTurns } from '../kit/turns';
import Sheet from '../kit/Sheet.vue';
import TubElevation from '../drawing/TubElevation.vue';
import { plantsOf, topOf, widthOf } from '../drawing/shape';
import type { Report, TubReport } from '../types/report';

const props = defineProps<{ visible: boolean }>();
const emit = defineEmits<{ close: []; copy: [] }>();

const WIDTH = 330;
/** The drawings are no higher than this, and no higher than what they show. */
const MOST_HEIGHT = 190;
const GAP = 60;
/** Of tubs alike no more than so many are drawn. */
const MOST_ALIKE = 3;

const garden = useGarden();
const conflict = computed(() => garden.saver.theirs.value);
const mine = shallowRef<Report | null>(null);
const theirs = shallowRef<Report | null>(null);

const [ofMine, ofTheirs] = [useTurns(), useTurns()];
async function look(at: ShallowRef<Report | null>, turns: typeof ofMine, document: string): Promise<void> {
    const answer = await turns.ask<Report>('preview', { body: document });
    if (answer) at.value = answer.kind === 'done' ? answer.data : null;
}
watch(
    () => [props.visible, conflict.value] as const,
    ([visible, now]) => {
        if (!visible || !now) return;
        void look(mine, ofMine, now.withMine);
        void look(theirs, ofTheirs, now.withTheirs);
    },
    { immediate: true },
);

const differences = computed(() => conflict.value?.differences ?? []);
const sides = computed(() =>
    [
        { name: 'This window', report: mine.value },
        { name: 'The other window', report: theirs.value },
    ].map((side) => ({
        ...side,
        tubs: (side.report?.tubs ?? []).flatMap((t) => Array.from({ length: Math.min(t.count, MOST_ALIKE) }, () => t)),
    })),
);
const tallest = computed(() => Math.max(300, ...sides.value.flatMap((s) => s.tubs.map((t) => topOf(t) + plantsOf(t)))));
const widthOfAll = (tubs: TubReport[]): number => tubs.reduce((sum, t) => sum + widthOf(t) + GAP, GAP);
const scale = computed(() =>
    Math.max(
        0.02,
        Math.min((WIDTH - 8) / Math.max(300, ...sides.value.map((s) => widthOfAll(s.tubs))), (MOST_HEIGHT - 24) / tallest.value),
    ),
);
const height = computed(() => Math.round(tallest.value * scale.value) + 24);
function placed(tubs: TubReport[]): { tub: TubReport; x: number }[] {
    let x = WIDTH / 2 / scale.value - widthOfAll(tubs) / 2 + GAP;
    return tubs.map((tub) => {
        const at = x + widthOf(tub) / 2;
        x += widthOf(tub) + GAP;
        return { tub, x: at * scale.value };
    });
}
</script>

<template>
    <Sheet class="conflict" :visible="visible" title="Two windows changed this garden" @close="emit('close')">
        <p class="small">Nothing was overwritten. What only one window changed is kept either way; the rest is yours to choose.</p>
        <div class="sides">
            <figure v-for="side in sides" :key="side.name">
                <figcaption>{{ side.name }}</figcaption>
                <svg
                    class="drawing"
                    :viewBox="`0 0 ${WIDTH} ${height}`"
                    role="img"
                    :aria-label="`The garden in ${side.name.toLowerCase()}`"
                >
                    <g v-for="(p, i) in placed(side.tubs)" :key="i" :transform="`translate(${p.x} ${height - 8})`">
                        <TubElevation :tub="p.tub" :scale="scale" :bubbles="false" />
                    </g>
                    <line class="pen" x1="2" :x2="WIDTH - 2" :y1="height - 7" :y2="height - 7" />
                </svg>
            </figure>
        </div>
        <div class="list" tabindex="0" role="group" aria-label="What differs">
            <table>
                <thead>
                    <tr>
                        <th scope="col">What differs</th>
                        <th scope="col">This window</th>
                        <th scope="col">The other window</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="(d, i) in differences" :key="i">
                        <th scope="row">
                            {{ d.where }}<template v-if="d.where && d.what">: </template>{{ d.what || (d.where ? '' : 'the garden') }}
                        </th>
                        <td>{{ d.what === '' ? (d.mine === null ? 'not there' : 'there') : (d.mine ?? '–') }}</td>
                        <td>{{ d.what === '' ? (d.theirs === null ? 'not there' : 'there') : (d.theirs ?? '–') }}</td>
                    </tr>
                </tbody>
            </table>
        </div>
        <div class="acts">
            <button type="button" class="box strong" @click="garden.keepMine()">Keep mine</button>
            <button type="button" class="box strong" @click="garden.takeTheirs()">Keep theirs</button>
            <button type="button" class="box strong" @click="emit('copy')">Keep both, mine as a copy</button>
        </div>
        <p class="small faint">Keep mine, and theirs stays in this garden's history. Keep theirs, and Undo brings yours back.</p>
    </Sheet>
</template>

<style scoped>
.conflict {
    width: min(46rem, 96vw);
}
.sides {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 1rem;
    margin: 0.6rem 0;
}
figure {
    margin: 0;
}
figcaption {
    font-family: var(--grotesque);
    font-weight: 650;
}
svg {
    display: block;
    width: 100%;
}
.list {
    max-height: 30vh;
    overflow: auto;
    border-top: 1px solid var(--rule);
}
table {
    width: 100%;
    border-collapse: collapse;
}
th,
td {
    text-align: left;
    vertical-align: top;
    padding: 0.3rem 0.8rem 0.3rem 0;
    border-bottom: 1px solid var(--rule);
    overflow-wrap: anywhere;
    color: var(--ink);
}
tbody th {
    font-weight: 600;
}
.acts {
    display: flex;
    flex-wrap: wrap;
    gap: 0.6rem;
    margin: 0.9rem 0 0.6rem;
}
@media (max-width: 560px) {
    .sides {
        grid-template-columns: 1fr;
    }
}
</style>
