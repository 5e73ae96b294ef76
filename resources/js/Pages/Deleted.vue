<script setup lang="ts">
/** Gardens that were deleted, and the way back for them. */
import { Head, Link, router } from '@inertiajs/vue3';
import { ref } from 'vue';
import { send } from '../kit/turns';

interface Row {
    id: string;
    name: string;
    tubs: number;
    plants: number;
    deleted_at: string;
    gone_at: string;
}

const props = defineProps<{ gardens: Row[]; days: number }>();
const message = ref('');

const day = (iso: string): string => new Date(iso).toLocaleDateString(undefined, { day: 'numeric', month: 'short', year: 'numeric' });

async function bringBack(row: Row): Promise<void> {
    const answer = await send('Bringing it back', `gardens/${row.id}/restore`, { body: '{}' });
    if (answer.kind !== 'done') {
        message.value = 'message' in answer ? answer.message : 'That did not work.';
        return;
    }
    message.value = `${row.name} is back.`;
    router.reload();
}
</script>

<template>
    <Head title="Deleted gardens" />
    <main class="leaf">
        <header>
            <Link href="/" class="back">All gardens</Link>
            <h1>Deleted gardens</h1>
            <p class="faint small">Each is kept for {{ props.days }} days after it was deleted, with its history.</p>
        </header>
        <p v-if="message" class="message" role="status">{{ message }}</p>
        <p v-if="props.gardens.length === 0" class="none">Nothing here.</p>
        <ul>
            <li v-for="row in props.gardens" :key="row.id" :data-garden="row.id">
                <b>{{ row.name }}</b>
                <span class="faint small">
                    {{ row.tubs }} {{ row.tubs === 1 ? 'tub' : 'tubs' }} · {{ row.plants }} {{ row.plants === 1 ? 'plant' : 'plants' }} ·
                    deleted {{ day(row.deleted_at) }} · kept until {{ day(row.gone_at) }}
                </span>
                <button type="button" class="box" @click="bringBack(row)">
                    Bring it back<span class="hidden-visually">: {{ row.name }}</span>
                </button>
            </li>
        </ul>
    </main>
</template>

<style scoped>
ul {
    list-style: none;
    margin: 0;
    padding: 0;
}
li {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 0 1.2rem;
    align-items: center;
    padding: 0.75rem 0;
    border-bottom: 1px solid var(--rule);
}
li b {
    font-family: var(--grotesque);
    font-size: 1.15rem;
    overflow-wrap: anywhere;
}
li span.small {
    grid-row: 2;
}
li button {
    grid-row: 1 / 3;
    grid-column: 2;
}
.message,
.none {
    margin: 0.9rem 0;
}
</style>
