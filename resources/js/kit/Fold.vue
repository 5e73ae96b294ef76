<script setup lang="ts">
/** Something that is folded away until it is asked for. */
defineProps<{ title: string; open?: boolean }>();
const emit = defineEmits<{ toggle: [open: boolean] }>();
</script>

<template>
    <details :open="open" @toggle="emit('toggle', ($event.target as HTMLDetailsElement).open)">
        <summary>{{ title }}</summary>
        <slot />
    </details>
</template>

<style scoped>
details {
    border-top: 1px solid var(--rule);
    padding-top: 0.5rem;
}
summary {
    cursor: pointer;
    font-family: var(--grotesque);
    font-weight: 600;
    min-height: 28px;
}
</style>
