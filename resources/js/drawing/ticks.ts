/** Round places between two values for the lines of an axis, so many of them at the most. */
export function nice(from: number, to: number, most: number): number[] {
    const rough = Math.max(1e-9, (to - from) / most);
    const power = 10 ** Math.floor(Math.log10(rough));
    const step = [1, 2, 2.5, 5, 10].map((m) => m * power).find((s) => s >= rough) ?? 10 * power;
    const ticks: number[] = [];
    for (let t = Math.ceil(from / step - 1e-9) * step; t <= to + 1e-9; t += step) ticks.push(t);
    return ticks;
}
