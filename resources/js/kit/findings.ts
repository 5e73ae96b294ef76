import type { Finding } from '../types/report';

export type Severity = Finding['severity'];

/** The findings that are mended at a mark. */
export const at = (findings: Finding[], mark: string): Finding[] => findings.filter((finding) => finding.mark === mark);

/** The worst of some findings; they come worst first. */
export function worst(findings: Finding[]): Severity | null {
    return findings[0]?.severity ?? null;
}

/** How a figure stands by what was found on it: the worst finding of some codes, or none. */
export const toneOf = (findings: Finding[], ...codes: string[]): Severity | null =>
    worst(findings.filter((finding) => codes.includes(finding.code)));

/** How many of some marks are sound from the first on: up to the one that holds a stop. */
export function sound(findings: Finding[], marks: readonly { key: string }[]): number {
    const first = marks.findIndex((mark) => at(findings, mark.key).some((finding) => finding.severity === 'stop'));
    return first < 0 ? marks.length : first;
}
