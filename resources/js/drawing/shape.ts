import type { Station } from '../types/garden';
import type { TubReport, TubShape } from '../types/report';

type Section = TubShape['stations'][number];

/** Stations as a garden has them, as drawings take them. */
export const sections = (stations: Station[]): Section[] =>
    stations.map((s) => ({
        height_mm: s.height_mm,
        length_mm: s.diameter_mm ?? s.length_mm ?? 0,
        width_mm: s.diameter_mm ?? s.width_mm ?? 0,
        corner_radius_mm: s.corner_radius_mm ?? 0,
        round: s.diameter_mm !== undefined,
    }));

/** Half the length of the inside at a height, straight between stations; for drawing only. */
export function halfAt(stations: Section[], height: number): number {
    for (let i = 1; i < stations.length; i++) {
        const [a, b] = [stations[i - 1]!, stations[i]!];
        if (height <= b.height_mm && b.height_mm > a.height_mm) {
            return (a.length_mm + ((b.length_mm - a.length_mm) * Math.max(0, height - a.height_mm)) / (b.height_mm - a.height_mm)) / 2;
        }
    }
    return stations.at(-1)!.length_mm / 2;
}

/** The inside of a vessel from the side: up the right wall, down the left; y grows down from the floor. */
export function profilePath(stations: Section[], scale: number): string {
    const right = stations.map((s) => `${(s.length_mm / 2) * scale} ${-s.height_mm * scale}`);
    const left = [...stations].reverse().map((s) => `${(-s.length_mm / 2) * scale} ${-s.height_mm * scale}`);
    return `M${right.join('L')}L${left.join('L')}Z`;
}

/** The walls and floor as one open line. */
export function wallPath(stations: Section[], scale: number): string {
    const left = [...stations].reverse().map((s) => `${(-s.length_mm / 2) * scale} ${-s.height_mm * scale}`);
    const right = stations.map((s) => `${(s.length_mm / 2) * scale} ${-s.height_mm * scale}`);
    return `M${left.join('L')}L${right.join('L')}`;
}

/** A cup as it shows from the side: where, which size, and what grows in it. */
export interface Stand {
    x: number;
    cup: number;
    crop: string | null;
}

/** What shows from the side, the back row first: of cups alike that stand behind each other, one. */
export function standsOf(tub: TubReport): Stand[] {
    const stands: Stand[] = [];
    for (const hole of [...tub.layout.holes].sort((a, b) => b.y_mm - a.y_mm)) {
        if (stands.every((s) => Math.abs(s.x - hole.x_mm) > 4 || s.crop !== hole.crop || s.cup !== hole.cup - 1))
            stands.push({ x: hole.x_mm, cup: hole.cup - 1, crop: hole.crop });
    }
    return stands;
}

/** How wide a tub is on the bench, mm: lid, rim, what it stands in, or leaves, whichever reaches farthest. */
export function widthOf(tub: TubReport): number {
    const shape = tub.shape;
    const leaves = Math.max(
        0,
        ...standsOf(tub).map((s) => 2 * Math.abs(s.x) + 0.9 * (shape.crops.find((c) => c.key === s.crop)?.spacing_mm ?? 0)),
    );
    return Math.max(
        shape.lid.length_mm,
        ...shape.stations.map((s) => s.length_mm),
        ...(tub.under?.stations ?? []).map((s) => s.length_mm),
        leaves,
    );
}

/** Height of what carries the tub over the ground, mm: its stand, or the vessel it stands in with the blocks. */
export function baseOf(tub: TubReport): number {
    return tub.shape.stand_mm + (tub.under ? tub.under.floor_mm + tub.under.blocks_mm : 0);
}

/** Height of the lid's upper face over the ground, mm. */
export function topOf(tub: TubReport): number {
    return baseOf(tub) + tub.shape.floor_mm + Math.max(tub.levels.lid_top_mm, tub.levels.rim_mm);
}

/** How high the tallest plants of a tub stand over its lid when grown, mm. */
export function plantsOf(tub: TubReport): number {
    return Math.max(0, ...tub.shape.crops.map((c) => c.mature_height_mm));
}

/** Numbers 0 … 1 that look scattered and are always the same. */
export function scatter(i: number, salt = 0): number {
    let n = Math.imul(i + 1, 2654435761) ^ Math.imul(salt + 7, 1597334677);
    n = Math.imul(n ^ (n >>> 15), 2246822519);
    return ((n ^ (n >>> 13)) >>> 0) / 4294967296;
}

/** Moves label positions apart so that each has its room, keeping their order. */
export function spreadLabels(positions: number[], room: number, least: number, most: number): number[] {
    const order = positions.map((y, i) => ({ y, i })).sort((a, b) => a.y - b.y);
    let last = -Infinity;
    for (const item of order) last = item.y = Math.max(item.y, last + room, least);
    let next = most + room;
    for (const item of order.reverse()) next = item.y = Math.min(item.y, next - room);
    const out: number[] = [];
    for (const item of order) out[item.i] = item.y;
    return out;
}
