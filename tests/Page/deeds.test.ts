import { mount } from '@vue/test-utils';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { defineComponent, h, nextTick, ref } from 'vue';
import { Deeds, deeds } from '../../resources/js/kit/deeds';
import { OpenGarden, provideMeasures } from '../../resources/js/kit/garden';
import type { Library } from '../../resources/js/kit/library';
import Measure from '../../resources/js/kit/Measure.vue';
import { patched } from '../../resources/js/kit/patch';
import { vShown } from '../../resources/js/kit/shown';
import { providePlace } from '../../resources/js/kit/typed';
import type { Garden } from '../../resources/js/types/garden';
import type { Report } from '../../resources/js/types/report';

const test = (path: string, value: unknown) => ({ op: 'test', path, value });
const add = (path: string, value: unknown) => ({ op: 'add', path, value });
const remove = (path: string) => ({ op: 'remove', path });
const garden = (...ids: string[]): Garden =>
    ({ format: 'kelp-tub.garden', version: 1, tubs: ids.map((id) => ({ id, system: 'aerated', vessel: 'bucket-20' })) }) as Garden;

describe('a patch of the core', () => {
    it('finds what it is meant for wherever that stands by now', () => {
        const patch = [test('/tubs/0/id', 'a'), test('/tubs/0/system', 'aerated'), add('/tubs/0/system', 'passive')];
        expect(patched(garden('b', 'c', 'a'), patch)!.tubs!.map((t) => t.system)).toEqual(['aerated', 'aerated', 'passive']);
    });

    it('is not for a document whose values are others by now, nor for one without the entry', () => {
        const patch = [test('/tubs/0/id', 'a'), test('/tubs/0/system', 'aerated'), add('/tubs/0/system', 'passive')];
        const changed = garden('a');
        changed.tubs![0]!.system = 'raft';
        expect(patched(changed, patch)).toBeNull();
        expect(patched(garden('b'), patch)).toBeNull();
    });

    it('adds where nothing was, and not over what has come since', () => {
        const patch = [test('/tubs/0/id', 'a'), add('/tubs/0/stones', { kind: 'disc-100' })];
        expect(patched(garden('a'), patch)!.tubs![0]!.stones).toEqual({ kind: 'disc-100' });
        const since = garden('a');
        since.tubs![0]!.stones = { kind: 'bar-300' };
        expect(patched(since, patch)).toBeNull();
    });

    it('adds no second entry of one id', () => {
        const patch = [test('/format', 'kelp-tub.garden'), add('/tubs/-', { id: 'a-2', system: 'passive', vessel: 'jar-1' })];
        expect(patched(garden('a'), patch)!.tubs).toHaveLength(2);
        expect(patched(garden('a', 'a-2'), patch)).toBeNull();
    });

    it('takes out several entries in any order that they stand in now', () => {
        const document = {
            air: [
                { id: 'r', branches: [] },
                { id: 'p', branches: [] },
                { id: 'q', branches: [] },
            ],
        };
        const patch = [
            test('/air/2/id', 'r'),
            test('/air/2', { id: 'r', branches: [] }),
            test('/air/1/id', 'q'),
            test('/air/1', { id: 'q', branches: [] }),
            remove('/air/2'),
            remove('/air/1'),
        ];
        expect(patched(document, patch)).toEqual({ air: [{ id: 'p', branches: [] }] });
        // One after another from the front: the second stands where the first was.
        const front = [test('/air/0/id', 'p'), test('/air/1/id', 'q'), remove('/air/0'), remove('/air/0')];
        expect(patched(document, front)).toEqual({ air: [{ id: 'r', branches: [] }] });
    });

    it('knows lines by their tub, and copies by tub and number', () => {
        const document = {
            builds: [
                { tub: 'a', copy: 1 },
                { tub: 'a', copy: 2, notes: {} },
            ],
        };
        const patch = [test('/builds/0/tub', 'a'), test('/builds/0/copy', 2), add('/builds/0/notes', { x: 'y' })];
        // Its notes were not there when it was made.
        expect(patched(document, patch)).toBeNull();
        const none = {
            builds: [
                { tub: 'a', copy: 1 },
                { tub: 'a', copy: 2 },
            ],
        };
        expect(patched(none, patch)!.builds[1]).toEqual({ tub: 'a', copy: 2, notes: { x: 'y' } });
    });

    it('holds an entry without a name whole, and leaves what it puts there itself alone', () => {
        const document = { saws: [{ mm: 35 }, { mm: 51 }] };
        expect(patched(document, [test('/saws/1', { mm: 51 }), test('/saws/1/mm', 51), add('/saws/1/mm', 54)])!.saws[1]!.mm).toBe(54);
        expect(patched(document, [test('/saws/1', { mm: 50 }), add('/saws/1/mm', 54)])).toBeNull();
        const whole = [test('/saws', document.saws), add('/saws', [{ mm: 1 }]), add('/saws/0/mm', 2)];
        expect(patched(document, whole)).toEqual({ saws: [{ mm: 2 }] });
    });

    it('changes nothing of the document that it is given', () => {
        const before = garden('a');
        const text = JSON.stringify(before);
        patched(before, [test('/tubs/0/id', 'a'), add('/tubs/0/name', 'Mint')]);
        patched(before, [test('/tubs/0/id', 'b'), add('/tubs/0/name', 'Mint')]);
        expect(JSON.stringify(before)).toBe(text);
    });
});

