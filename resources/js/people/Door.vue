<script setup lang="ts">
/** A page on which somebody comes in: a tub with its lid lifted, what it is about, and what to fill in. */
import { Head } from '@inertiajs/vue3';

defineProps<{ title: string }>();
</script>

<template>
    <Head :title="title" />
    <main class="door">
        <svg width="120" height="84" viewBox="32 0 120 84" aria-hidden="true">
            <path class="water" d="M41 50h68l-5 30H46z" />
            <path d="M37 28l7 54h62l7-54" />
            <path d="M33 22L112 4" />
            <path class="cup" d="M53 17l14-3 1 9-10 2zM80 11l14-3 1 9-10 2z" />
        </svg>
        <h1>{{ title }}</h1>
        <slot />
    </main>
</template>

<style scoped>
.door {
    max-width: 25rem;
    margin: 0 auto;
    padding: 9vh 1.2rem 3rem;
    display: grid;
    gap: 0.9rem;
}
svg path {
    fill: none;
    stroke: var(--ink);
    stroke-width: 2;
}
svg .water {
    fill: var(--water-wash);
    stroke: none;
}
svg .cup {
    fill: var(--cup);
    stroke-width: 1.2;
}
h1 {
    font-size: 1.8rem;
    border-bottom: 1px solid var(--ink);
    padding-bottom: 0.5rem;
}
</style>
