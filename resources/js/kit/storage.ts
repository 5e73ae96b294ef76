/**
 * What the browser keeps for us. It may be full, refused, or not there at all: then nothing is kept, and nobody stops for it.
 */
const store = (): Storage | null => {
    try {
        return window.localStorage;
    } catch {
        return null;
    }
};

export function recall(key: string): string | null {
    try {
        return store()?.getItem(key) ?? null;
    } catch {
        return null;
    }
}

/** Steps back are the first to go when there is no room: a garden's own come before those of others, and what is not saved before all. */
export const STEPS = 'kelp-steps-';

function put(key: string, text: string): boolean {
    try {
        store()?.setItem(key, text);
        return store() !== null;
    } catch {
        return false;
    }
}

/** Whether it was kept; where it would not fit, other gardens' steps make room. */
export function keep(key: string, text: string): boolean {
    if (put(key, text)) return true;
    const others = Object.keys(store() ?? {}).filter((other) => other.startsWith(STEPS) && other !== key);
    others.forEach(forget);
    return others.length > 0 && put(key, text);
}

export function forget(key: string): void {
    try {
        store()?.removeItem(key);
    } catch {
        // What cannot be reached is not there.
    }
}

/** The names of all that is kept. */
export function keys(): string[] {
    try {
        return Object.keys(store() ?? {});
    } catch {
        return [];
    }
}
