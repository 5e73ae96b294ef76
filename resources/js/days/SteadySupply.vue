<script setup lang="ts">
/** A head a week: when to sow, in which cups, and from which week on it cannot be; planted at a press. */
import { computed, ref, watch } from 'vue';
import { readBare, readWeight } from '../kit/bare';
import { dateOf, dayNumber, spoken, wallClock } from '../kit/dates';
import { bringCrop } from '../kit/edits';
import { counted, weight } from '../kit/format';
import { useGarden } from '../kit/garden';
import { useTurns } from '../kit/turns';
import Toggle from '../kit/Toggle.vue';
import type { Garden, Planting } from '../types/garden';
import { freePlantingId, holdLid } from './plantings';

interface Supply {
    sowings: { tub: string; copy: number; cups: number[]; sown: string | null; set_in: string; harvest: string; last: string }[];
    cups_most: number;
    tubs: string[];
    harvest_g: number;
    missed: { week: string; why: 'late' | 'cups' | 'frost' | 'never'; plants: number }[];
    plantings: Omit<Planting, 'id'>[];
}

const props = defineProps<{ crop: string | null; name: string }>();
const garden = useGarden();
const now = wallClock().slice(0, 10);
const by = ref<'plants' | 'grams'>('plants');
const many = ref('1');
const from = ref(dateOf(dayNumber(now) + 70));
const to = ref(dateOf(dayNumber(now) + 70 + 25 * 7));
const wrong = ref('');
const supply = ref<Supply | null>(null);
const turns = useTurns();

/** What was worked out is for what stands in the fields, and for the garden as it is. */
watch([() => props.crop, by, many, from, to, () => garden.document.value], () => {
    supply.value = null;
    wrong.value = '';
});

function withCrop(): Garden {
    const copy = JSON.parse(JSON.stringify(garden.document.value)) as Garden;
    bringCrop(copy, garden.library, props.crop!);
    return copy;
}
async function ask(): Promise<void> {
    const amount =
        by.value === 'plants' ? readBare(many.value, { least: 0, above: true }) : await readWeight(many.value, garden.units.value);
    if (!('value' in amount)) return void (wrong.value = 'error' in amount ? amount.error : amount.away);
    if (props.crop === null || amount.value === null) return void (wrong.value = 'Say how much a week.');
    const answer = await turns.ask<Supply>(`gardens/${garden.id}/succession`, {
        body: JSON.stringify({
            garden: withCrop(),
            crop: props.crop,
            [by.value]: amount.value,
            from: from.value,
            to: to.value,
            now: wallClock(),
        }),
    });
    if (!answer) return;
    supply.value = answer.kind === 'done' ? answer.data : null;
    wrong.value =
        answer.kind === 'refused'
            ? answer.faults.map((f) => f.message).join('; ') || answer.message
            : 'message' in answer
              ? answer.message
              : '';
}
function plantAll(): void {
    const of = supply.value;
    const key = props.crop;
    if (!of || key === null) return;
    const reports = garden.report.value.tubs;
    garden.change(`sow ${props.name.toLowerCase()} one after another`, (g) => {
        bringCrop(g, garden.library, key);
        for (const planting of of.plantings) {
            const report = reports.find((t) => t.id === planting.tub);
            // The cups are meant as they stand now.
            if (report) holdLid(g, report);
            g.plantings = [...(g.plantings ?? []), { ...planting, id: freePlantingId(g, key) }];
        }
    });
}

const WHY = {
    late: 'it is too late to begin for it',
    cups: 'no cup is free',
    frost: 'frost is usual',
    never: 'it does not come to a harvest there',
} as const;
/** Weeks in which something is missing, those for one reason together. */
const gaps = computed(() => {
    const all: { from: string; to: string; why: keyof typeof WHY; weeks: number }[] = [];
    for (const m of supply.value?.missed ?? []) {
        const last = all.at(-1);
        if (last && last.why === m.why && dayNumber(m.week) - dayNumber(last.to) <= 7)
            Object.assign(last, { to: m.week, weeks: last.weeks + 1 });
        else all.push({ from: m.week, to: m.week, why: m.why, weeks: 1 });
    }
    return all;
});
const nameOf = (id: string): string => garden.report.value.tubs.find((t) => t.id === id)?.name ?? id;
</script>

<template>
    <form class="supply" data-supply @submit.prevent="ask">
        <Toggle
            label="A week"
            :model-value="by"
            :options="[
                { value: 'plants', name: 'Plants' },
                { value: 'grams', name: 'Weight' },
            ]"
            @update:model-value="
                (v) => {
                    by = v;
                    many = v === 'plants' ? '1' : garden.units.value === 'us' ? '8 oz' : '200 g';
                }
            "
        />
        <label class="field"
            ><span>{{ by === 'plants' ? 'How many' : 'How much' }}</span
            ><input v-model="many" class="text" inputmode="decimal" data-field="a-week"
        /></label>
        <label class="field"><span>First picked</span><input v-model="from" class="text" type="date" required /></label>
        <label class="field"><span>Last picked</span><input v-model="to" class="text" type="date" :min="from" required /></label>
        <button type="submit" class="box" data-act="work-out" :disabled="crop === null">When to sow {{ name.toLowerCase() }}</button>
        <p v-if="wrong" class="small wrong" role="alert">{{ wrong }}</p>
        <div v-if="supply" role="status" class="came">
            <p v-if="supply.sowings.length">
                <b>{{ counted(supply.sowings.length, 'sowing', 'sowings') }}</b> in {{ counted(supply.cups_most, 'cup', 'cups') }} at most,
                of {{ supply.tubs.map(nameOf).join(', ') }}: some {{ weight(supply.harvest_g, garden.units.value) }}.
            </p>
            <p v-for="g in gaps" :key="g.from" class="small gap">
                <template v-if="g.weeks === 1">Nothing in the week of {{ spoken(g.from, now) }}: {{ WHY[g.why] }}.</template>
                <template v-else>Nothing from {{ spoken(g.from, now) }} on, for {{ g.weeks }} weeks: {{ WHY[g.why] }}.</template>
            </p>
            <ol v-if="supply.sowings.length" class="small">
                <li v-for="s in supply.sowings.slice(0, 6)" :key="s.set_in + s.cups.join()">
                    {{ s.sown ? `sow ${spoken(s.sown, now)}, ` : '' }}set in {{ spoken(s.set_in, now) }}, pick {{ spoken(s.harvest, now) }}
                    <span class="faint"
                        >{{ nameOf(s.tub) }}{{ s.copy > 1 ? ` ${s.copy}` : '' }}, {{ s.cups.length === 1 ? 'cup' : 'cups' }}
                        {{ s.cups.join(', ') }}</span
                    >
                </li>
            </ol>
            <p v-if="supply.sowings.length > 6" class="small faint">and {{ supply.sowings.length - 6 }} more</p>
            <button v-if="supply.sowings.length" type="button" class="box strong" data-act="plant-all" @click="plantAll">
                Put {{ supply.sowings.length === 1 ? 'it' : 'all of them' }} on the calendar
            </button>
        </div>
    </form>
</template>

<style scoped>
.supply,
.came {
    display: grid;
    gap: 0.6rem;
}
.field {
    display: grid;
    gap: 0.2rem;
}
.field > span {
    font-weight: 600;
    font-family: var(--grotesque);
}
ol {
    margin: 0;
    padding-left: 1.2rem;
}
.gap {
    color: var(--mind-text);
}
.wrong {
    color: var(--stop-text);
}
</style>
