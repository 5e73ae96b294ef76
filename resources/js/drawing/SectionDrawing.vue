<script setup lang="ts">
/**
 * The tub cut open from the side, to scale, with its levels named and a tape along it. The water line can be dragged between the system's
 * choices.
 */
import { computed, ref } from 'vue';
import type { TubReport } from '../types/report';
import { dimension, length, volume, type Units } from '../kit/format';
import { baseOf, halfAt, profilePath, spreadLabels, topOf } from './shape';
import TubElevation from './TubElevation.vue';
import { useBox } from './useBox';

const props = withDefaults(
    defineProps<{
        tub: TubReport;
        units: Units;
        /** How high its water stands while it is built; at its line without a word. */
        stands?: number | null;
        growth?: number;
    }>(),
    { stands: null, growth: 0.15 },
);
const emit = defineEmits<{ line: [choice: string] }>();

const TOP = 44;
const BOTTOM = 34;

const box = ref<HTMLElement | null>(null);
const size = useBox(box);
/** Room for the names on the left and the tape on the right; names end at namesEnd, from where a line leads to the wall. */
const narrow = computed(() => size.width < 480);
const left = computed(() => (narrow.value ? 104 : 132));
const right = computed(() => (narrow.value ? 68 : 78));
const namesEnd = computed(() => left.value - (narrow.value ? 26 : 44));
const width = computed(() =>
    Math.max(
        props.tub.shape.lid.length_mm,
        ...props.tub.shape.stations.map((s) => s.length_mm),
        ...(props.tub.under?.stations ?? []).map((s) => s.length_mm),
    ),
);
/** What is cut off a bottle shows over it, as far as it reached. */
const highest = computed(() =>
    Math.max(topOf(props.tub), baseOf(props.tub) + props.tub.shape.floor_mm + (props.tub.shape.cut_off.at(-1)?.height_mm ?? 0)),
);
const scale = computed(() =>
    Math.max(0.05, Math.min((size.width - left.value - right.value) / width.value, (size.height - TOP - BOTTOM) / (highest.value + 12))),
);
const ground = computed(() => size.height - BOTTOM);
const middle = computed(() => left.value + (size.width - left.value - right.value) / 2);
const floor = computed(() => ground.value - (baseOf(props.tub) + props.tub.shape.floor_mm) * scale.value);
const y = (mm: number): number => floor.value - mm * scale.value;

const edge = computed(() => middle.value - (width.value / 2) * scale.value - 10);
const tape = computed(() => middle.value + (width.value / 2) * scale.value + 30);

/** The levels that matter, named on the left with a line to the wall. */
const names = computed(() => {
    const l = props.tub.levels;
    const v = props.tub.volume;
    const list: { key: string; mm: number; text: string; sub: string; tone?: string }[] = [
        { key: 'brim', mm: l.rim_mm, text: 'rim', sub: volume(v.brim_l, props.units) },
    ];
    if (l.label_mm !== null && v.label_l !== null)
        list.push({ key: 'label', mm: l.label_mm, text: 'label', sub: volume(v.label_l, props.units) });
    list.push({ key: 'cup', mm: l.cup_bottom_mm, text: 'cup bottom', sub: dimension(l.cup_bottom_mm, props.units) });
    list.push({
        key: 'water',
        mm: l.water_line_mm,
        text: 'water line',
        sub: `${dimension(l.water_line_mm, props.units)} · ${volume(v.working_l, props.units)}`,
        tone: 'wet',
    });
    if (l.start_line_mm > l.water_line_mm + 0.5 && Math.abs(l.start_line_mm - l.cup_bottom_mm) > 1)
        list.push({ key: 'start', mm: l.start_line_mm, text: 'at the start', sub: dimension(l.start_line_mm, props.units), tone: 'wet' });
    if (l.harvest_mm !== null && l.harvest_mm > 1)
        list.push({ key: 'harvest', mm: l.harvest_mm, text: 'at harvest', sub: dimension(l.harvest_mm, props.units), tone: 'wet' });
    if (props.tub.raft && props.tub.raft.jam_level_mm > 1)
        list.push({
            key: 'jam',
            mm: props.tub.raft.jam_level_mm,
            text: 'raft jams',
            sub: dimension(props.tub.raft.jam_level_mm, props.units),
        });
    if (props.tub.cloner && props.tub.cloner.stem_below_cup_mm > 0)
        list.push({
            key: 'stem',
            mm: props.tub.cloner.stem_end_mm,
            text: 'stems end',
            sub: dimension(props.tub.cloner.stem_end_mm, props.units),
        });
    if (l.overflow_mm !== null && l.overflow_mm < l.rim_mm)
        list.push({ key: 'overflow', mm: l.overflow_mm, text: 'overflow hole', sub: dimension(l.overflow_mm, props.units) });
    list.push({ key: 'lowest', mm: l.lowest_mm, text: 'lowest useful', sub: dimension(l.lowest_mm, props.units) });
    const ys = spreadLabels(
        list.map((item) => y(item.mm)),
        30,
        TOP - 14,
        ground.value - 16,
    );
    return list.map((item, i) => ({
        ...item,
        y: y(item.mm),
        labelY: ys[i] ?? 0,
        wall: middle.value - halfAt(props.tub.shape.stations, item.mm) * scale.value,
    }));
});

