<script setup lang="ts">
/** A line to write in, under its name. */
import { useId } from 'vue';
import Field from '../kit/Field.vue';

const id = useId();
const text = defineModel<string>({ required: true });
defineProps<{ label: string; type?: string; autocomplete?: string; maxlength?: number; autofocus?: boolean; help?: string }>();
</script>

<template>
    <Field :id="id" :label="label">
        <input
            :id="id"
            v-model="text"
            class="text"
            :type="type ?? 'text'"
            :autocomplete="autocomplete ?? 'off'"
            :maxlength="maxlength ?? 200"
            autocapitalize="none"
            spellcheck="false"
            :aria-describedby="help ? `${id}-help` : undefined"
            @vue:mounted="({ el }: { el: HTMLInputElement | null }) => autofocus && el?.focus()"
        />
        <p v-if="help" :id="`${id}-help`" class="small faint">{{ help }}</p>
    </Field>
</template>

<style scoped>
input {
    width: 100%;
    min-height: 44px;
}
</style>
