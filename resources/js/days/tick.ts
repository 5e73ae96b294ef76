import { wallClock } from '../kit/dates';
import type { Entry, Item } from './diary';
import { newEntryId, outbox } from './outbox';

/** What a tick writes down: the item itself, and of water what was put in. */
export function entryOf(item: Item, at = wallClock()): Entry {
    const wet = item.kind === 'top-up' || item.kind === 'change';
    const parts = Object.fromEntries(
        Object.entries(item.parts).map(([name, p]) => [name, p.ml === undefined ? { g: p.g ?? 0 } : { ml: p.ml }]),
    );
    return {
        id: newEntryId(),
        tub: item.tub,
        copy: item.copy,
        ...(item.plantings.length === 1 && !wet ? { planting: item.plantings[0]! } : {}),
        at,
        did: [item.key],
        ...(item.kind === 'top-up' && item.litres !== null ? { top_up_l: item.litres } : {}),
        ...(item.kind === 'change' ? { change: true } : {}),
        ...(wet && item.ec_ms_cm !== null ? { top_up_ec: item.ec_ms_cm } : {}),
        ...(item.kind === 'strengthen' ? { dose: parts } : {}),
    };
}

/** Takes an entry back: it stays where it is kept, and counts no more. */
export const strikeOf = (id: string, tub: string, copy: number): Entry => ({
    id: newEntryId(),
    tub,
    copy,
    at: wallClock(),
    strikes: id,
});

/** Ticked off; of a picking with what it weighed, in grams, where that was written. */
export const tickOff = (garden: string, item: Item, grams: number | null): Promise<void> =>
    outbox.add(garden, { ...entryOf(item), ...(grams === null ? {} : { harvest_g: grams }) });

export const untick = (garden: string, item: Item): Promise<void> =>
    item.done === null ? Promise.resolve() : outbox.add(garden, strikeOf(item.done, item.tub, item.copy));
