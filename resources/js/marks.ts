import { defineAsyncComponent, type AsyncComponentLoader, type Component } from 'vue';

/**
 * One mark of the tide staff: its name in reports and addresses, its digit and name on the page, and its page, loaded when it is opened.
 */
const entry = <Key extends string>(key: Key, digit: number, name: string, page: AsyncComponentLoader<Component>) => ({
    key,
    digit,
    name,
    page: defineAsyncComponent(page),
});

/**
 * The marks that work, in the order people work; a new one is its folder and its line here. Digits keep their mark, so Cost is always 6.
 */
export const MARKS = [
    entry('tub', 1, 'Tub', () => import('./tub/TubMark.vue')),
    entry('crop', 2, 'Crop', () => import('./crop/CropMark.vue')),
    entry('lid', 3, 'Lid', () => import('./lid/LidMark.vue')),
    entry('air', 4, 'Air', () => import('./air/AirMark.vue')),
    entry('feed', 5, 'Feed', () => import('./feed/FeedMark.vue')),
    entry('cost', 6, 'Cost', () => import('./cost/CostMark.vue')),
    entry('build', 7, 'Build', () => import('./build/BuildMark.vue')),
    entry('days', 8, 'Days', () => import('./days/DaysMark.vue')),
    entry('log', 9, 'Log', () => import('./log/LogMark.vue')),
];

export type Mark = (typeof MARKS)[number]['key'];

export const isMark = (key: string | undefined): key is Mark => MARKS.some((mark) => mark.key === key);
