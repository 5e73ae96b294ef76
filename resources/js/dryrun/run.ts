import { computed, ref, shallowRef, type ComputedRef, type Ref } from 'vue';
import { length, number, temperature, type Units, volume } from '../kit/format';
import type { Answer } from '../kit/api';
import { send } from '../kit/turns';
import type { Decision, DryRun, Seen, ToldDecision } from '../types/dry-run';

export type Act = Decision['do'];
export type On = 'day' | 'week' | 'next' | 'end';

/** What is done, in words: on a button, and when it has been done. */
export const ACTS: Record<Act, { says: string; did: string }> = {
    'top-up': { says: 'Top up', did: 'topped up' },
    change: { says: 'Change water', did: 'changed the water' },
    strengthen: { says: 'Stir feed in', did: 'stirred feed in' },
    ph: { says: 'Set the pH', did: 'set the pH' },
    valve: { says: 'Open valve', did: 'opened the valve' },
    'clean-stone': { says: 'Clean stone', did: 'cleaned the stone' },
    'restart-pump': { says: 'See to pump', did: 'saw to the pump' },
    cover: { says: 'Cover it against light', did: 'covered it' },
    cool: { says: 'Put frozen bottles in', did: 'cooled it' },
    'wet-plugs': { says: 'Wet the plugs', did: 'wetted the plugs' },
    'trim-roots': { says: 'Trim roots', did: 'trimmed roots' },
    pick: { says: 'Pick', did: 'picked' },
    look: { says: 'Look closer', did: 'looked' },
    away: { says: 'Go away', did: 'went away' },
};

/** What was decided, in a few words. */
export function told(d: Decision | ToldDecision, units: Units): string {
    const with_ = [
        d.litres === undefined ? '' : volume(d.litres, units),
        d.ec_ms_cm === undefined ? '' : `EC ${number(d.ec_ms_cm, 2)}`,
        d.ph === undefined ? '' : `to ${number(d.ph, 1)}`,
        d.days === undefined ? '' : `for ${d.days === 1 ? 'a day' : `${d.days} days`}`,
    ].filter(Boolean);
    return [ACTS[d.do].did, ...with_].join(' ');
}

/** What a look tells, as a list of what it is and what it says. */
export function reading(seen: Seen, units: Units): { name: string; says: string; ill?: boolean }[] {
    const LEAVES = { well: 'as they should', pale: 'pale', wilting: 'they hang', dead: 'dead' };
    return [
        { name: 'stick', says: seen.level_mm === 0 ? 'dry' : length(seen.level_mm, units), ill: seen.level_mm === 0 },
        ...(seen.bubbles === null ? [] : [{ name: 'bubbles', says: seen.bubbles, ill: seen.bubbles !== 'many' }]),
        { name: 'leaves', says: LEAVES[seen.leaves] + (seen.tips ? ', tips burnt' : ''), ill: seen.leaves !== 'well' || seen.tips },
        ...(seen.missing === 0 ? [] : [{ name: 'not up', says: seen.missing === 1 ? 'one seed' : `${seen.missing} seeds`, ill: true }]),
        { name: 'water', says: `${temperature(seen.water_c, units)}${seen.green ? ', green' : ''}`, ill: seen.green },
        ...(seen.ph === null ? [] : [{ name: 'pH', says: seen.ph.toFixed(seen.ec_ms_cm === null ? 1 : 2) }]),
        ...(seen.ec_ms_cm === null ? [] : [{ name: 'EC', says: number(seen.ec_ms_cm, 2, 'mS/cm') }]),
        { name: 'air', says: temperature(seen.air_c, units) + (seen.rain_mm > 0 ? `, rain ${number(seen.rain_mm, 0, 'mm')}` : '') },
    ];
}

/** What a decision changed by less than this is worth nothing, g. */
export const LEAST_WORTH_G = 0.5;

/** Why something was not done, in words. */
export function whyNot(answer: Exclude<Answer<unknown>, { kind: 'done' }>): string {
    if (answer.kind === 'refused') return answer.faults[0]?.message ?? answer.message;
    return 'message' in answer ? answer.message : 'That did not work. Try again.';
}

/** What is decided on the evening that it is when its turn comes. */
export type Deed = Omit<Decision, 'day'>;

/** A run that is played: every press is kept at the server before it shows, and the next is made of what came of it. */
export function usePlay(first: DryRun): {
    run: Ref<DryRun>;
    seen: ComputedRef<Seen>;
    tonight: ComputedRef<Decision[]>;
    message: Ref<string>;
    play: (on: On | null, more?: Deed[]) => Promise<boolean>;
    take: (decision: Decision) => Promise<boolean>;
    backTo: (day: number) => Promise<boolean>;
    undo: () => Promise<boolean>;
} {
    const run = shallowRef(first);
    const message = ref('');
    const seen = computed(() => run.value.so_far.seen.at(-1)!);
    const tonight = computed(() => run.value.decisions.filter((d) => d.day === run.value.day && d.do !== 'look'));

    /** How it is to stand: all decisions, the day, and how far it goes on from there. */
    interface Wanted {
        decisions: Decision[];
        day: number;
        on: On | null;
    }
    async function put(says: string, wanted: () => Wanted): Promise<boolean> {
        const answer = await send<DryRun>(says, `dry-runs/${run.value.id}`, () => ({
            method: 'PUT',
            body: JSON.stringify({ revision: run.value.revision, ...wanted() }),
        }));
        if (answer.kind === 'done') {
            run.value = answer.data;
            message.value = answer.data.overtaken ? 'It was played on in another window. This is how it stands.' : '';
            return !answer.data.overtaken;
        }
        message.value = answer.kind === 'gone' ? 'This run was taken away meanwhile.' : whyNot(answer);
        return false;
    }
    const until = (day: number): Wanted => ({ decisions: run.value.decisions.filter((d) => d.day <= day), day, on: null });
    const without = (gone: Decision | undefined): Wanted => ({
        ...until(run.value.day),
        decisions: run.value.decisions.filter((d) => d !== gone),
    });
    return {
        run,
        seen,
        tonight,
        message,
        play: (on, more = []) =>
            put('Playing on', () => {
                const { day, decisions } = run.value;
                return { decisions: [...decisions, ...more.map((deed) => ({ ...deed, day }))], day, on };
            }),
        take: (decision) => put('Taking back', () => without(decision)),
        backTo: (day) => put('Going back', () => until(day)),
        /** What was decided last tonight; where nothing was, the evening before on which somebody was there. */
        undo: () =>
            put('Taking back', () => {
                const last = run.value.so_far.over ? undefined : tonight.value.at(-1);
                const before = run.value.so_far.seen.map((s) => s.day).filter((day) => day < run.value.day);
                return last ? without(last) : until(before.at(-1) ?? 0);
            }),
    };
}
