<script setup lang="ts">
/** What an older garden is reckoned otherwise by now, said once, with yesterday's figures beside it. */
import { ref } from 'vue';
import { useGarden } from '../kit/garden';
import Sheet from '../kit/Sheet.vue';
import { useTurns } from '../kit/turns';

const props = defineProps<{ before: { tub: string; what: string; now: string; before: string }[] }>();
const garden = useGarden();
const open = ref(props.before.length > 0);
const turns = useTurns();

/** Told once: where nobody answers it is told again the next time. */
async function understood(): Promise<void> {
    if (!open.value) return;
    open.value = false;
    await turns.ask(`gardens/${garden.id}/told`, { body: '{}' });
}
</script>

<template>
    <Sheet :visible="open" title="Reckoned otherwise now" @close="understood">
        <p>
            Plants here grow by warmth and light now, short roots get water up to their cups, and hard water is no food. Nothing of yours
            was changed; these figures of this garden are other than they were:
        </p>
        <table>
            <thead>
                <tr>
                    <th scope="col">Tub</th>
                    <th scope="col"></th>
                    <th scope="col">Now</th>
                    <th scope="col">Before</th>
                </tr>
            </thead>
            <tbody>
                <tr v-for="line in before" :key="line.tub + line.what">
                    <th scope="row">{{ line.tub }}</th>
                    <td>{{ line.what }}</td>
                    <td>
                        <b>{{ line.now }}</b>
                    </td>
                    <td class="faint">{{ line.before }}</td>
                </tr>
            </tbody>
        </table>
        <p class="small faint">Steps of the build sheet whose amounts moved say so there.</p>
        <button type="button" class="box strong" @click="understood">Understood</button>
    </Sheet>
</template>

<style scoped>
table {
    width: 100%;
    margin: 0.6rem 0;
}
th,
td {
    text-align: left;
    padding: 0.25rem 0.6rem 0.25rem 0;
    border-bottom: 1px solid var(--rule);
}
</style>
