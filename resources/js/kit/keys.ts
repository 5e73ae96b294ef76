import { onBeforeUnmount, onMounted, ref } from 'vue';
import { deeds } from './deeds';

/** Shortcuts are off inside fields and overlays, and can be switched off altogether; undo by Ctrl or Cmd always works. */
export const keysOn = ref(typeof localStorage === 'undefined' || localStorage.getItem('kelp-keys') !== 'off');

export function setKeysOn(on: boolean): void {
    keysOn.value = on;
    localStorage.setItem('kelp-keys', on ? 'on' : 'off');
}

/** The keys that are the same at every mark; the digits come from the list of marks. */
export const KEYS = [
    ['0', 'Bench'],
    ['[ ]', 'Previous and next tub'],
    ['arrows', 'Nudge the chosen hole by 1 mm, with Shift by 10'],
    ['u', 'Metric or US'],
    ['/', 'Find in the Library'],
    ['z, Shift z', 'Undo and redo (Ctrl or Cmd too)'],
    ['?', 'These keys'],
] as const;

/** The key pressed, as the keys dialog names it, or null where a shortcut must not act. */
export function shortcut(event: KeyboardEvent): string | null {
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z')
        return inField(event.target) ? null : event.shiftKey ? 'redo' : 'undo';
    if (
        !keysOn.value ||
        event.ctrlKey ||
        event.metaKey ||
        event.altKey ||
        inField(event.target) ||
        document.querySelector('dialog[open], .p-dialog, .p-select-overlay')
    )
        return null;
    if (event.key === 'z') return 'undo';
    if (event.key === 'Z') return 'redo';
    return event.key;
}

function inField(target: EventTarget | null): boolean {
    return (
        target instanceof HTMLElement &&
        (target.isContentEditable || ['INPUT', 'TEXTAREA', 'SELECT'].includes(target.tagName) || target.getAttribute('role') === 'combobox')
    );
}

export function useShortcuts(act: (key: string) => boolean): void {
    const listen = (event: KeyboardEvent): void => {
        const key = shortcut(event);
        if (key === null) return;
        // A key comes after the presses before it.
        if (deeds.holds.value > 0) {
            event.preventDefault();
            deeds.hold(() => void act(key));
        } else if (act(key)) event.preventDefault();
    };
    onMounted(() => window.addEventListener('keydown', listen));
    onBeforeUnmount(() => window.removeEventListener('keydown', listen));
}
