import { describe, expect, it } from 'vitest';
import type { Garden } from '../../resources/js/types/garden';
import { bringCrop, copyTub, freeId, fromLibrary, moveTub, removeTub, vesselInPlace } from '../../resources/js/kit/edits';
import type { Library } from '../../resources/js/kit/library';

const empty = (): Garden => ({ format: 'kelp-tub.garden', version: 1 });
const aired = (...ids: string[]): Garden => ({
    ...empty(),
    tubs: ids.map((id) => ({ id, name: 'Bucket', system: 'aerated', vessel: 'bucket-20' })),
    air: [{ id: 'pump-1', pump: 'pump-4w-2', branches: ids.map((tub) => ({ tub })) }],
});

describe('edits', () => {
    it('removes a tub with its line and its plantings, and the pump that feeds nothing', () => {
        const garden = aired('a');
        garden.plantings = [{ id: 'p', tub: 'a' }];
        removeTub(garden, 'a');
        expect(garden).toMatchObject({ tubs: [], air: [], plantings: [] });
    });

    it('copies a tub with its line under a free id', () => {
        const garden = aired('a', 'b');
        expect(copyTub(garden, 'a')).toBe('a-2');
        expect(garden.tubs!.map((t) => t.id)).toEqual(['a', 'a-2', 'b']);
        expect(garden.air![0]!.branches!.map((b) => b.tub)).toEqual(['a', 'b', 'a-2']);
    });

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

    it('finds free ids', () => {
        expect(
            freeId(
                {
                    ...empty(),
                    tubs: [
                        { id: 'a', system: 'passive', vessel: 'x' },
                        { id: 'a-2', system: 'passive', vessel: 'x' },
                    ],
                },
                'a',
            ),
        ).toBe('a-3');
    });
});
