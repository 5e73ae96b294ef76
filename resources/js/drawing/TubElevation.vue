<script setup lang="ts">
/** One tub from the side, cut open, at a scale in px per mm. The origin is the ground under its middle. */
import { computed, useId } from 'vue';
import type { CropShape, TubReport } from '../types/report';
import PlantDrawing from './PlantDrawing.vue';
import { isYoung, type Looks } from './plants';
import { baseOf, halfAt, profilePath, scatter, standsOf, wallPath } from './shape';

const props = withDefaults(
    defineProps<{
        tub: TubReport;
        scale: number;
        growth?: number;
        looks?: Looks;
        level?: number;
        bubbles?: boolean;
        /** How much of the air comes that was designed, 0 … 1. */
        air?: number;
        bare?: boolean;
    }>(),
    { growth: 1, looks: undefined, level: undefined, bubbles: true, air: 1, bare: false },
);

const clip = useId();
/** Grown plants stand as their season brings them to harvest; over a tub that runs dry none is lush. */
/** A nursery hands its plants over while they are young: they are never drawn older than that. */
const NURSED = 0.4;
const growth = computed(() => (props.tub.nursery ? Math.min(NURSED, props.growth) : props.growth));
const looking = computed<Looks>(() => props.looks ?? (growth.value > 0.9 ? (props.tub.season.looks ?? 'well') : 'well'));
const s = computed(() => props.scale);
const shape = computed(() => props.tub.shape);
const levels = computed(() => props.tub.levels);
const water = computed(() => props.level ?? levels.value.water_line_mm);
const floorY = computed(() => -(baseOf(props.tub) + shape.value.floor_mm) * s.value);
const rim = computed(() => levels.value.rim_mm);
const lidHeight = computed(() => Math.max(2.5, shape.value.lid.thickness_mm * s.value));
const stands = computed(() => standsOf(props.tub));
const raft = computed(() => props.tub.raft);
const cloner = computed(() => props.tub.cloner);
const nursery = computed(() => props.tub.nursery);
const under = computed(() => props.tub.under);
/** A raft goes down with its water, until it jams. */
const sunk = computed(() => (raft.value ? Math.max(0, levels.value.water_line_mm - Math.max(water.value, raft.value.jam_level_mm)) : 0));

const cups = computed(() =>
    shape.value.cups.map((cup) => {
        const k = s.value;
        const [bottom, top, lip] = [cup.bottom_diameter_mm / 2, cup.top_diameter_mm / 2, cup.lip_diameter_mm / 2];
        const hung = cup.bottom_mm + cup.height_mm;
        const [low, high] = [-cup.bottom_mm * k, -hung * k];
        return {
            ...cup,
            hung,
            path:
                `M${-bottom * k} ${low}L${-top * k} ${high}H${-lip * k}v${-Math.max(1.5, 2 * k)}` +
                `H${lip * k}v${Math.max(1.5, 2 * k)}H${top * k}L${bottom * k} ${low}Z`,
        };
    }),
);

/** Roots hang from the cup into the water, more of them the more has grown; of cuttings only the stems hang down. */
const roots = computed(() =>
    cups.value.map((cup) => {
        const k = s.value;
        if (cloner.value) {
            const end = -(cup.bottom_mm - Math.max(6, cloner.value.stem_below_cup_mm)) * k;
            return [`M0 ${-cup.hung * k}V${end}`];
        }
        const reach = Math.min(cup.bottom_mm * 0.75, 40 + 130 * growth.value);
        return [-0.7, -0.35, 0, 0.35, 0.7].map((a, i) => {
            const x = (a * cup.bottom_diameter_mm * k) / 2;
            const end = (-cup.bottom_mm + reach * (0.75 + 0.25 * scatter(i))) * k;
            const out = x * (1 + 0.5 * scatter(i, 2));
            return (
                `M${x} ${-cup.bottom_mm * k}` +
                `C${x} ${(-cup.bottom_mm + reach * 0.4) * k} ${out * 1.5} ${end - reach * 0.3 * k} ${out} ${end}`
            );
        });
    }),
);

