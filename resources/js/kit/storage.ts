/**
 * What the browser keeps for us. It may be full, refused, or not there at all: then nothing is kept, and nobody stops for it.
 */
const store = (kind: 'local' | 'session'): Storage | null => {
    try {
        return kind === 'local' ? window.localStorage : window.sessionStorage;
    } catch {
        return null;
    }
};

export function recall(kind: 'local' | 'session', key: string): string | null {
    try {
        return store(kind)?.getItem(key) ?? null;
    } catch {
        return null;
    }
}

/** Whether it was kept. */
export function keep(kind: 'local' | 'session', key: string, text: string): boolean {
    try {
        store(kind)?.setItem(key, text);
        return store(kind) !== null;
    } catch {
        return false;
    }
}

export function forget(kind: 'local' | 'session', key: string): void {
    try {
        store(kind)?.removeItem(key);
    } catch {
        // What cannot be reached is not there.
    }
}
