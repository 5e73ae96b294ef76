import { forget, keep, keys, recall } from './storage';

/** What is not saved of a garden, and the revision that it was made from. That stays as it is until the grower has chosen. */
export interface Unsaved {
    revision: number;
    document: string;
    /** Writes that were sent and not answered: they may be saved already, and what comes now follows them. */
    unanswered: string[];
}

const PREFIX = 'kelp-unsaved-';
const tabLock = (page: string): string => `kelp-page-${page}`;

/** A name that nothing else has. */
export const newName = (): string =>
    Array.from(crypto.getRandomValues(new Uint8Array(12)), (byte) => byte.toString(16).padStart(2, '0')).join('');

/**
 * Edits that are not saved, kept in the browser for when the page is gone. Each page keeps its own, under a name that it holds a lock on
 * while it lives: so another page of the same garden can tell what a closed one left behind, and never takes what an open one still holds.
 */
export class UnsavedEdits {
    private readonly page = newName();
    private readonly key: string;
    private release: () => void = () => undefined;

    constructor(private readonly garden: string) {
        this.key = `${PREFIX}${garden}-${this.page}`;
        void this.locks?.request(
            tabLock(this.page),
            () =>
                new Promise<void>((done) => {
                    this.release = done;
                }),
        );
    }

    private get locks(): LockManager | undefined {
        return (navigator as { locks?: LockManager }).locks;
    }

    /** Whether it was kept: it may be full. */
    keep(unsaved: Unsaved): boolean {
        return keep(this.key, JSON.stringify(unsaved));
    }

    forget(): void {
        forget(this.key);
    }

    /** What a closed page left of this garden; it is this page's from now on. */
    async takeUp(): Promise<Unsaved | null> {
        if (this.left().length === 0) return null;
        const take = async (): Promise<Unsaved | null> => {
            const held = new Set(((await this.locks?.query())?.held ?? []).map((lock) => lock.name));
            for (const key of this.left()) {
                if (held.has(tabLock(key.split('-').at(-1) ?? ''))) continue;
                const unsaved = read(recall(key));
                if (unsaved === null) forget(key);
                else if (this.keep(unsaved)) {
                    forget(key);
                    return unsaved;
                } else return unsaved;
            }
            return null;
        };
        // One page at a time takes up what is left, so that no two do.
        return this.locks ? await this.locks.request(`kelp-take-${this.garden}`, take) : take();
    }

    dispose(): void {
        this.release();
    }

    private left(): string[] {
        return keys().filter(
            (key) => (key === `${PREFIX}${this.garden}` || key.startsWith(`${PREFIX}${this.garden}-`)) && key !== this.key,
        );
    }
}

/** What was kept, by this version or the one before; nothing where it cannot be read. */
function read(text: string | null): Unsaved | null {
    try {
        const kept = JSON.parse(text ?? '') as Partial<Unsaved>;
        return typeof kept.revision === 'number' && typeof kept.document === 'string'
            ? { revision: kept.revision, document: kept.document, unanswered: kept.unanswered ?? [] }
            : null;
    } catch {
        return null;
    }
}
