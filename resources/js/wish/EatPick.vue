<script setup lang="ts">
/** What to eat: groups and crops by their drawings, and how much of each. */
import { computed, ref } from 'vue';
import PlantDrawing from '../drawing/PlantDrawing.vue';
import type { LibraryCrop } from '../kit/library';
import type { EatWish } from '../types/wish';
import { type Amount, amountOf, GROUPS, withAmount } from './wish';

const props = defineProps<{ eats: EatWish[]; crops: LibraryCrop[] }>();
const emit = defineEmits<{ change: [eats: EatWish[]] }>();

const MOST = 6;
const all = ref(false);
const edible = computed(() => props.crops.filter((c) => c.group !== 'cutting' && !c.own));
const byKey = computed(() => new Map(props.crops.map((c) => [c.key, c])));
const groupOf = (eat: EatWish): string => eat.group ?? byKey.value.get(eat.crop ?? '')?.group ?? 'leaf';
const nameOf = (eat: EatWish): string =>
    eat.group ? (GROUPS.find((g) => g.value === eat.group)?.name ?? eat.group) : (byKey.value.get(eat.crop ?? '')?.name ?? eat.crop ?? '');
const picks = computed(() => [
    ...GROUPS.map((g) => ({ key: g.value as string, name: g.name, eat: { group: g.value } as EatWish, crop: byKey.value.get(g.of) })),
    ...(all.value ? edible.value.map((c) => ({ key: c.key, name: c.name, eat: { crop: c.key } as EatWish, crop: c })) : []),
]);
const same = (a: EatWish, b: EatWish): boolean => a.crop === b.crop && a.group === b.group;
const isPicked = (eat: EatWish): boolean => props.eats.some((e) => same(e, eat));
function toggle(eat: EatWish): void {
    if (isPicked(eat))
        emit(
            'change',
            props.eats.filter((e) => !same(e, eat)),
        );
    else if (props.eats.length < MOST) emit('change', [...props.eats, eat]);
}
const set = (at: number, as: Amount, much: number): void =>
    emit(
        'change',
        props.eats.map((e, i) => (i === at ? withAmount(e, as, much) : e)),
    );
const STEPS: Record<Amount, number[]> = {
    heads_a_week: [0.5, 1, 2, 3, 4, 6, 8, 12],
    g_a_week: [50, 100, 150, 200, 300, 500, 800, 1200, 2000],
    plants: [1, 2, 3, 4, 5, 6, 8, 10, 12, 16, 20],
};
const WAYS: { value: Amount; name: string }[] = [
    { value: 'heads_a_week', name: 'heads a week' },
    { value: 'g_a_week', name: 'g a week' },
    { value: 'plants', name: 'plants' },
];
const FIRST: Record<Amount, number> = { heads_a_week: 1, g_a_week: 200, plants: 3 };
function step(at: number, by: 1 | -1): void {
    const { as, much } = amountOf(props.eats[at]!, groupOf(props.eats[at]!));
    const steps = STEPS[as];
    const next = by > 0 ? steps.find((s) => s > much) : [...steps].reverse().find((s) => s < much);
    if (next !== undefined) set(at, as, next);
}
const scale = (c: LibraryCrop): number => 44 / Math.max(c.mature_height_mm, c.spacing_mm);
</script>

<template>
    <fieldset class="eat">
        <legend>To eat</legend>
        <div class="picks">
            <button
                v-for="p in picks"
                :key="p.key"
                type="button"
                class="pick"
                :aria-pressed="isPicked(p.eat)"
                :data-pick="p.key"
                @click="toggle(p.eat)"
            >
                <svg v-if="p.crop" width="64" height="50" viewBox="-32 -48 64 50" aria-hidden="true">
                    <PlantDrawing
                        :crop="p.crop.key"
                        :habit="p.crop.habit"
                        :height="p.crop.mature_height_mm"
                        :width="Math.min(p.crop.spacing_mm * 1.05, p.crop.mature_height_mm * 1.5)"
                        :scale="scale(p.crop)"
                    />
                </svg>
                <span>{{ p.name }}</span>
            </button>
        </div>
        <button type="button" class="word small" :aria-expanded="all" data-act="all-crops" @click="all = !all">
            {{ all ? 'Fewer' : 'One certain crop' }}
        </button>
        <ul v-if="eats.length" class="amounts">
            <li v-for="(e, i) in eats" :key="(e.group ?? '') + (e.crop ?? '')" :data-eat="e.group ?? e.crop">
                <b>{{ nameOf(e) }}</b>
                <span class="much">
                    <button type="button" :aria-label="`${nameOf(e)}: less`" @click="step(i, -1)">−</button>
                    <output>{{ amountOf(e, groupOf(e)).much }}</output>
                    <button type="button" :aria-label="`${nameOf(e)}: more`" @click="step(i, 1)">+</button>
                </span>
                <select
                    :aria-label="`${nameOf(e)}, counted in`"
                    :value="amountOf(e, groupOf(e)).as"
                    @change="
                        set(
                            i,
                            ($event.target as HTMLSelectElement).value as Amount,
                            FIRST[($event.target as HTMLSelectElement).value as Amount],
                        )
                    "
                >
                    <option v-for="w in WAYS" :key="w.value" :value="w.value">{{ w.name }}</option>
                </select>
            </li>
        </ul>
    </fieldset>
</template>

<style scoped>
.eat {
    border: 0;
    margin: 0;
    padding: 0;
    display: grid;
    gap: 0.5rem;
    justify-items: start;
}
legend {
    font-family: var(--grotesque);
    font-weight: 700;
    padding: 0 0 0.35rem;
}
.picks {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(5.6rem, 1fr));
    gap: 0.35rem;
    width: 100%;
}
.pick {
    display: grid;
    justify-items: center;
    align-content: end;
    gap: 0.1rem;
    padding: 0.25rem;
    min-height: 5rem;
    border: 1px solid var(--rule);
    background: var(--sheet);
    color: var(--ink);
    font-size: 0.8125rem;
    line-height: 1.15;
    cursor: pointer;
}
.pick:hover {
    background: var(--shoal);
}
.pick[aria-pressed='true'] {
    border: 2px solid var(--ink);
    background: var(--shoal);
    font-weight: 600;
}
.amounts {
    list-style: none;
    margin: 0;
    padding: 0;
    width: 100%;
    border-top: 1px solid var(--rule);
}
.amounts li {
    display: grid;
    grid-template-columns: 1fr auto 7.4rem;
    gap: 0.6rem;
    align-items: center;
    padding: 0.35rem 0;
    border-bottom: 1px solid var(--rule);
}
.much {
    display: inline-flex;
    border: 1px solid var(--ink);
    background: var(--sheet);
}
.much button {
    width: 2rem;
    min-height: 32px;
    border: 0;
    background: none;
    color: var(--ink);
    cursor: pointer;
}
.much output {
    min-width: 2.6rem;
    text-align: center;
    align-self: center;
    font-variant-numeric: tabular-nums;
}
select {
    min-height: 32px;
    border: 1px solid var(--ink);
    background: var(--sheet);
    color: var(--ink);
    font: inherit;
    width: 100%;
}
@media (pointer: coarse) {
    .much button,
    select {
        min-height: 44px;
        min-width: 44px;
    }
}
</style>
