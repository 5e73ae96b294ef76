import { ref, shallowRef } from 'vue';
import type { Garden } from '../types/garden';
import { call, type Conflict, type Fault } from './api';
import { newName, UnsavedEdits } from './unsaved';

/**
 * How the garden stands with what the server acknowledged: saved, on its way, waiting for a server that is away or a disk that is full,
 * refused, changed elsewhere, deleted elsewhere, or failed for a reason that waiting does not mend.
 */
export type SaveState = 'saved' | 'saving' | 'away' | 'full' | 'refused' | 'conflict' | 'gone' | 'failed';

const SAVE_AFTER_MS = 350;
const MOST_UNANSWERED = 20;
/** Asked again after so long, each time longer. */
const RETRY_MS = [2500, 5000, 10_000, 20_000, 40_000];

/**
 * Keeps a garden: every change is written to the server against the revision it was made from. Only what the server acknowledged is called
 * saved; what it did not is kept in the browser where that can be.
 */
export class Saver {
    readonly state = ref<SaveState>('saved');
    readonly message = ref('');
    readonly theirs = shallowRef<Conflict | null>(null);

    private timer: ReturnType<typeof setTimeout> | undefined;
    private writing = false;
    private document: string | null = null;
    private sent = { key: '', document: '' };
    private unanswered: string[] = [];
    private tries = 0;
    private isKept = true;
    private disposed = false;
    private readonly edits: UnsavedEdits;

    /** The revision that the page was opened at. */
    private readonly opened: number;

    /**
     * @param onMerged both changes brought together by the server, to go on with and to save
     * @param onRefused what is refused; whether the edit that made it so is taken back, and the rest is to be saved
     * @param onKnown what was taken up was saved already, before the page was opened: there is nothing to save
     */
    constructor(
        private readonly id: string,
        public revision: number,
        private readonly onMerged: (document: string) => void = () => undefined,
        private readonly onKnown: () => void = () => undefined,
        private readonly onRefused: (document: string, faults: Fault[]) => boolean = () => false,
    ) {
        this.opened = revision;
        this.edits = new UnsavedEdits(id);
    }

    /** Whether leaving the page now would lose something. */
    get wouldLose(): boolean {
        return this.document !== null && !this.isKept;
    }

    /** Takes a changed document to be saved shortly. */
    save(document: Garden, after = SAVE_AFTER_MS): void {
        this.document = JSON.stringify(document);
        this.schedule(after);
        this.keep();
    }

    /** Edits that a closed page could not save, to go on with from the revision that they were made from. */
    async takeUp(): Promise<string | null> {
        const left = await this.edits.takeUp();
        if (left === null || this.document !== null) return null;
        this.revision = left.revision;
        this.unanswered = left.unanswered;
        return left.document;
    }

    /** Goes on from the garden as it stands elsewhere: with what was chosen, which is saved over it unless it is the same. */
    settle(chosen: Garden): void {
        const theirs = this.theirs.value;
        if (!theirs) return;
        this.revision = theirs.revision;
        this.theirs.value = null;
        this.unanswered = [];
        this.state.value = 'saving';
        if (JSON.stringify(chosen) === theirs.document) this.done();
        else this.save(chosen, 0);
    }

    /** Asks at once, whatever was wrong before. */
    again(): void {
        this.tries = 0;
        this.schedule(0);
    }

    /** What is not saved yet is sent now, in a way that goes on when the page is left. */
    flush(): void {
        clearTimeout(this.timer);
        if (this.document !== null && !['refused', 'gone', 'conflict'].includes(this.state.value)) void this.write(true);
    }

    dispose(): void {
        this.flush();
        this.disposed = true;
        this.edits.dispose();
    }

    private keep(): void {
        this.isKept =
            this.document !== null && this.edits.keep({ revision: this.revision, document: this.document, unanswered: this.unanswered });
    }

    private schedule(after: number): void {
        if (this.state.value === 'saved' || this.state.value === 'refused') this.state.value = 'saving';
        clearTimeout(this.timer);
        this.timer = setTimeout(() => void this.write(), after);
    }

    private async write(leaving = false): Promise<void> {
        if (this.document === null || (this.writing && !leaving)) return;
        // The same again goes under the same name. What is newer says which writes it follows: they may be saved, though nobody said so.
        if (this.document !== this.sent.document || !this.unanswered.includes(this.sent.key)) {
            this.sent = { key: newName(), document: this.document };
            this.unanswered = [...this.unanswered, this.sent.key].slice(-MOST_UNANSWERED);
        }
        const attempt = this.sent;
        this.keep();
        this.writing = true;
        const answer = await call<{ revision: number }>(`gardens/${this.id}`, {
            method: 'PUT',
            body: attempt.document,
            revision: this.revision,
            key: attempt.key,
            follows: this.unanswered.filter((key) => key !== attempt.key),
            leaving,
        });
        this.writing = false;
        if (!['away', 'failed', 'cancelled'].includes(answer.kind)) this.unanswered = [];
        const isNewest = attempt.document === this.document;
        switch (answer.kind) {
            case 'done':
                this.revision = answer.data.revision;
                this.theirs.value = null;
                if (!isNewest) return this.next('saving');
                if (this.revision < this.opened) {
                    this.revision = this.opened;
                    this.onKnown();
                }
                return this.done();
            case 'conflict':
                // Edits that were made meanwhile are brought together with the rest, not left behind.
                if (!isNewest) return this.next(this.state.value);
                if (answer.merged === null) {
                    this.theirs.value = answer;
                    return this.stop('conflict', '');
                }
                this.revision = answer.revision;
                this.theirs.value = null;
                this.state.value = 'saving';
                return this.onMerged(answer.merged);
            case 'refused':
                if (this.onRefused(attempt.document, answer.faults)) return;
                return isNewest ? this.stop('refused', answer.message) : this.next('refused');
            case 'gone':
                return this.stop('gone', answer.message);
            case 'failed':
                return this.stop('failed', answer.message);
            case 'full':
                return this.wait('full', answer.message);
            default:
                return this.wait('away', 'message' in answer ? answer.message : '');
        }
    }

    private next(state: SaveState): void {
        this.tries = 0;
        this.state.value = state;
        this.keep();
        this.schedule(SAVE_AFTER_MS);
    }

    private stop(state: SaveState, message: string): void {
        this.state.value = state;
        this.message.value = message;
        this.keep();
    }

    private wait(state: SaveState, message: string): void {
        this.stop(state, message);
        if (this.disposed) return;
        clearTimeout(this.timer);
        this.timer = setTimeout(() => void this.write(), RETRY_MS[Math.min(this.tries++, RETRY_MS.length - 1)]);
    }

    private done(): void {
        this.document = null;
        this.unanswered = [];
        this.tries = 0;
        this.isKept = true;
        this.message.value = '';
        this.state.value = 'saved';
        clearTimeout(this.timer);
        this.edits.forget();
    }
}
