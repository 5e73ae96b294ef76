import { curve, f, straight, stem, through, type Hue, type Point, type Stroke } from './draw';

/** Outlines of what is picked, as shares of half its width and of its height, hanging from the origin. */
const BODIES = {
    round: [
        [-0.72, 0.06],
        [0, 0],
        [0.72, 0.06],
        [1.02, 0.5],
        [0.72, 0.94],
        [0, 1],
        [-0.72, 0.94],
        [-1.02, 0.5],
    ],
    egg: [
        [-0.5, 0.1],
        [0, 0],
        [0.5, 0.1],
        [1, 0.62],
        [0.74, 0.96],
        [0, 1.03],
        [-0.74, 0.96],
        [-1, 0.62],
    ],
    pod: [
        [-0.8, 0.03],
        [0, 0],
        [0.8, 0.03],
        [1, 0.5],
        [0.5, 0.9],
        [0.1, 1],
        [-0.5, 0.84],
        [-0.9, 0.4],
    ],
    chilli: [
        [-0.95, 0.02],
        [0, 0],
        [0.95, 0.02],
        [0.9, 0.35],
        [0.45, 0.8],
        [0.25, 1.05],
        [-0.2, 0.78],
        [-0.8, 0.35],
    ],
    block: [
        [-0.75, 0.02],
        [-0.25, 0.1],
        [0.25, 0.1],
        [0.75, 0.02],
        [1.02, 0.32],
        [0.78, 0.95],
        [0.3, 0.98],
        [0, 0.9],
        [-0.3, 0.98],
        [-0.78, 0.95],
        [-1.02, 0.32],
    ],
    lantern: [
        [0, 0],
        [0.85, 0.28],
        [0.95, 0.62],
        [0.12, 1.02],
        [-0.12, 1.02],
        [-0.95, 0.62],
        [-0.85, 0.28],
    ],
    club: [
        [-0.75, 0.02],
        [0, 0],
        [0.75, 0.02],
        [1, 0.5],
        [0.95, 0.94],
        [0, 1],
        [-0.95, 0.94],
        [-1, 0.5],
    ],
    berry: [
        [-0.6, 0.02],
        [0, 0.06],
        [0.6, 0.02],
        [1, 0.28],
        [0.62, 0.74],
        [0, 1.04],
        [-0.62, 0.74],
        [-1, 0.28],
    ],
} as const satisfies Record<string, readonly Point[]>;

export type FruitName = keyof typeof BODIES;

/** A fruit that hangs from a place, turned by an angle from straight down, with what is left of its flower above it. */
export function fruit(name: FruitName, [x, y]: Point, wide: number, tall: number, hue: Hue, angle = 0, cap = true): Stroke[] {
    const [sin, cos] = [Math.sin(angle), Math.cos(angle)];
    const at = (a: number, b: number): Point => [x + a * cos * (wide / 2) + b * sin * tall, y - a * sin * (wide / 2) + b * cos * tall];
    const calyx: Point[] = [
        at(-0.62, 0.02),
        at(-0.7, 0.2),
        at(-0.2, 0.1),
        at(0, 0.26),
        at(0.2, 0.1),
        at(0.7, 0.2),
        at(0.62, 0.02),
        at(0, -0.1),
    ];
    return [
        {
            kind: 'fruit',
            hue,
            d: through(
                BODIES[name].map(([a, b]) => at(a, b)),
                true,
            ),
        },
        ...(cap ? [{ kind: 'leaf' as const, d: straight(calyx, true) }] : []),
    ];
}

/** A flower of so many petals round an eye. */
export function flower([x, y]: Point, across: number, petals: number, hue: Hue, eye: Hue = 'yellow'): Stroke[] {
    const r = across / 2;
    const points: Point[] = Array.from({ length: petals * 4 }, (_, i) => {
        const turn = (2 * Math.PI * i) / (petals * 4) - Math.PI / 2;
        const out = r * [0.36, 0.95, 1.08, 0.95][i % 4]!;
        return [x + out * Math.cos(turn), y + out * Math.sin(turn)];
    });
    return [
        { kind: 'petal', hue, d: through(points, true) },
        { kind: 'petal', hue: eye, d: disc(x, y, r * 0.3) },
    ];
}

/** A ball of small flowers. */
export const pompon = ([x, y]: Point, across: number, hue: Hue): Stroke[] => {
    const points: Point[] = Array.from({ length: 24 }, (_, i) => {
        const [turn, out] = [(2 * Math.PI * i) / 24, (across / 2) * (i % 2 ? 0.72 : 1)];
        return [x + out * Math.cos(turn), y + out * Math.sin(turn)];
    });
    return [{ kind: 'petal', hue, d: straight(points, true) }];
};

/** An umbrella of small flowers on rays. */
export function umbel([x, y]: Point, across: number, hue: Hue): Stroke[] {
    const tips: Point[] = [-1, -0.6, -0.2, 0.2, 0.6, 1].map((a) => [x + (a * across) / 2, y - across * (0.5 - 0.16 * a * a)]);
    return [
        { kind: 'twig', d: tips.map((tip) => `M${f(x)} ${f(y)}L${f(tip[0])} ${f(tip[1])}`).join('') },
        { kind: 'petal', hue, d: tips.map(([a, b]) => disc(a, b, across * 0.075)).join('') },
    ];
}

/** A tendril that winds. */
export const tendril = ([x, y]: Point, side: number, size: number): Stroke => ({
    kind: 'twig',
    d: through(
        Array.from({ length: 12 }, (_, i): Point => {
            const t = i / 11;
            return [x + side * size * (t * 0.9 - 0.18 * t * Math.sin(t * 14)), y - size * (0.5 * t + 0.16 * t * Math.cos(t * 14))];
        }),
        false,
    ),
});

/** What hangs on a stalk of its own. */
export const hung = (from: Point, at: Point, what: Stroke[]): Stroke[] => [
    stem(curve(from, [(from[0] + at[0]) / 2, Math.min(from[1], at[1])], at)),
    ...what,
];

export const disc = (x: number, y: number, r: number): string =>
    through(
        Array.from({ length: 8 }, (_, i): Point => [
            x + r * 1.05 * Math.cos((i * Math.PI) / 4),
            y + r * 1.05 * Math.sin((i * Math.PI) / 4),
        ]),
        true,
    );
