import type { Habit } from '../kit/library';

/**
 * Plant silhouettes in millimetres, standing at the origin and growing up (negative y). Drawn, not computed: only height and spread are
 * the crop's.
 */
export interface Stroke {
    d: string;
    kind: 'leaf' | 'vein' | 'stem' | 'spear' | 'twig' | 'fruit' | 'prop';
}

/** How plants are on a day, as the season has it. */
export type Looks = 'well' | 'pale' | 'wilting' | 'dead';

/** What a plant looks like: a crop's own way of growing, or that of its habit. */
export type Form =
    | 'loose'
    | 'head'
    | 'lobed'
    | 'spoons'
    | 'stalks'
    | 'spears'
    | 'herb'
    | 'fronds'
    | 'trailing'
    | 'bush'
    | 'climber'
    | 'strawberry'
    | 'cutting'
    | 'seedling';

type Fruit = 'round' | 'egg' | 'pod' | 'block' | 'lantern' | 'club';

const FORMS: Record<string, Form> = {
    'lettuce-leaf': 'loose',
    endive: 'lobed',
    'lettuce-romaine': 'head',
    'cabbage-mini': 'head',
    mizuna: 'lobed',
    rocket: 'lobed',
    spinach: 'spoons',
    tatsoi: 'spoons',
    watercress: 'trailing',
    chives: 'spears',
    'spring-onion': 'spears',
    coriander: 'fronds',
    parsley: 'fronds',
    dill: 'fronds',
    chervil: 'fronds',
    'fennel-bulb': 'fronds',
    oregano: 'trailing',
    thyme: 'trailing',
    nasturtium: 'trailing',
    viola: 'spoons',
    strawberry: 'strawberry',
};
const BY_HABIT: Record<Habit, Form> = {
    rosette: 'loose',
    upright: 'stalks',
    herb: 'herb',
    bush: 'bush',
    climber: 'climber',
    cutting: 'cutting',
};
const FRUIT: Record<string, Fruit> = {
    'bush-bean': 'pod',
    'dwarf-pea': 'pod',
    okra: 'pod',
    chilli: 'pod',
    'sweet-pepper': 'block',
    aubergine: 'egg',
    cucumber: 'club',
    courgette: 'club',
    'ground-cherry': 'lantern',
};

/** How a crop is drawn; one of the grower's own by its habit. */
export const formOf = (crop: string, habit: Habit): Form => FORMS[crop] ?? BY_HABIT[habit];

const f = (n: number): string => n.toFixed(1);
type Point = readonly [number, number];

/** A smooth line through points, closed or open. */
function through(points: Point[], closed: boolean): string {
    const middle = (a: Point, b: Point): Point => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
    const say = (p: Point): string => `${f(p[0])} ${f(p[1])}`;
    const last = points.length - 1;
    const start = closed ? middle(points[last]!, points[0]!) : points[0]!;
    let d = `M${say(start)}`;
    for (let i = 0; i < (closed ? points.length : last); i++)
        d += `Q${say(points[i]!)} ${say(middle(points[i]!, points[(i + 1) % points.length]!))}`;
    return closed ? `${d}Z` : `${d}L${say(points[last]!)}`;
}

interface Blade {
    x: number;
    y: number;
    /** From straight up, to the right. */
    angle: number;
    length: number;
    width: number;
    /** How far its tip leans over to the side, mm. */
    droop?: number;
    /** Half its width along it, from 0 at the foot to 1 at the tip, as a share of the widest. */
    shape: (along: number) => number;
    vein?: boolean;
    /** Whether its edge is cut so fine that it takes more points. */
    fine?: boolean;
}

/** A leaf by its outline, with its midrib. */
function blade({ x, y, angle, length, width, droop = 0, shape, vein = true, fine = false }: Blade): Stroke[] {
    const [sin, cos] = [Math.sin(angle), Math.cos(angle)];
    const at = (along: number, across: number): Point => [
        x + sin * along * length + cos * across + droop * along * along,
        y - cos * along * length + sin * across + Math.abs(droop) * 0.45 * along * along,
    ];
    const steps = Array.from({ length: fine ? 37 : 13 }, (_, i) => i / (fine ? 36 : 12));
    const side = (sign: number): Point[] => steps.map((t) => at(t, (sign * width * shape(t)) / 2));
    return [
        { kind: 'leaf', d: through([...side(-1), ...side(1).reverse()], true) },
        ...(vein ? [{ kind: 'vein' as const, d: through([at(0.06, 0), at(0.5, 0), at(0.86, 0)], false) }] : []),
    ];
}

