import type { Habit } from '../../kit/library';
import { along, curve, outwards, some, spread, stem, straight, stray, through, twig, type Hue, type Point, type Stroke } from './draw';
import { disc, flower, fruit, hung, pompon, tendril, umbel, type FruitName } from './fruit';
import { compound, feather, leaf, stalked, type LeafName } from './leaf';

/** How a crop is drawn, so high and so wide in mm, grown from 0 to 1. */
type Drawn = (height: number, width: number, growth: number) => Stroke[];

/** From here on a plant flowers and bears, of its growth. */
const BEARS = 0.75;

/** The length of a leaf from the foot that leans by an angle, so that it ends on the half ellipse as high and as wide as the plant. */
const reach = (angle: number, h: number, w: number): number => 1 / Math.hypot(Math.cos(angle) / h, (2 * Math.sin(angle)) / w);

/** A tall plant on little room has more leaves, not longer ones. */
const slender = (h: number, w: number): number => Math.max(1, Math.min(1.8, h / w / 1.4));

interface Rosette {
    leaf: LeafName;
    /** Leaves that are seen of a grown plant, in rings from the middle outwards: how many, how far they lean, how long. */
    rings: readonly (readonly [count: number, lean: number, long: number])[];
    /** Width of a leaf as a share of its length. */
    slim: number;
    /** How far tips lean over, as a share of the plant's width. */
    droop?: number;
}

/** Leaves out of one foot. */
const rosette =
    ({ leaf: name, rings, slim, droop = 0 }: Rosette): Drawn =>
    (h, w, g) =>
        rings.flatMap(([count, lean, long]) =>
            outwards(spread(some(count, g), -lean, lean)).flatMap((a, i) => {
                const length = reach(a, h, w) * long * (1 + 0.05 * stray(i + count));
                return leaf(name, { x: a * w * 0.03, y: 0, angle: a, length, width: length * slim, droop: a * w * droop });
            }),
        );

interface Tuft {
    leaf: LeafName;
    count: number;
    lean: number;
    /** The leaf's length, and its width as a share of that. */
    size: number;
    slim: number;
    droop?: number;
    /** Thickness of its stalk as a share of the plant's height; thin where it is left out. */
    thick?: number;
    /** Whether leaves hang outwards from the ends of their stalks. */
    hangs?: boolean;
    /** How wide the stalks stand at the foot, as a share of the plant's width. */
    foot?: number;
    colour?: Hue;
    rib?: boolean;
    /** How far out its blades may begin at least, as a share of the plant's width. */
    room?: number;
}

/** Leaves carried up on stalks of their own from one foot, or from a height. */
const tuft =
    (of: Tuft, base = 0): Drawn =>
    (h, w, g) =>
        outwards(spread(some(of.count, g), -1, 1)).flatMap((a, i) => {
            const from: Point = [a * w * (of.foot ?? 0.05), -h * base];
            const lean = a * of.lean;
            const tall = h * (1 - base) * (1 - 0.24 * a * a + 0.05 * stray(i));
            const size = Math.min(h, w * 1.3) * of.size;
            const turn = of.hangs ? a * 1.9 : lean;
            const up = Math.max(0.12 * tall, tall - size * (of.hangs ? 0.25 : 0.85) * Math.cos(lean));
            // No further out than its blade has room.
            const room = Math.max(w * (of.room ?? 0.16), w * 0.5 - size * Math.abs(Math.sin(turn)) - size * of.slim * 0.4 * Math.cos(turn));
            const to: Point = [Math.sign(a) * Math.min(room, Math.abs(from[0] + Math.sin(lean) * up)), from[1] - up];
            const place = { x: to[0], y: to[1], angle: turn, length: size, width: size * of.slim, droop: a * w * (of.droop ?? 0) };
            const bend: Point = [from[0] + (to[0] - from[0]) * 0.25, from[1] + (to[1] - from[1]) * 0.7];
            const half = (of.thick ?? 0) * h * 0.5;
            const stalk: Stroke[] =
                of.thick === undefined
                    ? [stem(curve(from, bend, to))]
                    : [
                          {
                              kind: 'stalk',
                              ...(of.colour ? { hue: of.colour } : {}),
                              d: through(
                                  [
                                      [from[0] - half * 1.3, from[1]],
                                      [bend[0] - half, bend[1]],
                                      [to[0] - half * 0.4, to[1] - size * 0.3],
                                      [to[0] + half * 0.4, to[1] - size * 0.3],
                                      [bend[0] + half, bend[1]],
                                      [from[0] + half * 1.3, from[1]],
                                  ],
                                  true,
                              ),
                          },
                      ];
            return of.thick === undefined ? [...stalk, ...leaf(of.leaf, place)] : [...leaf(of.leaf, place, of.rib ?? false), ...stalk];
        });

/** Stalks that end in three leaflets, each cut or notched. */
const threes =
    (name: LeafName, count: number, lean: number, size: number, slim: number, tiers = 1): Drawn =>
    (h, w, g) =>
        outwards(spread(some(count, g), -1, 1)).flatMap((a, i) => {
            const angle = a * lean;
            const length = Math.min(h, w) * size;
            const tall = h * (1 - 0.3 * a * a - 0.16 * Math.abs(stray(i)));
            const to: Point = [Math.sin(angle) * w * 0.42, -tall + length * 0.8];
            const bend: Point = [to[0] * 0.3, to[1] * 0.75];
            const three = ([x, y]: Point, turn: number, long: number): Stroke[] =>
                [-1.05, 1.05, 0].flatMap((side) => leaf(name, { x, y, angle: turn + side, length: long, width: long * slim }));
            return [
                stem(curve([0, 0], bend, to)),
                ...spread(tiers - 1, 0.55, 0.75).flatMap((t) =>
                    tiers < 2
                        ? []
                        : [-1, 1].flatMap((side) => {
                              const at = along([0, 0], bend, to, t);
                              const end: Point = [at[0] + side * length * 0.7, at[1] - length * 0.45];
                              return [twig(curve(at, [end[0], at[1]], end)), ...three(end, side * 0.7, length * 0.72)];
                          }),
                ),
                ...three(to, angle * 0.8, length),
            ];
        });

