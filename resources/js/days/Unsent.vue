<script setup lang="ts">
/** What is kept on this device and not at the server yet, and what the server would not take. */
import { outbox } from './outbox';

const props = defineProps<{ garden: string }>();
const waits = outbox.count(props.garden);
</script>

<template>
    <p v-if="waits > 0 && outbox.away.value" class="small waits" role="status" data-unsent>
        {{ waits === 1 ? '1 entry waits' : `${waits} entries wait` }} on this device: the server does not answer. They are sent when it is
        back.
    </p>
    <div v-for="r in outbox.refused.value" :key="r.entry.id" class="small wrong" role="alert">
        Not kept: {{ r.message }}
        <button type="button" class="word" @click="outbox.dismiss(r)">Close</button>
    </div>
</template>

<style scoped>
.waits {
    color: var(--mind-text);
}
.wrong {
    color: var(--stop-text);
}
</style>
