import { applyOperation, deepClone, getValueByPointer, type Operation } from 'fast-json-patch';

/**
 * Applies patches of the core (RFC 6902) to documents that may have changed since. Such a patch begins with `test` operations: the names
 * of the list entries that it goes through (`id`, or `tub` and `copy`) and the values that it replaces. An entry is found by its name,
 * wherever it stands by now; a value that is not what it was, a member that is there though nothing was, and an entry that is gone mean
 * that the patch is not for this document.
 */

/** What an entry is known by. */
const NAMES = ['id', 'tub', 'copy'];

type Names = Record<string, unknown>;

const isObject = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null && !Array.isArray(value);

const steps = (pointer: string): string[] =>
    pointer
        .split('/')
        .slice(1)
        .map((step) => step.replaceAll('~1', '/').replaceAll('~0', '~'));

const escaped = (step: string): string => step.replaceAll('~', '~0').replaceAll('/', '~1');

/** What a patch says about the document that it is for. */
class Meant {
    readonly values = new Map<string, unknown>();
    private readonly names = new Map<string, Names>();
    /** Where the entries of a list stood in that document, null for one that the patch puts there; filled as the patch goes on. */
    private readonly order = new Map<string, (number | null)[]>();

    constructor(tests: Operation[]) {
        for (const test of tests) {
            const value = 'value' in test ? (test.value as unknown) : undefined;
            this.values.set(test.path, value);
            const [, entry, name] = /^(.*\/\d+)\/([a-z]+)$/.exec(test.path) ?? [];
            if (entry !== undefined && name !== undefined && NAMES.includes(name))
                this.names.set(entry, { ...this.names.get(entry), [name]: value });
            else if (/\/\d+$/.test(test.path) && isObject(value))
                this.names.set(test.path, { ...namesIn(value), ...this.names.get(test.path) });
        }
    }

    /** Where an entry of a list stood; null for one that the patch put there itself. */
    was(list: string, at: number): number | null {
        const order = this.order.get(list);
        if (!order) return at;
        return at < order.length ? (order[at] ?? null) : at;
    }

    /** Notes that an entry came to a list or went from it. */
    moved(list: string, length: number, at: number, op: 'add' | 'remove'): void {
        const order = this.order.get(list) ?? Array.from({ length }, (_, i) => i);
        if (op === 'add') order.splice(at, 0, null);
        else order.splice(at, 1);
        this.order.set(list, order);
    }

    /** Where the entry stands now; -1 where it is gone. */
    find(list: unknown[], entry: string, at: number): number {
        const names = this.names.get(entry);
        if (!names) return at;
        const whole = this.values.get(entry);
        const isIt = (other: unknown): boolean => isObject(other) && Object.keys(names).every((name) => other[name] === names[name]);
        const same = list.findIndex((other) => isIt(other) && whole !== undefined && alike(other, whole));
        if (same >= 0) return same;
        return isIt(list[at]) ? at : list.findIndex(isIt);
    }
}

const namesIn = (entry: Record<string, unknown>): Names =>
    Object.fromEntries(
        NAMES.filter((name) => entry[name] !== undefined && (name === 'id' || entry.id === undefined)).map((n) => [n, entry[n]]),
    );

function alike(one: unknown, other: unknown): boolean {
    if (Array.isArray(one) && Array.isArray(other)) return one.length === other.length && one.every((entry, i) => alike(entry, other[i]));
    if (!isObject(one) || !isObject(other)) return one === other;
    const keys = Object.keys(one);
    return keys.length === Object.keys(other).length && keys.every((key) => key in other && alike(one[key], other[key]));
}

/**
 * The document after the patch; null where it is not for this document. A patch without tests goes by its places alone.
 */
export function patched<T extends object>(document: T, patch: readonly unknown[]): T | null {
    const operations = deepClone(patch) as Operation[];
    const tests = operations.filter((operation) => operation.op === 'test');
    const meant = new Meant(tests);
    const draft = deepClone(document) as T;
    // What is meant is looked for in the document as it is now, before anything of the patch is done.
    for (const test of tests) {
        const at = place(draft, test.path, meant);
        if (at === null || !('value' in test) || !alike(valueAt(draft, at.now), test.value)) return null;
    }
    for (const operation of operations.filter((one) => one.op !== 'test')) {
        const at = place(draft, operation.path, meant);
        if (at === null) return null;
        const parent = valueAt(draft, at.now.slice(0, at.now.lastIndexOf('/')));
        if (tests.length && operation.op === 'add' && !mayAdd(parent, at, operation.value, meant)) return null;
        if (Array.isArray(parent) && (operation.op === 'add' || operation.op === 'remove'))
            meant.moved(at.list, at.length, at.index, operation.op);
        if (operation.op === 'remove' && valueAt(draft, at.now) === undefined) return null;
        applyOperation(draft, { ...operation, path: at.now });
    }
    return draft;
}

interface Place {
    /** Where it is in the document now. */
    now: string;
    /** What it was called in the document that the patch is for. */
    was: string;
    /** Of an entry: its list there, how long the list is, and which place of it the patch names. */
    list: string;
    length: number;
    index: number;
    /** Whether it lies in what the patch put there itself. */
    own: boolean;
}

/** Where a place of the patch is now; null where an entry on the way is gone. */
function place(document: object, pointer: string, meant: Meant): Place | null {
    let node: unknown = document;
    const found: Place = { now: '', was: '', list: '', length: 0, index: 0, own: false };
    const way = steps(pointer);
    for (const [i, step] of way.entries()) {
        const isLast = i === way.length - 1;
        let [now, was] = [step, step];
        if (Array.isArray(node)) {
            const index = step === '-' ? node.length : Number(step);
            if (isLast) [found.list, found.length, found.index] = [found.was, node.length, index];
            const entry = step === '-' ? null : meant.was(found.was, index);
            was = entry === null ? '-' : String(entry);
            found.own ||= entry === null;
            const at = entry === null || found.own ? index : meant.find(node, `${found.was}/${entry}`, index);
            if (at < 0) return null;
            now = step === '-' ? '-' : String(at);
        }
        node = node === undefined || node === null ? undefined : (node as Record<string, unknown>)[now];
        found.now += `/${escaped(now)}`;
        found.was += `/${escaped(was)}`;
    }
    return found;
}

/** Whether what is added comes to where nothing was, or in place of what it was meant to replace. */
function mayAdd(parent: unknown, at: Place, value: unknown, meant: Meant): boolean {
    if (Array.isArray(parent)) {
        const id = isObject(value) ? value.id : undefined;
        return id === undefined || parent.every((entry) => !isObject(entry) || entry.id !== id);
    }
    if (!isObject(parent)) return false;
    const key = steps(at.now).at(-1)!;
    const isKnown = at.own || [...meant.values.keys()].some((path) => at.was === path || at.was.startsWith(`${path}/`));
    return isKnown || parent[key] === undefined;
}

function valueAt(document: object, pointer: string): unknown {
    try {
        return pointer === '' ? document : (getValueByPointer(document, pointer) as unknown);
    } catch {
        return undefined;
    }
}
