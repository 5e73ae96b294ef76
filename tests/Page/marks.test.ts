import { describe, expect, it } from 'vitest';
import { at, sound, worst } from '../../resources/js/kit/findings';
import { isMark, MARKS } from '../../resources/js/marks';
import type { Finding } from '../../resources/js/types/report';

const finding = (mark: string, severity: Finding['severity']): Finding => ({
    code: 'a.b',
    severity,
    mark,
    tub: null,
    at: '/',
    says: 's',
    why: 'w',
    remedies: [],
});

describe('marks', () => {
    it('have a key, a digit and a name each of their own', () => {
        for (const of of ['key', 'digit', 'name'] as const) expect(new Set(MARKS.map((m) => m[of])).size).toBe(MARKS.length);
        expect(MARKS.find((m) => m.key === 'cost')?.digit).toBe(6);
        expect(isMark('lid')).toBe(true);
        expect(isMark('bench')).toBe(false);
        expect(isMark(undefined)).toBe(false);
    });

    it('show the findings that say so, and none that name no mark of theirs', () => {
        const findings = [finding('lid', 'stop'), finding('later', 'mend'), finding('tub', 'mind')];
        expect(at(findings, 'tub')).toEqual([findings[2]]);
        expect(at(findings, 'later')).toEqual([findings[1]]);
    });

    it('let the water stand below the first mark with a stop', () => {
        expect(sound([], MARKS)).toBe(MARKS.length);
        expect(sound([finding('lid', 'mend'), finding('air', 'stop')], MARKS)).toBe(3);
        expect(sound([finding('air', 'stop'), finding('tub', 'stop')], MARKS)).toBe(0);
    });

    it('take the first finding as the worst', () => {
        expect(worst([])).toBeNull();
        expect(worst([finding('tub', 'stop'), finding('tub', 'mind')])).toBe('stop');
    });
});