/** Upright stems with leaves in pairs, the largest below the top: a dome. */
const paired =
    (
        name: LeafName,
        stems: number,
        levels: number,
        size: number,
        slim: number,
        top: (at: Point, h: number) => Stroke[] = () => [],
    ): Drawn =>
    (h, w, g) =>
        outwards(spread(some(stems, g), -0.9, 0.9)).flatMap((a) => {
            const end: Point = [Math.sin(a) * w * 0.4, -h * (0.92 - 0.22 * a * a)];
            const bend: Point = [end[0] * 0.2, end[1] * 0.6];
            const long = Math.min(h, w) * size;
            return [
                stem(curve([a * w * 0.04, 0], bend, end)),
                ...spread(some(levels, g), 0.28, 0.97).flatMap((t, i) => {
                    const [x, y] = along([a * w * 0.04, 0], bend, end, t);
                    const turn = i % 2 === 0 ? 1.25 : 0.75;
                    const length = long * (t > 0.9 ? 0.62 : 0.7 + 0.4 * Math.sin(Math.PI * t));
                    return [-1, 1].flatMap((side) =>
                        leaf(name, { x, y, angle: a * 0.5 + side * turn, length, width: length * slim, droop: side * length * 0.12 }),
                    );
                }),
                ...(g > BEARS ? top(end, h) : []),
            ];
        });

/** Tubes out of one foot, close together. */
const tubes =
    (count: number, thick: number, foot: boolean, flowers: boolean): Drawn =>
    (h, w, g) =>
        spread(some(count, g), -1, 1).flatMap((a, i): Stroke[] => {
            const tall = h * (0.78 + 0.22 * Math.abs(stray(i * 3)));
            const [x, end, half] = [a * w * 0.1, a * w * (0.32 + 0.14 * stray(i)), (h * thick) / 2];
            const at = (t: number, side: number): Point => {
                const p = along([x, 0], [x * 1.4, -tall * 0.6], [end, -tall], t);
                return [p[0] + side * half * (t < 0.9 ? 1 : 0.3), p[1]];
            };
            const line = [0, 0.3, 0.6, 0.85];
            if (thick < 0.02) {
                const blooms = flowers && g > BEARS && i % 3 === 1;
                return [
                    { kind: 'spear', d: curve([x, 0], [x * 1.4, -tall * 0.6], [end, -tall]) },
                    ...(blooms ? pompon([end, -tall], Math.min(h, w) * 0.13, 'violet') : []),
                ];
            }
            return [
                {
                    kind: 'leaf',
                    d: through([...line.map((t) => at(t, -1)), at(1, 0), ...line.reverse().map((t) => at(t, 1))], true),
                },
                ...(foot
                    ? [
                          {
                              kind: 'stalk' as const,
                              d: through(
                                  [
                                      [x - half * 1.5, 0],
                                      [x - half * 1.5, -h * 0.08],
                                      [x - half, -h * 0.2],
                                      [x + half, -h * 0.2],
                                      [x + half * 1.5, -h * 0.08],
                                      [x + half * 1.5, 0],
                                  ],
                                  true,
                              ),
                          },
                      ]
                    : []),
            ];
        });

/** Short stems that lie out to the sides, with small leaves along them. */
const mat =
    (
        stems: number,
        along_: (at: Point, angle: number, size: number, i: number) => Stroke[],
        each: number,
        end?: (at: Point, size: number) => Stroke[],
    ): Drawn =>
    (h, w, g) =>
        outwards(spread(some(stems, g), -1, 1)).flatMap((a, i) => {
            const foot: Point = [a * w * 0.1, 0];
            const tip: Point = [a * w * 0.46, -h * Math.max(0.14, 0.95 - 0.8 * a * a + 0.06 * stray(i))];
            const high: Point = [a * w * 0.3, tip[1] - h * 0.14 * Math.abs(a)];
            const size = Math.min(h, w) * 0.16;
            return [
                stem(curve(foot, high, tip)),
                ...spread(each, 0.2, 1).flatMap((t, k) => along_(along(foot, high, tip, t), a * 1.1 * t, size * (0.8 + 0.3 * t), i + k)),
                ...(end && g > BEARS && i % 2 === 0 ? end(tip, size) : []),
            ];
        });

interface Bush {
    /** Draws one leaf on its stalk that leaves the plant at a place, to a side. */
    leaf: (from: Point, angle: number, size: number) => Stroke[];
    levels: number;
    size: number;
    /** What hangs at a place, on a stalk, of a plant of this size. */
    bears: (at: Point, side: number, unit: number, i: number) => Stroke[];
    /** Whether it has one straight stem, or forks into two. */
    forks?: boolean;
}

