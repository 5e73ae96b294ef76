import type { Library } from '../kit/library';
import type { Dimension } from '../kit/reader';

export type Kind = 'vessels' | 'cups' | 'saws' | 'crops' | 'pumps' | 'stones' | 'feeds';

export const KINDS: { key: Kind; name: string; one: string }[] = [
    { key: 'vessels', name: 'Vessels', one: 'vessel' },
    { key: 'cups', name: 'Cups', one: 'cup' },
    { key: 'saws', name: 'Saws', one: 'saw' },
    { key: 'crops', name: 'Crops', one: 'crop' },
    { key: 'pumps', name: 'Pumps', one: 'pump' },
    { key: 'stones', name: 'Stones', one: 'stone' },
    { key: 'feeds', name: 'Feeds', one: 'feed' },
];

/** A column of the crop table as the schema describes it: what it starts as, what it may be, and how it is asked for. */
export type CropColumns = Record<
    string,
    {
        default?: string | number;
        enum?: string[];
        'x-form'?: { group: string; name: string; dimension?: Dimension; unit?: string; words?: Record<string, string> };
    }
>;

/** An item of any shelf while it is looked at or changed. */
export type Draft = Record<string, unknown> & { key?: string; name: string; own?: boolean };

export const shelf = (library: Library, kind: Kind): Draft[] => library[kind] as unknown as Draft[];

/** Those whose name, or whose group, holds every word that is looked for. */
export function found(items: Draft[], text: string, whose: 'all' | 'own' | 'shipped'): Draft[] {
    const words = text.toLowerCase().split(/\s+/).filter(Boolean);
    return items.filter((item) => {
        const hay = [item.name, item.kind, item.group, item.made, item.key].join(' ').toLowerCase();
        return (whose === 'all' || (whose === 'own') === (item.own === true)) && words.every((word) => hay.includes(word));
    });
}

/** What a new item of a shelf starts as. */
export function blank(kind: Kind, crop: CropColumns): Draft {
    switch (kind) {
        case 'vessels':
            return {
                name: 'My tub',
                kind: 'other',
                opacity: 'opaque',
                floor_mm: 3,
                empty_kg: 1,
                stations: [
                    { height_mm: 0, diameter_mm: 250 },
                    { height_mm: 300, diameter_mm: 280 },
                ],
                lid: { diameter_mm: 300, thickness_mm: 2.5, make: 'plain', top_above_rim_mm: 0 },
            };
        case 'cups':
            return { name: 'My cup', lip_diameter_mm: 80, top_diameter_mm: 72, bottom_diameter_mm: 55, height_mm: 75, made: 'home' };
        case 'saws':
            return { name: 'My saw', diameter_mm: 54 };
        case 'pumps':
            return { name: 'My pump', free_flow_l_min: 4, max_pressure_kpa: 15, outlets: 1, power_w: 4, supply: 'mains' };
        case 'stones':
            return {
                name: 'My stone',
                bubble: 'medium',
                length_mm: 50,
                min_l_min: 0.2,
                max_l_min: 1.2,
                resistance_kpa_per_l_min: 0.6,
            };
        case 'feeds':
            return { name: 'My feed', kind: 'one-part', parts: [{ name: 'A', ml_per_l: 4 }] };
        case 'crops':
            return Object.fromEntries(Object.entries(crop).map(([key, { default: value }]) => [key, value])) as Draft;
    }
}

/** A copy of one's own to change: named apart, without the key of what it was copied from. */
export function copyOf(item: Draft): Draft {
    const { key: _, own: __, ...rest } = JSON.parse(JSON.stringify(item)) as Draft;
    return { ...rest, name: item.own ? `${item.name} copy` : `My ${item.name.charAt(0).toLowerCase()}${item.name.slice(1)}` } as Draft;
}

/** What a pump gives at no pressure, L/min: as it is said, or the end of its curve. */
export const freeFlow = (item: Draft): number => {
    const curve = item.curve as [number, number][] | undefined;
    return curve ? Math.max(...curve.map((p) => p[0])) : Number(item.free_flow_l_min ?? 0);
};
/** A pump's curve from the highest pressure to free flow. */
export const curveOf = (item: Draft): [number, number][] =>
    (item.curve as [number, number][] | undefined) ?? [
        [0, Number(item.max_pressure_kpa ?? 0)],
        [Number(item.free_flow_l_min ?? 0), 0],
    ];
