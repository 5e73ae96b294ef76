<script setup lang="ts">
/** The order of mixing as a row of jugs, each with what goes in and what to do before the next. */
import { computed } from 'vue';
import { number, plain, type Units, volume } from '../kit/format';
import type { FeedDose, TubReport, WaterReport } from '../types/report';
import { amount } from './amount';

const props = defineProps<{ tub: TubReport; water: WaterReport; units: Units; litres: number; parts: FeedDose[]; ec: number | null }>();

interface Jug {
    key: string;
    kind: 'water' | 'part' | 'look' | 'ph' | 'peroxide';
    head: string;
    lines: string[];
}

/** Teaspoons as they are counted out: `3 1/4 tsp`. */
function spoons(quarters: number): string {
    const whole = Math.floor(quarters);
    const rest = ['', '1/4', '1/2', '3/4'][Math.round((quarters - whole) * 4)] ?? '';
    return `${whole > 0 || rest === '' ? whole : ''}${whole > 0 && rest !== '' ? ' ' : ''}${rest}\u202ftsp`;
}

const jugs = computed<Jug[]>(() => {
    const { feed } = props.tub;
    const standing = props.water.standing_h;
    const first: Jug = {
        key: 'water',
        kind: 'water',
        head: props.litres > 0 ? `${volume(props.litres, props.units)} water` : 'its own water',
        lines:
            props.litres === 0
                ? ['a jug of it', 'stir, pour it back']
                : [
                      `${number(props.water.ec_ms_cm, 2, 'mS/cm')}${props.water.blended ? ', blended' : ''}`,
                      standing === null ? 'dechlorinate it' : standing > 0 ? `stand it ${number(standing, 0, 'h')}` : 'as it is',
                  ],
    };
    if (!feed) return [first];
    const parts = props.parts.map((dose, i): Jug => ({
        key: dose.name,
        kind: 'part',
        head: props.parts.length > 1 ? `${dose.name} · ${amount(dose)}` : amount(dose),
        lines: [
            dose.tsp === null ? 'weigh it' : dose.tsp > 0 ? spoons(dose.tsp) : 'less than 1/8 tsp',
            i > 0 ? `never with ${props.parts[i - 1]!.name} undiluted` : 'stir till clear',
        ],
    }));
    const look: Jug = {
        key: 'look',
        kind: 'look',
        head: 'measure it',
        lines:
            props.ec === null ? ['its EC is not known', 'before'] : [number(props.ec, 2, 'mS/cm'), `${plain(props.ec * 500, 0)} ppm (500)`],
    };
    const ph: Jug[] = feed.ph
        ? [{ key: 'ph', kind: 'ph', head: `pH ${plain(feed.ph.target, 1)}`, lines: ['try a little first', 'then half, wait 15\u202fmin'] }]
        : [];
    const peroxide: Jug[] =
        feed.peroxide_ml === null
            ? []
            : [
                  {
                      key: 'peroxide',
                      kind: 'peroxide',
                      head: number(feed.peroxide_ml, 1, 'mL'),
                      lines: ['peroxide last', 'gloves, eye protection'],
                  },
              ];
    return [first, ...parts, look, ...ph, ...peroxide];
});
const spoken = computed(() => jugs.value.map((jug, i) => `${i + 1}: ${jug.head}, ${jug.lines.join(', ')}`).join('. '));
</script>

<template>
    <ol class="jugs" :style="{ '--many': jugs.length }" :aria-label="`Order of mixing. ${spoken}`">
        <li v-for="(jug, i) in jugs" :key="jug.key">
            <svg viewBox="0 0 96 96" aria-hidden="true">
                <path v-if="i > 0" class="then" d="M0 50h9m-4-4l4 4l-4 4" />
                <path class="fill" :class="{ fed: i > 0 && jug.kind !== 'part', part: jug.kind === 'part' }" d="M24 26L29 90H63L68 26Z" />
                <path class="face" d="M23.5 26H68.5" />
                <path class="glass" d="M18 20Q18 12 22 12L29 90H63L70 12" />
                <path class="glass" d="M69 26H82V58H66" />
                <path v-if="jug.kind === 'part'" class="scoop" d="M36 2H56L52 12H40Z" />
                <path v-if="jug.kind === 'ph' || jug.kind === 'peroxide'" class="scoop" d="M46 1Q51 8 46 12Q41 8 46 1Z" />
                <path v-if="jug.kind === 'look'" class="probe" d="M46 4V48M43 48H49V60H43Z" />
            </svg>
            <b>{{ jug.head }}</b>
            <span v-for="line in jug.lines" :key="line">{{ line }}</span>
        </li>
    </ol>
</template>

<style scoped>
.jugs {
    list-style: none;
    margin: 0;
    padding: 0;
    display: grid;
    grid-template-columns: repeat(var(--many), minmax(0, 1fr));
    gap: 0.3rem;
}
li {
    display: flex;
    flex-direction: column;
    align-items: center;
    text-align: center;
    min-width: 0;
    font-size: 0.8125rem;
    line-height: 1.25;
    color: var(--faint);
}
svg {
    width: 96px;
    max-width: 100%;
    height: 86px;
}
b {
    font-family: var(--grotesque);
    font-size: 0.9375rem;
    color: var(--ink);
    line-height: 1.2;
}
.glass {
    fill: none;
    stroke: var(--ink);
    stroke-width: 2;
    stroke-linejoin: round;
}
.fill {
    fill: var(--water-wash);
}
.fill.fed,
.fill.part {
    fill: color-mix(in srgb, var(--water-wash) 45%, var(--shoal));
}
.face {
    stroke: var(--water);
    stroke-width: 2;
}
.scoop {
    fill: var(--cup);
    stroke: var(--ink);
    stroke-width: 1.5;
}
.probe {
    fill: var(--sheet);
    stroke: var(--ink);
    stroke-width: 1.5;
}
.then {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.5;
}
@media (max-width: 760px) {
    .jugs {
        grid-template-columns: repeat(3, minmax(0, 1fr));
        row-gap: 0.8rem;
    }
}
</style>
