<script setup lang="ts">
/** Tubs side by side at one scale on a bench line, with the air lines that tie them to their pumps. Used for the bench and for the air. */
import { computed, ref } from 'vue';
import type { AirReport, TubReport } from '../types/report';
import { MM_PER_INCH, number, type Units, volume } from '../kit/format';
import { baseOf, halfAt, plantsOf, topOf, widthOf } from './shape';
import TubElevation from './TubElevation.vue';
import { useBox } from './useBox';

const props = withDefaults(
    defineProps<{
        tubs: TubReport[];
        air: AirReport[];
        units: Units;
        growth: number;
        chosen?: string | null;
        letters?: Record<string, string>;
        flows?: boolean;
        choosable?: boolean;
        /** How each copy stands today, by tub and copy (`deck.1`): where it is given, plants and water are drawn so. */
        today?: Record<string, Stands> | null;
    }>(),
    { chosen: null, letters: () => ({}), flows: true, choosable: true, today: null },
);
const emit = defineEmits<{ choose: [tub: string] }>();

const GAP = 60;
const PUMP = { width: 150, height: 75 };
const MARGIN = { left: 88, right: 20, top: 22, bottom: 40 };

const box = ref<HTMLElement | null>(null);
const size = useBox(box);

/** How one copy stands on a day. */
interface Stands {
    growth: number;
    level_mm: number;
    looks: 'well' | 'pale' | 'wilting' | 'dead';
}

interface Placed {
    tub: TubReport;
    copy: number;
    x: number;
}

/** Pumps that stand on the bench; one housed under its tub is drawn there. */
const pumps = computed(() => props.air.filter((a) => a.branches.some((b) => props.tubs.some((t) => t.id === b.tub && t.under === null))));

/** Everything along the bench in mm: each pump before the first tub that it feeds. */
const scene = computed(() => {
    let x = 0;
    const placed: Placed[] = [];
    const stands: { air: AirReport; x: number }[] = [];
    for (const tub of props.tubs) {
        for (const air of pumps.value) {
            if (air.branches.some((b) => b.tub === tub.id) && stands.every((s) => s.air.id !== air.id)) {
                stands.push({ air, x: x + PUMP.width / 2 });
                x += PUMP.width + GAP * 0.7;
            }
        }
        const width = widthOf(tub);
        for (let copy = 0; copy < tub.count; copy++) {
            placed.push({ tub, copy, x: x + width / 2 });
            x += width + (copy < tub.count - 1 ? GAP * 0.45 : GAP);
        }
    }
    return { placed, stands, width: Math.max(300, x - GAP) };
});

const standing = (p: Placed): Stands | null => props.today?.[`${p.tub.id}.${p.copy + 1}`] ?? null;
const grown = (tub: TubReport): number => (tub.shape.crops.length ? (props.growth < 0.3 ? 70 : plantsOf(tub) * props.growth) : 0);
/** Where there is little room, words give way to the drawing; so do flows where tubs stand close. */
const narrow = computed(() => size.width < 560);
const crowded = computed(() => narrow.value || scale.value < 0.24);
const lids = computed(() => Math.max(200, ...props.tubs.map(topOf)));
/** A pump said to be above the water stands on a shelf over the lids of its tubs; a given height is taken as it is. */
const pumpHeight = (air: AirReport): number => {
    const fed = props.tubs.filter((t) => air.branches.some((b) => b.tub === t.id));
    return air.above_water ? Math.max(air.height_above_floor_mm, ...fed.map((t) => topOf(t) + 60)) : air.height_above_floor_mm;
};
const height = computed(
    () =>
        Math.max(lids.value + 40, ...props.tubs.map((t) => topOf(t) + grown(t)), ...pumps.value.map((a) => pumpHeight(a) + PUMP.height)) +
        30,
);
const scale = computed(() =>
    Math.max(
        0.02,
        Math.min(
            (size.width - (narrow.value ? 12 : MARGIN.left) - MARGIN.right) / scene.value.width,
            (size.height - MARGIN.top - MARGIN.bottom) / height.value,
        ),
    ),
);
const ground = computed(() => size.height - MARGIN.bottom);
/** A pump is drawn no smaller than what is written on it. */
const pumpBox = computed(() => ({ width: Math.max(38, PUMP.width * scale.value), height: Math.max(18, PUMP.height * scale.value) }));
const left = computed(
    () =>
        (narrow.value ? 12 : MARGIN.left) +
        Math.max(0, (size.width - (narrow.value ? 12 : MARGIN.left) - MARGIN.right - scene.value.width * scale.value) / 2),
);
const X = (mm: number): number => left.value + mm * scale.value;
const Y = (mm: number): number => ground.value - mm * scale.value;

