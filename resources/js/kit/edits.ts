import type { AirSystem, CropRow, Cup, Garden, Tub, Vessel } from '../types/garden';
import type { Library } from './library';

/** Edits of a garden that more than one place makes. They change the draft they are given. */

type VesselInPlace = Exclude<Vessel, string>;

const taken = (garden: Garden): Set<string> => new Set((garden.tubs ?? []).map((t) => t.id));

export function freeId(garden: Garden, stem: string): string {
    const ids = taken(garden);
    let id = stem;
    for (let n = 2; ids.has(id); n++) id = `${stem}-${n}`;
    return id;
}

export interface NewTub {
    name: string;
    system: Tub['system'];
    vessel: Vessel;
    cup: Cup;
    crop: string | null;
    stones: number;
}

/** Puts a tub on the bench; one that is aerated comes with stones and a line from the first pump, or from a new one with a check valve. */
export function addTub(garden: Garden, wanted: NewTub): string {
    const id = freeId(garden, typeof wanted.vessel === 'string' ? wanted.vessel : (wanted.vessel.key ?? 'tub'));
    const tub: Tub = { id, name: wanted.name, system: wanted.system, vessel: wanted.vessel, cup: wanted.cup, crop: wanted.crop };
    (garden.tubs ??= []).push(tub);
    setSystem(garden, tub, wanted.system, wanted.stones);
    return id;
}

export function bringLine(garden: Garden, tub: string): void {
    const branch = { tub, distance_mm: 1000, valve: 1 };
    const first: AirSystem | undefined = garden.air?.[0];
    if (first) (first.branches ??= []).push(branch);
    else garden.air = [{ id: 'pump-1', pump: 'pump-4w-2', check_valve: true, branches: [branch] }];
}

export function cutLine(garden: Garden, tub: string): void {
    for (const system of garden.air ?? []) system.branches = (system.branches ?? []).filter((b) => b.tub !== tub);
    garden.air = (garden.air ?? []).filter((system) => (system.branches ?? []).length > 0);
}

export function removeTub(garden: Garden, id: string): void {
    garden.tubs = (garden.tubs ?? []).filter((t) => t.id !== id);
    garden.plantings = (garden.plantings ?? []).filter((p) => p.tub !== id);
    cutLine(garden, id);
}

export function copyTub(garden: Garden, id: string): string | null {
    const at = (garden.tubs ?? []).findIndex((t) => t.id === id);
    const tub = garden.tubs?.[at];
    if (!tub) return null;
    const copy = JSON.parse(JSON.stringify(tub)) as Tub;
    copy.id = freeId(garden, id);
    copy.name = `${tub.name ?? tub.id} copy`.slice(0, 120);
    garden.tubs!.splice(at + 1, 0, copy);
    for (const system of garden.air ?? []) {
        const branch = (system.branches ?? []).find((b) => b.tub === id);
        if (branch) system.branches!.push({ ...branch, tub: copy.id });
    }
    return copy.id;
}

/** Switches how a tub is run, with what belongs to each way. */
export function setSystem(garden: Garden, tub: Tub, system: Tub['system'], stones = 1): void {
    tub.system = system;
    for (const key of ['water_line', 'top_ups', 'planned_top_ups', 'raft', 'cloner', 'nursery', 'tube_entry'] as const) delete tub[key];
    if (system === 'cloner') {
        tub.cloner = { stem_below_cup_mm: 20, collar: true };
        tub.tube_entry = 'lid';
    }
    if (system === 'nursery') tub.nursery = { flow_l_h: 60, on_min: 15, off_min: 45 };
    if (system === 'passive' || system === 'nursery') {
        tub.stones = null;
        cutLine(garden, tub.id);
    } else {
        tub.stones ??= { kind: stones > 0 ? 'disc-100' : 'cylinder-50', count: Math.max(1, stones), height_mm: 20 };
        if (!(garden.air ?? []).some((a) => (a.branches ?? []).some((b) => b.tub === tub.id))) bringLine(garden, tub.id);
    }
}

/** Moves a tub along the bench. */
export function moveTub(garden: Garden, id: string, by: number): void {
    const tubs = garden.tubs ?? [];
    const from = tubs.findIndex((t) => t.id === id);
    const to = from + by;
    if (from < 0 || to < 0 || to >= tubs.length) return;
    tubs.splice(to, 0, ...tubs.splice(from, 1));
}

/** What of the Library a garden holds by key it finds on every machine; one's own goes into the garden whole, so that its file stands alone. */
export function fromLibrary<T extends { key: string; own?: boolean }>(shelf: T[], key: string): string | Omit<T, 'own'> {
    const item = shelf.find((i) => i.key === key);
    if (!item?.own) return key;
    const { own: _, ...copy } = JSON.parse(JSON.stringify(item)) as T;
    delete (copy as { suggested_cup?: string }).suggested_cup;
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

/** The vessel as an object in the garden, so that its measures can be changed; it remembers the Library item it came from. */
export function vesselInPlace(tub: Tub, library: Library): VesselInPlace {
    if (typeof tub.vessel !== 'string') return tub.vessel;
    const shelf = library.vessels.find((v) => v.key === tub.vessel);
    if (!shelf) throw new Error(`The Library has no vessel ${tub.vessel}.`);
    const { suggested_cup: _, own: __, ...item } = JSON.parse(JSON.stringify(shelf)) as typeof shelf;
    tub.vessel = item;
    return item;
}
