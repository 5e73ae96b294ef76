import type { Directive } from 'vue';

/** Shows a value in a text field, but leaves alone what is being typed there: an answer that comes meanwhile draws the page anew. */
export const vShown: Directive<HTMLInputElement, string | number | null | undefined> = {
    created: (field, { value }) => {
        field.value = String(value ?? '');
    },
    updated: (field, { value }) => {
        const text = String(value ?? '');
        if (field !== document.activeElement && field.value !== text) field.value = text;
    },
};