const SMOOTH = (t: number): number => Math.sin(Math.PI * t ** 0.85) ** 0.9;
const OVATE = (t: number): number => Math.sin(Math.PI * t ** 0.7);
const SPOON = (t: number): number => (t < 0.45 ? 0.16 + 0.2 * t : Math.sin((Math.PI * (t - 0.4)) / 0.62) ** 0.75);
const FAN = (t: number): number => (0.14 + 0.86 * t ** 0.8) * Math.sqrt(Math.max(0, 1 - t ** 6)) * (1 + 0.12 * Math.sin(t * 44) * t);
const LOBED = (t: number): number =>
    0.14 * (1 - t) + (0.25 + 0.75 * t) * Math.sqrt(Math.max(0, 1 - t ** 8)) * (0.3 + 0.7 * Math.abs(Math.sin(t * 10.5)));

const stem = (d: string): Stroke => ({ kind: 'stem', d });
const curve = (a: Point, b: Point, c: Point): string => `M${f(a[0])} ${f(a[1])}Q${f(b[0])} ${f(b[1])} ${f(c[0])} ${f(c[1])}`;

const spread = (count: number, from: number, to: number): number[] =>
    count < 2 ? [(from + to) / 2] : Array.from({ length: count }, (_, i) => from + ((to - from) * i) / (count - 1));
/** From the middle, which stands behind, out to the sides, which lie before it. */
const outwards = (angles: number[]): number[] => angles.sort((a, b) => Math.abs(a) - Math.abs(b));
/** As many of a number as a plant has that is so far grown. */
const some = (count: number, growth: number): number => Math.max(3, Math.round(count * (0.45 + 0.55 * growth)));

/** A fruit of a shape that hangs from a place. */
function fruit(shape: Fruit, x: number, y: number, size: number): Stroke {
    const [w, h] = { round: [1, 1], egg: [0.8, 1.5], pod: [0.34, 1.9], block: [1.05, 1.25], lantern: [0.95, 1.15], club: [0.42, 2.6] }[
        shape
    ] as [number, number];
    const [half, tall] = [size * w, size * h * 2];
    const body: Record<Fruit, Point[]> = {
        round: [
            [-1, 0.5],
            [-0.72, 0.1],
            [0, 0],
            [0.72, 0.1],
            [1, 0.5],
            [0.72, 0.9],
            [0, 1],
            [-0.72, 0.9],
        ],
        egg: [
            [-0.5, 0.15],
            [0, 0],
            [0.5, 0.15],
            [1, 0.65],
            [0.7, 0.95],
            [0, 1.03],
            [-0.7, 0.95],
            [-1, 0.65],
        ],
        pod: [
            [-0.8, 0.05],
            [0, 0],
            [0.8, 0.05],
            [0.95, 0.4],
            [0.6, 0.8],
            [0.1, 1],
            [-0.4, 0.8],
            [-0.9, 0.4],
        ],
        block: [
            [-0.75, 0.05],
            [0, 0.12],
            [0.75, 0.05],
            [1, 0.4],
            [0.8, 0.95],
            [0.25, 0.9],
            [-0.25, 0.9],
            [-0.8, 0.95],
            [-1, 0.4],
        ],
        lantern: [
            [0, 0],
            [0.8, 0.3],
            [0.95, 0.6],
            [0.1, 1],
            [-0.1, 1],
            [-0.95, 0.6],
            [-0.8, 0.3],
        ],
        club: [
            [-0.7, 0.02],
            [0, 0],
            [0.7, 0.02],
            [1, 0.5],
            [1, 0.92],
            [0, 1],
            [-1, 0.92],
            [-0.9, 0.5],
        ],
    };
    return {
        kind: 'fruit',
        d: through(
            body[shape].map(([a, b]): Point => [x + a * half, y + b * tall]),
            true,
        ),
    };
}

