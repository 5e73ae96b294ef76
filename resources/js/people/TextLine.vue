<script setup lang="ts">
/** A line to write in, under its name. */
const text = defineModel<string>({ required: true });
defineProps<{ label: string; type?: string; autocomplete?: string; maxlength?: number; autofocus?: boolean; help?: string }>();
</script>

<template>
    <label
        ><span>{{ label }}</span
        ><input
            v-model="text"
            class="text"
            :type="type ?? 'text'"
            :autocomplete="autocomplete ?? 'off'"
            :maxlength="maxlength ?? 200"
            autocapitalize="none"
            spellcheck="false"
            @vue:mounted="({ el }: { el: HTMLInputElement | null }) => autofocus && el?.focus()"
        /><span v-if="help" class="small faint">{{ help }}</span></label
    >
</template>

<style scoped>
label {
    display: grid;
    gap: 0.2rem;
}
label > span:first-child {
    font-family: var(--grotesque);
    font-weight: 600;
}
input {
    width: 100%;
    min-height: 44px;
}
</style>
