<script setup lang="ts">
/** Cost: every part of the garden as it is bought, in real packs, against the cap. */
import { bareNumber } from '../kit/bare';
import { computed, ref } from 'vue';
import { useAsked } from '../kit/asked';
import { download, keep } from '../kit/download';
import Figure from '../kit/Figure.vue';
import Findings from '../kit/Findings.vue';
import { money, number } from '../kit/format';
import ReadField from '../kit/ReadField.vue';
import { read, readSum } from '../kit/reader';
import { short } from '../kit/typed';
import { deeds } from '../kit/deeds';
import { useGarden } from '../kit/garden';
import { at as mendedAt, toneOf } from '../kit/findings';
import MarkPage from '../shell/MarkPage.vue';
import Fold from '../kit/Fold.vue';
import Pick from '../kit/Pick.vue';
import type { PartReport } from '../types/report';
import { amount, quantityIn } from './money';
import type { Answers, CostFigures } from '../types/answers';
import Prices from './Prices.vue';
import WaysToSpendLess from './WaysToSpendLess.vue';
import { vShown } from '../kit/shown';
import { useTurns } from '../kit/turns';

const garden = useGarden();
const report = garden.report;
const budget = computed(() => report.value.budget);
const findings = computed(() => mendedAt(report.value.findings, 'cost'));
const currency = computed(() => budget.value.currency);

/** What takes whole seasons to tell: asked for by this mark alone. */
const { answer: whole } = useAsked<CostFigures>(garden, () => (report.value.tubs.length ? 'cost' : null));
const each = computed(() => whole.value?.tubs.find((t) => t.id === garden.selected.value) ?? null);

const PARTS = [
    { key: 'list', name: 'What to buy' },
    { key: 'ways', name: 'Ways to spend less' },
    { key: 'prices', name: 'Prices' },
] as const;
const part = ref<(typeof PARTS)[number]['key']>('list');

const GROUPS = [
    { kind: 'part', name: 'Parts' },
    { kind: 'consumable', name: 'Used up' },
    { kind: 'extra', name: 'Extras' },
    { kind: 'tool', name: 'Tools' },
] as const;
const groups = computed(() =>
    GROUPS.map((g) => {
        const parts = report.value.parts.filter((p) => p.kind === g.kind);
        return { ...g, parts, cost: parts.reduce((sum, p) => sum + p.cost, 0) };
    }).filter((g) => g.parts.length),
);

/** The list as it is shopped: by kind, or where each thing is bought, what is there already last. */
const ORDERS = [
    { value: 'kind', name: 'by kind' },
    { value: 'supplier', name: 'by supplier' },
];
const order = ref('kind');
const THERE = 'You have it';
const sections = computed(() => {
    if (order.value === 'kind')
        return groups.value.map((g) => ({ key: g.kind as string, name: g.name as string, parts: g.parts, cost: g.cost }));
    const places = new Map<string, PartReport[]>();
    for (const p of report.value.parts) {
        const at = p.buy.length ? (p.buy[0]!.supplier ?? 'Anywhere, at sample prices') : p.priced ? THERE : 'No price known';
        places.set(at, [...(places.get(at) ?? []), p]);
    }
    return [...places]
        .sort(([a], [b]) => Number(a === THERE) - Number(b === THERE) || a.localeCompare(b))
        .map(([name, parts]) => ({ key: name, name, parts, cost: parts.reduce((sum, p) => sum + p.cost, 0) }));
});

const EXTRAS = [
    { key: 'sight-tube', name: 'Sight tube, with bulkhead and elbow' },
    { key: 'battens', name: 'Battens under it' },
    { key: 'drill-guide', name: 'Drill guide' },
] as const;
type Extra = (typeof EXTRAS)[number]['key'];
const extras = computed<Extra[]>(() => garden.tub.value?.extras ?? []);
function setExtra(key: Extra, on: boolean): void {
    garden.changeTub(on ? `take ${key}` : `leave out ${key}`, (t) => {
        const rest = (t.extras ?? []).filter((e) => e !== key);
        t.extras = on ? [...rest, key] : rest;
    });
}
const byMeter = computed(() => garden.document.value.testing === 'meter');
function setMeter(on: boolean): void {
    garden.change(on ? 'test by meters' : 'test by drops', (g) => {
        g.testing = on ? 'meter' : 'drops';
    });
}