describe('deeds', () => {
    it('are done at once where nothing is waited for', () => {
        const done: string[] = [];
        new Deeds().do('one', () => done.push('one'));
        expect(done).toEqual(['one']);
    });

    it('come one after another, however late an answer is', async () => {
        const line = new Deeds();
        const done: string[] = [];
        let answer: (text: string) => void = () => undefined;
        const read = line.run('reading', async (act) => {
            const text = await new Promise<string>((then) => (answer = then));
            act(() => {
                // What a deed does of itself is part of it.
                line.do('inside', () => done.push(text));
            });
        });
        line.do('two', () => done.push('two'));
        const three = line.run('three', (act) => Promise.resolve(act(() => done.push('three'))));
        await nextTick();
        expect([done, line.busy.value]).toEqual([[], true]);
        answer('one');
        await Promise.all([read, three, line.settled()]);
        expect([done, line.busy.value]).toEqual([['one', 'two', 'three'], false]);
    });

    it('holds a press in its place, and what it begins comes right after it', async () => {
        const line = new Deeds();
        const done: string[] = [];
        let answer: () => void = () => undefined;
        void line.run('reading', () => new Promise<void>((then) => (answer = then)));
        line.hold(() => {
            done.push('press');
            void line.run('asking', async (act) => {
                await nextTick();
                act(() => done.push('asked'));
            });
            line.do('more', () => done.push('more'));
        });
        line.do('later', () => done.push('later'));
        expect([done, line.holds.value]).toEqual([[], 1]);
        answer();
        await line.settled();
        expect([done, line.holds.value]).toEqual([['press', 'asked', 'more', 'later'], 0]);
    });

    it('go on after one that fails', async () => {
        vi.stubGlobal('reportError', () => undefined);
        const line = new Deeds();
        const done: string[] = [];
        const fails = line.run('fails', () => Promise.reject(new Error('no')));
        line.do('next', () => done.push('next'));
        await expect(fails).rejects.toThrow('no');
        await line.settled();
        expect(done).toEqual(['next']);
        vi.unstubAllGlobals();
    });

    it('say what is waited for once that has taken a while', async () => {
        vi.useFakeTimers();
        const line = new Deeds();
        let answer: () => void = () => undefined;
        void line.run('Reading “35 cm”', () => new Promise<void>((then) => (answer = then)));
        await vi.advanceTimersByTimeAsync(299);
        expect(line.slow.value).toBe('');
        await vi.advanceTimersByTimeAsync(2);
        expect(line.slow.value).toBe('Reading “35 cm”');
        answer();
        await vi.advanceTimersByTimeAsync(1);
        await line.settled();
        expect(line.slow.value).toBe('');
        vi.useRealTimers();
    });
});

/** A server whose answers come when they are let go. */
interface Held {
    path: string;
    body: string;
    answer: (data: unknown, status?: number) => Promise<void>;
    fail: () => Promise<void>;
}
let held: Held[] = [];
const next = async (path: string): Promise<Held> => {
    await vi.waitFor(() => {
        if (!held.some((one) => one.path.startsWith(path))) throw new Error(`${path} was not asked`);
    });
    return held.splice(
        held.findIndex((one) => one.path.startsWith(path)),
        1,
    )[0]!;
};