const widest = computed(() => Math.max(...shape.value.stations.map((station) => station.length_mm)) / 2);
const stones = computed(() => shape.value.stones);
/** Each stone with what it is: those of other kinds come after the first set. */
const laid = computed(() => {
    const kinds = (stones.value?.sets ?? []).flatMap((set) => Array.from({ length: set.count }, () => set));
    return (stones.value?.at ?? []).map((p, i) => ({ x_mm: p.x_mm, kind: kinds[i] ?? kinds[0]! }));
});
const bubblesAt = computed(() => {
    const air = (props.tub.oxygen.air_l_min ?? 0) * props.air;
    if (!props.bubbles || air <= 0 || water.value <= 0) return [];
    const each = air / Math.max(1, laid.value.length);
    const count = Math.round(Math.min(26, 4 + each * 9));
    return laid.value.flatMap(({ x_mm: x, kind }, n) => {
        const size = { coarse: 5, medium: 3.5, fine: 2 }[kind.bubble];
        const height = water.value - kind.height_mm;
        return Array.from({ length: count }, (_, i) => ({
            x: (x + (scatter(i, n) - 0.5) * kind.length_mm * (0.8 + scatter(i, 3) * 0.5)) * s.value,
            y: -(kind.height_mm + 8 + scatter(i, n + 5) * Math.max(0, height - 14)) * s.value,
            r: Math.max(0.8, size * (0.6 + 0.8 * scatter(i, 7)) * s.value),
        }));
    });
});

/** Drops that bursting bubbles throw up at a cloner's stems. */
const spray = computed(() =>
    !cloner.value || !stones.value || (props.tub.oxygen.air_l_min ?? 0) * props.air <= 0 || water.value <= 0
        ? []
        : Array.from({ length: 44 }, (_, i) => ({
              x: (scatter(i, 11) - 0.5) * 2 * halfAt(shape.value.stations, water.value) * 0.88 * s.value,
              y: -(water.value + 4 + scatter(i, 12) ** 1.6 * 52) * s.value,
          })),
);

/** In at the hole, down the wall, along the floor to the stones. */
const tubePath = computed(() => {
    const entry = levels.value.tube_entry_mm;
    if (entry === null || !stones.value || stones.value.at.length === 0) return '';
    const k = s.value;
    const floor = -(stones.value.height_mm + 6) * k;
    const far = Math.max(...stones.value.at.map((p) => p.x_mm)) * k;
    const through = shape.value.tube_through_lid;
    const wall =
        (through
            ? -Math.min(shape.value.lid.length_mm / 2 - 25, halfAt(shape.value.stations, rim.value) - 12)
            : -halfAt(shape.value.stations, entry)) * k;
    const foot = (-halfAt(shape.value.stations, 12) + 8) * k;
    return (
        `M${wall - (through ? 0 : 6)} ${-entry * k}${through ? '' : `L${wall + 7 * k} ${-entry * k}`}` +
        `L${foot} ${floor - 20 * k}Q${foot} ${floor} ${foot + 14 * k} ${floor}H${far}`
    );
});

/** The lower vessel of a nested pair, its blocks, and the pump that lives in it with its tube up between the walls. */
const house = computed(() => {
    const u = under.value;
    if (!u) return null;
    const k = s.value;
    const ground = -(shape.value.stand_mm + u.floor_mm) * k;
    const inside = u.stations[0]!.length_mm / 2;
    const upper = shape.value.stations[0]!.length_mm / 2;
    const block = { width: Math.min(60, upper * 0.3) * k, height: u.blocks_mm * k };
    const pump = { width: Math.min(110, upper * 0.7) * k, height: Math.min(60, u.blocks_mm * 0.8) * k };
    const entry = levels.value.tube_entry_mm;
    const up =
        entry === null
            ? ''
            : (() => {
                  const x = (-halfAt(shape.value.stations, entry) - Math.max(3, Math.min(12, (u.gap_mm ?? 20) / 2))) * k;
                  const top = -(u.blocks_mm + shape.value.floor_mm + entry) * k;
                  return (
                      `M${-pump.width / 2} ${-pump.height / 2}H${x + 8 * k}` +
                      `Q${x} ${-pump.height / 2} ${x} ${-pump.height / 2 - 8 * k}V${top + 6}Q${x} ${top} ${x + 6} ${top}`
                  );
              })();
    return {
        ground,
        block,
        pump,
        up,
        blocksAt: [-upper * 0.8 * k, upper * 0.8 * k - block.width],
        cord: { x: inside * k, y: -u.cord_hole_mm * k },
    };
});

