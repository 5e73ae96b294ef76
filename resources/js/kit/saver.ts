import { ref, shallowRef } from 'vue';
import type { Garden } from '../types/garden';
import { call } from './api';
import { forget, keep, recall } from './storage';

/** How the garden stands with what is kept: saved, on its way, waiting for the server, refused, or changed elsewhere. */
export type SaveState = 'saved' | 'saving' | 'away' | 'refused' | 'conflict';

/** A document as text, and the revision that it was made from or has. */
export interface Kept {
    revision: number;
    document: string;
}

const SAVE_AFTER_MS = 350;
const RETRY_MS = 2500;

/**
 * Keeps a garden: every change is written to the server against the revision it was made from, and meanwhile kept in the browser where that
 * can be. Only what the server acknowledged is called saved.
 */
export class Saver {
    readonly state = ref<SaveState>('saved');
    readonly message = ref('');
    /** In a conflict: the garden as it was changed elsewhere. */
    readonly theirs = shallowRef<Kept | null>(null);

    private timer: ReturnType<typeof setTimeout> | undefined;
    private writing = false;
    private document: Garden | null = null;
    private readonly key: string;

    constructor(
        private readonly id: string,
        public revision: number,
    ) {
        this.key = `kelp-unsaved-${id}`;
    }

    get hasUnsaved(): boolean {
        return this.document !== null;
    }

    /** Takes a changed document to be saved shortly. */
    save(document: Garden, after = SAVE_AFTER_MS): void {
        this.document = document;
        this.schedule(after);
        keep(this.key, JSON.stringify({ revision: this.revision, document: JSON.stringify(document) } satisfies Kept));
    }

    /** Edits that a closed page could not save; they are forgotten here, to be taken up. */
    leftOver(): Kept | null {
        const text = recall(this.key);
        forget(this.key);
        return text === null ? null : (JSON.parse(text) as Kept);
    }

    /** The garden was changed elsewhere: nothing is written until the grower has said which counts. */
    conflict(theirs: Kept): void {
        clearTimeout(this.timer);
        this.theirs.value = theirs;
        this.state.value = 'conflict';
    }

    /** Goes on from the revision that the garden has elsewhere: with what is here, or with nothing to save. */
    settle(mine: Garden | null): void {
        const theirs = this.theirs.value;
        if (!theirs) return;
        this.revision = theirs.revision;
        this.theirs.value = null;
        this.state.value = 'saving';
        if (mine) return this.save(mine, 0);
        this.document = null;
        this.state.value = 'saved';
        forget(this.key);
    }

    dispose(): void {
        clearTimeout(this.timer);
    }

    private schedule(after: number): void {
        if (this.state.value === 'conflict') return;
        this.state.value = this.state.value === 'away' ? 'away' : 'saving';
        clearTimeout(this.timer);
        this.timer = setTimeout(() => void this.write(), after);
    }

    private async write(): Promise<void> {
        const document = this.document;
        if (document === null) return;
        if (this.writing) return this.schedule(SAVE_AFTER_MS);
        this.writing = true;
        const answer = await call<{ revision: number }>(`gardens/${this.id}`, {
            method: 'PUT',
            body: JSON.stringify(document),
            revision: this.revision,
        });
        this.writing = false;
        if (answer.kind === 'done') {
            this.revision = answer.data.revision;
            this.message.value = '';
            if (document === this.document) this.done();
            else this.schedule(SAVE_AFTER_MS);
        } else if (answer.kind === 'conflict') {
            this.conflict({ revision: answer.revision, document: answer.document });
        } else if (answer.kind === 'refused') {
            this.state.value = 'refused';
            this.message.value = answer.message;
        } else {
            this.state.value = 'away';
            this.message.value = 'message' in answer ? answer.message : '';
            clearTimeout(this.timer);
            this.timer = setTimeout(() => void this.write(), RETRY_MS);
        }
    }

    private done(): void {
        this.document = null;
        this.state.value = 'saved';
        forget(this.key);
    }
}
