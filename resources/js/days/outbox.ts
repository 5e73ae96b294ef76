import { del, delMany, get, getMany, keys, set, setMany } from 'idb-keyval';
import { computed, ref, type ComputedRef, type Ref } from 'vue';
import { ulid } from 'ulid';
import { call } from '../kit/api';
import type { Entry } from './diary';

/** A line that nobody could read yet: it is read by the core as soon as it answers, as of the moment at which it was written. */
export interface Unread {
    id: string;
    tub: string;
    copy: number;
    at: string;
    text: string;
    photo?: string;
}

/** What was read or done in a garden and is not kept at the server yet. */
interface Waiting {
    garden: string;
    entry?: Entry;
    line?: Unread;
}

/** What was understood of a line. */
export interface ReadLine {
    entry: Partial<Entry> & { at: string };
    understood: string[];
    left: string;
    asks: { about: string; text: string; question: string }[];
}

/** One that the server did not take, and why. */
export interface Refused {
    entry: Entry;
    message: string;
}

/** Where each waits by itself, through reload and restart: in the browser's own database, where no window writes over another's. */
const UNSENT = 'kelp-unsent/';
const idOf = (w: Waiting): string => (w.entry ?? w.line!).id;
const keyOf = (w: Waiting): string => UNSENT + idOf(w);

/** So many are sent at a time. */
const AT_ONCE = 500;

/** A photograph waits beside them, by its id. */
const photoKey = (id: string): string => `kelp-photo-${id}`;

/** Members that say where an entry belongs, and nothing else. */
const FRAME = ['id', 'tub', 'copy', 'planting', 'at'];

const AGAIN_MS = 8_000;

const WITHIN_MS = 30_000;

const PHOTO_WITHIN_MS = 120_000;

/** Once for every entry, whichever page makes it. */
export const newEntryId = (): string => ulid();

/**
 * Entries on their way. Each is put into the browser's own database before it is sent, and goes from there when the server has it: a tub
 * stands where there may be no connection. Sent twice it is kept once, by its name.
 */
export class Outbox {
    private readonly waiting: Ref<Waiting[]> = ref([]);
    readonly refused: Ref<Refused[]> = ref([]);
    /** Grows with every entry that the server has taken: who shows a log asks again. */
    readonly kept = ref(0);
    /** Why they wait; empty while all is well. */
    readonly away = ref('');
    /** Photographs, where the browser keeps none. */
    private readonly photos = new Map<string, Blob>();
    private sending = false;
    private timer: ReturnType<typeof setTimeout> | undefined;
    private readonly ready: Promise<void>;

    constructor() {
        this.ready = this.recall();
        window.addEventListener('online', () => void this.send());
    }

    /** How many of a garden wait. */
    count(garden: string): ComputedRef<number> {
        return computed(() => this.waiting.value.filter((w) => w.garden === garden).length);
    }

    add(garden: string, ...entries: Entry[]): Promise<void> {
        return this.put(entries.map((entry) => ({ garden, entry })));
    }

    /** A line that is to be read when somebody is there to read it. */
    addLine(garden: string, line: Unread): Promise<void> {
        return this.put([{ garden, line }]);
    }

    /**
     * A photograph is put aside until the entry goes that names it.
     *
     * @returns its id
     */
    async addPhoto(photo: Blob): Promise<string> {
        const id = ulid();
        try {
            await set(photoKey(id), photo);
        } catch {
            this.photos.set(id, photo);
        }
        return id;
    }

    private async photo(id: string): Promise<Blob | undefined> {
        return this.photos.get(id) ?? (await get<Blob>(photoKey(id)).catch(() => undefined));
    }

    private async forgetPhoto(id: string): Promise<void> {
        this.photos.delete(id);
        await del(photoKey(id)).catch(() => undefined);
    }

    /** Done as soon as this device has them; that they are on their way is said by {@see count}. */
    private async put(more: Waiting[]): Promise<void> {
        await this.ready;
        await this.store(more);
        this.waiting.value = [...this.waiting.value, ...more];
        void this.send();
    }

    dismiss(refused: Refused): void {
        this.refused.value = this.refused.value.filter((r) => r !== refused);
    }

    private async recall(): Promise<void> {
        try {
            const unsent = (await keys()).filter((key) => String(key).startsWith(UNSENT)).sort();
            this.waiting.value = (await getMany<Waiting | undefined>(unsent)).filter((w) => w !== undefined);
        } catch {
            // A browser that keeps nothing for us keeps them as long as the page is open.
        }
        if (this.waiting.value.length > 0) void this.send();
    }

    private async store(some: Waiting[]): Promise<void> {
        try {
            await setMany(some.map((w) => [keyOf(w), JSON.parse(JSON.stringify(w)) as Waiting]));
        } catch {
            // As above.
        }
    }

