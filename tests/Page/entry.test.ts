import { flushPromises, mount, type VueWrapper } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { defineComponent, h } from 'vue';
import { outbox } from '../../resources/js/days/outbox';
import { OpenGarden, provideGarden } from '../../resources/js/kit/garden';
import type { Library } from '../../resources/js/kit/library';
import EntryForm from '../../resources/js/log/EntryForm.vue';
import type { Garden } from '../../resources/js/types/garden';

const READ = { entry: { level_mm: 170 }, understood: ['level 17 cm'], left: '', asks: [] };

let garden: OpenGarden;
let form: VueWrapper;
/** Questions that are at the server, each to be answered when the test says so. */
let asked: { text: string; answer: (of: object | 'nobody') => void }[];
const kept = vi.spyOn(outbox, 'add');
const keptUnread = vi.spyOn(outbox, 'addLine');

const type = (text: string) => form.find('#log-line').setValue(text);
const press = () => form.find('form').trigger('submit');
const text = () => (form.find('#log-line').element as HTMLTextAreaElement).value;

beforeEach(() => {
    vi.useFakeTimers();
    localStorage.clear();
    asked = [];
    kept.mockReset().mockResolvedValue();
    keptUnread.mockReset().mockResolvedValue();
    vi.stubGlobal('fetch', (url: string, init: RequestInit) =>
        url.endsWith('entries/read')
            ? new Promise<Response>((done, failed) => {
                  init.signal?.addEventListener('abort', () => failed(new Error('aborted')));
                  asked.push({
                      text: (JSON.parse(String(init.body)) as { text: string }).text,
                      answer: (of) => (of === 'nobody' ? failed(new Error('nobody')) : done(new Response(JSON.stringify(of)))),
                  });
              })
            : Promise.resolve(new Response(JSON.stringify({ tubs: [], findings: [], revision: 2 }))),
    );
    garden = new OpenGarden(
        '01',
        1,
        '{"format":"kelp-tub.garden","version":1,"tubs":[{"id":"a"}]}',
        '{"format":"kelp-tub.report","version":1,"tubs":[],"air":[],"parts":[],"budget":{},"findings":[]}',
        {} as Library,
    );
    form = mount(
        defineComponent({
            setup() {
                provideGarden(garden);
                return () => h(EntryForm, { tub: 'a', copy: 1, planting: null });
            },
        }),
    );
});
afterEach(() => {
    form.unmount();
    vi.useRealTimers();
});

describe('a line of the log', () => {
    it('that is kept before it is read is kept, though another question about it comes meanwhile', async () => {
        await type('level 17 cm');
        await press();
        // The garden comes anew from the server, with what a line may mean: it is read again.
        garden.document.value = { ...garden.document.value, log: { jug_l: 1.5 } } as Garden;
        await flushPromises();
        for (const question of asked) question.answer('nobody');
        await flushPromises();

        expect(keptUnread).toHaveBeenCalledOnce();
        expect(keptUnread.mock.calls[0]![1]).toMatchObject({ tub: 'a', copy: 1, text: 'level 17 cm' });
        expect(text()).toBe('');
    });

    it('goes from its field when this device has it, and not before', async () => {
        let has: () => void = () => undefined;
        kept.mockReturnValue(new Promise((done) => (has = done)));
        await type('level 17 cm');
        await press();
        asked[0]!.answer(READ);
        await flushPromises();
        expect([kept.mock.calls.length, text()]).toEqual([1, 'level 17 cm']);
        has();
        await flushPromises();
        expect(text()).toBe('');
    });

    it('that is written again right after is kept again', async () => {
        for (const time of [1, 2]) {
            await type('level 17 cm');
            await press();
            asked.at(-1)!.answer(READ);
            await flushPromises();
            expect(kept).toHaveBeenCalledTimes(time);
        }
    });

    it('that is refused or has to be asked about stays in its field', async () => {
        await type('EC 230');
        await press();
        asked[0]!.answer({ ...READ, asks: [{ about: 'ec', text: 'EC 230', question: '2.3?' }] });
        await flushPromises();
        expect([kept.mock.calls.length, keptUnread.mock.calls.length, text()]).toEqual([0, 0, 'EC 230']);
        expect(form.text()).toContain('2.3?');
    });

    it('is kept by a button above all that comes and goes with what is typed', async () => {
        await type('level 17 cm');
        await vi.advanceTimersByTimeAsync(200);
        asked[0]!.answer('nobody');
        await flushPromises();
        const below = form.find('.ask').element;
        const place = form.find('[data-act=keep-line]').element.compareDocumentPosition(below);
        expect(place & Node.DOCUMENT_POSITION_FOLLOWING).toBeTruthy();
    });
});

describe('fields of the log', () => {
    it('are emptied when this device has what was in them, and not before', async () => {
        let has: () => void = () => undefined;
        kept.mockReturnValue(new Promise((done) => (has = done)));
        await form
            .findAll('button')
            .find((b) => b.text() === 'Fields')!
            .trigger('click');
        await form.find('[data-field=ph]').setValue('6.1');
        await form.find('form').trigger('submit');
        await flushPromises();
        const value = () => (form.find('[data-field=ph]').element as HTMLInputElement).value;
        expect([kept.mock.calls[0]![1], value()]).toMatchObject([{ ph: 6.1 }, '6.1']);
        has();
        await flushPromises();
        expect(value()).toBe('');
    });
});
