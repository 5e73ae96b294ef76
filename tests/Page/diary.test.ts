import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import * as browserStore from 'idb-keyval';
import { dateOf, dayNumber, fromToday, spoken, timeOf, wallClock } from '../../resources/js/kit/dates';
import { partsOf, type Entry, type Item, withLooksTogether } from '../../resources/js/days/diary';
import { Outbox } from '../../resources/js/days/outbox';
import { cupsOf, freePlantingId, growBy, shifted } from '../../resources/js/days/plantings';
import { entryOf } from '../../resources/js/days/tick';
import type { Garden } from '../../resources/js/types/garden';

// The browser's own database: rows by key, each written when it lets go of what it is asked to write.
const disk = vi.hoisted(() => ({ rows: new Map<string, unknown>(), writes: Promise.resolve() }));
vi.mock('idb-keyval', () => ({
    keys: async () => [...disk.rows.keys()],
    get: async (key: string) => disk.rows.get(key),
    getMany: async (some: string[]) => some.map((key) => disk.rows.get(key)),
    set: async (key: string, value: unknown) => void (await disk.writes, disk.rows.set(key, value)),
    setMany: vi.fn(async (some: [string, unknown][]) => {
        await disk.writes;
        some.forEach(([key, value]) => disk.rows.set(key, value));
    }),
    del: async (key: string) => void disk.rows.delete(key),
    delMany: async (some: string[]) => some.forEach((key) => disk.rows.delete(key)),
}));

const item = (of: Partial<Item>): Item => ({
    key: 'deck.1/top-up/2',
    date: '2027-03-05',
    kind: 'top-up',
    tub: 'deck',
    copy: 1,
    plantings: ['p'],
    says: 'Top up 3 L',
    why: '',
    how: '',
    litres: 3,
    parts: { A: { g: 2.4 }, B: { ml: 0.5 } },
    ec_ms_cm: 0.8,
    by: null,
    forecast: true,
    done: null,
    late: false,
    note: '',
    ...of,
});

describe('days of the calendar', () => {
    it('are counted without a time zone', () => {
        expect(dayNumber('1970-01-02')).toBe(1);
        expect(dateOf(dayNumber('2028-02-28') + 2)).toBe('2028-03-01');
        expect(timeOf('2027-04-18T18:00') - dayNumber('2027-04-18')).toBe(0.75);
        expect(wallClock(new Date(2027, 3, 8, 7, 5))).toBe('2027-04-08T07:05');
    });

    it('are spoken of from today', () => {
        const said = ['2027-04-16', '2027-04-17', '2027-04-18', '2027-04-19', '2027-04-22'].map((d) => fromToday(d, '2027-04-18'));
        expect(said).toEqual(['2 days late', 'a day late', 'today', 'tomorrow', 'in 4 days']);
        expect(spoken('2027-03-02')).toBe('2 Mar');
        expect(spoken('2027-03-02', '2028-01-01')).toBe('2 Mar 2027');
    });
});

describe('plantings', () => {
    it('take cups as they are written', () => {
        expect(cupsOf('1, 3, 5-7')).toEqual([1, 3, 5, 6, 7]);
        expect(cupsOf('7 2')).toEqual([2, 7]);
        expect([cupsOf('x'), cupsOf('0'), cupsOf('5-3'), cupsOf('201'), cupsOf('')]).toEqual([null, null, null, null, null]);
    });

    it('move with all their dates, and have a name of their own', () => {
        const planting = { id: 'basil-1', tub: 'deck', sown: '2027-03-30', transplanted: null, cleared: '2027-06-01' };
        expect(shifted(planting, 3)).toEqual({ ...planting, sown: '2027-04-02', cleared: '2027-06-04' });
        expect(freePlantingId({ format: 'kelp-tub.garden', version: 1, plantings: [planting] }, 'basil')).toBe('basil-2');
    });
});

