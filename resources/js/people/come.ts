import { ref, type Ref } from 'vue';
import { send } from '../kit/turns';

const FIELDS: Record<string, string> = {
    '/name': 'The name',
    '/password': 'The password',
    '/code': 'The code',
    '/old': 'The old password',
};

/** What was refused, in a sentence. */
export function refusal(answer: { message?: string; faults?: { pointer: string; message: string }[] }): string {
    const fault = answer.faults?.[0];
    return fault ? `${FIELDS[fault.pointer] ?? 'That'} ${fault.message}.` : (answer.message ?? 'That did not work.');
}

/** What a device is called that nobody has given a name. */
export const deviceName = (): string => (matchMedia('(pointer: coarse)').matches ? 'Phone' : 'Computer');

/** Sends who comes in, and goes on to a page once they are in. What was typed stays where it will not do. */
export function useDoor(): { come: (path: string, body: object, to?: string) => Promise<void>; fault: Ref<string>; busy: Ref<boolean> } {
    const fault = ref('');
    const busy = ref(false);
    async function come(path: string, body: object, to = '/'): Promise<void> {
        if (busy.value) return;
        busy.value = true;
        fault.value = '';
        const answer = await send('Letting you in', path, { body: JSON.stringify(body) });
        if (answer.kind === 'done') location.assign(to);
        else {
            fault.value = refusal(answer as Parameters<typeof refusal>[0]);
            busy.value = false;
        }
    }
    return { come, fault, busy };
}
