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

/** Whether it was kept. */
export function keep(key: string, text: string): boolean {
    try {
        store()?.setItem(key, text);
        return store() !== null;
    } catch {
        return false;
    }
}

export function forget(key: string): void {
    try {
        store()?.removeItem(key);
    } catch {
        // What cannot be reached is not there.
    }
}
