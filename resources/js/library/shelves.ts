import type { Library } from '../kit/library';

export type Kind = 'vessels' | 'cups' | 'saws' | 'crops';

export const KINDS: { key: Kind; name: string; one: string }[] = [
    { key: 'vessels', name: 'Vessels', one: 'vessel' },
    { key: 'cups', name: 'Cups', one: 'cup' },
    { key: 'saws', name: 'Saws', one: 'saw' },
    { key: 'crops', name: 'Crops', one: 'crop' },
];

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
export function blank(kind: Kind): Draft {
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
        case 'crops':
            return {
                name: 'My crop',
                group: 'leaf',
                habit: 'rosette',
                spacing_mm: 180,
                litres_per_plant: 2.5,
                water_to_harvest_l: 4,
                days_germinate: 5,
                days_sow_to_transplant: 16,
                days_transplant_to_harvest: 35,
                harvest: 'once',
                days_harvest_lasts: 0,
                passive: 'short',
                ec_low: 1,
                ec_high: 1.6,
                ph_low: 5.5,
                ph_high: 6.5,
                root_oxygen_mg_h: 6,
                water_temp_low_c: 15,
                water_temp_high_c: 23,
                support: 'none',
                light_hours: 14,
                yield_g: 150,
                cup_min_mm: 50,
                mature_mass_g: 300,
                mature_height_mm: 250,
            };
    }
}

/** A copy of one's own to change: named apart, without the key of what it was copied from. */
export function copyOf(item: Draft): Draft {
    const { key: _, own: __, ...rest } = JSON.parse(JSON.stringify(item)) as Draft;
    return { ...rest, name: item.own ? `${item.name} copy` : `My ${item.name.charAt(0).toLowerCase()}${item.name.slice(1)}` } as Draft;
}
