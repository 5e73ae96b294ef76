<script setup lang="ts">
/** What to mind at a step where it can hurt: the usual care, and who has the last word. */
</script>

<template>
    <p class="caution small"><slot /></p>
</template>

<style scoped>
.caution {
    border-left: 3px solid var(--mind);
    padding-left: 0.6rem;
}
</style>
