<script setup lang="ts">
/**
 * Something to read or to answer, over the page: the browser's own dialog, which keeps the focus inside, gives it back, and closes on
 * Escape.
 */
import { onMounted, useId, useTemplateRef, watch } from 'vue';

const props = defineProps<{ visible: boolean; title: string }>();
const emit = defineEmits<{ close: [] }>();

const id = useId();
const dialog = useTemplateRef<HTMLDialogElement>('dialog');

function show(now: boolean): void {
    if (now && !dialog.value?.open) dialog.value?.showModal();
    if (!now) dialog.value?.close();
}
onMounted(() => show(props.visible));
watch(() => props.visible, show, { flush: 'post' });
</script>

<template>
    <dialog ref="dialog" :aria-labelledby="id" @close="emit('close')" @click.self="emit('close')">
        <div v-if="visible" class="inside">
            <header>
                <h2 :id="id">{{ title }}</h2>
                <button type="button" class="box" @click="emit('close')">Close</button>
            </header>
            <slot />
        </div>
    </dialog>
</template>

<style scoped>
dialog {
    width: min(28rem, 94vw);
    max-height: 90dvh;
    padding: 0;
    border: 1px solid var(--ink);
    background: var(--sheet);
    color: var(--ink);
}
dialog::backdrop {
    background: rgba(20, 30, 24, 0.45);
}
.inside {
    padding: 1.1rem;
}
header {
    display: flex;
    align-items: center;
    justify-content: space-between;
    margin-bottom: 0.8rem;
}
h2 {
    font-size: 1.15rem;
    margin: 0;
}
</style>
