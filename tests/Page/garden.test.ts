import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { OpenGarden } from '../../resources/js/kit/garden';
import type { Library } from '../../resources/js/kit/library';
import type { Garden } from '../../resources/js/types/garden';
import type { Report } from '../../resources/js/types/report';

/** A server that answers as it is told, and remembers what it was asked. */
interface Asked {
    path: string;
    method: string;
    revision: string | undefined;
    key: string | undefined;
    follows: string | undefined;
    keepalive: boolean;
    body: string;
}

type Respond = (asked: Asked) => { status: number; data: unknown } | Promise<{ status: number; data: unknown }>;

let asked: Asked[] = [];
let respond: Respond;

/** As much of a report as an open garden looks at. */
const report = (pending = false, findings: unknown[] = []): Report =>
    ({ tubs: [{ id: 'a', layout: { pending } }], findings }) as unknown as Report;
const garden = (name = 'Sill'): Garden => ({
    format: 'kelp-tub.garden',
    version: 1,
    name,
    tubs: [{ id: 'a', system: 'passive', vessel: 'bucket-20' }],
});
const open = (document = garden()): OpenGarden =>
    new OpenGarden('01', 1, JSON.stringify(document), JSON.stringify(report()), {} as Library);
const saves = (): Asked[] => asked.filter((a) => a.method === 'PUT');
/** What the browser keeps of the garden that is not saved. */
const unsaved = (): string | null => {
    const key = Object.keys(localStorage).find((k) => k.startsWith('kelp-unsaved-01'));
    return key === undefined ? null : localStorage.getItem(key);
};
const rename = (g: OpenGarden, name: string): void =>
    g.change(`call it ${name}`, (draft) => {
        draft.name = name;
    });
const settle = async (ms = 500): Promise<void> => {
    await vi.advanceTimersByTimeAsync(ms);
};

beforeEach(() => {
    vi.useFakeTimers();
    localStorage.clear();
    sessionStorage.clear();
    asked = [];
    let revision = 1;
    respond = ({ path, method }) =>
        method === 'PUT'
            ? { status: 200, data: { revision: ++revision } }
            : { status: 200, data: path.includes('preview') || path.includes('plan') ? report() : {} };
    vi.stubGlobal('fetch', async (url: string, init: RequestInit) => {
        const one = {
            path: url,
            method: init.method ?? 'GET',
            revision: (init.headers as Record<string, string>)['If-Match'],
            key: (init.headers as Record<string, string>)['Idempotency-Key'],
            follows: (init.headers as Record<string, string>)['Follows-Writes'],
            keepalive: init.keepalive === true,
            body: String(init.body ?? ''),
        };
        asked.push(one);
        if (init.signal?.aborted) throw new Error('aborted');
        const { status, data } = await respond(one);
        return new Response(JSON.stringify(data), { status });
    });
});

afterEach(() => {
    vi.restoreAllMocks();
    vi.useRealTimers();
    vi.unstubAllGlobals();
});