/** A branching stem with leaves to both sides, and its fruit. */
const bush =
    ({ leaf: leafed, levels, size, bears, forks = true }: Bush): Drawn =>
    (h, w, g) => {
        const unit = Math.min(h, w);
        const many = some(levels * slender(h, w), g);
        const axes: [Point, Point, Point][] = forks
            ? [
                  [
                      [0, 0],
                      [w * 0.02, -h * 0.5],
                      [-w * 0.13, -h * 0.86],
                  ],
                  [
                      [0, -h * 0.24],
                      [w * 0.1, -h * 0.4],
                      [w * 0.17, -h * 0.82],
                  ],
              ]
            : [
                  [
                      [0, 0],
                      [w * 0.03, -h * 0.5],
                      [0, -h * 0.9],
                  ],
              ];
        const [back, hanging]: [Stroke[], Stroke[]] = [[], []];
        for (const [n, [a, b, c]] of axes.entries()) {
            back.push(stem(curve(a, b, c)));
            spread(many, forks ? 0.22 : 0.14, 0.98).forEach((t, i) => {
                const side = (i + n) % 2 === 0 ? 1 : -1;
                const at = along(a, b, c, t);
                for (const turn of [side, -side * 0.8])
                    back.push(...leafed(at, turn * (1.35 - 0.75 * t), unit * size * (turn === side ? 1 : 0.82) * (1.05 - 0.3 * t)));
                if (g > BEARS && t < 0.9 && (i + n) % 3 !== 1) hanging.push(...bears(at, side, unit, i + n));
            });
            back.push(...leafed(c, stray(n) * 0.3, unit * size * 0.7));
        }
        return [...back, ...hanging];
    };

/** A blade on a stalk a third as long as it. */
const bladed =
    (name: LeafName, slim: number, stalk = 0.3, droop = 0.22) =>
    (from: Point, angle: number, size: number): Stroke[] => {
        const to: Point = [from[0] + Math.sin(angle) * size * stalk, from[1] - Math.cos(angle) * size * stalk];
        const side = Math.sign(angle) || 1;
        return stalked(name, from, {
            x: to[0],
            y: to[1],
            angle: angle * 1.15,
            length: size,
            width: size * slim,
            droop: side * size * droop,
        });
    };

/** Three leaflets on a stalk. */
const trefoil =
    (name: LeafName, slim: number) =>
    (from: Point, angle: number, size: number): Stroke[] => {
        const to: Point = [from[0] + Math.sin(angle) * size * 0.7, from[1] - Math.cos(angle) * size * 0.7];
        return [
            stem(curve(from, [to[0], from[1] - size * 0.1], to)),
            ...[-1.25, 1.25, 0].flatMap((turn) =>
                leaf(name, { x: to[0], y: to[1], angle: angle * 1.1 + turn, length: size * 0.62, width: size * 0.62 * slim }),
            ),
        ];
    };

const one =
    (name: FruitName, wide: number, tall: number, hue: Hue, turn = 0): Bush['bears'] =>
    (at, side, unit, i) => {
        const to: Point = [at[0] + side * unit * (0.1 + 0.03 * stray(i)), at[1] + unit * 0.05];
        return hung(at, to, fruit(name, to, unit * wide, unit * tall, hue, side * turn));
    };

/** Round fruit along a stalk, the upper ones riper. */
const truss =
    (count: number, size: number): Bush['bears'] =>
    (at, side, unit, i) => {
        const end: Point = [at[0] + side * unit * 0.2, at[1] + unit * 0.22];
        const high: Point = [at[0] + side * unit * 0.18, at[1] - unit * 0.02];
        return [
            stem(curve(at, high, end)),
            ...spread(count, 0.35, 1).flatMap((t, k) => {
                const p = along(at, high, end, t);
                const x = p[0] + (k % 2 === 0 ? 1 : -1) * unit * size * 0.45;
                return fruit('round', [x, p[1]], unit * size, unit * size, (k + i) % 4 === 3 ? 'green' : 'red');
            }),
        ];
    };

interface Vine {
    leaf: Bush['leaf'];
    turns: number;
    size: number;
    bears: Bush['bears'];
    tendrils?: boolean;
}

/** A stem that winds up what it climbs, leaf by leaf, with its fruit. */
const vine =
    ({ leaf: leafed, turns, size, bears, tendrils = false }: Vine): Drawn =>
    (h, w, g) => {
        const strokes: Stroke[] = [-0.3, 0, 0.3].map((x) => ({
            kind: 'prop',
            d: straight(
                [
                    [x * w, 0],
                    [x * w, -h],
                ],
                false,
            ),
        }));
        for (const t of [0.3, 0.62, 0.94])
            strokes.push({
                kind: 'prop',
                d: straight(
                    [
                        [-0.36 * w, -h * t],
                        [0.36 * w, -h * t],
                    ],
                    false,
                ),
            });
        const at = (t: number): Point => [Math.sin(t * 13) * w * 0.06, -h * t];
        strokes.push(stem(through(spread(24, 0, 0.98).map(at), false)));
        const hanging: Stroke[] = [];
        spread(some(turns * Math.min(1.3, slender(h, w)), g), 0.07, 0.96).forEach((t, i) => {
            const side = i % 2 ? -1 : 1;
            strokes.push(...leafed(at(t), side * (1.35 - 0.35 * t), w * size * (1.06 - 0.2 * t)));
            if (tendrils && i % 2 === 0) strokes.push(tendril(at(t), -side, w * 0.2));
            if (g > BEARS && i % 2 === 0 && t < 0.86 && t > 0.14) hanging.push(...bears(at(t - 0.02), -side, w, i));
        });
        return [...strokes, ...hanging];
    };

