<script setup lang="ts">
/** What stands between the page and the keeping: the server away, a change elsewhere, a document that is refused. */
import { router } from '@inertiajs/vue3';
import { ref } from 'vue';
import { useGarden } from '../kit/garden';

const garden = useGarden();
const failed = ref(false);

async function copy(): Promise<void> {
    const id = await garden.keepMineAsCopy();
    failed.value = id === null;
    if (id) router.visit(`/gardens/${id}`);
}
</script>

<template>
    <div v-if="garden.save.value === 'away'" class="notice" role="alert">{{ garden.saver.message.value }}</div>
    <div v-else-if="garden.save.value === 'conflict'" class="notice" role="alert">
        <span>This garden was changed in another window meanwhile. Nothing was overwritten.</span>
        <button type="button" class="box" @click="garden.takeTheirs()">Take the other</button>
        <button type="button" class="box" @click="garden.keepMine()">Keep this one</button>
        <button type="button" class="box" @click="copy">Keep this as a copy</button>
        <span v-if="failed">The copy could not be saved; try again.</span>
    </div>
    <div v-else-if="garden.previewer.faults.value.length" class="notice" role="alert">
        <span
            ><b>Not saved:</b> {{ garden.previewer.faults.value[0]!.pointer }} {{ garden.previewer.faults.value[0]!.message
            }}<template v-if="garden.previewer.faults.value.length > 1">, and {{ garden.previewer.faults.value.length - 1 }} more</template
            >.</span
        >
        <button v-if="garden.history.canUndo.value" type="button" class="box" @click="garden.undo()">Undo</button>
    </div>
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
