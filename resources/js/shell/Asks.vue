<script setup lang="ts">
/** What is asked before something is done to what grows: what stands there, what of a log goes with it, and that it comes back by Undo. */
import { ref, watch } from 'vue';
import { useGarden } from '../kit/garden';
import Sheet from '../kit/Sheet.vue';
import { useTurns } from '../kit/turns';

const garden = useGarden();
const turns = useTurns();
const entries = ref<number | null>(null);

watch(garden.question, async (asked) => {
    entries.value = null;
    turns.stop();
    if (!asked?.tub) return;
    const answer = await turns.ask<{ count: number }>(`gardens/${garden.id}/entries?tub=${encodeURIComponent(asked.tub)}`, {
        method: 'GET',
    });
    if (answer?.kind === 'done') entries.value = answer.data.count;
});
</script>

<template>
    <Sheet :visible="garden.question.value !== null" :title="garden.question.value?.title ?? ''" @close="garden.decline()">
        <div v-if="garden.question.value" class="asks" data-asks>
            <ul>
                <li v-for="line in garden.question.value.lines" :key="line">{{ line }}</li>
                <li v-if="entries">{{ entries === 1 ? '1 entry' : `${entries} entries` }} of its log</li>
            </ul>
            <p v-if="garden.question.value.tub">Undo brings all of it back, with the log.</p>
            <p v-else>Its holes are drilled. What you change here is another lid than the one that they stand in.</p>
            <div class="acts">
                <button type="button" class="box strong" data-act="agree" @click="garden.agree()">{{ garden.question.value.yes }}</button>
                <button type="button" class="box" data-act="leave-it" @click="garden.decline()">Leave it as it is</button>
            </div>
        </div>
    </Sheet>
</template>

<style scoped>
.asks {
    display: grid;
    gap: 0.8rem;
}
ul {
    margin: 0;
    padding-left: 1.1rem;
}
.acts {
    display: flex;
    flex-wrap: wrap;
    gap: 0.6rem;
}
</style>
