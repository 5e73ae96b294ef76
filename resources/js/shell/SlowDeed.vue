<script setup lang="ts">
/** What the page waits for, once that has taken a while. It lies over the page and moves nothing; a press goes through it. */
import { deeds } from '../kit/deeds';
</script>

<template>
    <div v-if="deeds.slow.value" class="waiting" role="status">{{ deeds.slow.value }} …</div>
</template>

<style scoped>
.waiting {
    position: fixed;
    left: 50%;
    top: 4.3rem;
    transform: translateX(-50%);
    z-index: 5;
    max-width: 90vw;
    padding: 0.35rem 0.9rem;
    background: var(--ink);
    color: var(--paper);
    font-size: 0.875rem;
    pointer-events: none;
}
@media (max-width: 760px) {
    .waiting {
        top: auto;
        bottom: 68px;
    }
}
</style>