/** A swollen foot with its leaves. */
const bulb =
    (outline: readonly Point[], wide: number, tall: number, lines: readonly (readonly Point[])[], leaves: (from: number) => Drawn): Drawn =>
    (h, w, g) => {
        const [half, high] = [Math.min(h, w) * wide * (0.5 + 0.5 * g) * 0.5, Math.min(h, w) * tall * (0.5 + 0.5 * g)];
        const at = ([a, b]: Point): Point => [a * half, -b * high];
        return [
            ...leaves((high * 0.8) / h)(h, w, g),
            { kind: 'stalk', d: through(outline.map(at), true) },
            ...lines.map((line): Stroke => ({ kind: 'twig', d: through(line.map(at), false) })),
        ];
    };

const MINI: readonly Point[] = [
    [-0.5, 0.04],
    [-0.95, 0.4],
    [-0.8, 0.86],
    [0, 1.04],
    [0.8, 0.86],
    [0.95, 0.4],
    [0.5, 0.04],
    [0, -0.02],
];

/** A round head in the leaves that lie round it. */
const ball: Drawn = (h, w, g) => {
    const half = Math.min(w * 0.3, h * 0.44) * (0.5 + 0.5 * g);
    const at = ([a, b]: Point): Point => [a * half, -h * 0.12 - b * half * 1.75];
    return [
        ...rosette({ leaf: 'round', rings: [[6, 1.25, 0.95]], slim: 0.82, droop: 0.03 })(h, w, g),
        { kind: 'leaf', d: through(MINI.map(at), true) },
        { kind: 'vein', d: through([[0, 0.02] as const, [0.04, 0.4] as const, [0, 0.96] as const].map(at), false) },
        ...[-1, 1].flatMap((side): Stroke[] => [
            { kind: 'vein', d: through([[0, 0.2] as const, [side * 0.3, 0.44] as const, [side * 0.44, 0.9] as const].map(at), false) },
            { kind: 'vein', d: through([[0, 0.12] as const, [side * 0.5, 0.3] as const, [side * 0.84, 0.66] as const].map(at), false) },
        ]),
        ...outwards([-1.2, 1.2, -0.55, 0.55]).flatMap((a) =>
            leaf('round', { x: a * half * 0.3, y: 0, angle: a, length: half * 1.25, width: half * 1.35, droop: a * half * 0.2 }),
        ),
    ];
};

/** Long leaves that stand round a heart, folded along a broad rib. */
const cos: Drawn = (h, w, g) =>
    [
        ...outwards(spread(some(5, g), -0.5, 0.5)).map((a) => [a, 0.98, 0] as const),
        ...outwards(spread(some(4, g), -0.72, 0.72)).map((a) => [a, 0.82, 0.07] as const),
        ...outwards(spread(some(3, g), -0.3, 0.3)).map((a) => [a, 0.66, 0.02] as const),
    ].flatMap(([a, long, droop]): Stroke[] => {
        const length = Math.min(h, reach(a, h, w * 1.5)) * long;
        const place = { x: a * w * 0.1, y: 0, angle: a * 0.75, length, width: length * 0.42, droop: a * w * droop };
        const rib = { ...place, width: length * 0.09, length: length * 0.8, droop: place.droop * 0.64 };
        return [...leaf('oblong', place, false), ...leaf('lanceolate', rib, false, 'stalk')];
    });

/** Shield leaves seen from their face: round, ribs from the middle, each on its long stalk. */
const shields: Drawn = (h, w, g) => {
    const all = outwards(spread(some(11, g), -1, 1)).flatMap((a, i): Stroke[] => {
        const r = Math.min(h * 0.2, w * 0.12) * (1 + 0.22 * stray(i));
        const x = a * (w * 0.5 - r);
        const y = -Math.max(r, (h - r) * (1 - 0.75 * a * a) * (1 - 0.3 * Math.abs(stray(i + 5))));
        const ribs = Array.from({ length: 7 }, (_, k) => (k * 2 * Math.PI) / 7 + i);
        return [
            stem(curve([a * w * 0.05, 0], [x * 0.5, y * 0.5 - h * 0.1], [x, y])),
            { kind: 'leaf', d: disc(x, y, r) },
            {
                kind: 'vein',
                d: ribs
                    .map((turn) =>
                        straight(
                            [
                                [x, y],
                                [x + r * 0.82 * Math.cos(turn), y + r * 0.82 * Math.sin(turn)],
                            ],
                            false,
                        ),
                    )
                    .join(''),
            },
        ];
    });
    const blooms =
        g > BEARS
            ? (
                  [
                      [-0.3, -0.72],
                      [0.12, -0.93],
                      [0.36, -0.5],
                  ] as const
              ).flatMap(([x, y]) => [
                  stem(curve([0, 0], [x * w * 0.4, y * h * 0.6], [x * w, y * h])),
                  ...flower([x * w, y * h], Math.min(h, w) * 0.2, 5, 'orange'),
              ])
            : [];
    return [...all, ...blooms];
};

/** Faces of five petals over a tuft. */
const violas: Drawn = (h, w, g) => [
    ...rosette({
        leaf: 'toothed',
        rings: [
            [9, 1.25, 0.72],
            [5, 0.7, 0.6],
        ],
        slim: 0.42,
    })(h, w, g),
    ...(g > BEARS
        ? (
              [
                  [-0.34, -0.74],
                  [-0.06, -0.94],
                  [0.3, -0.8],
                  [0.1, -0.6],
              ] as const
          ).flatMap(([x, y], i): Stroke[] => {
              const [cx, cy, r] = [x * w, y * h, Math.min(h, w) * 0.11];
              return [
                  stem(curve([0, 0], [x * w * 0.5, y * h * 0.7], [cx, cy])),
                  { kind: 'petal', hue: i % 2 ? 'violet' : 'dark', d: disc(cx - r * 0.5, cy - r * 0.5, r * 0.62) },
                  { kind: 'petal', hue: i % 2 ? 'violet' : 'dark', d: disc(cx + r * 0.5, cy - r * 0.5, r * 0.62) },
                  { kind: 'petal', hue: 'violet', d: disc(cx - r * 0.62, cy + r * 0.22, r * 0.55) },
                  { kind: 'petal', hue: 'violet', d: disc(cx + r * 0.62, cy + r * 0.22, r * 0.55) },
                  { kind: 'petal', hue: 'yellow', d: disc(cx, cy + r * 0.6, r * 0.66) },
                  { kind: 'fruit', hue: 'dark', d: disc(cx, cy + r * 0.12, r * 0.18) },
              ];
          })
        : []),
];

