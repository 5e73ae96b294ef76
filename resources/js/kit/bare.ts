import { G_PER_OUNCE, type Units } from './format';
import { read } from './reader';
import { short, type Understood } from './typed';

/** What a bare number may be. */
interface Bounds {
    least?: number;
    most?: number;
    /** Whether it must be above the least. */
    above?: boolean | undefined;
    whole?: boolean | undefined;
    /** Whether the field may be left empty. */
    optional?: boolean | undefined;
}

export type Bare<T> = { value: T } | { error: string };

const BARE = /^[-+−]?(?:\d+(?:[.,]\d*)?|[.,]\d+)$/;

/** A number without a unit as growers write it ("6.2", "6,2"); null for any other text. */
export function bareNumber(text: string): number | null {
    const bare = text.trim();
    return BARE.test(bare) ? Number(bare.replace(',', '.').replace('−', '-')) : null;
}

/** A number without a unit, held against what it may be: the one place for all such fields. */
export function readBare(text: string, bounds: Bounds & { optional?: false }): Bare<number>;
export function readBare(text: string, bounds: Bounds): Bare<number | null>;
export function readBare(text: string, { least = -Infinity, most = Infinity, above, whole, optional }: Bounds): Bare<number | null> {
    if (optional && text.trim() === '') return { value: null };
    const value = bareNumber(text);
    const fits = value !== null && (above ? value > least : value >= least) && value <= most && (!whole || Number.isInteger(value));
    if (fits) return { value };
    const from = least === -Infinity ? '' : above ? ` above ${least}` : most === Infinity ? ` from ${least} on` : ` from ${least}`;
    const to = most === Infinity ? '' : above ? `, at most ${most}` : ` to ${most}`;
    return { error: `“${short(text)}” will not do: a ${whole ? 'whole number' : 'number'}${from}${to}.` };
}

/** What something weighed, in grams: a bare number is grams, or ounces where the garden is in US units; nothing where it was left empty. */
export async function readWeight(text: string, units: Units): Promise<Understood<number | null>> {
    const bare = readBare(text, { least: 0, above: true, optional: true });
    if ('value' in bare) return { value: bare.value === null ? null : bare.value * (units === 'us' ? G_PER_OUNCE : 1) };
    if (bareNumber(text) !== null) return bare;
    const reading = await read(text, 'mass', units);
    return 'value' in reading && !(reading.value > 0) ? { error: `“${short(text)}” will not do: a weight above 0.` } : reading;
}
