import { along, curve, f, spread, straight, stem, through, type Point, type Stroke } from './draw';

/** Where a leaf stands, which way it points (from straight up, to the right), and how large it is, mm. */
export interface Place {
    x: number;
    y: number;
    angle: number;
    length: number;
    width: number;
    /** How far its tip leans over to the side, mm. */
    droop?: number;
}

/** One side of a leaf from its foot to its tip: how far along, and how far out as a share of half its width. */
export interface Outline {
    side: readonly Point[];
    /** Whether its edge has corners. */
    sharp?: boolean;
    /** Lines in it besides its midrib. */
    veins?: readonly (readonly Point[])[];
}

const edge = (points: number, out: (t: number) => number, sharp = false): Outline => ({
    side: Array.from({ length: points + 1 }, (_, i) => [i / points, Math.max(0, out(i / points))] as const),
    sharp,
});
const ovate = (t: number): number => Math.sin(Math.PI * t ** 0.68);
const zigzag = (i: number, deep: number): number => (i % 2 === 0 ? 1 - deep : 1);
const waves = (t: number, count: number, deep: number): number => 1 + deep * Math.sin(2 * Math.PI * count * t);
const cut = (points: number, out: (t: number) => number, deep: number): Outline => ({
    side: Array.from({ length: points + 1 }, (_, i) => [i / points, out(i / points) * zigzag(i, deep)] as const),
    sharp: true,
});

/** The leaf's own outline, by what botanists call it. */
export const OUTLINES = {
    ovate: edge(10, ovate),
    lanceolate: edge(8, (t) => Math.sin(Math.PI * t ** 0.8) ** 1.2),
    oblong: edge(10, (t) => (t < 0.5 ? 0.42 + 0.9 * t : 0.87 + 0.13 * Math.sin(Math.PI * t)) * Math.sqrt(Math.max(0, 1 - t ** 7))),
    round: edge(10, (t) => Math.sin(Math.acos(1 - 2 * t))),
    spoon: edge(12, (t) => (t < 0.5 ? 0.13 : Math.sqrt(Math.max(0, 1 - ((t - 0.74) / 0.27) ** 2)))),
    paddle: edge(14, (t) => (t < 0.42 ? 0.12 + 0.1 * t : Math.sin((Math.PI * (t - 0.36)) / 0.66) ** 0.7)),
    heart: {
        side: [
            [0, 0.06],
            [-0.09, 0.4],
            [0.06, 0.9],
            [0.35, 0.98],
            [0.66, 0.56],
            [0.88, 0.18],
            [1, 0],
        ],
    },
    arrow: {
        side: [
            [0, 0.1],
            [-0.16, 0.72],
            [0.02, 0.78],
            [0.16, 0.52],
            [0.45, 0.6],
            [0.75, 0.42],
            [1, 0],
        ],
        sharp: false,
    },
    palmate: {
        side: [
            [0, 0.04],
            [-0.16, 0.3],
            [-0.1, 0.66],
            [0.12, 1],
            [0.26, 0.74],
            [0.56, 0.9],
            [0.62, 0.5],
            [0.82, 0.3],
            [1, 0],
        ],
        sharp: true,
        veins: [
            [
                [0, 0],
                [0.1, 0.8],
            ],
            [
                [0, 0],
                [0.5, 0.72],
            ],
        ],
    },
    fingered: {
        side: [
            [0, 0.05],
            [-0.14, 0.4],
            [-0.04, 1],
            [0.14, 0.34],
            [0.48, 0.94],
            [0.42, 0.24],
            [0.72, 0.3],
            [1, 0],
        ],
        sharp: true,
    },
    lyrate: {
        side: [
            [0, 0.08],
            [0.16, 0.1],
            [0.2, 0.52],
            [0.27, 0.5],
            [0.3, 0.12],
            [0.4, 0.14],
            [0.43, 0.74],
            [0.52, 0.68],
            [0.54, 0.2],
            [0.6, 0.42],
            [0.68, 0.96],
            [0.86, 0.9],
            [1, 0],
        ],
    },
    jagged: cut(18, (t) => 0.12 + Math.sin(Math.PI * t ** 1.15) * 0.88, 0.72),
    curled: edge(40, (t) => Math.sin(Math.PI * t ** 0.8) ** 0.6 * waves(t, 6, 0.3) * 0.78),
    frilled: edge(36, (t) => (0.2 + 0.8 * t ** 0.7) * Math.sqrt(Math.max(0, 1 - t ** 6)) * waves(t, 7, 0.16)),
    wavy: edge(24, (t) => ovate(t) * waves(t, 3, 0.17)),
    toothed: cut(16, (t) => Math.sin(Math.PI * t ** 0.75), 0.2),
    notched: {
        side: [
            [0, 0.05],
            [0.14, 0.5],
            [0.22, 0.95],
            [0.34, 0.62],
            [0.46, 1],
            [0.6, 0.5],
            [0.74, 0.62],
            [0.82, 0.24],
            [1, 0],
        ],
        sharp: true,
    },
    fan: {
        side: [
            [0, 0.06],
            [0.3, 0.36],
            [0.42, 0.98],
            [0.66, 1],
            [0.6, 0.5],
            [0.74, 0.56],
            [0.96, 0.4],
            [1, 0],
        ],
    },
    fern: cut(12, (t) => Math.sin(Math.PI * t ** 0.7), 0.66),
} as const satisfies Record<string, Outline>;

