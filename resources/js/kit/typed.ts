import { inject, onBeforeUnmount, onMounted, provide, ref, type InjectionKey, type Ref } from 'vue';
import { deeds } from './deeds';
import { forget, keep, recall } from './storage';

/** What a text was understood as, what is wrong with it, or that nobody was there to read it. */
export type Understood<T> = { value: T } | { error: string } | { away: string };

interface Options<T> {
    /** What the field is called, among those of its place. */
    name: string;
    read: (text: string) => Promise<Understood<T>>;
    /** Does what was meant, when its turn has come. */
    take: (value: T, text: string) => void;
    /** What is there now: a text that could not be read for a while is taken only where this is still what it was. */
    was: () => unknown;
    /** Shows a text that was left here. */
    show: (text: string) => void;
}

interface Kept {
    text: string;
    was: string;
    /** What is wrong with it, where it was read. */
    wrong?: string;
}

/** How a text is read: as it was typed just now, again because nobody answered, or as it was found where it had been left. */
type Try = { again: number; found?: boolean };

const PREFIX = 'kelp-text-';
/** A server that is away is asked again after so long, each time longer, ms. */
const AGAIN_MS = [1500, 2500, 5000, 10_000];
const MOST_SHOWN = 30;

const changedMeanwhile = (text: string): string =>
    `“${short(text)}” was not taken: this was changed meanwhile. Write it again if you want it.`;

/** Texts of so many characters are kept for when the page is gone; a longer one stays in its field. */
const MOST_KEPT = 20_000;

const PLACE: InjectionKey<string> = Symbol('place');

/** Where the fields below are: texts that wait there are kept under this name. */
export const providePlace = (place: string): void => provide(PLACE, place);

/** Names of the fields that are open, so that no two are kept as one. */
const open = new Set<string>();

function useName(name: string): string {
    const place = inject(PLACE, '');
    let key = `${PREFIX}${place}/${name}`;
    for (let n = 2; open.has(key); n++) key = `${PREFIX}${place}/${name}#${n}`;
    open.add(key);
    onBeforeUnmount(() => open.delete(key));
    return place === '' ? '' : key;
}

export const short = (text: string): string => {
    const line = text.trim().replace(/\s+/g, ' ');
    return line.length > MOST_SHOWN ? `${line.slice(0, MOST_SHOWN)}…` : line;
};

/**
 * A text that the core reads. The latest one counts, whatever comes back first; what is pressed after it waits for it; and until it is
 * taken it stays in its field and in the browser: when nobody is there to read it, it is read later, and a page that was left finds it
 * again.
 */
export function useTyped<T>(of: Options<T>): {
    type: (text: string) => Promise<void>;
    drop: () => void;
    busy: Ref<boolean>;
    fault: Ref<string>;
} {
    const key = useName(of.name);
    const busy = ref(false);
    const fault = ref('');
    let turn = 0;
    let isOpen = true;
    let overtake: () => void = () => undefined;
    onBeforeUnmount(() => (isOpen = false));

    const was = (): string => JSON.stringify(of.was() ?? null);

    const type = (text: string): Promise<void> => begin(text, was(), { again: 0 });

    async function begin(text: string, before: string, which: Try): Promise<void> {
        const mine = ++turn;
        overtake();
        const overtaken = new Promise<null>((done) => (overtake = () => done(null)));
        hold({ text, was: before });
        busy.value = true;
        const reading = of.read(text);
        await deeds.run(`Reading “${short(text)}”`, async (act) => {
            const answer = await Promise.race([reading, overtaken]);
            if (answer !== null && mine === turn) act(() => settle(text, answer, mine, before, which));
        });
    }

    const hold = (left: Kept): unknown => key && left.text.length <= MOST_KEPT && keep(key, JSON.stringify(left));

    function settle(text: string, answer: Understood<T>, mine: number, before: string, which: Try): void {
        busy.value = false;
        // Its field was left while it was being read, and found again: it was taken meanwhile.
        if (which.found && kept(recall(key))?.text !== text) return;
        if ('away' in answer) {
            fault.value = `“${short(text)}” is not read yet: Kelp Tub does not answer. It is kept here and read when it is back.`;
            const next = { ...which, again: which.again + 1 };
            setTimeout(() => void again(text, mine, before, next), AGAIN_MS[Math.min(which.again, AGAIN_MS.length - 1)]);
            return;
        }
        fault.value = 'error' in answer ? answer.error : '';
        if ('error' in answer) {
            hold({ text, was: before, wrong: answer.error });
            return;
        }
        if (key) forget(key);
        if ((which.again > 0 || which.found) && was() !== before) fault.value = changedMeanwhile(text);
        else of.take(answer.value, text);
    }

    /** Whoever has left the field finds the text there when they come back. */
    async function again(text: string, mine: number, before: string, which: Try): Promise<void> {
        if (mine !== turn || !isOpen) return;
        const answer = await of.read(text);
        if (mine !== turn || !isOpen) return;
        await deeds.run(`Reading “${short(text)}”`, (act) => {
            if (mine === turn && isOpen) act(() => settle(text, answer, mine, before, which));
            return Promise.resolve();
        });
    }

    /** There is nothing to be read any more. */
    function drop(): void {
        turn++;
        overtake();
        busy.value = false;
        fault.value = '';
        if (key) forget(key);
    }

    onMounted(() => {
        const left = key ? kept(recall(key)) : null;
        if (!left) return;
        of.show(left.text);
        if (left.was !== was()) {
            forget(key);
            fault.value = changedMeanwhile(left.text);
        } else if (left.wrong) fault.value = left.wrong;
        else void begin(left.text, left.was, { again: 0, found: true });
    });

    return { type, drop, busy, fault };
}

function kept(text: string | null): Kept | null {
    try {
        const found = JSON.parse(text ?? 'null') as Partial<Kept> | null;
        return typeof found?.text === 'string' && typeof found.was === 'string' ? (found as Kept) : null;
    } catch {
        return null;
    }
}
