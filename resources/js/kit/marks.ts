import type { Finding } from '../types/report';

/** The marks of the tide staff that work, in the order people work. Digits keep their mark, so Cost is always 6. */
export const MARKS = [
    { key: 'tub', name: 'Tub', digit: 1 },
    { key: 'crop', name: 'Crop', digit: 2 },
    { key: 'lid', name: 'Lid', digit: 3 },
    { key: 'air', name: 'Air', digit: 4 },
    { key: 'cost', name: 'Cost', digit: 6 },
] as const;

export type Mark = (typeof MARKS)[number]['key'];

const PLACE: Record<string, Mark> = { vessel: 'tub', tub: 'tub', crop: 'crop', passive: 'crop', cup: 'lid', lid: 'lid', air: 'air', cost: 'cost' };

/** The mark at which a finding is mended. */
export function markOf(finding: Finding): Mark {
    return PLACE[finding.code.split('.')[0] ?? ''] ?? 'tub';
}

export type Severity = Finding['severity'];

/** The worst of some findings; they come worst first. */
export function worst(findings: Finding[]): Severity | null {
    return findings[0]?.severity ?? null;
}

/** How many marks are sound from the bottom: up to the first that holds a stop. */
export function sound(findings: Finding[]): number {
    const first = MARKS.findIndex((mark) => findings.some((f) => f.severity === 'stop' && markOf(f) === mark.key));
    return first < 0 ? MARKS.length : first;
}
