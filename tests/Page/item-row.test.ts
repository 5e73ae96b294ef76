import { mount } from '@vue/test-utils';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { nextTick } from 'vue';
import ItemRow from '../../resources/js/days/ItemRow.vue';
import { deeds } from '../../resources/js/kit/deeds';
import type { Item } from '../../resources/js/days/diary';

const pick = {
    key: 'k',
    kind: 'pick',
    says: 'Pick it',
    date: '2027-05-01',
    late: false,
    done: null,
    litres: null,
    note: '',
    how: '',
    why: '',
    parts: [],
} as unknown as Item;
const row = (units: 'metric' | 'us' = 'metric') => mount(ItemRow, { props: { item: pick, today: '2027-05-01', units } });
afterEach(() => vi.unstubAllGlobals());

async function weigh(wrapper: ReturnType<typeof row>, text: string): Promise<void> {
    const field = wrapper.find('.grams input');
    await field.trigger('focus');
    (field.element as HTMLInputElement).value = text;
    await field.trigger('input');
    await deeds.settled();
    await field.trigger('blur');
    await nextTick();
}

describe('what is picked', () => {
    it('goes with its weight, in grams or ounces', async () => {
        for (const [units, text, grams] of [
            ['metric', '850', 850],
            ['us', '8', 8 * 28.349523125],
            ['metric', '', null],
        ] as const) {
            const wrapper = row(units);
            if (text) await weigh(wrapper, text);
            await wrapper.find('input[type=checkbox]').setValue(true);
            expect(wrapper.emitted('tick')).toEqual([[grams]]);
        }
    });

    it('is not ticked while what was written of its weight is not understood, and the text stays', async () => {
        vi.stubGlobal(
            'fetch',
            vi.fn(() => Promise.resolve(new Response(JSON.stringify({ readings: [{ error: 'No weight.' }] })))),
        );
        const wrapper = row();
        await weigh(wrapper, '85');
        await weigh(wrapper, '85 apples');
        await wrapper.find('input[type=checkbox]').setValue(true);
        expect(wrapper.emitted('tick')).toBeUndefined();
        expect((wrapper.find('input[type=checkbox]').element as HTMLInputElement).checked).toBe(false);
        expect((wrapper.find('.grams input').element as HTMLInputElement).value).toBe('85 apples');
        expect(wrapper.find('[role=alert]').text()).toContain('“85 apples” is not understood');
        await weigh(wrapper, '');
        await wrapper.find('input[type=checkbox]').setValue(true);
        expect(wrapper.emitted('tick')).toEqual([[null]]);
    });
});
