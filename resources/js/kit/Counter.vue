<script setup lang="ts">
/** A whole number with a button on each side; `null` stands for "as many as it carries". */
import { ref, useId, watch } from 'vue';
import { readBare } from './bare';
import { vShown } from './shown';

const props = defineProps<{ label: string; modelValue: number; least?: number; most?: number; hint?: string }>();
const emit = defineEmits<{ 'update:modelValue': [value: number] }>();
const id = useId();

const wrong = ref('');
const shown = ref(0);

/** What is not a whole number within the limits is not taken, and what would do is said. */
function set(text: string | number): void {
    const read = readBare(String(text), { least: props.least ?? 1, most: props.most ?? 200, whole: true });
    wrong.value = 'error' in read ? read.error : '';
    // The field shows what is so again.
    if ('value' in read) emit('update:modelValue', read.value);
    else shown.value++;
}
watch(
    () => props.modelValue,
    () => {
        wrong.value = '';
    },
);
</script>

<template>
    <div class="counter">
        <label :for="id">{{ label }}</label>
        <div class="row">
            <button type="button" :aria-label="`${label}: one fewer`" :disabled="modelValue <= (least ?? 1)" @click="set(modelValue - 1)">
                −
            </button>
            <input
                :id="id"
                :key="shown"
                inputmode="numeric"
                v-shown="modelValue"
                :aria-invalid="wrong !== ''"
                :aria-describedby="wrong ? `${id}-wrong` : undefined"
                @change="set(($event.target as HTMLInputElement).value)"
            />
            <button type="button" :aria-label="`${label}: one more`" :disabled="modelValue >= (most ?? 200)" @click="set(modelValue + 1)">
                +
            </button>
        </div>
        <p v-if="wrong" :id="`${id}-wrong`" class="small wrong" role="alert">{{ wrong }}</p>
        <p v-else-if="hint" class="small faint">{{ hint }}</p>
    </div>
</template>

<style scoped>
.counter {
    display: grid;
    gap: 0.2rem;
}
label {
    font-weight: 600;
    font-family: var(--grotesque);
}
.row {
    display: flex;
    border: 1px solid var(--ink);
    width: 9rem;
    background: var(--sheet);
}
button {
    width: 2.4rem;
    min-height: 32px;
    background: none;
    border: 0;
    cursor: pointer;
    font-size: 1.1rem;
    color: var(--ink);
}
button:hover:not(:disabled) {
    background: var(--shoal);
}
button:disabled {
    color: var(--rule);
    cursor: default;
}
input {
    flex: 1;
    min-width: 0;
    text-align: center;
    border: 0;
    border-inline: 1px solid var(--ink);
    background: none;
    color: var(--ink);
}
@media (pointer: coarse) {
    button {
        width: 2.75rem;
        min-height: 44px;
    }
}
</style>
