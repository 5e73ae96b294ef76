import type { Answer } from '../kit/api';

const FIELDS: Record<string, string> = {
    '/name': 'The name',
    '/password': 'The password',
    '/code': 'The code',
    '/old': 'The old password',
};

/** What was refused, in a sentence. */
export function refusal(answer: Answer<unknown>): string {
    const fault = answer.kind === 'refused' ? answer.faults[0] : undefined;
    if (fault) return `${FIELDS[fault.pointer] ?? 'That'} ${fault.message}.`;
    return 'message' in answer ? answer.message : 'That did not work.';
}

/** What a device is called that nobody has given a name. */
export const deviceName = (): string => (matchMedia('(pointer: coarse)').matches ? 'Phone' : 'Computer');
