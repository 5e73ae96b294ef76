import { afterEach, describe, expect, it, vi } from 'vitest';
import { bareNumber, readBare, readWeight } from '../../resources/js/kit/bare';

afterEach(() => vi.unstubAllGlobals());

describe('numbers without a unit', () => {
    it('are read with a point, a comma or a sign, and nothing else is one', () => {
        for (const [text, value] of [
            ['6.2', 6.2],
            ['6,2', 6.2],
            [' .5 ', 0.5],
            ['5.', 5],
            ['+3', 3],
            ['−2', -2],
            ['-2', -2],
            ['007', 7],
        ] as const)
            expect(bareNumber(text), text).toBe(value);
        for (const text of ['', ' ', '.', '1e5', '0x10', '6.2.1', '1,200,5', '6 2', 'six', '6 g', 'Infinity', '--2'])
            expect(bareNumber(text), text).toBeNull();
    });

    it('are held against what they may be, and what would do is said', () => {
        const says = (text: string, bounds: Parameters<typeof readBare>[1]): unknown => {
            const read = readBare(text, bounds);
            return 'error' in read ? read.error : read.value;
        };
        expect(says('3', { least: 3, most: 5, whole: true })).toBe(3);
        expect(says('5', { least: 3, most: 5, whole: true })).toBe(5);
        expect(says('2', { least: 3, most: 5, whole: true })).toBe('“2” will not do: a whole number from 3 to 5.');
        expect(says('5.5', { least: 3, most: 5 })).toBe('“5.5” will not do: a number from 3 to 5.');
        expect(says('4.5', { least: 3, most: 5, whole: true })).toContain('whole number');
        expect(says('0', { least: 0, above: true })).toBe('“0” will not do: a number above 0.');
        expect(says('0.001', { least: 0, above: true })).toBe(0.001);
        expect(says('-1', { least: 0 })).toBe('“-1” will not do: a number from 0 on.');
        expect(says('x', {})).toBe('“x” will not do: a number.');
        expect(says('', {})).toBe('“” will not do: a number.');
        expect(says('', { optional: true } as never)).toBeNull();
    });

    it('are grams or ounces of a weight; one with a unit is read by the core', async () => {
        const asked: string[] = [];
        vi.stubGlobal(
            'fetch',
            vi.fn((_: string, init: RequestInit) => {
                asked.push(String(init.body));
                return Promise.resolve(new Response(JSON.stringify({ readings: [{ value: 1200, unit: 'kg', note: null }] })));
            }),
        );
        expect(await readWeight('850', 'metric')).toEqual({ value: 850 });
        expect(await readWeight('8', 'us')).toEqual({ value: 8 * 28.349523125 });
        expect(await readWeight('', 'us')).toEqual({ value: null });
        expect(await readWeight('0', 'metric')).toHaveProperty('error');
        expect(asked).toEqual([]);
        expect(await readWeight('1.2 kg', 'metric')).toMatchObject({ value: 1200 });
        expect(asked).toHaveLength(1);
    });
});
