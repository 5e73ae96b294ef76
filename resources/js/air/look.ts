import type { Ref, ShallowRef } from 'vue';
import { useAsked } from '../kit/asked';
import type { OpenGarden } from '../kit/garden';
import type { AirReport } from '../types/report';

type Point = [number, number];

/** A tub's air looked at closely. */
export interface Look {
    trouble: string | null;
    air: AirReport[];
    oxygen: { tub: string; steady_mg_l: number | null; air_l_min: number }[];
    curves: { pump: Point[]; new_pump: Point[]; lines: Point[]; at: Point; joined: boolean } | null;
    oxygen_by_air: { points: Point[]; now: Point; next_l_min: number; next_mg_l: number; saturation_mg_l: number } | null;
    outage: {
        day: number | null;
        hours: number;
        grown: Point[];
        today: Point[] | null;
        grown_min: number | null;
        today_min: number | null;
        today_steady_mg_l: number | null;
        battery_wh: number;
        battery_min: number | null;
        watts: number;
    } | null;
    energy: {
        watts: number;
        kwh_month: number;
        kwh_year: number;
        money_month: number;
        money_year: number;
        sun_hours: number;
        panel_wp: number | null;
        battery_wh_day: number;
        dark_days: number | null;
    } | null;
    valves: { same: unknown[] | null; demand: unknown[] | null } | null;
}

/** One pump of the Library in the place of the one that feeds a tub, with what it does to every tub on the line. */
export interface PumpOption {
    key: string;
    name: string;
    power_w: number;
    noise_db: number | null;
    supply: string;
    price: number | null;
    money_month: number;
    stones: string | null;
    valves: 'same' | 'demand' | null;
    meets: boolean;
    tubs: {
        tub: string;
        air_l_min: number;
        per_stone_l_min: number | null;
        grown_mg_l: number | null;
        today_mg_l: number | null;
        floor_mg_l: number;
        meets: boolean;
    }[];
    patch: unknown[];
}

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