const report = (ids: string[], findings: unknown[] = []): Report =>
    ({ tubs: ids.map((id) => ({ id, layout: { pending: false } })), findings }) as unknown as Report;
let opened = 0;
const open = (document: Garden): OpenGarden =>
    new OpenGarden(`0${++opened}`, 1, JSON.stringify(document), JSON.stringify(report(document.tubs!.map((t) => t.id))), {} as Library);

beforeEach(() => {
    localStorage.clear();
    held = [];
    vi.stubGlobal(
        'fetch',
        (path: string, init: RequestInit) =>
            new Promise<Response>((done, failed) => {
                const settle = async (act: () => void): Promise<void> => {
                    act();
                    for (let i = 0; i < 12; i++) await nextTick();
                };
                held.push({
                    path: path.replace('/api/', ''),
                    body: String(init.body ?? ''),
                    answer: (data, status = 200) => settle(() => done(new Response(JSON.stringify(data), { status }))),
                    fail: () => settle(() => failed(new Error('away'))),
                });
                init.signal?.addEventListener('abort', () => failed(new Error('aborted')));
            }),
    );
});
afterEach(async () => {
    for (const one of held.splice(0)) await one.fail();
    await deeds.settled();
    vi.unstubAllGlobals();
});

describe('a garden with late answers', () => {
    it('does an edit to the tub that it was asked for, whichever is chosen by then', async () => {
        const g = open(garden('a', 'b'));
        void g.at('a').ask('run it still', 'edits/run?tub=a&system=passive');
        const asked = await next('edits/run');
        g.choose('b');
        await asked.answer({ patch: [test('/tubs/0/id', 'a'), test('/tubs/0/system', 'aerated'), add('/tubs/0/system', 'passive')] });
        expect(g.document.value.tubs!.map((t) => t.system)).toEqual(['passive', 'aerated']);
        expect(g.selected.value).toBe('b');
    });

    it('asks again where the garden has changed meanwhile, and gives up after three', async () => {
        const g = open(garden('a', 'b'));
        const asking = g.ask('add air', 'edits/aerate?tub=a');
        const stale = { patch: [test('/tubs/0/id', 'a'), test('/tubs/0/system', 'raft'), add('/tubs/0/system', 'passive')] };
        await (await next('edits/aerate')).answer(stale);
        const again = await next('edits/aerate');
        await again.answer({ patch: [test('/tubs/0/id', 'a'), add('/tubs/0/name', 'Aired')] });
        expect(await asking).not.toBeNull();
        expect(g.document.value.tubs![0]!.name).toBe('Aired');

        const never = g.ask('add air', 'edits/aerate?tub=a');
        for (let i = 0; i < 3; i++) await (await next('edits/aerate')).answer(stale);
        expect(await never).toBeNull();
        expect(g.said.value).toContain('Not done: “add air”');
    });

    it('does nothing to a garden that was left, and nothing of an answer that is not for this garden', async () => {
        const g = open(garden('a'));
        const asking = g.ask('add air', 'edits/aerate?tub=a');
        const asked = await next('edits/aerate');
        g.dispose();
        await asked.answer({ patch: [test('/tubs/0/id', 'a'), add('/tubs/0/name', 'Aired')] });
        expect(await asking).toBeNull();
        expect(g.document.value.tubs![0]!.name).toBeUndefined();

        const other = open(garden('a'));
        other.apply('use it', [test('/tubs/0/id', 'z'), add('/tubs/0/name', 'Z')]);
        expect(other.said.value).toContain('offered for the garden as it was before');
    });

    it('holds a remedy of an old report until the new one is there, and does what that one offers', async () => {
        const remedy = (patch: unknown[]) => ({ says: 'Change weekly', patch, then: [], pending: false });
        const finding = (patch: unknown[]) => ({ code: 'feed.change', tub: 'b', severity: 'mend', remedies: [remedy(patch)] });
        const old = finding([test('/tubs/1/id', 'b'), add('/tubs/1/change', 'weekly')]);
        const g = open(garden('a', 'b'));
        g.change('move it', (draft) => void draft.tubs!.reverse());
        const mending = g.mend(old as never, old.remedies[0] as never);
        const preview = await next('preview');
        expect(g.document.value.tubs!.some((t) => 'change' in t)).toBe(false);
        await preview.answer(report(['b', 'a'], [finding([test('/tubs/0/id', 'b'), add('/tubs/0/change', 'weekly')])]));
        expect(await mending).toBe(true);
        expect(g.document.value.tubs!.map((t) => [t.id, (t as unknown as { change?: string }).change])).toEqual([
            ['b', 'weekly'],
            ['a', undefined],
        ]);

        g.change('call it', (draft) => {
            draft.name = 'Reed';
        });
        const gone = g.mend(old as never, old.remedies[0] as never);
        await (await next('preview')).answer(report(['b', 'a']));
        // What was done on the way is previewed too.
        for (const more of held.filter((one) => one.path === 'preview')) await more.answer(report(['b', 'a']));
        expect(await gone).toBe(false);
    });
});