const tables = useTurns();
const fileFault = ref('');
async function take(as: 'csv' | 'pdf' | 'xlsx'): Promise<void> {
    fileFault.value = '';
    if (as !== 'xlsx') {
        fileFault.value = await download(`parts?as=${as}`, garden.document.value);
        return;
    }
    const answer = await tables.ask<Answers['parts']>('parts?as=rows', {
        body: JSON.stringify(garden.document.value),
    });
    if (answer?.kind !== 'done') {
        fileFault.value = answer && 'message' in answer ? answer.message : '';
        return;
    }
    const { default: write } = await import('write-excel-file/universal');
    keep(await write(answer.data.rows).toBlob(), garden.file().name.replace('.kelp.json', '-parts.xlsx'));
}
const sumOf = (value: number): string => `${money(value)}\u202f${currency.value}`;
const between = (of: (number | null)[] | null | undefined, say: (v: number) => string): string =>
    of ? `${of[0] === null ? 'never' : say(of[0]!)} to ${of[1] === null ? 'never' : say(of[1]!)}` : '';

/** The bar runs to the outlay or the cap, whichever is more. */
const full = computed(() => Math.max(budget.value.outlay, budget.value.cap ?? 0, 1));
const sum = (text: string): ReturnType<typeof readSum> => readSum(text, garden.units.value, currency.value);

function setCap(cap: number | null): void {
    garden.change('change the cap', (g) => {
        (g.money ??= {}).cap = cap;
    });
}

/** The part of which what was written as had will not do, and why. */
const ownFault = ref<{ key: string; says: string } | null>(null);
function own(part: PartReport, event: Event): void {
    const text = (event.target as HTMLInputElement).value.trim();
    const value = bareNumber(text);
    ownFault.value = null;
    if (value !== null && value >= 0)
        garden.change(`own ${part.name}`, (g) => {
            (g.owned ??= {})[part.key] = value;
        });
    else {
        ownFault.value = { key: part.key, says: `“${text}” is no number of ${part.name}. Write how many you have, 0 for none.` };
        (event.target as HTMLInputElement).value = amount(part.owned);
    }
}

function ownAll(part: PartReport): void {
    garden.change(`own ${part.name}`, (g) => {
        (g.owned ??= {})[part.key] = Math.ceil(part.need);
    });
}

/**
 * "I have everything but…": everything on the list is shown as had, each press leaves one part to be bought, and nothing is written before
 * the whole answer is kept. The keys of the parts that are left to buy; null where it is not being answered.
 */
const lacking = ref<string[] | null>(null);
const wanted = computed(() => report.value.parts.filter((p) => p.need > 0));
const inWords = (names: string[]): string => new Intl.ListFormat('en-GB', { type: 'conjunction' }).format(names);
const leftToBuy = computed(() => wanted.value.filter((p) => lacking.value?.includes(p.key)));
function ownAllBut(keys: readonly string[]): void {
    const parts = wanted.value;
    garden.change('own everything else', (g) => {
        const owned = (g.owned ??= {});
        for (const part of parts) {
            if (keys.includes(part.key)) delete owned[part.key];
            else owned[part.key] = Math.max(owned[part.key] ?? 0, Math.ceil(part.need));
        }
    });
    lacking.value = null;
}

/** Whether all that is needed of a part is there: by what is written in the garden, which a report that is on its way does not know yet. */
const isHad = (part: PartReport): boolean => part.need > 0 && (garden.document.value.owned?.[part.key] ?? part.owned) >= part.need;
const isTicked = (part: PartReport): boolean => (lacking.value ? part.need > 0 && !lacking.value.includes(part.key) : isHad(part));
function tick(part: PartReport, on: boolean): void {
    if (lacking.value) lacking.value = on ? lacking.value.filter((key) => key !== part.key) : [...lacking.value, part.key];
    else if (on) ownAll(part);
    else buy(part);
}

