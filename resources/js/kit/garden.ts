import { applyPatch, type Operation } from 'fast-json-patch';
import { computed, inject, onBeforeUnmount, provide, ref, shallowRef, type InjectionKey, type Ref } from 'vue';
import type { AirSystem, Garden, Tub } from '../types/garden';
import type { Finding, Report, TubReport } from '../types/report';
import { call, type Fault } from './api';
import type { Units } from './format';
import type { Library } from './library';

/** How the garden stands with what is kept: saved, on its way, waiting for the server, refused, or changed elsewhere. */
export type SaveState = 'saved' | 'saving' | 'away' | 'refused' | 'conflict';

interface Step {
    document: Garden;
    says: string;
    at: number;
}

interface Kept {
    revision: number;
    document: string;
}

const SAVE_AFTER_MS = 350;
const RETRY_MS = 2500;
const JOIN_MS = 900;
const MOST_STEPS = 200;
/** Steps are kept over a reload while they take up no more than this, characters. */
const MOST_KEPT = 2_000_000;

const clone = (garden: Garden): Garden => JSON.parse(JSON.stringify(garden)) as Garden;

/**
 * One garden on the page: its document, the last report on it, undo and redo, and its keeping. The document is a value: a change makes a
 * new one. The report is always the core's; while a new one is on its way the last one stands.
 */
export class OpenGarden {
    readonly document = shallowRef<Garden>({ format: 'kelp-tub.garden', version: 1 });
    readonly report = shallowRef<Report>({
        format: 'kelp-tub.report',
        version: 1,
        tubs: [],
        air: [],
        parts: [],
        budget: {} as Report['budget'],
        findings: [],
    });
    readonly faults = ref<Fault[]>([]);
    readonly save = ref<SaveState>('saved');
    readonly message = ref('');
    readonly theirs = shallowRef<Kept | null>(null);
    readonly selected: Ref<string | null> = ref(null);
    /** Whether a layout that takes longer is on its way. */
    readonly layingOut = ref(false);

    private revision: number;
    private past = shallowRef<Step[]>([]);
    private future = shallowRef<Step[]>([]);
    private previewing: AbortController | null = null;
    private again: Garden | null = null;
    private finishing: AbortController | null = null;
    private timer: ReturnType<typeof setTimeout> | undefined;
    private writing = false;
    private unsaved = false;
    private readonly keep: string;
    private readonly steps: string;

    constructor(
        readonly id: string,
        revision: number,
        document: string,
        report: string,
        readonly library: Library,
    ) {
        this.revision = revision;
        this.document.value = JSON.parse(document) as Garden;
        this.report.value = JSON.parse(report) as Report;
        this.keep = `kelp-unsaved-${id}`;
        this.steps = `kelp-steps-${id}`;
        this.selected.value = this.document.value.tubs?.[0]?.id ?? null;
        this.recallSteps();
        this.recover();
        void this.finish(this.document.value);
    }

    readonly units = computed<Units>(() => this.document.value.units ?? 'metric');
    readonly canUndo = computed(() => this.past.value.length > 0);
    readonly canRedo = computed(() => this.future.value.length > 0);
    readonly undoSays = computed(() => this.past.value.at(-1)?.says ?? '');
    readonly redoSays = computed(() => this.future.value.at(-1)?.says ?? '');
    readonly index = computed(() => (this.document.value.tubs ?? []).findIndex((tub) => tub.id === this.selected.value));
    readonly tub = computed<Tub | null>(() => this.document.value.tubs?.[this.index.value] ?? null);
    /** The letter that each tub goes by in drawings, by its place on the bench. */
    readonly letters = computed<Record<string, string>>(() =>
        Object.fromEntries(
            this.report.value.tubs.map((tub, i) => [tub.id, String.fromCharCode(65 + (i % 26)) + (i >= 26 ? Math.floor(i / 26) : '')]),
        ),
    );
    readonly tubReport = computed<TubReport | null>(() => this.report.value.tubs.find((tub) => tub.id === this.selected.value) ?? null);

    /** Findings on the chosen tub and on what it shares with others. */
    readonly findings = computed<Finding[]>(() =>
        this.report.value.findings.filter((f) => f.tub === null || f.tub === this.selected.value),
    );

    air(tub: string): { system: AirSystem; index: number; branch: number } | null {
        for (const [index, system] of (this.document.value.air ?? []).entries()) {
            const branch = (system.branches ?? []).findIndex((b) => b.tub === tub);
            if (branch >= 0) return { system, index, branch };
        }
        return null;
    }

