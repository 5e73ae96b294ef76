import { call } from './api';
import type { Units } from './format';
import type { CropRow, Cup, Lamp, Product, Pump, StoneKind, Tube, Vessel } from '../types/garden';

/** An item of the Library; one's own says so. */
type InPlace<T> = Exclude<T, string> & { key: string; name: string; own?: boolean };

/** The Library as the page gets it: what ships with the application, and the grower's own. */
export interface Library {
    vessels: InPlace<Vessel>[];
    cups: InPlace<Cup>[];
    saws: { key: string; name: string; diameter_mm: number; own?: boolean }[];
    stones: InPlace<StoneKind>[];
    pumps: InPlace<Pump>[];
    tubes: InPlace<Tube>[];
    lamps: InPlace<NonNullable<Lamp>>[];
    feeds: InPlace<Product>[];
    crops: LibraryCrop[];
    /** Shelves of the grower's own that are longer than what came with the page. */
    more: ('vessels' | 'cups' | 'saws' | 'crops' | 'pumps' | 'stones' | 'feeds')[];
}

/** Brings in the rest of long shelves, part by part. */
export async function loadRest(library: Library): Promise<void> {
    for (const kind of library.more.splice(0)) {
        for (let page = 2, pages = 2; page <= pages; page++) {
            const answer = await call<{ items: never[]; pages: number }>(`library/${kind}?page=${page}`, { method: 'GET' });
            if (answer.kind !== 'done') return;
            library[kind].push(...answer.data.items);
            pages = answer.data.pages;
        }
    }
}

export type LibraryCrop = CropRow & { key: string; own?: boolean };

export type Habit = CropRow['habit'];

type Option = { value: string; name: string; group?: string };

const OWN = 'Your own';
const KINDS: Record<string, string> = {
    bucket: 'Buckets and pails',
    tote: 'Totes',
    jar: 'Jars',
    bottle: 'Bottles',
    tray: 'Trays',
    other: 'Other tubs',
};
const GROUPS: Record<string, string> = {
    leaf: 'Leaves',
    herb: 'Herbs',
    root: 'Roots',
    flower: 'Flowers',
    fruit: 'Fruit',
    cutting: 'Cuttings',
};
const SHELVES = [OWN, ...Object.values(KINDS)];

/** Sold by US measures, as their names say. */
const US_SIZE = /\b(gal|gallon|quart|pint)\b/;
/** Where the grower measures in US units, what is sold by them comes first. */
export const soldFirst = <T extends { name: string }>(items: T[], units: Units): T[] =>
    units === 'us' ? [...items.filter((i) => US_SIZE.test(i.name)), ...items.filter((i) => !US_SIZE.test(i.name))] : items;

export const vesselOptions = (library: Library, units: Units): Option[] =>
    soldFirst(library.vessels, units)
        .map((v) => ({ value: v.key, name: v.name, group: v.own ? OWN : (KINDS[v.kind ?? 'other'] ?? 'Other tubs') }))
        .sort((a, b) => SHELVES.indexOf(a.group) - SHELVES.indexOf(b.group));
export const cropOptions = (library: Library): Option[] =>
    ownFirst(library.crops.map((c) => ({ value: c.key, name: c.name, group: c.own ? OWN : (GROUPS[c.group] ?? '') })));
export const cupOptions = (library: Library): Option[] =>
    ownFirst(library.cups.map((c) => ({ value: c.key, name: c.name, group: c.own ? OWN : c.made === 'home' ? 'Made at home' : 'Bought' })));
/** Things by name; where there are some of one's own, these first and apart. */
export const named = (shelf: { key: string; name: string; own?: boolean }[]): Option[] =>
    shelf.some((item) => item.own)
        ? ownFirst(shelf.map((item) => ({ value: item.key, name: item.name, group: item.own ? OWN : 'Shipped' })))
        : shelf.map((item) => ({ value: item.key, name: item.name }));

function ownFirst(options: Option[]): Option[] {
    return [...options.filter((o) => o.group === OWN), ...options.filter((o) => o.group !== OWN)];
}

/** The key of something that is in place or by key: `bucket-20`, or what an object in place was taken from. */
export function keyOf(thing: string | { key?: string } | null | undefined): string | null {
    return typeof thing === 'string' ? thing : (thing?.key ?? null);
}
