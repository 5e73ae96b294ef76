import type { Cup, Pump, StoneKind, Tube, Vessel } from '../types/garden';

type InPlace<T> = Exclude<T, string> & { key: string; name: string };

/** The shipped Library as the page gets it. */
export interface Library {
    vessels: (InPlace<Vessel> & { suggested_cup: string })[];
    cups: InPlace<Cup>[];
    stones: InPlace<StoneKind>[];
    pumps: InPlace<Pump>[];
    tubes: InPlace<Tube>[];
    crops: LibraryCrop[];
}

export interface LibraryCrop {
    key: string;
    name: string;
    group: 'leaf' | 'herb' | 'root' | 'flower' | 'fruit' | 'cutting';
    habit: Habit;
    passive: 'good' | 'short' | 'no';
    spacing_mm: number;
    litres_per_plant: number;
    cup_min_mm: number;
}

export type Habit = 'rosette' | 'upright' | 'herb' | 'bush' | 'climber' | 'cutting';

type Option = { value: string; name: string; group?: string };

const KINDS: Record<string, string> = { bucket: 'Buckets and pails', tote: 'Totes', jar: 'Jars', bottle: 'Bottles', tray: 'Trays', other: 'Other tubs' };
const GROUPS: Record<string, string> = { leaf: 'Leaves', herb: 'Herbs', root: 'Roots', flower: 'Flowers', fruit: 'Fruit', cutting: 'Cuttings' };

export const vesselOptions = (library: Library): Option[] => library.vessels.map((v) => ({ value: v.key, name: v.name, group: KINDS[v.kind ?? 'other'] ?? 'Other tubs' })).sort((a, b) => Object.values(KINDS).indexOf(a.group) - Object.values(KINDS).indexOf(b.group));
export const cropOptions = (library: Library): Option[] => library.crops.map((c) => ({ value: c.key, name: c.name, group: GROUPS[c.group] ?? '' }));
export const cupOptions = (library: Library): Option[] => library.cups.map((c) => ({ value: c.key, name: c.name, group: c.made === 'home' ? 'Made at home' : 'Bought' }));
export const named = (shelf: { key: string; name: string }[]): Option[] => shelf.map((item) => ({ value: item.key, name: item.name }));

/** The key of something that is in place or by key: `bucket-20`, or what an object in place was taken from. */
export function keyOf(thing: string | { key?: string } | null | undefined): string | null {
    return typeof thing === 'string' ? thing : (thing?.key ?? null);
}