describe('an edit that is refused', () => {
    const fault = { faults: [{ pointer: '/tubs/0/count', message: 'is 51; the most is 50' }], message: 'Refused' };
    const set = (g: OpenGarden, says: string, edit: (draft: Garden) => void): void => g.change(says, edit);

    it('goes, the rest stays and is saved, and undo takes it back first', async () => {
        const g = open(garden('a', 'b'));
        set(g, 'name it', (d) => void (d.name = 'Reed'));
        await (await next('preview')).answer(report(['a', 'b']));
        set(g, 'count it', (d) => void (d.tubs![0]!.count = 51));
        const refused = await next('preview');
        set(g, 'name the other', (d) => void (d.tubs![1]!.name = 'Mint'));
        await refused.answer(fault, 422);
        expect(g.document.value).toMatchObject({ name: 'Reed', tubs: [{ id: 'a' }, { id: 'b', name: 'Mint' }] });
        expect(g.document.value.tubs![0]).not.toHaveProperty('count');
        expect(g.refusal.value).toMatchObject({ says: 'count it' });
        expect(g.faultAt('/tubs/0/count')).toContain('the most is 50');
        await (await next('preview')).answer(report(['a', 'b']));

        const put = await next(`gardens/${g.id}`);
        expect(JSON.parse(put.body)).toMatchObject({ name: 'Reed', tubs: [{ id: 'a' }, { name: 'Mint' }] });
        expect(put.body).not.toContain('"count"');

        g.undo();
        expect([g.refusal.value, g.stepped.value]).toEqual([null, 'Undone: count it']);
        expect(g.document.value.tubs![1]!.name).toBe('Mint');
        g.undo();
        expect(g.document.value.tubs![1]!.name).toBeUndefined();
        expect(g.document.value.name).toBe('Reed');
        g.undo();
        expect(g.document.value.name).toBeUndefined();
    });

    it('is told by what it touched where several came before the answer, also after tubs changed places', async () => {
        const g = open(garden('a', 'b'));
        set(g, 'count it', (d) => void (d.tubs![0]!.count = 51));
        const first = await next('preview');
        set(g, 'name the other', (d) => void (d.tubs![1]!.name = 'Mint'));
        set(g, 'turn them', (d) => void d.tubs!.reverse());
        await first.answer(fault, 422);
        expect(g.refusal.value).toMatchObject({ says: 'count it' });
        expect(JSON.stringify(g.document.value)).not.toContain('"count"');
        expect(g.document.value.tubs!.find((t) => t.id === 'b')!.name).toBe('Mint');
    });

    it('stays where no edit of this page brought it about', async () => {
        const g = open(garden('a'));
        void g.previewer.preview(JSON.parse(JSON.stringify(garden('a'))) as Garden);
        await (await next('preview')).answer(fault, 422);
        expect(g.refusal.value).toBeNull();
        expect(g.previewer.faults.value).toHaveLength(1);
    });
});

