<script setup lang="ts">
/** Prices of one’s own: a list from a file, a supplier’s as they are now, and what each supplier asks for a parcel. */
import { computed, ref } from 'vue';
import { download } from '../kit/download';
import { money } from '../kit/format';
import { useGarden } from '../kit/garden';
import { readSum } from '../kit/reader';
import ReadField from '../kit/ReadField.vue';
import Tick from '../kit/Tick.vue';
import { useTurns } from '../kit/turns';
import type { Offer, PriceList, SupplierPrices } from '../types/answers';
import { quantityIn, taken } from './money';

const garden = useGarden();
const report = garden.report;
const currency = computed(() => report.value.budget.currency);
const parts = computed(() => new Map(report.value.parts.map((p) => [p.key, p])));
const packOf = (of: { part: string; pack: number }): string =>
    of.pack === 1 ? '' : `× ${quantityIn(parts.value.get(of.part)?.unit ?? 'piece', of.pack, garden.units.value)}`;
const nameOf = (part: string): string => parts.value.get(part)?.name ?? part;

/** Nothing larger is a price list. */
const MOST_BYTES = 1_000_000;

/** Of two files the one that was chosen last counts. */
const lists = useTurns();
const list = ref<PriceList | null>(null);
const file = ref('');
const fault = ref('');
async function open(event: Event): Promise<void> {
    const input = event.target as HTMLInputElement;
    const chosen = input.files?.[0];
    input.value = '';
    list.value = null;
    fault.value = '';
    if (!chosen) return;
    file.value = chosen.name;
    if (chosen.size > MOST_BYTES) {
        fault.value = `${chosen.name} is larger than a price list may be: 1 MB is the most.`;
        return;
    }
    lists.stop();
    let body: Record<string, unknown>;
    if (/\.xlsx$/i.test(chosen.name)) {
        try {
            const { readSheet } = await import('read-excel-file/universal');
            const rows = await readSheet(chosen);
            body = { rows: rows.map((row) => row.map((cell) => (cell === null ? '' : String(cell as string | number | boolean)))) };
        } catch {
            fault.value = `${chosen.name} is no spreadsheet that can be read. Save it as XLSX or CSV and try again.`;
            return;
        }
    } else {
        body = { text: await chosen.text() };
    }
    const answer = await lists.ask<PriceList>('prices/read', { body: JSON.stringify({ garden: garden.document.value, ...body }) });
    if (answer?.kind === 'done') list.value = answer.data;
    else if (answer?.kind === 'refused') fault.value = answer.faults[0]?.message ?? answer.message;
    else if (answer && 'message' in answer) fault.value = answer.message;
}
function take(offers: Offer[], says: string): void {
    garden.change(says, (g) => {
        g.prices = taken((g.prices ?? []) as Offer[], offers);
    });
}
function takeList(): void {
    // A price of one’s own counts in place of the samples.
    if (list.value)
        take(
            list.value.offers.map((offer) => ({ ...offer, instead: true })),
            `take ${list.value.offers.length} prices`,
        );
    list.value = null;
}

const fresh = ref<SupplierPrices | null>(null);
const { ask, busy: asking } = useTurns();
async function refresh(): Promise<void> {
    const answer = await ask<SupplierPrices>('prices/refresh', { body: JSON.stringify({ garden: garden.document.value }) });
    if (!answer) return;
    fresh.value = answer.kind === 'done' ? answer.data : null;
    if (answer.kind !== 'done' && 'message' in answer) fault.value = answer.message;
}
function takeFresh(): void {
    const { supplier, changes } = fresh.value!;
    if (!supplier) return;
    const day = new Date().toISOString().slice(0, 10);
    garden.change(`take prices of ${supplier.name}`, (g) => {
        const offers = changes.map((c) => ({ part: c.part, pack: c.pack, price: c.price, supplier: supplier.name, as_of: day }));
        g.prices = taken((g.prices ?? []) as Offer[], offers);
        g.suppliers = [...(g.suppliers ?? []).filter((s) => s.name !== supplier.name), supplier].slice(-8);
    });
    fresh.value = null;
}

/** The offers of one’s own, as they count now. */
const offers = computed(() =>
    (garden.document.value.prices ?? []).map((offer, at) => {
        const part = parts.value.get(offer.part);
        const bought = part?.buy.some(
            (b) => b.pack === offer.pack && b.price === offer.price && (b.supplier ?? null) === (offer.supplier ?? null),
        );
        return {
            ...offer,
            at,
            name: nameOf(offer.part),
            use: !part ? 'not needed now' : bought ? 'bought' : part.buy.length ? 'not the cheapest' : 'you have it',
        };
    }),
);
const MOST_SHOWN = 60;
function forget(at: number): void {
    const offer = garden.document.value.prices?.[at];
    if (!offer) return;
    garden.change(`forget a price of ${nameOf(offer.part)}`, (g) => {
        g.prices = (g.prices ?? []).filter((_, i) => i !== at);
    });
}
const samples = computed(() => garden.document.value.money?.samples ?? true);
function setSamples(on: boolean): void {
    garden.change(on ? 'count sample prices' : 'put sample prices away', (g) => {
        (g.money ??= {}).samples = on;
    });
}
async function takeExample(): Promise<void> {
    fault.value = await download('parts?as=csv', garden.document.value);
}