const rim = computed(() => props.tub.levels.rim_mm);
const millimetres = computed(() => Array.from({ length: Math.floor(rim.value / 10) + 1 }, (_, i) => i * 10));
const sixteenths = computed(() => Array.from({ length: Math.floor(rim.value / 12.7) + 1 }, (_, i) => i));

const choices = computed(() => props.tub.levels.choices);
const chosen = computed(() => choices.value.findIndex((c) => c.chosen));
const dragged = ref<number | null>(null);
const level = computed(() => (dragged.value === null ? (props.stands ?? undefined) : choices.value[dragged.value]?.water_line_mm));

function nearest(event: PointerEvent): number {
    const top = box.value?.getBoundingClientRect().top ?? 0;
    const mm = (floor.value - (event.clientY - top)) / scale.value;
    let best = 0;
    choices.value.forEach((c, i) => {
        if (Math.abs(c.water_line_mm - mm) < Math.abs(choices.value[best]!.water_line_mm - mm)) best = i;
    });
    return best;
}

function grab(event: PointerEvent): void {
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    dragged.value = nearest(event);
}

function drop(): void {
    const choice = dragged.value === null ? null : choices.value[dragged.value];
    dragged.value = null;
    if (choice && !choice.chosen) emit('line', choice.choice);
}

/** Up and down step through the choices by height. */
function step(by: number): void {
    const sorted = [...choices.value].sort((a, b) => a.water_line_mm - b.water_line_mm);
    const next = sorted[sorted.findIndex((c) => c.chosen) + by];
    if (next) emit('line', next.choice);
}

const description = computed(() => {
    const { tub, units } = props;
    return (
        `${tub.name} from the side: ${length(tub.levels.rim_mm, units)} deep ` +
        `inside, water line at ${length(tub.levels.water_line_mm, units)} ` +
        `with ${volume(tub.volume.working_l, units)}, ${tub.layout.count} ` +
        `cups whose bottoms hang at ${length(tub.levels.cup_bottom_mm, units)}.`
    );
});
</script>

