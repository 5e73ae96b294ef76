import type { Step } from '../types/answers';
import type { Garden } from '../types/garden';

type Build = NonNullable<Garden['builds']>[number];

/** What was done of one copy of a tub, made where there is nothing yet. */
export function buildOf(garden: Garden, tub: string, copy: number): Build {
    const builds = (garden.builds ??= []);
    let build = builds.find((b) => b.tub === tub && (b.copy ?? 1) === copy);
    if (!build) {
        build = { tub, copy };
        builds.push(build);
    }
    return build;
}

/** Ticks a step on a day, as it is now; without a day it is not done after all. */
export function tick(garden: Garden, tub: string, copy: number, step: Pick<Step, 'key' | 'print'>, day: string | null): void {
    const build = buildOf(garden, tub, copy);
    const ticks = (build.ticks ??= {});
    const prints = (build.prints ??= {});
    if (day === null) {
        delete ticks[step.key];
        delete prints[step.key];
    } else {
        ticks[step.key] = day;
        prints[step.key] = step.print;
    }
}

/** Today as the garden file writes a day, by the clock on the wall. */
export function today(now = new Date()): string {
    const two = (n: number): string => String(n).padStart(2, '0');
    return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
}

/** Minutes as they are said: `35 min`, `3 h 50`. */
export const spell = (minutes: number): string =>
    minutes < 60
        ? `${minutes}\u202fmin`
        : `${Math.floor(minutes / 60)}\u202fh${minutes % 60 ? `\u202f${String(minutes % 60).padStart(2, '0')}` : ''}`;