/** A broad leaf with a frilled edge, from its foot up to a wavy arc. */
function frill(x: number, y: number, angle: number, length: number, width: number, waves: number): Stroke[] {
    const [sin, cos] = [Math.sin(angle), Math.cos(angle)];
    const at = (up: number, across: number): Point => [
        x + sin * up * length + cos * across * width,
        y - cos * up * length + sin * across * width,
    ];
    const arc = Array.from({ length: waves * 4 + 1 }, (_, i): Point => {
        const turn = -1.75 + (3.5 * i) / (waves * 4);
        const out = 1 + 0.09 * Math.sin(i * 1.57);
        return at(0.62 + 0.38 * Math.cos(turn) * out, 0.5 * Math.sin(turn) * out);
    });
    return [
        { kind: 'leaf', d: through([at(0, -0.06), at(0.3, -0.22), ...arc, at(0.3, 0.22), at(0, 0.06)], true) },
        { kind: 'vein', d: through([at(0.05, 0), at(0.45, 0.01), at(0.82, 0)], false) },
    ];
}

/** Frilled leaves one over the other, a mound. */
function loose(h: number, w: number, g: number): Stroke[] {
    const ring = (count: number, lean: number, reach: number, wide: number): Stroke[] =>
        outwards(spread(count, -lean, lean)).flatMap((a) =>
            // On the edge of a half ellipse as high and as wide as the plant.
            frill(0, 0, a, reach / Math.hypot(Math.cos(a) / h, (2 * Math.sin(a)) / w), Math.min(h, w) * wide, 6),
        );
    return [...ring(2 * Math.round(1 + 2 * g), 0.8, 1, 0.58), ...ring(some(6, g), 1.3, 0.84, 0.54), ...ring(some(5, g), 1.1, 0.56, 0.46)];
}

/** Leaves folded round a heart, a few held out. */
function head(h: number, w: number, g: number): Stroke[] {
    const outer = outwards(spread(some(4, g), -1.15, 1.15)).flatMap((a) =>
        blade({ x: 0, y: 0, angle: a, length: Math.min(w * 0.56, h), width: w * 0.5, droop: a * w * 0.06, shape: FAN }),
    );
    const heart: Point[] = [
        [0, -1],
        [0.3, -0.96],
        [0.5, -0.72],
        [0.56, -0.42],
        [0.42, -0.1],
        [0, 0.02],
        [-0.42, -0.1],
        [-0.56, -0.42],
        [-0.5, -0.72],
        [-0.3, -0.96],
    ];
    const half = Math.min(w * 0.5, h * 0.58);
    const fold = (...points: Point[]): Stroke => ({
        kind: 'vein',
        d: through(
            points.map(([x, y]): Point => [x * half, y * h]),
            false,
        ),
    });
    return [
        ...outer,
        {
            kind: 'leaf',
            d: through(
                heart.map(([x, y]): Point => [x * w * 0.72, y * h]),
                true,
            ),
        },
        fold([-0.2, -0.97], [0.5, -0.86], [0.86, -0.42], [0.6, -0.08]),
        fold([0.3, -0.93], [-0.4, -0.78], [-0.72, -0.36], [-0.5, -0.06]),
        fold([0.1, -0.86], [0.2, -0.5], [0.12, -0.06]),
        ...outwards([-0.75, 0.75]).flatMap((a) =>
            blade({ x: a * w * 0.1, y: 0, angle: a, length: h * 0.5, width: w * 0.34, droop: a * w * 0.05, shape: FAN }),
        ),
    ];
}

/** Cut leaves that arch out of one foot. */
function lobed(h: number, w: number, g: number): Stroke[] {
    return outwards(spread(some(9, g), -1, 1)).flatMap((a, i) =>
        blade({
            x: a * w * 0.04,
            y: 0,
            angle: a * 0.95,
            length: Math.min((h * (i % 3 === 1 ? 0.86 : 1)) / Math.max(0.62, Math.cos(a)), h * 1.15, w * 0.5 + h * 0.5 * (1 - Math.abs(a))),
            width: Math.min(h, w) * 0.3,
            droop: a * w * 0.2,
            shape: LOBED,
            fine: true,
        }),
    );
}

