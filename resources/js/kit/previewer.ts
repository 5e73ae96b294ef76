import { ref, shallowRef, type ShallowRef } from 'vue';
import type { Garden } from '../types/garden';
import type { Report } from '../types/report';
import { call, type Fault } from './api';

/**
 * The last report on a document, and what was refused of it. One preview at a time; what came meanwhile is asked next, and only the
 * newest of it.
 */
export class Previewer {
    readonly report: ShallowRef<Report>;
    readonly faults = ref<Fault[]>([]);
    /** Whether a layout that takes longer is on its way. */
    readonly layingOut = ref(false);

    private previewing: AbortController | null = null;
    private next: Garden | null = null;
    private finishing: AbortController | null = null;

    constructor(first: Report) {
        this.report = shallowRef(first);
    }

    async preview(document: Garden): Promise<void> {
        if (this.previewing) {
            this.next = document;
            return;
        }
        this.previewing = new AbortController();
        const answer = await call<Report>('preview', { body: JSON.stringify(document), signal: this.previewing.signal });
        this.previewing = null;
        if (answer.kind === 'done') {
            this.report.value = answer.data;
            this.faults.value = [];
            if (!this.next) void this.finish(document);
        } else if (answer.kind === 'refused') {
            this.faults.value = answer.faults;
        }
        const next = this.next;
        this.next = null;
        if (next) void this.preview(next);
    }

    /** Layouts that take longer to find come by a request of their own; what is chosen stands until then, and it can be cancelled. */
    async finish(document: Garden): Promise<void> {
        this.cancelLayout();
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

    /** Faults at a place in the document or below it. */
    faultAt(pointer: string): string | null {
        return this.faults.value.find((fault) => fault.pointer === pointer || fault.pointer.startsWith(`${pointer}/`))?.message ?? null;
    }

    dispose(): void {
        this.previewing?.abort();
        this.finishing?.abort();
    }
}
