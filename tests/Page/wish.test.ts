import { flushPromises, mount, type VueWrapper } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { defineComponent, h } from 'vue';
import { amountOf, useWish, withAmount, type Wishing } from '../../resources/js/wish/wish';

let asked: { path: string; eat: { crop?: string }[]; done: (of: object) => void }[];
let wishing: Wishing;
let page: VueWrapper;

const answer = (name: string, complete = true): object => ({
    designs: [{ key: name }],
    left_out: [],
    loosen: [],
    portions: [],
    runners_up: [],
    looked_at: 1,
    steps: 1,
    complete,
});
const pick = async (crop: string): Promise<void> => {
    wishing.change((w) => (w.eat = [{ crop }]));
    await vi.advanceTimersByTimeAsync(150);
};
const shown = (): string | undefined => wishing.answer.value?.designs[0]?.key;

function open(units: 'metric' | 'us' = 'metric'): void {
    page = mount(
        defineComponent({
            setup() {
                wishing = useWish(units, 'EUR');
                return () => h('p');
            },
        }),
    );
}

beforeEach(() => {
    vi.useFakeTimers();
    localStorage.clear();
    asked = [];
    vi.stubGlobal(
        'fetch',
        (path: string, init: RequestInit) =>
            new Promise<Response>((done, failed) => {
                init.signal?.addEventListener('abort', () => failed(new Error('aborted')));
                asked.push({
                    path,
                    eat: (JSON.parse(String(init.body)) as { eat: { crop?: string }[] }).eat,
                    done: (of) => done(new Response(JSON.stringify(of))),
                });
            }),
    );
    open();
});
afterEach(() => {
    page.unmount();
    vi.useRealTimers();
});

describe('a wish', () => {
    it('is answered with what is found first, then with the whole; and asks for nothing while it is empty', async () => {
        expect(asked).toEqual([]);
        await pick('basil');
        expect(asked.map((a) => a.path)).toEqual(['/api/wish?first=1']);
        asked[0]!.done(answer('first', false));
        await flushPromises();
        expect([shown(), wishing.busy.value, asked.length]).toEqual(['first', true, 2]);
        asked[1]!.done(answer('whole'));
        await flushPromises();
        expect([shown(), wishing.busy.value]).toEqual(['whole', false]);
    });

    it('asks no more where what was found first is the whole', async () => {
        await pick('basil');
        asked[0]!.done(answer('whole'));
        await flushPromises();
        expect([asked.length, wishing.busy.value]).toEqual([1, false]);
    });

    it('shows nothing of an answer to what was wished before, however late it comes', async () => {
        await pick('basil');
        await pick('kale');
        asked[0]!.done(answer('of basil'));
        await flushPromises();
        expect([shown(), wishing.busy.value]).toEqual([undefined, true]);
        asked[1]!.done(answer('of kale'));
        await flushPromises();
        expect(shown()).toBe('of kale');
        // Emptied, it shows nothing, and an answer that was under way brings nothing back.
        await pick('dill');
        wishing.change((w) => (w.eat = [] as unknown as typeof w.eat));
        await vi.advanceTimersByTimeAsync(150);
        asked[2]!.done(answer('of dill'));
        await flushPromises();
        expect([shown(), wishing.busy.value]).toEqual([undefined, false]);
    });

    it('is found again on this device, in the units that the page has; one that no longer reads is let go', async () => {
        await pick('basil');
        page.unmount();
        open('us');
        expect([wishing.wish.value.eat, wishing.wish.value.units]).toEqual([[{ crop: 'basil' }], 'us']);
        page.unmount();
        localStorage.setItem('kelp-wish', '{"eat"');
        open();
        expect(wishing.isEmpty.value).toBe(true);
    });

    it('says what is wrong with it, and that nobody answers', async () => {
        await pick('mandrake');
        vi.stubGlobal('fetch', async () => Promise.reject(new Error('nobody')));
        await pick('basil');
        await flushPromises();
        expect(wishing.wrong.value).toContain('does not answer');
        vi.stubGlobal(
            'fetch',
            async () =>
                new Response(JSON.stringify({ message: 'no', faults: [{ pointer: '/eat/0/crop', message: 'is no crop' }] }), {
                    status: 422,
                }),
        );
        await pick('mandrake');
        await flushPromises();
        expect(wishing.wrong.value).toBe('eat/0/crop is no crop');
    });
});

describe('an amount', () => {
    it('is a head a week of leaves, three pots of herbs, one plant of what fruits, where nothing is said', () => {
        expect(amountOf({ group: 'leaf' }, 'leaf')).toEqual({ as: 'heads_a_week', much: 1 });
        expect(amountOf({ group: 'herb' }, 'herb')).toEqual({ as: 'plants', much: 3 });
        expect(amountOf({ crop: 'basil' }, 'herb')).toEqual({ as: 'plants', much: 1 });
        expect(amountOf({ crop: 'chilli' }, 'fruit')).toEqual({ as: 'plants', much: 1 });
        expect(amountOf({ crop: 'chilli', g_a_week: 90 }, 'fruit')).toEqual({ as: 'g_a_week', much: 90 });
    });

    it('is said in one way', () => {
        expect(withAmount({ crop: 'basil', plants: 2 }, 'g_a_week', 60)).toEqual({ crop: 'basil', g_a_week: 60 });
    });
});
