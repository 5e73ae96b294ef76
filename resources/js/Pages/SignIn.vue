<script setup lang="ts">
/** Signing in, on the house network. */
import { ref } from 'vue';
import Door from '../people/Door.vue';
import DoorForm from '../people/DoorForm.vue';
import TextLine from '../people/TextLine.vue';

defineProps<{
    /** The page that was wanted. */
    to: string;
    /** Whether there is no grower yet. */
    nobody: boolean;
}>();

const name = ref('');
const password = ref('');
</script>

<template>
    <Door title="Kelp Tub">
        <p v-if="nobody">
            Nobody grows here yet. Open the link that <b>bin/start</b> wrote on the machine: it makes the first grower, and holds once.
        </p>
        <DoorForm v-else path="sign-in" :body="{ name, password }" says="Sign in" :to="to">
            <TextLine v-model="name" label="Your name" autocomplete="username" autofocus />
            <TextLine v-model="password" label="Password" type="password" autocomplete="current-password" />
        </DoorForm>
        <p class="small faint">
            Signed in on another device already? Choose “Let a device in” there, under your name, and
            <a href="/let-in">write its code here</a>. A forgotten password is set anew on the machine, by <b>bin/people reset</b>.
        </p>
    </Door>
</template>

<style scoped>
a {
    color: var(--ink);
}
</style>
