<script setup lang="ts">
/** A whole design: drawn in the room that there is, and what it comes to. */
import { computed } from 'vue';
import type { SketchTub } from '../drawing/GardenSketch.vue';
import { counted, mass, money, span, volume, weight, type Units } from '../kit/format';
import type { Design } from '../types/wish-answer';
import RoomDrawing from './RoomDrawing.vue';

const props = defineProps<{
    design: Design;
    units: Units;
    currency: string;
    room: { length: number; depth: number; height: number };
    into: string | null;
}>();
const emit = defineEmits<{ take: []; add: [] }>();

const heading = computed(() => props.design.says.split(':')[0]!);
const what = computed(() => props.design.says.slice(heading.value.length + 1).trim());
const tubs = computed(() =>
    (props.design.garden as { tubs: { id: string; count?: number }[] }).tubs.map((t) => ({ id: t.id, count: t.count ?? 1 })),
);
const f = computed(() => props.design.figures);
const MOST_AWAY = 60;
const rows = computed(() => [
    ['To buy', `${money(f.value.outlay)} ${props.currency}`],
    ['A month', `${money(f.value.monthly)} ${props.currency}`],
    ['A week brings', `${weight(f.value.g_a_week[0]!, props.units)} to ${weight(f.value.g_a_week[1]!, props.units)}`],
    ['First to eat', f.value.first_harvest_day === null ? 'never' : `${f.value.first_harvest_day} days after sowing`],
    ['To do', f.value.visits_a_week === 0 ? 'look now and then' : `${counted(f.value.visits_a_week, 'day', 'days')} in the busiest week`],
    ['Away', f.value.away_days >= MOST_AWAY ? 'the whole season' : counted(f.value.away_days, 'day', 'days')],
    [
        'Without power',
        (props.design.garden as { air?: unknown[] }).air?.length
            ? f.value.outage_min === null
                ? 'holds'
                : span(f.value.outage_min)
            : 'needs none',
    ],
    ['Stands there', `${volume(f.value.litres, props.units)}, ${mass(f.value.mass_kg, props.units)}`],
]);
</script>

<template>
    <article class="design" :data-design="design.key">
        <div class="drawing">
            <RoomDrawing
                :stands="design.stands"
                :sketch="design.sketch as unknown as SketchTub[]"
                :tubs="tubs"
                :room="room"
                :units="units"
                :width="400"
            />
        </div>
        <div class="words">
            <h3>{{ heading }}</h3>
            <p>{{ what }}</p>
            <ul v-if="design.breaks.length" class="breaks">
                <li v-for="b in design.breaks" :key="b"><span class="severity mend">Mend</span> {{ b }}</li>
            </ul>
            <dl>
                <template v-for="[name, value] in rows" :key="name">
                    <dt>{{ name }}</dt>
                    <dd>{{ value }}</dd>
                </template>
            </dl>
            <p class="acts">
                <button type="button" class="box strong" data-act="take" @click="emit('take')">
                    Put it on the bench<span class="hidden-visually">: {{ heading }}</span>
                </button>
                <button v-if="into" type="button" class="box" data-act="add" @click="emit('add')">
                    Add it to {{ into }}<span class="hidden-visually">: {{ heading }}</span>
                </button>
            </p>
        </div>
    </article>
</template>

<style scoped>
.design {
    display: grid;
    grid-template-columns: minmax(0, 400px) minmax(15rem, 1fr);
    gap: 1.4rem;
    padding: 1rem 0 1.2rem;
    border-bottom: 1px solid var(--rule);
}
h3 {
    font-size: 1.15rem;
    margin: 0 0 0.15rem;
}
dl {
    display: grid;
    grid-template-columns: 7.2rem 1fr;
    gap: 0.1rem 0.8rem;
    margin: 0.6rem 0 0.8rem;
}
dt {
    color: var(--faint);
}
dd {
    margin: 0;
    font-variant-numeric: tabular-nums;
}
.breaks {
    list-style: none;
    padding: 0;
    margin: 0.5rem 0;
}
.acts {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
}
@media (max-width: 760px) {
    .design {
        grid-template-columns: minmax(0, 1fr);
        gap: 0.6rem;
    }
    .acts .box {
        min-height: 44px;
    }
}
</style>
