import { number } from '../kit/format';
import type { FeedDose } from '../types/report';

/** So much of a part as it can be measured: whole grams or millilitres from 10 on, tenths from 1, hundredths below. */
export function amount(dose: FeedDose): string {
    const value = dose.ml ?? dose.g ?? 0;
    return number(value, value >= 10 ? 0 : value >= 1 ? 1 : 2, dose.ml === null ? 'g' : 'mL');
}
