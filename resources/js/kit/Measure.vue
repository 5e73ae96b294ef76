<script setup lang="ts">
/** A text field for a measure: shows what was understood (`2 3/8 in` → 60.5 mm), and says what would do when it was not. */
import { computed, ref, useId, watch } from 'vue';
import { bareNumber } from './bare';
import { length, mass, MM_PER_INCH, number, temperature, volume } from './format';
import { deeds } from './deeds';
import { useMeasures } from './garden';
import { read, type Dimension, type Understood, type Way } from './reader';
import { useTyped } from './typed';

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
        /** Takes the value; null where the field was emptied. */
        'onUpdate:modelValue'?: (value: number | null) => void;
    }>(),
    { at: '', hint: '', way: undefined, plausible: undefined, 'onUpdate:modelValue': undefined },
);

const measures = useMeasures();
const id = useId();
const text = ref('');
const editing = ref(false);
const note = ref('');

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

/** The two things that a bare number could be, where the one it would be is out of the question. */
const either = ref<string[]>([]);
function couldBe(mm: number): string[] {
    const bare = text.value.trim();
    if (!props.plausible || bareNumber(bare) === null) return [];
    const [least, most] = props.plausible;
    const us = measures.units.value === 'us';
    const other = us ? mm / MM_PER_INCH : mm * MM_PER_INCH;
    const within = (x: number): boolean => x >= least && x <= most;
    return within(mm) || !within(other) ? [] : [`${bare} ${us ? 'in' : 'mm'}`, `${bare} ${us ? 'mm' : 'in'}`];
}

/** Outlives the field: what was typed is taken though the grower has gone on to another mark. */
const set = (value: number | null): void => props['onUpdate:modelValue']?.(value);

function take({ value, note: said }: Understood): void {
    either.value = couldBe(value);
    note.value = '';
    if (either.value.length) return;
    const understood = shown(value);
    const same = understood.replace(/\s/g, ' ') === text.value.trim().replace(/\s/g, ' ');
    set(value);
    if (editing.value) note.value = said ?? (converted.value ? `= ${understood} ${converted.value}` : same ? '' : `= ${understood}`);
}

const { type, drop, busy, fault } = useTyped<Understood>({
    name: `${props.label}${props.at}`,
    read: async (typed) => {
        const reading = await read(typed, props.dimension, measures.units.value, props.way);
        return 'value' in reading ? { value: reading } : reading;
    },
    take,
    was: () => props.modelValue,
    show: (left) => (text.value = left),
});

const refused = computed(() => (props.at ? measures.faultAt(props.at) : null) ?? '');
/** Whether the text in the field is not the value yet: it waits, or was not taken. It stays until it is, or is written anew. */
const waits = computed(() => busy.value || fault.value !== '' || refused.value !== '' || either.value.length > 0);

watch(
    [() => props.modelValue, measures.units, waits],
    ([value]) => {
        if (!editing.value && !waits.value) text.value = shown(value as number | null);
    },
    { immediate: true },
);

function typed(value: string): void {
    text.value = value;
    either.value = [];
    note.value = '';
    if (value.trim() === '' && props.optional) {
        drop();
        deeds.do(`Emptying ${props.label}`, () => set(null));
    } else void type(value);
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
    if (!waits.value) text.value = shown(props.modelValue);
}

/** The grower says which of the two it is. */
function answer(which: string): void {
    typed(which);
}

const wrong = computed(() => fault.value || refused.value);
</script>

<template>
    <div class="measure" :class="{ wide }">
        <label :for="id">{{ label }}</label>
        <input
            :id="id"
            class="text"
            :value="text"
            :aria-busy="busy"
            :aria-invalid="wrong !== ''"
            :aria-describedby="hint ? `${id}-note ${id}-hint` : `${id}-note`"
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
        <!-- What was understood lies over what is below: nothing moves under a finger when it comes and goes. -->
        <p :id="`${id}-note`" class="note small" :class="wrong ? 'wrong' : 'over'" aria-live="polite">{{ wrong || note }}</p>
        <p v-if="hint && !wrong" :id="`${id}-hint`" class="hint small">{{ hint }}</p>
    </div>
</template>

<style scoped>
.measure {
    position: relative;
    display: grid;
    grid-template-columns: 1fr 7.25rem;
    align-items: center;
    column-gap: 0.5rem;
}
.measure.wide {
    grid-template-columns: 1fr;
    row-gap: 0.2rem;
}
.note,
.hint {
    grid-column: 1 / -1;
    color: var(--faint);
    text-align: right;
}
.wide :is(.note, .hint) {
    text-align: left;
}
.note.over {
    position: absolute;
    z-index: 3;
    grid-row: 1;
    top: 100%;
    right: 0;
    padding: 0.05rem 0.4rem;
    background: var(--ink);
    color: var(--paper);
    pointer-events: none;
}
.wide .note.over {
    grid-row: 2;
    right: auto;
    left: 0;
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
