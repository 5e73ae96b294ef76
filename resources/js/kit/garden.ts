import { applyPatch, type Operation } from 'fast-json-patch';
import { computed, inject, onBeforeUnmount, provide, ref, shallowRef, type InjectionKey, type Ref } from 'vue';
import type { AirSystem, Garden, Tub } from '../types/garden';
import type { Finding, Report, TubReport } from '../types/report';

type Remedy = Finding['remedies'][number];
import { call } from './api';
import type { Units } from './format';
import { History } from './history';
import type { Library } from './library';
import { Previewer } from './previewer';
import { Saver } from './saver';
import { STEPS } from './storage';
import { newName } from './unsaved';

const clone = (garden: Garden): Garden => JSON.parse(JSON.stringify(garden)) as Garden;

/**
 * One garden on the page: its document, and a history, a previewer and a saver for it. The document is a value: a change makes a new one.
 * The report is always the core's; while a new one is on its way the last one stands.
 */
export class OpenGarden {
    readonly document = shallowRef<Garden>({ format: 'kelp-tub.garden', version: 1 });
    readonly selected: Ref<string | null> = ref(null);
    readonly history: History;
    readonly previewer: Previewer;
    readonly saver: Saver;

    constructor(
        readonly id: string,
        revision: number,
        document: string,
        report: string,
        readonly library: Library,
    ) {
        this.history = new History(STEPS + id);
        this.previewer = new Previewer(JSON.parse(report) as Report, () => this.selected.value);
        this.saver = new Saver(
            id,
            revision,
            (merged) => this.takeMerged(merged),
            () => this.takeOpened(document),
        );
        this.document.value = JSON.parse(document) as Garden;
        this.selected.value = this.document.value.tubs?.[0]?.id ?? null;
        this.history.recall(this.document.value);
        void this.recover();
        void this.previewer.finish(this.document.value);
    }

    get report() {
        return this.previewer.report;
    }

    get save() {
        return this.saver.state;
    }

    readonly units = computed<Units>(() => this.document.value.units ?? 'metric');
    readonly index = computed(() => (this.document.value.tubs ?? []).findIndex((tub) => tub.id === this.selected.value));
    readonly tub = computed<Tub | null>(() => this.document.value.tubs?.[this.index.value] ?? null);
    /** The letter that each tub goes by in drawings, by its place on the bench. */
    readonly letters = computed<Record<string, string>>(() =>
        Object.fromEntries(
            this.report.value.tubs.map((tub, i) => [tub.id, String.fromCharCode(65 + (i % 26)) + (i >= 26 ? Math.floor(i / 26) : '')]),
        ),
    );
    readonly tubReport = computed<TubReport | null>(() => this.report.value.tubs.find((tub) => tub.id === this.selected.value) ?? null);

    /** Findings on the chosen tub and on what it shares with others: a pump that starves its neighbour too. */
    readonly findings = computed<Finding[]>(() => {
        const neighbours = (this.document.value.air ?? [])
            .map((system) => (system.branches ?? []).map((branch) => branch.tub))
            .filter((tubs) => tubs.includes(this.selected.value ?? ''))
            .flat();
        return this.report.value.findings.filter(
            (f) => f.tub === null || f.tub === this.selected.value || (f.code === 'air.starved' && neighbours.includes(f.tub)),
        );
    });

    air(tub: string): { system: AirSystem; index: number; branch: number } | null {
        for (const [index, system] of (this.document.value.air ?? []).entries()) {
            const branch = (system.branches ?? []).findIndex((b) => b.tub === tub);
            if (branch >= 0) return { system, index, branch };
        }
        return null;
    }