/** Leaves in threes on long stalks, flowers above them and berries that hang out between. */
const strawberry: Drawn = (h, w, g) => [
    ...outwards(spread(some(7, g), -1.15, 1.15))
        .reverse()
        .flatMap((a) => {
            const to: Point = [Math.sin(a) * w * 0.33, -h * (0.66 - 0.22 * Math.abs(a))];
            const size = Math.min(h, w) * 0.32;
            return [
                stem(curve([0, 0], [to[0] * 0.35, to[1] * 0.8], to)),
                ...[-1.05, 1.05, 0].flatMap((turn) =>
                    leaf('toothed', { x: to[0], y: to[1], angle: a * 0.8 + turn, length: size, width: size * 0.8 }),
                ),
            ];
        }),
    ...(g > BEARS
        ? [-0.44, -0.2, 0.24, 0.46].flatMap((x, i): Stroke[] => {
              const at: Point = [x * w, -h * (i % 2 ? 0.22 : 0.34)];
              const size = Math.min(h, w) * 0.17;
              const seeds = [
                  [-0.25, 0.3],
                  [0.2, 0.26],
                  [-0.02, 0.5],
                  [0.28, 0.52],
                  [-0.3, 0.56],
                  [0, 0.76],
              ] as const;
              return [
                  ...hung([0, -h * 0.12], at, fruit('berry', at, size, size * 1.15, 'red')),
                  { kind: 'vein', d: seeds.map(([a, b]) => disc(at[0] + a * size, at[1] + b * size * 1.15, size * 0.03)).join('') },
              ];
          })
        : []),
    ...(g > BEARS
        ? [
              stem(curve([0, 0], [w * 0.02, -h * 0.7], [w * 0.08, -h * 0.92])),
              ...flower([w * 0.08, -h * 0.92], Math.min(h, w) * 0.17, 5, 'white'),
          ]
        : []),
];

/** Great leaves on hollow stalks out of the middle, fruit and flowers at the foot. */
const courgette: Drawn = (h, w, g) => [
    ...outwards(spread(some(9, g), -1.15, 1.15))
        .reverse()
        .flatMap((a, i) => {
            const size = Math.min(h, w) * (0.4 + 0.06 * stray(i));
            const to: Point = [Math.sin(a) * w * 0.34, -h * (0.72 - 0.34 * Math.abs(a)) * (1 + 0.08 * stray(i + 2))];
            return stalked('palmate', [0, 0], {
                x: to[0],
                y: to[1],
                angle: a * 1.15,
                length: size,
                width: size * 1.1,
                droop: a * size * 0.1,
            });
        }),
    ...(g > BEARS
        ? (
              [
                  [-1, 1.15],
                  [1, 0.95],
                  [1, 1.5],
              ] as const
          ).flatMap(([side, turn], i): Stroke[] => {
              const at: Point = [side * w * 0.05, -h * (0.1 + 0.05 * i)];
              const unit = Math.min(h, w);
              return [
                  ...fruit('club', at, unit * 0.1, unit * 0.36, 'green', side * turn, false),
                  ...(i === 0
                      ? flower(
                            [at[0] + Math.sin(side * turn) * unit * 0.4, at[1] + Math.cos(turn) * unit * 0.4],
                            unit * 0.16,
                            5,
                            'yellow',
                            'orange',
                        )
                      : []),
              ];
          })
        : []),
];

/** One upright stem with fingered leaves, pods that stand up beside it, a flower at the top. */
const okra: Drawn = (h, w, g) => {
    const levels = some(7 * slender(h, w), g);
    const unit = Math.min(h, w);
    const strokes: Stroke[] = [
        {
            ...stem(
                straight(
                    [
                        [0, 0],
                        [0, -h * 0.94],
                    ],
                    false,
                ),
            ),
        },
    ];
    const pods: Stroke[] = [];
    spread(levels, 0.16, 0.92).forEach((t, i) => {
        const side = i % 2 ? -1 : 1;
        strokes.push(...bladed('fingered', 1.05, 0.75, 0.1)([0, -h * t], side * (1.25 - 0.5 * t), unit * 0.36 * (1.1 - 0.35 * t)));
        if (g > BEARS && i > 1)
            pods.push(...fruit('pod', [-side * unit * 0.02, -h * t], unit * 0.11, unit * 0.46, 'green', Math.PI + side * 0.45));
    });
    return [
        ...strokes,
        ...pods,
        ...(g > BEARS
            ? flower([unit * 0.05, -h * 0.95], unit * 0.17, 5, 'yellow', 'dark')
            : leaf('fingered', { x: 0, y: -h * 0.92, angle: 0, length: unit * 0.16, width: unit * 0.16 })),
    ];
};