const size = (crop: CropShape): { height: number; width: number } =>
    // Seedlings are alike in size whatever they will be.
    isYoung(growth.value)
        ? { height: Math.min(crop.mature_height_mm * 0.3, 70, 34 / s.value), width: Math.min(crop.spacing_mm * 0.4, 70, 40 / s.value) }
        : {
              height: crop.mature_height_mm * growth.value,
              width: Math.min(crop.spacing_mm * 1.05, crop.mature_height_mm * 1.5) * growth.value,
          };

const plants = computed(() =>
    stands.value.flatMap((stand) => {
        const crop = shape.value.crops.find((c) => c.key === stand.crop);
        return crop
            ? [
                  {
                      ...stand,
                      ...size(crop),
                      habit: crop.habit,
                      key: crop.key,
                      hung: cups.value[stand.cup]!.hung,
                  },
              ]
            : [];
    }),
);

/** The nursery's water: from a pump on the floor up through the lid, and along it to every cup. */
const drip = computed(() => {
    if (!nursery.value || stands.value.length === 0) return null;
    const k = s.value;
    const right = (halfAt(shape.value.stations, 20) - 34) * k;
    const over = -(levels.value.lid_top_mm + 26) * k;
    const xs = stands.value.map((stand) => stand.x * k);
    return {
        pump: { x: right - 16 * k, y: -34 * k },
        path: `M${right} ${-30 * k}V${over}H${Math.min(...xs)}`,
        drops: xs.map((x) => ({ x, y: over })),
    };
});
</script>

