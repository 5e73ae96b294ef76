<script setup lang="ts">
/** The tide staff: the way through the work. Water stands as high as the plan is sound, below the first mark that holds a stop. */
import { computed } from 'vue';
import { at, sound, worst } from '../kit/findings';
import { MARKS, type Mark } from '../marks';
import type { Finding } from '../types/report';

const props = withDefaults(defineProps<{ mark: Mark | 'bench'; findings: Finding[]; empty: boolean; planted?: boolean }>(), {
    planted: true,
});
const emit = defineEmits<{ go: [mark: Mark | 'bench'] }>();

const marks = computed(() => MARKS.map(({ key, digit, name }) => ({ key, digit, name, worst: worst(at(props.findings, key)) })));
const level = computed(() => (props.empty ? 0 : sound(props.findings, MARKS)));
/** The water's height: over the middle of the last sound mark, just under the first that is not. */
const water = computed(() => `${(level.value / MARKS.length) * 100}%`);
/** Sound is said only of a plan that grows something and has nothing against it but what is worth knowing. */
const says = computed(() => {
    const mends = props.findings.filter((finding) => finding.severity === 'mend').length;
    if (props.empty) return 'There is no plan yet: put a tub on the bench.';
    if (level.value === 0) return `Something stops the plan at ${MARKS[0]!.name}.`;
    if (level.value < MARKS.length) return `The plan is sound up to ${MARKS[level.value - 1]!.name}.`;
    if (mends > 0) return `Nothing stops the plan; ${mends === 1 ? 'one thing wants' : `${mends} things want`} mending.`;
    return props.planted ? 'The plan is sound at every mark.' : 'Nothing is found against the plan, and nothing grows in it yet.';
});
const WORDS = { stop: 'stop', mend: 'mend', mind: 'mind' } as const;
</script>

<template>
    <nav class="staff" aria-label="Marks">
        <button type="button" class="bench" :aria-current="mark === 'bench'" @click="emit('go', 'bench')">
            <span class="digit" aria-hidden="true">0</span>Bench
        </button>
        <div class="gauge">
            <div class="water" :style="{ height: water }">
                <svg viewBox="0 0 96 8" preserveAspectRatio="none" aria-hidden="true">
                    <path d="M0 8V4q6-5 12 0t12 0 12 0 12 0 12 0 12 0 12 0 12 0V8Z" />
                </svg>
            </div>
            <div class="ticks" aria-hidden="true" />
            <p class="hidden-visually">{{ says }}</p>
            <ol>
                <li v-for="m in marks" :key="m.key">
                    <button type="button" :aria-current="mark === m.key" :disabled="empty" :data-mark="m.key" @click="emit('go', m.key)">
                        <span class="digit" aria-hidden="true">{{ m.digit }}</span>
                        <span class="name">{{ m.name }}</span>
                        <span v-if="m.worst" class="worst" :class="m.worst">{{ WORDS[m.worst] }}</span>
                    </button>
                </li>
            </ol>
        </div>
    </nav>
</template>

<style scoped>
.staff {
    display: flex;
    flex-direction: column;
    width: 96px;
    border-right: 1px solid var(--ink);
    background: var(--sand);
    position: relative;
}
.bench {
    height: 62px;
    border: 0;
    border-bottom: 1px solid var(--ink);
    background: var(--sand);
    font-family: var(--grotesque);
    font-weight: 600;
    cursor: pointer;
    text-align: left;
    padding: 0 0 0 12px;
    color: var(--ink);
    position: relative;
}
.bench[aria-current='true'] {
    background: var(--ink);
    color: var(--paper);
}
.gauge {
    position: relative;
    flex: 1;
    overflow: hidden;
}
.water {
    position: absolute;
    inset: auto 0 0 0;
    background: var(--water-wash);
    transition: height 0.5s;
}
.water svg {
    position: absolute;
    left: 0;
    bottom: 100%;
    width: 100%;
    height: 7px;
    margin-bottom: -1px;
}
.water path {
    fill: var(--water-wash);
}
.ticks {
    position: absolute;
    inset: 0 0 0 auto;
    width: 14px;
    background:
        repeating-linear-gradient(to top, var(--ink) 0 1px, transparent 1px 10px) right / 6px 100% no-repeat,
        repeating-linear-gradient(to top, var(--ink) 0 1px, transparent 1px 50px) right / 14px 100% no-repeat;
    opacity: 0.55;
}
ol {
    position: absolute;
    inset: 0;
    margin: 0;
    padding: 0;
    list-style: none;
    display: flex;
    flex-direction: column-reverse;
}
li {
    flex: 1;
    display: grid;
    align-items: center;
}
li button {
    display: grid;
    justify-items: start;
    align-content: center;
    gap: 1px;
    min-height: 48px;
    background: none;
    border: 0;
    text-align: left;
    padding: 0 0 0 26px;
    cursor: pointer;
    color: var(--ink);
    position: relative;
    font-family: var(--grotesque);
}
li button:disabled {
    color: var(--faint);
    cursor: default;
}
.name {
    font-weight: 600;
    font-size: 1rem;
}
.digit {
    position: absolute;
    left: 9px;
    top: 50%;
    transform: translateY(-50%);
    font-size: 12px;
    color: var(--faint);
    font-family: var(--grotesque);
}
.bench .digit {
    display: none;
}
li button:hover:not(:disabled) .name,
.bench:hover {
    text-decoration: underline;
    text-underline-offset: 3px;
}
li button[aria-current='true'] {
    background: var(--ink);
    color: var(--paper);
    clip-path: polygon(0 0, calc(100% - 24px) 0, calc(100% - 12px) 50%, calc(100% - 24px) 100%, 0 100%);
}
li button[aria-current='true'] .digit {
    color: var(--paper);
}
.worst {
    font-size: 12px;
    font-weight: 650;
    line-height: 1;
    padding: 0 2px;
}
.worst.stop {
    color: var(--stop-text);
    border-bottom: 2px solid;
}
.worst.mend {
    color: var(--mend-text);
    border-bottom: 2px solid;
}
.worst.mind {
    color: var(--mind-text);
    font-weight: 500;
}
li button[aria-current='true'] .worst {
    color: var(--paper);
}
button:focus-visible {
    outline-offset: -3px;
}
@media (max-width: 760px) {
    .staff {
        display: none;
    }
}
</style>
