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