describe('changes', () => {
    it('makes a new document, previews it and saves it against its revision', async () => {
        const g = open();
        const before = g.document.value;
        g.change('rename', (draft) => {
            draft.name = 'Reed';
        });
        expect(before.name).toBe('Sill');
        expect(g.document.value.name).toBe('Reed');
        expect(g.save.value).toBe('saving');
        await settle();
        expect(asked.map((a) => a.path)).toContain('/api/preview');
        expect(saves()).toHaveLength(1);
        expect(saves()[0]).toMatchObject({ path: '/api/gardens/01', revision: '"1"' });
        expect(g.save.value).toBe('saved');
    });

    it('does nothing when nothing changes', async () => {
        const g = open();
        g.change('rename', (draft) => {
            draft.name = 'Sill';
        });
        await settle();
        expect(asked).toEqual([]);
        expect(g.history.canUndo.value).toBe(false);
    });

    it('joins quick changes of one name to one step, and saves only the last', async () => {
        const g = open();
        for (const name of ['R', 'Re', 'Ree', 'Reed'])
            g.change('rename', (draft) => {
                draft.name = name;
            });
        await settle();
        expect(saves()).toHaveLength(1);
        expect(JSON.parse(saves()[0]!.body).name).toBe('Reed');
        g.undo();
        expect(g.document.value.name).toBe('Sill');
    });

    it('counts the next save up from the revision that it was given', async () => {
        const g = open();
        g.change('a', (draft) => {
            draft.name = 'A';
        });
        await settle();
        g.change('b', (draft) => {
            draft.name = 'B';
        });
        await settle();
        expect(saves().map((s) => s.revision)).toEqual(['"1"', '"2"']);
    });

    it('asks for one preview at a time, and then for the newest only', async () => {
        let release: (() => void) | undefined;
        const wait = new Promise<void>((done) => {
            release = done;
        });
        respond = async ({ method }) => {
            if (method === 'POST') await wait;
            return { status: 200, data: method === 'PUT' ? { revision: 2 } : report() };
        };
        const g = open();
        for (const name of ['A', 'B', 'C', 'D'])
            g.change(name, (draft) => {
                draft.name = name;
            });
        await settle(10);
        expect(asked.filter((a) => a.path === '/api/preview')).toHaveLength(1);
        release!();
        await settle(10);
        const previews = asked.filter((a) => a.path === '/api/preview');
        expect(previews.map((p) => JSON.parse(p.body).name)).toEqual(['A', 'D']);
    });

    it('applies a remedy as a JSON Patch, in one step', () => {
        const g = open();
        g.apply('Two of them', [{ op: 'add', path: '/tubs/0/count', value: 2 }]);
        expect(g.document.value.tubs![0]!.count).toBe(2);
        g.undo();
        expect(g.document.value.tubs![0]!.count).toBeUndefined();
    });
});

describe('undo and redo', () => {
    it('goes back and forth, says what, and forgets the way forth on a new change', () => {
        const g = open();
        g.change('first', (draft) => {
            draft.name = '1';
        });
        g.change('second', (draft) => {
            draft.name = '2';
        });
        expect(g.history.undoSays.value).toBe('second');
        g.undo();
        g.undo();
        expect([g.document.value.name, g.history.canUndo.value, g.history.redoSays.value]).toEqual(['Sill', false, 'first']);
        g.redo();
        expect(g.document.value.name).toBe('1');
        g.change('third', (draft) => {
            draft.name = '3';
        });
        expect(g.history.canRedo.value).toBe(false);
    });

    it('lives on over a reload while the document is the one it leads to', async () => {
        const g = open();
        g.change('rename', (draft) => {
            draft.name = 'Reed';
        });
        await settle();
        const again = new OpenGarden('01', 2, JSON.stringify(g.document.value), JSON.stringify(report()), {} as Library);
        expect(again.history.undoSays.value).toBe('rename');
        const other = new OpenGarden('01', 3, JSON.stringify(garden('Elsewhere')), JSON.stringify(report()), {} as Library);
        expect(other.history.canUndo.value).toBe(false);
    });

    it('lets other gardens’ steps go where there is no room, and what is not saved never', () => {
        localStorage.setItem('kelp-steps-02', 'x'.repeat(100));
        const set = Storage.prototype.setItem;
        vi.spyOn(Storage.prototype, 'setItem').mockImplementation(function (this: Storage, key: string, text: string) {
            if (this.getItem('kelp-steps-02')) throw new DOMException('full', 'QuotaExceededError');
            set.call(this, key, text);
        });
        open().change('call it Reed', (g) => {
            g.name = 'Reed';
        });
        vi.mocked(Storage.prototype.setItem).mockRestore();
        expect(localStorage.getItem('kelp-steps-02')).toBeNull();
        expect(unsaved()).toContain('Reed');
        expect(localStorage.getItem('kelp-steps-01')).toContain('call it Reed');
    });

    it('keeps what changed and not whole gardens, and comes back over every step to what was', async () => {
        const big = garden('Ebb');
        big.notes = 'x'.repeat(50_000);
        const g = open(big);
        for (let i = 1; i <= 30; i++) {
            g.change(`step ${i}`, (draft) => {
                draft.name = `Ebb ${i}`;
                draft.site = { light_hours: i };
            });
        }
        expect(localStorage.getItem('kelp-steps-01')!.length).toBeLessThan(20_000);
        for (let i = 30; i > 15; i--) g.undo();
        expect([g.document.value.name, g.document.value.site]).toEqual(['Ebb 15', { light_hours: 15 }]);
        g.redo();
        expect(g.document.value.name).toBe('Ebb 16');
        while (g.history.canUndo.value) g.undo();
        expect(g.document.value).toEqual(big);
    });

    it('goes back over joined steps at once, whatever they changed', () => {
        const g = open();
        for (const name of ['A', 'AB', 'ABC']) {
            g.change('rename', (draft) => {
                draft.name = name;
                draft.notes = name;
            });
        }
        g.undo();
        expect(g.document.value).toEqual(garden());
        g.redo();
        expect([g.document.value.name, g.document.value.notes]).toEqual(['ABC', 'ABC']);
    });

    it('keeps a tub chosen that is still there, and lets go of one that is not', () => {
        const g = open();
        g.change('add', (draft) => {
            draft.tubs!.push({ id: 'b', system: 'passive', vessel: 'jar-1' });
        });
        g.choose('b');
        g.undo();
        expect(g.selected.value).toBe('a');
        g.change('clear', (draft) => {
            draft.tubs = [];
        });
        expect(g.selected.value).toBeNull();
    });
});

