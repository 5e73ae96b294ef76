<script setup lang="ts">
/** One figure of the reckoning: what it is, its value, what it is held against, and on asking how it comes about. */
import { useMeasures } from './garden';
import { computed, onBeforeUnmount, ref, useId, watch } from 'vue';

const props = defineProps<{
    label: string;
    value: string;
    note?: string;
    why?: string | undefined;
    /** Where the value and its limit lie on a bar, 0 … 1. */
    share?: number | null;
    limit?: number | null;
    tone?: 'stop' | 'mend' | 'mind' | null;
}>();

const id = useId();
const open = ref(false);
const before = ref('');
let timer: ReturnType<typeof setTimeout> | undefined;

/** What a value was is shown for a moment when it changes, but not when only the unit does. */
const { units } = useMeasures();
watch([() => props.value, units], ([value, unit], [old, unitBefore]) => {
    clearTimeout(timer);
    before.value = unit === unitBefore && value !== old ? old : '';
    timer = setTimeout(() => (before.value = ''), 2500);
});
onBeforeUnmount(() => clearTimeout(timer));

const parts = computed(() => {
    const cut = props.value.lastIndexOf('\u202f');
    return cut < 0 ? [props.value, ''] : [props.value.slice(0, cut), props.value.slice(cut + 1)];
});
const percent = (share: number): string => `${Math.max(0, Math.min(1, share)) * 100}%`;
</script>

<template>
    <div class="figure" :class="tone ?? ''">
        <div class="head">
            <button v-if="why" type="button" class="ask" :aria-expanded="open" :aria-controls="id" @click="open = !open">
                {{ label }}<span class="hidden-visually">: why {{ value }}?</span>
            </button>
            <span v-else>{{ label }}</span>
            <span class="value"
                ><span v-if="before" class="before">was {{ before }}</span
                ><span class="number big">{{ parts[0] }}</span> {{ parts[1] }}</span
            >
        </div>
        <div v-if="share !== undefined && share !== null" class="bar" aria-hidden="true">
            <i class="run" :style="{ width: percent(share) }" />
            <i v-if="limit !== undefined && limit !== null" class="limit" :style="{ left: percent(limit) }" />
        </div>
        <p v-if="note" class="small faint">{{ note }}</p>
        <p v-if="open" :id="id" class="why small">{{ why }}</p>
    </div>
</template>

<style scoped>
.figure {
    padding: 0.5rem 0;
    border-bottom: 1px solid var(--rule);
}
.head {
    display: flex;
    align-items: baseline;
    justify-content: space-between;
    gap: 0.5rem;
}
.ask {
    background: none;
    border: 0;
    border-bottom: 1px dotted var(--faint);
    padding: 0.1rem 0;
    min-height: 24px;
    cursor: help;
    text-align: left;
    color: var(--ink);
}
.ask:hover {
    border-bottom-style: solid;
}
.value {
    position: relative;
    white-space: nowrap;
    text-align: right;
}
.big {
    font-size: 1.35rem;
    font-weight: 700;
}
.before {
    position: absolute;
    right: 0;
    bottom: 82%;
    color: var(--faint);
    font-size: 0.75rem;
    background: var(--paper);
    padding-left: 0.3rem;
    line-height: 1;
}
.bar {
    position: relative;
    height: 9px;
    margin: 0.25rem 0;
}
.bar::before {
    content: '';
    position: absolute;
    left: 0;
    right: 0;
    top: 4px;
    height: 1px;
    background: var(--rule);
}
.run {
    position: absolute;
    left: 0;
    top: 3px;
    height: 3px;
    background: var(--kelp);
}
.limit {
    position: absolute;
    top: 0;
    width: 2px;
    height: 9px;
    background: var(--ink);
}
.stop .run {
    background: var(--stop);
}
.mend .run {
    background: var(--mend);
}
.mind .run {
    background: var(--mind);
}
.why {
    border-left: 3px solid var(--water);
    padding: 0.1rem 0 0.1rem 0.6rem;
    margin-top: 0.3rem;
}
</style>
