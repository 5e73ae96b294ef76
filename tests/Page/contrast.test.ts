import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';

/** The colours of the page by theme, read from its style sheet. */
const css = readFileSync('resources/css/app.css', 'utf8');
const block = (selector: string): Record<string, string> =>
    Object.fromEntries(
        [...(css.split(`${selector} {`)[1]?.split('}')[0] ?? '').matchAll(/--([a-z-]+): (#[0-9a-f]{6})/g)].map(([, name, value]) => [
            name!,
            value!,
        ]),
    );
const day = block(':root');
const night = { ...day, ...block(':root.night') };

const luminance = (hex: string): number => {
    const [r, g, b] = [1, 3, 5]
        .map((i) => parseInt(hex.slice(i, i + 2), 16) / 255)
        .map((c) => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4));
    return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;
};
const contrast = (a: string, b: string): number => {
    const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x);
    return (light! + 0.05) / (dark! + 0.05);
};

/** Every pair of text and ground that the page uses. */
const TEXT: [string, string[]][] = [
    ['ink', ['paper', 'sheet', 'sand', 'shoal', 'water-wash', 'cup']],
    ['faint', ['paper', 'sheet', 'sand', 'water-wash']],
    ['kelp', ['paper']],
    ['water-text', ['paper', 'sheet', 'water-wash']],
    ['mind-text', ['paper', 'sheet', 'sand', 'water-wash']],
    ['mend-text', ['paper', 'sheet', 'sand', 'water-wash']],
    ['stop-text', ['paper', 'sheet', 'sand', 'water-wash']],
    ['paper', ['ink', 'kelp', 'water-text']],
];
const pairs = TEXT.flatMap(([text, grounds]) => grounds.map((ground) => [text, ground] as const));

describe.each([
    ['day', day],
    ['night', night],
])('contrast by %s', (_, theme) => {
    it.each(pairs)('%s on %s is 4.5 or more', (text, ground) => {
        expect(contrast(theme[text]!, theme[ground]!)).toBeGreaterThanOrEqual(4.5);
    });

    it.each(['stop', 'mend', 'mind', 'water', 'kelp', 'focus'])('%s as a line on paper is 3 or more', (line) => {
        expect(contrast(theme[line]!, theme.paper!)).toBeGreaterThanOrEqual(3);
    });
});
