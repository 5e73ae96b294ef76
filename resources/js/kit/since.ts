import { compare, type Operation } from 'fast-json-patch';
import type { Garden } from '../types/garden';
import type { Fault } from './api';
import type { History, Steps } from './history';
import { patched } from './patch';

interface Edit {
    says: string;
    before: Garden;
    after: Garden;
}

/**
 * What was edited since the last document that the application took, so that an edit that it does not take can be told from the rest, and
 * the rest goes on without it.
 */
export class Since {
    private sound: Garden;
    private steps: Steps;
    private edits: Edit[] = [];
    /** So many of them are known to be sound. */
    private known = 0;

    constructor(
        document: Garden,
        private readonly history: History,
    ) {
        this.sound = document;
        this.steps = history.steps();
    }

    /** Begins anew at a document that no edit of this page led to. */
    start(document: Garden): void {
        this.sound = document;
        this.steps = this.history.steps();
        this.edits = [];
        this.known = 0;
    }

    add(says: string, before: Garden, after: Garden): void {
        this.edits.push({ says, before, after });
    }

    /** The application has taken a document. */
    accepted(document: Garden): void {
        const at = this.edits.findIndex((edit) => edit.after === document);
        // How one goes back is known of the newest document alone; of one before it, that nothing up to it is to blame.
        if (at >= 0 && at === this.edits.length - 1) this.start(document);
        else this.known = Math.max(this.known, at + 1);
    }

    /**
     * The newest document without the edit that made one of those before it such that it is refused; the history of steps goes with it.
     * Null where no edit of this page did.
     */
    without(document: Garden | string, faults: Fault[]): { says: string; document: Garden } | null {
        const text = typeof document === 'string' ? document : JSON.stringify(document);
        const at = this.edits.findIndex((edit) => edit.after === document || JSON.stringify(edit.after) === text);
        if (at < this.known) return null;
        const upTo = this.edits.slice(this.known, at + 1);
        const culprit = upTo.findLast((edit) => compare(edit.before, edit.after).some((one) => isTouched(one, faults))) ?? upTo.at(-1)!;
        const rest = this.edits.filter((edit) => edit !== culprit);
        this.history.restore(this.steps);
        this.edits = [];
        this.known = 0;
        let now = this.sound;
        for (const edit of rest) {
            const after = patched(now, guarded(edit));
            if (!after || JSON.stringify(after) === JSON.stringify(now)) continue;
            this.history.add(edit.says, now, after);
            this.add(edit.says, now, after);
            now = after;
        }
        return { says: culprit.says, document: now };
    }
}

/** An edit as a patch that says what it is meant for: the entries of lists by their names, and the values that it replaces. */
function guarded({ before, after }: Edit): Operation[] {
    const operations = compare(before, after, true);
    const names = new Map<string, Operation>();
    for (const { path } of operations)
        for (const entry of path.matchAll(/\/\d+(?=\/|$)/g)) {
            const pointer = path.slice(0, entry.index + entry[0].length);
            for (const name of ['id', 'tub']) {
                const value = valueAt(before, `${pointer}/${name}`);
                if (typeof value === 'string') names.set(`${pointer}/${name}`, { op: 'test', path: `${pointer}/${name}`, value });
            }
        }
    return [...names.values(), ...operations];
}

function valueAt(document: object, pointer: string): unknown {
    let node: unknown = document;
    for (const step of pointer.split('/').slice(1)) node = (node as Record<string, unknown> | undefined)?.[step];
    return node;
}

const isTouched = (operation: Operation, faults: Fault[]): boolean =>
    faults.some(({ pointer }) => `${pointer}/`.startsWith(`${operation.path}/`) || `${operation.path}/`.startsWith(`${pointer}/`));
