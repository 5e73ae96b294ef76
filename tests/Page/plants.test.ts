import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { formOf, plant, tint, type Form } from '../../resources/js/drawing/plants';
import type { Habit } from '../../resources/js/kit/library';

const forms: Form[] = [
    'loose',
    'head',
    'lobed',
    'spoons',
    'stalks',
    'spears',
    'herb',
    'fronds',
    'trailing',
    'bush',
    'climber',
    'strawberry',
    'cutting',
    'seedling',
];
const pairs = (form: Form, height: number, width: number, growth = 1): (readonly [number, number])[] =>
    plant(form, height, width, growth).flatMap(({ d }) =>
        [...d.matchAll(/(-?\d+\.?\d*) (-?\d+\.?\d*)/g)].map(([, x, y]) => [Number(x), Number(y)] as const),
    );
const crops = readFileSync('data/crops.csv', 'utf8')
    .trim()
    .split('\n')
    .slice(1)
    .map((row) => row.split(','));

describe('plants', () => {
    it.each(forms)('draws %s as high and as wide as asked, and nothing under the lid', (form) => {
        for (const [height, width, growth] of [
            [400, 200, 1],
            [150, 300, 0.5],
        ] as const) {
            const at = pairs(form, height, width, growth);
            expect(Math.max(...at.map(([x]) => Math.abs(x)))).toBeCloseTo(width / 2, 0);
            expect(Math.min(...at.map(([, y]) => y))).toBeCloseTo(-height, 0);
            expect(Math.max(...at.map(([, y]) => y))).toBeLessThanOrEqual(0);
        }
    });

    it('has a figure with every crop, and none that is not a number', () => {
        for (const row of crops) {
            const [key, habit] = [row[0]!, row[25] as Habit];
            const strokes = plant(formOf(key, habit), 300, 200, 1, key);
            expect(strokes.length, key).toBeGreaterThan(0);
            expect(strokes.length, key).toBeLessThan(220);
            expect(
                strokes.every((s) => !s.d.includes('NaN')),
                key,
            ).toBe(true);
        }
    });

    it('tells leaf lettuce, chives, basil, a vine and a strawberry apart', () => {
        const drawn = ['lettuce-leaf', 'chives', 'basil', 'tomato-vine', 'strawberry', 'soft-cuttings', 'dill'].map((key) => {
            const row = crops.find((c) => c[0] === key)!;
            return formOf(key, row[25] as Habit);
        });
        expect(new Set(drawn).size).toBe(drawn.length);
        expect(formOf('a crop of one’s own', 'bush')).toBe('bush');
    });

    it.each(['bush', 'climber', 'strawberry'] as Form[])('bears fruit on %s when it is grown, and none half-way', (form) => {
        const fruit = (growth: number): number => plant(form, 400, 200, growth).filter((s) => s.kind === 'fruit').length;
        expect(fruit(1)).toBeGreaterThan(3);
        expect(fruit(0.5)).toBe(0);
        expect(plant(form, 400, 200, 0.5).length).toBeLessThan(plant(form, 400, 200, 1).length);
    });

    it('gives a climber what it climbs', () => {
        expect(plant('climber', 400, 200).some((s) => s.kind === 'prop')).toBe(true);
    });

    it('keeps a crop to one tint, and tells the demo’s crops apart', () => {
        expect(tint('basil')).toBe(tint('basil'));
        expect(new Set(['celery-leaf', 'aubergine', 'dill', 'sorrel'].map(tint)).size).toBe(4);
    });
});