describe('a tick', () => {
    it('writes down what was put in, and of care that it was done', () => {
        expect(entryOf(item({}), '2027-03-05T08:00')).toMatchObject({ top_up_l: 3, top_up_ec: 0.8, did: ['deck.1/top-up/2'] });
        expect(entryOf(item({ kind: 'change' }))).toMatchObject({ change: true, top_up_ec: 0.8 });
        expect(entryOf(item({ kind: 'strengthen' })).dose).toEqual({ A: { g: 2.4 }, B: { ml: 0.5 } });
        expect(entryOf(item({ kind: 'pinch', key: 'p/pinch' }))).toMatchObject({ planting: 'p', did: ['p/pinch'] });
        expect(partsOf(item({}))).toBe('A 2.4\u202fg, B 0.50\u202fmL');
    });
});

describe('entries on their way', () => {
    const entry = (id: string): Entry => ({ id, tub: 'deck', copy: 1, at: '2027-03-05T08:00', ph: 6.3 });
    let sent: { path: string; body: Record<string, unknown> }[] = [];
    let answer: (path: string, body: Record<string, unknown>) => Response | null = () => null;

    beforeEach(() => {
        vi.useFakeTimers();
        sent = [];
        disk.rows.clear();
        disk.writes = Promise.resolve();
        vi.stubGlobal('fetch', async (url: string, init: RequestInit) => {
            const body = JSON.parse(String(init.body)) as Record<string, unknown>;
            sent.push({ path: url, body });
            const said = answer(url, body);
            if (!said) throw new TypeError('away');
            return said;
        });
    });
    afterEach(() => {
        vi.useRealTimers();
        vi.unstubAllGlobals();
    });
    const all = (result: string, message?: string) => (_: string, body: Record<string, unknown>) =>
        Response.json({ entries: (body.entries as Entry[]).map(({ id }) => ({ id, result, message })) });

    it('go at once where somebody answers, and are not sent again', async () => {
        answer = all('kept');
        const box = new Outbox();
        await box.add('g', entry('a'));
        await vi.advanceTimersByTimeAsync(60_000);

        expect(sent).toHaveLength(1);
        expect(sent[0]).toMatchObject({ path: '/api/gardens/g/entries', body: { entries: [{ id: 'a' }] } });
        expect([box.count('g').value, box.kept.value, box.away.value]).toEqual([0, 1, '']);
    });

    it('wait where nobody does, and go together when somebody is back', async () => {
        answer = () => null;
        const box = new Outbox();
        await box.add('g', entry('a'));
        await box.add('g', entry('b'));
        await vi.advanceTimersByTimeAsync(0);
        expect([box.count('g').value, box.count('other').value]).toEqual([2, 0]);
        expect(box.away.value).not.toBe('');

        answer = all('kept');
        await vi.advanceTimersByTimeAsync(10_000);
        expect(sent.at(-1)!.body).toEqual({ entries: [entry('a'), entry('b')] });
        expect([box.count('g').value, box.away.value]).toEqual([0, '']);
    });

    it('that are refused are said, and do not hold the others', async () => {
        answer = (_, body) =>
            Response.json({
                entries: (body.entries as Entry[]).map(({ id }) => ({ id, result: id === 'a' ? 'refused' : 'known', message: 'ph is 63' })),
            });
        const box = new Outbox();
        await box.add('g', entry('a'), entry('b'));
        await vi.advanceTimersByTimeAsync(0);

        expect(box.count('g').value).toBe(0);
        expect(box.refused.value).toMatchObject([{ entry: { id: 'a' }, message: 'ph is 63' }]);
    });

    it('that nobody could read yet are read as of when they were written, and keep what is doubtful as their note', async () => {
        answer = () => null;
        const box = new Outbox();
        await box.addLine('g', { id: 'a', tub: 'deck', copy: 1, at: '2027-03-05T08:00', text: 'pH 6.3, looks good' });
        answer = (path, body) =>
            path.endsWith('/read')
                ? Response.json({ entry: { at: '2027-03-05T08:00', ph: 6.3 }, understood: [], left: 'looks good', asks: [] })
                : all('kept')(path, body);
        await vi.advanceTimersByTimeAsync(10_000);

        expect(sent.at(-2)!.body).toMatchObject({ text: 'pH 6.3, looks good', now: '2027-03-05T08:00' });
        expect(sent.at(-1)!.body).toEqual({ entries: [{ ...entry('a'), note: 'looks good' }] });
        expect(box.count('g').value).toBe(0);
    });

    it('are said to wait on this device when it has them, and not before', async () => {
        answer = () => null;
        let written = (): void => {};
        disk.writes = new Promise((resolve) => (written = resolve));
        const box = new Outbox();
        const kept = vi.fn();
        void box.add('g', entry('a')).then(kept);
        await vi.advanceTimersByTimeAsync(5_000);
        expect([box.count('g').value, kept.mock.calls.length]).toEqual([0, 0]);

        written();
        await vi.advanceTimersByTimeAsync(0);
        expect([box.count('g').value, kept.mock.calls.length]).toEqual([1, 1]);
        // The page is loaded anew.
        const again = new Outbox();
        await vi.advanceTimersByTimeAsync(0);
        expect(again.count('g').value).toBe(1);
    });

    it('are kept by each window for itself: what one writes down or sends takes nothing from another', async () => {
        answer = () => null;
        const [one, two] = [new Outbox(), new Outbox()];
        await one.add('g', entry('b'));
        await two.add('g', entry('a'));
        answer = all('kept');
        const third = new Outbox();
        await vi.advanceTimersByTimeAsync(0);
        expect(sent.at(-1)!.body).toEqual({ entries: [entry('a'), entry('b')] });
        expect(third.count('g').value).toBe(0);

        // The two send theirs again, which the server knows by its name.
        await vi.advanceTimersByTimeAsync(60_000);
        expect(new Set(sent.slice(-2).flatMap((s) => (s.body.entries as Entry[]).map((e) => e.id)))).toEqual(new Set(['a', 'b']));
        expect(disk.rows.size).toBe(0);
    });

    it('wait on the open page where the browser keeps nothing', async () => {
        vi.mocked(browserStore.setMany).mockRejectedValueOnce(new Error('no room'));
        answer = () => null;
        const box = new Outbox();
        await box.add('g', entry('a'));
        answer = all('kept');
        await vi.advanceTimersByTimeAsync(10_000);
        expect([sent.at(-1)!.body, box.count('g').value]).toEqual([{ entries: [entry('a')] }, 0]);
    });
});

