import type { Habit } from '../kit/library';
import { drawnAs, GROWS } from './plants/crops';
import { f, type Stroke } from './plants/draw';

/** How plants are on a day, as the season has it. */
export type Looks = 'well' | 'pale' | 'wilting' | 'dead';

const PAIR = /(-?\d+\.?\d*) (-?\d+\.?\d*)/g;
const MOST_KEPT = 400;
const kept = new Map<string, Stroke[]>();

/** Lines that follow each other are drawn as one; leaves and fruit lie over each other and stay apart. */
function joined(strokes: Stroke[]): Stroke[] {
    const all: Stroke[] = [];
    for (const stroke of strokes) {
        const last = all.at(-1);
        if (last && last.kind === stroke.kind && ['vein', 'stem', 'spear', 'twig', 'prop'].includes(stroke.kind)) last.d += stroke.d;
        else all.push({ ...stroke });
    }
    return all;
}

/** Whether a plant so far grown is drawn as what was set out: seedlings are alike in size whatever they will be. */
export const isYoung = (growth: number): boolean => growth < GROWS;

/**
 * The silhouette of a crop, exactly as high and as wide as asked, in mm. Drawn, not computed: only height and spread are the crop's.
 *
 * @param habit how it grows, where the crop is the grower's own
 * @param growth from 0 to 1: a half-grown plant has fewer leaves, and no fruit
 */
export function plant(crop: string, habit: Habit, height: number, width: number, growth = 1): Stroke[] {
    const key = [crop, habit, f(height), f(width), growth.toFixed(2)].join(' ');
    const known = kept.get(key);
    if (known) return known;
    const strokes = joined(drawnAs(crop, habit, growth)(height, width, growth));
    let [reach, top] = [1, 1];
    for (const { d } of strokes) {
        for (const [, x, y] of d.matchAll(PAIR)) {
            reach = Math.max(reach, Math.abs(Number(x)));
            top = Math.max(top, -Number(y));
        }
    }
    const [across, up] = [width / 2 / reach, height / top];
    const made = strokes.map((stroke) => ({
        ...stroke,
        d: stroke.d.replace(PAIR, (_, x: string, y: string) => `${f(Number(x) * across)} ${f(Math.min(0, Number(y)) * up)}`),
    }));
    if (kept.size >= MOST_KEPT) kept.clear();
    kept.set(key, made);
    return made;
}
const SHAPES = new Set<Stroke['kind']>(['leaf', 'stalk', 'fruit', 'petal']);

/** A grown plant where it is too small for its leaves to be told apart: all that is filled as one path, all that is lines as another. */
export function silhouette(crop: string, habit: Habit, height: number, width: number): { shapes: string; lines: string } {
    const strokes = plant(crop, habit, height, width);
    const path = (wanted: (s: Stroke) => boolean): string =>
        strokes
            .filter(wanted)
            .map((s) => s.d)
            .join('');
    return { shapes: path((s) => SHAPES.has(s.kind)), lines: path((s) => !SHAPES.has(s.kind) && s.kind !== 'vein') };
}

/** A crop's green is its own, none of the severities', and none is too pale on paper. */
const TINTS: Record<string, string> = {
    'lettuce-leaf': '#7f9c36',
    'lettuce-romaine': '#5f8f3c',
    endive: '#8a9f46',
    mizuna: '#5f8a3c',
    rocket: '#4d7a35',
    spinach: '#2f6b3a',
    watercress: '#3f8a4e',
    tatsoi: '#2c5f45',
    'pak-choi': '#4a8a46',
    'cabbage-mini': '#7a9f76',
    kale: '#4a7569',
    chard: '#3f7a3a',
    sorrel: '#6a9438',
    celery: '#76984a',
    'celery-leaf': '#35704a',
    kohlrabi: '#6a967a',
    'spring-onion': '#3f7f5a',
    basil: '#569338',
    coriander: '#5a9448',
    parsley: '#2f7a3f',
    dill: '#8a9a3c',
    chervil: '#709a58',
    mint: '#3f8a64',
    chives: '#4a7a35',
    oregano: '#6f8f5a',
    thyme: '#7a8a66',
    'fennel-bulb': '#86a052',
    nasturtium: '#6f9a55',
    viola: '#4f7f45',
    strawberry: '#3f7a35',
    'bush-bean': '#5a8f45',
    'dwarf-pea': '#769c66',
    chilli: '#3f7f3a',
    'sweet-pepper': '#4a8a3a',
    aubergine: '#6a8a66',
    'tomato-dwarf': '#4a7a3a',
    'tomato-vine': '#446f38',
    cucumber: '#5a8a3a',
    courgette: '#5f8a5a',
    'ground-cherry': '#7a9445',
    okra: '#5a8a5a',
    'soft-cuttings': '#7a9f86',
};
const OTHERS = [
    '#5f8a3c',
    '#2f7a6a',
    '#8a8f35',
    '#3d6b56',
    '#6a9a5a',
    '#4a6a3a',
    '#7a9f86',
    '#3f8f7a',
    '#959a4a',
    '#2f5f58',
    '#7a8f6a',
    '#55804a',
];

/** The green of a crop: the same on every drawing. */
export function tint(key: string): string {
    let hash = 2166136261;
    for (const char of key) hash = Math.imul(hash ^ char.charCodeAt(0), 16777619) >>> 0;
    return TINTS[key] ?? OTHERS[(hash >>> 9) % OTHERS.length] ?? '#5f8a3c';
}
