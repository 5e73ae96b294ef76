import { ref, shallowRef, type ShallowRef } from 'vue';
import type { Garden } from '../types/garden';
import type { Report } from '../types/report';
import { call, type Fault } from './api';

/** What takes longer is asked for when nothing was changed for so long, ms: whoever goes on working is not held up by it. */
const REST_MS = 150;
/** Ways out of so many findings at each mark of a tub are tried at once; of the rest when a grower opens them. */
const WAYS_AT_ONCE = 3;

/** Who hears of how documents are taken. */
interface Heard {
    accepted: (of: Garden) => void;
    /** Whether the edit that was refused is taken back. */
    refused: (of: Garden, faults: Fault[]) => boolean;
}

/**
 * The last report on a document, and what was refused of it. One preview at a time; what came meanwhile is asked next, and only the
 * newest of it.
 */
export class Previewer {
    readonly report: ShallowRef<Report>;
    readonly faults = ref<Fault[]>([]);
    /** Whether a layout that takes longer is on its way. */
    readonly layingOut = ref(false);
    /** Whether anything is: a layout, or the trial of remedies. */
    readonly settling = ref(false);

    private previewing: AbortController | null = null;
    private next: Garden | null = null;
    private finishing: AbortController | null = null;
    private asked: Promise<Garden | null> = Promise.resolve(null);
    private busy: Promise<void> = Promise.resolve();
    /** Where all findings were opened, and of which tub. */
    private opened: { tub: string | null; mark: string } | null = null;

    /** The document that the report is of: one is never taken for another's. */
    readonly of: ShallowRef<Garden>;

    /** @param tub the tub that is looked at: its remedies are tried first */
    constructor(
        first: Report,
        of: Garden,
        private readonly tub: () => string | null = () => null,
        private readonly heard: Heard = { accepted: () => undefined, refused: () => false },
    ) {
        this.report = shallowRef(first);
        this.of = shallowRef(of);
    }

    private take(report: Report, of: Garden): void {
        this.report.value = report;
        this.of.value = of;
    }

    preview(document: Garden): Promise<void> {
        if (this.previewing) {
            this.next = document;
        } else {
            this.next = null;
            this.asked = this.ask(document);
            this.busy = this.asked.then((last) => (last ? this.settle(last) : undefined));
        }
        return this.busy;
    }

    /** The report on the newest document; its layouts and trials may still be on their way. */
    async answered(): Promise<Report> {
        await this.asked;
        return this.report.value;
    }

    /** The report once nothing of it is on its way any more. */
    async settled(): Promise<Report> {
        await this.busy;
        return this.report.value;
    }

    /** @returns the document that was asked of last, where it could be read */
    private async ask(document: Garden): Promise<Garden | null> {
        this.previewing = new AbortController();
        // What is still worked out is of a document before this one.
        this.finishing?.abort();
        this.finishing = null;
        const answer = await call<Report>('preview', { body: JSON.stringify(document), signal: this.previewing.signal });
        this.previewing = null;
        if (answer.kind === 'done') {
            this.take(answer.data, document);
            this.faults.value = [];
            this.heard.accepted(document);
        } else if (answer.kind === 'refused') {
            // Where the edit goes that was refused, what is left is asked next.
            this.faults.value = this.heard.refused(document, answer.faults) ? [] : answer.faults;
        }
        const next = this.next;
        this.next = null;
        if (next) return this.ask(next);
        return answer.kind === 'done' ? document : null;
    }

    /** Layouts and trials that take longer come by requests of their own; what is chosen stands until then, and it can be cancelled. */
    finish(document: Garden): Promise<void> {
        this.busy = this.settle(document);
        return this.busy;
    }

    private async settle(document: Garden): Promise<void> {
        this.cancelLayout();
        const mine = (this.finishing = new AbortController());
        if (this.left() > 0) {
            this.settling.value = true;
            this.layingOut.value = this.layoutsLeft() > 0;
            await new Promise((rested) => setTimeout(rested, REST_MS));
            if (this.finishing !== mine) return;
        }
        // Each request works for so long and remembers the layouts that it found; the next one gets further.
        for (let left = this.left(); left > 0;) {
            this.settling.value = true;
            this.layingOut.value = this.layoutsLeft() > 0;
            const answer = await call<Report>(`plan?${this.wanted()}`, {
                body: JSON.stringify(document),
                signal: mine.signal,
            });
            if (this.finishing !== mine) return;
            if (answer.kind !== 'done') break;
            this.take(answer.data, document);
            if (this.left() >= left) break;
            left = this.left();
        }
        this.finishing = null;
        this.layingOut.value = false;
        this.settling.value = false;
    }

    cancelLayout(): void {
        this.finishing?.abort();
        this.finishing = null;
        this.layingOut.value = false;
        this.settling.value = false;
    }

    /** All findings of the tub that is looked at are opened at a mark: the ways out of all of them are tried from now on. */
    open(mark: string, document: Garden): void {
        this.opened = { tub: this.tub(), mark };
        if (!this.previewing) void this.finish(document);
    }

    private layoutsLeft(): number {
        return this.report.value.tubs.filter((tub) => tub.layout.pending).length;
    }

    private openMark(): string | null {
        return this.opened?.tub === this.tub() ? (this.opened?.mark ?? null) : null;
    }

    private wanted(): URLSearchParams {
        const tub = this.tub();
        const mark = this.openMark();
        return new URLSearchParams({ ...(tub !== null && { tub }), ways: String(WAYS_AT_ONCE), ...(mark !== null && { mark }) });
    }

    /** What of the report is not final: layouts of all tubs, and wanted remedies of the tub that is looked at and of what it shares. */
    private left(): number {
        const tub = this.tub();
        const open = this.openMark();
        const before = new Map<string, number>();
        const untried = this.report.value.findings
            .filter((finding) => finding.tub === null || finding.tub === tub)
            .filter((finding) => {
                const place = `${finding.tub} ${finding.mark}`;
                before.set(place, (before.get(place) ?? 0) + 1);
                return finding.mark === open || before.get(place)! <= WAYS_AT_ONCE;
            })
            .flatMap((finding) => finding.remedies)
            .filter((remedy) => remedy.pending);
        return this.layoutsLeft() + untried.length;
    }

    /** Faults at a place in the document or below it. */
    faultAt(pointer: string): string | null {
        return this.faults.value.find((fault) => fault.pointer === pointer || fault.pointer.startsWith(`${pointer}/`))?.message ?? null;
    }

    dispose(): void {
        this.previewing?.abort();
        this.finishing?.abort();
    }
}
