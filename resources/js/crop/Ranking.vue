<script setup lang="ts" generic="T extends { severity: 'stop' | 'mend' | 'mind' | null; says: string | null; name: string }">
/** A question that tries the whole shelf in this tub: answered when it is opened, best first, each with its reason. */
import Fold from '../kit/Fold.vue';
import { ref, watch } from 'vue';
import { useGarden } from '../kit/garden';
import { useTurns } from '../kit/turns';

const props = defineProps<{
    question: string;
    path: string;
    trying: string;
    list: (data: Record<string, T[]>) => T[];
    keyOf: (item: T) => string;
    chosen: string | null;
    figures: (item: T) => string;
}>();
const emit = defineEmits<{ choose: [key: string] }>();

const garden = useGarden();
const open = ref(false);
const items = ref<T[]>([]) as { value: T[] };
const { ask, busy: looking } = useTurns();

watch([open, garden.report], async ([now]) => {
    if (!now) return;
    const answer = await ask<Record<string, T[]>>(`${props.path}?tub=${encodeURIComponent(garden.selected.value ?? '')}`, {
        body: JSON.stringify(garden.document.value),
    });
    if (answer?.kind === 'done') items.value = props.list(answer.data);
});

const WORDS = { stop: 'Stop', mend: 'Mend', mind: 'Mind' } as const;
</script>

<template>
    <Fold :title="question" :open="open" @toggle="(now) => (open = now)">
        <p v-if="looking && items.length === 0" class="small faint" role="status">{{ trying }}</p>
        <ol class="ranked">
            <li v-for="item in items" :key="keyOf(item)">
                <button type="button" :aria-pressed="chosen === keyOf(item)" @click="emit('choose', keyOf(item))">
                    <b>{{ item.name }}</b> <span class="faint">{{ figures(item) }}</span>
                    <span v-if="item.severity" class="says small"
                        ><i :class="item.severity">{{ WORDS[item.severity] }}</i> {{ item.says }}</span
                    >
                </button>
            </li>
        </ol>
    </Fold>
</template>

<style scoped>
li button[aria-pressed='true'] .faint {
    color: var(--ink);
}
.says {
    display: block;
}
i {
    font-style: normal;
    font-weight: 650;
}
i.stop {
    color: var(--stop-text);
}
i.mend {
    color: var(--mend-text);
}
i.mind {
    color: var(--mind-text);
}
</style>
