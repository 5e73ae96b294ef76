/**
 * Arrow keys within a list that is one stop of the tab key: left and right go through it, up and down by rows as they stand on the screen,
 * Home and End to its ends.
 */
export function arrows(event: KeyboardEvent): void {
    const list = event.currentTarget as HTMLElement;
    const items = [...list.querySelectorAll<HTMLElement>('[role=option], [role=radio]')];
    const from = items.indexOf(document.activeElement as HTMLElement);
    if (from < 0) return;
    const columns = Math.max(1, items.filter((item) => item.offsetTop === items[0]!.offsetTop).length);
    const by: Record<string, number> = {
        ArrowLeft: -1,
        ArrowRight: 1,
        ArrowUp: -columns,
        ArrowDown: columns,
        Home: -from,
        End: items.length - 1 - from,
    };
    const step = by[event.key];
    if (step === undefined) return;
    event.preventDefault();
    const to = items[from + step];
    to?.focus();
    to?.click();
}

const DAYS: Record<string, number> = { ArrowLeft: -1, ArrowRight: 1, PageUp: 7, PageDown: -7, Home: -Infinity, End: Infinity };

/** The day that a key leads to on a chart that is a slider: a day, a week, or to either end; null where it leads to none. */
export function dayByKey(event: KeyboardEvent, day: number, first: number, last: number): number | null {
    const by = DAYS[event.key];
    if (by === undefined) return null;
    event.preventDefault();
    event.stopPropagation();
    return Math.max(first, Math.min(last, day + by * (event.shiftKey ? 7 : 1)));
}
