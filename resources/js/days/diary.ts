import { computed, onScopeDispose, ref, shallowRef, watch, type ComputedRef, type Ref, type ShallowRef } from 'vue';
import type { OpenGarden } from '../kit/garden';
import { useTurns } from '../kit/turns';
import type { Days, Item } from '../types/days';
import type { Diary } from '../types/diary';
import type { Garden } from '../types/garden';
import { wallClock } from '../kit/dates';
import { outbox } from './outbox';

export type { Band, Days, Item, PlantingDays, Today } from '../types/days';
export type { Diary, Learned, LoggedDay, LogReading, Suspicion } from '../types/diary';
export type { Entry } from '../types/entry';

/** Figures that a crop of the grower's own would say otherwise than the crop that grows here. */
export type CropLesson = NonNullable<Diary['learned']['crop']>;

/** What other windows and the other side of the day bring is looked for so often, ms. */
const EVERY_MS = 60_000;

/** Asks again when the garden changes, an entry was kept, the window is looked at again, or a minute has gone. */
function useFresh(garden: OpenGarden, ask: () => Promise<void>, ...more: (Ref<unknown> | (() => unknown))[]): void {
    const again = (): void => {
        if (document.visibilityState === 'visible') void ask();
    };
    watch([garden.document, outbox.kept, ...more], () => void ask(), { immediate: true });
    const timer = setInterval(again, EVERY_MS);
    window.addEventListener('focus', again);
    onScopeDispose(() => {
        clearInterval(timer);
        window.removeEventListener('focus', again);
    });
}

/** What is to be done over the whole garden, and how each copy's water goes by date. */
export function useDays(
    garden: OpenGarden,
    range: Ref<{ from: string; to: string }>,
): { days: ShallowRef<Days | null>; wrong: Ref<string>; look: (edit: unknown) => void } {
    const days = shallowRef<Days | null>(null);
    const wrong = ref('');
    const turns = useTurns();
    async function asked(document: unknown, held = false): Promise<void> {
        if (!(document as Garden).plantings?.length) {
            turns.stop();
            days.value = { today: wallClock().slice(0, 10), ...range.value, copies: [] };
            return;
        }
        const answer = await turns.ask<Days>(`gardens/${garden.id}/days`, {
            body: JSON.stringify({ garden: document, now: wallClock(), ...range.value, range: held ? 'no' : 'yes' }),
        });
        if (!answer) return;
        if (answer.kind === 'done') days.value = answer.data;
        wrong.value = answer.kind === 'refused' ? (answer.faults[0]?.message ?? answer.message) : 'message' in answer ? answer.message : '';
    }
    useFresh(garden, () => asked(garden.document.value), range);
    return { days, wrong, look: (document) => void asked(document, true) };
}

/** The diary of one copy of the chosen tub. */
export function useDiary(
    garden: OpenGarden,
    copy: Ref<number>,
): { diary: ComputedRef<Diary | null>; wrong: Ref<string>; again: () => void } {
    const answer = shallowRef<Diary | null>(null);
    const wrong = ref('');
    const turns = useTurns();
    async function ask(): Promise<void> {
        const tub = garden.selected.value;
        if (tub === null) return;
        const said = await turns.ask<Diary>(`gardens/${garden.id}/diary`, {
            body: JSON.stringify({ garden: garden.document.value, tub, copy: copy.value, now: wallClock() }),
        });
        if (!said) return;
        if (said.kind === 'done') answer.value = said.data;
        wrong.value = said.kind === 'refused' ? (said.faults[0]?.message ?? said.message) : 'message' in said ? said.message : '';
    }
    useFresh(garden, ask, garden.selected, copy);
    const diary = computed(() => {
        const of = answer.value;
        return of && of.tub === garden.selected.value && of.copy === copy.value ? of : null;
    });
    return { diary, wrong, again: () => void ask() };
}

/** In their order, with the looks at several tubs put together where the first of them stands. */
export function withLooksTogether<T>(rows: T[], itemOf: (row: T) => Item): (T | T[])[] {
    const looks = rows.filter((row) => itemOf(row).kind === 'check');
    if (looks.length < 2) return rows;
    const together: (T | T[])[] = [];
    for (const row of rows) {
        if (row === looks[0]) together.push(looks);
        else if (!looks.includes(row)) together.push(row);
    }
    return together;
}

/** Whether it is to be shown among what is to be done: a look that is not due yet can wait unsaid. */
export const isWorthSaying = (item: Item, today: string): boolean => item.kind !== 'check' || item.date <= today;

/** The amounts of an item: "A 24 g, B 16 g". */
export function partsOf(item: Item): string {
    return Object.entries(item.parts)
        .map(([name, p]) => {
            const amount = p.ml ?? p.g ?? 0;
            return `${name} ${amount.toFixed(amount < 1 ? 2 : amount < 10 ? 1 : 0)}\u202f${p.ml === undefined ? 'g' : 'mL'}`;
        })
        .join(', ');
}
