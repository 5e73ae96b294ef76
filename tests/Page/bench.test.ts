import { afterEach, describe, expect, it, vi } from 'vitest';
import { buildOf, spell, tick, today } from '../../resources/js/build/sheet';
import { harm, taken } from '../../resources/js/cost/money';
import { call } from '../../resources/js/kit/api';
import { download } from '../../resources/js/kit/download';
import type { Garden } from '../../resources/js/types/garden';

const garden = (): Garden => ({ format: 'kelp-tub.garden', version: 1, name: 'Sill', tubs: [] });
const drill = { key: 'drill', print: '1f' };

describe('what was done of a build sheet', () => {
    it('is kept for each copy of a tub by itself', () => {
        const mine = garden();
        tick(mine, 'a', 1, drill, '2026-04-01');
        tick(mine, 'a', 2, drill, '2026-04-02');
        tick(mine, 'b', 1, drill, '2026-04-03');
        expect(mine.builds).toEqual([
            { tub: 'a', copy: 1, ticks: { drill: '2026-04-01' }, prints: { drill: '1f' } },
            { tub: 'a', copy: 2, ticks: { drill: '2026-04-02' }, prints: { drill: '1f' } },
            { tub: 'b', copy: 1, ticks: { drill: '2026-04-03' }, prints: { drill: '1f' } },
        ]);
    });

    it('goes with its print when it was not done after all, and leaves the rest', () => {
        const mine = garden();
        tick(mine, 'a', 1, drill, '2026-04-01');
        tick(mine, 'a', 1, { key: 'fill', print: '2e' }, '2026-04-01');
        tick(mine, 'a', 1, drill, null);
        expect(mine.builds).toEqual([{ tub: 'a', copy: 1, ticks: { fill: '2026-04-01' }, prints: { fill: '2e' } }]);
    });

    it('takes a build without a copy for the first', () => {
        const mine: Garden = { ...garden(), builds: [{ tub: 'a', notes: { drill: 'slow' } }] };
        tick(mine, 'a', 1, drill, '2026-04-01');
        expect(mine.builds).toHaveLength(1);
        expect(buildOf(mine, 'a', 1).notes).toEqual({ drill: 'slow' });
        expect(buildOf(mine, 'a', 2)).toEqual({ tub: 'a', copy: 2 });
    });

    it('is dated by the clock on the wall, late in the evening too', () => {
        expect(today(new Date(2026, 0, 9, 23, 59))).toBe('2026-01-09');
        expect(today(new Date(2026, 11, 31, 0, 0))).toBe('2026-12-31');
    });

    it.each([
        [0, '0\u202fmin'],
        [59, '59\u202fmin'],
        [60, '1\u202fh'],
        [65, '1\u202fh\u202f05'],
        [230, '3\u202fh\u202f50'],
    ])('says %i minutes as %s', (minutes, said) => expect(spell(minutes)).toBe(said));
});

describe('money', () => {
    it('says the harm of a saving, worst first', () => {
        const mass = (kg: number): string => `${Math.round(kg * 1000)} g`;
        expect(harm({ mends: 0, minds: 0, yield_lost_g: 0 }, mass)).toBe('no harm');
        expect(harm({ stops: 1, mends: 2, minds: 3, yield_lost_g: 250 }, mass)).toBe('1 stop, 2 to mend, 3 to mind, 250 g less harvest');
    });

    it('lets a price take the place of the same pack of the same supplier only', () => {
        const now = [
            { part: 'pump', pack: 1, price: 20 },
            { part: 'pump', pack: 1, price: 19, supplier: 'Towpath Supply' },
            { part: 'cup', pack: 10, price: 4, supplier: 'Towpath Supply' },
        ];
        const more = [
            { part: 'pump', pack: 1, price: 17, supplier: 'Towpath Supply' },
            { part: 'cup', pack: 50, price: 15, supplier: 'Towpath Supply' },
        ];
        expect(taken(now, more)).toEqual([now[0], now[2], ...more]);
    });
});

describe('an answer that breaks off on the way', () => {
    afterEach(() => vi.unstubAllGlobals());
    const broken = (status: number): Response => {
        const body = new ReadableStream({ start: (way) => way.error(new TypeError('network')) });
        return new Response(body, { status });
    };

    it('is no answer: nobody takes half of it for the whole', async () => {
        vi.stubGlobal('fetch', async () => broken(200));
        expect((await call('layouts')).kind).toBe('away');
        expect(await download('parts', {})).toContain('does not answer');
    });

    it('is not missed when it was not wanted any more', async () => {
        const asked = new AbortController();
        vi.stubGlobal('fetch', async () => {
            asked.abort();
            return broken(200);
        });
        expect((await call('layouts', { signal: asked.signal })).kind).toBe('cancelled');
    });

    it('is told by its number when it was a refusal', async () => {
        vi.stubGlobal('fetch', async () => broken(422));
        expect(await call('layouts')).toMatchObject({ kind: 'refused', message: 'Error 422.' });
        expect(await download('parts', {})).toBe('Error 422.');
    });
});
