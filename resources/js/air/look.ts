import type { Ref, ShallowRef } from 'vue';
import { useAsked } from '../kit/asked';
import type { OpenGarden } from '../kit/garden';
import type { Look } from '../types/answers';

export interface Asked {
    day: number;
    trouble: string;
    battery: number;
}

/** The chosen tub's air, again after each change; the last answer stands until the new one comes. */
export function useLook(garden: OpenGarden, asked: Ref<Asked>): ShallowRef<Look | null> {
    return useAsked<Look>(garden, () => {
        const tub = garden.selected.value;
        const { day, trouble, battery } = asked.value;
        return tub === null
            ? null
            : `air?tub=${encodeURIComponent(tub)}&day=${day}&battery_wh=${battery}${trouble ? `&trouble=${trouble}` : ''}`;
    }).answer;
}