<template>
    <div ref="box" class="holder">
        <svg v-if="size.width" class="drawing" :width="size.width" :height="size.height" role="group" :aria-label="description">
            <line class="pen" :x1="left - 14" :x2="size.width - 14" :y1="ground" :y2="ground" />
            <g v-if="tub.shape.cut_off.length" :transform="`translate(${middle} ${floor})`" class="cut-off">
                <path :d="profilePath(tub.shape.cut_off, scale)" />
                <text
                    :x="(tub.shape.cut_off.at(-1)!.length_mm / 2) * scale + 10"
                    :y="-tub.shape.cut_off.at(-1)!.height_mm * scale + 12"
                    class="quiet"
                >
                    cut off at {{ dimension(tub.levels.rim_mm, units) }}
                </text>
            </g>
            <g :transform="`translate(${middle} ${ground})`"><TubElevation :tub="tub" :scale="scale" :growth="growth" :level="level" /></g>

            <g v-for="name in names" :key="name.key">
                <path class="hair" :d="`M${namesEnd + 6} ${name.labelY - 4}L${edge - 8} ${name.y}H${name.wall}`" />
                <text :x="namesEnd" :y="name.labelY" text-anchor="end" :class="name.tone ?? ''" class="strong">{{ name.text }}</text>
                <text :x="namesEnd" :y="name.labelY + 14" text-anchor="end" class="quiet">{{ name.sub }}</text>
            </g>

            <g class="tape" aria-hidden="true">
                <rect :x="tape" :y="y(rim)" width="26" :height="rim * scale" />
                <template v-for="mm in millimetres" :key="`m${mm}`">
                    <line
                        v-if="scale > 0.35 || mm % 50 === 0"
                        class="fine"
                        :x1="tape"
                        :x2="tape + (mm % 50 === 0 ? 11 : 5)"
                        :y1="y(mm)"
                        :y2="y(mm)"
                    />
                    <text v-if="mm % 100 === 0" :x="tape - 4" :y="y(mm) + (mm === 0 ? -2 : 4)" text-anchor="end">{{ mm }}</text>
                </template>
                <template v-for="i in sixteenths" :key="`i${i}`">
                    <line
                        class="fine"
                        :x1="tape + 26"
                        :x2="tape + 26 - (i % 2 === 0 ? 9 : 5)"
                        :y1="y(i * 12.7)"
                        :y2="y(i * 12.7)"
                        v-if="scale > 0.35 || i % 2 === 0"
                    />
                    <text v-if="i % 4 === 0" :x="tape + 30" :y="y(i * 12.7) + (i === 0 ? -2 : 4)">{{ i / 2 }}</text>
                </template>
                <text :x="tape - 4" :y="y(rim) - 10" text-anchor="end" class="quiet">mm</text>
                <text :x="tape + 30" :y="y(rim) - 10" class="quiet">in</text>
            </g>

            <g
                v-if="choices.length > 1"
                class="handle"
                role="slider"
                tabindex="0"
                aria-label="Water line"
                :aria-valuenow="Math.round(tub.levels.water_line_mm)"
                :aria-valuemin="0"
                :aria-valuemax="Math.round(rim)"
                :aria-valuetext="`${choices[chosen]?.choice ?? ''}, ${length(tub.levels.water_line_mm, units)}`"
                @pointerdown="grab"
                @pointermove="dragged !== null && (dragged = nearest($event))"
                @pointerup="drop"
                @pointercancel="dragged = null"
                @keydown.up.prevent="step(1)"
                @keydown.down.prevent="step(-1)"
            >
                <rect class="catch" :x="edge + 10" :width="tape - edge - 10" :y="y(level ?? tub.levels.water_line_mm) - 14" height="28" />
                <path class="grip" :d="`M${tape - 6} ${y(level ?? tub.levels.water_line_mm)}l-12 -8v16z`" />
                <g v-if="dragged !== null">
                    <line
                        v-for="c in choices"
                        :key="c.choice"
                        class="choice"
                        :x1="edge + 10"
                        :x2="tape - 20"
                        :y1="y(c.water_line_mm)"
                        :y2="y(c.water_line_mm)"
                    />
                </g>
            </g>
            <text :x="middle" :y="size.height - 10" text-anchor="middle" class="quiet">
                Section · 1 : {{ Math.max(1, Math.round((1 / scale) * 3.78 * 10) / 10) }}
            </text>
        </svg>
    </div>
</template>

<style scoped>
.holder {
    position: relative;
    width: 100%;
    height: 100%;
    min-height: 260px;
}
.cut-off path {
    fill: none;
    stroke: var(--faint);
    stroke-dasharray: 5 4;
}
.tape rect {
    fill: var(--cup);
    stroke: var(--ink);
}
.handle {
    cursor: ns-resize;
    touch-action: none;
}
.catch {
    fill: transparent;
}
.grip {
    fill: var(--water);
}
.handle:focus-visible {
    outline: none;
}
.handle:focus-visible .grip {
    stroke: var(--focus);
    stroke-width: 3;
}
.choice {
    stroke: var(--water);
    stroke-dasharray: 4 4;
}
</style>
