<script setup lang="ts">
/** A field for a number without a unit. What will not do stays in it, with what would. */
import { type Bare, bareNumber, readBare } from './bare';
import ReadField from './ReadField.vue';

const props = defineProps<{
    id: string;
    /** What it is called among the fields of its place. */
    name: string;
    value: number | null;
    /** Takes the number; null where an optional field was emptied. */
    set: (value: number | null) => void;
    least?: number;
    most?: number;
    /** Whether it must be above the least. */
    above?: boolean;
    whole?: boolean;
    /** Whether nothing may stand there. */
    optional?: boolean;
}>();
const shown = (value: number | null): string => (value === null ? '' : String(value));
const read = (text: string): Promise<Bare<number | null>> => {
    const { least, most, above, whole, optional } = props;
    return Promise.resolve(
        readBare(text, { ...(least !== undefined && { least }), ...(most !== undefined && { most }), above, whole, optional }),
    );
};
</script>

<template>
    <ReadField
        :id="id"
        :name="name"
        :shown="shown(value)"
        :inputmode="whole ? 'numeric' : 'decimal'"
        :placeholder="optional ? 'unknown' : ''"
        :read="read"
        :take="(number, text) => bareNumber(text) !== value && set(number)"
    />
</template>