/** Lines leave the pump side by side, run level and drop to the entry hole of each tub; they pass behind what stands before. */
const lines = computed(() =>
    scene.value.stands.flatMap(({ air, x }) => {
        let n = 0;
        return air.branches.flatMap((branch) =>
            scene.value.placed
                .filter((p) => p.tub.id === branch.tub && p.tub.under === null)
                .map((p) => {
                    const shape = p.tub.shape;
                    const entry = p.tub.levels.tube_entry_mm ?? p.tub.levels.rim_mm;
                    const half = shape.tube_through_lid ? shape.lid.length_mm / 2 - 25 : halfAt(shape.stations, entry);
                    const at = { x: X(p.x - half) - (shape.tube_through_lid ? 0 : 5), y: Y(baseOf(p.tub) + shape.floor_mm + entry) };
                    const from = {
                        x: X(x) + (n - 1.5) * 7,
                        y: Y(pumpHeight(air)) - (pumpHeight(air) > entry ? 0 : PUMP.height * scale.value),
                    };
                    const lane = Y(
                        Math.max(
                            topOf(p.tub) + 26 + 11 * (n % 4),
                            pumpHeight(air) > topOf(p.tub) + 60 ? topOf(p.tub) + 26 + 11 * (n % 4) : 0,
                        ),
                    );
                    const approach = at.x - 16;
                    n++;
                    return {
                        key: `${air.id}-${p.tub.id}-${p.copy}`,
                        d: `M${from.x} ${from.y}V${lane}H${approach}V${at.y - 8}Q${approach} ${at.y} ${approach + 8} ${at.y}H${at.x + 8}`,
                        label: { x: approach - 5, y: (lane + at.y) / 2 + 4 },
                        flow: branch.flow_l_min,
                        starved: branch.flow_l_min <= 0,
                    };
                }),
        );
    }),
);

/**
 * Where a pump's words stand clear of its lines: over one on a shelf, whose lines go down, and under the bench line for one on the bench.
 */
const labelAt = (air: AirReport, x: number): string =>
    pumpHeight(air) > lids.value
        ? `translate(${X(x) + pumpBox.value.width / 2} ${Y(pumpHeight(air) + PUMP.height) - 23})`
        : `translate(${X(x) + pumpBox.value.width / 2} ${ground.value + 17})`;

const ticks = computed(() => {
    // Every 20 mm, or every inch; a figure now and then.
    const us = props.units === 'us';
    const each = us ? MM_PER_INCH : 20;
    const long = (us ? 4 : 5) * (scale.value > 0.35 ? 1 : 2);
    return Array.from({ length: Math.floor((height.value - 20) / each) + 1 }, (_, i) => ({
        mm: i * each,
        text: String(us ? i : i * each),
        long: i % long === 0,
    }));
});
const spoken = (tub: TubReport): string =>
    `${tub.name}${tub.count > 1 ? `, ${tub.count} alike` : ''}: ${tub.layout.count} ` +
    `cups${tub.shape.crops.length ? ` of ${tub.shape.crops.map((c) => c.name.toLowerCase()).join(' and ')}` : ''}` +
    `, ${volume(tub.volume.working_l, props.units)}`;
</script>

