<script setup lang="ts">
/** A device comes in by the code that is shown on another. */
import { ref } from 'vue';
import Door from '../people/Door.vue';
import DoorForm from '../people/DoorForm.vue';
import TextLine from '../people/TextLine.vue';

const props = defineProps<{ code: string }>();

const code = ref(props.code);
</script>

<template>
    <Door title="Let this device in">
        <DoorForm path="let-in" :body="{ code }" says="Let it in">
            <TextLine
                v-model="code"
                label="Code"
                :maxlength="40"
                :autofocus="code === ''"
                help="Eight letters and digits, shown on the other device. It holds five minutes, and once."
            />
        </DoorForm>
    </Door>
</template>
