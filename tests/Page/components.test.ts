import { mount } from '@vue/test-utils';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { defineComponent, h, nextTick, ref, withDirectives } from 'vue';
import Counter from '../../resources/js/kit/Counter.vue';
import Figure from '../../resources/js/kit/Figure.vue';
import Findings from '../../resources/js/kit/Findings.vue';
import { OpenGarden, provideGarden } from '../../resources/js/kit/garden';
import type { Library } from '../../resources/js/kit/library';
import Measure from '../../resources/js/kit/Measure.vue';
import { vShown } from '../../resources/js/kit/shown';
import { MARKS } from '../../resources/js/marks';
import TideStaff from '../../resources/js/shell/TideStaff.vue';
import type { Finding } from '../../resources/js/types/report';

const finding = (code: string, severity: Finding['severity'], remedies: Finding['remedies'] = []): Finding => ({
    code,
    severity,
    mark: code.split('.')[0]!,
    tub: null,
    at: `/${code}`,
    says: `${code} says`,
    why: 'why',
    remedies,
});

let garden: OpenGarden;

/** Mounts a component inside an open garden. */
function inGarden(component: Parameters<typeof h>[0], props: Record<string, unknown>) {
    return mount(
        defineComponent({
            setup() {
                provideGarden(garden);
                return () => h(component as never, props);
            },
        }),
        { attachTo: document.body },
    );
}

beforeEach(() => {
    document.body.innerHTML = '';
    localStorage.clear();
    sessionStorage.clear();
    vi.stubGlobal('fetch', async (url: string, init: RequestInit) => {
        if (!url.endsWith('/read')) return new Response(JSON.stringify({ tubs: [], findings: [], revision: 2 }), { status: 200 });
        const { texts } = JSON.parse(String(init.body)) as { texts: { text: string }[] };
        const readings = texts.map(({ text }) =>
            text === '2 in'
                ? { value: 50.8, unit: 'in', note: null }
                : text === '54'
                  ? { value: 54, unit: 'mm', note: null }
                  : text === '14'
                    ? { value: 14, unit: 'mm', note: null }
                    : text === '14 in'
                      ? { value: 355.6, unit: 'in', note: null }
                      : { error: `"${text}" does not start with a number.` },
        );
        return new Response(JSON.stringify({ readings }), { status: 200 });
    });
    garden = new OpenGarden(
        '01',
        1,
        '{"format":"kelp-tub.garden","version":1}',
        '{"format":"kelp-tub.report","version":1,"tubs":[],"air":[],"parts":[],"budget":{},"findings":[]}',
        {} as Library,
    );
});

