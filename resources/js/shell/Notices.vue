<script setup lang="ts">
/** What stands between the page and the keeping: the server away, a full disk, a change or a deletion elsewhere, a refused document. */
import { router } from '@inertiajs/vue3';
import { computed, ref, watch } from 'vue';
import { useGarden } from '../kit/garden';
import Asks from './Asks.vue';
import Conflict from './Conflict.vue';

const garden = useGarden();
const failed = ref('');
const choosing = ref(false);

watch(
    () => garden.save.value,
    (now) => {
        choosing.value = now === 'conflict';
        failed.value = '';
    },
    { immediate: true },
);

/** What was not taken, and what of it will not do, by the name of its tub and its field. */
const refusal = computed(() => {
    const of = garden.refusal.value;
    const fault = of?.faults[0];
    if (!of || !fault) return of?.says ?? '';
    const [, index, rest] = /^\/tubs\/(\d+)(.*)$/.exec(fault.pointer) ?? [];
    const tub = index === undefined ? undefined : garden.document.value.tubs?.[Number(index)];
    const field = (tub ? rest! : fault.pointer).split('/').filter(Boolean).map(spoken).join(', ');
    return `${of.says}${tub ? ` of ${tub.name ?? tub.id}` : ''}: ${field} ${fault.message}`;
});
/** A step of the way to a field, as it is said: `depth_mm` is depth, the first entry of a list is 1. */
const spoken = (step: string): string =>
    /^\d+$/.test(step) ? String(Number(step) + 1) : step.replace(/_(mm|l|kg|w)$/, '').replaceAll('_', ' ');

async function copy(): Promise<void> {
    const id = await (garden.save.value === 'conflict' ? garden.keepMineAsCopy() : garden.copy('(mine)'));
    if (id) router.visit(`/gardens/${id}`);
    else failed.value = 'The copy could not be saved; try again, or save it as a file.';
}

async function bringBack(): Promise<void> {
    if (!(await garden.bringBack())) failed.value = 'It could not be brought back; keep yours as a copy.';
}
</script>

<template>
    <div v-if="garden.save.value === 'away' || garden.save.value === 'full'" class="notice" role="alert">
        <span>{{ garden.saver.message.value }}</span>
        <button type="button" class="box" @click="garden.saver.again()">Try now</button>
    </div>
    <div v-else-if="garden.save.value === 'conflict'" class="notice" role="alert">
        <span>This garden was changed in another window meanwhile. Nothing was overwritten.</span>
        <button type="button" class="box strong" @click="choosing = true">See both and choose</button>
        <span v-if="failed">{{ failed }}</span>
    </div>
    <div v-else-if="garden.save.value === 'gone'" class="notice" role="alert">
        <span>This garden was deleted in another window. What you see is still here.</span>
        <button type="button" class="box" @click="bringBack">Bring it back</button>
        <button type="button" class="box" @click="copy">Keep this as a copy</button>
        <span v-if="failed">{{ failed }}</span>
    </div>
    <div v-else-if="garden.save.value === 'failed'" class="notice" role="alert">
        <span><b>Not saved:</b> {{ garden.saver.message.value }}</span>
        <button type="button" class="box" @click="garden.saver.again()">Try again</button>
        <button type="button" class="box" @click="copy">Keep this as a copy</button>
        <span v-if="failed">{{ failed }}</span>
    </div>
    <div v-else-if="refusal" class="notice" role="alert" data-refusal>
        <span><b>Not taken:</b> {{ refusal }}. All else is kept.</span>
        <button type="button" class="box" @click="garden.undo()">Undo</button>
    </div>
    <div v-else-if="garden.previewer.faults.value.length" class="notice" role="alert">
        <span
            ><b>Not saved:</b> {{ garden.previewer.faults.value[0]!.pointer }} {{ garden.previewer.faults.value[0]!.message
            }}<template v-if="garden.previewer.faults.value.length > 1">, and {{ garden.previewer.faults.value.length - 1 }} more</template
            >.</span
        >
        <button v-if="garden.history.canUndo.value" type="button" class="box" @click="garden.undo()">Undo</button>
    </div>
    <div v-if="garden.said.value" class="notice" role="status">
        <span>{{ garden.said.value }}</span>
        <button type="button" class="word" @click="garden.said.value = ''">Good</button>
    </div>
    <Asks />
    <Conflict :visible="choosing" @close="choosing = false" @copy="copy" />
</template>

<style scoped>
.notice {
    display: flex;
    flex-wrap: wrap;
    gap: 0.6rem;
    align-items: center;
    padding: 0.45rem 1.1rem;
    background: var(--shoal);
    border-bottom: 1px solid var(--ink);
}
</style>
