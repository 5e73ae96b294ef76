import type { Tub } from '../types/garden';

/** The ways to run a tub, each with the line that tells them apart. */
export const SYSTEMS: { value: Tub['system']; name: string; says: string }[] = [
    { value: 'aerated', name: 'Aerated', says: 'Air bubbled through the solution by a pump and stones.' },
    { value: 'passive', name: 'Passive', says: 'Still water that falls as the plants drink. No pump.' },
    { value: 'raft', name: 'Raft', says: 'A foam board floats on the water, carries the cups, and sinks with it.' },
    { value: 'cloner', name: 'Cloner', says: 'Cuttings hang over the water and are wetted by bursting bubbles.' },
    { value: 'nursery', name: 'Nursery', says: 'A small water pump on a timer wets the cups from the top, until roots reach the water.' },
];
