<script setup lang="ts">
/** The marking-out table of a lid: read from it, or written and pasted into it. */
import { computed, nextTick, ref } from 'vue';
import { dimension, number } from '../kit/format';
import { useGarden } from '../kit/garden';
import { useTyped } from '../kit/typed';
import type { Hole } from '../types/garden';
import { holesFrom } from './table';

defineProps<{ chosen: number | null }>();

const garden = useGarden();
const report = computed(() => garden.tubReport.value!);
const units = garden.units;
const lid = computed(() => report.value.shape.lid);
const holes = computed(() => report.value.layout.holes);
const heads = computed(() => (lid.value.round ? ['radius', 'angle'] : ['from left', 'from front']));
const rows = computed(() =>
    holes.value.map((h) =>
        lid.value.round
            ? [dimension(h.radius_mm ?? 0, units.value), `${number(h.angle_deg ?? 0, 1)}°`]
            : [dimension(h.from_left_mm ?? 0, units.value), dimension(h.from_front_mm ?? 0, units.value)],
    ),
);

const text = ref('');
const writing = ref(false);
/** The lid whose holes they are: a table that was being read when the lid changed is not this lid's. */
const { type, drop, fault } = useTyped<Hole[]>({
    name: 'marking-out table',
    read: (typed) => holesFrom(typed, lid.value, units.value),
    take: put,
    was: () => [garden.tub.value?.layout, garden.tub.value?.vessel],
    show: (left) => {
        text.value = left;
        writing.value = true;
    },
});
const area = ref<HTMLTextAreaElement | null>(null);

async function write(): Promise<void> {
    text.value = rows.value.map((cells) => cells.join('\t')).join('\n');
    drop();
    writing.value = true;
    await nextTick();
    area.value?.focus();
}

function put(read: Hole[]): void {
    garden.changeTub('write the marking-out table', (t) => {
        t.layout = { ...t.layout, pattern: 'manual', holes: read };
    });
    writing.value = false;
}

function leave(): void {
    drop();
    writing.value = false;
}
</script>

<template>
    <div class="scribe">
        <h2>
            Mark out
            <a class="small" :href="`/gardens/${garden.id}/${encodeURIComponent(report.id)}/marking-out`" target="_blank" rel="noopener"
                >Print it on one page</a
            >
        </h2>
        <template v-if="writing">
            <label for="table-text" class="small">One hole to a line: {{ heads[0] }}, {{ heads[1] }}</label>
            <textarea
                id="table-text"
                ref="area"
                v-model="text"
                rows="10"
                spellcheck="false"
                :aria-invalid="fault !== ''"
                aria-describedby="table-fault"
            />
            <p id="table-fault" class="small wrong" aria-live="polite">{{ fault }}</p>
            <div class="row">
                <button type="button" class="box" data-act="take-table" @click="type(text)">Put the holes there</button>
                <button type="button" class="word" @click="leave">Leave it</button>
            </div>
        </template>
        <template v-else>
            <table v-if="holes.length">
                <thead>
                    <tr>
                        <th scope="col">hole</th>
                        <th v-for="head in heads" :key="head" scope="col">{{ head }}</th>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="(cells, i) in rows" :key="i" :class="{ chosen: chosen === i }">
                        <td>{{ i + 1 }}</td>
                        <td v-for="(cell, j) in cells" :key="j">{{ cell }}</td>
                    </tr>
                </tbody>
            </table>
            <p class="small faint">
                {{ units === 'us' ? 'Inches, to a sixteenth.' : 'Millimetres, to a half.' }}
                {{ lid.round ? 'Angles run left round from the right.' : 'To hole centres, from the lid’s outer edges.' }}
            </p>
            <button type="button" class="word small" data-act="write-table" @click="write">Write or paste the table</button>
        </template>
    </div>
</template>

<style scoped>
.scribe {
    padding-top: 0.8rem;
    display: grid;
    gap: 0.4rem;
}
h2 {
    display: flex;
    justify-content: space-between;
    align-items: baseline;
    gap: 0.5rem;
}
a {
    font-family: var(--legible);
    font-weight: 400;
    letter-spacing: 0;
}
td,
th {
    padding: 0.15rem 0;
    text-align: right;
}
td:first-child,
th:first-child {
    text-align: left;
}
tr.chosen td {
    background: var(--water-wash);
}
textarea {
    width: 100%;
    font: inherit;
    color: var(--ink);
    background: var(--sheet);
    border: 1px solid var(--ink);
    padding: 0.4rem 0.6rem;
    resize: vertical;
}
.row {
    display: flex;
    gap: 0.8rem;
    align-items: center;
}
.wrong {
    color: var(--stop-text);
}
.wrong:empty {
    display: none;
}
button.word.small {
    justify-self: start;
    text-decoration: underline;
    text-underline-offset: 3px;
}
</style>
