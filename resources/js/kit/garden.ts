import type { Answers } from '../types/answers';
import { computed, inject, onBeforeUnmount, provide, ref, shallowRef, type ComputedRef, type InjectionKey, type Ref } from 'vue';
import { spoken, wallClock } from './dates';
import type { AirSystem, Garden, Planting, Tub } from '../types/garden';
import type { Finding, Report, TubReport } from '../types/report';

type Remedy = Finding['remedies'][number];
import { call, type Fault } from './api';
import { deeds, type Act } from './deeds';
import type { Units } from './format';
import { History } from './history';
import { patched } from './patch';
import { type Question, questionBefore } from './planted';
import { send } from './turns';
import { Since } from './since';
import type { Library } from './library';
import { Previewer } from './previewer';
import { Saver } from './saver';
import { STEPS } from './storage';
import { providePlace } from './typed';
import { newName } from './unsaved';

/** An edit is asked for again so often while the garden changes under it. */
const MOST_ASKED = 3;

/** Who has not answered by then is taken for away, ms. */
const ASK_WITHIN_MS = 30_000;

const clone = (garden: Garden): Garden => JSON.parse(JSON.stringify(garden)) as Garden;

/**
 * One garden on the page: its document, and a history, a previewer and a saver for it. The document is a value: a change makes a new one.
 * The report is always the core's; while a new one is on its way the last one stands.
 */
export class OpenGarden {
    readonly document = shallowRef<Garden>({ format: 'kelp-tub.garden', version: 1 });
    /** The tub that is chosen. */
    private readonly chosen: Ref<string | null> = ref(null);
    readonly selected: ComputedRef<string | null> = computed(() => this.chosen.value);
    readonly history: History;
    readonly previewer: Previewer;
    readonly saver: Saver;
    private readonly since: Since;
    /** The last edit that was not taken, and why: it is not in the document. */
    readonly refusal = shallowRef<{ says: string; faults: Fault[] } | null>(null);
    /** What else is to be said of the last press; said until the next change. */
    readonly said = ref('');
    private isOpen = true;

