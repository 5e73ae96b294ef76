<script setup lang="ts">
/** The air line as a network: pump, check valve, splitter with its valves, a line to every tub, the tubs to scale and as large as fit. */
import { computed, ref } from 'vue';
import { baseOf, halfAt, topOf } from '../drawing/shape';
import TubElevation from '../drawing/TubElevation.vue';
import { useBox } from '../drawing/useBox';
import { number, run, type Units } from '../kit/format';
import type { AirReport, TubReport } from '../types/report';

const props = defineProps<{
    air: AirReport;
    tubs: TubReport[];
    letters: Record<string, string>;
    chosen: string;
    units: Units;
    growth: number;
    trouble: string;
    /** What the oxygen is held against, by tub. */
    oxygen: Record<string, number | null>;
}>();
const emit = defineEmits<{ choose: [tub: string] }>();

const box = ref<HTMLElement | null>(null);
const size = useBox(box);
const narrow = computed(() => size.width < 480);
const GAP = 34;
const FOOT = 64;

const widthOf = (tub: TubReport): number =>
    Math.max(
        tub.shape.lid.length_mm,
        ...tub.shape.stations.map((s) => s.length_mm),
        ...(tub.under?.stations ?? []).map((s) => s.length_mm),
    );
const placed = computed(() =>
    props.air.branches.flatMap((branch, b) => {
        const tub = props.tubs.find((t) => t.id === branch.tub);
        return tub ? Array.from({ length: tub.count }, (_, copy) => ({ tub, copy, branch, b })) : [];
    }),
);
const tall = computed(() => Math.max(120, ...placed.value.map((p) => topOf(p.tub) + (p.tub.shape.crops.length ? 60 : 10))));
/** Lanes run above the lids, one for each line. */
const head = computed(() => 92 + 12 * placed.value.length);
const PUMP = { x: 22, top: 20, height: 34 };
const pumpWidth = computed(() => (narrow.value ? 54 : 74));
/** A pump that does not stand above the water stands beside the tubs, at its height. */
const stands = computed(() => (props.air.above_water ? 'above' : 'beside'));
const taken = computed(() => (stands.value === 'beside' ? PUMP.x + pumpWidth.value : 0));
const scale = computed(() => {
    const wide = placed.value.reduce((sum, p) => sum + widthOf(p.tub), 0);
    return Math.max(
        0.03,
        Math.min(
            (size.width - 12 - taken.value - GAP * placed.value.length) / Math.max(1, wide),
            (size.height - FOOT - head.value) / tall.value,
        ),
    );
});
const ground = computed(() => size.height - FOOT);
const at = computed(() => {
    const wide = placed.value.reduce((sum, p) => sum + widthOf(p.tub) * scale.value, 0);
    const room = size.width - taken.value;
    const gap = Math.max(GAP, Math.min(70, (room - 12 - wide) / Math.max(1, placed.value.length)));
    let x = taken.value + Math.max(gap, (room - wide - gap * (placed.value.length - 1)) / 2);
    return placed.value.map((p) => {
        const half = (widthOf(p.tub) * scale.value) / 2;
        const middle = x + half;
        x = middle + half + gap;
        return { ...p, x: middle };
    });
});
const pump = computed(() => ({
    x: PUMP.x,
    y:
        stands.value === 'above'
            ? PUMP.top
            : Math.max(head.value - PUMP.height, ground.value - (props.air.height_above_floor_mm ?? 0) * scale.value - PUMP.height),
    width: pumpWidth.value,
    height: PUMP.height,
}));
const trunk = computed(() => {
    const p = pump.value;
    const y = PUMP.top + 16;
    return stands.value === 'above'
        ? `M${p.x + p.width} ${y}H${manifold.value.x}`
        : `M${p.x + p.width / 2} ${p.y}V${y}H${manifold.value.x}`;
});
const valveX = computed(() => pump.value.x + pump.value.width + (narrow.value ? 26 : 44));
const manifold = computed(() => {
    const count = Math.max(1, placed.value.length);
    const from = valveX.value + (narrow.value ? 20 : 34);
    const width = Math.min(size.width - from - 8, Math.max(60, 34 * count));
    return { x: from, y: PUMP.top + 5, width, height: 22, step: width / count };
});
const most = computed(() => Math.max(0.2, ...placed.value.map((p) => p.branch.flow_l_min)));
const thick = (flow: number): number => (flow <= 0 ? 1.4 : 1.4 + 4 * Math.sqrt(flow / most.value));

