<script setup lang="ts">
import Sheet from '../kit/Sheet.vue';
import { KEYS, keysOn, setKeysOn } from '../kit/keys';
import { MARKS } from '../marks';

defineProps<{ visible: boolean }>();
const emit = defineEmits<{ 'update:visible': [visible: boolean] }>();

const all = [[MARKS.map((m) => m.digit).join(' '), MARKS.map((m) => m.name).join(', ')], ...KEYS];
</script>

<template>
    <Sheet :visible="visible" title="Keys" @close="emit('update:visible', false)">
        <table>
            <tbody>
                <tr v-for="[key, says] in all" :key="key">
                    <th scope="row">
                        <kbd>{{ key }}</kbd>
                    </th>
                    <td>{{ says }}</td>
                </tr>
            </tbody>
        </table>
        <label class="switch"
            ><input type="checkbox" :checked="keysOn" @change="setKeysOn(($event.target as HTMLInputElement).checked)" /> Use these keys
            (Ctrl Z works either way)</label
        >
    </Sheet>
</template>

<style scoped>
td,
th {
    padding: 0.35rem 0.5rem 0.35rem 0;
    border-bottom: 1px solid var(--rule);
    vertical-align: top;
}
kbd {
    font-family: var(--grotesque);
    font-weight: 600;
    color: var(--ink);
    white-space: nowrap;
}
.switch {
    display: flex;
    gap: 0.5rem;
    align-items: center;
    margin-top: 0.9rem;
    min-height: 32px;
}
</style>
