<script setup lang="ts">
/** Every part as it is bought: how much is needed, how much is there, in which packs, and what is left over. */
import { computed, ref } from 'vue';
import { bareNumber } from '../kit/bare';
import { money } from '../kit/format';
import { useGarden } from '../kit/garden';
import { isPhone } from '../kit/phone';
import { vShown } from '../kit/shown';
import Tick from '../kit/Tick.vue';
import type { PartReport } from '../types/report';
import { amount, quantityIn } from './money';
import OutlayBar from './OutlayBar.vue';
import PriceRow from './PriceRow.vue';

const props = defineProps<{ order: string; full: number }>();
/**
 * "I have everything but…": everything on the list is shown as had, each press leaves one part to be bought, and nothing is written before
 * the whole answer is kept. The keys of the parts that are left to buy; null where it is not being answered.
 */
const lacking = defineModel<string[] | null>('lacking', { required: true });

const garden = useGarden();
const report = garden.report;
const budget = computed(() => report.value.budget);
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

/** The list as it is shopped: by kind, or where each thing is bought, what is there already last. */
const THERE = 'You have it';
const sections = computed(() => {
    if (props.order === 'kind')
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

/** A phone leaves out what is needed, had and left. */
const columns = isPhone() ? 4 : 7;
/** The part whose prices are open. */
const pricing = ref<string | null>(null);
const quantity = (part: PartReport, value: number): string => quantityIn(part.unit, value, garden.units.value);
</script>

<template>
    <div class="list">
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
        <OutlayBar :budget="budget" :groups="groups" :full="full" />
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
                            <Tick
                                :checked="isTicked(p)"
                                :disabled="p.owned >= p.need && garden.document.value.owned?.[p.key] === undefined"
                                :says="`${p.name}: you have it`"
                                @tick="(on) => tick(p, on)"
                                >{{ p.name }}</Tick
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
                            <button
                                type="button"
                                class="word small"
                                :aria-expanded="pricing === p.key"
                                @click="pricing = pricing === p.key ? null : p.key"
                            >
                                change<span class="hidden-visually">: {{ p.name }}</span>
                            </button>
                        </td>
                    </tr>
                    <tr v-if="ownFault?.key === p.key">
                        <td :colspan="columns" class="small wrong" role="alert">{{ ownFault.says }}</td>
                    </tr>
                    <PriceRow
                        v-if="pricing === p.key"
                        :part="p"
                        :columns="columns"
                        @own="(event) => own(p, event)"
                        @close="pricing = null"
                    />
                </template>
            </tbody>
        </table>
    </div>
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
.lacked :deep(.tick) {
    font-weight: 700;
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
.wrong {
    color: var(--stop-text);
}
@media (max-width: 760px) {
    .why {
        display: none;
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
    .c-part {
        width: 42%;
    }
    .packs {
        white-space: normal;
        display: inline;
    }
}
</style>
