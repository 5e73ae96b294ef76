import { dimension, MM_PER_INCH, number, plain, type Units } from '../kit/format';

export interface Tick {
    at: number;
    text: string;
}

/** Parts and multiples of an inch that a tape has lines for, in. */
const INCHES = [1 / 8, 1 / 4, 1 / 2, 1, 2, 3, 4, 6, 12, 24];

/** Multiples of a step between two values. */
function multiples(from: number, to: number, step: number): number[] {
    const first = Math.ceil(from / step - 1e-9);
    return Array.from({ length: Math.max(0, Math.floor(to / step + 1e-9) - first + 1) }, (_, i) => (first + i) * step);
}

/** Round places between two values for the lines of an axis, so many of them at the most. */
export function nice(from: number, to: number, most: number): number[] {
    const rough = Math.max(1e-9, (to - from) / most);
    const power = 10 ** Math.floor(Math.log10(rough));
    return multiples(from, to, [1, 2, 2.5, 5, 10].map((m) => m * power).find((s) => s >= rough) ?? 10 * power);
}

/** The same of lengths in mm: at whole millimetres, or at inches and the parts of one that are on a tape. */
export function lengthTicks(from: number, to: number, most: number, units: Units): Tick[] {
    const rough = (to - from) / MM_PER_INCH / most;
    const step = (INCHES.find((inches) => inches >= rough) ?? Math.ceil(rough / 12) * 12) * MM_PER_INCH;
    return (units === 'us' ? multiples(from, to, step) : nice(from, to, most)).map((at) => ({ at, text: dimension(at, units) }));
}

/** The same of temperatures in °C: at round degrees of the scale that is read. */
export function temperatureTicks(from: number, to: number, most: number, units: Units): Tick[] {
    if (units !== 'us') return nice(from, to, most).map((at) => ({ at, text: number(at, 1) }));
    return nice(from * 1.8 + 32, to * 1.8 + 32, most).map((f) => ({ at: (f - 32) / 1.8, text: plain(f, 1) }));
}
