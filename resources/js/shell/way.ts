import { ref } from 'vue';
import { keep, recall } from '../kit/storage';
import { MARKS, type Mark } from '../marks';
import type { Report } from '../types/report';

/** Which marks a newcomer has been to, until all of them, or until they say that they know the way. */
const KEY = 'kelp-way';
const DONE = 'known';

export interface Way {
    /** Whether the way is to be shown. */
    shown: boolean;
    seen: Mark[];
}

/** Whether somebody has been through: a garden of still water leads past Air. */
const isThrough = (seen: Mark[]): boolean => MARKS.every(({ key }) => key === 'air' || seen.includes(key));

export function read(text: string | null): Way {
    if (text === DONE) return { shown: false, seen: [] };
    const seen = (text ?? '').split(' ').filter((key): key is Mark => MARKS.some((m) => m.key === key));
    return { shown: !isThrough(seen), seen };
}

const way = ref<Way>(read(recall(KEY)));

export const useWay = () => way;

/** A mark is looked at. Who has been to all is led no further, once they leave the last of them. */
export function sawMark(mark: Mark | 'bench'): void {
    if (!way.value.shown) return;
    if (mark === 'bench' || way.value.seen.includes(mark)) {
        if (isThrough(way.value.seen) && mark !== 'log') knowTheWay();
        return;
    }
    way.value = { ...way.value, seen: [...way.value.seen, mark] };
    keep(KEY, way.value.seen.join(' '));
}

export function knowTheWay(): void {
    way.value = { shown: false, seen: way.value.seen };
    keep(KEY, DONE);
}

export interface Step {
    to: Mark | 'bench';
    says: string;
    /** What is written on what goes there. */
    press: string;
}

const name = (key: Mark): string => {
    const { digit, name } = MARKS.find((m) => m.key === key)!;
    return `${digit} ${name}`;
};

/**
 * What comes next from a mark, and why, with this tub's own figures.
 *
 * @param tub the one that is looked at; null on the bench
 */
export function next(from: Mark | 'bench', report: Report, tub: string | null): Step {
    const of = report.tubs.find((t) => t.id === tub);
    const step = (to: Mark, says: string): Step => ({ to, says, press: `Go to ${name(to)}` });
    switch (from) {
        case 'bench':
            return step(
                'tub',
                'The marks are gone through from the foot up, as water rises: the tub first, what it is and how high its water stands.',
            );
        case 'tub':
            return step('crop', 'What grows in it decides how many cups it takes, how much water and how long.');
        case 'crop': {
            const cups = of?.layout.holes.length ?? 0;
            return step('lid', `${cups === 1 ? 'One hole' : `${cups} holes`}: where they go, and what cuts them.`);
        }
        case 'lid':
            return of?.system === 'passive'
                ? step('feed', 'Nothing bubbles in this tub: its feed comes next, and how it fares to harvest.')
                : step('air', 'What pump and stones its roots need, and what a power cut does.');
        case 'air':
            return step('feed', 'How much of what goes in at each fill, and how it fares to harvest.');
        case 'feed':
            return step('cost', 'What to buy, in the packs it is sold in, and where to spend less.');
        case 'cost':
            return step('build', 'What to do at the bench, step by step, and sheets to print.');
        case 'build':
            return step('days', 'It is built; now it grows: what is sown when, and what is to be done on which day.');
        case 'days':
            return step('log', 'What you read and do at the tub. A level on a stick is enough, and the forecast goes on from it.');
        case 'log':
            return { to: 'bench', says: 'That was all of it. The bench says what is left to mend.', press: 'Go to the bench' };
    }
}
