import { measured } from '../kit/edits';
import type { Station, Vessel } from '../types/garden';

export type Taped = Exclude<Vessel, string>;
export type Shape = 'round' | 'square';

/** Until the floor is measured it is taken to be so much of the rim: buckets and totes widen upwards. */
const FLOOR_SHARE = 0.9;
/** What a tape cannot tell well: the corners of a box, mm. */
const CORNER_MM = 40;

/** A vessel to begin with, of the size that comes to hand most often. */
export function blank(shape: Shape): Taped {
    return shape === 'round'
        ? {
              kind: 'bucket',
              name: 'Measured tub',
              stations: [
                  { height_mm: 0, diameter_mm: 252 },
                  { height_mm: 330, diameter_mm: 280 },
              ],
              lid: { diameter_mm: 298 },
          }
        : {
              kind: 'tote',
              name: 'Measured box',
              stations: [
                  { height_mm: 0, length_mm: 387, width_mm: 279, corner_radius_mm: 36 },
                  { height_mm: 250, length_mm: 430, width_mm: 310, corner_radius_mm: CORNER_MM },
              ],
              lid: { length_mm: 448, width_mm: 328, corner_radius_mm: CORNER_MM },
          };
}

/** A measure of the rim or the floor is written down; a floor that was not measured goes with the rim, and so does the lid. */
export function tape(vessel: Taped, which: 'rim' | 'floor', key: keyof Station, value: number, floorMeasured: boolean): Taped {
    const next = JSON.parse(JSON.stringify(vessel)) as Taped;
    measured(next, (v) => {
        const floor = v.stations[0]!;
        const rim = v.stations.at(-1)!;
        if (which === 'floor') {
            floor[key] = value;
            return;
        }
        rim[key] = value;
        const across = Math.min(rim.length_mm ?? Infinity, rim.width_mm ?? Infinity);
        if (Number.isFinite(across)) rim.corner_radius_mm = Math.min(CORNER_MM, Math.round(across / 4));
        if (floorMeasured || key === 'height_mm') return;
        for (const side of ['diameter_mm', 'length_mm', 'width_mm', 'corner_radius_mm'] as const)
            if (rim[side] !== undefined) floor[side] = Math.round(rim[side] * FLOOR_SHARE);
    });
    return next;
}
