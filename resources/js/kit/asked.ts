import { ref, shallowRef, watch, type Ref, type ShallowRef } from 'vue';
import type { OpenGarden } from './garden';
import { useTurns } from './turns';

/** What the application says of the garden as it is, asked again after each change of it; the last answer stands until a new one comes. */
export function useAsked<T>(
    garden: OpenGarden,
    path: () => string | null,
): { answer: ShallowRef<T | null>; away: Ref<string>; of: Ref<string | null> } {
    const answer = shallowRef<T | null>(null);
    const away = ref('');
    const of = ref<string | null>(null);
    const turns = useTurns();

    async function ask(): Promise<void> {
        const at = path();
        if (at === null) return;
        const said = await turns.ask<T>(at, { body: JSON.stringify(garden.document.value) });
        if (!said) return;
        away.value = said.kind === 'done' || said.kind === 'cancelled' || said.kind === 'conflict' ? '' : said.message;
        if (said.kind === 'done') {
            answer.value = said.data;
            of.value = at;
        }
    }
    watch([garden.document, path], () => void ask(), { immediate: true });
    return { answer, away, of };
}
