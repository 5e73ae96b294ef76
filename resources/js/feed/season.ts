import { ref, shallowRef, watch, type Ref, type ShallowRef } from 'vue';
import type { Fault } from '../kit/api';
import { useTurns } from '../kit/turns';
import type { OpenGarden } from '../kit/garden';
import type { FeedDose, SeasonDay, SeasonStart, TubReport } from '../types/report';

/** One way to run a tub through its season: what of its policy differs, and what happens. */
export interface Ask {
    policy: Record<string, string>;
    what_ifs: string[];
    /** Nobody comes from a day on, for so many. */
    leave?: { day: number; days: number };
}

/** What to do on the evening before, how long that keeps, how the tub is found, and what is done then. */
export interface Leave {
    day: number;
    days: number;
    before: SeasonEvent | null;
    most_days: number;
    limit: 'low' | 'strong' | 'airless' | 'dead' | null;
    back: SeasonDay;
    after: SeasonEvent | null;
}

export interface Figures {
    water_l: number;
    feed: FeedDose[];
    visits_a_week: number;
    days_out_of_ec: number | null;
    days_over_ec: number | null;
    days_under_oxygen: number | null;
    lowest_gap_mm: number | null;
    below_usable_day: number | null;
    dry_day: number | null;
    cost: number | null;
    yield_g: number;
}

type Season = TubReport['season'] & { days: SeasonDay[] | null; start: SeasonStart | null };

export interface Run extends Omit<Ask, 'leave'> {
    leave: Leave | null;
    patch: unknown[];
    season: Season;
    band: { thirsty: Edge[]; hungry: Edge[]; share: number } | null;
    events: SeasonEvent[];
    away_days: number[];
    figures: Figures | null;
}

/** Where the weather came from: the forecast service, the last it told, or, where there is neither, steady days. */
export interface Forecast {
    from: 'service' | 'kept' | 'steady' | null;
    age_h: number | null;
}

/** What is put in on an evening. */
export interface SeasonEvent {
    day: number;
    change: boolean;
    /** 0 where parts alone are stirred into what is there. */
    litres: number;
    stronger: number;
    ec_ms_cm: number | null;
    parts: FeedDose[];
    /** What to make where so little is hard to measure. */
    batch: { litres: number; parts: FeedDose[] } | null;
}

interface Edge {
    level_mm: number;
    ec_ms_cm: number | null;
}

/** The seasons of the chosen tub as they are asked for, again after each change of the garden; the last ones stand until new ones come. */
export function useSeason(
    garden: OpenGarden,
    asks: Ref<Ask[]>,
): { runs: ShallowRef<Run[]>; faults: Ref<Fault[]>; of: Ref<string | null>; away: Ref<string>; forecast: Ref<Forecast> } {
    const runs = shallowRef<Run[]>([]);
    const faults = ref<Fault[]>([]);
    const of = ref<string | null>(null);
    const away = ref('');
    const forecast = ref<Forecast>({ from: null, age_h: null });
    const turns = useTurns();

    async function ask(): Promise<void> {
        const tub = garden.selected.value;
        if (tub === null) return;
        const answer = await turns.ask<{ runs: Run[]; forecast: Forecast }>('season', {
            body: JSON.stringify({ garden: garden.document.value, tub, runs: asks.value }),
        });
        if (!answer) return;
        away.value = answer.kind === 'away' || answer.kind === 'failed' ? answer.message : '';
        if (answer.kind === 'done') {
            runs.value = answer.data.runs;
            forecast.value = answer.data.forecast;
            of.value = tub;
            faults.value = [];
        } else if (answer.kind === 'refused') {
            faults.value = answer.faults;
        }
    }
    watch([garden.document, garden.selected, asks], () => void ask(), { immediate: true, deep: false });
    return { runs, faults, of, away, forecast };
}

/** EC in parts per million by both scales: a bare number would be either. */
export const ppm = (ec: number): string => `${Math.round(ec * 500)} ppm (500), ${Math.round(ec * 700)} ppm (700)`;