    /** Changes the document; the drawing follows, and it is kept. */
    change(says: string, edit: (garden: Garden) => void): void {
        const before = this.document.value;
        const after = clone(before);
        edit(after);
        if (JSON.stringify(after) === JSON.stringify(before)) return;
        this.history.add(says, before, after);
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

    /** A change that brings more with it than one value: the application says what, as a patch on the garden as it is now. */
    async ask(says: string, path: string, body: unknown = this.document.value): Promise<{ tub?: string } | null> {
        const answer = await call<{ patch: unknown[]; tub?: string }>(path, { body: JSON.stringify(body) });
        if (answer.kind !== 'done') {
            if (answer.kind === 'refused') this.previewer.faults.value = answer.faults;
            return null;
        }
        this.apply(says, answer.data.patch);
        return answer.data;
    }

    /** Shows what a change would do without making it: for drags. The last call of a drag is followed by change(). */
    look(edit: (garden: Garden) => void): void {
        const draft = clone(this.document.value);
        edit(draft);
        void this.previewer.preview(draft);
    }

    /** What undo or redo has just done, in words; said until the next change. */
    readonly stepped = ref('');

    undo(): void {
        const says = this.history.undoSays.value;
        const document = this.history.back(this.document.value);
        if (!document) return;
        this.take(document);
        this.stepped.value = `Undone: ${says}`;
    }

    redo(): void {
        const says = this.history.redoSays.value;
        const document = this.history.forth(this.document.value);
        if (!document) return;
        this.take(document);
        this.stepped.value = `Done again: ${says}`;
    }

    choose(id: string): void {
        if (id === this.selected.value) return;
        this.selected.value = id;
        // Its remedies are tried first now, unless something else is on its way.
        if (!this.previewer.settling.value) void this.previewer.finish(this.document.value);
    }

    /**
     * One press that mends a finding. One that was not tried yet waits until it was: what would not help is not done.
     *
     * @returns false where it turned out that it would not help
     */
    async mend(finding: Finding, remedy: Remedy): Promise<boolean> {
        const tried = remedy.pending
            ? (await this.previewer.settled()).findings
                  .filter((now) => now.code === finding.code && now.tub === finding.tub)
                  .flatMap((now) => now.remedies)
                  .find((now) => now.says === remedy.says)
            : remedy;
        if (!tried) return false;
        this.apply(tried.says, tried.patch);
        return true;
    }

    faultAt(pointer: string): string | null {
        return this.previewer.faultAt(pointer);
    }

    /** In a conflict: what the other window changed counts, and of this one what it did not touch. */
    takeTheirs(): void {
        this.resolve('take the other window’s changes', this.saver.theirs.value?.withTheirs);
    }

    /** In a conflict: what is here counts, and of the other window what this one did not touch. */
    keepMine(): void {
        this.resolve('keep this window’s changes', this.saver.theirs.value?.withMine);
    }

    private resolve(says: string, text: string | undefined): void {
        if (text === undefined) return;
        const document = JSON.parse(text) as Garden;
        if (JSON.stringify(document) !== JSON.stringify(this.document.value)) this.history.add(says, this.document.value, document);
        this.saver.settle(document);
        this.show(document);
    }

    /** What is here as a garden of its own; the one changed elsewhere stays as it is. */
    async keepMineAsCopy(): Promise<string | null> {
        const id = await this.copy('(mine)');
        if (id) this.takeTheirs();
        return id;
    }

    /** A garden of its own with what is here. */
    async copy(called = 'copy'): Promise<string | null> {
        const copy = clone(this.document.value);
        copy.name = `${(copy.name ?? 'Garden').slice(0, 110)} ${called}`;
        const answer = await call<{ id: string }>('gardens', { body: JSON.stringify(copy), key: newName() });
        return answer.kind === 'done' ? answer.data.id : null;
    }

    /** Brings back a garden that was deleted elsewhere, and saves what is here into it. */
    async bringBack(): Promise<boolean> {
        const answer = await call(`gardens/${this.id}/restore`, { body: '{}' });
        if (answer.kind === 'done') this.saver.again();
        return answer.kind === 'done';
    }

    /** What is on the screen, as a file to keep and share. */
    file(): { name: string; content: string } {
        const words = (this.document.value.name ?? '')
            .normalize('NFKD')
            .toLowerCase()
            .match(/[a-z0-9]+/g);
        return { name: `${words?.join('-') || 'garden'}.kelp.json`, content: `${JSON.stringify(this.document.value, null, 4)}\n` };
    }

    dispose(): void {
        this.saver.dispose();
        this.previewer.dispose();
    }

    private take(document: Garden): void {
        this.stepped.value = '';
        this.show(document);
        this.saver.save(document);
    }

    private show(document: Garden): void {
        this.document.value = document;
        this.history.keep(document);
        const tubs = document.tubs ?? [];
        if (!tubs.some((tub) => tub.id === this.selected.value)) this.selected.value = tubs[0]?.id ?? null;
        void this.previewer.preview(document);
    }

    /** Edits that a closed page could not save are taken up again, from the revision that they were made from. */
    private async recover(): Promise<void> {
        const left = await this.saver.takeUp();
        if (left === null) return;
        const document = JSON.parse(left) as Garden;
        if (left !== JSON.stringify(this.document.value)) this.history.add('edits from before', this.document.value, document);
        this.take(document);
    }

    /** Edits that were taken up were saved before the page was opened, and more has come since: that stands. */
    private takeOpened(text: string): void {
        const document = JSON.parse(text) as Garden;
        this.history.add('go on with what is saved', this.document.value, document);
        this.show(document);
    }

    /** What was changed elsewhere and did not touch what was changed here came in. */
    private takeMerged(text: string): void {
        const document = JSON.parse(text) as Garden;
        this.history.add('bring in the other window’s changes', this.document.value, document);
        this.take(document);
        this.stepped.value = 'Changes from another window came in';
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
        garden.saver.flush();
        if (garden.saver.wouldLose) event.preventDefault();
    };
    const leave = (): void => {
        if (document.visibilityState === 'hidden') garden.saver.flush();
    };
    window.addEventListener('beforeunload', warn);
    window.addEventListener('pagehide', leave);
    document.addEventListener('visibilitychange', leave);
    onBeforeUnmount(() => {
        window.removeEventListener('beforeunload', warn);
        window.removeEventListener('pagehide', leave);
        document.removeEventListener('visibilitychange', leave);
        garden.dispose();
    });
    return garden;
}

export function useGarden(): OpenGarden {
    const garden = inject(KEY);
    if (!garden) throw new Error('There is no garden open here.');
    return garden;
}