<template>
    <g>
        <g v-if="shape.stand_mm > 0" class="stand">
            <rect
                v-for="side in [-0.36, 0.28]"
                :key="side"
                :x="side * (under ?? shape).stations[0]!.length_mm * s"
                :y="-shape.stand_mm * s"
                :width="0.08 * (under ?? shape).stations[0]!.length_mm * s"
                :height="shape.stand_mm * s"
            />
        </g>
        <g v-if="house && under" :transform="`translate(0 ${house.ground})`">
            <path :d="profilePath(under.stations, s)" class="inside house" />
            <path :d="wallPath(under.stations, s)" class="pen" />
            <rect
                v-for="x in house.blocksAt"
                :key="x"
                class="block"
                :x="x"
                :y="-house.block.height"
                :width="house.block.width"
                :height="house.block.height"
            />
            <g v-if="stones">
                <rect
                    class="pump"
                    :x="-house.pump.width / 2"
                    :y="-house.pump.height"
                    :width="house.pump.width"
                    :height="house.pump.height"
                />
                <path v-if="house.up" :d="house.up" class="tube" />
            </g>
            <circle class="cord" :cx="house.cord.x" :cy="house.cord.y" :r="Math.max(2.5, (under.cord_hole_diameter_mm / 2) * s)" />
        </g>
        <g :transform="`translate(0 ${floorY})`">
            <clipPath :id="clip"><path :d="profilePath(shape.stations, s)" /></clipPath>
            <path :d="profilePath(shape.stations, s)" class="inside" />
            <g :clip-path="`url(#${clip})`">
                <rect class="water fall" :x="-widest * s" :width="2 * widest * s" :y="-water * s" :height="water * s" />
                <line class="surface fall-line" :x1="-widest * s" :x2="widest * s" :style="{ transform: `translateY(${-water * s}px)` }" />
            </g>
            <template v-if="!bare">
                <path v-if="tubePath" :d="tubePath" class="tube" />
                <g v-if="stones">
                    <rect
                        v-for="(p, i) in laid"
                        :key="i"
                        class="stone"
                        :x="(p.x_mm - p.kind.length_mm / 2) * s"
                        :y="-p.kind.height_mm * s"
                        :width="p.kind.length_mm * s"
                        :height="Math.max(3, Math.min(p.kind.height_mm, 20) * s)"
                    />
                </g>
                <circle v-for="(b, i) in bubblesAt" :key="`b${i}`" class="bubble" :cx="b.x" :cy="b.y" :r="b.r" />
                <circle v-for="(d, i) in spray" :key="`d${i}`" class="drop" :cx="d.x" :cy="d.y" :r="Math.max(0.9, 1.6 * s)" />
            </template>
            <path :d="wallPath(shape.stations, s)" class="pen" />
            <g class="afloat" :style="{ transform: `translateY(${sunk * s}px)` }">
                <g v-for="stand in stands" :key="`r${stand.x}${stand.crop}${stand.cup}`" :transform="`translate(${stand.x * s} 0)`">
                    <path v-for="(d, i) in growth > 0 ? roots[stand.cup] : []" :key="i" :d="d" class="root" :class="{ stem: cloner }" />
                </g>
                <rect
                    v-if="raft"
                    class="board"
                    :x="(-shape.lid.length_mm / 2) * s"
                    :width="shape.lid.length_mm * s"
                    :y="-levels.lid_top_mm * s"
                    :height="raft.thickness_mm * s"
                />
                <g v-if="!bare && growth > 0">
                    <g
                        v-for="plant in plants"
                        :key="`p${plant.x}${plant.crop}${plant.cup}`"
                        :transform="`translate(${plant.x * s} ${-plant.hung * s})`"
                    >
                        <PlantDrawing
                            :crop="plant.key"
                            :habit="plant.habit"
                            :height="plant.height"
                            :width="plant.width"
                            :scale="s"
                            :growth="growth"
                            :looks="looking"
                        />
                    </g>
                </g>
                <g v-for="stand in stands" :key="`c${stand.x}${stand.crop}${stand.cup}`" :transform="`translate(${stand.x * s} 0)`"
                    ><path :d="cups[stand.cup]!.path" class="cup"
                /></g>
            </g>
            <template v-if="!raft">
                <rect
                    v-if="!shape.in_mouth"
                    class="lid"
                    :x="(-shape.lid.length_mm / 2) * s"
                    :width="shape.lid.length_mm * s"
                    :y="-levels.lid_top_mm * s - lidHeight / 2"
                    :height="lidHeight"
                />
                <line
                    v-else
                    class="pen"
                    :x1="-halfAt(shape.stations, rim) * s - 2"
                    :x2="halfAt(shape.stations, rim) * s + 2"
                    :y1="-rim * s"
                    :y2="-rim * s"
                />
            </template>
            <g v-if="drip && !bare">
                <rect class="pump" :x="drip.pump.x" :y="drip.pump.y" :width="32 * s" :height="34 * s" />
                <path :d="drip.path" class="tube" />
                <path v-for="(d, i) in drip.drops" :key="i" class="drip" :d="`M${d.x} ${d.y}v${10 * s}m0 ${4 * s}v${4 * s}`" />
            </g>
        </g>
    </g>
</template>

<style scoped>
.inside {
    fill: var(--sheet);
}
.inside.house {
    fill: var(--sand);
    fill-opacity: 0.5;
}
.stand rect,
.block {
    fill: var(--sand);
    stroke: var(--ink);
}
.fall {
    transition:
        y 0.35s,
        height 0.35s;
}
.fall-line,
.afloat {
    transition: transform 0.35s;
}
.cup {
    fill: var(--cup);
    stroke: var(--ink);
    stroke-width: 1;
}
.root {
    fill: none;
    stroke: var(--root);
    stroke-width: 1;
}
.root.stem {
    stroke: var(--kelp);
    stroke-width: 2;
}
.lid {
    fill: var(--ink);
}
.board {
    fill: var(--sheet);
    stroke: var(--ink);
    stroke-width: 1.4;
}
.stone {
    fill: var(--stone);
    stroke: var(--ink);
    stroke-width: 0.8;
}
.pump {
    fill: var(--sheet);
    stroke: var(--ink);
    stroke-width: 1.4;
}
.cord {
    fill: var(--ink);
}
.bubble {
    fill: none;
    stroke: var(--water);
    stroke-width: 1;
}
.drop {
    fill: var(--water);
}
.tube {
    fill: none;
    stroke: var(--water);
    stroke-width: 1.6;
}
.drip {
    stroke: var(--water);
    stroke-width: 2;
    stroke-linecap: round;
}
</style>