it('grows by another crop what is planned and planted of one in one tub, and nothing else', () => {
    const garden = {
        tubs: [
            { id: 'a', crop: 'rocket' },
            { id: 'b', crop: 'rocket' },
            { id: 'c', crops: [{ crop: 'mizuna', plants: 2 }, { crop: 'rocket' }] },
        ],
        plantings: [
            { id: 'p', tub: 'a', crop: 'rocket' },
            { id: 'q', tub: 'a', crop: 'mizuna' },
            { id: 'r', tub: 'b', crop: 'rocket' },
        ],
    } as unknown as Garden;
    growBy(garden, 'a', 'rocket', 'mine');
    growBy(garden, 'c', 'rocket', 'mine');

    expect(garden.tubs).toEqual([
        { id: 'a', crop: 'mine' },
        { id: 'b', crop: 'rocket' },
        { id: 'c', crops: [{ crop: 'mizuna', plants: 2 }, { crop: 'mine' }] },
    ]);
    expect(garden.plantings?.map((p) => p.crop)).toEqual(['mine', 'mizuna', 'rocket']);
});

it('puts the looks at several tubs together where the first stands, and leaves one look as it is', () => {
    const [top, one, change, two] = [
        item({ key: 'top' }),
        item({ key: 'one', kind: 'check' }),
        item({ key: 'change', kind: 'change' }),
        item({ key: 'two', kind: 'check' }),
    ];
    const of = (rows: Item[]) => withLooksTogether(rows, (row) => row);
    expect(of([top, one, change, two])).toEqual([top, [one, two], change]);
    expect(of([top, one, change])).toEqual([top, one, change]);
    expect(of([])).toEqual([]);
});
