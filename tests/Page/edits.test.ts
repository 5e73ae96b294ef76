import { describe, expect, it } from 'vitest';
import type { Garden } from '../../resources/js/types/garden';
import { bringCrop, fromLibrary, measured, moveTub, vesselInPlace } from '../../resources/js/kit/edits';
import type { Library } from '../../resources/js/kit/library';

const empty = (): Garden => ({ format: 'kelp-tub.garden', version: 1 });
const aired = (...ids: string[]): Garden => ({
    ...empty(),
    tubs: ids.map((id) => ({ id, name: 'Bucket', system: 'aerated', vessel: 'bucket-20' })),
    air: [{ id: 'pump-1', pump: 'pump-4w-2', branches: ids.map((tub) => ({ tub })) }],
});

describe('edits', () => {
    it('puts a Library vessel in place and remembers its key', () => {
        const library = { vessels: [{ key: 'bucket-20', name: 'Bucket', stations: [] }] } as unknown as Library;
        const tub = { id: 'a', system: 'aerated' as const, vessel: 'bucket-20' };
        const vessel = vesselInPlace(tub, library);
        expect(vessel).toEqual({ key: 'bucket-20', name: 'Bucket', stations: [] });
        expect(tub.vessel).toBe(vessel);
    });

    it('moves a tub along the bench and not off it', () => {
        const garden = aired('a', 'b', 'c');
        moveTub(garden, 'c', -1);
        moveTub(garden, 'a', -1);
        expect(garden.tubs!.map((t) => t.id)).toEqual(['a', 'c', 'b']);
    });

    it('puts one’s own things into the garden whole, and shipped ones by key', () => {
        const shelf = [
            { key: 'shipped', name: 'S' },
            { key: 'mine', name: 'M', own: true, height_mm: 40 },
        ];
        expect(fromLibrary(shelf, 'shipped')).toBe('shipped');
        expect(fromLibrary(shelf, 'mine')).toEqual({ key: 'mine', name: 'M', height_mm: 40 });
        const garden = empty();
        const library = {
            crops: [
                { key: 'kale', name: 'Kale' },
                { key: 'sea-kale', name: 'Sea kale', own: true, spacing_mm: 300 },
            ],
        } as unknown as Library;
        expect([bringCrop(garden, library, 'kale'), garden.library]).toEqual(['kale', undefined]);
        expect(bringCrop(garden, library, 'sea-kale')).toBe('sea-kale');
        expect(garden.library!.crops).toEqual({ 'sea-kale': { name: 'Sea kale', spacing_mm: 300 } });
    });

    it('lets a lid go with the rim until it was measured itself', () => {
        const box = () => ({
            stations: [
                { height_mm: 0, length_mm: 400, width_mm: 280 },
                { height_mm: 250, length_mm: 430, width_mm: 310, corner_radius_mm: 25 },
            ],
            lid: { length_mm: 450, width_mm: 330, corner_radius_mm: 35, make: 'plain' as const },
        });
        const free = box();
        measured(free, (v) => {
            v.stations[1]!.length_mm = 700;
            v.stations[1]!.corner_radius_mm = 0;
        });
        expect(free.lid).toEqual({ length_mm: 720, width_mm: 330, corner_radius_mm: 10, make: 'plain' });
        measured(free, (v) => {
            v.stations[0]!.length_mm = 600;
        });
        expect(free.lid.length_mm).toBe(720);

        const kept = { ...box(), lid: { ...box().lid, measured: true } };
        measured(kept, (v) => {
            v.stations[1]!.length_mm = 700;
        });
        expect(kept.lid.length_mm).toBe(450);

        const bare = {
            stations: [
                { height_mm: 0, diameter_mm: 90 },
                { height_mm: 200, diameter_mm: 100 },
            ],
        };
        measured(bare, (v) => {
            v.stations[1]!.diameter_mm = 120;
        });
        expect(bare).not.toHaveProperty('lid');
    });
});
