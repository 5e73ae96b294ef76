<script setup lang="ts">
/** Becoming a grower by a link that holds once, or choosing a new password by one. */
import { computed, ref } from 'vue';
import Door from '../people/Door.vue';
import DoorForm from '../people/DoorForm.vue';
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
const title = computed(() => (props.purpose === 'reset' ? `A new password for ${props.name}` : 'Grow here'));
const body = computed(() => ({
    code: props.code,
    password: password.value,
    ...(props.purpose === 'reset' ? {} : { name: name.value }),
}));
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
        <DoorForm path="join" :body="body" says="Come in">
            <TextLine v-if="purpose !== 'reset'" v-model="name" label="Your name here" autocomplete="username" :maxlength="60" autofocus />
            <TextLine
                v-model="password"
                label="Password"
                type="password"
                autocomplete="new-password"
                :help="`${least} characters at least. Four words in a row are good.`"
            />
        </DoorForm>
    </Door>
</template>

<style scoped>
a {
    color: var(--ink);
}
</style>
