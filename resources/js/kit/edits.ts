import type { AirSystem, Garden, Tub, Vessel } from '../types/garden';
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
    system: 'aerated' | 'passive';
    vessel: string;
    cup: string;
    crop: string | null;
    stones: number;
}

/** Puts a tub on the bench; an aerated one comes with stones and a line from the first pump, or from a new one with a check valve. */
export function addTub(garden: Garden, wanted: NewTub): string {
    const id = freeId(garden, wanted.vessel);
    const tub: Tub = { id, name: wanted.name, system: wanted.system, vessel: wanted.vessel, cup: wanted.cup, crop: wanted.crop };
    (garden.tubs ??= []).push(tub);
    if (wanted.system === 'aerated') {
        tub.stones = { kind: wanted.stones > 0 ? 'disc-100' : 'cylinder-50', count: Math.max(1, wanted.stones), height_mm: 20 };
        bringLine(garden, id);
    }
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

/** Switches a tub between aerated and passive, with what belongs to each. */
export function setSystem(garden: Garden, tub: Tub, system: Tub['system']): void {
    tub.system = system;
    delete tub.water_line;
    delete tub.top_ups;
    if (system === 'passive') {
        tub.stones = null;
        cutLine(garden, tub.id);
    } else {
        tub.stones ??= { kind: 'disc-100', count: 1, height_mm: 20 };
        if (!(garden.air ?? []).some((a) => (a.branches ?? []).some((b) => b.tub === tub.id))) bringLine(garden, tub.id);
    }
}

/** The vessel as an object in the garden, so that its measures can be changed; it remembers the Library item it came from. */
export function vesselInPlace(tub: Tub, library: Library): VesselInPlace {
    if (typeof tub.vessel !== 'string') return tub.vessel;
    const shelf = library.vessels.find((v) => v.key === tub.vessel);
    if (!shelf) throw new Error(`The Library has no vessel ${tub.vessel}.`);
    const { suggested_cup: _, ...item } = JSON.parse(JSON.stringify(shelf)) as typeof shelf;
    tub.vessel = item;
    return item;
}
