<script setup lang="ts">
/** Several tubs to be looked at on one round: ticked all at once, or one by one. */
import { computed } from 'vue';
import type { Units } from '../kit/format';
import type { Item } from './diary';
import ItemRow from './ItemRow.vue';

const props = defineProps<{ looks: { key: string; item: Item; where: string }[]; today: string; units: Units }>();
const emit = defineEmits<{ tick: [keys: string[]] }>();

/** As one thing to do: due when the first of them is. */
const round = computed<Item>(() => ({
    ...props.looks.reduce((a, b) => (b.item.date < a.item.date ? b : a)).item,
    key: 'looks',
    says: `Look at ${props.looks.length} tubs`,
    why: '',
    note: '',
}));
</script>

<template>
    <ItemRow
        :item="round"
        :today="today"
        :units="units"
        @tick="
            emit(
                'tick',
                looks.map((look) => look.key),
            )
        "
    >
        <details class="small">
            <summary>Which, one by one</summary>
            <ul>
                <ItemRow
                    v-for="look in looks"
                    :key="look.key"
                    :item="look.item"
                    :today="today"
                    :units="units"
                    :where="look.where"
                    @tick="emit('tick', [look.key])"
                />
            </ul>
        </details>
    </ItemRow>
</template>

<style scoped>
ul {
    list-style: none;
    margin: 0;
    padding: 0;
}
</style>
