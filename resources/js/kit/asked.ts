import { onScopeDispose, ref, shallowRef, watch, type Ref, type ShallowRef } from 'vue';
import { call } from './api';
import type { OpenGarden } from './garden';

/** What the application says of the garden as it is, asked again after each change of it; the last answer stands until a new one comes. */
export function useAsked<T>(
    garden: OpenGarden,
    path: () => string | null,
): { answer: ShallowRef<T | null>; away: Ref<string>; of: Ref<string | null> } {
    const answer = shallowRef<T | null>(null);
    const away = ref('');
    const of = ref<string | null>(null);
    let asking: AbortController | null = null;

    async function ask(): Promise<void> {
        const at = path();
        if (at === null) return;
        asking?.abort();
        const mine = (asking = new AbortController());
        const said = await call<T>(at, { body: JSON.stringify(garden.document.value), signal: mine.signal });
        if (asking !== mine) return;
        away.value = said.kind === 'done' || said.kind === 'cancelled' || said.kind === 'conflict' ? '' : said.message;
        if (said.kind === 'done') {
            answer.value = said.data;
            of.value = at;
        }
    }
    watch([garden.document, path], () => void ask(), { immediate: true });
    onScopeDispose(() => asking?.abort());
    return { answer, away, of };
}
