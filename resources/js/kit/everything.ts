import { strFromU8, unzipSync } from 'fflate';

/**
 * Everything as one file, in parts that can be sent one after another: however large it is, each part is small. Read in twice, what came in
 * the first time is here already.
 */

export interface Everything {
    format: 'kelp-tub.everything';
    version: number;
    made?: string;
    gardens?: unknown[];
    library?: Record<string, Record<string, unknown>>;
}

/** A photograph that came in the same file: of which garden, by the id that it has there, and the picture when it is its turn. */
export interface Pictured {
    garden: string;
    id: string;
    picture: () => Blob;
}

const GARDENS = 'kelp-tub.json';

const PHOTO = /^photos\/([0-9a-hjkmnp-tv-z]{26})\/([0-9a-hjkmnp-tv-z]{26})\.jpg$/i;

/** Whether bytes are a packed file, whatever it is called. */
export const isPacked = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;

/** The gardens and the photographs of a packed file; an explanation where it is none that can be read. */
export function unpack(bytes: Uint8Array): { text: string; photos: Pictured[] } | string {
    try {
        const photos: Pictured[] = [];
        const files = unzipSync(bytes, {
            filter: ({ name }) => {
                const [, garden, id] = PHOTO.exec(name) ?? [];
                if (garden && id) photos.push({ garden, id, picture: () => picture(bytes, name) });
                return name === GARDENS;
            },
        });
        return files[GARDENS]
            ? { text: strFromU8(files[GARDENS]), photos }
            : `There is no ${GARDENS} in it: it is not everything as one file. Nothing was saved.`;
    } catch (fault) {
        return `It is not whole: ${fault instanceof Error ? fault.message : 'it cannot be read'}. Nothing was saved.`;
    }
}

const picture = (bytes: Uint8Array, of: string): Blob =>
    new Blob([unzipSync(bytes, { filter: ({ name }) => name === of })[of] as Uint8Array<ArrayBuffer>], { type: 'image/jpeg' });

export interface Part {
    body: string;
    /** How many gardens and things of the Library it holds. */
    holds: number;
}

/** A part is sent when it has grown to this, characters, or holds so many things. */
const PART_LENGTH = 1_500_000;
const PART_THINGS = 500;

/** What the text is, where it is such a file; an explanation where it is none that can be read. */
export function parse(text: string): Everything | string {
    try {
        return JSON.parse(text) as Everything;
    } catch (fault) {
        return `It is not whole: ${fault instanceof Error ? fault.message : 'it cannot be read'}. Nothing was saved.`;
    }
}

export function parts(file: Everything): Part[] {
    const { gardens = [], library = {}, ...head } = file;
    const made: Part[] = [];
    let inPart: string[] = [];
    let length = 0;
    const close = (body: (things: string[]) => string): void => {
        if (inPart.length) made.push({ body: `${JSON.stringify(head).slice(0, -1)},${body(inPart)}}`, holds: inPart.length });
        inPart = [];
        length = 0;
    };
    const put = (thing: string, body: (things: string[]) => string): void => {
        if (inPart.length && (length + thing.length > PART_LENGTH || inPart.length >= PART_THINGS)) close(body);
        inPart.push(thing);
        length += thing.length;
    };
    const ofGardens = (things: string[]): string => `"gardens":[${things.join()}]`;
    for (const garden of Array.isArray(gardens) ? gardens : []) put(JSON.stringify(garden), ofGardens);
    close(ofGardens);
    for (const [kind, items] of Object.entries(library)) {
        const ofKind = (things: string[]): string => `"library":{${JSON.stringify(kind)}:{${things.join()}}}`;
        for (const [key, item] of Object.entries(items ?? {})) put(`${JSON.stringify(key)}:${JSON.stringify(item)}`, ofKind);
        close(ofKind);
    }
    // One with nothing in it is told of too: whether it is of this format and version.
    return made.length ? made : [{ body: JSON.stringify({ ...head, gardens: [] }), holds: 0 }];
}
