/** The schools of feeding and of changing water, in the words of the page. */
type School<T extends string> = { value: T; name: string };

export const TOP_UPS: School<'none' | 'level' | 'quarter' | 'half'>[] = [
    { value: 'none', name: 'Not topped up' },
    { value: 'level', name: 'To the line at ⅔ full' },
    { value: 'quarter', name: 'A quarter at ⅔ full' },
    { value: 'half', name: 'A half at ½ full' },
];
export const STRENGTHS: School<'water' | 'half' | 'feed'>[] = [
    { value: 'water', name: 'Water alone' },
    { value: 'half', name: 'Half strength' },
    { value: 'feed', name: 'Full strength' },
];
export const CHANGES: School<'weekly' | 'two-weekly' | 'monthly' | 'by-volume' | 'never'>[] = [
    { value: 'weekly', name: 'Every week' },
    { value: 'two-weekly', name: 'Every two weeks' },
    { value: 'monthly', name: 'Every month' },
    { value: 'by-volume', name: 'When top-ups come to a fill' },
    { value: 'never', name: 'Never' },
];
export const METHODS: School<string>[] = [
    { value: 'aerated', name: 'With air' },
    { value: 'passive', name: 'Passive' },
    { value: 'raft', name: 'Raft' },
    { value: 'cloner', name: 'Cloner' },
    { value: 'nursery', name: 'Nursery' },
];
export const SOURCES: School<'tap' | 'ro' | 'rain'>[] = [
    { value: 'tap', name: 'Tap' },
    { value: 'ro', name: 'Osmosis' },
    { value: 'rain', name: 'Rain' },
];
export const STEADY = 'steady';
export const CLIMATES: School<string>[] = [
    { value: STEADY, name: 'Steady, as the site says' },
    { value: 'cool-maritime', name: 'Cool, by the sea' },
    { value: 'continental', name: 'Inland, cold winters' },
    { value: 'mediterranean', name: 'Dry summers' },
    { value: 'subtropical-humid', name: 'Hot, wet summers' },
    { value: 'arid', name: 'Dry and hot' },
    { value: 'tropical', name: 'Hot and wet all year' },
    { value: 'indoors', name: 'In a heated room' },
];
