<script setup lang="ts">
/** For who comes here first: what comes next and why, until they have been to every mark or put it away. */
import { computed, watch } from 'vue';
import { useGarden } from '../kit/garden';
import type { Mark } from '../marks';
import { knowTheWay, next, sawMark, useWay, type Step } from './way';

const props = defineProps<{ mark: Mark | 'bench' }>();
const emit = defineEmits<{ go: [to: Step['to']] }>();

const garden = useGarden();
const way = useWay();
watch(() => props.mark, sawMark, { immediate: true });
const step = computed(() => next(props.mark, garden.report.value, props.mark === 'bench' ? null : garden.selected.value));
</script>

<template>
    <aside v-if="way.shown && garden.report.value.tubs.length" class="next" aria-label="What comes next">
        <p>{{ step.says }}</p>
        <button type="button" class="word strong" data-act="next" @click="emit('go', step.to)">{{ step.press }}</button>
        <button type="button" class="word" data-act="know" @click="knowTheWay">I know the way</button>
    </aside>
</template>

<style scoped>
.next {
    display: flex;
    align-items: center;
    gap: 0 1.1rem;
    padding: 0.25rem 1.1rem;
    border-bottom: 1px solid var(--rule);
    background: var(--water-wash);
    font-size: 0.875rem;
    color: var(--ink);
}
.next p {
    flex: 1;
    margin: 0;
}
.strong {
    font-weight: 700;
}
.next .word {
    font-size: inherit;
    white-space: nowrap;
}
@media (max-width: 760px) {
    .next {
        flex-wrap: wrap;
        padding: 0.5rem 1rem;
    }
    .next p {
        flex-basis: 100%;
    }
    .next .word {
        min-height: 44px;
    }
}
</style>
