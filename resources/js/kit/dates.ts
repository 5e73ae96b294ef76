/** Days and moments as the grower's own clock has them. */

const two = (n: number): string => String(n).padStart(2, '0');

/** The grower's own wall clock, as the format writes it: "2027-04-18T07:40". */
export function wallClock(at = new Date()): string {
    return `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}T${two(at.getHours())}:${two(at.getMinutes())}`;
}

const MS_A_DAY = 86_400_000;

/** Days from 1 January 1970 on; dates have no time zone. */
export const dayNumber = (date: string): number => Math.round(Date.parse(`${date.slice(0, 10)}T00:00:00Z`) / MS_A_DAY);

export const dateOf = (day: number): string => new Date(day * MS_A_DAY).toISOString().slice(0, 10);

/** A moment in days: noon is a half. */
export const timeOf = (at: string): number => dayNumber(at) + Number(at.slice(11, 13)) / 24 + Number(at.slice(14, 16)) / 1440;

/** "2 Mar", with the year where it is another than a date's beside it. */
export function spoken(date: string, beside = date): string {
    const year = date.slice(0, 4) !== beside.slice(0, 4);
    return new Date(`${date.slice(0, 10)}T00:00:00Z`).toLocaleDateString('en-GB', {
        day: 'numeric',
        month: 'short',
        ...(year ? { year: 'numeric' as const } : {}),
        timeZone: 'UTC',
    });
}

/** "today", "tomorrow", "3 days late", "in 4 days" */
export function fromToday(date: string, today: string): string {
    const by = dayNumber(date) - dayNumber(today);
    if (by === 0) return 'today';
    if (by === 1) return 'tomorrow';
    if (by === -1) return 'a day late';
    return by < 0 ? `${-by} days late` : `in ${by} days`;
}
