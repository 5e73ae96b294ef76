<script setup lang="ts">
/** A line to write in, with its label over it, or beside it where that fits. */
defineProps<{ id: string; label: string; beside?: boolean }>();
</script>

<template>
    <div class="field" :class="{ beside }">
        <label :for="id">{{ label }}</label>
        <slot />
    </div>
</template>

<style scoped>
.field {
    display: grid;
    gap: 0.2rem;
}
.field:not(.beside) label {
    font-weight: 600;
    font-family: var(--grotesque);
}
.beside {
    grid-template-columns: 1fr 7.25rem;
    align-items: center;
    column-gap: 0.5rem;
}
</style>
