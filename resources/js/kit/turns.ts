import { onScopeDispose, ref, type Ref } from 'vue';
import { call, type Answer } from './api';
import { deeds } from './deeds';

type Options = NonNullable<Parameters<typeof call>[1]>;

/** Who has not answered by then is taken for away, ms. */
const SENT_WITHIN_MS = 120_000;

/**
 * A press that keeps something or takes it away: done once, though it is pressed twice, and what is pressed after it waits. What it sends
 * may be made when its turn comes, of how things stand then.
 */
export const send = <T>(says: string, path: string, options: Options | (() => Options) = {}): Promise<Answer<T>> =>
    deeds.runOnce(says, () => call<T>(path, { within: SENT_WITHIN_MS, ...(typeof options === 'function' ? options() : options) }));

/**
 * Questions of one kind, of which only the answer to the newest counts: null is given for one that was overtaken, or whose asker has gone.
 * `busy` is true while an answer is awaited.
 */
export function useTurns(): {
    ask: <T>(path: string, options?: Options) => Promise<Answer<T> | null>;
    stop: () => void;
    busy: Ref<boolean>;
} {
    let asking: AbortController | null = null;
    const busy = ref(false);

    async function ask<T>(path: string, options: Options = {}): Promise<Answer<T> | null> {
        asking?.abort();
        const mine = (asking = new AbortController());
        busy.value = true;
        const answer = await call<T>(path, { ...options, signal: mine.signal });
        if (asking !== mine) return null;
        asking = null;
        busy.value = false;
        return answer;
    }

    function stop(): void {
        asking?.abort();
        asking = null;
        busy.value = false;
    }
    onScopeDispose(stop);
    return { ask, stop, busy };
}
