import { describe, expect, it } from 'vitest';
import { lengthTicks, nice, temperatureTicks } from '../../resources/js/drawing/ticks';

const texts = (ticks: { text: string }[]): string[] => ticks.map((tick) => tick.text.replace(/\s/g, ' '));

describe('the lines of an axis', () => {
    it('stand at round places within it, and no more of them than there is room for', () => {
        expect(nice(0, 10, 4)).toEqual([0, 2.5, 5, 7.5, 10]);
        expect(nice(92, 236, 6)).toEqual([100, 125, 150, 175, 200, 225]);
        expect(nice(0, 10, 5)).toEqual([0, 2, 4, 6, 8, 10]);
        expect(nice(-1, 1, 2)).toEqual([-1, 0, 1]);
    });

    it('are whole inches and parts that a tape has, where lengths are in inches', () => {
        expect(texts(lengthTicks(92, 236, 6, 'us'))).toEqual(['4', '5', '6', '7', '8', '9']);
        expect(texts(lengthTicks(92, 236, 3, 'us'))).toEqual(['4', '6', '8']);
        expect(texts(lengthTicks(100, 130, 5, 'us'))).toEqual(['4', '4 1/4', '4 1/2', '4 3/4', '5']);
        expect(lengthTicks(92, 236, 3, 'us').map((tick) => tick.at)).toEqual([4 * 25.4, 6 * 25.4, 8 * 25.4]);
        // Seven feet of it: by the foot.
        expect(texts(lengthTicks(0, 2100, 7, 'us'))).toEqual(['0', '12', '24', '36', '48', '60', '72']);
        expect(texts(lengthTicks(0, 12000, 4, 'us'))[1]).toBe('120');
        expect(texts(lengthTicks(92, 236, 3, 'metric'))).toEqual(['100', '150', '200']);
    });

    it('are round degrees of the scale that is read', () => {
        expect(texts(temperatureTicks(18, 26, 4, 'metric'))).toEqual(['18', '20', '22', '24', '26']);
        const us = temperatureTicks(18, 26, 4, 'us');
        expect(texts(us)).toEqual(['65', '70', '75']);
        expect(us[0]!.at).toBeCloseTo((65 - 32) / 1.8, 9);
    });
});
