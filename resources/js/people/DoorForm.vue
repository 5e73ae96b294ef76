<script setup lang="ts">
/** What somebody fills in to come in, with the name of the device that they come in on. What was typed stays where it will not do. */
import { ref } from 'vue';
import { send } from '../kit/turns';
import { deviceName, refusal } from './come';
import TextLine from './TextLine.vue';

const props = defineProps<{
    /** Where it is sent, and what besides the device’s name. */
    path: 'sign-in' | 'join' | 'let-in';
    body: object;
    /** What the button says. */
    says: string;
    /** The page that comes then. */
    to?: string;
}>();

const device = ref(deviceName());
const fault = ref('');
const busy = ref(false);
async function come(): Promise<void> {
    if (busy.value) return;
    busy.value = true;
    fault.value = '';
    const answer = await send('Letting you in', props.path, { body: JSON.stringify({ ...props.body, device: device.value }) });
    if (answer.kind === 'done') location.assign(props.to ?? '/');
    else {
        fault.value = refusal(answer);
        busy.value = false;
    }
}
</script>

<template>
    <form @submit.prevent="come">
        <slot />
        <TextLine v-model="device" label="This device is called" :maxlength="60" />
        <p v-if="fault" class="wrong" role="alert">{{ fault }}</p>
        <button type="submit" class="box strong" :data-act="path" :disabled="busy">{{ says }}</button>
    </form>
</template>

<style scoped>
form {
    display: grid;
    gap: 0.8rem;
}
.box {
    min-height: 44px;
    text-align: center;
}
.wrong {
    color: var(--stop-text);
}
</style>
