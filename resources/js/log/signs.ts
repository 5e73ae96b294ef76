import type { Entry } from '../types/entry';

export type SignKey = NonNullable<Entry['signs']>[number];

/** What may be seen at a tub: the key that is kept, in words, and what of it is drawn. */
export interface Sign {
    key: SignKey;
    name: string;
    part: 'roots' | 'water' | 'air' | 'cup' | 'leaves';
}

export const SIGNS: Sign[] = [
    { key: 'brown-roots', name: 'Brown, slimy roots', part: 'roots' },
    { key: 'stained-roots', name: 'Roots stained, firm', part: 'roots' },
    { key: 'smell', name: 'Smells foul', part: 'water' },
    { key: 'green-film', name: 'Green film', part: 'water' },
    { key: 'insects', name: 'Insects on it', part: 'water' },
    { key: 'weak-bubbles', name: 'Few bubbles', part: 'air' },
    { key: 'no-bubbles', name: 'No bubbles', part: 'air' },
    { key: 'white-crust', name: 'White crust', part: 'cup' },
    { key: 'dry-plug', name: 'Dry plug', part: 'cup' },
    { key: 'not-up', name: 'Seeds not up', part: 'cup' },
    { key: 'wilting', name: 'Leaves hang', part: 'leaves' },
    { key: 'pale-new-leaves', name: 'New leaves pale', part: 'leaves' },
    { key: 'pale-old-leaves', name: 'Old leaves pale', part: 'leaves' },
    { key: 'burnt-tips', name: 'Burnt tips', part: 'leaves' },
    { key: 'purple-stems', name: 'Purple stems', part: 'leaves' },
    { key: 'leggy', name: 'Long and thin', part: 'leaves' },
    { key: 'leaning', name: 'Leans over', part: 'leaves' },
];

export const signName = (key: string): string => SIGNS.find((s) => s.key === key)?.name ?? key;
