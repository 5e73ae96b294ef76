import type { Hole as DrilledHole } from '../types/garden';
import type { TubReport } from '../types/report';

interface Hole {
    x_mm: number;
    y_mm: number;
}

/** The holes of a lid as they stand now, for a document that says each of them. */
export function held(report: TubReport): DrilledHole[] {
    const isMixed = report.crops.length > 1;
    return report.layout.holes.map((h) => ({
        x_mm: Math.round(h.x_mm * 10) / 10,
        y_mm: Math.round(h.y_mm * 10) / 10,
        ...(isMixed ? { crop: h.crop, cup: h.cup } : {}),
    }));
}

/** What became of a layout, in words: how many holes moved and how far at most; nothing where none did. */
export function moved(before: Hole[], after: Hole[], shown: (mm: number) => string): string {
    if (before.length !== after.length) return `${before.length} ${before.length === 1 ? 'hole' : 'holes'} became ${after.length}.`;
    const far = after.map((h, i) => Math.hypot(h.x_mm - before[i]!.x_mm, h.y_mm - before[i]!.y_mm)).filter((d) => d > 0.05);
    if (far.length === 0) return '';
    const all = far.length === 1 ? 'The hole' : `All ${far.length} holes`;
    const who = far.length === after.length ? all : `${far.length} of ${after.length} holes`;
    return `${who} moved, by up to ${shown(Math.max(...far))}.`;
}

/** Rows and columns, the same distance apart both ways, about the lid’s middle: from the left along each row, the rows from the back. */
export function inRows(rows: number, columns: number, apart: number): Hole[] {
    const on = (place: number, of: number): number => Math.round((place - (of - 1) / 2) * apart * 10) / 10;
    return Array.from({ length: rows * columns }, (_, i) => ({
        x_mm: on(i % columns, columns),
        y_mm: on(rows - 1 - Math.floor(i / columns), rows),
    }));
}

/** How many rows and columns holes stand in already; null where they do not. */
export function rowsOf(holes: Hole[]): { rows: number; columns: number } | null {
    const lines = (of: number[]): number => new Set(of.map(Math.round)).size;
    const [rows, columns] = [lines(holes.map((h) => h.y_mm)), lines(holes.map((h) => h.x_mm))];
    return holes.length > 0 && rows * columns === holes.length ? { rows, columns } : null;
}

/** Rows and columns for so many holes or a few more, on a lid so many times as long as it is wide. */
export function inProportion(count: number, longer: number): { rows: number; columns: number } {
    const rows = Math.max(1, Math.round(Math.sqrt(count / longer)));
    return { rows, columns: Math.max(1, Math.ceil(count / rows)) };
}

/** So many on a circle about the lid’s middle, the first at the back, then clockwise. */
export function inRing(count: number, across: number): Hole[] {
    const on = (mm: number): number => Math.round(mm * 10) / 10 + 0;
    return Array.from({ length: count }, (_, i) => {
        const angle = (2 * Math.PI * i) / count;
        return { x_mm: on((across / 2) * Math.sin(angle)), y_mm: on((across / 2) * Math.cos(angle)) };
    });
}
