import type { Directive } from 'vue';
import { deeds } from './deeds';

/** What each field is to show. */
const shown = new WeakMap<HTMLInputElement, string>();

/**
 * Shows a value in a text field, but leaves alone what is being typed there, and what was typed there until its turn has come: an answer
 * that comes meanwhile draws the page anew.
 */
export const vShown: Directive<HTMLInputElement, string | number | null | undefined> = {
    created: (field, { value }) => {
        field.value = String(value ?? '');
    },
    updated: (field, { value }) => {
        const text = String(value ?? '');
        const show = (): void => {
            if (field === document.activeElement || shown.get(field) !== text) return;
            if (field.value !== text) field.value = text;
        };
        shown.set(field, text);
        if (deeds.busy.value) void deeds.settled().then(show);
        else show();
    },
};
