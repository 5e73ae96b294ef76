import { area, number, run, volume, type Units } from '../kit/format';
import type { Offer, Saving } from '../types/answers';

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