    /** Changes the document; the drawing follows, and it is kept. Changes of the same name in one breath are one step back. */
    change(says: string, edit: (garden: Garden) => void): void {
        const before = this.document.value;
        const after = clone(before);
        edit(after);
        if (JSON.stringify(after) === JSON.stringify(before)) return;
        const last = this.past.value.at(-1);
        const now = Date.now();
        if (last?.says === says && now - last.at < JOIN_MS) {
            last.at = now;
        } else {
            this.past.value = [...this.past.value, { document: before, says, at: now }].slice(-MOST_STEPS);
        }
        this.future.value = [];
        this.take(after);
    }

    changeTub(says: string, edit: (tub: Tub, garden: Garden) => void, id = this.selected.value): void {
        this.change(says, (garden) => {
            const tub = garden.tubs?.find((t) => t.id === id);
            if (tub) edit(tub, garden);
        });
    }

    apply(says: string, patch: unknown[]): void {
        this.change(says, (garden) => {
            applyPatch(garden, JSON.parse(JSON.stringify(patch)) as Operation[]);
        });
    }

    /** Shows what a change would do without making it: for drags. The last call of a drag is followed by change(). */
    look(edit: (garden: Garden) => void): void {
        const draft = clone(this.document.value);
        edit(draft);
        void this.preview(draft);
    }

    undo(): void {
        const step = this.past.value.at(-1);
        if (!step) return;
        this.past.value = this.past.value.slice(0, -1);
        this.future.value = [...this.future.value, { document: this.document.value, says: step.says, at: 0 }];
        this.take(step.document);
    }

    redo(): void {
        const step = this.future.value.at(-1);
        if (!step) return;
        this.future.value = this.future.value.slice(0, -1);
        this.past.value = [...this.past.value, { document: this.document.value, says: step.says, at: 0 }];
        this.take(step.document);
    }

    choose(id: string): void {
        this.selected.value = id;
    }

    /** Faults at a place in the document or below it. */
    faultAt(pointer: string): string | null {
        return this.faults.value.find((fault) => fault.pointer === pointer || fault.pointer.startsWith(`${pointer}/`))?.message ?? null;
    }

    /** In a conflict: what is kept replaces what is here, or what is here goes over it. */
    takeTheirs(): void {
        const theirs = this.theirs.value;
        if (!theirs) return;
        this.revision = theirs.revision;
        this.settle();
        this.past.value = [...this.past.value, { document: this.document.value, says: 'take the other window’s garden', at: 0 }];
        this.document.value = JSON.parse(theirs.document) as Garden;
        this.unsaved = false;
        localStorage.removeItem(this.keep);
        this.afterTake();
        void this.preview(this.document.value);
    }

    keepMine(): void {
        const theirs = this.theirs.value;
        if (!theirs) return;
        this.revision = theirs.revision;
        this.settle();
        this.schedule(0);
    }

    /** What is here as a garden of its own; the one changed elsewhere stays as it is. */
    async keepMineAsCopy(): Promise<string | null> {
        const copy = clone(this.document.value);
        copy.name = `${(copy.name ?? 'Garden').slice(0, 110)} (mine)`;
        const answer = await call<{ id: string }>('gardens', { body: JSON.stringify(copy) });
        if (answer.kind !== 'done') return null;
        this.takeTheirs();
        return answer.data.id;
    }

    dispose(): void {
        clearTimeout(this.timer);
        this.previewing?.abort();
        this.finishing?.abort();
    }

    private settle(): void {
        this.theirs.value = null;
        this.save.value = 'saving';
    }

    private take(document: Garden): void {
        this.document.value = document;
        this.unsaved = true;
        this.afterTake();
        void this.preview(document);
        this.schedule(SAVE_AFTER_MS);
        localStorage.setItem(this.keep, JSON.stringify({ revision: this.revision, document: JSON.stringify(document) } satisfies Kept));
    }

    private afterTake(): void {
        this.keepSteps();
        const tubs = this.document.value.tubs ?? [];
        if (!tubs.some((tub) => tub.id === this.selected.value)) this.selected.value = tubs[0]?.id ?? null;
    }

    /** One preview at a time; what came meanwhile is asked next, and only the newest of it. */
    private async preview(document: Garden): Promise<void> {
        if (this.previewing) {
            this.again = document;
            return;
        }
        this.previewing = new AbortController();
        const answer = await call<Report>('preview', { body: JSON.stringify(document), signal: this.previewing.signal });
        this.previewing = null;
        if (answer.kind === 'done') {
            this.report.value = answer.data;
            this.faults.value = [];
            if (!this.again) void this.finish(document);
        } else if (answer.kind === 'refused') {
            this.faults.value = answer.faults;
        }
        const next = this.again;
        this.again = null;
        if (next) void this.preview(next);
    }