/** Spoons on stalks, in a low rosette. */
function spoons(h: number, w: number, g: number): Stroke[] {
    return outwards(spread(some(9, g), -1.3, 1.3)).flatMap((a) =>
        blade({
            x: 0,
            y: 0,
            angle: a,
            length: Math.min(h / Math.max(0.3, Math.cos(a)), (w * 0.52) / Math.max(0.3, Math.abs(Math.sin(a)))),
            width: w * 0.2,
            droop: a * w * 0.03,
            shape: SPOON,
        }),
    );
}

/** Broad blades carried up on thick stalks. */
function stalks(h: number, w: number, g: number): Stroke[] {
    return outwards(spread(some(7, g), -0.62, 0.62)).flatMap((a) => {
        const tall = h * (1 - 0.3 * Math.abs(a));
        const knee: Point = [Math.sin(a) * w * 0.42, -tall * 0.5];
        return [
            ...blade({
                x: a * w * 0.1,
                y: 0,
                angle: Math.atan2(knee[0] - a * w * 0.1, -knee[1]),
                length: tall * 0.56,
                width: h * 0.055,
                shape: () => 1,
                vein: false,
            }),
            ...blade({ x: knee[0], y: knee[1], angle: a * 1.1, length: tall * 0.5, width: w * 0.32, droop: a * w * 0.06, shape: OVATE }),
        ];
    });
}

/** Thin round leaves, close together. */
function spears(h: number, w: number, g: number): Stroke[] {
    return spread(some(12, g), -1, 1).map((a, i) => {
        const tall = h * (0.74 + 0.26 * Math.abs(Math.sin(i * 2.7 + 1)));
        return {
            kind: 'spear',
            d: curve([a * w * 0.1, 0], [a * w * 0.16, -tall * 0.6], [a * w * (0.3 + 0.2 * Math.abs(Math.sin(i * 1.9))), -tall]),
        };
    });
}

/** Stems with pairs of leaves, largest at the top: a dome. */
function herb(h: number, w: number, g: number): Stroke[] {
    const stems = some(5, g);
    return outwards(spread(stems, -0.85, 0.85))
        .reverse()
        .flatMap((a) => {
            const top: Point = [Math.sin(a) * w * 0.4, -h * (0.86 - 0.26 * Math.abs(a))];
            const at = (t: number): Point => [top[0] * t ** 1.5, top[1] * t];
            const size = Math.min(h * 0.24, w * 0.3);
            return [
                stem(curve([0, 0], [top[0] * 0.15, top[1] * 0.55], top)),
                ...[0.42, 0.64, 0.84].flatMap((t) =>
                    [-1, 1].flatMap((side) =>
                        blade({
                            x: at(t)[0],
                            y: at(t)[1],
                            angle: a * 0.6 + side * 1.15,
                            length: size * (0.75 + 0.35 * t),
                            width: size * 0.58,
                            droop: side * size * 0.1,
                            shape: OVATE,
                        }),
                    ),
                ),
                ...[-0.5, 0.5, 0].flatMap((side) =>
                    blade({ x: top[0], y: top[1], angle: a * 0.6 + side, length: size * 0.72, width: size * 0.42, shape: OVATE }),
                ),
            ];
        });
}

/** Fine leaves: open fans on thin stems. */
function fronds(h: number, w: number, g: number): Stroke[] {
    const twig = (from: Point, angle: number, reach: number): [Stroke, Point] => {
        const to: Point = [from[0] + Math.sin(angle) * reach, from[1] - Math.cos(angle) * reach];
        return [{ kind: 'twig', d: `M${f(from[0])} ${f(from[1])}L${f(to[0])} ${f(to[1])}` }, to];
    };
    return outwards(spread(some(6, g), -1.05, 1.05)).flatMap((a, n) => {
        const top: Point = [Math.sin(a) * w * 0.4, -h * (0.72 - 0.36 * Math.abs(a)) * (n % 2 ? 0.88 : 1)];
        const size = Math.min(h * 0.3, w * 0.34);
        const fan = [-1.15, -0.6, 0, 0.6, 1.15].flatMap((turn) => {
            const [branch, end] = twig(top, a * 0.5 + turn, size * (1 - 0.22 * Math.abs(turn)));
            const from: Point = [(top[0] + end[0]) / 2, (top[1] + end[1]) / 2];
            return [
                branch,
                ...[from, end].flatMap((at, i) =>
                    [-0.75, 0, 0.75].flatMap((side) => twig(at, a * 0.5 + turn + side, size * (i ? 0.26 : 0.34))[0]),
                ),
            ];
        });
        return [stem(curve([0, 0], [top[0] * 0.25, top[1] * 0.65], top)), ...fan];
    });
}

