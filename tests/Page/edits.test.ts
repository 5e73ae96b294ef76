import { describe, expect, it } from 'vitest';
import type { Garden } from '../../resources/js/types/garden';
import {
    addTub,
    bringCrop,
    copyTub,
    freeId,
    fromLibrary,
    moveTub,
    removeTub,
    setSystem,
    vesselInPlace,
} from '../../resources/js/kit/edits';
import type { Library } from '../../resources/js/kit/library';

const empty = (): Garden => ({ format: 'kelp-tub.garden', version: 1 });
const wanted = { name: 'Bucket', vessel: 'bucket-20', cup: 'net-cup-50', crop: 'basil', stones: 1 };

describe('edits', () => {
    it('adds an aerated tub with stones and a pump with a check valve, and the next one to the same pump', () => {
        const garden = empty();
        addTub(garden, { ...wanted, system: 'aerated' });
        addTub(garden, { ...wanted, system: 'aerated' });
        expect(garden.tubs!.map((t) => t.id)).toEqual(['bucket-20', 'bucket-20-2']);
        expect(garden.air).toHaveLength(1);
        expect(garden.air![0]!.check_valve).toBe(true);
        expect(garden.air![0]!.branches!.map((b) => b.tub)).toEqual(['bucket-20', 'bucket-20-2']);
    });

    it('adds a passive tub without air', () => {
        const garden = empty();
        addTub(garden, { ...wanted, system: 'passive' });
        expect(garden.air).toEqual([]);
        expect(garden.tubs![0]!.stones).toBeNull();
    });

    it('removes a tub with its line and its plantings, and the pump that feeds nothing', () => {
        const garden = empty();
        const id = addTub(garden, { ...wanted, system: 'aerated' });
        garden.plantings = [{ id: 'p', tub: id }];
        removeTub(garden, id);
        expect(garden).toMatchObject({ tubs: [], air: [], plantings: [] });
    });

    it('copies a tub with its line under a free id', () => {
        const garden = empty();
        const id = addTub(garden, { ...wanted, system: 'aerated' });
        expect(copyTub(garden, id)).toBe('bucket-20-2');
        expect(garden.air![0]!.branches!.map((b) => b.tub)).toEqual(['bucket-20', 'bucket-20-2']);
    });

    it('switches to passive and back', () => {
        const garden = empty();
        addTub(garden, { ...wanted, system: 'aerated' });
        const tub = garden.tubs![0]!;
        tub.water_line = 'gap';
        setSystem(garden, tub, 'passive');
        expect([tub.stones, tub.water_line, garden.air]).toEqual([null, undefined, []]);
        setSystem(garden, tub, 'aerated');
        expect(tub.stones).toMatchObject({ count: 1 });
        expect(garden.air![0]!.branches![0]!.tub).toBe('bucket-20');
    });

    it('puts a Library vessel in place and remembers its key', () => {
        const library = { vessels: [{ key: 'bucket-20', name: 'Bucket', suggested_cup: 'x', stations: [] }] } as unknown as Library;
        const tub = { id: 'a', system: 'aerated' as const, vessel: 'bucket-20' };
        const vessel = vesselInPlace(tub, library);
        expect(vessel).toEqual({ key: 'bucket-20', name: 'Bucket', stations: [] });
        expect(tub.vessel).toBe(vessel);
    });

    it('brings what belongs to each way of running a tub, and takes it away again', () => {
        const garden = empty();
        addTub(garden, { ...wanted, system: 'cloner' });
        const tub = garden.tubs![0]!;
        expect([tub.cloner, tub.tube_entry, garden.air!.length]).toEqual([{ stem_below_cup_mm: 20, collar: true }, 'lid', 1]);
        setSystem(garden, tub, 'nursery');
        expect([tub.cloner, tub.tube_entry, tub.stones, tub.nursery!.on_min, garden.air]).toEqual([undefined, undefined, null, 15, []]);
        setSystem(garden, tub, 'raft');
        expect([tub.nursery, tub.stones!.count, garden.air!.length]).toEqual([undefined, 1, 1]);
    });

    it('moves a tub along the bench and not off it', () => {
        const garden = empty();
        for (const vessel of ['a', 'b', 'c']) addTub(garden, { ...wanted, vessel, system: 'passive' });
        moveTub(garden, 'c', -1);
        moveTub(garden, 'a', -1);
        expect(garden.tubs!.map((t) => t.id)).toEqual(['a', 'c', 'b']);
    });

    it('puts one’s own things into the garden whole, and shipped ones by key', () => {
        const shelf = [
            { key: 'shipped', name: 'S' },
            { key: 'mine', name: 'M', own: true, height_mm: 40, suggested_cup: 'x' },
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