function buy(part: PartReport): void {
    garden.change(`buy ${part.name}`, (g) => {
        delete g.owned?.[part.key];
    });
}

const pricing = ref<string | null>(null);
const pack = ref('1');
const price = ref('');
const shop = ref('');
const mine = ref(true);
const spare = ref('0');
const priceFault = ref('');

function openPrice(part: PartReport): void {
    pricing.value = pricing.value === part.key ? null : part.key;
    pack.value = part.unit === 'mm' ? '5000' : '1';
    price.value = '';
    shop.value = '';
    mine.value = true;
    spare.value = amount(part.spare);
    priceFault.value = '';
}

/** Added once: what was added closes the row that it was written in. */
function addPrice(part: PartReport): void {
    void deeds.runOnce(`Reading “${short(price.value)}”`, async (act) => {
        if (pricing.value !== part.key) return;
        const size = bareNumber(pack.value);
        if (size === null || size <= 0) {
            priceFault.value = `“${pack.value}” is no pack. Write how much is in one, as a number over nothing.`;
            return;
        }
        const cost = await read(price.value, 'money', garden.units.value, { currency: currency.value });
        if (!('value' in cost)) {
            priceFault.value =
                'error' in cost ? cost.error : `Kelp Tub does not answer, and “${short(price.value)}” is not added. Press again.`;
            return;
        }
        act(() => offer(part, size, cost.value));
        pricing.value = null;
        // The row that was written in is gone: what opens it again has the focus.
        document.querySelector<HTMLElement>(`[data-part="${CSS.escape(part.key)}"] .acts .word`)?.focus();
    });
}

function offer(part: PartReport, pack: number, price: number): void {
    garden.change(`price ${part.name}`, (g) => {
        const offer = { part: part.key, pack, price, supplier: shop.value.trim().slice(0, 120) || null };
        (g.prices ??= []).push(mine.value ? { ...offer, instead: true } : offer);
    });
}

function setSpare(part: PartReport): void {
    const value = bareNumber(spare.value);
    if (value === null || value < 0) {
        priceFault.value = `“${spare.value}” is no number to spare. Write how many more, 0 for none.`;
        return;
    }
    priceFault.value = '';
    garden.change(`${part.name} to spare`, (g) => {
        const spares = (g.spares ??= {});
        if (value > 0) spares[part.key] = value;
        else delete spares[part.key];
    });
}

const monthly = (of: NonNullable<CostFigures['budget']['month']>): string =>
    `power ${money(of.power)}, feed ${money(of.feed)}, water ${money(of.water)}, plugs ${money(of.plugs)}`;

const quantity = (part: PartReport, value: number): string => quantityIn(part.unit, value, garden.units.value);
/** From a good harvest to a poor one; what a poor one does not pay in three years has a best case alone. */
function paybackRange(range: (number | null)[] | null | undefined): string {
    const [best, worst] = range ?? [null, null];
    if (best === null || best === undefined || best > THREE_YEARS) return '';
    return worst === null || worst === undefined || worst > THREE_YEARS ? `${payback(best)} at best` : between(range, span);
}
/** What three of a tub cost, and with which air where the pump that is there does not serve them. */
function threeAlike(of: { three: number; three_air: string | null }): string {
    return money(of.three) + (of.three_air === null ? '' : ` with ${of.three_air}`);
}
const THREE_YEARS = 3 * 365;
/** What takes longer than three years to pay is not counted. */
function payback(days: number | null): string {
    if (days === null) return 'never';
    return days > THREE_YEARS ? 'not in three years' : span(days);
}
/** Days, or months where they are many: nobody counts 826 days. */
function span(days: number): string {
    return days < 100 ? number(days, 0, 'd') : number(days / (365 / 12), 0, 'months');
}
</script>

