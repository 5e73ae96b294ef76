import { area, number, run, volume, type Units } from '../kit/format';
import type { Report } from '../types/report';

/** A garden’s whole budget, and each tub by itself. */
export interface CostFigures {
    budget: Report['budget'];
    tubs: { id: string; name: string; alone: number; next: number; three: number; three_air: string | null }[];
}

/** One way to spend less: its money, its harm and its patch. */
export interface Saving {
    key: string;
    kind: string;
    /** Of two that touch the same one can be done. */
    touches: string;
    says: string;
    saves: number;
    stops: number;
    mends: number;
    minds: number;
    yield_lost_g: number;
    patch: unknown[];
}

export interface Savings {
    currency: string;
    cap: number | null;
    outlay: number;
    unpriced: string[];
    savings: Saving[];
    /** What it comes to at the least with as many plants. */
    least: SavingsTaken | null;
    /** Of every set of the savings, or, where these are too many, of those that were looked at. */
    set: (SavingsTaken & { of_every: boolean }) | null;
    proof: string | null;
}

/** Several ways to spend less, done together. */
export interface SavingsTaken {
    keys: string[];
    says: string;
    saves: number;
    outlay: number;
    mends: number;
    minds: number;
    yield_lost_g: number;
    patch: unknown[];
}

/** An offer as a price list gives it. */
export interface Offer {
    part: string;
    pack: number;
    price: number;
    supplier?: string;
    delivery?: number;
    /** Whether it stands in place of the sample prices of its part. */
    instead?: boolean;
}

export interface PriceList {
    offers: Offer[];
    faults: { row: number; message: string }[];
}

export interface SupplierPrices {
    away: string | null;
    supplier: { name: string; delivery?: number; free_over?: number | null; min_order?: number } | null;
    changes: { part: string; pack: number; price: number; before: number | null; stock: number | null }[];
}

/** What taking a saving brings with it, in words. */
export function harm(saving: Pick<Saving, 'mends' | 'minds' | 'yield_lost_g'> & { stops?: number }, mass: (kg: number) => string): string {
    const parts: string[] = [];
    if ((saving.stops ?? 0) > 0) parts.push(`${saving.stops} stop`);
    if (saving.mends > 0) parts.push(`${saving.mends} to mend`);
    if (saving.minds > 0) parts.push(`${saving.minds} to mind`);
    if (saving.yield_lost_g > 0) parts.push(`${mass(saving.yield_lost_g / 1000)} less harvest`);
    return parts.length ? parts.join(', ') : 'no harm';
}

/** Offers taken into a garden’s own: one of the same part, pack and supplier takes the old one’s place. */
export function taken(now: Offer[], more: Offer[]): Offer[] {
    const same = (a: Offer, b: Offer): boolean => a.part === b.part && a.pack === b.pack && (a.supplier ?? null) === (b.supplier ?? null);
    return [...now.filter((old) => !more.some((fresh) => same(old, fresh))), ...more];
}

/** A bare number of something. */
export const amount = (value: number): string => number(value, value < 10 && value % 1 ? 1 : 0);

/** So much of a part, in its unit as a grower reads it. */
export function quantityIn(unit: string, value: number, units: Units): string {
    switch (unit) {
        case 'mm':
            return run(value, units);
        case 'piece':
        case 'packet':
            return amount(value);
        case 'L':
            return units === 'us' ? volume(value, units) : `${amount(value)}\u202fL`;
        case 'm²':
            return area(value, units);
        default:
            return `${amount(value)}\u202f${unit}`;
    }
}
