import type { Garden, Planting } from '../types/garden';
import type { TubReport } from '../types/report';
import { dateOf, dayNumber } from '../kit/dates';
import { held } from '../lid/layouts';

/** A name for a planting that no other of the garden has. */
export function freePlantingId(garden: Garden, crop: string): string {
    const taken = new Set((garden.plantings ?? []).map((p) => p.id));
    for (let n = 1; ; n++) if (!taken.has(`${crop}-${n}`)) return `${crop}-${n}`;
}

/** A planting by so many days later, or earlier, as far as it has dates. */
export function shifted(planting: Planting, by: number): Planting {
    const moved = { ...planting };
    for (const key of ['sown', 'transplanted', 'cleared'] as const) {
        const date = moved[key];
        if (date) moved[key] = dateOf(dayNumber(date) + by);
    }
    return moved;
}

/** "1, 3, 5-7" as numbers of cups; null where it is no such list. */
export function cupsOf(text: string): number[] | null {
    const cups = new Set<number>();
    for (const part of text.split(/[\s,;]+/).filter(Boolean)) {
        const range = /^(\d{1,3})(?:-(\d{1,3}))?$/.exec(part);
        if (!range) return null;
        const [from, to] = [Number(range[1]), Number(range[2] ?? range[1])];
        if (from < 1 || to < from || to > 200) return null;
        for (let cup = from; cup <= to; cup++) cups.add(cup);
    }
    return cups.size ? [...cups].sort((a, b) => a - b) : null;
}

/** What grows in a tub by one crop, planned and planted, by another. */
export function growBy(garden: Garden, tub: string, from: string, to: string): void {
    const of = (garden.tubs ?? []).find((t) => t.id === tub);
    if (of?.crop === from) of.crop = to;
    for (const wish of of?.crops ?? []) if (wish.crop === from) wish.crop = to;
    for (const planting of garden.plantings ?? []) if (planting.tub === tub && planting.crop === from) planting.crop = to;
}

/** What plants stand in is drilled: with its first planting a lid stays as it is, whatever a newer layout would be. */
export function holdLid(garden: Garden, report: TubReport): void {
    const tub = (garden.tubs ?? []).find((t) => t.id === report.id);
    const isFirst = !(garden.plantings ?? []).some((p) => p.tub === report.id);
    if (!tub || !isFirst || tub.layout?.pattern === 'manual' || report.shape.in_mouth || report.layout.holes.length === 0) return;
    tub.layout = { ...tub.layout, pattern: 'manual', holes: held(report) };
}