describe('Measure', () => {
    const type = async (wrapper: ReturnType<typeof inGarden>, text: string): Promise<void> => {
        const input = wrapper.find('input');
        await input.trigger('focus');
        await input.setValue(text);
        await vi.waitFor(() => expect(wrapper.find('.note').text()).not.toBe(''), { timeout: 1000 });
    };

    it('shows what it understood and hands the value on', async () => {
        const changed = vi.fn();
        const wrapper = inGarden(Measure, { label: 'Hole', dimension: 'length', modelValue: 54, 'onUpdate:modelValue': changed });
        expect((wrapper.find('input').element as HTMLInputElement).value).toBe('54\u202fmm');
        await type(wrapper, '2 in');
        expect(wrapper.find('.note').text()).toBe('= 51\u202fmm');
        expect(changed).toHaveBeenLastCalledWith(50.8);
    });

    it('says what would do when it cannot read, hands nothing on, and keeps the text', async () => {
        const changed = vi.fn();
        const wrapper = inGarden(Measure, { label: 'Hole', dimension: 'length', modelValue: 54, 'onUpdate:modelValue': changed });
        await type(wrapper, 'fist');
        expect(wrapper.find('.note.wrong').text()).toContain('"fist"');
        expect(changed).not.toHaveBeenCalled();
        await wrapper.find('input').trigger('blur');
        expect((wrapper.find('input').element as HTMLInputElement).value).toBe('fist');
    });

    it('asks about a bare number that is out of the question, and takes nothing until it is answered', async () => {
        const changed = vi.fn();
        const wrapper = inGarden(Measure, {
            label: 'At the rim',
            dimension: 'length',
            modelValue: 280,
            plausible: [50, 2500],
            'onUpdate:modelValue': changed,
        });
        const input = wrapper.find('input');
        await input.trigger('focus');
        await input.setValue('14');
        await vi.waitFor(() => expect(input.attributes('aria-busy')).toBe('false'));
        await input.trigger('blur');
        expect(wrapper.find('.either').text().replace(/\s+/g, ' ')).toBe('14 mm or 14 in ?');
        expect(changed).not.toHaveBeenCalled();
        await wrapper.findAll('.either button')[1]!.trigger('click');
        await vi.waitFor(() => expect(changed).toHaveBeenCalledWith(355.6));
        expect(wrapper.find('.either').exists()).toBe(false);
    });

    it('is labelled, and describes itself by its note', () => {
        const wrapper = inGarden(Measure, { label: 'Hole', dimension: 'length', modelValue: 54 });
        const input = wrapper.find('input').element;
        expect(wrapper.find('label').attributes('for')).toBe(input.id);
        expect(document.getElementById(input.getAttribute('aria-describedby')!)).not.toBeNull();
    });

    it('may be emptied where that means something', async () => {
        const changed = vi.fn();
        const wrapper = inGarden(Measure, {
            label: 'Hole',
            dimension: 'length',
            modelValue: 54,
            optional: true,
            'onUpdate:modelValue': changed,
        });
        await wrapper.find('input').setValue('');
        expect(changed).toHaveBeenCalledWith(null);
    });
});

describe('Figure', () => {
    it('opens to how it comes about', async () => {
        const wrapper = inGarden(Figure, { label: 'Working volume', value: '17.4\u202fL', why: 'The measures hold 17.4 L.' });
        expect(wrapper.text()).not.toContain('The measures hold');
        await wrapper.find('button').trigger('click');
        expect(wrapper.find('button').attributes('aria-expanded')).toBe('true');
        expect(wrapper.text()).toContain('The measures hold 17.4 L.');
    });

    it('shows the old value for a moment, and not when only the unit changes', async () => {
        vi.useFakeTimers();
        const value = ref('8');
        const wrapper = mount(
            defineComponent({
                setup() {
                    provideGarden(garden);
                    return () => h(Figure, { label: 'Cups', value: garden.units.value === 'us' ? `${value.value} in` : value.value });
                },
            }),
        );
        value.value = '9';
        await nextTick();
        expect(wrapper.find('.before').text()).toBe('was 8');
        await vi.advanceTimersByTimeAsync(3000);
        expect(wrapper.find('.before').exists()).toBe(false);
        garden.change('change units', (g) => {
            g.units = 'us';
        });
        await nextTick();
        expect(wrapper.text()).toContain('9 in');
        expect(wrapper.find('.before').exists()).toBe(false);
        vi.useRealTimers();
    });
});

describe('Findings', () => {
    it('shows the worst and folds the rest with a count', async () => {
        const wrapper = inGarden(Findings, {
            findings: [finding('a.a', 'stop'), finding('b.b', 'mend'), finding('c.c', 'mind'), finding('d.d', 'mind')],
        });
        expect(wrapper.findAll('article')).toHaveLength(2);
        await wrapper
            .findAll('button')
            .find((b) => b.text() === '2 more')!
            .trigger('click');
        expect(wrapper.findAll('article')).toHaveLength(4);
    });

    it('says a severity in words, and mends with one press', async () => {
        const wrapper = inGarden(Findings, {
            findings: [
                finding('a.a', 'stop', [
                    { says: 'Call it Reed', patch: [{ op: 'add', path: '/name', value: 'Reed' }], then: [], pending: false },
                ]),
            ],
        });
        expect(wrapper.find('.severity').text()).toBe('Stop');
        await wrapper.find('.remedies button').trigger('click');
        expect(garden.document.value.name).toBe('Reed');
    });

    it('shows no way out while it is being tried, and shows it where there was no time for it', async () => {
        const patch: Finding['remedies'][number]['patch'] = [{ op: 'add', path: '/name', value: 'Reed' }];
        const findings = [finding('a.a', 'stop', [{ says: 'Call it Reed', patch, then: [], pending: true }])];
        const wrapper = inGarden(Findings, { findings });
        garden.previewer.settling.value = true;
        await nextTick();
        expect(wrapper.find('.remedies').exists()).toBe(false);
        garden.previewer.settling.value = false;
        await nextTick();
        expect(wrapper.find('.remedies button').text()).toBe('Call it Reed');
    });

    it('says so when there is nothing', () => {
        expect(inGarden(Findings, { findings: [] }).text()).toContain('Nothing to mend here.');
    });
});

