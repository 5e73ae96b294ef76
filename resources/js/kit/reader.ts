import type { Answers } from '../types/answers';
import { call } from './api';
import type { Units } from './format';

/** The core reads what growers type; texts asked for in the same moment go in one request. */
export type Dimension =
    'length' | 'volume' | 'mass' | 'conductivity' | 'temperature' | 'air-flow' | 'pressure' | 'power' | 'money' | 'label';

export type Understood = { value: number; unit: string; note: string | null };

/** What a text was understood as, what is wrong with it, or that nobody was there to read it. */
export type Reading = Understood | { error: string } | { away: string };

/** How a length was taken, where that is not inside; the core turns it into an inside measure. */
export interface Way {
    way: 'inside' | 'girth' | 'outside' | 'from-rim' | 'from-bench';
    wall_mm?: number;
    rim_mm?: number;
    floor_mm?: number;
}

/** What a sum of money is counted in. */
export interface Currency {
    currency: string;
}

interface Waiting {
    text: string;
    dimension: Dimension;
    units: Units;
    how: Way | Currency | undefined;
    answer: (reading: Reading) => void;
}

/** Who reads a text in this time, ms, or is taken for away. */
const READ_WITHIN_MS = 10_000;

let waiting: Waiting[] = [];

export function read(text: string, dimension: Dimension, units: Units, how?: Way | Currency): Promise<Reading> {
    return new Promise((answer) => {
        waiting.push({ text, dimension, units, how, answer });
        if (waiting.length === 1) setTimeout(() => void flush(), 15);
    });
}

async function flush(): Promise<void> {
    const batch = waiting;
    waiting = [];
    await Promise.all(
        [...new Set(batch.map((item) => item.units))].map((units) =>
            ask(
                units,
                batch.filter((item) => item.units === units),
            ),
        ),
    );
}

async function ask(units: Units, items: Waiting[]): Promise<void> {
    const result = await call<Answers['read']>('read', {
        body: JSON.stringify({ units, texts: items.map(({ text, dimension, how }) => ({ text, dimension, ...how })) }),
        within: READ_WITHIN_MS,
    });
    items.forEach((item, i) => {
        if (result.kind === 'done') item.answer(result.data.readings[i] ?? { error: 'Not read.' });
        else if (result.kind === 'refused') item.answer({ error: result.message });
        else item.answer({ away: 'message' in result ? result.message : 'Not read.' });
    });
}

/** A sum of money ("€15", "15,50"); nothing where the field was emptied. */
export async function readSum(
    text: string,
    units: Units,
    currency: string,
): Promise<{ value: number | null } | { error: string } | { away: string }> {
    return text.trim() === '' ? { value: null } : read(text, 'money', units, { currency });
}

/** A dose as it stands on the packet. */
export async function readDose(text: string, units: Units): Promise<{ value: Understood } | { error: string } | { away: string }> {
    if (text.trim() === '') return { error: 'Write the dose as it stands on the packet.' };
    const reading = await read(text, 'label', units);
    return 'value' in reading ? { value: reading } : reading;
}
