<script setup lang="ts">
/** The patterns this lid could have, drawn small to one scale with how many cups and how far apart; the last is by hand. */
import { computed, onBeforeUnmount, ref, watch } from 'vue';
import { dimension } from '../kit/format';
import { useGarden } from '../kit/garden';
import { useTurns } from '../kit/turns';
import type { Answers, Candidate } from '../types/answers';

const props = defineProps<{ modelValue: string }>();
const emit = defineEmits<{ 'update:modelValue': [pattern: string] }>();

const garden = useGarden();
const report = computed(() => garden.tubReport.value!);
const found = ref<Candidate[]>([]);
const { ask, stop, busy: looking } = useTurns();
let timer: ReturnType<typeof setTimeout> | undefined;

/** What the candidates depend on: asked for again only when that changes. */
const question = computed(() =>
    JSON.stringify([
        report.value.id,
        report.value.shape.lid,
        report.value.shape.stations,
        report.value.shape.cup,
        report.value.hole.diameter_mm,
        report.value.layout.count,
    ]),
);

watch(
    question,
    () => {
        clearTimeout(timer);
        stop();
        timer = setTimeout(() => void look(), 250);
    },
    { immediate: true },
);

async function look(): Promise<void> {
    const answer = await ask<Answers['layouts']>(`layouts?tub=${encodeURIComponent(report.value.id)}`, {
        body: JSON.stringify(garden.document.value),
    });
    if (answer?.kind === 'done') found.value = answer.data.candidates;
}

onBeforeUnmount(() => clearTimeout(timer));

const NAMES: Record<string, string> = {
    best: 'the best',
    single: 'single',
    grid: 'grid',
    staggered: 'staggered',
    ring: 'ring',
    corners: 'corners',
    panels: 'panels',
    spread: 'spread',
    manual: 'by hand',
};
const lid = computed(() => report.value.shape.lid);
const scale = computed(() => Math.min(62 / lid.value.length_mm, 40 / lid.value.width_mm));
const options = computed(() => [
    {
        pattern: 'best',
        count: report.value.layout.count,
        spacing_mm: props.modelValue === 'best' ? report.value.layout.spacing_mm : null,
        holes: props.modelValue === 'best' ? report.value.layout.holes : [],
    },
    ...found.value,
    { pattern: 'manual', count: 0, spacing_mm: null, holes: props.modelValue === 'manual' ? report.value.layout.holes : [] },
]);
const says = (c: Candidate): string =>
    c.pattern === 'manual'
        ? 'yours'
        : c.pattern === 'best'
          ? 'of these'
          : c.spacing_mm === null
            ? String(c.count)
            : `${c.count} at ${dimension(c.spacing_mm, garden.units.value)}`;
</script>

<template>
    <div class="pick" role="group" aria-labelledby="pattern-label">
        <span id="pattern-label" class="label">Pattern</span>
        <div class="shelf" :aria-busy="looking">
            <button
                v-for="c in options"
                :key="c.pattern"
                type="button"
                :aria-pressed="modelValue === c.pattern"
                :data-pattern="c.pattern"
                @click="emit('update:modelValue', c.pattern)"
            >
                <svg width="66" height="44" viewBox="-33 -22 66 44" aria-hidden="true">
                    <rect
                        :x="(-lid.length_mm / 2) * scale"
                        :y="(-lid.width_mm / 2) * scale"
                        :width="lid.length_mm * scale"
                        :height="lid.width_mm * scale"
                        :rx="lid.corner_radius_mm * scale"
                    />
                    <circle
                        v-for="(h, i) in c.holes"
                        :key="i"
                        :cx="h.x_mm * scale"
                        :cy="-h.y_mm * scale"
                        :r="Math.max(1.6, (report.hole.diameter_mm / 2) * scale)"
                    />
                    <path v-if="c.pattern === 'best' && !c.holes.length" d="M-7 1l5 5 9-12" class="tick" />
                    <path v-if="c.pattern === 'manual' && !c.holes.length" d="M-6 8l2-6 9-9 4 4-9 9z" class="tick" />
                </svg>
                <b>{{ NAMES[c.pattern] }}</b>
                <span>{{ says(c) }}</span>
            </button>
        </div>
        <p class="small faint looking" role="status">{{ looking ? 'Looking for others' : '' }}</p>
    </div>
</template>

<style scoped>
.pick {
    display: grid;
    gap: 0.3rem;
}
.label {
    font-weight: 600;
    font-family: var(--grotesque);
}
.shelf {
    display: grid;
    grid-template-columns: repeat(3, minmax(0, 1fr));
    gap: 0.15rem;
    /* Room for those that are being looked for, so that nothing below moves under the hand when they come. */
    min-height: 16rem;
    align-content: start;
}
.looking {
    min-height: 1.3em;
}
button {
    display: grid;
    justify-items: center;
    gap: 1px;
    padding: 0.35rem 0.1rem 0.25rem;
    background: none;
    border: 1px solid transparent;
    cursor: pointer;
    color: var(--ink);
    font-size: 0.75rem;
    line-height: 1.25;
}
button b {
    font-weight: 600;
    font-family: var(--grotesque);
}
button span {
    color: var(--faint);
}
button:hover {
    border-color: var(--rule);
}
button[aria-pressed='true'] {
    border-color: var(--ink);
    background: var(--shoal);
}
button[aria-pressed='true'] span {
    color: var(--ink);
}
rect {
    fill: var(--sheet);
    stroke: var(--ink);
    stroke-width: 1.2;
}
circle {
    fill: var(--water);
    stroke: none;
}
.tick {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.8;
    stroke-linejoin: round;
}
</style>
