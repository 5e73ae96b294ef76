<script setup lang="ts">
/** On a phone: one bar at the bottom with Bench, the current mark, and a sheet of marks. */
import { computed, ref } from 'vue';
import { at, worst } from '../kit/findings';
import { MARKS, type Mark } from '../marks';
import type { Finding } from '../types/report';

const props = defineProps<{ mark: Mark | 'bench'; findings: Finding[]; empty: boolean }>();
const emit = defineEmits<{ go: [mark: Mark | 'bench'] }>();

const open = ref(false);
const marks = computed(() => [...MARKS].reverse().map(({ key, name }) => ({ key, name, worst: worst(at(props.findings, key)) })));
const current = computed(() => MARKS.find((m) => m.key === props.mark)?.name ?? '');
function go(mark: Mark | 'bench'): void {
    open.value = false;
    emit('go', mark);
}
</script>

<template>
    <div class="phone">
        <ul v-if="open" id="mark-sheet" class="sheet">
            <li v-for="m in marks" :key="m.key">
                <button type="button" :aria-current="mark === m.key" @click="go(m.key)">
                    {{ m.name }}
                    <span v-if="m.worst" class="severity" :class="m.worst">{{ m.worst }}</span>
                </button>
            </li>
        </ul>
        <nav class="bar" aria-label="Marks, small screen">
            <button type="button" :aria-current="mark === 'bench'" @click="go('bench')">Bench</button>
            <span class="now">{{ current }}</span>
            <button type="button" :disabled="empty" :aria-expanded="open" aria-controls="mark-sheet" @click="open = !open">Marks</button>
        </nav>
    </div>
</template>

<style scoped>
.phone {
    display: none;
}
@media (max-width: 760px) {
    .phone {
        display: block;
        position: fixed;
        inset: auto 0 0 0;
        z-index: 5;
        background: var(--sand);
        border-top: 1px solid var(--ink);
    }
    .bar {
        display: flex;
        align-items: center;
        justify-content: space-between;
    }
    button {
        min-height: 52px;
        min-width: 96px;
        background: none;
        border: 0;
        font-family: var(--grotesque);
        font-weight: 600;
        color: var(--ink);
        padding: 0 16px;
    }
    button[aria-current='true'] {
        background: var(--ink);
        color: var(--paper);
    }
    .now {
        font-family: var(--grotesque);
    }
    .sheet {
        list-style: none;
        margin: 0;
        padding: 0;
        border-bottom: 1px solid var(--ink);
    }
    .sheet button {
        width: 100%;
        text-align: left;
        display: flex;
        justify-content: space-between;
        align-items: center;
        border-bottom: 1px solid var(--rule);
    }
}
</style>