<template>
    <MarkPage title="Cost" lead="The whole garden’s parts, in the packs they are sold in.">
        <template #set>
            <div class="field">
                <label for="cap">Spend at most, {{ currency }}</label>
                <ReadField
                    id="cap"
                    name="cap"
                    inputmode="decimal"
                    placeholder="no cap"
                    :shown="String(budget.cap ?? '')"
                    :read="sum"
                    :take="setCap"
                />
            </div>
            <p class="small faint">Say what you have already in the list: it costs nothing then. Saws you have are told at the Lid mark.</p>
            <button
                type="button"
                class="box"
                data-act="own-everything"
                :aria-pressed="lacking !== null"
                @click="lacking = lacking ? null : []"
            >
                I have everything but…
            </button>
            <Pick label="The list" :options="ORDERS" :model-value="order" @update:model-value="(v) => (order = v ?? 'kind')" />
            <label class="tick"
                ><input type="checkbox" :checked="byMeter" @change="setMeter(($event.target as HTMLInputElement).checked)" />Meters in place
                of drops</label
            >
            <Fold v-if="garden.tub.value" :title="`Extras of ${garden.tub.value.name ?? garden.tub.value.id}`" :open="extras.length > 0">
                <label v-for="e in EXTRAS" :key="e.key" class="tick"
                    ><input
                        type="checkbox"
                        :data-extra="e.key"
                        :checked="extras.includes(e.key)"
                        @change="setExtra(e.key, ($event.target as HTMLInputElement).checked)"
                    />{{ e.name }}</label
                >
            </Fold>
            <div class="files">
                <span class="small">Take it along</span>
                <button type="button" class="word" data-file="parts-pdf" aria-label="Parts list as PDF" @click="take('pdf')">PDF</button>
                <button type="button" class="word" data-file="parts-csv" aria-label="Parts list as CSV" @click="take('csv')">CSV</button>
                <button type="button" class="word" data-file="parts-xlsx" aria-label="Parts list as XLSX" @click="take('xlsx')">
                    XLSX
                </button>
            </div>
            <p v-if="fileFault" class="small wrong" role="alert">{{ fileFault }}</p>
            <p class="small faint">
                {{
                    garden.document.value.money?.samples === false
                        ? 'Your own prices alone count.'
                        : 'Prices are samples, made up. Add your own where you know better.'
                }}
                Goods and parcels together cost least.
            </p>
        </template>

        <nav class="parts" aria-label="Parts of Cost">
            <button
                v-for="p in PARTS"
                :key="p.key"
                type="button"
                :aria-pressed="part === p.key"
                :data-part-of-cost="p.key"
                @click="part = p.key"
            >
                {{ p.name }}
            </button>
        </nav>
        <WaysToSpendLess v-if="part === 'ways'" />
        <Prices v-else-if="part === 'prices'" />
        <div v-else class="list">
            <div v-if="lacking" class="but" role="group" aria-label="I have everything but">
                <p>
                    <b>{{ leftToBuy.length ? 'You have everything but' : 'Untick what you lack.' }}</b>
                    {{
                        leftToBuy.length
                            ? `${inWords(leftToBuy.map((p) => p.name))}.`
                            : 'All that is ticked below is yours then, and costs nothing. Nothing is written yet.'
                    }}
                </p>
                <button type="button" class="box strong" data-act="keep-owned" @click="ownAllBut(lacking)">
                    {{ leftToBuy.length ? 'The rest is mine' : 'All of it is mine' }}
                </button>
                <button type="button" class="word" @click="lacking = null">Leave it</button>
            </div>
            <div
                class="where"
                role="img"
                :aria-label="`Outlay ${money(budget.outlay)} ${currency}${budget.cap === null ? '' : ` of a cap of ${money(budget.cap)}`}`"
            >
                <i v-for="g in groups" :key="g.kind" :class="g.kind" :style="{ width: `${(g.cost / full) * 100}%` }"
                    ><span v-if="g.cost / full > 0.13">{{ g.name }} {{ money(g.cost) }}</span></i
                >
                <b v-if="budget.cap !== null" :style="{ left: `${(budget.cap / full) * 100}%` }"
                    ><span>cap {{ money(budget.cap) }}</span></b
                >
            </div>
            <table>
                <colgroup>
                    <col class="c-part" />
                    <col class="c-need" />
                    <col class="c-have" />
                    <col />
                    <col class="c-left" />
                    <col class="c-cost" />
                    <col class="c-acts" />
                </colgroup>
                <thead>
                    <tr>
                        <th scope="col">part</th>
                        <th scope="col" class="r need">needed</th>
                        <th scope="col" class="r had">you have</th>
                        <th scope="col">buy</th>
                        <th scope="col" class="r left">left</th>
                        <th scope="col" class="r">{{ currency }}</th>
                        <td class="acts" />
                    </tr>
                </thead>
                <tbody v-for="g in sections" :key="g.key">
                    <tr class="group">
                        <th scope="rowgroup">{{ g.name }}</th>
                        <td class="need" />
                        <td class="had" />
                        <td />
                        <td class="left" />
                        <td class="r number">{{ money(g.cost) }}</td>
                        <td class="acts" />
                    </tr>
                    <template v-for="p in g.parts" :key="p.key">
                        <tr :data-part="p.key" :class="{ lacked: lacking?.includes(p.key) }">
                            <td>
                                <label class="tick"
                                    ><input
                                        type="checkbox"
                                        :checked="isTicked(p)"
                                        :disabled="p.owned >= p.need && garden.document.value.owned?.[p.key] === undefined"
                                        :aria-label="`${p.name}: you have it`"
                                        @change="tick(p, ($event.target as HTMLInputElement).checked)"
                                    />{{ p.name }}</label
                                >
                                <span class="why small faint">{{ p.why }}</span>
                                <span class="wanted small faint">{{ quantity(p, p.need) }} needed</span>
                            </td>
                            <td class="r need">{{ quantity(p, p.need) }}</td>
                            <td class="r had">
                                <input
                                    class="have"
                                    inputmode="decimal"
                                    :aria-label="`${p.name}: how many you have${p.unit === 'piece' ? '' : `, ${p.unit}`}`"
                                    v-shown="amount(p.owned)"
                                    @change="own(p, $event)"
                                />
                            </td>
                            <td>
                                <template v-if="p.buy.length"
                                    ><span v-for="(b, i) in p.buy" :key="i" class="packs"
                                        >{{ i ? ' + ' : '' }}{{ b.count
                                        }}{{
                                            (p.unit === 'piece' || p.unit === 'packet') && b.pack === 1 ? '' : ` × ${quantity(p, b.pack)}`
                                        }}
                                        at {{ money(b.price) }}</span
                                    ></template
                                >
                                <span v-else-if="p.priced" class="faint">nothing</span>
                                <span v-else class="severity mind">no price</span>
                            </td>
                            <td class="r faint left">{{ p.left > 1e-9 ? quantity(p, p.left) : '' }}</td>
                            <td class="r number">{{ money(p.cost) }}</td>
                            <td class="acts">
                                <button type="button" class="word small" :aria-expanded="pricing === p.key" @click="openPrice(p)">
                                    change<span class="hidden-visually">: {{ p.name }}</span>
                                </button>
                            </td>
                        </tr>
                        <tr v-if="ownFault?.key === p.key">
                            <td colspan="7" class="small wrong" role="alert">{{ ownFault.says }}</td>
                        </tr>
                        <tr v-if="pricing === p.key" class="pricing">
                            <td colspan="7">
                                <p class="small whole">{{ p.why }}.</p>
                                <label class="phone"
                                    >You have
                                    <input
                                        inputmode="decimal"
                                        :aria-label="`${p.name}: how many you have already`"
                                        v-shown="amount(p.owned)"
                                        @change="own(p, $event)"
                                /></label>
                                <label>A pack of <input v-model="pack" inputmode="decimal" /> {{ p.unit === 'piece' ? '' : p.unit }}</label>
                                <label
                                    >costs <input v-model="price" inputmode="decimal" @keydown.enter="addPrice(p)" /> {{ currency }}</label
                                >
                                <label
                                    >at <input v-model="shop" maxlength="120" placeholder="anywhere" @keydown.enter="addPrice(p)"
                                /></label>
                                <label class="only"><input v-model="mine" type="checkbox" /> and nowhere else</label>
                                <button type="button" class="box" @click="addPrice(p)">Add this price</button>
                                <label>To spare <input v-model="spare" inputmode="decimal" @change="setSpare(p)" /></label>
                                <span v-if="priceFault" class="small wrong" role="alert">{{ priceFault }}</span>
                            </td>
                        </tr>
                    </template>
                </tbody>
            </table>
        </div>

        <template #reckoning>
            <Findings :findings="findings" />
            <Figure
                :label="budget.unpriced.length ? 'Outlay now, at least' : 'Outlay now'"
                :value="`${money(budget.outlay)}\u202f${currency}`"
                :share="budget.outlay / full"
                :limit="budget.cap === null ? null : budget.cap / full"
                :tone="toneOf(findings, 'cost.over-cap')"
                :note="
                    garden.previewer.layingOut.value
                        ? 'so far; lids are being laid out'
                        : budget.cap === null
                          ? ''
                          : budget.over_cap > 0
                            ? `${money(budget.over_cap)} over the cap`
                            : `${money(budget.cap - budget.outlay)} under the cap`
                "
            />
            <Figure v-if="budget.per_plant !== null" label="A plant" :value="`${money(budget.per_plant)}\u202f${currency}`" />
            <Figure v-if="budget.per_tub !== null" label="A tub" :value="`${money(budget.per_tub)}\u202f${currency}`" />
            <Figure
                v-if="budget.parcels.length"
                label="Parcels"
                :value="sumOf(budget.delivery)"
                :note="budget.parcels.map((p) => `${p.supplier} ${money(p.cost)}`).join(', ')"
            />
            <Figure
                v-if="each"
                label="The next one like it"
                :value="sumOf(each.next)"
                :note="`${each.name}: alone ${money(each.alone)}, three alike ${threeAlike(each)}`"
                why="One more, with what is left over used first, tools there, and its line on the same pump."
            />
            <template v-if="whole">
                <Figure
                    v-if="whole.budget.monthly !== null && whole.budget.month"
                    label="A month"
                    :value="sumOf(whole.budget.monthly)"
                    :note="monthly(whole.budget.month)"
                />
                <Figure
                    v-if="whole.budget.harvest_value !== null"
                    label="A season’s harvest"
                    :value="sumOf(whole.budget.harvest_value)"
                    :note="`${between(whole.budget.harvest_range, money)}, at sample prices a kilogram`"
                />
                <Figure
                    v-if="whole.budget.harvest_value !== null"
                    label="Paid back after"
                    :value="payback(whole.budget.payback_days)"
                    :note="paybackRange(whole.budget.payback_range)"
                />
            </template>
            <Figure
                label="Goes into the tubs"
                :value="`${money(budget.used)}\u202f${currency}`"
                note="the share of the packs that is used"
            />
            <Figure
                label="Tools"
                :value="`${money(budget.tools)}\u202f${currency}`"
                :note="`they serve the next tub too; borrowed from a friend, it comes to some ${money(budget.outlay - budget.tools)}`"
            />
        </template>
    </MarkPage>
