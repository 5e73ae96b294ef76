import { describe, expect, it } from 'vitest';
import { halfAt, scatter, spreadLabels } from '../../resources/js/drawing/shape';

const station = (height_mm: number, length_mm: number) => ({
    height_mm,
    length_mm,
    width_mm: length_mm,
    corner_radius_mm: 0,
    round: false,
});

describe('shape', () => {
    it('runs walls straight between stations', () => {
        const stations = [station(0, 400), station(100, 400), station(100, 500), station(200, 600)];
        expect(halfAt(stations, 50)).toBe(200);
        expect(halfAt(stations, 150)).toBe(275);
        expect(halfAt(stations, 999)).toBe(300);
    });

    it('gives every label its room and keeps their order', () => {
        expect(spreadLabels([100, 104, 50], 16, 0, 300)).toEqual([100, 116, 50]);
        expect(spreadLabels([295, 299], 16, 0, 300)).toEqual([284, 300]);
        expect(spreadLabels([], 16, 0, 300)).toEqual([]);
    });

    it('scatters alike every time', () => {
        expect(scatter(3, 1)).toBe(scatter(3, 1));
        expect(scatter(3)).not.toBe(scatter(4));
        expect(scatter(99)).toBeLessThan(1);
    });
});