const lines = computed(() => {
    const m = manifold.value;
    const all = at.value.map((p, i) => {
        const s = p.tub.shape;
        const entry = p.tub.levels.tube_entry_mm ?? p.tub.levels.rim_mm;
        const through = s.tube_through_lid;
        const half = (through ? s.lid.length_mm / 2 - 25 : halfAt(s.stations, entry)) * scale.value;
        const wall = p.x - half;
        return {
            p,
            from: m.x + m.step * (i + 0.5),
            wall,
            drop: through ? wall : Math.min(wall - 9, p.x - (widthOf(p.tub) * scale.value) / 2 - 9),
            entry: ground.value - (baseOf(p.tub) + s.floor_mm + entry) * scale.value,
            through,
        };
    });
    // To the right a nearer tub has the lower lane, to the left a farther valve: so no line crosses another.
    const rank = all.map((l, i) => (l.drop >= l.from ? all.length - i : all.length + i));
    const order = [...rank].sort((a, b) => a - b);
    return all.map((l, i) => {
        const lane = m.y + m.height + 30 + 12 * order.indexOf(rank[i]!);
        return {
            ...l,
            lane,
            d: `M${l.from} ${m.y + m.height}V${lane}H${l.drop}V${l.entry}${l.through ? '' : `H${l.wall + 3}`}`,
        };
    });
});

const tubThen = (p: { tub: TubReport; branch: AirReport['branches'][number] }): TubReport => ({
    ...p.tub,
    oxygen: { ...p.tub.oxygen, air_l_min: p.branch.flow_l_min },
});
const starved = (b: AirReport['branches'][number]): boolean => b.flow_l_min <= 0;
const weak = (p: { tub: TubReport; branch: AirReport['branches'][number] }): boolean =>
    (p.tub.shape.stones?.sets ?? []).some((set, i) => (p.branch.stones_l_min[i] ?? 0) < set.least_l_min);
const short = (tub: TubReport): boolean => (props.oxygen[tub.id] ?? Infinity) < tub.limits.oxygen_mg_l && tub.shape.crops.length > 0;
/** What is read out is what is written there, with the tub's name. */
const spoken = (p: { tub: TubReport; copy: number; branch: AirReport['branches'][number] }): string =>
    [called(p), flowOf(p.branch), oxygenOf(p.tub), p.tub.name].filter(Boolean).join(' ');
const text = computed(
    () =>
        `The air line: ${props.air.name}, ${props.air.check_valve ? 'check valve' : 'no check valve'}, ` +
        `${number(props.air.flow_l_min, 2, 'L/min')} at ${number(props.air.pressure_kpa, 1, 'kPa')} to ${placed.value.length} tubs.`,
);
const called = (p: { tub: TubReport; copy: number }): string => `${props.letters[p.tub.id] ?? ''}${p.tub.count > 1 ? p.copy + 1 : ''}`;
const flowOf = (branch: AirReport['branches'][number]): string => (starved(branch) ? 'no air' : number(branch.flow_l_min, 2, 'L/min'));
const oxygenOf = (tub: TubReport): string => (props.oxygen[tub.id] == null ? '' : number(props.oxygen[tub.id]!, 1, 'mg/L'));
const valveWords = (valve: number): string => (valve <= 0 ? 'shut' : valve >= 0.995 ? '' : `${Math.round(valve * 100)}\u202f%`);
</script>