/** A low mound of short stems, with small leaves, that spills to the sides. */
function trailing(h: number, w: number, g: number): Stroke[] {
    return outwards(spread(some(11, g), -1, 1)).flatMap((a) => {
        const foot: Point = [a * w * 0.14, 0];
        const end: Point = [a * w * 0.46, -h * Math.max(0.08, 0.92 - 0.84 * a * a)];
        const high: Point = [a * w * 0.34, end[1] - h * 0.16 * Math.abs(a)];
        const at = (t: number): Point => [
            (1 - t) ** 2 * foot[0] + 2 * (1 - t) * t * high[0] + t * t * end[0],
            2 * (1 - t) * t * high[1] + t * t * end[1],
        ];
        const size = Math.min(h * 0.2, w * 0.17);
        return [
            stem(curve(foot, high, end)),
            ...[0.2, 0.4, 0.6, 0.8, 0.97].flatMap((t) =>
                [-1, 1].flatMap((side) =>
                    blade({
                        x: at(t)[0],
                        y: at(t)[1],
                        angle: a * 1.1 * t + side * 0.9,
                        length: size,
                        width: size * 0.7,
                        shape: OVATE,
                        vein: false,
                    }),
                ),
            ),
        ];
    });
}

/** A branching stem with broad leaves, and its fruit where it is grown. */
function bush(h: number, w: number, g: number, kind: Fruit): Stroke[] {
    const levels = some(6, g);
    const strokes: Stroke[] = [stem(curve([0, 0], [w * 0.03, -h * 0.5], [0, -h * 0.9]))];
    const hanging: Stroke[] = [];
    spread(levels, 0.22, 0.88).forEach((t, i) => {
        const side = i % 2 === 0 ? 1 : -1;
        const reach = w * 0.4 * (1.12 - t * 0.5);
        const from: Point = [0, -h * t * 0.9];
        const to: Point = [side * reach, -h * (t + 0.1)];
        const leaf = Math.min(h * 0.26, w * 0.34);
        strokes.push(stem(curve(from, [to[0] * 0.5, to[1] + h * 0.02], to)));
        for (const [along, turn] of [
            [0.45, -1],
            [0.6, 0.9],
            [1, -0.35],
            [1, 0.5],
        ] as const)
            strokes.push(
                ...blade({
                    x: from[0] + (to[0] - from[0]) * along,
                    y: from[1] + (to[1] - from[1]) * along,
                    angle: side * (0.95 + turn * 0.75),
                    length: leaf * (along === 1 ? 1 : 0.82),
                    width: leaf * 0.52,
                    droop: side * leaf * 0.2,
                    shape: OVATE,
                }),
            );
        if (g > 0.75 && i < levels - 1)
            hanging.push(
                fruit(
                    kind,
                    to[0] * 0.5,
                    (from[1] + to[1]) / 2 + h * 0.01,
                    Math.min(h, w) * (kind === 'round' || kind === 'lantern' ? 0.055 : 0.05),
                ),
            );
    });
    for (const a of [-0.55, 0.55, 0])
        strokes.push(...blade({ x: 0, y: -h * 0.82, angle: a, length: h * 0.18, width: h * 0.09, shape: OVATE }));
    return [...strokes, ...hanging];
}