describe('keeping', () => {
    it('keeps edits while the server is away, tries again, and saves them when it is back', async () => {
        respond = () => ({ status: 503, data: { message: 'The database does not answer.' } });
        const g = open();
        rename(g, 'Away');
        await settle();
        expect(g.save.value).toBe('away');
        expect(g.saver.message.value).toContain('does not answer');
        expect(unsaved()).toContain('Away');
        respond = ({ method }) => ({ status: 200, data: method === 'PUT' ? { revision: 2 } : report() });
        await settle(3000);
        expect(g.save.value).toBe('saved');
        expect(unsaved()).toBeNull();
    });

    it.each([
        [503, 'away'],
        [507, 'full'],
    ])('asks less and less often where the answer is %s', async (status, state) => {
        respond = ({ method }) => (method === 'PUT' ? { status, data: { message: 'No.' } } : { status: 200, data: report() });
        const g = open();
        rename(g, 'Waits');
        await settle(60_000);
        // After 0.35 s, and then 2.5, 5, 10, 20 and 40 s each time.
        expect(saves()).toHaveLength(5);
        expect(g.save.value).toBe(state);
        respond = ({ method }) => ({ status: 200, data: method === 'PUT' ? { revision: 2 } : report() });
        g.saver.again();
        await settle(1);
        expect(g.save.value).toBe('saved');
    });

    it.each([
        [500, 'failed'],
        [428, 'failed'],
        [404, 'gone'],
    ])('says what a %s is, keeps the edit, and does not go on asking', async (status, state) => {
        respond = ({ method }) => (method === 'PUT' ? { status, data: { message: 'Not so.' } } : { status: 200, data: report() });
        const g = open();
        rename(g, 'Stays');
        await settle(120_000);
        expect(saves()).toHaveLength(1);
        expect(g.save.value).toBe(state);
        expect(g.saver.message.value).toBe('Not so.');
        expect(unsaved()).toContain('Stays');
    });

    it('brings back a garden that was deleted elsewhere, and saves into it', async () => {
        let deleted = true;
        respond = ({ path, method }) => {
            if (path.endsWith('/restore')) deleted = false;
            return method === 'PUT' && deleted
                ? { status: 404, data: {} }
                : { status: 200, data: method === 'PUT' ? { revision: 2 } : report() };
        };
        const g = open();
        rename(g, 'Back');
        await settle();
        expect(g.save.value).toBe('gone');
        expect(await g.bringBack()).toBe(true);
        await settle();
        expect(g.save.value).toBe('saved');
    });

    it('sends what is not saved when the page is left, in a way that outlives it', async () => {
        const g = open();
        rename(g, 'Leaving');
        g.saver.flush();
        await settle(0);
        expect(saves()).toHaveLength(1);
        expect(saves()[0]).toMatchObject({ keepalive: true });
        expect(saves()[0]!.body).toContain('Leaving');
        await settle(5000);
        expect(saves()).toHaveLength(1);
    });

    it('sends what is newer when the page is left while a write is on its way', async () => {
        respond = ({ method }) => (method === 'PUT' ? new Promise(() => undefined) : { status: 200, data: report() });
        const g = open();
        rename(g, 'One');
        await settle();
        rename(g, 'Two');
        g.dispose();
        await settle(0);
        expect(saves().map((s) => JSON.parse(s.body).name)).toEqual(['One', 'Two']);
        expect(saves()[1]!.follows).toBe(saves()[0]!.key);
    });

    it('calls a write the same when it is sent again, and says what a newer one follows', async () => {
        respond = ({ method }) => (method === 'PUT' ? { status: 503, data: {} } : { status: 200, data: report() });
        const g = open();
        rename(g, 'One');
        await settle(3000);
        rename(g, 'Two');
        await settle();
        const [first, again, next] = saves();
        expect(first!.key).toMatch(/^[a-f0-9]{24}$/);
        expect(again!.key).toBe(first!.key);
        expect(again!.follows).toBeUndefined();
        expect(next!.key).not.toBe(first!.key);
        expect(next!.follows).toBe(first!.key);
        respond = ({ method }) => ({ status: 200, data: method === 'PUT' ? { revision: 2 } : report() });
        g.saver.again();
        await settle();
        rename(g, 'Three');
        await settle();
        expect(saves().at(-1)!.follows).toBeUndefined();
    });

    it.each(['full', 'refused'])('previews and saves though the storage is %s', async (how) => {
        const broken = () => {
            throw new DOMException('QuotaExceededError');
        };
        if (how === 'full') vi.spyOn(Storage.prototype, 'setItem').mockImplementation(broken);
        else vi.spyOn(window, 'localStorage', 'get').mockImplementation(broken);
        const g = open();
        g.change('rename', (draft) => {
            draft.name = 'Full';
        });
        await settle();
        expect(asked.some((a) => a.path.endsWith('/preview') && a.body.includes('Full'))).toBe(true);
        expect(saves().at(-1)?.body).toContain('Full');
        expect(g.save.value).toBe('saved');
        g.undo();
        expect(g.document.value.name).toBe('Sill');
    });

    it('gives what is on the screen as a copy and as a file', async () => {
        respond = ({ path, method }) =>
            method === 'PUT'
                ? { status: 500, data: {} }
                : path === '/api/gardens'
                  ? { status: 201, data: { id: '02' } }
                  : { status: 200, data: report() };
        const g = open();
        rename(g, 'Ünsaved “Reed” 2');
        await settle();
        expect(await g.copy()).toBe('02');
        expect(JSON.parse(asked.find((a) => a.path === '/api/gardens')!.body).name).toBe('Ünsaved “Reed” 2 copy');
        expect(g.file().name).toBe('u-nsaved-reed-2.kelp.json');
        expect(JSON.parse(g.file().content)).toEqual(g.document.value);
    });

    it('takes up edits that a closed page could not save', async () => {
        localStorage.setItem('kelp-unsaved-01', JSON.stringify({ revision: 1, document: JSON.stringify(garden('Left over')) }));
        const g = open();
        await settle(0);
        expect(g.document.value.name).toBe('Left over');
        await settle();
        expect(JSON.parse(saves()[0]!.body).name).toBe('Left over');
        expect(unsaved()).toBeNull();
        g.undo();
        expect(g.document.value.name).toBe('Sill');
    });

    it('passes over what it cannot read of what was kept', async () => {
        localStorage.setItem('kelp-unsaved-01', '{half');
        const g = open();
        await settle();
        expect(g.document.value.name).toBe('Sill');
        expect(unsaved()).toBeNull();
    });

    it('leaves to an open page what it keeps, and takes up what a closed one left', async () => {
        const held = new Map<string, () => void>();
        const request = (name: string, work: () => Promise<unknown>): Promise<unknown> => {
            held.set(name, () => held.delete(name));
            return work().finally(() => held.delete(name));
        };
        vi.stubGlobal('navigator', {
            ...navigator,
            locks: { request, query: async () => ({ held: [...held.keys()].map((name) => ({ name })) }) },
        });
        respond = ({ method }) => (method === 'PUT' ? { status: 503, data: {} } : { status: 200, data: report() });
        const first = open();
        rename(first, 'Of the first window');
        await settle();
        const second = open();
        await settle(0);
        expect(second.document.value.name).toBe('Sill');
        rename(second, 'Of the second');
        await settle();
        expect(Object.keys(localStorage).filter((k) => k.startsWith('kelp-unsaved-01'))).toHaveLength(2);
        first.dispose();
        await settle(0);
        const third = open();
        await settle(0);
        expect(third.document.value.name).toBe('Of the first window');
        // From now on they are the third's, and still kept.
        expect(Object.keys(localStorage).filter((k) => k.startsWith('kelp-unsaved-01'))).toHaveLength(2);
    });

    it('finds that left-over edits were saved before, and shows what has come since', async () => {
        localStorage.setItem(
            'kelp-unsaved-01-x',
            JSON.stringify({ revision: 1, document: JSON.stringify(garden('Left over')), unanswered: ['a-write-of-then'] }),
        );
        respond = ({ method }) => ({ status: 200, data: method === 'PUT' ? { revision: 2 } : report() });
        const g = new OpenGarden('01', 3, JSON.stringify(garden('Newer')), JSON.stringify(report()), {} as Library);
        await settle(0);
        expect(g.document.value.name).toBe('Left over');
        await settle();
        expect(saves()[0]).toMatchObject({ revision: '"1"', follows: 'a-write-of-then' });
        expect(g.document.value.name).toBe('Newer');
        expect(g.save.value).toBe('saved');
        rename(g, 'Newest');
        await settle();
        expect(saves()[1]!.revision).toBe('"3"');
    });

    const conflict = (document = garden('Theirs'), merged: Garden | null = null) => ({
        status: 409,
        data: {
            revision: 7,
            document: JSON.stringify(document),
            differences: [{ where: '', what: 'name', mine: 'Mine', theirs: 'Theirs' }],
            merged: merged && JSON.stringify(merged),
            with_mine: JSON.stringify(garden('Mine, and theirs')),
            with_theirs: JSON.stringify(document),
        },
    });

    it('keeps the revision that left-over edits were made from until the grower has chosen', async () => {
        localStorage.setItem('kelp-unsaved-01', JSON.stringify({ revision: 1, document: JSON.stringify(garden('Left over')) }));
        respond = ({ method }) => (method === 'PUT' ? conflict() : { status: 200, data: report() });
        for (let opened = 0; opened < 3; opened++) {
            const g = new OpenGarden('01', 7, JSON.stringify(garden('Theirs')), JSON.stringify(report()), {} as Library);
            await settle();
            expect(g.save.value).toBe('conflict');
            expect(JSON.parse(unsaved()!)).toMatchObject({ revision: 1 });
            g.dispose();
        }
        expect(new Set(saves().map((s) => s.revision))).toEqual(new Set(['"1"']));
        const g = new OpenGarden('01', 7, JSON.stringify(garden('Theirs')), JSON.stringify(report()), {} as Library);
        await settle();
        g.takeTheirs();
        expect(g.document.value.name).toBe('Theirs');
        expect(unsaved()).toBeNull();
    });

    it('shows a conflict until the grower says which, and writes nothing over it meanwhile', async () => {
        respond = ({ method }) => (method === 'PUT' ? conflict() : { status: 200, data: report() });
        const g = open();
        rename(g, 'Mine');
        await settle();
        expect(g.save.value).toBe('conflict');
        expect(g.saver.theirs.value?.differences).toHaveLength(1);
        rename(g, 'Mine too');
        await settle(5000);
        // What differs is asked anew, against the revision that it was made from.
        expect(saves().map((s) => s.revision)).toEqual(['"1"', '"1"']);
        expect(g.save.value).toBe('conflict');
        respond = ({ method }) => ({ status: 200, data: method === 'PUT' ? { revision: 8 } : report() });
        g.keepMine();
        await settle();
        expect(saves()[2]).toMatchObject({ revision: '"7"' });
        expect(JSON.parse(saves()[2]!.body).name).toBe('Mine, and theirs');
        expect(g.document.value.name).toBe('Mine, and theirs');
        expect(g.save.value).toBe('saved');
    });

    it('keeps both: mine as a copy, theirs here', async () => {
        respond = ({ path, method }) =>
            method === 'PUT' ? conflict() : path === '/api/gardens' ? { status: 201, data: { id: '02' } } : { status: 200, data: report() };
        const g = open();
        rename(g, 'Mine');
        await settle();
        expect(await g.keepMineAsCopy()).toBe('02');
        expect(JSON.parse(asked.find((a) => a.path === '/api/gardens')!.body).name).toBe('Mine (mine)');
        expect(g.document.value.name).toBe('Theirs');
        expect(g.save.value).toBe('saved');
    });

    it('goes on with both changes where they do not touch', async () => {
        const both = { ...garden('Mine'), notes: 'Theirs' };
        respond = ({ method, revision }) =>
            method !== 'PUT'
                ? { status: 200, data: report() }
                : revision === '"7"'
                  ? { status: 200, data: { revision: 8 } }
                  : conflict(garden(), both);
        const g = open();
        rename(g, 'Mine');
        await settle(1000);
        expect(g.document.value).toEqual(both);
        expect(g.save.value).toBe('saved');
        expect(JSON.parse(saves()[1]!.body)).toEqual(both);
        g.undo();
        expect(g.document.value.notes).toBeUndefined();
    });

    it('brings in what was changed meanwhile too', async () => {
        const both = { ...garden('One'), notes: 'Theirs' };
        let answered = 0;
        respond = async ({ method }) => {
            if (method !== 'PUT') return { status: 200, data: report() };
            if (answered++ === 0) rename(g, 'Two');
            return conflict(garden(), both);
        };
        const g = open();
        rename(g, 'One');
        await settle();
        // The answer was to what is not the newest any more: it is asked again with that, from the same revision.
        expect(g.document.value.name).toBe('Two');
        await settle();
        expect(
            saves()
                .map((s) => [s.revision, JSON.parse(s.body).name])
                .slice(0, 2),
        ).toEqual([
            ['"1"', 'One'],
            ['"1"', 'Two'],
        ]);
    });

    it('shows the faults of a document that is refused, at their place, and keeps the last report', async () => {
        respond = () => ({
            status: 422,
            data: { message: 'refused', faults: [{ pointer: '/tubs/0/hole_mm', message: 'is 0; it must be above 0' }] },
        });
        const g = open();
        const before = g.report.value;
        g.changeTub('hole', (tub) => {
            tub.hole_mm = 0;
        });
        await settle();
        expect(g.save.value).toBe('refused');
        expect(g.faultAt('/tubs/0/hole_mm')).toContain('above 0');
        expect(g.faultAt('/tubs/0')).toContain('above 0');
        expect(g.faultAt('/tubs/1')).toBeNull();
        expect(g.report.value).toBe(before);
    });
});

