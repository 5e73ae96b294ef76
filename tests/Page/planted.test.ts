import { describe, expect, it } from 'vitest';
import { questionBefore } from '../../resources/js/kit/planted';
import type { Garden, Planting } from '../../resources/js/types/garden';

const name = (p: Planting): string => p.crop ?? '';
const garden = (more: Partial<Garden> = {}): Garden =>
    ({
        format: 'kelp-tub.garden',
        version: 1,
        tubs: [
            { id: 'a', system: 'passive', vessel: 'x', layout: { pattern: 'grid', cups: 4 } },
            { id: 'b', system: 'passive', vessel: 'x', layout: { pattern: 'manual', holes: [{ x_mm: 0, y_mm: 0 }] } },
        ],
        plantings: [
            { id: 'p', tub: 'a', crop: 'dill', sown: '2027-03-01' },
            { id: 'q', tub: 'b', crop: 'basil', sown: '2027-03-01', cleared: '2027-04-01' },
        ],
        ...more,
    }) as Garden;
const ask = (after: Partial<Garden>, today = '2027-03-20') => questionBefore(garden(), garden(after), today, name);
const tubs = (edit: (tub: Record<string, unknown>) => void, at = 0): Partial<Garden> => {
    const list = JSON.parse(JSON.stringify(garden().tubs)) as Garden['tubs'];
    edit(list![at] as unknown as Record<string, unknown>);
    return { tubs: list! };
};

describe('what is asked before something is done to what grows', () => {
    it('asks nothing of what touches no plant', () => {
        expect(ask({ name: 'other' })).toBeNull();
        expect(ask(tubs((t) => (t.name = 'Pail')))).toBeNull();
        expect(ask({ plantings: [...garden().plantings!, { id: 'r', tub: 'a', crop: 'mint' }] })).toBeNull();
    });

    it('asks before a tub goes with what is planted in it, and before a planting goes', () => {
        const removed = ask({ tubs: [garden().tubs![1]!], plantings: [garden().plantings![1]!] });
        expect([removed?.title, removed?.lines, removed?.tub]).toEqual(['Remove a?', ['dill'], 'a']);
        const off = ask({ plantings: [garden().plantings![1]!] });
        expect([off?.lines, off?.tub, off?.key]).toEqual([['dill'], 'a', '']);
    });

    it('asks before a lid with plants in it becomes another, once for each tub', () => {
        expect(ask(tubs((t) => (t.layout = { pattern: 'grid', cups: 6 })))?.key).toBe('lid a');
        expect(ask(tubs((t) => (t.vessel = 'y')))?.lines).toEqual(['dill']);
        expect(ask(tubs((t) => (t.hole_mm = 60)))?.key).toBe('lid a');
    });

    it('asks of holes by hand only where one of them moves, and not once all is cleared', () => {
        const moved = tubs((t) => (t.layout = { pattern: 'manual', holes: [{ x_mm: 1, y_mm: 0 }] }), 1);
        const other = tubs((t) => (t.layout = { pattern: 'manual', cups: 'max', holes: [{ x_mm: 0, y_mm: 0, crop: 'mint' }] }), 1);
        expect(ask(moved)?.key).toBe('lid b');
        expect(ask(other)).toBeNull();
        expect(ask(moved, '2027-04-01')).toBeNull();
    });
});
