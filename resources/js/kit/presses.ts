import { router } from '@inertiajs/vue3';
import { watch } from 'vue';
import { deeds } from './deeds';

/**
 * A press waits for what was done before it: while a text is being read, or an edit worked out, a press on the work is held and comes when
 * that is there, so that it acts on what the grower sees. Going to another mark or tub is free, unless a press is held: what is pressed
 * must still be there. Leaving the page waits too.
 */

/** Where presses act on the work. */
const WORK = 'main, dialog, [role=dialog], .p-select-overlay';
/** What only goes elsewhere on the page or takes hold of a field. */
const FREE = [
    'input:not([type=checkbox], [type=radio], [type=file], [type=range])',
    'label:not(:has(input[type=checkbox], input[type=radio]))',
    'textarea',
].join();

/** What was pressed last, of what was let through. */
let pressed: EventTarget | null = null;

/** What a finger that has come down and not gone up yet pressed, and where. */
let down: { on: HTMLElement; x: number; y: number } | null = null;

/** What can be pressed. */
const PRESSABLE = 'button, a[href], label, summary, [role=button], [role=option], [role=tab]';
/** A finger that wanders further than this between down and up has not pressed, px. */
const WANDERS_PX = 8;

/** Presses that are let through. */
const released = new WeakSet<Event>();

function isHeld(event: Event): boolean {
    const target = event.target;
    if (!deeds.busy.value || released.has(event) || !(target instanceof Element)) return false;
    if (target.closest(FREE) !== null) return false;
    return deeds.holds.value > 0 || target.closest(WORK) !== null;
}

/** Holds an event and sends another like it when its turn has come, if what was pressed is still there. */
function hold(event: Event, again: () => Event): void {
    if (!isHeld(event)) return;
    event.preventDefault();
    event.stopImmediatePropagation();
    const target = event.target as Element;
    deeds.hold(() => {
        if (!target.isConnected || (target instanceof HTMLButtonElement && target.disabled)) return;
        const next = again();
        released.add(next);
        target.dispatchEvent(next);
    });
}

function comesDown(event: MouseEvent): void {
    const on = event.button === 0 && event.target instanceof Element ? event.target.closest<HTMLElement>(PRESSABLE) : null;
    down = on && { on, x: event.clientX, y: event.clientY };
}

/**
 * A press is of what the finger came down on, though that has moved away under it: a field that is left shows what is wrong with it, an
 * answer comes, and what is below them goes down by a line before the finger is up.
 *
 * @returns whether it went elsewhere, and what was meant was pressed in its place
 */
function wentAstray(event: MouseEvent): boolean {
    const came = down;
    down = null;
    const isOfFinger = event.isTrusted && event.detail > 0;
    if (!came || !isOfFinger || !(event.target instanceof Element) || came.on.contains(event.target)) return false;
    if (!came.on.isConnected || Math.hypot(event.clientX - came.x, event.clientY - came.y) > WANDERS_PX) return false;
    event.preventDefault();
    event.stopImmediatePropagation();
    came.on.click();
    return true;
}

function press(event: MouseEvent): void {
    if (wentAstray(event)) return;
    // What is to be done once is not done again because it takes long.
    if (deeds.once.value > 0 && event.target === pressed && !released.has(event)) {
        event.preventDefault();
        event.stopImmediatePropagation();
        return;
    }
    if (!isHeld(event)) {
        pressed = event.target;
        return;
    }
    hold(
        event,
        () =>
            new MouseEvent(event.type, {
                bubbles: true,
                cancelable: true,
                composed: true,
                view: window,
                detail: event.detail,
                clientX: event.clientX,
                clientY: event.clientY,
                shiftKey: event.shiftKey,
                ctrlKey: event.ctrlKey,
                metaKey: event.metaKey,
            }),
    );
}

/** Escape closes what is open: a dialog is not left while what was written in it is on its way. */
const escape = (event: KeyboardEvent): void => {
    if (event.key !== 'Escape') return;
    hold(event, () => new KeyboardEvent('keydown', { key: 'Escape', code: 'Escape', bubbles: true, cancelable: true }));
};

/** Sees to it for as long as the page lives. */
export function holdPresses(): void {
    // For whoever watches from outside: assistive programs, and tests.
    watch(deeds.busy, (busy) => document.documentElement.toggleAttribute('data-busy', busy), { flush: 'sync' });
    document.addEventListener('mousedown', comesDown, { capture: true });
    document.addEventListener('click', press, { capture: true });
    document.addEventListener('keydown', escape, { capture: true });
    router.on('before', ({ detail: { visit } }) => {
        if (!deeds.busy.value) return true;
        void deeds.settled().then(() => router.visit(visit.url, visit));
        return false;
    });
}