    /** They wait no longer: the server has them, or said why it takes them not. */
    private async letGo(some: Waiting[]): Promise<void> {
        const gone = new Set(some.map(idOf));
        this.waiting.value = this.waiting.value.filter((w) => !gone.has(idOf(w)));
        await delMany(some.map(keyOf)).catch(() => undefined);
    }

    private async send(): Promise<void> {
        if (this.sending) return;
        this.sending = true;
        clearTimeout(this.timer);
        let isAway = false;
        while (this.waiting.value.length > 0 && !isAway) isAway = !(await this.sendSome(this.waiting.value[0]!.garden));
        this.sending = false;
        if (isAway) this.timer = setTimeout(() => void this.send(), AGAIN_MS);
        else this.away.value = '';
    }

    /**
     * Lines that nobody could read when they were written become entries; what is doubtful in them is kept as their note.
     *
     * @returns false where nobody answers
     */
    private async readLines(garden: string): Promise<boolean> {
        for (const waiting of this.waiting.value.filter((w) => w.garden === garden && w.line !== undefined)) {
            const line = waiting.line!;
            const answer = await call<ReadLine>(`gardens/${garden}/entries/read`, {
                body: JSON.stringify({ tub: line.tub, copy: line.copy, text: line.text, now: line.at }),
                within: WITHIN_MS,
            });
            if (answer.kind !== 'done' && answer.kind !== 'refused' && answer.kind !== 'gone') {
                this.away.value = 'message' in answer ? answer.message : 'Kelp Tub does not answer.';
                return false;
            }
            const read = answer.kind === 'done' ? answer.data : null;
            const entry: Entry = {
                at: line.at,
                ...read?.entry,
                id: line.id,
                tub: line.tub,
                copy: line.copy,
                ...(line.photo ? { photo: line.photo } : {}),
                ...(read === null ? { note: line.text } : read.left === '' ? {} : { note: read.left }),
            };
            await this.store([{ garden, entry }]);
            this.waiting.value = this.waiting.value.map((w) => (idOf(w) === line.id ? { garden, entry } : w));
        }
        return true;
    }

    /**
     * The photographs of some entries go before them. One that is refused is said to be, and its entry goes without it.
     *
     * @returns false where nobody answers
     */
    private async sendPhotos(garden: string, some: { garden: string; entry: Entry }[]): Promise<boolean> {
        for (const waiting of some) {
            const id = waiting.entry.photo;
            const photo = id === undefined ? undefined : await this.photo(id);
            if (id === undefined || photo === undefined) continue;
            const answer = await call(`gardens/${garden}/photos?id=${id}`, { body: photo, within: PHOTO_WITHIN_MS });
            if (answer.kind === 'away' || answer.kind === 'full') {
                this.away.value = answer.message;
                return false;
            }
            if (answer.kind === 'refused' || answer.kind === 'failed') {
                const why = answer.kind === 'refused' ? (answer.faults[0]?.message ?? answer.message) : answer.message;
                this.refused.value = [...this.refused.value, { entry: waiting.entry, message: `the photograph ${why}` }];
                waiting.entry = { ...waiting.entry };
                delete waiting.entry.photo;
                // Where it was all that there is, nothing is left to keep.
                if (Object.keys(waiting.entry).every((member) => FRAME.includes(member))) await this.letGo([waiting]);
                else await this.store([waiting]);
            }
            await this.forgetPhoto(id);
        }
        return true;
    }

    /** @returns false where nobody answers */
    private async sendSome(garden: string): Promise<boolean> {
        if (!(await this.readLines(garden))) return false;
        const some = this.waiting.value
            .filter((w): w is { garden: string; entry: Entry } => w.garden === garden && w.entry !== undefined)
            .slice(0, AT_ONCE);
        if (some.length === 0) return true;
        if (!(await this.sendPhotos(garden, some))) return false;
        if (some.some((w) => !this.waiting.value.includes(w))) return true;
        const answer = await call<{ entries: { id: string; result: string; message?: string }[] }>(`gardens/${garden}/entries`, {
            body: JSON.stringify({ entries: some.map((w) => w.entry) }),
            within: WITHIN_MS,
        });
        if (answer.kind !== 'done' && answer.kind !== 'refused' && answer.kind !== 'gone') {
            this.away.value = 'message' in answer ? answer.message : 'Kelp Tub does not answer.';
            return false;
        }
        const results = answer.kind === 'done' ? new Map(answer.data.entries.map((r) => [r.id, r])) : new Map();
        const why = 'message' in answer ? answer.message : 'it was refused';
        for (const w of some) {
            const result = results.get(w.entry.id);
            if (result === undefined || result.result === 'refused')
                this.refused.value = [...this.refused.value, { entry: w.entry, message: result?.message ?? why }];
        }
        await this.letGo(some);
        this.kept.value++;
        return true;
    }
}

export const outbox = new Outbox();