const suppliers = computed(() => {
    const known = new Map((garden.document.value.suppliers ?? []).map((s) => [s.name, s]));
    for (const offer of garden.document.value.prices ?? [])
        if (offer.supplier && !known.has(offer.supplier)) known.set(offer.supplier, { name: offer.supplier });
    return [...known.values()];
});
/** The day from which a supplier’s prices are, the oldest of them. */
const age = (name: string): string =>
    (garden.document.value.prices ?? [])
        .filter((o) => o.supplier === name && o.as_of)
        .map((o) => o.as_of!)
        .sort()[0] ?? '';
const TERMS = { delivery: 'a parcel', free_over: 'brought for nothing from', min_order: 'least order' } as const;
const sum = (text: string): ReturnType<typeof readSum> => readSum(text, garden.units.value, currency.value);
function setTerm(name: string, term: keyof typeof TERMS, value: number | null): void {
    garden.change(`what ${name} asks`, (g) => {
        const all = (g.suppliers ??= []);
        let of = all.find((s) => s.name === name);
        if (!of) all.push((of = { name }));
        if (value === null) delete of[term];
        else of[term] = value;
    });
}
function drop(name: string): void {
    garden.change(`forget ${name}`, (g) => {
        g.prices = (g.prices ?? []).filter((o) => o.supplier !== name);
        g.suppliers = (g.suppliers ?? []).filter((s) => s.name !== name);
    });
}
</script>

