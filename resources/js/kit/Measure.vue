<script setup lang="ts">
/** A text field for a measure: shows what was understood (`2 3/8 in` → 60.5 mm), and says what would do when it was not. */
import { computed, ref, useId, watch } from 'vue';
import { length, mass, number, temperature, volume } from './format';
import { useMeasures } from './garden';
import { read, type Dimension, type Way } from './reader';

const props = withDefaults(
    defineProps<{
        label: string;
        dimension: Dimension;
        modelValue: number | null;
        at?: string;
        optional?: boolean;
        hint?: string;
        wide?: boolean;
        way?: Way | undefined;
    }>(),
    { at: '', hint: '', way: undefined },
);
const emit = defineEmits<{ 'update:modelValue': [value: number | null] }>();

const measures = useMeasures();
const id = useId();
const text = ref('');
const editing = ref(false);
const error = ref('');
const note = ref('');
let asked = 0;

function shown(value: number | null): string {
    if (value === null) return '';
    const units = measures.units.value;
    switch (props.dimension) {
        case 'length':
            return length(value, units);
        case 'volume':
            return volume(value, units);
        case 'mass':
            return mass(value / 1000, units);
        case 'temperature':
            return temperature(value, units);
        case 'conductivity':
            return number(value, 2, 'mS/cm');
        case 'air-flow':
            return number(value, 2, 'L/min');
        case 'pressure':
            return number(value, 1, 'kPa');
        default:
            return number(value, 1, 'W');
    }
}

watch(
    [() => props.modelValue, measures.units],
    ([value]) => {
        if (!editing.value) text.value = shown(value as number | null);
    },
    { immediate: true },
);

/** While what was typed is being read. */
const busy = ref(false);

async function typed(value: string | undefined): Promise<void> {
    text.value = value ?? '';
    const turn = ++asked;
    if (text.value.trim() === '' && props.optional) {
        busy.value = false;
        error.value = note.value = '';
        emit('update:modelValue', null);
        return;
    }
    busy.value = true;
    const reading = await read(text.value, props.dimension, measures.units.value, props.way);
    if (turn !== asked) return;
    busy.value = false;
    if ('error' in reading) {
        error.value = reading.error;
        note.value = '';
        return;
    }
    error.value = '';
    const understood = shown(reading.value);
    const same = understood.replace(/\s/g, ' ') === text.value.trim().replace(/\s/g, ' ');
    note.value = reading.note ?? (converted.value ? `= ${understood} ${converted.value}` : same ? '' : `= ${understood}`);
    emit('update:modelValue', reading.value);
}

/** What a measure taken from elsewhere is turned into. */
const converted = computed(
    () =>
        ({ inside: '', girth: 'inside', outside: 'inside', 'from-rim': 'over the floor', 'from-bench': 'over the floor' })[
            props.way?.way ?? 'inside'
        ],
);

function leave(): void {
    editing.value = false;
    note.value = '';
    // What could not be read stays to be mended; what was read is shown as it is kept.
    if (error.value === '') text.value = shown(props.modelValue);
}

const fault = computed(() => error.value || (props.at ? measures.faultAt(props.at) : null) || '');
</script>

<template>
    <div class="measure" :class="{ wide }">
        <label :for="id">{{ label }}</label>
        <input
            :id="id"
            class="text"
            :value="text"
            :aria-busy="busy"
            :aria-invalid="fault !== ''"
            :aria-describedby="`${id}-note`"
            autocomplete="off"
            spellcheck="false"
            @focus="editing = true"
            @blur="leave"
            @keydown.enter="leave"
            @input="typed(($event.target as HTMLInputElement).value)"
        />
        <p :id="`${id}-note`" class="note small" :class="{ wrong: fault }" aria-live="polite">{{ fault || note || hint }}</p>
    </div>
</template>

<style scoped>
.measure {
    display: grid;
    grid-template-columns: 1fr 7.25rem;
    align-items: center;
    column-gap: 0.5rem;
}
.measure.wide {
    grid-template-columns: 1fr;
    row-gap: 0.2rem;
}
.note {
    grid-column: 1 / -1;
    color: var(--faint);
    text-align: right;
}
.wide .note {
    text-align: left;
}
.note:empty {
    display: none;
}
.note.wrong {
    color: var(--stop-text);
    text-align: left;
}
</style>
