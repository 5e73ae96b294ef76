<script setup lang="ts">
/** A text field for a measure: shows what was understood (`2 3/8 in` → 60.5 mm), and says what would do when it was not. */
import { computed, ref, useId, watch } from 'vue';
import { length, mass, MM_PER_INCH, number, temperature, volume } from './format';
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
        /** What such a length may be, mm: a bare number that is only so in the other unit is asked about. */
        plausible?: readonly [number, number] | undefined;
    }>(),
    { at: '', hint: '', way: undefined, plausible: undefined },
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

/** The two things that a bare number could be, where the one it would be is out of the question. */
const either = ref<string[]>([]);
const BARE = /^\d+(?:[.,]\d+)?$/;
function couldBe(mm: number): string[] {
    const bare = text.value.trim();
    if (!props.plausible || !BARE.test(bare)) return [];
    const [least, most] = props.plausible;
    const us = measures.units.value === 'us';
    const other = us ? mm / MM_PER_INCH : mm * MM_PER_INCH;
    const within = (x: number): boolean => x >= least && x <= most;
    return within(mm) || !within(other) ? [] : [`${bare} ${us ? 'in' : 'mm'}`, `${bare} ${us ? 'mm' : 'in'}`];
}

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
    either.value = [];
    const reading = await read(text.value, props.dimension, measures.units.value, props.way);
    if (turn !== asked) return;
    busy.value = false;
    if ('error' in reading) {
        error.value = reading.error;
        note.value = '';
        return;
    }
    error.value = '';
    either.value = couldBe(reading.value);
    if (either.value.length) {
        note.value = '';
        return;
    }
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
    if (error.value === '' && either.value.length === 0) text.value = shown(props.modelValue);
}

/** The grower says which of the two it is. */
async function answer(which: string): Promise<void> {
    await typed(which);
    leave();
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
        <p v-if="either.length && !editing" class="note either small" role="alert">
            <template v-for="(which, i) in either" :key="which">
                {{ i ? ' or ' : '' }}<button type="button" class="word small" @click="answer(which)">{{ which }}</button>
            </template>
            ?
        </p>
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
.either {
    color: var(--mind-text);
}
.either .word {
    text-decoration: underline;
    text-underline-offset: 3px;
}
.note:empty {
    display: none;
}
.note.wrong {
    color: var(--stop-text);
    text-align: left;
}
</style>
