<script setup lang="ts">
/**
 * From sowing to the last harvest as a bar in days, one for each crop, with the day on which the water would be gone and the top-ups that
 * are planned.
 */
import { computed, ref } from 'vue';
import { number } from '../kit/format';
import type { TubReport } from '../types/report';
import { tint } from '../drawing/plants';
import { useBox } from '../drawing/useBox';

const props = defineProps<{ tub: TubReport; alarm: boolean }>();

const TOP = 26;
/** “sow” is written where “transplant” leaves it room. */
const SOW_PX = 66;
const MUCH_DAYS = 180;
const box = ref<HTMLElement | null>(null);
const size = useBox(box);
const crops = computed(() => props.tub.crops);
const sown = computed(() => Math.max(0, ...crops.value.map((c) => c.days_sow_to_transplant)));
const started = computed(
    () => ({ plug: 'transplant', seedling: 'set out', seed: 'sow in the tub', nursery: 'from the nursery' })[props.tub.chosen.started],
);
/** A crop that never comes to harvest is drawn to the day on which it dies, or as far as there is room. */
const ends = computed(() => crops.value.map((c) => c.last_day ?? c.harvest_day ?? c.died_day ?? MUCH_DAYS));
const last = computed(() => Math.max(1, ...ends.value));
const dry = computed(() => props.tub.season.dry_day);
const total = computed(() => Math.max(1, sown.value + last.value));
const left = computed(() => (crops.value.length > 1 ? 96 : 10));
const X = (day: number): number => left.value + ((sown.value + day) / total.value) * (size.width - 10 - left.value);
/** Bars share the height there is. */
const row = computed(() => Math.min(24, 44 / Math.max(1, crops.value.length)));
const bar = computed(() => Math.max(6, row.value - 6));
const bottom = computed(() => TOP + 8 + row.value * crops.value.length);
const weeks = computed(() => Array.from({ length: Math.floor(total.value / 7) + 1 }, (_, i) => i * 7 - sown.value));
/** The harvest days that there is room to write: the last one first, then those before it. */
const harvests = computed(() => {
    const written: number[] = [];
    const days = crops.value.map((c) => c.harvest_day).filter((d): d is number => d !== null);
    for (const day of days.sort((a, b) => b - a))
        if (written.every((w) => X(w) - X(day) > 54) && (written.length === 0 || X(day) - X(0) > 60)) written.push(day);
    return written;
});
const topUps = computed(() => props.tub.season.planned_top_ups ?? []);
const spoken = computed(() =>
    [
        ...crops.value.map(
            (c) =>
                `${c.name}: ${started.value}${c.days_sow_to_transplant ? ` ${c.days_sow_to_transplant} days after sowing` : ''}, ` +
                (c.harvest_day === null
                    ? c.died_day === null
                        ? 'no harvest in two years'
                        : `dies on day ${c.died_day}`
                    : `first harvest ${number(c.harvest_day, 0)} days after that`),
        ),
        dry.value === null ? 'the water lasts' : `dry on day ${Math.floor(dry.value)} if nobody tops up`,
    ].join('; '),
);
</script>

<template>
    <div ref="box" class="holder">
        <svg v-if="size.width && crops.length" class="drawing" :width="size.width" height="104" role="img" :aria-label="spoken">
            <line v-for="w in weeks" :key="w" class="hair" :x1="X(w)" :x2="X(w)" :y1="bottom - 4" :y2="bottom + 1" />
            <g v-for="(c, i) in crops" :key="c.crop" :transform="`translate(0 ${TOP + 4 + i * row})`">
                <text v-if="crops.length > 1" :x="left - 8" :y="bar" text-anchor="end">
                    {{ c.name.length > 14 ? `${c.name.slice(0, 13)}…` : c.name }}
                </text>
                <rect
                    class="nursery"
                    :x="X(-c.days_sow_to_transplant)"
                    :width="Math.max(0, X(0) - X(-c.days_sow_to_transplant))"
                    :height="bar"
                />
                <rect
                    :x="X(0)"
                    :width="Math.max(0, X(c.harvest_day ?? ends[i]!) - X(0))"
                    :height="bar"
                    :fill="tint(c.crop)"
                    :class="{ never: c.harvest_day === null }"
                />
                <g v-if="c.died_day !== null" :transform="`translate(${X(c.died_day)} ${bar / 2})`">
                    <path class="died" d="M-5 -5l10 10m0 -10l-10 10" />
                </g>
                <rect v-if="c.days_within" class="nursery" :x="X(0)" :width="X(c.days_within) - X(0)" :height="bar" />
                <rect
                    v-if="c.harvest_day !== null && ends[i]! > c.harvest_day"
                    class="repeat"
                    :x="X(c.harvest_day)"
                    :width="X(ends[i]!) - X(c.harvest_day)"
                    :height="bar"
                    :stroke="tint(c.crop)"
                />
            </g>
            <text v-if="crops.length === 1 && X(0) - X(-sown) > SOW_PX" :x="X(-sown)" :y="bottom + 14">sow</text>
            <text :x="X(0)" :y="bottom + 14" :text-anchor="sown ? 'middle' : 'start'">{{ started }}</text>
            <text
                v-for="day in harvests"
                :key="day"
                :x="Math.min(X(day), size.width - 40)"
                :y="bottom + 14"
                text-anchor="middle"
                class="strong"
            >
                day {{ number(day, 0) }}
            </text>
            <text
                v-if="crops.length === 1 && crops[0]!.harvest_day !== null"
                :x="Math.min(X(crops[0]!.harvest_day), size.width - 40)"
                :y="bottom + 27"
                text-anchor="middle"
                class="quiet"
            >
                first harvest
            </text>
            <text
                v-for="c in crops.filter((c) => c.harvest_day === null).slice(0, 1)"
                :key="`never ${c.crop}`"
                :x="size.width - 10"
                :y="bottom + 27"
                text-anchor="end"
                class="early strong"
            >
                {{ c.died_day === null ? 'no harvest in two years' : `dies on day ${c.died_day}` }}
            </text>
            <g v-for="t in topUps" :key="t.day">
                <path class="top-up" :d="`M${X(t.day)} ${TOP - 2}l-5 -8h10z`" />
            </g>
            <g v-if="dry !== null">
                <line class="dry" :x1="X(dry)" :x2="X(dry)" :y1="TOP - 2" :y2="bottom" />
                <text
                    :x="X(dry) + (X(dry) + 190 > size.width ? -4 : 4)"
                    y="14"
                    :text-anchor="X(dry) + 190 > size.width ? 'end' : 'start'"
                    class="strong"
                    :class="alarm ? 'early' : 'wet'"
                >
                    dry on day {{ Math.floor(dry) }} if nobody tops up
                </text>
            </g>
            <text v-else :x="size.width - 10" y="14" text-anchor="end" class="wet">the water lasts</text>
        </svg>
    </div>
</template>

<style scoped>
.holder {
    width: 100%;
    min-height: 104px;
}
.nursery {
    fill: var(--shoal);
    stroke: var(--ink);
    stroke-width: 0.8;
}
.repeat {
    fill: none;
    stroke-width: 2;
    stroke-dasharray: 5 3;
}
.never {
    opacity: 0.45;
}
.died {
    stroke: var(--stop-text);
    stroke-width: 2.5;
}
.dry {
    stroke: var(--water);
    stroke-width: 3;
}
.top-up {
    fill: var(--water);
}
.early {
    fill: var(--stop-text) !important;
}
</style>