</template>

<style scoped>
.parts {
    display: flex;
    gap: 1.2rem;
    border-bottom: 1px solid var(--ink);
    margin-bottom: 0.8rem;
    flex: none;
}
.parts button {
    border: 0;
    border-bottom: 3px solid transparent;
    background: none;
    color: var(--ink);
    font: inherit;
    font-family: var(--grotesque);
    padding: 0.3rem 0;
    min-height: 34px;
    cursor: pointer;
}
.parts [aria-pressed='true'] {
    border-bottom-color: var(--ink);
    font-weight: 700;
}
.tick {
    display: flex;
    gap: 0.45rem;
    align-items: center;
}
.tick input {
    inline-size: 18px;
    block-size: 18px;
    flex: none;
    accent-color: var(--kelp);
}
.why {
    display: block;
    padding-left: 1.6rem;
    line-height: 1.3;
    text-wrap: pretty;
}
.wanted {
    display: none;
    padding-left: 2.2rem;
}
.pricing .whole {
    margin-bottom: 0.4rem;
}
.files {
    display: flex;
    gap: 0.8rem;
    align-items: center;
}
.files .word {
    min-height: 28px;
    font-weight: 600;
}
.pricing .only input {
    width: auto;
    min-height: 0;
}
.list {
    position: relative;
    flex: 1;
    overflow-y: auto;
    min-height: 0;
    padding-right: 0.4rem;
    scrollbar-width: thin;
    scrollbar-color: var(--rule) transparent;
}
.but {
    position: sticky;
    top: 0;
    z-index: 2;
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem 1rem;
    align-items: center;
    padding: 0.5rem 0.7rem;
    background: var(--sheet);
    border: 1px solid var(--ink);
}
.but p {
    flex: 1 1 22rem;
    margin: 0;
}
.lacked .tick {
    font-weight: 700;
}
.where {
    display: flex;
    position: relative;
    height: 34px;
    border: 1px solid var(--ink);
    margin: 1.6rem 0 0.8rem;
    background: var(--sheet);
}
.where i {
    display: block;
    border-right: 1px solid var(--ink);
    font-style: normal;
    font-size: 12px;
    line-height: 32px;
    padding-left: 6px;
    overflow: hidden;
    white-space: nowrap;
}
.where i.part {
    background: var(--water-wash);
}
.where i.consumable {
    background: var(--shoal);
}
.where i.extra {
    background: var(--sand);
}
.where i.tool {
    background: var(--cup);
}
.where b {
    position: absolute;
    top: -7px;
    bottom: -7px;
    width: 2px;
    background: var(--ink);
}
.where b span {
    position: absolute;
    bottom: 100%;
    right: 0;
    white-space: nowrap;
    font-size: 12px;
    font-weight: 600;
}
table {
    font-size: 0.875rem;
    table-layout: fixed;
}
.c-part {
    width: 34%;
}
.c-need,
.c-have {
    width: 4.4rem;
}
.c-left {
    width: 2.8rem;
}
.c-cost {
    width: 3.6rem;
}
.c-acts {
    width: 4.2rem;
}
td,
th {
    padding: 0.16rem 0.5rem 0.16rem 0;
    border-bottom: 1px solid var(--rule);
    vertical-align: baseline;
}
thead th {
    position: sticky;
    top: 0;
    background: var(--paper);
    z-index: 1;
}
.r {
    text-align: right;
}
.group th,
.group td {
    border-bottom: 1px solid var(--ink);
    padding-top: 0.7rem;
    font-family: var(--grotesque);
    font-weight: 700;
    color: var(--ink);
}
.have {
    width: 3.6rem;
    text-align: right;
    border: 0;
    border-bottom: 1px dotted var(--faint);
    background: none;
    color: var(--ink);
    min-height: 24px;
}
.have:focus {
    background: var(--sheet);
}
.acts {
    white-space: nowrap;
    text-align: right;
    padding: 0;
}
.acts .word {
    color: var(--faint);
    padding: 0 0 0 0.5rem;
}
.r,
.packs {
    white-space: nowrap;
}
.packs {
    display: inline-block;
    margin-right: 0.25rem;
}
.list {
    font-size: 0.875rem;
}
.pricing td {
    background: var(--sheet);
}
.pricing .phone {
    display: none;
}
.pricing label {
    margin-right: 0.8rem;
}
.pricing input {
    border: 1px solid var(--ink);
    background: var(--sheet);
    color: var(--ink);
    padding: 0.25rem 0.5rem;
    width: 5rem;
    min-height: 32px;
}
.field {
    display: grid;
    gap: 0.2rem;
}
.field label {
    font-weight: 600;
    font-family: var(--grotesque);
}
.wrong {
    color: var(--stop-text);
}
@media (max-width: 760px) {
    .tick {
        min-height: 44px;
    }
    .tick input {
        inline-size: 24px;
        block-size: 24px;
    }
    .why {
        display: none;
    }
    .parts button {
        min-height: 44px;
    }
    .wanted {
        display: block;
    }
    .need,
    .c-need,
    .had,
    .c-have,
    .left,
    .c-left {
        display: none;
    }
    .c-acts {
        width: 3.6rem;
    }
    .acts .word {
        min-height: 44px;
    }
    .pricing .phone {
        display: inline;
    }
    .c-part {
        width: 42%;
    }
    .packs {
        white-space: normal;
        display: inline;
    }
}
</style>
