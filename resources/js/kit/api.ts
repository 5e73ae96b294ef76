/** Talks to the application. Every failure comes back as one of a few kinds, never as a stray exception. */
export interface Fault {
    pointer: string;
    message: string;
}

export type Answer<T> =
    | { kind: 'done'; data: T }
    | { kind: 'refused'; message: string; faults: Fault[] }
    | { kind: 'conflict'; revision: number; document: string }
    | { kind: 'gone'; message: string }
    | { kind: 'away'; message: string }
    | { kind: 'cancelled' };

interface Options {
    method?: 'GET' | 'POST' | 'PUT' | 'DELETE';
    body?: string;
    revision?: number;
    signal?: AbortSignal;
}

export async function call<T>(path: string, { method = 'POST', body, revision, signal }: Options = {}): Promise<Answer<T>> {
    const headers: Record<string, string> = { 'Content-Type': 'application/json', Accept: 'application/json' };
    if (revision !== undefined) headers['If-Match'] = String(revision);
    let response: Response;
    try {
        response = await fetch(`/api/${path}`, { method, headers, body: body ?? null, signal: signal ?? null });
    } catch {
        return signal?.aborted
            ? { kind: 'cancelled' }
            : { kind: 'away', message: 'Kelp Tub does not answer. Your edits are kept on this page and saved when it is back.' };
    }
    const data = (await response.json().catch(() => ({}))) as Record<string, unknown>;
    const message = typeof data.message === 'string' ? data.message : `Error ${response.status}.`;
    if (response.ok) return { kind: 'done', data: data as T };
    if (response.status === 409) return { kind: 'conflict', revision: Number(data.revision), document: String(data.document) };
    if (response.status === 422 || response.status === 413)
        return { kind: 'refused', message, faults: Array.isArray(data.faults) ? (data.faults as Fault[]) : [] };
    if (response.status === 404) return { kind: 'gone', message };
    return { kind: 'away', message };
}
