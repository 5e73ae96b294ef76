import { computed, ref, watch, type ComputedRef, type Ref } from 'vue';
import { length } from '../kit/format';
import { useGarden } from '../kit/garden';
import type { Garden, Hole, Tub } from '../types/garden';
import type { TubReport } from '../types/report';
import { held, moved } from './layouts';

type Drawn = TubReport['layout']['holes'][number];

/** The holes of the tub that is looked at, and what is done to them by hand: the ones that stand there become the grower's own. */
export function useHoles(): {
    holes: ComputedRef<Drawn[]>;
    /** The number of the one that is chosen, and it. */
    chosen: Ref<number | null>;
    picked: ComputedRef<Drawn | null>;
    /** While it is on, a press on the bare lid puts a hole there. */
    placing: Ref<boolean>;
    /** What holes are rounded to, mm. */
    step: Ref<number>;
    /** The holes as they stand become the grower's own. */
    keepAsTheyAre: (tub: Tub) => void;
    setPattern: (pattern: string) => void;
    move: (hole: number, x: number, y: number, done: boolean) => void;
    nudge: (hole: number, right: number, back: number) => void;
    place: (x: number, y: number) => void;
    startEmpty: () => void;
    deleteHole: () => void;
    align: () => void;
    setHole: (says: string, edit: (hole: Hole, garden: Garden) => void) => void;
} {
    const garden = useGarden();
    const tub = computed(() => garden.tub.value!);
    const report = computed(() => garden.tubReport.value!);
    const holes = computed(() => report.value.layout.holes);
    const chosen = ref<number | null>(null);
    watch(holes, (now) => {
        if (chosen.value !== null && chosen.value >= now.length) chosen.value = null;
    });
    const set = (says: string, edit: (tub: Tub) => void): void => garden.changeTub(says, edit);

    /** The holes as they stand become the grower's own. */
    function byHand(tub: Tub, change: (holes: Hole[]) => void): void {
        const list: Hole[] = tub.layout?.pattern === 'manual' && tub.layout.holes ? tub.layout.holes : held(report.value);
        change(list);
        tub.layout = { ...tub.layout, pattern: 'manual', holes: list };
    }

    function setPattern(pattern: string): void {
        set('change the pattern', (t) => {
            if (pattern === 'manual') byHand(t, () => undefined);
            else t.layout = { cups: 'max', ...t.layout, pattern: pattern as 'grid', holes: null };
        });
    }

    function move(hole: number, x: number, y: number, done: boolean): void {
        const edit = (g: Garden): void => {
            const t = g.tubs?.find((other) => other.id === tub.value.id);
            if (t)
                byHand(t, (list) => {
                    Object.assign(list[hole]!, { x_mm: x, y_mm: y });
                });
        };
        if (done) garden.change(`move hole ${hole + 1}`, edit);
        else garden.look(edit);
    }

    /** By so much from where it stands in the document, so that quick presses add up before the drawing has followed. */
    function nudge(hole: number, right: number, back: number): void {
        set(`nudge hole ${hole + 1}`, (t) =>
            byHand(t, (list) => {
                const h = list[hole]!;
                Object.assign(h, { x_mm: Math.round((h.x_mm + right) * 2) / 2, y_mm: Math.round((h.y_mm + back) * 2) / 2 });
            }),
        );
    }

    const placing = ref(false);
    function place(x: number, y: number): void {
        set('place a hole', (t) =>
            byHand(t, (list) => {
                list.push({ x_mm: x, y_mm: y });
            }),
        );
        chosen.value = null;
    }

    function startEmpty(): void {
        set('take all holes away', (t) => {
            t.layout = { ...t.layout, pattern: 'manual', holes: [] };
        });
        chosen.value = null;
        placing.value = true;
    }

    function deleteHole(): void {
        const i = chosen.value;
        if (i === null) return;
        set('delete a hole', (t) =>
            byHand(t, (list) => {
                list.splice(i, 1);
            }),
        );
        chosen.value = null;
    }

    const step = ref(5);

    /** Where each hole stands is rounded to so many mm from the lid’s middle; what lies between them may change by as much. */
    function align(): void {
        set('round off the holes', (t) =>
            byHand(t, (list) => {
                const on = (mm: number): number => Math.round(Math.round(mm / step.value) * step.value * 10) / 10;
                for (const h of list) Object.assign(h, { x_mm: on(h.x_mm), y_mm: on(h.y_mm) });
            }),
        );
    }

    function setHole(says: string, edit: (hole: Hole, garden: Garden) => void): void {
        const i = chosen.value;
        if (i !== null)
            garden.changeTub(says, (t, g) =>
                byHand(t, (list) => {
                    edit(list[i]!, g);
                }),
            );
    }

    const picked = computed(() => (chosen.value === null ? null : (holes.value[chosen.value] ?? null)));
    const keepAsTheyAre = (tub: Tub): void => byHand(tub, () => undefined);
    return { keepAsTheyAre, holes, chosen, picked, placing, step, setPattern, move, nudge, place, startEmpty, deleteHole, align, setHole };
}

/** What a change of cup or saw did to the holes, in words, until the next change. */
export function useMoved(): Ref<string> {
    const garden = useGarden();
    const report = computed(() => garden.tubReport.value!);
    const holes = computed(() => report.value.layout.holes);
    const news = ref('');
    const cut = computed(() =>
        JSON.stringify([
            report.value.shape.cups.map((c) => c.lip_diameter_mm),
            report.value.hole.diameter_mm,
            report.value.hole_2?.diameter_mm,
        ]),
    );
    let stood: Drawn[] | null = null;
    watch([cut, holes, garden.previewer.layingOut], ([now, after], [before, old, laying]) => {
        if (now !== before) stood = old;
        else if (after !== old && !laying && moved(old, after, String) !== '') stood = null;
        news.value = stood === null ? '' : moved(stood, after, (mm) => length(mm, garden.units.value));
    });
    return news;
}
