import { strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { isPacked, parse, parts, unpack, type Everything } from '../../resources/js/kit/everything';

const file = (gardens: unknown[], library = {}): Everything => ({
    format: 'kelp-tub.everything',
    version: 1,
    made: '2026-11-30',
    gardens,
    library,
});

describe('everything as one file', () => {
    it('goes in parts of which each is such a file, and which hold all of it once', () => {
        const gardens = Array.from({ length: 1234 }, (_, i) => ({
            id: `g${i}`,
            document: { name: 'x'.repeat(i % 7 === 0 ? 40_000 : 10) },
        }));
        const library = { vessels: { a: { name: 'A' }, 'b "x"': { name: 'B' } }, cups: {}, saws: { s: { diameter_mm: 54.5 } } };
        const made = parts(file(gardens, library)).map((part) => ({ ...part, read: JSON.parse(part.body) as Everything }));

        expect(made.every(({ read }) => read.format === 'kelp-tub.everything' && read.version === 1 && read.made === '2026-11-30')).toBe(
            true,
        );
        expect(made.flatMap(({ read }) => read.gardens ?? [])).toEqual(gardens);
        expect(Object.assign({}, ...made.map(({ read }) => read.library ?? {}))).toEqual({ vessels: library.vessels, saws: library.saws });
        expect(made.reduce((sum, { holds }) => sum + holds, 0)).toBe(1234 + 3);
        // The server takes sixteen megabytes at a time; one garden has two at most.
        expect(Math.max(...made.map(({ body }) => body.length))).toBeLessThan(4_000_000);
        expect(made.length).toBeGreaterThan(4);
    });

    it('says of one that is broken off or empty what it is', () => {
        expect(parse('{"format":"kelp-tub.everything","version":1,"gard')).toContain('It is not whole');
        expect(parts(file([]))).toEqual([
            { body: '{"format":"kelp-tub.everything","version":1,"made":"2026-11-30","gardens":[]}', holds: 0 },
        ]);
    });

    it('finds gardens and photographs in a packed file, whatever else lies in it', async () => {
        const [garden, id] = ['01jd0000000000000000000000', '01JD0000000000000000000001'];
        const packed = zipSync({
            'kelp-tub.json': strToU8('{"format":"kelp-tub.everything"}'),
            [`photos/${garden}/${id}.jpg`]: new Uint8Array([1, 2, 3]),
            [`photos/${garden}/../../${id}.jpg`]: new Uint8Array([4]),
            'rows.jsonl': strToU8('x'),
        });
        const inside = unpack(packed);
        if (typeof inside === 'string') throw new Error(inside);

        expect(isPacked(packed)).toBe(true);
        expect(isPacked(strToU8('{}'))).toBe(false);
        expect(inside.text).toBe('{"format":"kelp-tub.everything"}');
        expect(inside.photos.map((p) => [p.garden, p.id])).toEqual([[garden, id]]);
        expect(inside.photos[0]!.picture().type).toBe('image/jpeg');
        expect(inside.photos[0]!.picture().size).toBe(3);
    });

    it('says of a packed file that it is damaged, or another', () => {
        expect(unpack(zipSync({ 'x.txt': strToU8('x') }))).toContain('no kelp-tub.json');
        expect(unpack(zipSync({ 'kelp-tub.json': strToU8('{}') }).slice(0, 40))).toContain('It is not whole');
    });
});