describe('a text that is read', () => {
    const field = (place = '') => {
        const value = ref<number | null>(100);
        const taken: number[] = [];
        const isThere = ref(true);
        const page = mount(
            defineComponent({
                setup() {
                    provideMeasures({ units: ref('metric' as const), faultAt: () => null });
                    if (place) providePlace(place);
                    return () =>
                        isThere.value
                            ? h(Measure, {
                                  label: 'Wall',
                                  dimension: 'length',
                                  modelValue: value.value,
                                  'onUpdate:modelValue': (v: number | null) => {
                                      taken.push(v!);
                                      value.value = v;
                                  },
                              })
                            : h('p');
                },
            }),
        );
        const type = (text: string) => page.find('input').setValue(text);
        return { page, value, taken, isThere, type, text: () => page.find('input').element.value, says: () => page.find('.note').text() };
    };
    const mm = (value: number) => ({ readings: [{ value, unit: 'mm', note: null }] });

    it('counts as it was typed last, whatever is answered first', async () => {
        const f = field();
        await f.type('90');
        const first = await next('read');
        await f.type('120');
        const second = await next('read');
        await second.answer(mm(120));
        await first.answer(mm(90));
        expect(f.taken).toEqual([120]);
    });

    it('stands in its field while it waits, also when that is left, and is taken though the field is gone', async () => {
        const f = field();
        await f.page.find('input').trigger('focus');
        await f.type('120 mm');
        await f.page.find('input').trigger('blur');
        expect(f.text()).toBe('120 mm');
        const asked = await next('read');
        f.isThere.value = false;
        await nextTick();
        await asked.answer(mm(120));
        expect(f.taken).toEqual([120]);
    });

    it('is kept while nobody reads it, in the field and in the browser, and read when someone is there', async () => {
        const f = field('g/a/tub');
        await f.type('120 mm');
        await (await next('read')).fail();
        expect(f.says()).toContain('“120 mm” is not read yet');
        expect(JSON.stringify(localStorage)).toContain('120 mm');
        // What is done meanwhile is not held up.
        let isDone = false;
        deeds.do('press', () => (isDone = true));
        expect(isDone).toBe(true);
        await vi.waitFor(() => expect(held.some((one) => one.path === 'read')).toBe(true), 5000);
        await (await next('read')).answer(mm(120));
        expect(f.taken).toEqual([120]);
        expect(JSON.stringify(localStorage)).not.toContain('120 mm');
        f.page.unmount();
    });

    it('is found again by a page that was left, and not taken where the value is another by then', async () => {
        const first = field('g/a/tub');
        await first.type('120 mm');
        first.page.unmount();
        // The page is gone before anyone answers.
        await (await next('read')).fail();
        const again = field('g/a/tub');
        await nextTick();
        expect(again.text()).toBe('120 mm');
        await (await next('read')).answer(mm(120));
        expect(again.taken).toEqual([120]);
        again.page.unmount();

        localStorage.setItem('kelp-text-g/a/tub/Wall', JSON.stringify({ text: '120 mm', was: '55' }));
        const other = field('g/a/tub');
        await nextTick();
        expect(other.says()).toContain('was not taken: this was changed meanwhile');
        expect(localStorage.getItem('kelp-text-g/a/tub/Wall')).toBeNull();
        other.page.unmount();
    });

    it('is read once where its field was left and found again before an answer came', async () => {
        const f = field('g/a/tub');
        await f.type('120 mm');
        const first = await next('read');
        f.isThere.value = false;
        await nextTick();
        f.isThere.value = true;
        await nextTick();
        // Taken back between the two answers, it stays so.
        deeds.do('Undo', () => (f.value.value = 100));
        const second = await next('read');
        await first.answer(mm(120));
        await second.answer(mm(120));
        await vi.waitFor(() => expect(deeds.busy.value).toBe(false));
        expect(f.taken).toEqual([120]);
        expect(f.value.value).toBe(100);
        expect(f.text()).toBe('100\u202fmm');
        expect(f.says()).not.toContain('was not taken');
        f.page.unmount();
    });

    it('is not taken from where it was left once the value has become another before its turn', async () => {
        localStorage.setItem('kelp-text-g/a/tub/Wall', JSON.stringify({ text: '120 mm', was: '100' }));
        const f = field('g/a/tub');
        f.value.value = 55;
        await (await next('read')).answer(mm(120));
        await vi.waitFor(() => expect(f.says()).toContain('was not taken: this was changed meanwhile'));
        expect(f.taken).toEqual([]);
        f.page.unmount();
    });

    it('that was wrong is there with what is wrong, and is not read again by passing', async () => {
        const f = field('g/a/tub');
        await f.type('43 parsecs');
        await (await next('read')).answer({ readings: [{ error: 'No such length.' }] });
        f.isThere.value = false;
        await nextTick();
        f.isThere.value = true;
        await nextTick();
        await nextTick();
        expect(f.text()).toBe('43 parsecs');
        expect(f.says()).toContain('No such length.');
        expect(held.filter((one) => one.path === 'read')).toEqual([]);
        f.page.unmount();
    });
});

