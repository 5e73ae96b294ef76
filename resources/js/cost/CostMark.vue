<script setup lang="ts">
/** Cost: every part of the garden as it is bought, in real packs, against the cap. */
import { computed, ref } from 'vue';
import Figure from '../kit/Figure.vue';
import Findings from '../kit/Findings.vue';
import { area, money, number, run, volume } from '../kit/format';
import { read, type Reading } from '../kit/reader';
import { useGarden } from '../kit/garden';
import { at as mendedAt, toneOf } from '../kit/findings';
import MarkPage from '../shell/MarkPage.vue';
import type { PartReport } from '../types/report';
import { vShown } from '../kit/shown';

const garden = useGarden();
const report = garden.report;
const budget = computed(() => report.value.budget);
const findings = computed(() => mendedAt(report.value.findings, 'cost'));
const currency = computed(() => budget.value.currency);

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

/** The bar runs to the outlay or the cap, whichever is more. */
const full = computed(() => Math.max(budget.value.outlay, budget.value.cap ?? 0, 1));
const capFault = ref('');

/** A sum as it was typed ("€15", "15,50"), read by the core. */
const sum = (text: string): Promise<Reading> => read(text, 'money', garden.units.value, { currency: currency.value });

async function setCap(event: Event): Promise<void> {
    const text = (event.target as HTMLInputElement).value;
    const reading = text.trim() === '' ? { value: null } : await sum(text);
    capFault.value = 'error' in reading ? reading.error : '';
    if ('error' in reading) return;
    garden.change('change the cap', (g) => {
        (g.money ??= {}).cap = reading.value;
    });
}

