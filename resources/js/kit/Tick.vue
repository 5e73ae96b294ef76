<script setup lang="ts">
/** A box to tick with its words beside it. */
defineProps<{ checked: boolean; disabled?: boolean; says?: string }>();
const emit = defineEmits<{ tick: [on: boolean] }>();
</script>

<template>
    <label class="tick"
        ><input
            type="checkbox"
            :checked="checked"
            :disabled="disabled"
            :aria-label="says"
            @change="emit('tick', ($event.target as HTMLInputElement).checked)" /><slot
    /></label>
</template>

<style scoped>
.tick {
    display: flex;
    gap: 0.45rem;
    align-items: center;
}
.tick input {
    inline-size: 18px;
    block-size: 18px;
    flex: none;
    accent-color: var(--kelp);
}
@media (max-width: 760px) {
    .tick {
        min-height: 44px;
    }
    .tick input {
        inline-size: 24px;
        block-size: 24px;
    }
}
</style>