describe('Counter', () => {
    it('counts within its limits and takes only whole numbers', async () => {
        const wrapper = mount(Counter, { props: { label: 'Cups', modelValue: 2, least: 1, most: 3 } });
        const [fewer, more] = wrapper.findAll('button');
        await more!.trigger('click');
        await fewer!.trigger('click');
        for (const text of ['99', '0', '1.5', 'x', '']) {
            const input = wrapper.find('input');
            (input.element as HTMLInputElement).value = text;
            await input.trigger('change');
            // What is not taken is said, with what would do, and the field shows what is so.
            expect(wrapper.find('[role=alert]').text()).toBe(`“${text}” will not do: a whole number from 1 to 3.`);
            expect((wrapper.find('input').element as HTMLInputElement).value).toBe('2');
        }
        expect(wrapper.emitted('update:modelValue')).toEqual([[3], [1]]);
        await wrapper.setProps({ modelValue: 3 });
        expect(wrapper.find('[role=alert]').exists()).toBe(false);
        expect(more!.attributes('aria-label')).toBe('Cups: one more');
    });
});

describe('TideStaff', () => {
    it('lets the water stand below the first stop, and says so', () => {
        const wrapper = mount(TideStaff, {
            props: { mark: 'bench', empty: false, findings: [finding('lid.web', 'stop'), finding('crop.light', 'mind')] },
        });
        // Tub and Crop are sound.
        expect(wrapper.find('.water').attributes('style')).toContain(`height: ${(2 / MARKS.length) * 100}%`);
        expect(wrapper.text()).toContain('The plan is sound up to Crop.');
        expect(wrapper.find('[data-mark=lid] .worst').text()).toBe('stop');
    });

    it('says sound only of a plan that grows something and has nothing to mend', async () => {
        const wrapper = mount(TideStaff, { props: { mark: 'bench', empty: false, findings: [finding('crop.light', 'mind')] } });
        expect(wrapper.text()).toContain('The plan is sound at every mark.');
        await wrapper.setProps({ planted: false });
        expect(wrapper.text()).toContain('nothing grows in it yet');
        await wrapper.setProps({ findings: [finding('crop.water', 'mend')] });
        expect(wrapper.text()).toContain('one thing wants mending');
    });

    it('goes to a mark, and nowhere while the bench is empty', async () => {
        const wrapper = mount(TideStaff, { props: { mark: 'bench', empty: false, findings: [] } });
        await wrapper.find('[data-mark=air]').trigger('click');
        expect(wrapper.emitted('go')).toEqual([['air']]);
        await wrapper.setProps({ empty: true });
        expect(wrapper.find('[data-mark=air]').attributes('disabled')).toBeDefined();
        expect(wrapper.find('.water').attributes('style')).toContain('height: 0%');
    });
});

describe('a field that shows a value', () => {
    it('keeps what is being typed while the page is drawn anew, and shows the value when it is left', async () => {
        const plants = ref(4);
        const other = ref(0);
        const field = mount(
            defineComponent({ setup: () => () => h('div', [String(other.value), withDirectives(h('input'), [[vShown, plants.value]])]) }),
            { attachTo: document.body },
        );
        const input = field.get('input').element;
        expect(input.value).toBe('4');
        input.focus();
        input.value = '12';
        other.value++;
        plants.value = 5;
        await nextTick();
        expect(input.value).toBe('12');
        input.blur();
        other.value++;
        await nextTick();
        expect(input.value).toBe('5');
        field.unmount();
    });
});