/** A vine that winds up its strings, leaf by leaf, with its fruit. */
function climber(h: number, w: number, g: number, kind: Fruit): Stroke[] {
    const strokes: Stroke[] = [-0.3, 0, 0.3].map((x) => ({ kind: 'prop', d: `M${f(x * w)} 0L${f(x * w)} ${f(-h)}` }));
    for (const t of [0.3, 0.62, 0.94]) strokes.push({ kind: 'prop', d: `M${f(-0.36 * w)} ${f(-h * t)}L${f(0.36 * w)} ${f(-h * t)}` });
    const turns = some(12, g);
    const at = (t: number): Point => [Math.sin(t * 15) * w * 0.07, -h * t];
    strokes.push(stem(through(spread(24, 0, 0.98).map(at), false)));
    const hanging: Stroke[] = [];
    spread(turns, 0.06, 0.95).forEach((t, i) => {
        const side = i % 2 ? -1 : 1;
        const [x, y] = at(t);
        const tip: Point = [x + side * w * 0.3, y - h * 0.015];
        strokes.push(stem(curve([x, y], [x + side * w * 0.16, y - h * 0.03], tip)));
        for (const [along, turn] of [
            [0.5, -0.9],
            [0.5, 1],
            [0.95, -0.5],
            [0.95, 0.6],
            [1, 0.05],
        ] as const)
            strokes.push(
                ...blade({
                    x: x + (tip[0] - x) * along,
                    y: y + (tip[1] - y) * along - h * 0.006,
                    angle: side * (1.35 + turn),
                    length: w * 0.24,
                    width: w * 0.13,
                    droop: side * w * 0.04,
                    shape: OVATE,
                }),
            );
        if (g <= 0.75 || i % 2 === 1 || t > 0.86) return;
        if (kind === 'club') hanging.push(fruit('club', x - side * w * 0.16, y + h * 0.004, w * 0.06));
        else
            for (const [dx, dy] of [
                [0, 0],
                [0.085, 0.35],
                [-0.03, 0.75],
                [0.05, 1.2],
            ] as const)
                hanging.push(fruit('round', x - side * (w * 0.12 + dx * w), y + dy * w * 0.13, w * 0.055));
    });
    return [...strokes, ...hanging];
}

/** A berry: broad shoulders, a point below. */
function berry(x: number, y: number, size: number): Stroke {
    const body: Point[] = [
        [-0.55, 0],
        [0, 0.08],
        [0.55, 0],
        [0.95, 0.35],
        [0.6, 0.95],
        [0, 1.45],
        [-0.6, 0.95],
        [-0.95, 0.35],
    ];
    return {
        kind: 'fruit',
        d: through(
            body.map(([a, b]): Point => [x + a * size, y + b * size]),
            true,
        ),
    };
}

/** Leaves in threes on long stalks; berries hang out between them. */
function strawberry(h: number, w: number, g: number): Stroke[] {
    const leaves = outwards(spread(some(7, g), -1.15, 1.15))
        .reverse()
        .flatMap((a) => {
            const to: Point = [Math.sin(a) * w * 0.34, -h * (0.66 - 0.2 * Math.abs(a))];
            const size = Math.min(h, w) * 0.3;
            return [
                stem(curve([0, 0], [to[0] * 0.35, to[1] * 0.8], to)),
                ...[-1.05, 1.05, 0].flatMap((turn) =>
                    blade({
                        x: to[0],
                        y: to[1],
                        angle: a * 0.8 + turn,
                        length: size,
                        width: size * 0.72,
                        shape: (t) => OVATE(t) * (1 + 0.07 * Math.sin(t * 30)),
                    }),
                ),
            ];
        });
    const berries =
        g > 0.75
            ? [-0.42, -0.2, 0.24, 0.44].flatMap((x, i): Stroke[] => {
                  const at: Point = [x * w, -h * (i % 2 ? 0.26 : 0.34)];
                  return [stem(curve([0, -h * 0.1], [at[0] * 0.6, -h * 0.55], at)), berry(at[0], at[1], Math.min(h, w) * 0.075)];
              })
            : [];
    return [...leaves, ...berries];
}

