import { applyPatch, compare, type Operation } from 'fast-json-patch';
import { computed, shallowRef } from 'vue';
import type { Garden } from '../types/garden';
import { forget, keep, recall } from './storage';

/** One step of the grower's: how to go back over it, and forth again. */
interface Step {
    says: string;
    at: number;
    back: Operation[];
    forth: Operation[];
}

/** Steps back and forth. */
export interface Steps {
    past: Step[];
    future: Step[];
}

interface Kept extends Steps {
    /** Of the document that the steps lead to. */
    document: string;
}

const JOIN_MS = 900;
const MOST_STEPS = 200;
/** Steps are kept, over a reload and until the garden is opened again, while they take up no more than this, characters. */
const MOST_KEPT = 300_000;

const clone = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

function patched(document: Garden, patch: Operation[]): Garden {
    return applyPatch(clone(document), clone(patch)).newDocument;
}

/** A short mark of a document, to know it again by (FNV-1a). */
function markOf(document: Garden): string {
    const text = JSON.stringify(document);
    let mark = 0x811c9dc5;
    for (let i = 0; i < text.length; i++) mark = Math.imul(mark ^ text.charCodeAt(i), 0x01000193) >>> 0;
    return `${text.length}-${mark.toString(36)}`;
}

/** Undo and redo: what changed at each step, as patches; kept for when the garden is opened again, if it is still as they left it. */
export class History {
    private readonly past = shallowRef<Step[]>([]);
    private readonly future = shallowRef<Step[]>([]);

    constructor(private readonly key: string) {}

    readonly canUndo = computed(() => this.past.value.length > 0);
    readonly canRedo = computed(() => this.future.value.length > 0);
    readonly undoSays = computed(() => this.past.value.at(-1)?.says ?? '');
    readonly redoSays = computed(() => this.future.value.at(-1)?.says ?? '');

    /** All steps as they are, to come back to. */
    steps(): Steps {
        return { past: this.past.value, future: this.future.value };
    }

    restore(steps: Steps): void {
        this.past.value = steps.past;
        this.future.value = steps.future;
    }

    /** A step from one document to the next; steps of the same name in one breath are one. */
    add(says: string, before: Garden, after: Garden): void {
        const now = Date.now();
        const last = this.past.value.at(-1);
        const joined = last !== undefined && last.says === says && now - last.at < JOIN_MS;
        const from = joined ? patched(before, last.back) : before;
        const step = { says, at: now, back: compare(after, from), forth: compare(from, after) };
        this.past.value = [...(joined ? this.past.value.slice(0, -1) : this.past.value), step].slice(-MOST_STEPS);
        this.future.value = [];
    }

    /** The document before the last step; null when there is none. */
    back(document: Garden): Garden | null {
        const step = this.past.value.at(-1);
        if (!step) return null;
        // What comes after a step back is a step of its own.
        this.past.value = this.past.value.slice(0, -1).map((before, i, all) => (i === all.length - 1 ? { ...before, at: 0 } : before));
        this.future.value = [...this.future.value, { ...step, at: 0 }];
        return patched(document, step.back);
    }

    forth(document: Garden): Garden | null {
        const step = this.future.value.at(-1);
        if (!step) return null;
        this.future.value = this.future.value.slice(0, -1);
        this.past.value = [...this.past.value, { ...step, at: 0 }];
        return patched(document, step.forth);
    }

    /** Keeps the steps nearest to a document, as many as there is room for. */
    keep(document: Garden): void {
        let [past, future] = [this.past.value, this.future.value];
        for (;;) {
            const text = JSON.stringify({ document: markOf(document), past, future } satisfies Kept);
            if (text.length <= MOST_KEPT && keep(this.key, text)) return;
            if (past.length + future.length === 0) return forget(this.key);
            [past, future] = [past.slice(Math.ceil(past.length / 2)), future.slice(Math.ceil(future.length / 2))];
        }
    }

    /** Takes up the steps that lead to a document, if such are kept. */
    recall(document: Garden): void {
        const text = recall(this.key);
        if (text === null) return;
        const kept = JSON.parse(text) as Kept;
        if (kept.document !== markOf(document)) return;
        this.past.value = kept.past;
        this.future.value = kept.future;
    }
}
