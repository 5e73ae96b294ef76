import { call } from './api';
import type { Units } from './format';

/** The core reads what growers type; texts asked for in the same moment go in one request. */
export type Dimension =
    'length' | 'volume' | 'mass' | 'conductivity' | 'temperature' | 'air-flow' | 'pressure' | 'power' | 'money' | 'label';

export type Reading = { value: number; unit: string; note: string | null } | { error: string };

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

let waiting: Waiting[] = [];

export function read(text: string, dimension: Dimension, units: Units, how?: Way | Currency): Promise<Reading> {
    return new Promise((answer) => {
        waiting.push({ text, dimension, units, how, answer });
        if (waiting.length === 1) setTimeout(flush, 15);
    });
}

async function flush(): Promise<void> {
    const batch = waiting;
    waiting = [];
    for (const units of new Set(batch.map((item) => item.units))) {
        const items = batch.filter((item) => item.units === units);
        const result = await call<{ readings: Reading[] }>('read', {
            body: JSON.stringify({ units, texts: items.map(({ text, dimension, how }) => ({ text, dimension, ...how })) }),
        });
        items.forEach((item, i) =>
            item.answer(
                result.kind === 'done'
                    ? (result.data.readings[i] ?? { error: 'Not read.' })
                    : { error: 'message' in result ? result.message : 'Not read.' },
            ),
        );
    }
}
