import { number, volume, type Units } from '../kit/format';
import type { HabitReport } from '../types/report';

/** How often, as one says it: "every day or two", "every 3 or 4 days", "every 5 to 8 days", "once". */
export function often(every: readonly number[] | null): string {
    if (!every) return 'once';
    const [least, most] = [Math.round(every[0]!), Math.round(every[1]!)];
    if (most <= 1) return 'every day';
    if (least <= 1 && most === 2) return 'every day or two';
    if (least === most) return `every ${least} days`;
    return `every ${least} ${most - least === 1 ? 'or' : 'to'} ${most} days`;
}

export const habitSays = (habit: HabitReport, units: Units): string => `${volume(habit.litres, units)} ${often(habit.every_days)}`;

/** Each of them, for the list behind it: "day 23: 4.8 L". */
export const listed = (habit: HabitReport, units: Units): string[] =>
    habit.top_ups.map((t) => `day ${number(t.day, 0)}: ${volume(t.litres, units)}`);
