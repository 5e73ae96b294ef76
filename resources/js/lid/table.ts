import { bareNumber } from '../kit/bare';
import type { Units } from '../kit/format';
import { read } from '../kit/reader';
import type { Hole } from '../types/garden';

interface Size {
    round: boolean;
    length_mm: number;
    width_mm: number;
}

const MOST = 200;

/**
 * A marking-out table as it is typed or pasted, one hole to a line: from the left and from the front edge, or on a round lid radius and
 * angle; a number of the hole before them is passed over. Holes from the lid's middle, or what is wrong with which line.
 */
export async function holesFrom(text: string, lid: Size, units: Units): Promise<{ value: Hole[] } | { error: string } | { away: string }> {
    const lines = text
        .split(/\r?\n/)
        .map((line, i) => ({ at: i + 1, cells: cellsOf(line) }))
        .filter(({ cells }) => cells.length > 0);
    const wanted = lid.round ? 'a radius and an angle' : 'how far from the left and from the front edge';
    const bad = lines.find(({ cells }) => cells.length < 2 || cells.length > 3);
    if (lines.length === 0) return { error: `Write one hole to a line: ${wanted}.` };
    if (bad)
        return { error: `Line ${bad.at} has ${bad.cells.length === 1 ? 'one measure' : `${bad.cells.length} measures`}: write ${wanted}.` };
    if (lines.length > MOST) return { error: `${lines.length} holes; a lid takes ${MOST} at most.` };
    const holes = await Promise.all(
        lines.map(async ({ at, cells }): Promise<Hole | string | { away: string }> => {
            const [first, second] = cells.slice(-2) as [string, string];
            const a = await read(first, 'length', units);
            if ('error' in a) return `Line ${at}: ${a.error}`;
            if ('away' in a) return a;
            if (lid.round) {
                const angle = bareNumber(second.replace('°', ''));
                if (angle === null) return `Line ${at}: “${second}” is no angle. Write degrees, as 120.`;
                return place(a.value * Math.cos((angle * Math.PI) / 180), a.value * Math.sin((angle * Math.PI) / 180));
            }
            const b = await read(second, 'length', units);
            if ('away' in b) return b;
            return 'error' in b ? `Line ${at}: ${b.error}` : place(a.value - lid.length_mm / 2, b.value - lid.width_mm / 2);
        }),
    );
    const away = holes.find((h) => typeof h === 'object' && 'away' in h);
    if (away) return away as { away: string };
    const wrong = holes.find((h) => typeof h === 'string');
    return wrong === undefined ? { value: holes as Hole[] } : { error: wrong as string };
}

/** Cells as a table, a list or a hand writes them: by tabs, semicolons, commas with a space, or several spaces; else by single ones. */
function cellsOf(line: string): string[] {
    const trimmed = line.trim();
    if (trimmed === '') return [];
    const cells = trimmed.split(/\t|;|,\s+|\s{2,}/).map((cell) => cell.trim());
    return (cells.length > 1 ? cells : trimmed.split(/\s+/)).filter((cell) => cell !== '');
}

const place = (x: number, y: number): Hole => ({ x_mm: Math.round(x * 10) / 10 + 0, y_mm: Math.round(y * 10) / 10 + 0 });