/** A cut stem, leaves on its upper part. */
const cutting: Drawn = (h, w, g) => [
    stem(
        straight(
            [
                [0, 0],
                [0, -h * 0.95],
            ],
            false,
        ),
    ),
    ...spread(some(4, g), 0.42, 0.9).flatMap((t, i) =>
        [-1, 1].flatMap((side) =>
            leaf('lanceolate', {
                x: 0,
                y: -h * t,
                angle: side * (1.15 - 0.45 * t + (i % 2) * 0.15),
                length: Math.min(h * 0.3, w * 0.5),
                width: Math.min(h * 0.1, w * 0.18),
            }),
        ),
    ),
    ...leaf('lanceolate', { x: 0, y: -h * 0.88, angle: 0, length: h * 0.16, width: h * 0.06 }),
];

/** Threads along stems that stand, a flower's rays over them where it has any. */
const threads =
    (stems: number, leaves: number, rays: Hue | null): Drawn =>
    (h, w, g) =>
        outwards(spread(some(stems, g), -0.75, 0.75)).flatMap((a) => {
            const end: Point = [Math.sin(a) * w * 0.34, -h * (0.94 - 0.22 * a * a)];
            const bend: Point = [end[0] * 0.3, end[1] * 0.6];
            return [
                stem(curve([0, 0], bend, end)),
                ...spread(some(leaves, g), 0.25, 0.95).flatMap((t, i) => {
                    const [x, y] = along([0, 0], bend, end, t);
                    const side = i % 2 ? 1 : -1;
                    const length = Math.min(h, w) * 0.5 * (1.15 - 0.5 * t);
                    return feather(
                        { x, y, angle: side * (1.05 - 0.3 * t) + a * 0.3, length, width: length * 0.8, droop: side * length * 0.12 },
                        4,
                    );
                }),
                ...(rays && g > BEARS && Math.abs(a) < 0.4 ? umbel(end, Math.min(h, w) * 0.3, rays) : []),
            ];
        });

const FENNEL: readonly Point[] = [
    [-0.55, 0.02],
    [-1, 0.26],
    [-0.86, 0.62],
    [-0.5, 0.92],
    [0, 1.06],
    [0.5, 0.92],
    [0.86, 0.62],
    [1, 0.26],
    [0.55, 0.02],
    [0, -0.02],
];

