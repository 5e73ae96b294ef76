import type { TubReport, TubShape } from '../types/report';

type Section = TubShape['stations'][number];

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

/** Where cups show from the side: the front one of those that stand behind each other. */
export function cupColumns(tub: TubReport): number[] {
    const columns: number[] = [];
    for (const hole of [...tub.layout.holes].sort((a, b) => a.x_mm - b.x_mm)) {
        if (columns.every((x) => Math.abs(x - hole.x_mm) > 4)) columns.push(hole.x_mm);
    }
    return columns;
}

/** How wide a tub is on the bench, mm: lid, rim or leaves, whichever reaches farthest. */
export function widthOf(tub: TubReport): number {
    const shape = tub.shape;
    const columns = cupColumns(tub);
    const leaves = shape.crop ? 2 * Math.max(...columns.map(Math.abs), 0) + shape.crop.spacing_mm * 0.9 : 0;
    return Math.max(shape.lid.length_mm, ...shape.stations.map((s) => s.length_mm), leaves);
}

/** Height of the lid's upper face over the ground, mm. */
export function topOf(tub: TubReport): number {
    return tub.shape.stand_mm + tub.shape.floor_mm + tub.levels.lid_top_mm;
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
