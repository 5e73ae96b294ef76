import type { Fault } from './api';

/**
 * A file that the application makes of a garden, handed to the browser to keep.
 *
 * @returns what went wrong, in words; empty where nothing did
 */
export async function download(path: string, garden: unknown): Promise<string> {
    const nobody = 'Kelp Tub does not answer. Try again when it is back.';
    let response: Response;
    try {
        response = await fetch(`/api/${path}`, {
            method: 'POST',
            headers: { 'Content-Type': 'application/json', Accept: 'application/json' },
            body: JSON.stringify(garden),
        });
    } catch {
        return nobody;
    }
    if (!response.ok) {
        const said = (await response.json().catch(() => ({}))) as { message?: string; faults?: Fault[] };
        return said.faults?.[0]?.message ?? said.message ?? `Error ${response.status}.`;
    }
    const name = /filename="([^"]+)"/.exec(response.headers.get('Content-Disposition') ?? '')?.[1] ?? 'kelp-tub';
    const file = await response.blob().catch(() => null);
    if (file === null) return nobody;
    keep(file, name);
    return '';
}

/** Hands a file to the browser. */
export function keep(file: Blob, name: string): void {
    const address = URL.createObjectURL(file);
    const link = document.createElement('a');
    link.href = address;
    link.download = name;
    link.click();
    setTimeout(() => URL.revokeObjectURL(address), 60_000);
}
