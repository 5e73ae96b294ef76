import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { isYoung, plant, tint } from '../../resources/js/drawing/plants';
import type { Habit } from '../../resources/js/kit/library';

const crops = readFileSync('data/crops.csv', 'utf8')
    .trim()
    .split('\n')
    .slice(1)
    .map((row) => row.split(','))
    .map((row) => [row[0]!, row[25] as Habit] as const);
const HABITS: Habit[] = ['rosette', 'upright', 'herb', 'bush', 'climber', 'cutting'];
const all = [...crops, ...HABITS.map((habit) => [`one’s own ${habit}`, habit] as const)];
const points = (crop: string, habit: Habit, height: number, width: number, growth: number): (readonly [number, number])[] =>
    plant(crop, habit, height, width, growth).flatMap(({ d }) =>
        [...d.matchAll(/(-?\d+\.?\d*) (-?\d+\.?\d*)/g)].map(([, x, y]) => [Number(x), Number(y)] as const),
    );
const kinds = (crop: string, habit: Habit, growth: number): string[] => plant(crop, habit, 400, 250, growth).map((s) => s.kind);

describe('plants', () => {
    it.each(all)('draws %s as high and as wide as asked at every age, and nothing under the lid', (crop, habit) => {
        for (const [height, width, growth] of [
            [400, 200, 1],
            [150, 300, 0.5],
            [60, 50, 0.1],
        ] as const) {
            const at = points(crop, habit, height, width, growth);
            expect(Math.max(...at.map(([x]) => Math.abs(x)))).toBeCloseTo(width / 2, 0);
            expect(Math.min(...at.map(([, y]) => y))).toBeCloseTo(-height, 0);
            expect(Math.max(...at.map(([, y]) => y))).toBeLessThanOrEqual(0);
            expect(plant(crop, habit, height, width, growth).some((s) => s.d.includes('NaN'))).toBe(false);
        }
    });

    it.each(all)('draws %s in few enough strokes for a full bench, fewer while it is young', (crop, habit) => {
        const strokes = (growth: number): number => plant(crop, habit, 500, 250, growth).length;
        expect(strokes(1)).toBeLessThan(280);
        expect(strokes(0.1)).toBeLessThan(20);
        expect(strokes(0.1)).toBeLessThanOrEqual(strokes(1));
        expect(strokes(0.5)).toBeLessThanOrEqual(strokes(1));
    });

    it('draws each crop with a leaf or a way of its own', () => {
        const drawn = crops.map(([crop, habit]) => JSON.stringify(plant(crop, habit, 300, 200, 1)));
        expect(new Set(drawn).size).toBe(crops.length);
    });

    it.each([
        ['chilli', 'bush'],
        ['tomato-vine', 'climber'],
        ['cucumber', 'climber'],
        ['courgette', 'bush'],
        ['strawberry', 'rosette'],
        ['okra', 'bush'],
        ['one’s own', 'bush'],
    ] as [string, Habit][])('bears fruit on %s when it is grown, and none half-way', (crop, habit) => {
        expect(kinds(crop, habit, 1).filter((k) => k === 'fruit').length).toBeGreaterThan(2);
        expect(kinds(crop, habit, 0.5)).not.toContain('fruit');
    });

    it.each(['chives', 'nasturtium', 'viola', 'mint'])('has %s in flower when it is grown, and not half-way', (crop) => {
        expect(kinds(crop, 'herb', 1)).toContain('petal');
        expect(kinds(crop, 'herb', 0.5)).not.toContain('petal');
    });

    it('gives what climbs something to climb, and nothing else', () => {
        const climbing = all.filter(([crop, habit]) => kinds(crop, habit, 1).includes('prop')).map(([, habit]) => habit);
        expect(climbing.length).toBeGreaterThan(2);
        expect(new Set(climbing)).toEqual(new Set(['climber']));
    });

    it('draws what was set out until it grows', () => {
        expect([isYoung(0.29), isYoung(0.3)]).toEqual([true, false]);
        expect(plant('basil', 'herb', 100, 100, 0.29).length).toBeLessThan(plant('basil', 'herb', 100, 100, 0.3).length);
    });

    it('keeps a crop to one tint, and tells the demo’s crops apart', () => {
        expect(tint('basil')).toBe(tint('basil'));
        expect(new Set(['celery-leaf', 'mizuna', 'aubergine', 'dill', 'sorrel', 'soft-cuttings', 'rocket'].map(tint)).size).toBe(7);
    });
});
