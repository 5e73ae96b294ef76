<script setup lang="ts" generic="T extends string">
/** A choice from a list, with its label over it and one line under it. Typing a name and Enter takes the first that matches. */
import Select from 'primevue/select';
import { computed, nextTick, ref, useId } from 'vue';
import { useControls } from './controls';
import { useMeasures } from './garden';

const props = defineProps<{
    label: string;
    modelValue: T | null;
    options: { value: T; name: string; group?: string }[];
    hint?: string;
    filter?: boolean;
    at?: string;
    placeholder?: string;
    clearable?: boolean;
}>();
const emit = defineEmits<{ 'update:modelValue': [value: T | null] }>();

useControls();
const id = useId();
const measures = useMeasures();
const groups = computed(() => {
    const names = [...new Set(props.options.map((o) => o.group ?? ''))];
    return names.length > 1 ? names.map((name) => ({ name, items: props.options.filter((o) => (o.group ?? '') === name) })) : null;
});
/** The list itself: what was typed, which option Enter would take, and which are shown. Its types leave these out. */
interface Listed {
    filterValue: string | null;
    focusedOptionIndex: number;
    visibleOptions: { value?: T }[];
}
const list = ref<unknown>(null);
/**
 * After each letter the first that matches is the one that Enter takes; so it is when the list forgets that, a moment after its own focus
 * has gone to the letters.
 */
async function firstMatch(): Promise<void> {
    await nextTick();
    const select = list.value as Listed | null;
    if (select?.filterValue) select.focusedOptionIndex = select.visibleOptions.findIndex((option) => option.value !== undefined);
}

/** No key empties a choice that cannot be empty; what can be is emptied by its cross. */
function take(value: T | null | undefined): void {
    if (value !== undefined && (value !== null || props.clearable)) emit('update:modelValue', value);
}

/** What is chosen is said whatever is being looked for; where nothing is, what could be. */
const chosen = computed(() => props.options.find((o) => o.value === props.modelValue)?.name ?? null);
const fault = computed(() => (props.at ? measures.faultAt(props.at) : null));
</script>

<template>
    <div class="pick">
        <label :id="`${id}-label`" :for="id">{{ label }}</label>
        <Select
            ref="list"
            :input-id="id"
            :aria-labelledby="`${id}-label`"
            :model-value="modelValue"
            :options="groups ?? options"
            option-label="name"
            option-value="value"
            :option-group-label="groups ? 'name' : undefined"
            :option-group-children="groups ? 'items' : undefined"
            :filter="filter ?? false"
            :show-clear="clearable ?? false"
            :invalid="fault !== null"
            scroll-height="20rem"
            auto-filter-focus
            @filter="firstMatch"
            @blur="firstMatch"
            @update:model-value="take"
        >
            <template #value>
                <span :class="{ nothing: chosen === null }">{{ chosen ?? placeholder ?? 'Choose' }}</span>
            </template>
        </Select>
        <p v-if="fault || hint" class="small" :class="fault ? 'wrong' : 'faint'">{{ fault ?? hint }}</p>
    </div>
</template>

<style scoped>
.pick {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: 0.2rem;
}
label {
    font-weight: 600;
    font-family: var(--grotesque);
}
.nothing {
    color: var(--faint);
}
.wrong {
    color: var(--stop-text);
}
</style>
