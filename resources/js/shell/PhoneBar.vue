<script setup lang="ts">
/** On a phone: one bar at the bottom with Bench, the marks before and after this one by name, and a sheet of all marks. */
import { computed, ref } from 'vue';
import { at, worst } from '../kit/findings';
import { usePanel } from '../kit/places';
import { MARKS, type Mark } from '../marks';
import type { Finding } from '../types/report';

const props = defineProps<{ mark: Mark | 'bench'; findings: Finding[]; empty: boolean }>();
const emit = defineEmits<{ go: [mark: Mark | 'bench'] }>();

const open = ref(false);
usePanel('marks', open);
const marks = computed(() => [...MARKS].reverse().map(({ key, name }) => ({ key, name, worst: worst(at(props.findings, key)) })));
const place = computed(() => MARKS.findIndex((m) => m.key === props.mark));
const before = computed(() => MARKS[place.value - 1] ?? null);
const after = computed(() => MARKS[place.value + 1] ?? null);
const current = computed(() => MARKS[place.value]?.name ?? 'Marks');
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
            <button v-if="before" type="button" class="way" @click="go(before.key)">‹ {{ before.name }}</button>
            <button
                type="button"
                class="now"
                :disabled="empty"
                :aria-expanded="open"
                aria-controls="mark-sheet"
                :aria-label="`${current}: all marks`"
                @click="open = !open"
            >
                {{ current }} <span aria-hidden="true">{{ open ? '▾' : '▴' }}</span>
            </button>
            <button v-if="after" type="button" class="way" :disabled="empty" @click="go(after.key)">{{ after.name }} ›</button>
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
        min-width: 60px;
        background: none;
        border: 0;
        font-family: var(--grotesque);
        font-weight: 600;
        color: var(--ink);
        padding: 0 12px;
    }
    button[aria-current='true'] {
        background: var(--ink);
        color: var(--paper);
    }
    .bar .now {
        font-weight: 700;
    }
    .bar .way {
        font-weight: 400;
    }
    button:disabled {
        color: var(--faint);
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
