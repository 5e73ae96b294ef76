import { beforeEach, describe, expect, it, vi } from 'vitest';
import { blank, tape } from '../../resources/js/bench/tape';
import { drilledHoles, holesOf } from '../../resources/js/bench/drilled';
import { habitSays, listed, often } from '../../resources/js/crop/habit';
import { arrows } from '../../resources/js/kit/arrows';
import { inRing } from '../../resources/js/lid/layouts';
import { beside, filled, mirrored, MOST_PANELS, repeated, single, type Panel } from '../../resources/js/lid/panels';
import { holesFrom } from '../../resources/js/lid/table';

const lid = { length_mm: 600, width_mm: 400 };
const area = (p: Panel): number =>
    Math.abs(
        p.reduce((sum, a, i) => {
            const b = p[(i + 1) % p.length]!;
            return sum + a.x_mm * b.y_mm - b.x_mm * a.y_mm;
        }, 0),
    ) / 2;

describe('panels', () => {
    it('fills a lid with squares that leave nothing out', () => {
        const panels = filled('square', 2, 5, lid, 15);
        expect(panels).toHaveLength(10);
        expect(panels.reduce((sum, p) => sum + area(p), 0)).toBeCloseTo(570 * 370, 3);
    });

    it('fills a lid with triangles inside the border, alike but for which way they stand', () => {
        const panels = filled('triangle', 2, 10, lid, 15);
        expect(panels).toHaveLength(20);
        for (const p of panels) {
            expect(area(p) / area(panels[0]!)).toBeCloseTo(1, 2);
            for (const c of p) {
                expect(Math.abs(c.x_mm)).toBeLessThanOrEqual(285.1);
                expect(Math.abs(c.y_mm)).toBeLessThanOrEqual(185.1);
            }
        }
        // Side by side they share a side: two corners.
        const shared = panels[0]!.filter((a) => panels[1]!.some((b) => Math.hypot(a.x_mm - b.x_mm, a.y_mm - b.y_mm) < 0.2));
        expect(shared).toHaveLength(2);
    });

    it('turns a panel about its right-most side, and goes on in a strip', () => {
        const first: Panel = [
            { x_mm: 0, y_mm: 0 },
            { x_mm: 100, y_mm: 0 },
            { x_mm: 50, y_mm: 80 },
        ];
        const next = beside(first);
        expect(next).toEqual([
            { x_mm: 150, y_mm: 80 },
            { x_mm: 50, y_mm: 80 },
            { x_mm: 100, y_mm: 0 },
        ]);
        const strip = repeated([first], 18);
        expect(strip).toHaveLength(19);
        expect(Math.max(...strip.at(-1)!.map((c) => c.x_mm))).toBe(100 + 18 * 50);
        expect(repeated([first], 500)).toHaveLength(MOST_PANELS);
    });

    it('mirrors panels, and not those that lie across the middle', () => {
        const middle = single('square', lid);
        const aside: Panel = [
            { x_mm: 100, y_mm: 10 },
            { x_mm: 150, y_mm: 10 },
            { x_mm: 120, y_mm: 60 },
        ];
        expect(mirrored([middle, aside], 'across')).toHaveLength(3);
        expect(
            mirrored([middle, aside], 'across')
                .at(-1)!
                .map((c) => c.x_mm),
        ).toEqual([-100, -150, -120]);
        expect(
            mirrored([aside], 'along')
                .at(-1)!
                .map((c) => c.y_mm),
        ).toEqual([-10, -10, -60]);
    });
});

describe('a lid that is drilled already', () => {
    const drilled = { hole: 51, how: 'ring' as const, rows: 2, columns: 3, apart: 120, count: 4, ring: 200 };

    it('has its holes in the middle, in rows or in a ring', () => {
        expect(holesOf(drilled)).toEqual([
            { x_mm: 0, y_mm: 100 },
            { x_mm: 100, y_mm: 0 },
            { x_mm: 0, y_mm: -100 },
            { x_mm: -100, y_mm: 0 },
        ]);
        expect(holesOf({ ...drilled, how: 'rows' })).toHaveLength(6);
        expect(holesOf({ ...drilled, how: 'middle' })).toEqual([{ x_mm: 0, y_mm: 0 }]);
        expect(inRing(6, 100).every((h) => Math.abs(Math.hypot(h.x_mm, h.y_mm) - 50) < 0.1)).toBe(true);
    });

    it('says so in the tub', () => {
        const tub = drilledHoles(drilled);
        expect([tub.cutting, tub.hole_mm, tub.layout?.pattern, tub.layout?.holes?.length]).toEqual(['drilled', 51, 'manual', 4]);
    });
});