describe('layouts that take longer', () => {
    it('asks for the final plan while one is pending, and lets it be cancelled', async () => {
        let release: (() => void) | undefined;
        const wait = new Promise<void>((done) => {
            release = done;
        });
        respond = async ({ path, method }) => {
            if (path.startsWith('/api/plan')) await wait;
            return { status: 200, data: method === 'PUT' ? { revision: 2 } : report(path === '/api/preview') };
        };
        const g = open();
        g.change('spread', (draft) => {
            draft.tubs![0]!.layout = { pattern: 'spread' };
        });
        await settle();
        expect(g.previewer.layingOut.value).toBe(true);
        g.previewer.cancelLayout();
        expect(g.previewer.layingOut.value).toBe(false);
        release!();
        await settle();
        expect(g.report.value.tubs[0]!.layout.pending).toBe(true);
        g.change('again', (draft) => {
            draft.name = 'B';
        });
        await settle();
        expect(g.previewer.layingOut.value).toBe(false);
        expect(g.report.value.tubs[0]!.layout.pending).toBe(false);
    });

    it('asks again as long as each answer gets further, with the tub that is looked at first, and no longer', async () => {
        const tubs = (pending: number): Report =>
            ({ tubs: [0, 1, 2].map((i) => ({ id: 'abc'[i], layout: { pending: i < pending } })), findings: [] }) as unknown as Report;
        const answers = [tubs(3), tubs(2), tubs(1), tubs(1), tubs(0)];
        respond = ({ method }) => ({ status: 200, data: method === 'PUT' ? { revision: 2 } : answers.shift() });
        const g = open();
        g.change('spread', (draft) => {
            draft.tubs![0]!.layout = { pattern: 'spread' };
        });
        await settle();
        expect(asked.map((a) => a.path).filter((p) => p.includes('plan'))).toEqual(Array(3).fill('/api/plan?tub=a&ways=3'));
        expect(answers).toHaveLength(1);
        expect(g.previewer.settling.value).toBe(false);
    });

    it('tries remedies of the tub that is looked at, and does one only if it helps', async () => {
        const remedy = (says: string, pending: boolean) => ({
            says,
            patch: [{ op: 'add', path: '/name', value: says }],
            then: [],
            pending,
        });
        const found = (tub: string, ...remedies: unknown[]) => ({ code: 'air.weak', tub, remedies });
        respond = ({ path, method }) => ({
            status: 200,
            data:
                method === 'PUT'
                    ? { revision: 2 }
                    : path === '/api/preview'
                      ? report(false, [found('a', remedy('Helps', true), remedy('Does not', true)), found('b', remedy('Later', true))])
                      : report(false, [found('a', remedy('Helps', false)), found('b', remedy('Later', true))]),
        });
        const g = open();
        g.change('rename', (draft) => {
            draft.name = 'Reed';
        });
        await settle(0);
        const before = g.report.value.findings[0]!;
        await settle();
        expect(await g.mend(before, remedy('Does not', true) as never)).toBe(false);
        expect(g.document.value.name).toBe('Reed');
        expect(await g.mend(before, remedy('Helps', true) as never)).toBe(true);
        expect(g.document.value.name).toBe('Helps');
    });
});

