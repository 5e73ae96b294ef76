<script setup lang="ts">
/** What stands between the page and the keeping: the server away, a full disk, a change or a deletion elsewhere, a refused document. */
import { router } from '@inertiajs/vue3';
import { ref, watch } from 'vue';
import { useGarden } from '../kit/garden';
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
    <div v-else-if="garden.previewer.faults.value.length" class="notice" role="alert">
        <span
            ><b>Not saved:</b> {{ garden.previewer.faults.value[0]!.pointer }} {{ garden.previewer.faults.value[0]!.message
            }}<template v-if="garden.previewer.faults.value.length > 1">, and {{ garden.previewer.faults.value.length - 1 }} more</template
            >.</span
        >
        <button v-if="garden.history.canUndo.value" type="button" class="box" @click="garden.undo()">Undo</button>
    </div>
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
