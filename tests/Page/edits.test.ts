import { describe, expect, it } from 'vitest';
import type { Garden } from '../../resources/js/types/garden';
import { addTub, copyTub, freeId, removeTub, setSystem, vesselInPlace } from '../../resources/js/kit/edits';
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
        expect(garden.air).toBeUndefined();
        expect(garden.tubs![0]!.stones).toBeUndefined();
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

    it('finds free ids', () => {
        expect(freeId({ ...empty(), tubs: [{ id: 'a', system: 'passive', vessel: 'x' }, { id: 'a-2', system: 'passive', vessel: 'x' }] }, 'a')).toBe('a-3');
    });
});