/** A cut stem, leaves on its upper part. */
function cutting(h: number, w: number, g: number): Stroke[] {
    const strokes: Stroke[] = [stem(`M0 0L0 ${f(-h * 0.95)}`)];
    for (const t of spread(some(6, g), 0.34, 0.92))
        for (const side of [-1, 1])
            strokes.push(
                ...blade({
                    x: 0,
                    y: -h * t,
                    angle: side * (1.15 - 0.5 * t),
                    length: Math.min(h * 0.24, w * 0.5),
                    width: Math.min(h * 0.09, w * 0.2),
                    shape: SMOOTH,
                }),
            );
    strokes.push(...blade({ x: 0, y: -h * 0.9, angle: 0, length: h * 0.14, width: h * 0.06, shape: SMOOTH }));
    return strokes;
}

/** Just transplanted, all crops look much alike: seed leaves and the first true ones. */
function seedling(h: number, w: number): Stroke[] {
    const pair = (y: number, angle: number, length: number, width: number): Stroke[] =>
        [-1, 1].flatMap((side) => blade({ x: 0, y: -h * y, angle: side * angle, length, width, droop: side * w * 0.04, shape: SMOOTH }));
    return [stem(`M0 0L0 ${f(-h * 0.55)}`), ...pair(0.3, 1.3, w * 0.44, h * 0.17), ...pair(0.5, 0.5, h * 0.52, h * 0.26)];
}

function drawn(form: Form, h: number, w: number, g: number, kind: Fruit): Stroke[] {
    switch (form) {
        case 'bush':
            return bush(h, w, g, kind);
        case 'climber':
            return climber(h, w, g, kind);
        default:
            return { loose, head, lobed, spoons, stalks, spears, herb, fronds, trailing, strawberry, cutting, seedling }[form](h, w, g);
    }
}

const PAIR = /(-?\d+\.?\d*) (-?\d+\.?\d*)/g;
const MOST_KEPT = 400;
const kept = new Map<string, Stroke[]>();

/** Lines that follow each other are drawn as one; leaves and fruit lie over each other and stay apart. */
function joined(strokes: Stroke[]): Stroke[] {
    const all: Stroke[] = [];
    for (const stroke of strokes) {
        const last = all.at(-1);
        if (last && last.kind === stroke.kind && stroke.kind !== 'leaf' && stroke.kind !== 'fruit') last.d += stroke.d;
        else all.push({ ...stroke });
    }
    return all;
}

/**
 * The silhouette of a crop, exactly as high and as wide as asked.
 *
 * @param growth from 0 to 1: a half-grown plant has fewer leaves, and no fruit
 */
export function plant(form: Form, height: number, width: number, growth = 1, crop = ''): Stroke[] {
    const key = [form, f(height), f(width), growth.toFixed(2), FRUIT[crop] ?? ''].join(' ');
    const known = kept.get(key);
    if (known) return known;
    const strokes = joined(drawn(form, height, width, growth, FRUIT[crop] ?? 'round'));
    let [reach, top] = [1, 1];
    for (const { d } of strokes) {
        for (const [, x, y] of d.matchAll(PAIR)) {
            reach = Math.max(reach, Math.abs(Number(x)));
            top = Math.max(top, -Number(y));
        }
    }
    const [across, up] = [width / 2 / reach, height / top];
    const made = strokes.map(({ d, kind }) => ({
        kind,
        d: d.replace(PAIR, (_, x: string, y: string) => `${f(Number(x) * across)} ${f(Math.min(0, Number(y)) * up)}`),
    }));
    if (kept.size >= MOST_KEPT) kept.clear();
    kept.set(key, made);
    return made;
}

const TINTS = [
    '#5f8a3c',
    '#2f7a6a',
    '#8a8f35',
    '#3d6b56',
    '#6a9a5a',
    '#4a6a3a',
    '#7a9f86',
    '#3f8f7a',
    '#959a4a',
    '#2f5f58',
    '#7a8f6a',
    '#55804a',
];

/** A tint that is the crop's own: the same on every drawing, and none of the severities'. */
export function tint(key: string): string {
    let hash = 2166136261;
    for (const char of key) hash = Math.imul(hash ^ char.charCodeAt(0), 16777619) >>> 0;
    return TINTS[(hash >>> 9) % TINTS.length] ?? '#5f8a3c';
}