describe('ways out of findings', () => {
    it('are asked for of the first three at a mark, and of the rest when it is opened', async () => {
        const found = (mark: string, i: number, pending: boolean) => ({
            code: `${mark}.${i}`,
            mark,
            tub: 'a',
            remedies: [{ says: 'Do', patch: [], then: [], pending }],
        });
        const all = (tried: number): unknown[] => ['crop', 'air'].flatMap((mark) => [0, 1, 2, 3, 4].map((i) => found(mark, i, i >= tried)));
        respond = ({ path, method }) => ({
            status: 200,
            data:
                method === 'PUT'
                    ? { revision: 2 }
                    : report(false, path.includes('mark=air') ? all(5) : path.includes('plan') ? all(3) : all(0)),
        });
        const g = open();
        g.change('rename', (draft) => {
            draft.name = 'Reed';
        });
        await settle();
        const plans = () => asked.map((a) => a.path).filter((path) => path.includes('plan'));
        // Once: that the fourth is not tried is no reason to ask again.
        expect(plans()).toEqual(['/api/plan?tub=a&ways=3']);
        expect(g.previewer.settling.value).toBe(false);
        g.previewer.open('air', g.document.value);
        await settle();
        expect(plans().slice(1)).toEqual(['/api/plan?tub=a&ways=3&mark=air']);
        expect(g.report.value.findings.every((finding) => !finding.remedies[0]!.pending)).toBe(true);
    });
});

describe('findings', () => {
    it('shows a tub the neighbour that its pump starves', async () => {
        const found = (tub: string, code = 'air.starved') => ({ code, tub, remedies: [] });
        respond = ({ method }) => ({
            status: 200,
            data: method === 'PUT' ? { revision: 2 } : report(false, [found('a'), found('b'), found('c'), found('b', 'crop.light')]),
        });
        const g = open();
        g.change('a pump', (draft) => {
            draft.air = [
                { id: 'p', pump: 'pump-4w-2', branches: [{ tub: 'a' }, { tub: 'b' }] },
                { id: 'q', pump: 'pump-4w-2', branches: [{ tub: 'c' }] },
            ];
        });
        await settle();
        expect(g.findings.value.map((f) => `${f.tub} ${f.code}`)).toEqual(['a air.starved', 'b air.starved']);
    });
});
