import { router } from '@inertiajs/vue3';
import { onBeforeUnmount, watch, type Ref } from 'vue';

/**
 * Back and forward: each place of a page that is gone to is a step, and so is a panel that is open, so that going back goes to the place
 * before, or closes the panel, and leaves the page only from where it was entered. A page that is come back to is fetched anew: what the
 * browser remembers of it may be old.
 */

/** What of an entry of the browser's history is ours. */
interface Entry {
    /** The panel that is open there. */
    kelpPanel?: string | undefined;
    /** Its panel was closed by other means: the next place takes its step. */
    kelpSpent?: boolean;
}

const entry = (): Entry => (window.history.state ?? {}) as Entry;

/** Who may see to a step, the newest first; each says whether it did. */
const walkers: (() => boolean)[] = [];

function useWalker(walk: () => boolean): void {
    walkers.unshift(walk);
    onBeforeUnmount(() => walkers.splice(walkers.indexOf(walk), 1));
}

/** Another entry of the same page: the rest of its state is the framework's. */
function push(path: string, more: Entry): void {
    const state = { ...(window.history.state as object), kelpPanel: undefined, kelpSpent: false, ...more };
    if (entry().kelpSpent) window.history.replaceState(state, '', path);
    else window.history.pushState(state, '', path);
}

/** Sees to it for as long as the page lives. */
export function walkPlaces(): void {
    window.addEventListener(
        'popstate',
        (event) => {
            if (event.state === null) return;
            event.stopImmediatePropagation();
            if (walkers.some((walk) => walk())) return;
            router.visit(window.location.pathname + window.location.search, { replace: true });
        },
        { capture: true },
    );
}

/**
 * Walks with back and forward through the places of a page.
 *
 * @param now the address of where the page is
 * @param go goes where an address says; false where that is not of this page
 */
export function usePlaces(now: () => string, go: (path: string) => boolean): void {
    useWalker(() => go(window.location.pathname));
    watch(now, (path) => {
        if (path !== window.location.pathname) push(path, {});
    });
}

/** A panel over the page: back closes it. */
export function usePanel(name: string, open: Ref<boolean>): void {
    useWalker(() => {
        const closes = open.value && entry().kelpPanel !== name;
        if (closes) open.value = false;
        return closes || entry().kelpPanel === name;
    });
    watch(open, (isOpen) => {
        if (isOpen && entry().kelpPanel !== name) push(window.location.pathname + window.location.search, { kelpPanel: name });
        else if (!isOpen && entry().kelpPanel === name)
            window.history.replaceState({ ...(window.history.state as object), kelpPanel: undefined, kelpSpent: true }, '');
    });
}
