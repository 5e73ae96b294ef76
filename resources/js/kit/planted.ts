import type { Garden, Planting, Tub } from '../types/garden';

/** What a change would do to what grows, to be asked before it is done. */
export interface Question {
    /** What is asked is answered once for a page by this; empty for what is asked each time. */
    key: string;
    title: string;
    /** What of it stands there or goes, a line each. */
    lines: string[];
    /** The tub whose log goes with it. */
    tub: string | null;
    yes: string;
}

/** Plantings that stand or will stand: those that were cleared are history. */
const growing = (garden: Garden, today: string): Planting[] => (garden.plantings ?? []).filter((p) => !p.cleared || p.cleared > today);

const nameOf = (tub: Tub): string => tub.name ?? tub.id;

/** What of a tub says where its holes are. */
function drilled(tub: Tub): string {
    const layout = tub.layout;
    const places = layout?.pattern === 'manual' ? (layout.holes ?? []).map((h) => [h.x_mm, h.y_mm]) : layout;
    return JSON.stringify([tub.vessel, tub.hole_mm, places]);
}

/**
 * What is to be asked before a garden becomes another one: a tub goes in which something grows, a planting goes, or a lid is changed in
 * which plants stand.
 *
 * @param name of a planting, in words
 */
export function questionBefore(before: Garden, after: Garden, today: string, name: (planting: Planting) => string): Question | null {
    const left = new Map((after.tubs ?? []).map((tub) => [tub.id, tub]));
    const kept = new Set((after.plantings ?? []).map((p) => p.id));
    for (const tub of before.tubs ?? []) {
        const here = (before.plantings ?? []).filter((p) => p.tub === tub.id);
        const gone = here.filter((p) => !kept.has(p.id));
        const now = left.get(tub.id);
        if (!now && here.length > 0)
            return { key: '', title: `Remove ${nameOf(tub)}?`, lines: here.map(name), tub: tub.id, yes: 'Remove it' };
        if (now && gone.length > 0)
            return {
                key: '',
                title: gone.length === 1 ? 'Take this off the calendar?' : 'Take these off the calendar?',
                lines: gone.map(name),
                tub: tub.id,
                yes: 'Take off',
            };
        const stand = growing(before, today).filter((p) => p.tub === tub.id);
        if (now && stand.length > 0 && drilled(now) !== drilled(tub))
            return {
                key: `lid ${tub.id}`,
                title: `Plants stand in ${nameOf(tub)}`,
                lines: stand.map(name),
                tub: null,
                yes: 'Change its lid',
            };
    }
    return null;
}
