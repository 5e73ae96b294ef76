<script setup lang="ts">
/** The three parts of every mark: what you set, the drawing, the reckoning. On a phone they stack: drawing, figures, fields. */
import { onMounted, ref } from 'vue';

defineProps<{
    title: string;
    lead: string;
    /** What of it stands first on a phone, in place of the drawing: where things are done at the tub. */
    first?: 'set' | 'reckoning';
}>();

/** Whoever works by keys goes on at the top of the mark that has opened, unless something has the focus already. */
const heading = ref<HTMLElement | null>(null);
onMounted(() => {
    if (document.activeElement === document.body) heading.value?.focus({ preventScroll: true });
});
</script>

<template>
    <div class="mark" :class="first && `${first}-first`">
        <section class="set" :aria-label="`${title}: set`">
            <h1 ref="heading" tabindex="-1">{{ title }}</h1>
            <p class="faint lead">{{ lead }}</p>
            <slot name="set" />
        </section>
        <section class="middle" :aria-label="`${title}: drawing`"><slot /></section>
        <section class="reckoning" aria-label="Reckoning"><slot name="reckoning" /></section>
    </div>
</template>

<style scoped>
.mark {
    display: grid;
    grid-template: minmax(0, 1fr) / 262px minmax(0, 1fr) 276px;
    height: 100%;
    min-height: 0;
}
.set,
.reckoning {
    position: relative;
    overflow: hidden auto;
    min-width: 0;
    padding: 1.1rem 1.1rem 1.5rem;
    min-height: 0;
    scrollbar-width: thin;
    scrollbar-color: var(--rule) transparent;
}
.set {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: 0.95rem;
    align-content: start;
    border-right: 1px solid var(--rule);
}
h1:focus {
    outline: none;
}
.lead {
    margin-top: -0.6rem;
    font-size: 0.875rem;
}
.reckoning {
    border-left: 1px solid var(--ink);
}
.middle {
    min-width: 0;
    min-height: 0;
    display: flex;
    flex-direction: column;
    padding: 0.8rem 1rem;
}
@media (max-width: 760px) {
    .mark {
        display: flex;
        flex-direction: column;
        height: auto;
        padding-bottom: 64px;
    }
    .middle {
        order: -2;
        padding-bottom: 0.4rem;
    }
    .set {
        border: 0;
        border-top: 1px solid var(--ink);
        overflow: visible;
    }
    .reckoning {
        order: -1;
        border: 0;
        border-top: 1px solid var(--ink);
        overflow: visible;
    }
    .set-first .set,
    .reckoning-first .reckoning {
        order: -3;
        border-top: 0;
    }
}
</style>
