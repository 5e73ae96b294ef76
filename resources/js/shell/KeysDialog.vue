<script setup lang="ts">
import Dialog from 'primevue/dialog';
import { KEYS, keysOn, setKeysOn } from '../kit/keys';

defineProps<{ visible: boolean }>();
const emit = defineEmits<{ 'update:visible': [visible: boolean] }>();
</script>

<template>
    <Dialog :visible="visible" modal header="Keys" :style="{ width: 'min(28rem, 94vw)' }" @update:visible="(v: boolean) => emit('update:visible', v)">
        <table>
            <tbody>
                <tr v-for="[key, says] in KEYS" :key="key"><th scope="row"><kbd>{{ key }}</kbd></th><td>{{ says }}</td></tr>
            </tbody>
        </table>
        <label class="switch"><input type="checkbox" :checked="keysOn" @change="setKeysOn(($event.target as HTMLInputElement).checked)" /> Use these keys (Ctrl Z works either way)</label>
    </Dialog>
</template>

<style scoped>
td, th { padding: 0.35rem 0.5rem 0.35rem 0; border-bottom: 1px solid var(--rule); vertical-align: top; }
kbd { font-family: var(--grotesque); font-weight: 600; color: var(--ink); white-space: nowrap; }
.switch { display: flex; gap: 0.5rem; align-items: center; margin-top: 0.9rem; min-height: 32px; }
</style>
