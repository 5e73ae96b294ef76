import { computed, onScopeDispose, ref, shallowRef, watch, type ComputedRef, type Ref, type ShallowRef } from 'vue';
import type { OpenGarden } from '../kit/garden';
import { useTurns } from '../kit/turns';
import type { Garden } from '../types/garden';
import { wallClock } from '../kit/dates';
import { outbox } from './outbox';

/** Something to do, or to look at, on a day at one copy of a tub. */
export interface Item {
    key: string;
    date: string;
    kind: string;
    tub: string;
    copy: number;
    plantings: string[];
    says: string;
    why: string;
    how: string;
    litres: number | null;
    parts: Record<string, { ml?: number; g?: number; tsp?: number }>;
    ec_ms_cm: number | null;
    by: string | null;
    forecast: boolean;
    done: string | null;
    late: boolean;
    note: string;
}

/** A planting with its stages by date. */
export interface PlantingDays {
    id: string;
    crop: string;
    name: string;
    habit: string;
    plants: number;
    cups: number[];
    sown: string | null;
    sprouts: string | null;
    set_in: string;
    begins: string;
    harvest: string | null;
    last: string | null;
    died: string | null;
    /** The day on which its tub falls dry under it. */
    dry: string | null;
    cleared: string | null;
    harvest_g: number;
    picked_g: number | null;
    way: number | null;
    note: string;
}

export interface Today {
    date: string;
    level_mm: number;
    volume_l: number;
    air_gap_mm: number;
    ec_ms_cm: number | null;
    wanted_ec_ms_cm: number | null;
    ph: number | null;
    water_c: number;
    stage: string;
    looks: 'well' | 'pale' | 'wilting' | 'dead';
    growth: number;
    low: boolean;
}

/** One copy of a tub as a band over the weeks. */
export interface Band {
    tub: string;
    copy: number;
    name: string;
    count: number;
    plantings: PlantingDays[];
    /** The least and the most of the range are absent while a planting is held. */
    courses: { start: string; volume_l: number[]; low_l?: number[]; high_l?: number[] }[];
    readings: { at: string; litres: number }[];
    fill_l: number;
    dry_l: number;
    today: Today | null;
    items: Item[];
}

export interface Days {
    today: string;
    from: string;
    to: string;
    copies: Band[];
}

export interface LoggedDay {
    date: string;
    level_mm: number;
    volume_l: number;
    air_gap_mm: number;
    ec_ms_cm: number | null;
    ph: number | null;
    water_c: number;
    oxygen_mg_l: number | null;
    use_l: number;
    top_up_l: number;
    change: boolean;
    stronger: number;
    fare: number | null;
    /** How it stood when a visit before noon was over; null where there was none. */
    morning: { level_mm: number; ec_ms_cm: number | null; ph: number | null } | null;
}

export interface LogReading {
    id: string;
    at: string;
    level_mm: number | null;
    litres: number | null;
    ec_ms_cm: number | null;
    ph: number | null;
    water_c: number | null;
    top_up_l: number;
    change: boolean;
    from: string;
    forecast_l: number | null;
    forecast_ec_ms_cm: number | null;
}

export interface Learned {
    factor: number;
    spread: number;
    low: number;
    high: number;
    intervals: number;
    left_out: { from: string; to: string; why: string }[];
}

/** Figures that a crop of the grower's own would say otherwise than the crop that grows here. */
export interface CropLesson {
    crop: string;
    name: string;
    figures: { column: string; was: number; is: number; from: number }[];
}

/** What a log seems to say. */
export interface Suspicion {
    code: string;
    sure: number;
    word: string;
    says: string;
    why: string;
    because: string[];
    do: string;
    check: string;
}

/** The diary of one copy of a tub. */
export interface Diary {
    tub: string;
    copy: number;
    now: string;
    plantings: PlantingDays[];
    courses: { start: string; fill_l: number; days: LoggedDay[] }[];
    band: { date: string; level_mm: [number, number]; ec_ms_cm: [number, number] | null }[];
    readings: LogReading[];
    today: Today | null;
    learned: {
        use: Learned | null;
        uptake: Learned | null;
        /** A next top-up that falls on another day than by the crops' own figures. */
        moves: { kind: string; date: string; was: string | null } | null;
        crop: CropLesson | null;
    };
    findings: Suspicion[];
    next: Item[];
    harvest: {
        grams: number;
        picked: number;
        forecast_g: number;
        plants: number;
        a_plant_g: number | null;
        water_l: number;
        a_litre_g: number | null;
    } | null;
}

/** What was read or done, as it is kept. */
export interface Entry {
    id: string;
    tub: string;
    copy: number;
    planting?: string;
    at: string;
    level_mm?: number;
    ec_ms_cm?: number;
    ph?: number;
    water_c?: number;
    top_up_l?: number;
    top_up_ec?: number;
    change?: boolean;
    dose?: Record<string, { ml?: number; g?: number }>;
    harvest_g?: number;
    picked?: number;
    signs?: string[];
    did?: string[];
    note?: string;
    /** The id of a photograph of this garden. */
    photo?: string;
    from?: string;
    replaces?: string;
    strikes?: string;
}

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