export type LeafName = keyof typeof OUTLINES;

/** A leaf's points on the page: along it, and across it as a share of half its width. */
function on({ x, y, angle, length, width, droop = 0 }: Place): (u: number, v: number) => Point {
    const [sin, cos] = [Math.sin(angle), Math.cos(angle)];
    return (u, v) => [
        x + sin * u * length + (cos * v * width) / 2 + droop * u * u,
        y - cos * u * length + (sin * v * width) / 2 + Math.abs(droop) * 0.45 * u * u,
    ];
}

/** A leaf by its outline, with its ribs. */
export function leaf(name: LeafName, place: Place, vein = true, kind: 'leaf' | 'stalk' = 'leaf'): Stroke[] {
    const { side, sharp, veins = [] }: Outline = OUTLINES[name];
    const at = on(place);
    const points = [...side.map(([u, v]) => at(u, -v)), ...[...side].reverse().map(([u, v]) => at(u, v))];
    const ribs = veins.flatMap((line) =>
        [-1, 1].map((sign) =>
            straight(
                line.map(([u, v]) => at(u, sign * v)),
                false,
            ),
        ),
    );
    return [
        { kind, d: sharp ? straight(points, true) : through(points, true) },
        ...(vein ? [{ kind: 'vein' as const, d: through([at(0.06, 0), at(0.5, 0), at(0.9, 0)], false) + ribs.join('') }] : []),
    ];
}

/** A leaf on its own stalk, which leaves the plant at a place and bends over to where the blade begins. */
export function stalked(name: LeafName, from: Point, place: Place, vein = true): Stroke[] {
    const bend: Point = [from[0] + (place.x - from[0]) * 0.3, from[1] + (place.y - from[1]) * 0.75];
    return [stem(curve(from, bend, [place.x, place.y])), ...leaf(name, place, vein)];
}

/**
 * A leaf of many leaflets in pairs along a stalk, with one at its end.
 *
 * @param size of leaflets along it, as a share of its length
 * @param from the share of its stalk that bears none
 */
export function compound(
    name: LeafName,
    { x, y, angle, length, width, droop = 0 }: Place,
    pairs: number,
    size: (t: number) => number,
    from = 0.3,
    tip = true,
): Stroke[] {
    const at = on({ x, y, angle, length, width, droop });
    const [foot, middle, end] = [at(0, 0), at(0.5, 0), at(1, 0)];
    const leaflet = (t: number, turn: number): Stroke[] => {
        const p = along(foot, [2 * middle[0] - (foot[0] + end[0]) / 2, 2 * middle[1] - (foot[1] + end[1]) / 2], end, t);
        return leaf(name, { x: p[0], y: p[1], angle: angle + turn, length: length * size(t), width: width * size(t) }, false);
    };
    const lean = Math.atan2(end[0] - middle[0], middle[1] - end[1]) - angle;
    return [
        stem(through([foot, middle, end], false)),
        ...spread(pairs, from, tip ? 0.86 : 0.97).flatMap((t) => [-1, 1].flatMap((side) => leaflet(t, side * 1.15 + lean * t))),
        ...(tip ? leaflet(0.98, lean) : []),
    ];
}

/** Threads in pairs along a stalk, each with threads of its own: fennel and dill. */
export function feather({ x, y, angle, length, width, droop = 0 }: Place, pairs: number): Stroke[] {
    const at = on({ x, y, angle, length, width, droop });
    let d = through([at(0, 0), at(0.5, 0), at(1, 0)], false);
    const line = (a: Point, b: Point): string => `M${f(a[0])} ${f(a[1])}L${f(b[0])} ${f(b[1])}`;
    for (const t of spread(pairs, 0.28, 0.94))
        for (const side of [-1, 1]) {
            const out = 1 - 0.55 * t;
            const end = at(t + 0.2 * out, side * out);
            d += line(at(t, 0), end);
            for (const share of [0.45, 0.75]) {
                const fork = at(t + 0.2 * out * share, side * out * share);
                d += line(fork, at(t + 0.2 * out * share + 0.1, side * out * (share + 0.02)));
                d += line(fork, at(t + 0.2 * out * share, side * out * (share + 0.28)));
            }
        }
    return [{ kind: 'twig', d }];
}