describe('a vessel by tape', () => {
    it('takes the floor along with the rim until it is measured, and the lid with it', () => {
        const box = tape(blank('square'), 'rim', 'length_mm', 686, false);
        expect(box.stations[0]!.length_mm).toBe(617);
        expect(box.lid!.length_mm).toBe(704);
        const measured = tape(tape(box, 'floor', 'length_mm', 600, true), 'rim', 'length_mm', 700, true);
        expect([measured.stations[0]!.length_mm, measured.stations[1]!.length_mm, measured.lid!.length_mm]).toEqual([600, 700, 718]);
    });

    it('leaves the floor alone when only the depth changes', () => {
        const tub = tape(blank('round'), 'rim', 'height_mm', 365, false);
        expect([tub.stations[0]!.diameter_mm, tub.stations[1]!.height_mm]).toEqual([blank('round').stations[0]!.diameter_mm, 365]);
    });
});

describe('top-ups as a habit', () => {
    it('says how often as one would', () => {
        expect(often(null)).toBe('once');
        expect(often([1, 1])).toBe('every day');
        expect(often([1, 2])).toBe('every day or two');
        expect(often([4, 4])).toBe('every 4 days');
        expect(often([3, 4])).toBe('every 3 or 4 days');
        expect(often([5, 8])).toBe('every 5 to 8 days');
    });

    it('says how much, with the list behind it', () => {
        const habit = { litres: 0.179, from_day: 14, every_days: [1, 2], top_ups: [{ day: 14, litres: 0.179 }] };
        expect(habitSays(habit, 'metric')).toBe('179\u202fmL every day or two');
        expect(listed(habit, 'metric')).toEqual(['day 14: 179\u202fmL']);
    });
});

describe('the marking-out table, written', () => {
    beforeEach(() => {
        vi.stubGlobal('fetch', async (_: string, init: RequestInit) => {
            const { texts } = JSON.parse(String(init.body)) as { texts: { text: string }[] };
            const readings = texts.map(({ text }) =>
                text === '3 1/2 in'
                    ? { value: 88.9, unit: 'in', note: null }
                    : Number.isFinite(Number(text))
                      ? { value: Number(text), unit: 'mm', note: null }
                      : { error: `"${text}" does not start with a number.` },
            );
            return new Response(JSON.stringify({ readings }), { status: 200 });
        });
    });
    const box = { round: false, ...lid };
    const disc = { round: true, length_mm: 300, width_mm: 300 };

    it('is read from the edges, by tabs, commas or spaces, with a number before it or without', async () => {
        expect(await holesFrom('100\t80\n2\t500\t320\n\n300, 200\n3 1/2 in; 50', box, 'metric')).toEqual({
            value: [
                { x_mm: -200, y_mm: -120 },
                { x_mm: 200, y_mm: 120 },
                { x_mm: 0, y_mm: 0 },
                { x_mm: -211.1, y_mm: -150 },
            ],
        });
        expect(await holesFrom('100 80', box, 'metric')).toEqual({ value: [{ x_mm: -200, y_mm: -120 }] });
    });

    it('is read as radius and angle on a round lid', async () => {
        expect(await holesFrom('100\t90°\n1\t100\t180', disc, 'metric')).toEqual({
            value: [
                { x_mm: 0, y_mm: 100 },
                { x_mm: -100, y_mm: 0 },
            ],
        });
    });

    it('says which line will not do, and takes none', async () => {
        expect(await holesFrom('100\t80\nfist\t20', box, 'metric')).toEqual({ error: 'Line 2: "fist" does not start with a number.' });
        expect(await holesFrom('100\t80\n\n20', box, 'metric')).toMatchObject({ error: expect.stringContaining('Line 3 has one measure') });
        expect(await holesFrom(' \n', box, 'metric')).toMatchObject({ error: expect.stringContaining('from the left') });
        expect(await holesFrom('50\tup', disc, 'metric')).toMatchObject({ error: expect.stringContaining('“up” is no angle') });
        expect(await holesFrom('1 2\n'.repeat(201), box, 'metric')).toMatchObject({ error: expect.stringContaining('201 holes') });
    });
});

describe('a list that is one stop of the tab key', () => {
    it('is gone through by arrows, Home and End, and chooses as it goes', () => {
        document.body.innerHTML =
            '<div role="listbox"><button role="option">a</button><button role="option">b</button><button role="option">c</button></div>';
        const list = document.querySelector('div')!;
        const chosen: string[] = [];
        list.addEventListener('click', (e) => chosen.push((e.target as HTMLElement).textContent!));
        list.addEventListener('keydown', arrows);
        const press = (key: string): void => {
            document.activeElement!.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
        };
        list.querySelector('button')!.focus();
        press('ArrowRight');
        press('End');
        press('ArrowRight');
        press('Home');
        press('x');
        expect(chosen).toEqual(['b', 'c', 'a']);
        expect(document.activeElement!.textContent).toBe('a');
    });
});
