import type { Corner } from '../types/garden';

/** The flat part of a moulded lid between its ridges: corners in order round it, from the lid’s middle. */
export type Panel = Corner[];

interface Size {
    length_mm: number;
    width_mm: number;
}

/** No lid has more. */
export const MOST_PANELS = 100;

const on = (mm: number): number => Math.round(mm * 10) / 10 + 0;
const corner = (x: number, y: number): Corner => ({ x_mm: on(x), y_mm: on(y) });

/**
 * A lid filled with rows of panels inside a border: squares side by side, or triangles that stand on their base and on their point in turn.
 * Rows from the back; every other row of triangles begins the other way up, so that points meet points.
 */
export function filled(shape: 'triangle' | 'square', rows: number, each: number, lid: Size, border: number): Panel[] {
    const [long, wide] = [lid.length_mm - 2 * border, lid.width_mm - 2 * border];
    const tall = wide / rows;
    const panels: Panel[] = [];
    for (let row = 0; row < rows; row++) {
        const back = wide / 2 - row * tall;
        const front = back - tall;
        for (let i = 0; i < each; i++) {
            if (shape === 'square') {
                const [left, right] = [-long / 2 + (i * long) / each, -long / 2 + ((i + 1) * long) / each];
                panels.push([corner(left, front), corner(right, front), corner(right, back), corner(left, back)]);
                continue;
            }
            // Half a base from one triangle to the next.
            const half = long / (each + 1);
            const left = -long / 2 + i * half;
            const [base, point] = (i + row) % 2 === 0 ? [front, back] : [back, front];
            panels.push([corner(left, base), corner(left + 2 * half, base), corner(left + half, point)]);
        }
    }
    return panels;
}

/** One triangle or square in the lid’s middle, to be given the corners it has. */
export function single(shape: 'triangle' | 'square', lid: Size): Panel {
    const half = Math.min(lid.length_mm, lid.width_mm) / 5;
    return shape === 'triangle'
        ? [corner(-half, -half), corner(half, -half), corner(0, half)]
        : [corner(-half, -half), corner(half, -half), corner(half, half), corner(-half, half)];
}

/** A panel turned half round about the middle of its right-most side: the one beside it in a strip. */
export function beside(panel: Panel): Panel {
    let best = { x: -Infinity, y: 0 };
    panel.forEach((a, i) => {
        const b = panel[(i + 1) % panel.length]!;
        const middle = { x: (a.x_mm + b.x_mm) / 2, y: (a.y_mm + b.y_mm) / 2 };
        if (middle.x > best.x + 1e-6) best = middle;
    });
    return panel.map((c) => corner(2 * best.x - c.x_mm, 2 * best.y - c.y_mm));
}

/** The last panel again and again to the right, each turned about. */
export function repeated(panels: Panel[], times: number): Panel[] {
    const all = [...panels];
    for (let i = 0; i < times && all.length > 0 && all.length < MOST_PANELS; i++) all.push(beside(all.at(-1)!));
    return all;
}

/** What is on one side of the lid’s middle on the other side too. Panels that lie across the middle stay single. */
export function mirrored(panels: Panel[], way: 'across' | 'along'): Panel[] {
    const flip = (c: Corner): Corner => (way === 'across' ? corner(-c.x_mm, c.y_mm) : corner(c.x_mm, -c.y_mm));
    const key = (p: Panel): string =>
        p
            .map((c) => `${c.x_mm},${c.y_mm}`)
            .sort()
            .join(' ');
    const have = new Set(panels.map(key));
    return [...panels, ...panels.map((p) => p.map(flip)).filter((p) => !have.has(key(p)))].slice(0, MOST_PANELS);
}