    /** Layouts that take longer to find come by a request of their own; what is chosen stands until then, and it can be cancelled. */
    private async finish(document: Garden): Promise<void> {
        this.finishing?.abort();
        this.finishing = null;
        this.layingOut.value = this.report.value.tubs.some((tub) => tub.layout.pending);
        if (!this.layingOut.value) return;
        const mine = (this.finishing = new AbortController());
        const answer = await call<Report>('plan', { body: JSON.stringify(document), signal: mine.signal });
        if (this.finishing !== mine) return;
        this.finishing = null;
        this.layingOut.value = false;
        if (answer.kind === 'done') this.report.value = answer.data;
    }

    cancelLayout(): void {
        this.finishing?.abort();
        this.finishing = null;
        this.layingOut.value = false;
    }

    private schedule(after: number): void {
        if (this.save.value === 'conflict') return;
        this.save.value = this.save.value === 'away' ? 'away' : 'saving';
        clearTimeout(this.timer);
        this.timer = setTimeout(() => void this.write(), after);
    }

    private async write(): Promise<void> {
        if (this.writing) return this.schedule(SAVE_AFTER_MS);
        const document = this.document.value;
        this.writing = true;
        const answer = await call<{ revision: number }>(`gardens/${this.id}`, {
            method: 'PUT',
            body: JSON.stringify(document),
            revision: this.revision,
        });
        this.writing = false;
        if (answer.kind === 'done') {
            this.revision = answer.data.revision;
            this.message.value = '';
            if (document === this.document.value) {
                this.save.value = 'saved';
                this.unsaved = false;
                localStorage.removeItem(this.keep);
            } else {
                this.schedule(SAVE_AFTER_MS);
            }
        } else if (answer.kind === 'conflict') {
            this.theirs.value = { revision: answer.revision, document: answer.document };
            this.save.value = 'conflict';
        } else if (answer.kind === 'refused') {
            this.save.value = 'refused';
            this.message.value = answer.message;
        } else {
            this.save.value = 'away';
            this.message.value = 'message' in answer ? answer.message : '';
            clearTimeout(this.timer);
            this.timer = setTimeout(() => void this.write(), RETRY_MS);
        }
    }

    /** Undo and redo live on over a reload, the nearest steps first, as long as the document is the one they lead to. */
    private keepSteps(): void {
        let [past, future] = [this.past.value, this.future.value];
        let text = '';
        do {
            text = JSON.stringify({ document: this.document.value, past, future });
            [past, future] = [past.slice(Math.ceil(past.length / 2)), future.slice(Math.ceil(future.length / 2))];
        } while (text.length > MOST_KEPT && (past.length || future.length));
        if (text.length <= MOST_KEPT) sessionStorage.setItem(this.steps, text);
        else sessionStorage.removeItem(this.steps);
    }

    private recallSteps(): void {
        const text = sessionStorage.getItem(this.steps);
        if (text === null) return;
        const kept = JSON.parse(text) as { document: Garden; past: Step[]; future: Step[] };
        if (JSON.stringify(kept.document) !== JSON.stringify(this.document.value)) return;
        this.past.value = kept.past;
        this.future.value = kept.future;
    }

    /** Edits that a closed page could not save are taken up again. */
    private recover(): void {
        const text = localStorage.getItem(this.keep);
        if (text === null) return;
        localStorage.removeItem(this.keep);
        const kept = JSON.parse(text) as Kept;
        if (kept.document === JSON.stringify(this.document.value)) return;
        const here = JSON.stringify(this.document.value);
        this.past.value = [{ document: this.document.value, says: 'edits from before', at: 0 }];
        this.take(JSON.parse(kept.document) as Garden);
        if (kept.revision !== this.revision) {
            this.theirs.value = { revision: this.revision, document: here };
            this.save.value = 'conflict';
            clearTimeout(this.timer);
        }
    }

    get hasUnsaved(): boolean {
        return this.unsaved;
    }
}

const KEY: InjectionKey<OpenGarden> = Symbol('garden');

/** What a field for a measure has to know: whose units, and what was refused where. A garden gives both; so does a page without one. */
export interface Measures {
    readonly units: Readonly<Ref<Units>>;
    faultAt(pointer: string): string | null;
}

const MEASURES: InjectionKey<Measures> = Symbol('measures');

export const provideMeasures = (measures: Measures): void => provide(MEASURES, measures);

export function useMeasures(): Measures {
    const measures = inject(MEASURES);
    if (!measures) throw new Error('There are no measures to write here.');
    return measures;
}

export function provideGarden(garden: OpenGarden): OpenGarden {
    provide(KEY, garden);
    provideMeasures(garden);
    const warn = (event: BeforeUnloadEvent): void => {
        if (garden.hasUnsaved && garden.save.value !== 'saved') event.preventDefault();
    };
    window.addEventListener('beforeunload', warn);
    onBeforeUnmount(() => {
        window.removeEventListener('beforeunload', warn);
        garden.dispose();
    });
    return garden;
}

export function useGarden(): OpenGarden {
    const garden = inject(KEY);
    if (!garden) throw new Error('There is no garden open here.');
    return garden;
}
