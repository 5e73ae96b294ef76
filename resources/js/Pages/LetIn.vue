<script setup lang="ts">
/** A device comes in by the code that is shown on another. */
import { ref } from 'vue';
import { deviceName, useDoor } from '../people/come';
import Door from '../people/Door.vue';
import TextLine from '../people/TextLine.vue';

const props = defineProps<{ code: string }>();

const code = ref(props.code);
const device = ref(deviceName());
const { come, fault, busy } = useDoor();
</script>

<template>
    <Door title="Let this device in">
        <form @submit.prevent="come('let-in', { code, device })">
            <TextLine
                v-model="code"
                label="Code"
                :maxlength="40"
                :autofocus="code === ''"
                help="Eight letters and digits, shown on the other device. It holds five minutes, and once."
            />
            <TextLine v-model="device" label="This device is called" :maxlength="60" />
            <p v-if="fault" class="wrong" role="alert">{{ fault }}</p>
            <button type="submit" class="box strong" data-act="let-in" :disabled="busy">Let it in</button>
        </form>
    </Door>
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