/** Each crop's own way of growing. */
const CROPS: Record<string, Drawn> = {
    'lettuce-leaf': rosette({
        leaf: 'frilled',
        rings: [
            [6, 0.85, 1],
            [6, 1.3, 0.86],
            [5, 1.05, 0.58],
        ],
        slim: 0.72,
    }),
    'lettuce-romaine': cos,
    endive: rosette({
        leaf: 'jagged',
        rings: [
            [8, 1.42, 1],
            [9, 1.2, 0.86],
            [7, 0.9, 0.62],
            [5, 0.6, 0.42],
        ],
        slim: 0.26,
        droop: 0.05,
    }),
    mizuna: rosette({
        leaf: 'jagged',
        rings: [
            [7, 0.62, 0.98],
            [6, 0.85, 0.8],
        ],
        slim: 0.25,
        droop: 0.24,
    }),
    rocket: rosette({
        leaf: 'lyrate',
        rings: [
            [5, 0.75, 1],
            [4, 1.2, 0.86],
        ],
        slim: 0.3,
        droop: 0.16,
    }),
    spinach: rosette({
        leaf: 'paddle',
        rings: [
            [6, 0.5, 1],
            [7, 0.95, 0.92],
            [6, 1.3, 0.82],
        ],
        slim: 0.4,
        droop: 0.06,
    }),
    watercress: mat(
        9,
        (at, angle, size) =>
            compound(
                'round',
                { x: at[0], y: at[1], angle: angle + 0.2, length: size * 1.9, width: size * 1.7 },
                1,
                (t) => (t > 0.9 ? 0.66 : 0.44),
                0.5,
            ),
        3,
        (at, size) => flower(at, size * 0.55, 4, 'white'),
    ),
    tatsoi: rosette({
        leaf: 'spoon',
        rings: [
            [10, 1.45, 1],
            [9, 1.2, 0.8],
            [7, 0.9, 0.6],
            [5, 0.5, 0.42],
        ],
        slim: 0.42,
    }),
    'pak-choi': tuft({ leaf: 'round', count: 7, lean: 0.7, size: 0.46, slim: 0.78, thick: 0.13, foot: 0.12, rib: true, room: 0.3 }),
    'cabbage-mini': ball,
    kale: (h, w, g) => [
        {
            kind: 'stalk',
            d: straight(
                [
                    [-w * 0.03, 0],
                    [-w * 0.02, -h * 0.6],
                    [w * 0.02, -h * 0.6],
                    [w * 0.03, 0],
                ],
                true,
            ),
        },
        ...tuft({ leaf: 'curled', count: 4, lean: 0.4, size: 0.52, slim: 0.66, foot: 0.02 }, 0.4)(h, w, g),
        ...[0.62, 0.46, 0.3].flatMap((up, k) =>
            [-1, 1].flatMap((side) => {
                const size = Math.min(h * 0.5, w * 0.56);
                const from: Point = [0, -h * (up - 0.06)];
                return stalked('curled', from, {
                    x: side * w * 0.1,
                    y: -h * (up + 0.08),
                    angle: side * (1.1 + 0.3 * k),
                    length: size,
                    width: size * 0.66,
                    droop: side * size * 0.14,
                });
            }),
        ),
    ],
    chard: tuft({
        leaf: 'wavy',
        count: 6,
        lean: 0.62,
        size: 0.56,
        slim: 0.56,
        thick: 0.05,
        foot: 0.1,
        colour: 'red',
        rib: true,
        droop: 0.05,
        room: 0.3,
    }),
    sorrel: (h, w, g) => [
        ...tuft({ leaf: 'arrow', count: 5, lean: 0.5, size: 0.48, slim: 0.46 })(h, w, g),
        ...tuft({ leaf: 'arrow', count: 4, lean: 1.15, size: 0.46, slim: 0.46 })(h * 0.72, w, g),
    ],
    celery: (h, w, g) => [
        ...tuft({ leaf: 'notched', count: 8, lean: 0.36, size: 0.2, slim: 0.9, thick: 0.055, foot: 0.13 })(h, w * 0.9, g),
        ...outwards(spread(some(8, g), -0.36, 0.36)).flatMap((a) => {
            const size = Math.min(h, w) * 0.24;
            const [x, y] = [a * w * 0.95, -h * (0.72 - 0.3 * a * a)];
            return [-0.95, 0.95].flatMap((turn) => leaf('notched', { x, y, angle: a + turn, length: size, width: size * 0.85 }));
        }),
    ],
    'celery-leaf': threes('notched', 11, 0.95, 0.26, 0.95, 2),
    kohlrabi: bulb(
        [
            [-0.5, 0.02],
            [-1, 0.3],
            [-0.96, 0.7],
            [-0.4, 1],
            [0.4, 1],
            [0.96, 0.7],
            [1, 0.3],
            [0.5, 0.02],
        ],
        0.62,
        0.52,
        [
            [
                [-0.66, 0.66],
                [-0.42, 0.72],
                [-0.2, 0.68],
            ],
            [
                [0.3, 0.5],
                [0.5, 0.56],
                [0.72, 0.5],
            ],
            [
                [-0.3, 0.3],
                [-0.06, 0.36],
                [0.16, 0.3],
            ],
        ],
        (from) => tuft({ leaf: 'wavy', count: 6, lean: 0.8, size: 0.4, slim: 0.5, foot: 0.2 }, from),
    ),
    'spring-onion': tubes(5, 0.028, true, false),
    basil: paired('ovate', 5, 4, 0.3, 0.66),
    coriander: threes('fan', 10, 1, 0.2, 1.15, 2),
    parsley: threes('curled', 12, 1, 0.24, 0.95, 2),
    dill: threads(4, 8, 'yellow'),
    chervil: threes('fern', 9, 1.05, 0.3, 0.72, 2),
    mint: paired('toothed', 5, 5, 0.26, 0.5, (at, h) =>
        spread(4, 0, 1).map((t): Stroke => ({
            kind: 'petal',
            hue: 'violet',
            d: disc(at[0], at[1] - h * 0.1 * t, h * (0.028 - 0.014 * t)),
        })),
    ),
    chives: tubes(22, 0.01, false, true),
    oregano: mat(
        13,
        (at, angle, size) =>
            [-1, 1].flatMap((side) =>
                leaf('round', { x: at[0], y: at[1], angle: angle + side * 1.2, length: size * 0.62, width: size * 0.54 }, false),
            ),
        5,
        (at, size) => [
            {
                kind: 'petal',
                hue: 'violet',
                d: [
                    [-0.3, 0],
                    [0, -0.25],
                    [0.3, 0],
                    [0, 0.1],
                ]
                    .map(([x, y]) => disc(at[0] + x! * size, at[1] + y! * size, size * 0.2))
                    .join(''),
            },
        ],
    ),
    thyme: mat(
        15,
        (at, angle, size) => [
            {
                kind: 'twig',
                d: [-1, 1]
                    .map((side) =>
                        straight([at, [at[0] + Math.sin(angle + side) * size * 0.42, at[1] - Math.cos(angle + side) * size * 0.42]], false),
                    )
                    .join(''),
            },
        ],
        9,
    ),
    'fennel-bulb': bulb(
        FENNEL,
        0.72,
        0.6,
        [
            [
                [-0.5, 0.06],
                [-0.72, 0.4],
                [-0.34, 0.9],
            ],
            [
                [0.5, 0.06],
                [0.72, 0.4],
                [0.34, 0.9],
            ],
            [
                [-0.16, 0.04],
                [-0.2, 0.5],
                [-0.02, 1],
            ],
            [
                [0.24, 0.04],
                [0.3, 0.5],
                [0.12, 1],
            ],
        ],
        () => threads(5, 5, null),
    ),
    nasturtium: shields,
    viola: violas,
    strawberry,
    'bush-bean': bush({
        leaf: trefoil('heart', 0.85),
        levels: 4,
        size: 0.42,
        bears: (at, side, unit, i) => [
            ...one('pod', 0.05, 0.36, 'green')(at, side, unit, i),
            ...fruit('pod', [at[0] + side * unit * 0.17, at[1] + unit * 0.06], unit * 0.05, unit * 0.34, 'green', side * 0.12),
        ],
    }),
    'dwarf-pea': bush({
        leaf: (from, angle, size) => [
            ...compound('ovate', { x: from[0], y: from[1], angle, length: size, width: size * 1.5 }, 2, () => 0.44, 0.3, false),
            tendril([from[0] + Math.sin(angle) * size, from[1] - Math.cos(angle) * size], Math.sign(angle) || 1, size * 0.45),
        ],
        levels: 3,
        size: 0.95,
        bears: (at, side, unit, i) =>
            i % 3 === 0
                ? flower([at[0] + side * unit * 0.3, at[1]], unit * 0.34, 4, 'white', 'green')
                : one('pod', 0.2, 0.85, 'green', 0.15)(at, side, unit, i),
        forks: false,
    }),
    chilli: bush({ leaf: bladed('lanceolate', 0.36), levels: 5, size: 0.26, bears: one('chilli', 0.055, 0.2, 'red', 0.1) }),
    'sweet-pepper': bush({ leaf: bladed('ovate', 0.52), levels: 4, size: 0.32, bears: one('block', 0.16, 0.2, 'yellow') }),
    aubergine: bush({ leaf: bladed('wavy', 0.66), levels: 4, size: 0.36, bears: one('egg', 0.16, 0.27, 'dark') }),
    'tomato-dwarf': bush({
        leaf: (from, angle, size) =>
            compound(
                'notched',
                {
                    x: from[0],
                    y: from[1],
                    angle: angle * 1.1,
                    length: size,
                    width: size * 0.7,
                    droop: (Math.sign(angle) || 1) * size * 0.2,
                },
                2,
                (t) => 0.34 + 0.06 * t,
                0.36,
            ),
        levels: 4,
        size: 0.36,
        bears: truss(4, 0.085),
    }),
    'tomato-vine': vine({
        leaf: (from, angle, size) =>
            compound(
                'notched',
                {
                    x: from[0],
                    y: from[1],
                    angle: angle * 1.1,
                    length: size,
                    width: size * 0.75,
                    droop: (Math.sign(angle) || 1) * size * 0.14,
                },
                3,
                (t) => 0.32 + 0.05 * t,
                0.26,
            ),
        turns: 12,
        size: 0.42,
        bears: truss(5, 0.11),
    }),
    cucumber: vine({
        leaf: bladed('palmate', 1.05, 0.6, 0.12),
        turns: 11,
        size: 0.27,
        bears: (at, side, unit) =>
            hung(
                at,
                [at[0] + side * unit * 0.1, at[1] + unit * 0.04],
                fruit('club', [at[0] + side * unit * 0.1, at[1] + unit * 0.04], unit * 0.1, unit * 0.42, 'green'),
            ),
        tendrils: true,
    }),
    courgette,
    'ground-cherry': bush({
        leaf: bladed('heart', 0.8),
        levels: 5,
        size: 0.24,
        bears: (at, side, unit, i) => [...one('lantern', 0.11, 0.14, 'orange')(at, side, unit, i)],
    }),
    okra,
    'soft-cuttings': cutting,
};

