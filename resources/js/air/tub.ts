import { computed, inject, provide, ref, watch, type ComputedRef, type InjectionKey, type Ref, type ShallowRef } from 'vue';
import { useGarden, type OpenGarden } from '../kit/garden';
import type { Look } from '../types/answers';
import type { AirSystem, Tub } from '../types/garden';
import type { AirReport, TubReport } from '../types/report';
import { useLook, type Asked } from './look';

type Line = NonNullable<ReturnType<OpenGarden['air']>>;
type Branch = NonNullable<AirSystem['branches']>[number];

/** The air of the tub that is looked at: what all panels of the mark read and change. */
export interface TubAir {
    tub: ComputedRef<Tub>;
    report: ComputedRef<TubReport>;
    /** Where its line stands in the garden; null without one. */
    line: ComputedRef<Line | null>;
    asked: Ref<Asked>;
    ask: (part: Partial<Asked>) => void;
    look: ShallowRef<Look | null>;
    /** The look at it with what has gone wrong, where that is asked about. */
    wrong: ComputedRef<Look | null>;
    /** As it is, or with what has gone wrong. */
    pump: ComputedRef<AirReport | null>;
    /** The tubs that the pump feeds. */
    fed: ComputedRef<TubReport[]>;
    branch: ComputedRef<AirReport['branches'][number] | null>;
    /** Of each tub, with plants grown. */
    oxygenOf: ComputedRef<Record<string, number | null>>;
    set: (says: string, edit: (tub: Tub) => void) => void;
    setPump: (says: string, edit: (system: AirSystem) => void) => void;
    setBranch: (says: string, edit: (branch: Branch) => void) => void;
}

const KEY: InjectionKey<TubAir> = Symbol('air');

export function provideTubAir(): TubAir {
    const garden = useGarden();
    const tub = computed(() => garden.tub.value!);
    const report = computed(() => garden.tubReport.value!);
    const line = computed(() => garden.air(tub.value.id));
    const asked = ref<Asked>({ day: 14, trouble: '', battery: 0 });
    const look = useLook(garden, asked);
    watch(garden.selected, () => {
        asked.value = { ...asked.value, trouble: '' };
    });
    const wrong = computed(() => (asked.value.trouble !== '' && look.value?.trouble === asked.value.trouble ? look.value : null));
    const pump = computed(() => (wrong.value?.air ?? garden.report.value.air).find((a) => a.id === line.value?.system.id) ?? null);

    const air: TubAir = {
        tub,
        report,
        line,
        asked,
        ask: (part) => {
            asked.value = { ...asked.value, ...part };
        },
        look,
        wrong,
        pump,
        fed: computed(() => garden.report.value.tubs.filter((t) => pump.value?.branches.some((b) => b.tub === t.id))),
        branch: computed(() => pump.value?.branches.find((b) => b.tub === tub.value.id) ?? null),
        oxygenOf: computed(() =>
            Object.fromEntries(
                garden.report.value.tubs.map((t) => [
                    t.id,
                    wrong.value ? (wrong.value.oxygen.find((o) => o.tub === t.id)?.steady_mg_l ?? null) : t.oxygen.steady_mg_l,
                ]),
            ),
        ),
        set: (says, edit) => garden.changeTub(says, edit),
        /* By its pump, or the tub on it, wherever that stands in the list by then. */
        setPump: (says, edit) => {
            const id = line.value?.system.id;
            garden.change(says, (g) => {
                const system = g.air?.find((one) => one.id === id);
                if (system) edit(system);
            });
        },
        setBranch: (says, edit) => {
            const id = tub.value.id;
            garden.change(says, (g) => {
                const branch = (g.air ?? []).flatMap((system) => system.branches ?? []).find((one) => one.tub === id);
                if (branch) edit(branch);
            });
        },
    };
    provide(KEY, air);
    return air;
}

export function useTubAir(): TubAir {
    const air = inject(KEY);
    if (!air) throw new Error('No air is open here.');
    return air;
}
