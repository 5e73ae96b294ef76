import type { CropRow, Garden, Station, Tub, Vessel } from '../types/garden';
import type { Library } from './library';

/** Edits of a garden that more than one place makes. They change the draft they are given. */

type VesselInPlace = Exclude<Vessel, string>;

/** Moves a tub along the bench. */
export function moveTub(garden: Garden, id: string, by: number): void {
    const tubs = garden.tubs ?? [];
    const from = tubs.findIndex((t) => t.id === id);
    const to = from + by;
    if (from < 0 || to < 0 || to >= tubs.length) return;
    tubs.splice(to, 0, ...tubs.splice(from, 1));
}

/**
 * What of the Library a garden holds by key it finds on every machine; one's own goes into the garden whole, so that its file stands
 * alone.
 */
export function fromLibrary<T extends { key: string; own?: boolean }>(shelf: T[], key: string): string | Omit<T, 'own'> {
    const item = shelf.find((i) => i.key === key);
    if (!item?.own) return key;
    const { own: _, ...copy } = JSON.parse(JSON.stringify(item)) as T;
    return copy;
}

/** A crop by key; one's own is brought along. */
export function bringCrop(garden: Garden, library: Library, key: string | null): string | null {
    const crop = library.crops.find((c) => c.key === key);
    if (crop?.own) {
        const { key: _, own: __, ...row } = crop;
        ((garden.library ??= {}).crops ??= {})[crop.key] = JSON.parse(JSON.stringify(row)) as CropRow;
    }
    return key;
}

/**
 * A change of a vessel's measures. A lid that was not measured itself goes with the rim: it lies as far over it as before, or over a rim of
 * another shape by what is usual.
 */
export function measured(vessel: VesselInPlace, edit: (vessel: VesselInPlace) => void): void {
    const rim = (): Station => ({ ...vessel.stations.at(-1)! });
    const before = rim();
    edit(vessel);
    const [after, lid] = [rim(), vessel.lid];
    if (!lid || lid.measured) return;
    for (const key of ['diameter_mm', 'length_mm', 'width_mm', 'corner_radius_mm'] as const) {
        const [was, is, over] = [before[key], after[key], lid[key]];
        if (was === undefined || is === undefined || over === undefined) continue;
        lid[key] = Math.max(key === 'corner_radius_mm' ? 0 : 1, Math.round((over + is - was) * 100) / 100);
    }
}

/** The vessel as an object in the garden, so that its measures can be changed; it remembers the Library item it came from. */
export function vesselInPlace(tub: Tub, library: Library): VesselInPlace {
    if (typeof tub.vessel !== 'string') return tub.vessel;
    const shelf = library.vessels.find((v) => v.key === tub.vessel);
    if (!shelf) throw new Error(`The Library has no vessel ${tub.vessel}.`);
    const { own: _, ...item } = JSON.parse(JSON.stringify(shelf)) as typeof shelf;
    tub.vessel = item;
    return item;
}

type FeedProduct = NonNullable<Garden['feeds']>[number]['product'];

/**
 * A tub's feed. Tubs that share a feed keep theirs: the tub gets one of its own, or joins another that mixes the same.
 */
export function setFeed(garden: Garden, id: string, product: FeedProduct, library: Library): void {
    const tub = (garden.tubs ?? []).find((t) => t.id === id);
    if (!tub) return;
    const chosen = typeof product === 'string' ? (fromLibrary(library.feeds, product) as FeedProduct) : product;
    const same = (garden.feeds ?? []).find((f) => JSON.stringify(f.product) === JSON.stringify(chosen));
    const now = (garden.feeds ?? []).find((f) => f.id === tub.feed);
    const alone = now !== undefined && (garden.tubs ?? []).every((t) => t.id === id || t.feed !== now.id);
    if (same) {
        tub.feed = same.id;
    } else if (alone) {
        now.product = chosen;
    } else {
        const taken = new Set((garden.feeds ?? []).map((f) => f.id));
        let n = 1;
        while (taken.has(`feed-${n}`)) n++;
        garden.feeds = [...(garden.feeds ?? []), { ...(now ?? {}), id: `feed-${n}`, product: chosen }];
        tub.feed = `feed-${n}`;
    }
    dropIdle(garden);
}

export function freeFeed(garden: Garden, id: string): void {
    const tub = (garden.tubs ?? []).find((t) => t.id === id);
    if (tub) tub.feed = null;
    dropIdle(garden);
}

/** A feed that no tub gets any more goes with the last of them. */
function dropIdle(garden: Garden): void {
    garden.feeds = (garden.feeds ?? []).filter((f) => (garden.tubs ?? []).some((t) => t.feed === f.id));
}