/** How a crop of one's own is drawn, by its habit. */
const HABITS: Record<Habit, Drawn> = {
    rosette: CROPS['lettuce-leaf']!,
    upright: tuft({ leaf: 'paddle', count: 7, lean: 0.6, size: 0.5, slim: 0.4 }),
    herb: paired('ovate', 5, 4, 0.28, 0.55),
    bush: bush({ leaf: bladed('ovate', 0.52), levels: 4, size: 0.3, bears: one('round', 0.12, 0.12, 'orange') }),
    climber: vine({ leaf: bladed('heart', 0.85, 0.5, 0.12), turns: 11, size: 0.26, bears: one('round', 0.13, 0.13, 'orange') }),
    cutting,
};

/** The leaf that a young plant shows first above its seed leaves. */
const FIRST: Record<string, LeafName> = {
    'lettuce-leaf': 'frilled',
    endive: 'jagged',
    mizuna: 'jagged',
    rocket: 'lyrate',
    kale: 'curled',
    chard: 'wavy',
    sorrel: 'arrow',
    celery: 'notched',
    'celery-leaf': 'notched',
    coriander: 'fan',
    parsley: 'curled',
    chervil: 'fern',
    mint: 'toothed',
    viola: 'toothed',
    strawberry: 'toothed',
    cucumber: 'palmate',
    courgette: 'palmate',
    okra: 'fingered',
    'bush-bean': 'heart',
    'ground-cherry': 'heart',
    'tomato-dwarf': 'notched',
    'tomato-vine': 'notched',
    nasturtium: 'round',
    watercress: 'round',
    tatsoi: 'spoon',
    'pak-choi': 'round',
    chilli: 'lanceolate',
};
const BLADES = new Set(['chives', 'spring-onion']);
const THREADS = new Set(['dill', 'fennel-bulb']);

/** Just set out: seed leaves, and the first true ones. */
const seedling =
    (crop: string): Drawn =>
    (h, w) => {
        const pair = (name: LeafName, y: number, angle: number, length: number, width: number): Stroke[] =>
            [-1, 1].flatMap((side) => leaf(name, { x: 0, y: -h * y, angle: side * angle, length, width, droop: side * w * 0.04 }));
        if (BLADES.has(crop)) return tubes(4, 0.03, false, false)(h, w, 1);
        if (crop === 'soft-cuttings') return cutting(h, w, 0.6);
        const first = FIRST[crop] ?? 'ovate';
        return [
            stem(
                straight(
                    [
                        [0, 0],
                        [0, -h * 0.55],
                    ],
                    false,
                ),
            ),
            ...pair('ovate', 0.3, 1.3, w * 0.42, h * 0.16),
            ...(THREADS.has(crop)
                ? [-1, 1].flatMap((side) => feather({ x: 0, y: -h * 0.5, angle: side * 0.45, length: h * 0.5, width: h * 0.35 }, 3))
                : pair(first, 0.5, 0.55, h * 0.54, h * (first === 'lanceolate' || first === 'jagged' || first === 'lyrate' ? 0.2 : 0.32))),
        ];
    };

/** From here on a plant is drawn as itself; before, as what was set out. */
export const GROWS = 0.3;

/** How a crop is drawn at a growth; one of the grower's own by its habit. */
export const drawnAs = (crop: string, habit: Habit, growth: number): Drawn =>
    growth < GROWS ? seedling(crop) : (CROPS[crop] ?? HABITS[habit]);
