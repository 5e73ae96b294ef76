import { ref, shallowRef, watch, type Ref, type ShallowRef } from 'vue';
import type { Fault } from '../kit/api';
import { useTurns } from '../kit/turns';
import type { OpenGarden } from '../kit/garden';
import type { Answers, Forecast, Run } from '../types/answers';

/** One way to run a tub through its season: what of its policy differs, and what happens. */
export interface Ask {
    policy: Record<string, string>;
    what_ifs: string[];
    /** Nobody comes from a day on, for so many. */
    leave?: { day: number; days: number };
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
        const answer = await turns.ask<Answers['season']>('season', {
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
