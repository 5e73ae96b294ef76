import type { Habit } from '../kit/library';

/**
 * Plant silhouettes in millimetres, standing at the origin and growing up (negative y). Drawn, not computed: only height and spread are
 * the crop's.
 */
export interface Stroke {
    d: string;
    kind: 'leaf' | 'stem' | 'fruit';
}

const f = (n: number): string => n.toFixed(1);

function leaf(x: number, y: number, angle: number, length: number, width: number, bend = 0): Stroke {
    const [sin, cos] = [Math.sin(angle), Math.cos(angle)];
    const at = (along: number, across: number): string =>
        f(x + sin * along * length + cos * across + bend * along * along) +
        ' ' +
        f(y - cos * along * length + sin * across + Math.abs(bend) * 0.35 * along * along);
    return {
        kind: 'leaf',
        d:
            `M${f(x)} ${f(y)}C${at(0.3, -width)} ${at(0.75, -width * 0.8)} ${at(1, 0)}` +
            `C${at(0.75, width * 0.8)} ${at(0.3, width)} ${f(x)} ${f(y)}Z`,
    };
}

const stem = (d: string): Stroke => ({ kind: 'stem', d });

/** A fruit: a circle of four curves, so that it scales like everything else. */
function dot(x: number, y: number, r: number): Stroke {
    const k = r * 0.552;
    const at = (dx: number, dy: number): string => `${f(x + dx)} ${f(y + dy)}`;
    return {
        kind: 'fruit',
        d:
            `M${at(-r, 0)}C${at(-r, -k)} ${at(-k, -r)} ${at(0, -r)}C${at(k, -r)} ${at(r, -k)} ${at(r, 0)}` +
            `C${at(r, k)} ${at(k, r)} ${at(0, r)}C${at(-k, r)} ${at(-r, k)} ${at(-r, 0)}Z`,
    };
}

const spread = (count: number, from: number, to: number): number[] =>
    Array.from({ length: count }, (_, i) => from + ((to - from) * i) / (count - 1));

function rosette(height: number, width: number): Stroke[] {
    return spread(9, -1.25, 1.25)
        .sort((a, b) => Math.abs(b) - Math.abs(a))
        .map((a) =>
            leaf(
                0,
                0,
                a,
                Math.min(height / Math.max(0.35, Math.cos(a)), width / 2 / Math.max(0.35, Math.abs(Math.sin(a)))),
                height * 0.13,
                a * width * 0.05,
            ),
        );
}

function upright(height: number, width: number): Stroke[] {
    return spread(7, -0.55, 0.55)
        .sort((a, b) => Math.abs(b) - Math.abs(a))
        .flatMap((a) => {
            const [x, y] = [Math.sin(a) * width * 0.42, -height * 0.52 * Math.cos(a)];
            return [stem(`M0 0Q${f(x * 0.3)} ${f(y * 0.6)} ${f(x)} ${f(y)}`), leaf(x, y, a * 1.4, height * 0.46, height * 0.1, a * 12)];
        });
}

function herb(height: number, width: number): Stroke[] {
    return spread(5, -0.6, 0.6).flatMap((a) => {
        const top = height * (1 - Math.abs(a) * 0.3);
        const x = Math.sin(a) * width * 0.55;
        return [
            stem(`M0 0Q${f(x * 0.2)} ${f(-top * 0.5)} ${f(x)} ${f(-top * 0.86)}`),
            ...[0.35, 0.55, 0.75, 0.9].flatMap((t) => {
                const [px, py] = [x * t * t + x * 0.16 * t * (1 - t), -top * 0.86 * t];
                const size = height * 0.17 * (1.15 - t * 0.4);
                return [leaf(px, py, a - 1, size, size * 0.26), leaf(px, py, a + 1, size, size * 0.26)];
            }),
            leaf(x, -top * 0.84, a, height * 0.16, height * 0.05),
        ];
    });
}

