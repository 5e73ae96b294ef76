import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import {
    area,
    doing,
    dimension,
    inches,
    length,
    load,
    mass,
    plain,
    run,
    span,
    temperature,
    volume,
    type Units,
    fine,
} from '../../resources/js/kit/format';

interface Vector {
    kind: 'fine' | 'length' | 'run' | 'volume' | 'mass' | 'load' | 'temperature';
    system: Units;
    value: number;
    shown: string;
}

const vectors = JSON.parse(readFileSync('tests/vectors/quantities.json', 'utf8')) as Vector[];

describe('format', () => {
    it.each(vectors)('writes $kind $value in $system as the core does', ({ kind, system, value, shown }) => {
        expect({ fine, length, run, volume, mass, load, temperature }[kind](value, system)).toBe(shown);
    });

    it('drops trailing zeros and the sign of nothing', () => {
        expect(plain(1.5, 2)).toBe('1.5');
        expect(plain(-0.001, 1)).toBe('0');
        expect(plain(10, 0)).toBe('10');
    });

    it('leaves the unit off a dimension', () => {
        expect(dimension(54, 'metric')).toBe('54');
        expect(dimension(53.975, 'us')).toBe('2 1/8');
        expect(inches(0)).toBe('0\u202fin');
    });

    it('says spans of time as growers do', () => {
        expect(span(40)).toBe('40\u202fmin');
        expect(span(200)).toBe('3\u202fh 20\u202fmin');
        expect(span(4320)).toBe('3\u202fdays');
    });
});

describe('area', () => {
    it('is said in the grower’s units', () => {
        expect(area(0.523, 'metric')).toBe('0.52\u202fm²');
        expect(area(0.09290304 * 10, 'us')).toBe('10\u202fft²');
    });
});

describe('doing', () => {
    it('goes by one or many', () => {
        expect(['basil', 'chives', 'watercress', 'soft stem cuttings'].map((name) => doing(name, 'wants', 'want'))).toEqual([
            'basil wants',
            'chives want',
            'watercress wants',
            'soft stem cuttings want',
        ]);
    });
});
