import type { Garden } from '../types/garden';

/** One step of a build sheet, and whether it is done. */
export interface Step {
    key: string;
    title: string;
    does: string;
    figures: { label: string; value: string }[];
    tools: { key: string; name: string }[];
    parts: { key: string; name: string }[];
    minutes: number;
    cautions: { key: string; says: string }[];
    /** Which detail shows it, and how the tub stands by then. */
    drawing: { detail: string; highlight: string; water_mm: number; planted: boolean };
    done_when: string;
    /** What to look for first where it is not so. */
    if_not: string | null;
    print: string;
    ticked: string | null;
    changed: boolean;
    note: string | null;
}

/** How a crop is raised from seed before the tub is planted. */
export interface Sown {
    crop: string;
    name: string;
    plugs: number;
    seeds: number;
    /** How seeds come up: uncovered, under a cover, or either way. */
    in: 'light' | 'dark' | 'either';
    leave: number;
    up_days: number;
    ready_days: number;
}

/** A day of the plan around a build, counted from the day on which the plants go in. */
export interface Day {
    day: number;
    /** As 2027-03-02, where the day of planting is known. */
    date: string | null;
    does: string;
    /** The step that tells how; null where none does. */
    step: string | null;
}

export interface BuildSheet {
    tub: string;
    name: string;
    count: number;
    copy: number;
    minutes: number;
    done: number;
    sowing: Sown[];
    days: Day[];
    templates: string[];
    wall: { name: string; height_mm: number; along_mm: number }[];
    steps: Step[];
}

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