function bush(height: number, width: number): Stroke[] {
    const strokes: Stroke[] = [
        stem(`M0 0C${f(width * 0.03)} ${f(-height * 0.4)} ${f(-width * 0.03)} ${f(-height * 0.6)} 0 ${f(-height * 0.9)}`),
    ];
    spread(6, 0.22, 0.92).forEach((t, i) => {
        const side = i % 2 === 0 ? 1 : -1;
        const reach = width * 0.42 * (1.1 - t * 0.55);
        const [x, y] = [side * reach, -height * (t + 0.06)];
        strokes.push(stem(`M0 ${f(-height * t * 0.92)}Q${f(x * 0.5)} ${f(y - height * 0.03)} ${f(x)} ${f(y)}`));
        for (const a of [-1.1, -0.3, 0.5, 1.3])
            strokes.push(leaf(x * 0.72, y + height * 0.02, side * (0.7 + a * 0.9), height * 0.19, height * 0.055, side * 8));
        if (i > 0 && i < 5) strokes.push(dot(x * 0.55, y + height * 0.1, Math.min(height * 0.035, 28)));
    });
    strokes.push(leaf(0, -height * 0.84, -0.4, height * 0.16, height * 0.05), leaf(0, -height * 0.84, 0.4, height * 0.16, height * 0.05));
    return strokes;
}

function climber(height: number, width: number): Stroke[] {
    const strokes: Stroke[] = [
        stem(`M${f(width * 0.06)} 0L${f(width * 0.06)} ${f(-height)}`),
        stem(
            `M0 0${spread(8, 0.1, 1)
                .map((t, i) => `L${f((i % 2 ? -1 : 1) * width * 0.05)} ${f(-height * t)}`)
                .join('')}`,
        ),
    ];
    spread(10, 0.08, 0.97).forEach((t, i) => {
        const side = i % 2 ? -1 : 1;
        strokes.push(
            leaf(0, -height * t, side * 1.2, width * 0.4, width * 0.11, side * 20),
            leaf(0, -height * t, side * 0.5, width * 0.26, width * 0.08),
        );
        if (i % 3 === 1) strokes.push(dot(-side * width * 0.14, -height * t + width * 0.08, width * 0.055));
    });
    return strokes;
}

function cutting(height: number, width: number): Stroke[] {
    const strokes: Stroke[] = [stem(`M0 0L0 ${f(-height)}`)];
    for (const t of spread(9, 0.2, 1))
        for (const side of [-1, 1]) strokes.push(leaf(0, -height * t, side * 0.8, Math.min(height * 0.16, width * 0.5), height * 0.022));
    return strokes;
}

const PAIR = /(-?\d+\.?\d*) (-?\d+\.?\d*)/g;

/** Just transplanted, all crops look much alike: seed leaves and the first true ones. */
function seedling(height: number, width: number): Stroke[] {
    return [
        stem(`M0 0L0 ${f(-height * 0.5)}`),
        leaf(0, -height * 0.3, -1.35, width * 0.4, height * 0.1),
        leaf(0, -height * 0.3, 1.35, width * 0.4, height * 0.1),
        leaf(0, -height * 0.45, -0.5, height * 0.55, height * 0.15),
        leaf(0, -height * 0.45, 0.5, height * 0.55, height * 0.15),
    ];
}

/** The silhouette of a habit, exactly as high and as wide as asked. */
export function plant(habit: Habit | 'seedling', height: number, width: number): Stroke[] {
    const strokes = { rosette, upright, herb, bush, climber, cutting, seedling }[habit](height, width);
    let [reach, top] = [1, 1];
    for (const { d } of strokes) {
        for (const [, x, y] of d.matchAll(PAIR)) {
            reach = Math.max(reach, Math.abs(Number(x)));
            top = Math.max(top, -Number(y));
        }
    }
    const [across, up] = [width / 2 / reach, height / top];
    return strokes.map(({ d, kind }) => ({
        kind,
        d: d.replace(PAIR, (_, x: string, y: string) => `${f(Number(x) * across)} ${f(Number(y) * up)}`),
    }));
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
