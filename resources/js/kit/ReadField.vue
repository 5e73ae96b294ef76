<script setup lang="ts" generic="T">
/**
 * A line of text that the core reads: a sum of money, a dose as it stands on a packet. What was typed stays until it is taken, or is
 * written anew.
 */
import { computed, ref, useId, watch } from 'vue';
import { useTyped, type Understood } from './typed';

const props = defineProps<{
    /** What it is called among the fields of its place. */
    name: string;
    /** What is there now, as text. */
    shown: string;
    read: (text: string) => Promise<Understood<T>>;
    /** Does what was meant; outlives the field. */
    take: (value: T, text: string) => void;
    id?: string;
    label?: string;
    placeholder?: string;
    inputmode?: 'decimal' | 'numeric' | 'text';
    /** Whether it is read while it is being typed, and not only when it is left. */
    live?: boolean;
}>();

const own = useId();
const text = ref(props.shown);
const editing = ref(false);
const { type, busy, fault } = useTyped<T>({
    name: props.name,
    read: (typed) => props.read(typed),
    take: (value, typed) => props.take(value, typed),
    was: () => props.shown,
    show: (left) => (text.value = left),
});
watch([() => props.shown, busy, fault, editing], ([now]) => {
    if (!editing.value && !busy.value && !fault.value) text.value = now;
});

function input(event: Event): void {
    text.value = (event.target as HTMLInputElement).value;
    if (props.live) void type(text.value);
}
function leave(): void {
    editing.value = false;
    if (!props.live && text.value !== props.shown) void type(text.value);
}
const says = computed(() => (props.live && editing.value ? '' : fault.value));
</script>

<template>
    <input
        :id="id"
        class="text"
        :value="text"
        :inputmode="inputmode"
        :placeholder="placeholder"
        :aria-label="label"
        :aria-busy="busy"
        :aria-invalid="fault !== ''"
        :aria-describedby="says ? `${own}-says` : undefined"
        autocomplete="off"
        spellcheck="false"
        @focus="editing = true"
        @input="input"
        @blur="leave"
        @keydown.enter="leave"
    />
    <p v-if="says" :id="`${own}-says`" class="small wrong" role="status">{{ says }}</p>
</template>

<style scoped>
.wrong {
    color: var(--stop-text);
}
</style>
