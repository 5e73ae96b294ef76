<script setup lang="ts">
/** Signing in, on the house network. */
import { ref } from 'vue';
import { deviceName, useDoor } from '../people/come';
import Door from '../people/Door.vue';
import TextLine from '../people/TextLine.vue';

const props = defineProps<{
    /** The page that was wanted. */
    to: string;
    /** Whether there is no grower yet. */
    nobody: boolean;
}>();

const name = ref('');
const password = ref('');
const device = ref(deviceName());
const { come, fault, busy } = useDoor();
</script>

<template>
    <Door title="Kelp Tub">
        <p v-if="nobody">
            Nobody grows here yet. Open the link that <b>bin/start</b> wrote on the machine: it makes the first grower, and holds once.
        </p>
        <form v-else @submit.prevent="come('sign-in', { name, password, device }, props.to)">
            <TextLine v-model="name" label="Your name" autocomplete="username" autofocus />
            <TextLine v-model="password" label="Password" type="password" autocomplete="current-password" />
            <TextLine v-model="device" label="This device is called" :maxlength="60" />
            <p v-if="fault" class="wrong" role="alert">{{ fault }}</p>
            <button type="submit" class="box strong" data-act="sign-in" :disabled="busy">Sign in</button>
        </form>
        <p class="small faint">
            Signed in on another device already? Choose “Let a device in” there, under your name, and
            <a href="/let-in">write its code here</a>. A forgotten password is set anew on the machine, by <b>bin/people reset</b>.
        </p>
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
