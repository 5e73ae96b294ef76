<script setup lang="ts">
/** Cost: every part of the garden as it is bought, in real packs, against the cap. */
import { computed, ref } from 'vue';
import { download, keep } from '../kit/download';
import { at as mendedAt } from '../kit/findings';
import Findings from '../kit/Findings.vue';
import Fold from '../kit/Fold.vue';
import { useGarden } from '../kit/garden';
import Pick from '../kit/Pick.vue';
import { readSum } from '../kit/reader';
import ReadField from '../kit/ReadField.vue';
import Tick from '../kit/Tick.vue';
import { useTurns } from '../kit/turns';
import MarkPage from '../shell/MarkPage.vue';
import type { Answers } from '../types/answers';
import CostReckoning from './CostReckoning.vue';
import Prices from './Prices.vue';
import ShoppingList from './ShoppingList.vue';
import WaysToSpendLess from './WaysToSpendLess.vue';

const garden = useGarden();
const report = garden.report;
const budget = computed(() => report.value.budget);
const findings = computed(() => mendedAt(report.value.findings, 'cost'));
const currency = computed(() => budget.value.currency);

const PARTS = [
    { key: 'list', name: 'What to buy' },
    { key: 'ways', name: 'Ways to spend less' },
    { key: 'prices', name: 'Prices' },
] as const;
const part = ref<(typeof PARTS)[number]['key']>('list');

const ORDERS = [
    { value: 'kind', name: 'by kind' },
    { value: 'supplier', name: 'by supplier' },
];
const order = ref('kind');
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
/** The bar runs to the outlay or the cap, whichever is more. */
const full = computed(() => Math.max(budget.value.outlay, budget.value.cap ?? 0, 1));
const sum = (text: string): ReturnType<typeof readSum> => readSum(text, garden.units.value, currency.value);

function setCap(cap: number | null): void {
    garden.change('change the cap', (g) => {
        (g.money ??= {}).cap = cap;
    });
}

/** What is left to buy while "I have everything but…" is answered; null where it is not. */
const lacking = ref<string[] | null>(null);
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
            <Tick :checked="byMeter" @tick="setMeter">Meters in place of drops</Tick>
            <Fold v-if="garden.tub.value" :title="`Extras of ${garden.tub.value.name ?? garden.tub.value.id}`" :open="extras.length > 0">
                <Tick
                    v-for="e in EXTRAS"
                    :key="e.key"
                    :data-extra="e.key"
                    :checked="extras.includes(e.key)"
                    @tick="(on) => setExtra(e.key, on)"
                    >{{ e.name }}</Tick
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
        <!-- A price that is typed and a list that is read wait where they are while another part is looked at. -->
        <KeepAlive :include="['Prices', 'ShoppingList']">
            <WaysToSpendLess v-if="part === 'ways'" />
            <Prices v-else-if="part === 'prices'" />
            <ShoppingList v-else v-model:lacking="lacking" :order="order" :full="full" />
        </KeepAlive>

        <template #reckoning>
            <Findings :findings="findings" />
            <CostReckoning :full="full" />
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
.files {
    display: flex;
    gap: 0.8rem;
    align-items: center;
}
.files .word {
    min-height: 28px;
    font-weight: 600;
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
    .parts button {
        min-height: 44px;
    }
}
</style>
