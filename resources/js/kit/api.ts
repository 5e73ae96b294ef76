/** Talks to the application. Every failure comes back as one of a few kinds, never as a stray exception. */
export interface Fault {
    pointer: string;
    message: string;
}

/** One thing in which what is here and what is kept differ; null where one of them has it not. */
export interface Difference {
    where: string;
    what: string;
    mine: string | null;
    theirs: string | null;
}

/** A write that came too late. */
export interface Conflict {
    /** How the garden stands now. */
    revision: number;
    document: string;
    /** Both changes together, where they do not touch. */
    merged: string | null;
    /** Where they do: all changes, with mine or with theirs there; and in what these two differ. */
    withMine: string;
    withTheirs: string;
    differences: Difference[];
}

export type Answer<T> =
    | { kind: 'done'; data: T }
    | { kind: 'refused'; message: string; faults: Fault[] }
    | ({ kind: 'conflict' } & Conflict)
    /** What is asked about is not there any more. */
    | { kind: 'gone'; message: string }
    /** Nobody answers: it may be answered later. */
    | { kind: 'away'; message: string }
    /** There is no room to save anything. */
    | { kind: 'full'; message: string }
    /** Something is wrong that asking again does not mend. */
    | { kind: 'failed'; message: string }
    | { kind: 'cancelled' };

interface Options {
    method?: 'GET' | 'POST' | 'PUT' | 'DELETE';
    /** JSON as text, or a picture as it is. */
    body?: string | Blob;
    revision?: number;
    /** What this write is called, so that it is done once though it is sent twice. */
    key?: string;
    /** What writes before it were called that nobody answered: it is made on top of them, if they were done. */
    follows?: string[];
    /** Whether the page is being left: the request goes on without it. */
    leaving?: boolean;
    signal?: AbortSignal;
    /** Whoever has not answered by then is taken for away, ms. */
    within?: number;
}

/** The browser lets a request outlive its page up to this size, bytes; what is larger is sent as it is. */
const MOST_OUTLIVING = 60_000;

const AWAY = 'Kelp Tub does not answer. Your edits are kept on this page and saved when it is back.';

export async function call<T>(path: string, options: Options = {}): Promise<Answer<T>> {
    const { method = 'POST', body, revision, key, follows, leaving, signal, within } = options;
    const limit = within === undefined ? undefined : AbortSignal.timeout(within);
    const type = body instanceof Blob ? body.type : 'application/json';
    const headers: Record<string, string> = { 'Content-Type': type, Accept: 'application/json' };
    if (revision !== undefined) headers['If-Match'] = `"${revision}"`;
    if (key !== undefined) headers['Idempotency-Key'] = key;
    if (follows?.length) headers['Follows-Writes'] = follows.join(' ');
    let response: Response;
    try {
        response = await fetch(`/api/${path}`, {
            method,
            headers,
            body: body ?? null,
            signal: limit && signal ? AbortSignal.any([signal, limit]) : (signal ?? limit ?? null),
            keepalive: leaving === true && !(body instanceof Blob) && new TextEncoder().encode(body).length < MOST_OUTLIVING,
        });
    } catch {
        return signal?.aborted ? { kind: 'cancelled' } : { kind: 'away', message: AWAY };
    }
    // An answer that breaks off on the way is none; a refusal that is no JSON is told by its number.
    const data = (await response.json().catch(() => (response.ok ? null : {}))) as Record<string, unknown> | null;
    if (data === null) return signal?.aborted ? { kind: 'cancelled' } : { kind: 'away', message: AWAY };
    const message = typeof data.message === 'string' ? data.message : `Error ${response.status}.`;
    if (response.ok) return { kind: 'done', data: data as T };
    switch (response.status) {
        case 409:
            return {
                kind: 'conflict',
                revision: Number(data.revision),
                document: String(data.document),
                differences: Array.isArray(data.differences) ? (data.differences as Difference[]) : [],
                merged: typeof data.merged === 'string' ? data.merged : null,
                withMine: String(data.with_mine),
                withTheirs: String(data.with_theirs),
            };
        case 413:
        case 422:
            return { kind: 'refused', message, faults: Array.isArray(data.faults) ? (data.faults as Fault[]) : [] };
        case 404:
        case 410:
            return { kind: 'gone', message };
        case 507:
            return { kind: 'full', message };
        // Signed out: signed in again in another window, it is answered.
        case 401:
        case 502:
        case 503:
        case 504:
            return { kind: 'away', message };
        default:
            return { kind: 'failed', message };
    }
}
