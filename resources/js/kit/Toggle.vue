<script setup lang="ts" generic="T extends string">
/** A choice between a few words, all in sight. */
import { useId } from 'vue';

defineProps<{ label: string; modelValue: T; options: { value: T; name: string; title?: string }[]; hint?: string }>();
const emit = defineEmits<{ 'update:modelValue': [value: T] }>();
const id = useId();
</script>

<template>
    <div class="toggle" role="group" :aria-labelledby="id">
        <span :id="id" class="label">{{ label }}</span>
        <div class="row">
            <button
                v-for="option in options"
                :key="option.value"
                type="button"
                :aria-pressed="option.value === modelValue"
                :title="option.title"
                @click="emit('update:modelValue', option.value)"
            >
                {{ option.name }}
            </button>
        </div>
        <p v-if="hint" class="small faint">{{ hint }}</p>
    </div>
</template>

<style scoped>
.toggle {
    display: grid;
    gap: 0.2rem;
}
.label {
    font-weight: 600;
    font-family: var(--grotesque);
}
.row {
    display: flex;
    border: 1px solid var(--ink);
    background: var(--sheet);
}
button {
    flex: 1 1 auto;
    background: none;
    border: 0;
    border-left: 1px solid var(--ink);
    padding: 0.3rem 0.45rem;
    min-height: 32px;
    cursor: pointer;
    color: var(--ink);
}
button:first-child {
    border-left: 0;
}
button:hover {
    background: var(--shoal);
}
button[aria-pressed='true'] {
    background: var(--ink);
    color: var(--paper);
}
button:focus-visible {
    position: relative;
}
@media (pointer: coarse) {
    button {
        min-height: 44px;
    }
}
</style>