<template>
    <div ref="box" class="holder">
        <svg
            v-if="size.width"
            class="drawing"
            :width="size.width"
            :height="size.height"
            role="group"
            aria-label="All tubs from the side, at one scale"
        >
            <g v-if="!narrow" class="staff" aria-hidden="true">
                <line class="hair" :x1="34" :x2="34" :y1="ground" :y2="Y(height - 20)" />
                <template v-for="t in ticks" :key="t.mm">
                    <line class="hair" :x1="t.long ? 24 : 29" :x2="34" :y1="Y(t.mm)" :y2="Y(t.mm)" />
                    <text v-if="t.long && t.mm > 0" x="38" :y="Y(t.mm) + 4" class="quiet">{{ t.text }}</text>
                </template>
            </g>
            <path v-for="line in lines" :key="line.key" :d="line.d" class="line" :class="{ starved: line.starved }" />
            <g v-for="stand in scene.stands" :key="stand.air.id">
                <line
                    v-if="pumpHeight(stand.air) > 0"
                    class="pen"
                    :x1="X(stand.x - 100)"
                    :x2="X(stand.x + 100)"
                    :y1="Y(pumpHeight(stand.air))"
                    :y2="Y(pumpHeight(stand.air))"
                />
                <rect
                    class="pump"
                    :x="X(stand.x) - pumpBox.width / 2"
                    :y="Y(pumpHeight(stand.air)) - pumpBox.height"
                    :width="pumpBox.width"
                    :height="pumpBox.height"
                />
                <text :x="X(stand.x)" :y="Y(pumpHeight(stand.air)) - pumpBox.height / 2 + 4" text-anchor="middle" class="strong">
                    {{ number(stand.air.power_w, 1, 'W') }}
                </text>
                <!-- To the left of the pump: what it feeds stands to its right. -->
                <g v-if="!narrow" :transform="labelAt(stand.air, stand.x)">
                    <text class="quiet halo" text-anchor="end">{{ stand.air.check_valve ? 'check valve' : 'no check valve' }}</text>
                    <text v-if="flows && !crowded" class="quiet halo" text-anchor="end" y="15">air in L/min</text>
                </g>
            </g>
            <g
                v-for="p in scene.placed"
                :key="p.tub.id + p.copy"
                class="tub"
                :class="{ choosable, chosen: chosen === p.tub.id }"
                :tabindex="choosable && p.copy === 0 ? 0 : undefined"
                :role="choosable && p.copy === 0 ? 'button' : undefined"
                :aria-label="choosable && p.copy === 0 ? spoken(p.tub) : undefined"
                :data-tub="p.tub.id"
                :transform="`translate(${X(p.x)} ${ground})`"
                @click="choosable && emit('choose', p.tub.id)"
                @keydown.enter="choosable && emit('choose', p.tub.id)"
                @keydown.space.prevent="choosable && emit('choose', p.tub.id)"
            >
                <rect
                    class="catch"
                    :x="(-widthOf(p.tub) / 2) * scale"
                    :y="-(topOf(p.tub) + grown(p.tub)) * scale"
                    :width="widthOf(p.tub) * scale"
                    :height="(topOf(p.tub) + grown(p.tub)) * scale + 30"
                />
                <TubElevation
                    :tub="p.tub"
                    :scale="scale"
                    :growth="today ? (standing(p)?.growth ?? 0) : growth"
                    :level="today ? (standing(p)?.level_mm ?? 0) : undefined"
                    :looks="today ? standing(p)?.looks : undefined"
                    :bare="today !== null && standing(p) === null"
                />
            </g>
            <g class="letters" aria-hidden="true">
                <template v-for="p in scene.placed" :key="p.tub.id + p.copy">
                    <text
                        v-if="letters[p.tub.id] && (!narrow || p.copy === 0)"
                        :x="X(p.x)"
                        :y="ground + 24"
                        text-anchor="middle"
                        class="strong letter"
                    >
                        {{ letters[p.tub.id] }}
                        <tspan v-if="p.tub.count > 1 && !narrow" class="quiet">{{ '\u202f' }}{{ p.copy + 1 }}</tspan>
                    </text>
                </template>
            </g>
            <g v-if="flows && !crowded">
                <g v-for="line in lines" :key="`f${line.key}`">
                    <text class="wet strong halo" :x="line.label.x" :y="line.label.y" text-anchor="end">{{ number(line.flow, 2) }}</text>
                </g>
            </g>
            <line class="pen" :x1="20" :x2="size.width - 8" :y1="ground" :y2="ground" />
        </svg>
    </div>
</template>

<style scoped>
.holder {
    width: 100%;
    height: 100%;
    min-height: 220px;
}
.line {
    fill: none;
    stroke: var(--water);
    stroke-width: 1.8;
}
.line.starved {
    stroke: var(--stop);
    stroke-dasharray: 5 4;
}
.pump {
    fill: var(--sheet);
    stroke: var(--ink);
    stroke-width: 2;
}
.tub.choosable {
    cursor: pointer;
}
.catch {
    fill: transparent;
}
.tub:focus-visible {
    outline: none;
}
.tub:focus-visible .catch,
.tub.choosable:hover .catch {
    stroke: var(--focus);
    stroke-dasharray: 3 4;
}
.letters {
    pointer-events: none;
}
.letter {
    font-size: 15px !important;
}
.halo {
    paint-order: stroke;
    stroke: var(--paper);
    stroke-width: 4px;
    stroke-linejoin: round;
}
</style>
