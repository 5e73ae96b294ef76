<script setup lang="ts">
/** Becoming a grower by a link that holds once, or choosing a new password by one. */
import { computed, ref } from 'vue';
import { deviceName, useDoor } from '../people/come';
import Door from '../people/Door.vue';
import TextLine from '../people/TextLine.vue';

const props = defineProps<{
    /** Null where the link holds no more. */
    code: string | null;
    purpose: 'first' | 'invitation' | 'reset' | null;
    /** Whose password it is, where it is set anew. */
    name: string | null;
    /** Characters that a password has at least. */
    least: number;
}>();

const name = ref('');
const password = ref('');
const device = ref(deviceName());
const { come, fault, busy } = useDoor();
const title = computed(() => (props.purpose === 'reset' ? `A new password for ${props.name}` : 'Grow here'));
function send(): void {
    const body = { code: props.code, password: password.value, device: device.value };
    void come('join', props.purpose === 'reset' ? body : { ...body, name: name.value });
}
</script>

<template>
    <Door v-if="code === null" title="This link holds no more">
        <p>
            Each holds once, and for a week at most. Ask who sent it for another, or <a href="/sign-in">sign in</a> if you have a name here.
        </p>
    </Door>
    <Door v-else :title="title">
        <p v-if="purpose === 'first'">You are the first. The gardens that are on this machine are yours then.</p>
        <p v-else-if="purpose === 'invitation'">Your gardens are your own: nobody else here sees them.</p>
        <form @submit.prevent="send">
            <TextLine v-if="purpose !== 'reset'" v-model="name" label="Your name here" autocomplete="username" :maxlength="60" autofocus />
            <TextLine
                v-model="password"
                label="Password"
                type="password"
                autocomplete="new-password"
                :help="`${least} characters at least. Four words in a row are good.`"
            />
            <TextLine v-model="device" label="This device is called" :maxlength="60" />
            <p v-if="fault" class="wrong" role="alert">{{ fault }}</p>
            <button type="submit" class="box strong" data-act="join" :disabled="busy">Come in</button>
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
a {
    color: var(--ink);
}
</style>
