import { describe, expect, it } from 'vitest';
import type { Habit } from '../../resources/js/kit/library';
import { plant, tint } from '../../resources/js/drawing/plants';

const habits: (Habit | 'seedling')[] = ['seedling', 'rosette', 'upright', 'herb', 'bush', 'climber', 'cutting'];

describe('plants', () => {
    it.each(habits)('draws %s as high and as wide as asked', (habit) => {
        const pairs = plant(habit, 400, 200).flatMap(({ d }) =>
            [...d.matchAll(/(-?\d+\.?\d*) (-?\d+\.?\d*)/g)].map(([, x, y]) => [Number(x), Number(y)] as const),
        );
        expect(Math.max(...pairs.map(([x]) => Math.abs(x)))).toBeCloseTo(100, 0);
        expect(Math.min(...pairs.map(([, y]) => y))).toBeCloseTo(-400, 0);
    });

    it('keeps a crop to one tint, and tells the demo’s crops apart', () => {
        expect(tint('basil')).toBe(tint('basil'));
        expect(new Set(['celery-leaf', 'aubergine', 'dill', 'sorrel'].map(tint)).size).toBe(4);
    });
});