<template>
    <div ref="box" class="holder">
        <svg v-if="size.width" class="drawing" :width="size.width" :height="size.height" role="group" :aria-label="text">
            <line class="pen" x1="4" :x2="size.width - 4" :y1="ground" :y2="ground" />
            <path
                v-for="l in lines"
                :key="`${l.p.tub.id}${l.p.copy}`"
                :d="l.d"
                class="line"
                :class="{ starved: starved(l.p.branch), here: l.p.tub.id === chosen }"
                :style="{ strokeWidth: `${thick(l.p.branch.flow_l_min)}px` }"
            />
            <path class="trunk" :d="trunk" />
            <line class="pen" :x1="pump.x - 14" :x2="pump.x + pump.width + 14" :y1="pump.y + pump.height" :y2="pump.y + pump.height" />
            <rect class="pump" :x="pump.x" :y="pump.y" :width="pump.width" :height="pump.height" />
            <text :x="pump.x + pump.width / 2" :y="pump.y + 22" text-anchor="middle" class="watts">{{ number(air.power_w, 1, 'W') }}</text>
            <text :x="pump.x - 12" :y="pump.y + pump.height + 16" class="strong">
                {{ number(air.flow_l_min, 1) }}{{ '\u202f' }}L/min, {{ number(air.pressure_kpa, 1, 'kPa') }}
            </text>
            <text v-if="!narrow" :x="pump.x - 12" :y="pump.y + pump.height + 31" class="quiet">
                {{ air.above_water ? 'stands above the water' : 'stands below the water' }}
            </text>
            <g :class="{ missing: !air.check_valve }">
                <circle class="valve" :cx="valveX" :cy="PUMP.top + 16" r="10" />
                <path
                    class="arrow"
                    :d="
                        trouble === 'reversed-check-valve'
                            ? `M${valveX + 5} ${PUMP.top + 10}L${valveX - 5} ${PUMP.top + 16}L${valveX + 5} ${PUMP.top + 22}Z`
                            : `M${valveX - 5} ${PUMP.top + 10}L${valveX + 5} ${PUMP.top + 16}L${valveX - 5} ${PUMP.top + 22}Z`
                    "
                />
                <text v-if="!narrow" :x="valveX" :y="PUMP.top - 5" text-anchor="middle" :class="air.check_valve ? '' : 'bad strong'">
                    {{ air.check_valve ? 'check valve' : 'no check valve' }}
                </text>
            </g>
            <rect class="pump" :x="manifold.x" :y="manifold.y" :width="manifold.width" :height="manifold.height" />
            <text v-if="!narrow" :x="manifold.x + manifold.width" :y="manifold.y - 10" text-anchor="end">
                {{ air.manifold ? 'manifold' : air.joined ? 'outlets joined' : 'outlets apart' }}
            </text>
            <g v-for="l in lines" :key="`v${l.p.tub.id}${l.p.copy}`">
                <path class="tap" :class="{ shut: l.p.branch.valve <= 0 }" :d="`M${l.from - 5} ${manifold.y + 26}h10l-10 12h10Z`" />
                <text v-if="valveWords(l.p.branch.valve)" :x="l.from" :y="manifold.y + 15" text-anchor="middle" class="quiet">
                    {{ valveWords(l.p.branch.valve) }}
                </text>
                <text v-if="!narrow" :x="l.drop + 6" :y="(l.lane + l.entry) / 2" class="quiet halo">
                    {{ run(l.p.branch.line_mm, units) }}
                </text>
            </g>
            <g
                v-for="p in at"
                :key="p.tub.id + p.copy"
                class="tub"
                :class="{ chosen: chosen === p.tub.id }"
                :data-tub="p.tub.id"
                :tabindex="p.copy === 0 ? 0 : undefined"
                :role="p.copy === 0 ? 'button' : undefined"
                :aria-pressed="p.copy === 0 ? chosen === p.tub.id : undefined"
                :aria-label="p.copy === 0 ? spoken(p) : undefined"
                @click="emit('choose', p.tub.id)"
                @keydown.enter="emit('choose', p.tub.id)"
                @keydown.space.prevent="emit('choose', p.tub.id)"
            >
                <rect
                    class="catch"
                    :x="p.x - (widthOf(p.tub) * scale) / 2"
                    :y="ground - topOf(p.tub) * scale"
                    :width="widthOf(p.tub) * scale"
                    :height="topOf(p.tub) * scale + FOOT - 4"
                />
                <g :transform="`translate(${p.x} ${ground})`">
                    <TubElevation :tub="tubThen(p)" :scale="scale" :growth="growth" />
                </g>
            </g>
            <g
                v-for="p in at"
                :key="`f${p.tub.id}${p.copy}`"
                class="figures"
                :class="{ chosen: chosen === p.tub.id }"
                aria-hidden="true"
                :data-figures="p.tub.id"
            >
                <text :x="p.x" :y="ground + 20" text-anchor="middle" class="letter">
                    {{ called(p) }}
                </text>
                <text :x="p.x" :y="ground + 38" text-anchor="middle" class="strong" :class="starved(p.branch) || weak(p) ? 'bad' : 'wet'">
                    {{ flowOf(p.branch) }}
                </text>
                <text :x="p.x" :y="ground + 54" text-anchor="middle" :class="short(p.tub) ? 'bad strong' : 'quiet'">
                    {{ oxygenOf(p.tub) }}
                </text>
            </g>
        </svg>
    </div>
</template>

<style scoped>
.holder {
    width: 100%;
    height: 100%;
    min-height: 240px;
}
.line {
    fill: none;
    stroke: var(--water);
    stroke-linejoin: round;
}
.line.starved {
    stroke: var(--stop);
    stroke-dasharray: 5 4;
}
.trunk {
    fill: none;
    stroke: var(--water);
    stroke-width: 6;
}
.pump {
    fill: var(--sheet);
    stroke: var(--ink);
    stroke-width: 2;
}
.watts {
    font-size: 15px !important;
    font-weight: 700;
}
.valve {
    fill: var(--sheet);
    stroke: var(--ink);
    stroke-width: 2;
}
.missing .valve {
    stroke-dasharray: 3 3;
    stroke: var(--stop);
}
.missing .arrow {
    display: none;
}
.arrow {
    fill: var(--ink);
}
.tap {
    fill: var(--sheet);
    stroke: var(--ink);
    stroke-width: 1.5;
    stroke-linejoin: round;
}
.tap.shut {
    fill: var(--stop);
}
.tub {
    cursor: pointer;
}
.catch {
    fill: transparent;
}
.tub:focus-visible {
    outline: none;
}
.tub:focus-visible .catch,
.tub:hover .catch {
    stroke: var(--focus);
    stroke-dasharray: 3 4;
}
/* What is written under a tub is part of what is read out of it. */
.figures {
    pointer-events: none;
}
.letter {
    font-size: 15px !important;
    font-weight: 650;
}
.chosen .letter {
    text-decoration: underline;
    text-decoration-thickness: 3px;
    text-underline-offset: 3px;
}
.bad {
    fill: var(--stop-text) !important;
}
.halo {
    paint-order: stroke;
    stroke: var(--paper);
    stroke-width: 4px;
}
</style>
