<script setup lang="ts">
/** Top-ups of a passive tub on days that are set beforehand. */
import { computed } from 'vue';
import { useGarden } from '../kit/garden';
import Measure from '../kit/Measure.vue';
import type { PlannedTopUp } from '../types/garden';
import { vShown } from '../kit/shown';

const garden = useGarden();
const plan = computed(() => garden.tub.value?.planned_top_ups ?? []);
const report = computed(() => garden.tubReport.value!);
const at = computed(() => `/tubs/${garden.index.value}/planned_top_ups`);

function set(says: string, edit: (list: PlannedTopUp[]) => PlannedTopUp[]): void {
    garden.changeTub(says, (t) => {
        const list = edit(JSON.parse(JSON.stringify(t.planned_top_ups ?? [])) as PlannedTopUp[]);
        if (list.length) t.planned_top_ups = list;
        else delete t.planned_top_ups;
    });
}

function add(): void {
    const next = report.value.season.next_top_up;
    if (next) set('plan a top-up', (list) => [...list, { day: next.day, litres: next.litres }]);
}

function setDay(i: number, event: Event): void {
    const day = Number((event.target as HTMLInputElement).value);
    if (Number.isFinite(day) && day >= 0 && day <= 1000)
        set('change a top-up', (list) => list.map((t, j) => (j === i ? { ...t, day } : t)));
    else (event.target as HTMLInputElement).value = String(plan.value[i]!.day);
}
</script>

<template>
    <div class="plan">
        <fieldset v-for="(t, i) in plan" :key="i">
            <legend>
                Top-up {{ i + 1 }}
                <button type="button" class="word small" @click="set('drop a top-up', (list) => list.filter((_, j) => j !== i))">
                    Remove
                </button>
            </legend>
            <div class="day">
                <label :for="`day-${i}`">On day</label
                ><input :id="`day-${i}`" inputmode="numeric" v-shown="t.day" @change="setDay(i, $event)" />
            </div>
            <Measure
                label="Litres"
                dimension="volume"
                :model-value="t.litres"
                :at="`${at}/${i}/litres`"
                @update:model-value="
                    (x) => x !== null && set('change a top-up', (list) => list.map((o, j) => (j === i ? { ...o, litres: x } : o)))
                "
            />
        </fieldset>
        <button type="button" class="word" data-act="plan-top-up" @click="add">
            {{ plan.length ? 'Plan another' : 'Plan a top-up for a day' }}
        </button>
    </div>
</template>

<style scoped>
.plan {
    display: grid;
    gap: 0.5rem;
    justify-items: stretch;
}
.plan > .word {
    justify-self: start;
    border-bottom-color: var(--rule);
}
fieldset {
    border: 0;
    padding: 0;
    margin: 0;
    display: grid;
    gap: 0.3rem;
}
legend {
    padding: 0;
    color: var(--faint);
    font-size: 0.875rem;
}
.day {
    display: grid;
    grid-template-columns: 1fr 7.25rem;
    align-items: center;
    gap: 0.5rem;
}
.day input {
    border: 1px solid var(--ink);
    background: var(--sheet);
    color: var(--ink);
    min-height: 34px;
    padding: 0.3rem 0.6rem;
    width: 100%;
}
</style>
