/** Lines and places that plants are drawn from. Millimetres; a plant stands at the origin and grows up, towards negative y. */
export type Point = readonly [number, number];

/** What a stroke is of: what it is filled and drawn with goes by it. */
export type Kind = 'leaf' | 'vein' | 'stem' | 'spear' | 'twig' | 'stalk' | 'fruit' | 'petal' | 'prop';

/** The colour of a fruit or a flower, none of them a severity's. */
export type Hue = 'red' | 'orange' | 'yellow' | 'violet' | 'dark' | 'green' | 'white';

export interface Stroke {
    d: string;
    kind: Kind;
    hue?: Hue;
}

export const f = (n: number): string => n.toFixed(1);
const say = (p: Point): string => `${f(p[0])} ${f(p[1])}`;

/** A smooth line through points, closed or open. */
export function through(points: Point[], closed: boolean): string {
    const middle = (a: Point, b: Point): Point => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
    const last = points.length - 1;
    const start = closed ? middle(points[last]!, points[0]!) : points[0]!;
    let d = `M${say(start)}`;
    for (let i = 0; i < (closed ? points.length : last); i++)
        d += `Q${say(points[i]!)} ${say(middle(points[i]!, points[(i + 1) % points.length]!))}`;
    return closed ? `${d}Z` : `${d}L${say(points[last]!)}`;
}

/** A line with corners through points. */
export const straight = (points: Point[], closed: boolean): string => `M${points.map(say).join('L')}${closed ? 'Z' : ''}`;

export const curve = (a: Point, b: Point, c: Point): string => `M${say(a)}Q${say(b)} ${say(c)}`;
export const stem = (d: string): Stroke => ({ kind: 'stem', d });
export const twig = (d: string): Stroke => ({ kind: 'twig', d });

/** A point of the curve from a by b to c. */
export const along = (a: Point, b: Point, c: Point, t: number): Point => [
    (1 - t) ** 2 * a[0] + 2 * (1 - t) * t * b[0] + t * t * c[0],
    (1 - t) ** 2 * a[1] + 2 * (1 - t) * t * b[1] + t * t * c[1],
];

export const spread = (count: number, from: number, to: number): number[] =>
    count < 2 ? [(from + to) / 2] : Array.from({ length: count }, (_, i) => from + ((to - from) * i) / (count - 1));

/** From the middle, which stands behind, out to the sides, which lie before it. */
export const outwards = (angles: number[]): number[] => angles.sort((a, b) => Math.abs(a) - Math.abs(b));

/** As many of a number as a plant has that is so far grown. */
export const some = (count: number, growth: number): number => Math.max(2, Math.round(count * (0.4 + 0.6 * growth)));

/** Between −1 and 1, different for each number and always the same. */
export const stray = (n: number): number => Math.sin(n * 12.9898 + 4.1) * Math.cos(n * 7.233);