/** The part of which what was written as had will not do, and why. */
const ownFault = ref<{ key: string; says: string } | null>(null);
function own(part: PartReport, event: Event): void {
    const text = (event.target as HTMLInputElement).value.trim();
    const value = Number(text.replace(',', '.'));
    ownFault.value = null;
    if (text !== '' && Number.isFinite(value) && value >= 0)
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

/** All of it is there; what is not is then bought, one press each. */
function ownEverything(): void {
    garden.change('own everything', (g) => {
        const owned = (g.owned ??= {});
        for (const part of report.value.parts) owned[part.key] = Math.max(owned[part.key] ?? 0, Math.ceil(part.need));
    });
}

function buy(part: PartReport): void {
    garden.change(`buy ${part.name}`, (g) => {
        delete g.owned?.[part.key];
    });
}
const isOwned = (part: PartReport): boolean => part.need > 0 && (garden.document.value.owned?.[part.key] ?? 0) >= part.need;

const pricing = ref<string | null>(null);
const pack = ref('1');
const price = ref('');
const priceFault = ref('');

function openPrice(part: PartReport): void {
    pricing.value = pricing.value === part.key ? null : part.key;
    pack.value = part.unit === 'mm' ? '5000' : '1';
    price.value = '';
    priceFault.value = '';
}

async function addPrice(part: PartReport): Promise<void> {
    const size = Number(pack.value.replace(',', '.'));
    const cost = await sum(price.value);
    if (!(size > 0) || 'error' in cost) {
        priceFault.value = 'error' in cost ? cost.error : `“${pack.value}” is no pack. Write how much is in one, as a number over nothing.`;
        return;
    }
    garden.change(`price ${part.name}`, (g) => {
        (g.prices ??= []).push({ part: part.key, pack: size, price: cost.value, supplier: null });
    });
    pricing.value = null;
}

const amount = (value: number): string => number(value, value < 10 && value % 1 ? 1 : 0);
function quantity(part: PartReport, value: number): string {
    const units = garden.units.value;
    switch (part.unit) {
        case 'mm':
            return run(value, units);
        case 'piece':
        case 'packet':
            return amount(value);
        case 'L':
            return units === 'us' ? volume(value, units) : `${amount(value)}\u202fL`;
        case 'm²':
            return area(value, units);
        default:
            return `${amount(value)}\u202f${part.unit}`;
    }
}
</script>

<template>
    <MarkPage title="Cost" lead="The whole garden’s parts, in the packs they are sold in.">
        <template #set>
            <div class="field">
                <label for="cap">Spend at most, {{ currency }}</label>
                <input
                    id="cap"
                    class="text"
                    inputmode="decimal"
                    v-shown="budget.cap ?? ''"
                    placeholder="no cap"
                    :aria-invalid="capFault !== ''"
                    @change="setCap"
                />
                <p v-if="capFault" class="small wrong">{{ capFault }}</p>
            </div>
            <p class="small faint">Say what you have already in the list: it costs nothing then. Saws you have are told at the Lid mark.</p>
            <button type="button" class="box" data-act="own-everything" @click="ownEverything">I have everything but…</button>
            <p class="small faint">Prices are samples, made up. Add your own where you know better; the cheapest mix of packs is taken.</p>
        </template>

        <div class="list">
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
                        <th scope="col" class="r">needed</th>
                        <th scope="col" class="r">you have</th>
                        <th scope="col">buy</th>
                        <th scope="col" class="r left">left</th>
                        <th scope="col" class="r">{{ currency }}</th>
                        <td class="acts" />
                    </tr>
                </thead>
                <tbody v-for="g in groups" :key="g.kind">
                    <tr class="group">
                        <th scope="rowgroup" colspan="4">{{ g.name }}</th>
                        <td class="left" />
                        <td class="r number">{{ money(g.cost) }}</td>
                        <td class="acts" />
                    </tr>
                    <template v-for="p in g.parts" :key="p.key">
                        <tr :data-part="p.key">
                            <td>{{ p.name }}</td>
                            <td class="r">{{ quantity(p, p.need) }}</td>
                            <td class="r">
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
                                <button v-if="p.cost > 0" type="button" class="word small" @click="ownAll(p)">
                                    have it<span class="hidden-visually">: {{ p.name }}</span>
                                </button>
                                <button v-if="isOwned(p)" type="button" class="word small" @click="buy(p)">
                                    buy it<span class="hidden-visually">: {{ p.name }}</span>
                                </button>
                                <button type="button" class="word small" :aria-expanded="pricing === p.key" @click="openPrice(p)">
                                    price<span class="hidden-visually">: {{ p.name }}</span>
                                </button>
                            </td>
                        </tr>
                        <tr v-if="ownFault?.key === p.key">
                            <td colspan="7" class="small wrong" role="alert">{{ ownFault.says }}</td>
                        </tr>
                        <tr v-if="pricing === p.key" class="pricing">
                            <td colspan="7">
                                <label>A pack of <input v-model="pack" inputmode="decimal" /> {{ p.unit === 'piece' ? '' : p.unit }}</label>
                                <label
                                    >costs <input v-model="price" inputmode="decimal" @keydown.enter="addPrice(p)" /> {{ currency }}</label
                                >
                                <button type="button" class="box" @click="addPrice(p)">Add this offer</button>
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
                label="Outlay now"
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
                label="Goes into the tubs"
                :value="`${money(budget.used)}\u202f${currency}`"
                note="the share of the packs that is used"
            />
            <Figure label="Tools" :value="`${money(budget.tools)}\u202f${currency}`" note="they serve the next tub too" />
        </template>
    </MarkPage>
</template>

<style scoped>
.list {
    position: relative;
    flex: 1;
    overflow-y: auto;
    min-height: 0;
    padding-right: 0.4rem;
    scrollbar-width: thin;
    scrollbar-color: var(--rule) transparent;
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
    width: 25%;
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
    width: 5.6rem;
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
    .acts,
    .left,
    .c-acts,
    .c-left {
        display: none;
    }
    .c-part {
        width: 26%;
    }
    .c-need {
        width: 3.3rem;
    }
    .c-have {
        width: 3.6rem;
    }
    .have {
        width: 2.4rem;
    }
    .packs {
        white-space: normal;
        display: inline;
    }
}
</style>
