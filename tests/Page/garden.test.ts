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
        expect(saves()[0]).toMatchObject({ path: '/api/gardens/01', revision: '1' });
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
        expect(saves().map((s) => s.revision)).toEqual(['1', '2']);
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
        expect(localStorage.getItem('kelp-unsaved-01')).toContain('Reed');
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
        g.change('rename', (draft) => {
            draft.name = 'Away';
        });
        await settle();
        expect(g.save.value).toBe('away');
        expect(g.saver.message.value).toContain('does not answer');
        expect(localStorage.getItem('kelp-unsaved-01')).toContain('Away');
        respond = ({ method }) => ({ status: 200, data: method === 'PUT' ? { revision: 2 } : report() });
        await settle(3000);
        expect(g.save.value).toBe('saved');
        expect(localStorage.getItem('kelp-unsaved-01')).toBeNull();
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

    it('takes up edits that a closed page could not save', async () => {
        localStorage.setItem('kelp-unsaved-01', JSON.stringify({ revision: 1, document: JSON.stringify(garden('Left over')) }));
        const g = open();
        expect(g.document.value.name).toBe('Left over');
        await settle();
        expect(JSON.parse(saves()[0]!.body).name).toBe('Left over');
        g.undo();
        expect(g.document.value.name).toBe('Sill');
    });

    it('does not put left-over edits over a garden that was changed elsewhere', async () => {
        localStorage.setItem('kelp-unsaved-01', JSON.stringify({ revision: 0, document: JSON.stringify(garden('Left over')) }));
        const g = open();
        await settle();
        expect(g.save.value).toBe('conflict');
        expect(saves()).toEqual([]);
        g.takeTheirs();
        expect(g.document.value.name).toBe('Sill');
    });

    it('stops at a conflict until the grower says which', async () => {
        respond = ({ method }) =>
            method === 'PUT'
                ? { status: 409, data: { revision: 7, document: JSON.stringify(garden('Theirs')) } }
                : { status: 200, data: report() };
        const g = open();
        g.change('rename', (draft) => {
            draft.name = 'Mine';
        });
        await settle();
        expect(g.save.value).toBe('conflict');
        g.change('rename again', (draft) => {
            draft.name = 'Mine too';
        });
        await settle(5000);
        expect(saves()).toHaveLength(1);
        respond = ({ method }) => ({ status: 200, data: method === 'PUT' ? { revision: 8 } : report() });
        g.keepMine();
        await settle();
        expect(saves()[1]).toMatchObject({ revision: '7' });
        expect(JSON.parse(saves()[1]!.body).name).toBe('Mine too');
        expect(g.save.value).toBe('saved');
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
        expect(asked.map((a) => a.path).filter((p) => p.includes('plan'))).toEqual(Array(3).fill('/api/plan?tub=a'));
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
