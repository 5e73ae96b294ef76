import { computed, ref, watch, type ComputedRef, type Ref } from 'vue';
import { wallClock } from '../kit/dates';
import type { Units } from '../kit/format';
import { keep, recall } from '../kit/storage';
import { useTurns } from '../kit/turns';
import type { EatWish, Wish } from '../types/wish';
import type { WishAnswer } from '../types/wish-answer';

const KEPT = 'kelp-wish';

export type Group = NonNullable<EatWish['group']>;
export const GROUPS: { value: Group; name: string; of: string }[] = [
    { value: 'leaf', name: 'Salad', of: 'lettuce-leaf' },
    { value: 'herb', name: 'Herbs', of: 'basil' },
    { value: 'fruit', name: 'Something that fruits', of: 'tomato-dwarf' },
    { value: 'root', name: 'Roots', of: 'kohlrabi' },
    { value: 'flower', name: 'Flowers to eat', of: 'nasturtium' },
];

export type Amount = 'heads_a_week' | 'g_a_week' | 'plants';
/** How an amount was said, and how much. */
export function amountOf(eat: EatWish, group: string): { as: Amount; much: number } {
    for (const as of ['heads_a_week', 'g_a_week', 'plants'] as const) if (eat[as] !== undefined) return { as, much: eat[as] };
    if (group === 'leaf' || group === 'root') return { as: 'heads_a_week', much: 1 };
    return { as: 'plants', much: group === 'herb' && !eat.crop ? 3 : 1 };
}
export function withAmount(eat: EatWish, as: Amount, much: number): EatWish {
    const plain: EatWish = { ...eat };
    for (const other of ['heads_a_week', 'g_a_week', 'plants'] as const) delete plain[other];
    return { ...plain, [as]: much };
}

const start = (units: Units, currency: string): Wish => ({
    format: 'kelp-tub.wish',
    version: 1,
    units,
    eat: [] as unknown as Wish['eat'],
    place: {
        setting: 'indoor',
        length_mm: 1000,
        depth_mm: 500,
        height_mm: 1200,
        load: 'ground',
        mains: true,
        window: 'south',
        from: wallClock().slice(0, 10),
    },
    tend: { visits_a_week: 3, away_days: 3, meter: false, drill: true, systems: ['aerated', 'passive'] },
    money: { currency, cap: null },
    owned: {},
    vessels: [],
});

/** What was wished last time on this device; one that no longer reads is let go. */
function recalled(units: Units, currency: string): Wish {
    const plain = start(units, currency);
    try {
        const left = JSON.parse(recall(KEPT) ?? 'null') as Partial<Wish> | null;
        return left?.format === 'kelp-tub.wish' && Array.isArray(left.eat) ? { ...plain, ...left } : plain;
    } catch {
        return plain;
    }
}

export interface Wishing {
    wish: Ref<Wish>;
    answer: Ref<WishAnswer | null>;
    /** Whether more is being looked for; what is shown stays meanwhile. */
    busy: Ref<boolean>;
    wrong: Ref<string>;
    isEmpty: ComputedRef<boolean>;
    change: (change: (wish: Wish) => void) => void;
    startFrom: (given: Partial<Wish>) => void;
}

/** A wish that is answered as it changes: with what is found first, then with the whole. Only the newest is waited for. */
export function useWish(units: Units, currency: string): Wishing {
    const wish = ref(recalled(units, currency)) as Ref<Wish>;
    if (wish.value.units !== units) wish.value = { ...wish.value, units };
    const answer = ref<WishAnswer | null>(null);
    const wrong = ref('');
    const turns = useTurns();
    const isEmpty = computed(() => wish.value.eat.length === 0);
    const busy = ref(false);
    let timer: ReturnType<typeof setTimeout> | undefined;
    /** Counts what was asked: an answer to an older question ends nothing. */
    let asked = 0;

    async function ask(): Promise<void> {
        const mine = ++asked;
        if (isEmpty.value) {
            turns.stop();
            answer.value = null;
            busy.value = false;
            return;
        }
        busy.value = true;
        for (const first of ['?first=1', '']) {
            const got = await turns.ask<WishAnswer>(`wish${first}`, { body: JSON.stringify(wish.value) });
            if (got === null || mine !== asked) return;
            wrong.value =
                got.kind === 'done'
                    ? ''
                    : got.kind === 'refused'
                      ? got.faults.map((f) => `${f.pointer.slice(1)} ${f.message}`).join('; ')
                      : '';
            if (got.kind === 'done') answer.value = got.data;
            else if (got.kind === 'away')
                wrong.value = 'Kelp Tub does not answer. Your wish is kept here; change something and it asks again.';
            else if ('message' in got && wrong.value === '') wrong.value = got.message;
            if (got.kind !== 'done' || got.data.complete) break;
        }
        busy.value = false;
    }
    watch(
        wish,
        () => {
            keep(KEPT, JSON.stringify(wish.value));
            clearTimeout(timer);
            timer = setTimeout(() => void ask(), 120);
        },
        { deep: true },
    );
    void ask();

    function change(how: (wish: Wish) => void): void {
        const next = JSON.parse(JSON.stringify(wish.value)) as Wish;
        how(next);
        wish.value = next;
    }
    const startFrom = (given: Partial<Wish>): void => {
        const plain = start(units, currency);
        wish.value = {
            ...plain,
            ...given,
            place: { ...plain.place, window: null, ...given.place },
            tend: { ...plain.tend, ...given.tend },
        } as Wish;
    };
    return { wish, answer, busy, wrong, isEmpty, change, startFrom };
}
