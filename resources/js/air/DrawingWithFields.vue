<script setup lang="ts">
/** A drawing with the fields that change it beside it; on a phone they stand below. */
</script>

<template>
    <div class="panel">
        <slot />
        <div class="beside"><slot name="beside" /></div>
    </div>
</template>

<style scoped>
.panel {
    flex: 1;
    min-height: 0;
    display: grid;
    grid-template-columns: minmax(0, 1.5fr) minmax(0, 1fr);
    gap: 1rem;
    padding-top: 0.3rem;
}
.beside {
    display: grid;
    gap: 0.5rem;
    align-content: start;
    overflow-y: auto;
}
@media (max-width: 760px) {
    .panel {
        grid-template-columns: 1fr;
        grid-auto-rows: minmax(200px, auto);
    }
}
</style>
