import { inRing, inRows } from '../lid/layouts';
import type { Hole, Tub } from '../types/garden';

/** Holes that a lid has already, as a grower would say it. */
export interface Drilled {
    /** Across each hole, mm. */
    hole: number;
    how: 'middle' | 'rows' | 'ring';
    rows: number;
    columns: number;
    /** From centre to centre along the rows, mm. */
    apart: number;
    /** How many in a ring, and how wide the ring is from centre to centre, mm. */
    count: number;
    ring: number;
}

export function holesOf(drilled: Drilled): Hole[] {
    if (drilled.how === 'rows') return inRows(drilled.rows, drilled.columns, drilled.apart);
    return drilled.how === 'ring' ? inRing(drilled.count, drilled.ring) : [{ x_mm: 0, y_mm: 0 }];
}

/** What of a tub says that its lid is drilled already. */
export const drilledHoles = (drilled: Drilled): Pick<Tub, 'cutting' | 'hole_mm' | 'layout'> => ({
    cutting: 'drilled',
    hole_mm: drilled.hole,
    layout: { pattern: 'manual', cups: 'max', holes: holesOf(drilled) },
});
