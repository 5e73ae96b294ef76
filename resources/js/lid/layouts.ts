/** A pattern that a lid could have, with what it comes to. */
export interface Candidate {
    pattern: string;
    count: number;
    spacing_mm: number | null;
    holes: { x_mm: number; y_mm: number }[];
}

/** A cup that hangs or wedges in the hole as it is. */
export interface CupFit {
    cup: string;
    name: string;
    seat: 'lip' | 'wedged';
    bearing_mm: number;
    play_mm: number;
    raise_mm: number;
    good: boolean;
}

interface Hole {
    x_mm: number;
    y_mm: number;
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