<template>
    <div class="prices">
        <section>
            <h2>A list of your own</h2>
            <p class="small faint">
                CSV or XLSX, its first row naming the columns in any order: part, pack, price, supplier, delivery. For one to begin with
                take this garden’s list along, write your prices into it, and choose it here.
            </p>
            <div class="row">
                <button type="button" class="box" data-act="price-example" @click="takeExample">Take the list along, CSV</button>
                <label class="box file"
                    >Choose a file<input type="file" accept=".csv,.txt,.tsv,.xlsx" data-act="price-file" @change="open"
                /></label>
            </div>
            <p v-if="fault" class="wrong small" role="alert">{{ fault }}</p>
            <div v-if="list" class="found" role="status" data-list>
                <p>
                    <b>{{ file }}</b>: {{ list.offers.length }} prices<template v-if="list.faults.length"
                        >, and {{ list.faults.length }} rows that will not do</template
                    >.
                </p>
                <ul v-if="list.faults.length" class="faults">
                    <li v-for="f in list.faults.slice(0, 50)" :key="f.row" class="wrong">Row {{ f.row }}: {{ f.message }}.</li>
                </ul>
                <p v-if="list.faults.length > 50" class="small">… and {{ list.faults.length - 50 }} more.</p>
                <button v-if="list.offers.length" type="button" class="box strong" data-act="take-list" @click="takeList">
                    {{ list.faults.length ? `Skip those, take ${list.offers.length}` : `Take all ${list.offers.length}` }}
                </button>
                <button type="button" class="word" @click="list = null">Take none</button>
            </div>
        </section>
        <section>
            <h2>The samples</h2>
            <Tick data-act="samples" :checked="samples" @tick="setSamples">Count made-up sample prices where you gave none</Tick>
            <p v-if="!samples" class="small faint">
                They are put away: what you gave no price for has none, and the list of parts says so.
            </p>
        </section>
        <section v-if="offers.length">
            <h2>Your prices</h2>
            <table data-offers>
                <thead>
                    <tr>
                        <th scope="col">part</th>
                        <th scope="col" class="r">pack</th>
                        <th scope="col" class="r">{{ currency }}</th>
                        <th scope="col">from</th>
                        <th scope="col">now</th>
                        <td></td>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="o in offers.slice(0, MOST_SHOWN)" :key="o.at">
                        <td>{{ o.name }}</td>
                        <td class="r">{{ packOf(o) || '1' }}</td>
                        <td class="r number">{{ money(o.price) }}</td>
                        <td>{{ o.supplier ?? 'anywhere' }}</td>
                        <td class="faint">{{ o.use }}</td>
                        <td class="r">
                            <button type="button" class="word" @click="forget(o.at)">
                                forget<span class="hidden-visually">: {{ o.name }}, {{ money(o.price) }}</span>
                            </button>
                        </td>
                    </tr>
                </tbody>
            </table>
            <p v-if="offers.length > MOST_SHOWN" class="small faint">… and {{ offers.length - MOST_SHOWN }} more, in the garden’s file.</p>
        </section>
        <section>
            <h2>A supplier’s prices now</h2>
            <p class="small faint">
                Towpath Supply is a made-up shop that comes with Kelp Tub, to try it with: nothing is ordered, and nobody is asked outside.
            </p>
            <button type="button" class="box" data-act="refresh-prices" :disabled="asking" @click="refresh">
                {{ asking ? 'Asking …' : 'Ask for them' }}
            </button>
            <p v-if="fresh?.away" class="small" role="alert">{{ fresh.away }}</p>
            <div v-else-if="fresh?.supplier" class="found" role="status" data-fresh>
                <p v-if="!fresh.changes.length">Nothing that you buy has changed at {{ fresh.supplier.name }}.</p>
                <template v-else>
                    <p>
                        {{ fresh.supplier.name }}, {{ fresh.changes.length }} changed; a parcel {{ money(fresh.supplier.delivery ?? 0) }}
                        {{ currency
                        }}<template v-if="fresh.supplier.free_over">, nothing from {{ money(fresh.supplier.free_over) }}</template
                        >.
                    </p>
                    <table>
                        <tbody>
                            <tr v-for="c in fresh.changes" :key="`${c.part} ${c.pack}`">
                                <td>{{ nameOf(c.part) }}</td>
                                <td class="r">{{ packOf(c) }}</td>
                                <td class="r faint">{{ c.before === null ? 'new' : money(c.before) }}</td>
                                <td class="r number">{{ money(c.price) }}</td>
                            </tr>
                        </tbody>
                    </table>
                    <button type="button" class="box strong" data-act="take-fresh" @click="takeFresh">Take them</button>
                    <button type="button" class="word" @click="fresh = null">Leave mine as they are</button>
                </template>
            </div>
        </section>
        <section v-if="suppliers.length">
            <h2>What a parcel costs</h2>
            <table>
                <thead>
                    <tr>
                        <th scope="col">supplier</th>
                        <th scope="col">parcel</th>
                        <th scope="col">nothing from</th>
                        <th scope="col">least order</th>
                        <td></td>
                    </tr>
                </thead>
                <tbody>
                    <tr v-for="s in suppliers" :key="s.name">
                        <th scope="row">
                            {{ s.name }}<span v-if="age(s.name)" class="small faint"> prices of {{ age(s.name) }}</span>
                        </th>
                        <td v-for="(says, term) in TERMS" :key="term">
                            <ReadField
                                class="sum"
                                :name="`${s.name} ${term}`"
                                inputmode="decimal"
                                :label="`${s.name}: ${says}`"
                                :shown="String(s[term] ?? '')"
                                :read="sum"
                                :take="(value) => setTerm(s.name, term, value)"
                            />
                        </td>
                        <td class="r">
                            <button type="button" class="word" @click="drop(s.name)">
                                forget<span class="hidden-visually"> {{ s.name }}</span>
                            </button>
                        </td>
                    </tr>
                </tbody>
            </table>
        </section>
    </div>
</template>

<style scoped>
.row {
    display: flex;
    flex-wrap: wrap;
    gap: 0.6rem;
}
.prices section > p {
    margin-bottom: 0.5rem;
}
.prices {
    position: relative;
    flex: 1;
    min-height: 0;
    overflow-y: auto;
    display: grid;
    gap: 1.4rem;
    align-content: start;
}
.file {
    position: relative;
    display: inline-block;
    cursor: pointer;
}
.file:focus-within {
    outline: 2px solid var(--water);
    outline-offset: 2px;
}
.file input {
    position: absolute;
    inset: 0;
    opacity: 0;
    cursor: pointer;
    width: 100%;
}
.found .word {
    margin-left: 1rem;
    min-height: 34px;
}
.found table {
    margin-bottom: 0.6rem;
    width: 100%;
}
.prices h2 {
    margin-bottom: 0.3rem;
}
.found {
    border: 1px solid var(--ink);
    background: var(--sheet);
    padding: 0.6rem 0.9rem;
    margin-top: 0.6rem;
}
.faults {
    max-height: 12rem;
    overflow-y: auto;
    font-size: 0.875rem;
}
table {
    font-size: 0.875rem;
}
td,
th {
    padding: 0.2rem 0.9rem 0.2rem 0;
    border-bottom: 1px solid var(--rule);
    text-align: left;
}
.r {
    text-align: right;
}
.sum {
    width: 5rem;
    min-height: 30px;
    border: 1px solid var(--ink);
    background: var(--sheet);
    color: var(--ink);
    padding: 0.1rem 0.4rem;
}
.wrong {
    color: var(--stop-text);
}
</style>
