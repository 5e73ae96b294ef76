import { nextTick, ref, shallowRef } from 'vue';

/** What takes longer than this is said, ms. */
export const SAID_AFTER_MS = 300;

interface Waiting {
    says: string;
    begin: () => Promise<void>;
}

/** Does something at once, as part of the deed that is under way. */
export type Act = <T>(act: () => T) => T;

/**
 * What the grower does on this page, one after another. What needs an answer first (a text to be read, an edit that the application makes)
 * holds its place until that is there: what was done after it comes after it, however late the answer is. Where nothing is waited for, a
 * deed is done at once.
 */
export class Deeds {
    /** What is waited for, in words, once that has taken a while; empty where nothing is. */
    readonly slow = ref('');
    readonly busy = ref(false);
    /** How many are under way that are to be done once, though they are pressed twice. */
    readonly once = ref(0);

    /** How many presses are held until their turn comes. */
    readonly holds = ref(0);

    private readonly queue: Waiting[] = [];
    /** How many of what waits was begun by the deed that is under way: it comes next, in its order. */
    private begun = 0;
    private readonly now = shallowRef<string | null>(null);
    private acting = false;
    private timer: ReturnType<typeof setTimeout> | undefined;
    private idle: Promise<void> = Promise.resolve();
    private isIdle: () => void = () => undefined;

    /** Does what needs no answer: at once, or when what was done before it is done. */
    do(says: string, act: () => void): void {
        if (this.acting ? this.begun === 0 : !this.busy.value) this.act(act);
        else
            void this.line(says, async () => {
                this.act(act);
                await Promise.resolve();
            });
    }

    /**
     * Does what needs answers, when its turn has come. What it changes in the end it changes through the function that it is given.
     *
     * @param says what it is, in words: "Reading “35 cm”"
     */
    run<T>(says: string, deed: (act: Act) => Promise<T>): Promise<T> {
        return new Promise<T>((done, failed) => {
            void this.line(says, () => deed((act) => this.act(act)).then(done, failed));
        });
    }

    /** The same for what a second press of the same button is not to do again. */
    async runOnce<T>(says: string, deed: (act: Act) => Promise<T>): Promise<T> {
        this.once.value++;
        try {
            return await this.run(says, deed);
        } finally {
            this.once.value--;
        }
    }

    /** Holds a press, or another act of the page, until what was done before it is done; what it begins comes right after it. */
    hold(act: () => void): void {
        this.holds.value++;
        void this.line('', async () => {
            try {
                this.act(act);
            } finally {
                this.holds.value--;
            }
            await Promise.resolve();
        });
    }

    /** When all is done that was begun so far. */
    settled(): Promise<void> {
        return this.busy.value ? this.idle : Promise.resolve();
    }

    private act<T>(act: () => T): T {
        const outer = this.acting;
        this.acting = true;
        try {
            return act();
        } finally {
            this.acting = outer;
        }
    }

    private async line(says: string, begin: () => Promise<void>): Promise<void> {
        if (this.acting) this.queue.splice(this.begun++, 0, { says, begin });
        else this.queue.push({ says, begin });
        if (this.busy.value) return;
        this.busy.value = true;
        this.idle = new Promise((done) => (this.isIdle = done));
        for (let next = this.queue.shift(); next; next = this.queue.shift()) {
            this.begun = 0;
            if (next.says) this.say(next.says);
            try {
                await next.begin();
            } catch (fault) {
                // What comes after it is done all the same.
                reportError(fault);
            }
            // The page shows what is so before anything is done to it again.
            await nextTick();
        }
        this.busy.value = false;
        clearTimeout(this.timer);
        this.slow.value = '';
        this.isIdle();
    }

    private say(says: string): void {
        this.now.value = says;
        if (this.slow.value) {
            this.slow.value = says;
            return;
        }
        clearTimeout(this.timer);
        this.timer = setTimeout(() => (this.slow.value = this.now.value ?? ''), SAID_AFTER_MS);
    }
}

/** Those of this page. */
export const deeds = new Deeds();
