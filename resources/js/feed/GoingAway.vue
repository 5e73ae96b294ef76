<script setup lang="ts">
/** Nobody comes from a day on: what to do the evening before, how long that keeps, and how the tub is found. */
import { computed } from 'vue';
import Counter from '../kit/Counter.vue';
import { length, number, type Units, volume } from '../kit/format';
import type { FeedDose } from '../types/report';
import { amount } from './amount';
import type { Leave, SeasonEvent } from '../types/answers';

const props = defineProps<{
    /** The first day without a visit, and for how many nobody comes. */
    day: number;
    days: number;
    leave: Leave | null;
    /** The date of day 0, where it is known. */
    start: string | null;
    lastDay: number;
    units: Units;
}>();
const emit = defineEmits<{ change: [day: number, days: number] }>();

const A_DAY = 86_400_000;
/** Days away at the most. */
const MOST = 120;
/** UTC all through: a day is a day where clocks are put forward too. */
const dateOf = (day: number): Date => new Date(Date.parse(`${props.start}T00:00:00Z`) + day * A_DAY);
const iso = (day: number): string => dateOf(day).toISOString().slice(0, 10);
const spoken = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', timeZone: 'UTC' });
const onDay = (day: number): string => (props.start === null ? `day ${day}` : `${spoken.format(dateOf(day))}, day ${day}`);

function setDate(text: string): void {
    const day = Math.round((Date.parse(`${text}T00:00:00Z`) - Date.parse(`${props.start}T00:00:00Z`)) / A_DAY);
    if (Number.isFinite(day)) emit('change', Math.max(0, Math.min(props.lastDay - 1, day)), props.days);
}

const doses = (parts: FeedDose[]): string => {
    const some = parts.filter((p) => (p.ml ?? p.g ?? 0) > 0);
    return some.length
        ? ` with ${some.map((d) => `${amount(d)}${some.length > 1 ? ` of ${d.name}` : ''}`).join(' and ')}`
        : ', water alone';
};
const does = (e: SeasonEvent | null): string => {
    if (!e) return 'Nothing need be put in';
    if (e.change) return `Change the water: ${volume(e.litres, props.units)}${doses(e.parts)}`;
    return e.litres > 0 ? `Top up ${volume(e.litres, props.units)}${doses(e.parts)}` : `Stir feed in${doses(e.parts)}`;
};
const LIMITS = {
    low: 'the water is down to its lowest useful level',
    strong: 'the salts are too strong for these plants',
    airless: 'oxygen falls short',
    dead: 'something dies',
} as const;
const count = (days: number): string => (days === 1 ? '1 day' : `${days} days`);
const keeps = computed(() => {
    const l = props.leave!;
    if (l.most_days >= l.days) {
        const spare = l.most_days - l.days;
        return l.limit === null
            ? 'That keeps to the end of the season.'
            : `That keeps for ${count(l.most_days)}${spare > 0 ? `, ${spare} more than you are gone` : ', and not a day more'}.`;
    }
    const why = l.limit === null ? '' : `: on ${onDay(l.day + l.most_days)} ${LIMITS[l.limit]}`;
    return `That keeps for ${count(l.most_days)} and you are gone for ${count(l.days)}${why}. Have somebody look in before.`;
});
const found = computed(() => {
    const b = props.leave!.back;
    const ec = b.ec_ms_cm === null ? '' : `, EC ${number(b.ec_ms_cm, 1, 'mS/cm')}`;
    const looks = { well: 'they look well', pale: 'they look pale', wilting: 'they wilt', dead: 'they are dead' }[b.looks as 'well'];
    return `The water stands at ${length(b.level_mm, props.units)}, ${volume(b.volume_l, props.units)}${ec}; ${looks ?? b.looks}.`;
});
const tooLong = computed(() => props.leave !== null && props.leave.most_days < props.leave.days);
</script>

<template>
    <section class="away" aria-label="Going away">
        <div class="when">
            <label v-if="start !== null" class="field">
                <span>Away from</span>
                <input
                    class="text"
                    type="date"
                    data-away="from"
                    :min="iso(0)"
                    :max="iso(lastDay - 1)"
                    :value="iso(day)"
                    @change="setDate(($event.target as HTMLInputElement).value)"
                />
            </label>
            <Counter
                v-else
                label="Away from day"
                :model-value="day"
                :least="0"
                :most="lastDay - 1"
                @update:model-value="(v) => emit('change', v, days)"
            />
            <Counter label="for days" :model-value="days" :least="1" :most="MOST" @update:model-value="(v) => emit('change', day, v)" />
        </div>
        <dl v-if="leave" data-leave>
            <template v-if="leave.day > 0">
                <dt>The evening of {{ onDay(leave.day - 1) }}</dt>
                <dd>
                    {{ does(leave.before) }}. <span :class="{ wrong: tooLong }">{{ keeps }}</span>
                </dd>
            </template>
            <template v-else>
                <dt>Just filled</dt>
                <dd :class="{ wrong: tooLong }">{{ keeps }}</dd>
            </template>
            <dt>Back on {{ onDay(leave.day + leave.days) }}</dt>
            <dd>{{ found }} {{ leave.after ? `${does(leave.after)}.` : '' }}</dd>
        </dl>
        <p class="small faint lines">Solid: as planned. Dashed: with nobody there.</p>
    </section>
</template>

<style scoped>
.away {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr);
    gap: 0.6rem 1.6rem;
    align-items: start;
}
.when {
    display: flex;
    gap: 1rem;
    align-items: end;
}
.field {
    display: grid;
    gap: 0.2rem;
}
dl {
    margin: 0;
    display: grid;
    gap: 0.15rem;
    line-height: 1.35;
}
dt {
    font-weight: 650;
    font-family: var(--grotesque);
}
dd {
    margin: 0 0 0.35rem;
    text-wrap: pretty;
}
.wrong {
    color: var(--stop-text);
}
.lines {
    grid-column: 1;
    grid-row: 2;
    margin: 0;
}
dl {
    grid-row: 1 / 3;
    grid-column: 2;
}
@media (max-width: 760px) {
    .lines,
    dl {
        grid-column: 1;
        grid-row: auto;
    }
    .away {
        grid-template-columns: 1fr;
    }
}
</style>
