<script setup lang="ts">
/** What the garden comes to: now, each month, and what it brings back. */
import { computed } from 'vue';
import { useAsked } from '../kit/asked';
import Figure from '../kit/Figure.vue';
import { toneOf } from '../kit/findings';
import { money, number } from '../kit/format';
import { useGarden } from '../kit/garden';
import type { CostFigures } from '../types/answers';

/** A bar runs to the outlay or the cap, whichever is more. */
defineProps<{ full: number }>();

const garden = useGarden();
const budget = computed(() => garden.report.value.budget);
const currency = computed(() => budget.value.currency);

/** What takes whole seasons to tell: asked for by this mark alone. */
const { answer: whole } = useAsked<CostFigures>(garden, () => (garden.report.value.tubs.length ? 'cost' : null));
const each = computed(() => whole.value?.tubs.find((t) => t.id === garden.selected.value) ?? null);

const sumOf = (value: number): string => `${money(value)}\u202f${currency.value}`;
const between = (of: (number | null)[] | null | undefined, say: (v: number) => string): string =>
    of ? `${of[0] === null ? 'never' : say(of[0]!)} to ${of[1] === null ? 'never' : say(of[1]!)}` : '';

const monthly = (of: NonNullable<CostFigures['budget']['month']>): string =>
    `power ${money(of.power)}, feed ${money(of.feed)}, water ${money(of.water)}, plugs ${money(of.plugs)}`;

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
    <Figure
        :label="budget.unpriced.length ? 'Outlay now, at least' : 'Outlay now'"
        :value="`${money(budget.outlay)}\u202f${currency}`"
        :share="budget.outlay / full"
        :limit="budget.cap === null ? null : budget.cap / full"
        :tone="toneOf(garden.report.value.findings, 'cost.over-cap')"
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
    <Figure label="Goes into the tubs" :value="`${money(budget.used)}\u202f${currency}`" note="the share of the packs that is used" />
    <Figure
        label="Tools"
        :value="`${money(budget.tools)}\u202f${currency}`"
        :note="`they serve the next tub too; borrowed from a friend, it comes to some ${money(budget.outlay - budget.tools)}`"
    />
</template>