    constructor(
        readonly id: string,
        revision: number,
        document: string,
        report: string,
        readonly library: Library,
    ) {
        this.history = new History(STEPS + id);
        this.document.value = JSON.parse(document) as Garden;
        this.since = new Since(this.document.value, this.history);
        this.previewer = new Previewer(JSON.parse(report) as Report, this.document.value, () => this.chosen.value, {
            accepted: (of) => this.since.accepted(of),
            refused: (of, faults) => this.refuse(of, faults),
        });
        this.saver = new Saver(
            id,
            revision,
            (merged) => this.takeMerged(merged),
            () => this.takeOpened(document),
            (text, faults) => this.refuse(text, faults),
        );
        this.chosen.value = this.document.value.tubs?.[0]?.id ?? null;
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

    readonly findings: ComputedRef<Finding[]> = computed(() => this.findingsAt(this.chosen.value));

    /** Findings on a tub and on what it shares with others: a pump that starves its neighbour too. */
    private findingsAt(id: string | null): Finding[] {
        const neighbours = (this.document.value.air ?? [])
            .map((system) => (system.branches ?? []).map((branch) => branch.tub))
            .filter((tubs) => tubs.includes(id ?? ''))
            .flat();
        return this.report.value.findings.filter(
            (f) => f.tub === null || f.tub === id || (f.code === 'air.starved' && neighbours.includes(f.tub)),
        );
    }

    air(tub: string): { system: AirSystem; index: number; branch: number } | null {
        for (const [index, system] of (this.document.value.air ?? []).entries()) {
            const branch = (system.branches ?? []).findIndex((b) => b.tub === tub);
            if (branch >= 0) return { system, index, branch };
        }
        return null;
    }

    /** This garden, seen from one of its tubs: what is done there is done to that tub, whichever is chosen by then. */
    at(id: string): OpenGarden {
        const view = Object.create(this) as { -readonly [K in keyof OpenGarden]: OpenGarden[K] };
        view.selected = computed(() => id);
        view.index = computed(() => (this.document.value.tubs ?? []).findIndex((tub) => tub.id === id));
        view.tub = computed(() => this.document.value.tubs?.find((tub) => tub.id === id) ?? null);
        view.tubReport = computed(() => this.report.value.tubs.find((tub) => tub.id === id) ?? null);
        view.findings = computed(() => this.findingsAt(id));
        return view as OpenGarden;
    }

    /** Changes the document, when what was done before it is done; the drawing follows, and it is kept. */
    change(says: string, edit: (garden: Garden) => void): void {
        deeds.do(says, () => this.edit(says, edit));
    }

    private edit(says: string, edit: (garden: Garden) => void): void {
        const before = this.document.value;
        const after = clone(before);
        edit(after);
        this.go(says, after, () => this.edit(says, edit));
    }

    /** What is asked before a change is made to what grows, and what makes it. */
    readonly question = shallowRef<(Question & { go: () => void }) | null>(null);
    /** What was asked once and answered with yes, and what is answered just now. */
    private readonly agreed = new Set<string>();

    /** What was asked is to be done. */
    agree(): void {
        const asked = this.question.value;
        this.question.value = null;
        if (!asked) return;
        deeds.do(asked.yes, () => {
            this.agreed.add(asked.key);
            asked.go();
            this.agreed.delete('');
        });
    }

    /** What was asked is to be left; a drag that showed it is shown no more. */
    decline(): void {
        if (this.question.value === null) return;
        this.question.value = null;
        void this.previewer.preview(this.document.value);
    }

    /** @param again what does it once more, when it was asked about and is wanted */
    private go(says: string, after: Garden, again: () => void): void {
        const before = this.document.value;
        if (JSON.stringify(after) === JSON.stringify(before)) return;
        const asks = questionBefore(before, after, wallClock().slice(0, 10), (planting) => this.planted(planting));
        if (asks && !this.agreed.has(asks.key)) {
            this.question.value = { ...asks, go: again };
            return;
        }
        this.history.add(says, before, after);
        this.since.add(says, before, after);
        this.take(after);
    }

    private planted(planting: Planting): string {
        const name = this.library.crops.find((c) => c.key === planting.crop)?.name ?? planting.crop ?? 'Plants';
        const begun = planting.sown ?? planting.transplanted;
        return `${name}${begun ? `, ${planting.sown ? 'sown' : 'set in'} ${spoken(begun, wallClock())}` : ''}`;
    }

    changeTub(says: string, edit: (tub: Tub, garden: Garden) => void, id = this.selected.value): void {
        this.change(says, (garden) => {
            const tub = garden.tubs?.find((t) => t.id === id);
            if (tub) edit(tub, garden);
        });
    }

    /** Applies a patch that was made for this garden as it was when it was asked for; false where it is not for it any more. */
    private applied(says: string, patch: readonly unknown[]): boolean {
        const after = patched(this.document.value, patch);
        if (after) this.go(says, after, () => void this.applied(says, patch));
        return after !== null;
    }

    /** A patch that came with an answer about this garden, when its turn has come. */
    apply(says: string, patch: readonly unknown[]): void {
        deeds.do(says, () => {
            if (!this.applied(says, patch))
                this.said.value = `Not done: “${says}” was offered for the garden as it was before. Look again.`;
        });
    }

    /**
     * A change that brings more with it than one value: the application says what, as a patch on the garden as it is when its turn comes.
     * Where the garden has changed while it was worked out, it is asked for again.
     */
    ask(says: string, path: string, body: () => unknown = () => this.document.value): Promise<{ tub?: string } | null> {
        return deeds.run(says, (act) => this.asked(says, path, body, act));
    }

    /** The same for what a second press is not to do again: another tub on the bench. */
    askOnce(says: string, path: string, body: () => unknown = () => this.document.value): Promise<{ tub?: string } | null> {
        return deeds.runOnce(says, (act) => this.asked(says, path, body, act));
    }

    private async asked(says: string, path: string, body: () => unknown, act: Act): Promise<{ tub?: string } | null> {
        for (let tries = 0; tries < MOST_ASKED && this.isOpen; tries++) {
            const answer = await call<Answers['edits/run'] & Partial<Answers['edits/add']>>(path, {
                body: JSON.stringify(body()),
                within: ASK_WITHIN_MS,
            });
            if (!this.isOpen) return null;
            if (answer.kind === 'refused') this.refusal.value = { says, faults: answer.faults };
            if (answer.kind !== 'done') {
                if (answer.kind !== 'refused') this.said.value = `Not done: ${says}. ${'message' in answer ? answer.message : ''}`;
                return null;
            }
            if (act(() => this.applied(says, answer.data.patch))) return answer.data;
        }
        this.said.value = `Not done: “${says}”. The garden changed meanwhile; do it again if you want it.`;
        return null;
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
        deeds.do('Undo', () => {
            // What was not taken is what the grower sees and takes back first.
            if (this.refusal.value) {
                this.stepped.value = `Undone: ${this.refusal.value.says}`;
                this.refusal.value = null;
                return;
            }
            const says = this.history.undoSays.value;
            this.step(this.history.back(this.document.value), `undo ${says}`, `Undone: ${says}`);
        });
    }

    redo(): void {
        deeds.do('Redo', () => {
            const says = this.history.redoSays.value;
            this.step(this.history.forth(this.document.value), `redo ${says}`, `Done again: ${says}`);
        });
    }

    private step(document: Garden | null, says: string, said: string): void {
        if (!document) return;
        this.since.add(says, this.document.value, document);
        this.take(document);
        this.stepped.value = said;
    }

    /** Goes on to a tub that came of another one, where that is still looked at. */
    follow(from: string, to: string): void {
        if (this.chosen.value === from) this.choose(to);
    }

    choose(id: string): void {
        if (id === this.chosen.value) return;
        this.chosen.value = id;
        // Its remedies are tried first now, unless something else is on its way.
        if (!this.previewer.settling.value) void this.previewer.finish(this.document.value);
    }

    /**
     * One press that mends a finding. One that was not tried yet waits until it was, and one of a report on the garden as it was before
     * waits for the new one: what would not help, or is not offered any more, is not done.
     *
     * @returns false where it turned out that it would not help
     */
    mend(finding: Finding, remedy: Remedy): Promise<boolean> {
        return deeds.run(remedy.says, async (act) => {
            const isNew = this.previewer.of.value === this.document.value;
            if (isNew && !remedy.pending && act(() => this.applied(remedy.says, remedy.patch))) return true;
            if (remedy.pending) this.previewer.open(finding.mark, this.document.value);
            const report = await (remedy.pending ? this.previewer.settled() : this.previewer.answered());
            const now = report.findings
                .filter((one) => one.code === finding.code && one.tub === finding.tub)
                .flatMap((one) => one.remedies)
                .find((one) => one.says === remedy.says);
            if (!now || !this.isOpen || this.previewer.of.value !== this.document.value) return false;
            return act(() => this.applied(now.says, now.patch));
        });
    }

    /** What is wrong with what was written at a place in the document or below it. */
    faultAt(pointer: string): string | null {
        const faults = [...(this.refusal.value?.faults ?? []), ...this.previewer.faults.value];
        return faults.find((fault) => fault.pointer === pointer || fault.pointer.startsWith(`${pointer}/`))?.message ?? null;
    }

    /**
     * The application does not take a document: the edit that made it so goes, the rest stays and is kept. Where that cannot be told, all
     * of it stays as it is, and is not saved until it is mended.
     */
    private refuse(of: Garden | string, faults: Fault[]): boolean {
        const left = this.since.without(of, faults);
        if (!left) return false;
        this.take(left.document);
        this.refusal.value = { says: left.says, faults };
        return true;
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
        this.since.start(document);
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
        // What was done before it is in it.
        await deeds.settled();
        const copy = clone(this.document.value);
        copy.name = `${(copy.name ?? 'Garden').slice(0, 110)} ${called}`;
        const answer = await send<{ id: string }>('Copying', 'gardens', { body: JSON.stringify(copy), key: newName() });
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
        this.isOpen = false;
        this.saver.dispose();
        this.previewer.dispose();
    }

    private take(document: Garden): void {
        this.stepped.value = this.said.value = '';
        this.refusal.value = null;
        this.show(document);
        this.saver.save(document);
    }

    private show(document: Garden): void {
        this.document.value = document;
        this.history.keep(document);
        const tubs = document.tubs ?? [];
        if (!tubs.some((tub) => tub.id === this.chosen.value)) this.chosen.value = tubs[0]?.id ?? null;
        void this.previewer.preview(document);
    }

    /** Edits that a closed page could not save are taken up again, from the revision that they were made from. */
    private async recover(): Promise<void> {
        const left = await this.saver.takeUp();
        if (left === null) return;
        const document = JSON.parse(left) as Garden;
        if (left !== JSON.stringify(this.document.value)) this.history.add('edits from before', this.document.value, document);
        this.since.start(document);
        this.take(document);
    }

    /** Edits that were taken up were saved before the page was opened, and more has come since: that stands. */
    private takeOpened(text: string): void {
        const document = JSON.parse(text) as Garden;
        this.history.add('go on with what is saved', this.document.value, document);
        this.since.start(document);
        this.show(document);
    }

    /** What was changed elsewhere and did not touch what was changed here came in. */
    private takeMerged(text: string): void {
        const document = JSON.parse(text) as Garden;
        this.history.add('bring in the other window’s changes', this.document.value, document);
        this.since.start(document);
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
    providePlace(`${garden.id}/bench`);
    const warn = (event: BeforeUnloadEvent): void => {
        garden.saver.flush();
        if (garden.saver.wouldLose || deeds.busy.value) event.preventDefault();
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

/** Below this the garden is seen from one of its tubs, at one of its marks. */
export function provideTub(tub: string, mark: string): void {
    const garden = useGarden();
    provide(KEY, garden.at(tub));
    providePlace(`${garden.id}/${tub}/${mark}`);
}

export function useGarden(): OpenGarden {
    const garden = inject(KEY);
    if (!garden) throw new Error('There is no garden open here.');
    return garden;
}