describe('a plain field', () => {
    it('shows what was typed until its turn has come, and that is what is taken', async () => {
        const name = ref('Tub a');
        const drawn = ref(0);
        const page = mount(
            defineComponent({
                directives: { shown: vShown },
                setup: () => ({ name, rename: (to: string) => deeds.do('rename', () => (name.value = to)), drawn }),
                template: '<i>{{ drawn }}</i><input v-shown="name" @change="rename($event.target.value)" />',
            }),
        );
        let answer = (): void => undefined;
        void deeds.run('Reading', () => new Promise<void>((done) => (answer = done)));
        const input = page.find('input');
        input.element.value = 'Mint';
        await input.trigger('change');
        drawn.value++;
        await nextTick();
        expect(input.element.value).toBe('Mint');
        answer();
        await deeds.settled();
        await nextTick();
        expect(name.value).toBe('Mint');
        expect(input.element.value).toBe('Mint');
        // What comes to nothing gives way to what is so.
        void deeds.run('Reading', () => new Promise<void>((done) => (answer = done)));
        input.element.value = 'Thyme';
        drawn.value++;
        await nextTick();
        answer();
        await deeds.settled();
        await nextTick();
        expect(input.element.value).toBe('Mint');
        page.unmount();
    });
});

describe('the code of the page', () => {
    const files = (folder: string): string[] =>
        readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
            entry.isDirectory() ? files(join(folder, entry.name)) : [join(folder, entry.name)],
        );

    it('reads a field when it is written in, not when the turn of what was written comes', () => {
        const late = files('resources/js').filter((file) =>
            /\('[^']+',\s*\([^()]*\)\s*=>\s*\{?[^}]*\bevent\.target/.test(readFileSync(file, 'utf8')),
        );
        expect(late).toEqual([]);
    });

    it('asks the application in one way: in turns, or as a deed', () => {
        const asks = files('resources/js')
            .filter((file) => /\.(ts|vue)$/.test(file))
            .filter((file) => /from '(\.\.?\/)*(kit\/)?api'/.test(readFileSync(file, 'utf8')))
            .filter((file) => /import \{[^}]*\bcall\b/.test(readFileSync(file, 'utf8')))
            .map((file) => file.replace('resources/js/', ''));
        // Each of these sees to the order of its answers by itself.
        expect(asks.sort()).toEqual([
            'days/outbox.ts',
            'kit/garden.ts',
            'kit/library.ts',
            'kit/previewer.ts',
            'kit/reader.ts',
            'kit/saver.ts',
            'kit/turns.ts',
        ]);
        const fetches = files('resources/js').filter((file) => /\bfetch\(/.test(readFileSync(file, 'utf8')));
        expect(fetches.map((file) => file.replace('resources/js/', '')).sort()).toEqual(['kit/api.ts', 'kit/download.ts']);
    });

    it('reads texts through fields that keep them', () => {
        const reads = files('resources/js')
            .filter((file) => /import \{[^}]*\b(read|readSum|readDose)\b[^}]*\} from '[^']*reader'/.test(readFileSync(file, 'utf8')))
            .filter((file) => !/useTyped|ReadField|runOnce/.test(readFileSync(file, 'utf8')))
            .map((file) => file.replace('resources/js/', ''));
        // The table's lines are read for the field that holds it; a weight for the field that asks what it weighed.
        expect(reads.sort()).toEqual(['kit/bare.ts', 'lid/table.ts']);
    });

    it('reads numbers without a unit in one place', () => {
        const own = files('resources/js').filter((file) => /parseFloat|parseInt|replace\(',', ?'\.'\)/.test(readFileSync(file, 'utf8')));
        expect(own.map((file) => file.replace('resources/js/', ''))).toEqual(['kit/bare.ts']);
    });
});
