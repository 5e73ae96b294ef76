import { describe, expect, it } from 'vitest';
import type { Finding } from '../../resources/js/types/report';
import { markOf, sound, worst } from '../../resources/js/kit/marks';

const finding = (code: string, severity: Finding['severity']): Finding => ({ code, severity, tub: null, at: '/', says: 's', why: 'w', remedies: [] });

describe('marks', () => {
    it('puts a finding at the mark where it is mended', () => {
        expect(['vessel.light', 'passive.dry', 'cup.play', 'lid.web', 'air.siphon', 'cost.over-cap', 'tub.line'].map((code) => markOf(finding(code, 'mind')))).toEqual(['tub', 'crop', 'lid', 'lid', 'air', 'cost', 'tub']);
    });

    it('lets the water stand below the first mark with a stop', () => {
        expect(sound([])).toBe(5);
        expect(sound([finding('lid.web', 'mend'), finding('air.siphon', 'stop')])).toBe(3);
        expect(sound([finding('air.siphon', 'stop'), finding('vessel.food', 'stop')])).toBe(0);
    });

    it('takes the first finding as the worst', () => {
        expect(worst([])).toBeNull();
        expect(worst([finding('a.b', 'stop'), finding('a.b', 'mind')])).toBe('stop');
    });
});
