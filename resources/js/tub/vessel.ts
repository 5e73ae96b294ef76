import { computed, type ComputedRef } from 'vue';
import { vesselInPlace } from '../kit/edits';
import { useGarden } from '../kit/garden';
import type { Tub, Vessel } from '../types/garden';
import type { TubReport } from '../types/report';

type Whole = Exclude<Vessel, string>;

/** The tub that is looked at and its vessel, whole, as they stand in the garden, and how they are changed. */
export function useVessel(): {
    tub: ComputedRef<Tub>;
    report: ComputedRef<TubReport>;
    /** Where the tub stands in the document. */
    at: ComputedRef<string>;
    vessel: ComputedRef<Whole>;
    cover: ComputedRef<Exclude<Whole['cover'], object | undefined> | 'none' | 'liner'>;
    setTub: (says: string, edit: (tub: Tub) => void) => void;
    setVessel: (says: string, edit: (vessel: Whole) => void) => void;
    /** Where a change of this tub is asked for, that the core works out. */
    change: (what: string) => string;
} {
    const garden = useGarden();
    const tub = computed(() => garden.tub.value!);
    const vessel = computed(() => {
        const of = tub.value.vessel;
        return typeof of === 'string' ? garden.library.vessels.find((v) => v.key === of)! : of;
    });
    return {
        tub,
        report: computed(() => garden.tubReport.value!),
        at: computed(() => `/tubs/${garden.index.value}`),
        vessel,
        cover: computed(() => (typeof vessel.value.cover === 'object' ? 'liner' : (vessel.value.cover ?? 'none'))),
        setTub: (says, edit) => garden.changeTub(says, edit),
        change: (what) => `edits/${what}?tub=${encodeURIComponent(tub.value.id)}`,
        setVessel: (says, edit) => garden.changeTub(says, (t) => edit(vesselInPlace(t, garden.library))),
    };
}
