import { describe, expect, it, vi } from 'vitest';
import { loadRest, type Library } from '../../resources/js/kit/library';
import { inProportion, inRows, moved, rowsOf } from '../../resources/js/lid/layouts';
import { blank, copyOf, found, KINDS, type Draft } from '../../resources/js/library/shelves';

const items: Draft[] = [
    { key: 'a', name: '20 L bucket', kind: 'bucket' },
    { key: 'b', name: 'Jam jar', kind: 'jar', own: true },
    { key: 'c', name: 'Tall jar', kind: 'jar' },
];

describe('shelves', () => {
    it('finds by every word, whatever its case, and by whose it is', () => {
        const keys = (text: string, whose: 'all' | 'own' | 'shipped' = 'all'): (string | undefined)[] =>
            found(items, text, whose).map((i) => i.key);
        expect(keys('JAR')).toEqual(['b', 'c']);
        expect(keys('jar tall')).toEqual(['c']);
        expect(keys('', 'own')).toEqual(['b']);
        expect(keys('bucket', 'shipped')).toEqual(['a']);
        expect(keys('spoon')).toEqual([]);
    });

    it('copies without the key, named apart', () => {
        expect(copyOf({ key: 'a', name: 'Net cup', height_mm: 50 })).toEqual({ name: 'My net cup', height_mm: 50 });
        expect(copyOf({ key: 'b', name: 'Jam jar', own: true })).toEqual({ name: 'Jam jar copy' });
    });

    it('starts every shelf with something whole', () => {
        const crop = { name: { default: 'My crop' }, group: { default: 'leaf', enum: ['leaf'] }, ec_low: { default: 1 } };
        for (const { key } of KINDS)
            expect(Object.values(blank(key, crop)).every((value) => value !== undefined && value !== null)).toBe(true);
        expect(blank('crops', crop)).toEqual({ name: 'My crop', group: 'leaf', ec_low: 1 });
    });
});

describe('what moved', () => {
    const at = (...xs: number[]): { x_mm: number; y_mm: number }[] => xs.map((x) => ({ x_mm: x, y_mm: 0 }));
    const mm = (v: number): string => `${v} mm`;

    it('says how many holes moved and how far at most', () => {
        expect(moved(at(0, 10, 20), at(0, 12, 25), mm)).toBe('2 of 3 holes moved, by up to 5 mm.');
        expect(moved(at(0, 10), at(3, 13), mm)).toBe('All 2 holes moved, by up to 3 mm.');
        expect(moved(at(0), at(4), mm)).toBe('The hole moved, by up to 4 mm.');
        expect(moved(at(0, 10), at(0, 10.01), mm)).toBe('');
        expect(moved(at(0, 10), at(0), mm)).toBe('2 holes became 1.');
    });
});

describe('rows and columns', () => {
    it('stand about the middle, from the back left, as far apart as was said', () => {
        expect(inRows(2, 3, 177.8)).toEqual([
            { x_mm: -177.8, y_mm: 88.9 },
            { x_mm: 0, y_mm: 88.9 },
            { x_mm: 177.8, y_mm: 88.9 },
            { x_mm: -177.8, y_mm: -88.9 },
            { x_mm: 0, y_mm: -88.9 },
            { x_mm: 177.8, y_mm: -88.9 },
        ]);
        expect(inRows(1, 1, 150)).toEqual([{ x_mm: 0, y_mm: 0 }]);
    });
    it('are known again where holes stand in them', () => {
        expect(rowsOf(inRows(3, 8, 60))).toEqual({ rows: 3, columns: 8 });
        expect(rowsOf([...inRows(2, 2, 100), { x_mm: 0, y_mm: 0 }])).toBeNull();
        expect(rowsOf([])).toBeNull();
    });
    it('begin in the proportion of the lid', () => {
        expect(inProportion(9, 1.5)).toEqual({ rows: 2, columns: 5 });
        expect(inProportion(24, 1.5)).toEqual({ rows: 4, columns: 6 });
        expect(inProportion(0, 1)).toEqual({ rows: 1, columns: 1 });
    });
});

describe('a long shelf', () => {
    it('comes in parts, as far as they are answered', async () => {
        const asked: string[] = [];
        vi.stubGlobal('fetch', async (url: string) => {
            asked.push(url);
            const page = Number(new URL(url, 'http://here').searchParams.get('page'));
            const items = [{ key: `own-${page}`, name: `Saw ${page}`, diameter_mm: 50, own: true }];
            return new Response(JSON.stringify({ items, page, pages: 3 }), { status: url.includes('cups') ? 503 : 200 });
        });
        const saws = [{ key: 'own-1', name: 'Saw 1', diameter_mm: 50 }];
        const library = { saws, cups: [], crops: [], more: ['saws', 'cups'] } as unknown as Library;
        await loadRest(library);
        expect(library.saws.map((saw) => saw.key)).toEqual(['own-1', 'own-2', 'own-3']);
        expect(asked).toEqual(['/api/library/saws?page=2', '/api/library/saws?page=3', '/api/library/cups?page=2']);
        await loadRest(library);
        expect(asked).toHaveLength(3);
        vi.unstubAllGlobals();
    });
});
