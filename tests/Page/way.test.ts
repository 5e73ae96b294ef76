import { describe, expect, it } from 'vitest';
import { MARKS } from '../../resources/js/marks';
import { knowTheWay, next, read, sawMark, useWay } from '../../resources/js/shell/way';
import type { Report } from '../../resources/js/types/report';

const report = {
    tubs: [
        { id: 'a', system: 'aerated', layout: { holes: [{}, {}, {}] } },
        { id: 'jar', system: 'passive', layout: { holes: [{}] } },
    ],
} as unknown as Report;

describe('the way', () => {
    it('leads from the bench through every mark, and back', () => {
        const went: string[] = [];
        let at = next('bench', report, null).to;
        while (at !== 'bench') {
            went.push(at);
            at = next(at, report, 'a').to;
        }
        expect(went).toEqual(MARKS.map((m) => m.key));
    });

    it('says what it is of this tub', () => {
        expect(next('crop', report, 'a').says).toContain('3 holes');
        expect(next('crop', report, 'jar').says).toContain('One hole');
        expect(next('lid', report, 'a').to).toBe('air');
        expect(next('lid', report, 'jar').to).toBe('feed');
        expect(next('tub', report, 'a').press).toBe('Go to 2 Crop');
    });

    it('knows what is kept, and lets nothing else in', () => {
        expect(read(null)).toEqual({ shown: true, seen: [] });
        expect(read('tub nonsense lid')).toEqual({ shown: true, seen: ['tub', 'lid'] });
        expect(read('known').shown).toBe(false);
        expect(read(MARKS.map((m) => m.key).join(' ')).shown).toBe(false);
    });

    it('ends when all was seen and the last is left, or when it is put away', () => {
        const way = useWay();
        way.value = read(null);
        for (const { key } of MARKS) {
            sawMark(key);
            expect(way.value.shown, key).toBe(true);
        }
        sawMark('bench');
        expect(way.value.shown).toBe(false);
        expect(read(localStorage.getItem('kelp-way')).shown).toBe(false);

        way.value = read('tub');
        knowTheWay();
        expect([way.value.shown, localStorage.getItem('kelp-way')]).toEqual([false, 'known']);
    });
});
