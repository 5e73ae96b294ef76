<script setup lang="ts">
/**
 * The lid from above, to scale: outline, rim, keep-outs, holes and what they are marked out by. Holes can be chosen, dragged and nudged.
 */
import { computed, ref } from 'vue';
import type { TubReport } from '../types/report';

type Hole = TubReport['layout']['holes'][number];

import { dimension, length, type Units } from '../kit/format';
import { tint } from './plants';
import { useBox } from './useBox';

/** About as wide as a letter of a caption is. */
const CHARACTER_PX = 6.8;

const props = withDefaults(
    defineProps<{
        tub: TubReport;
        units: Units;
        canopies?: boolean;
        dimensions?: boolean;
        movable?: boolean;
        chosen?: number | null;
        caption?: string;
        placing?: boolean;
    }>(),
    { canopies: false, dimensions: true, movable: false, chosen: null, caption: '', placing: false },
);
const emit = defineEmits<{
    choose: [hole: number];
    move: [hole: number, x: number, y: number, done: boolean];
    nudge: [hole: number, right: number, back: number];
    place: [x: number, y: number];
}>();

const box = ref<HTMLElement | null>(null);
const size = useBox(box);
const lid = computed(() => props.tub.shape.lid);
/** Across of the leaves over a hole, mm; 0 where nothing grows. */
const leaves = (hole: Hole): number => props.tub.shape.crops.find((c) => c.key === hole.crop)?.spacing_mm ?? 0;
const spacing = computed(() => Math.max(0, ...props.tub.layout.holes.map(leaves)));
/** Canopies may hang over the edge; there is room for them. */
const overhang = computed(() => {
    if (!props.canopies || !spacing.value) return { x: 0, y: 0 };
    const beyond = (half: number, at: 'x_mm' | 'y_mm'): number =>
        Math.max(0, ...props.tub.layout.holes.map((h) => Math.abs(h[at]) + leaves(h) / 2 - half));
    return { x: beyond(lid.value.length_mm / 2, 'x_mm'), y: beyond(lid.value.width_mm / 2, 'y_mm') };
});
const holes = computed(() => props.tub.layout.holes);
const unique = (values: number[]): number[] => {
    const out: number[] = [];
    for (const v of [...values].sort((a, b) => a - b)) if (out.length === 0 || v - out.at(-1)! > 0.6) out.push(v);
    return out;
};

/** Dimension chains from the left and from the front edge, where there is room to read them. */
const chains = computed(() => {
    if (!props.dimensions || lid.value.round || props.tub.shape.in_mouth) return null;
    const xs = [-lid.value.length_mm / 2, ...unique(holes.value.map((h) => h.x_mm))];
    const ys = [-lid.value.width_mm / 2, ...unique(holes.value.map((h) => h.y_mm))];
    const steps = (at: number[]): { from: number; to: number }[] => at.slice(1).map((to, i) => ({ from: at[i]!, to }));
    return { x: xs.length <= 10 ? steps(xs) : [], y: ys.length <= 9 ? steps(ys) : [] };
});

/** Figures of the chain on the right are as wide as the grower's units make them. */
const CHAIN_PX = 48;
const DIGIT_PX = 7;
const figures = computed(() => Math.max(0, ...(chains.value?.y ?? []).map((c) => dimension(c.to - c.from, props.units).length)));
const pad = computed(() =>
    props.dimensions
        ? { left: 28, top: 58, right: Math.max(66, CHAIN_PX + DIGIT_PX * figures.value), bottom: 40 }
        : { left: 14, top: 14, right: 14, bottom: 44 },
);
const scale = computed(() =>
    Math.max(
        0.04,
        Math.min(
            (size.width - pad.value.left - pad.value.right) / (lid.value.length_mm + 2 * overhang.value.x),
            (size.height - pad.value.top - pad.value.bottom) / (lid.value.width_mm + 2 * overhang.value.y),
        ),
    ),
);
const middle = computed(() => ({
    x: pad.value.left + (size.width - pad.value.left - pad.value.right) / 2,
    y: pad.value.top + (size.height - pad.value.top - pad.value.bottom) / 2,
}));
const X = (mm: number): number => middle.value.x + mm * scale.value;
const Y = (mm: number): number => middle.value.y - mm * scale.value;

const cut = (hole: Hole): number => (hole.cup === 2 && props.tub.hole_2 ? props.tub.hole_2 : props.tub.hole).diameter_mm;
const lip = (hole: Hole): number => (props.tub.shape.cups[hole.cup - 1] ?? props.tub.shape.cup).lip_diameter_mm;
/** How far centre marks run over the lip; in a jar's mouth they stay inside. */
const reach = computed(() => (props.tub.shape.in_mouth ? 0.45 : 0.62));
const limit = computed(() => props.tub.limits);
/** Of several crops each hole shows which it holds. */
const several = computed(() => props.tub.shape.crops.length > 1);

/** A hole that breaks a limit is drawn in the pen of a stop. */
const bad = (i: number): boolean => holes.value[i]!.breaks_limit;

const ringRadius = computed(() =>
    lid.value.round && !props.tub.shape.in_mouth ? Math.max(0, ...holes.value.map((h) => h.radius_mm ?? 0)) : 0,
);

/** A drag starts where the hole was; a press that hardly moves only chooses it. */
interface Drag {
    hole: number;
    from: { x: number; y: number };
    at: { x: number; y: number };
    begun: boolean;
}

const STILL_PX = 3;
let dragging: Drag | null = null;

function grab(event: PointerEvent, i: number): void {
    emit('choose', i);
    if (!props.movable || event.pointerType === 'touch') return;
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    const h = holes.value[i]!;
    dragging = { hole: i, from: { x: event.clientX, y: event.clientY }, at: { x: h.x_mm, y: h.y_mm }, begun: false };
}

function drag(event: PointerEvent, done: boolean): void {
    const d = dragging;
    if (!d) return;
    if (done) dragging = null;
    const by = { x: event.clientX - d.from.x, y: event.clientY - d.from.y };
    d.begun ||= Math.hypot(by.x, by.y) >= STILL_PX;
    const half = (mm: number): number => Math.round(mm * 2) / 2;
    if (d.begun) emit('move', d.hole, half(d.at.x + by.x / scale.value), half(d.at.y - by.y / scale.value), done);
}

/** Where the bare lid was pressed, to a millimetre from its middle. */
function place(event: MouseEvent): void {
    if (!props.placing) return;
    const frame = (event.currentTarget as Element).closest('svg')!.getBoundingClientRect();
    emit(
        'place',
        Math.round((event.clientX - frame.left - middle.value.x) / scale.value) + 0,
        Math.round((middle.value.y - (event.clientY - frame.top)) / scale.value) + 0,
    );
}

function nudge(event: KeyboardEvent, i: number): void {
    const by = event.shiftKey ? 10 : 1;
    const step = { ArrowLeft: [-by, 0], ArrowRight: [by, 0], ArrowUp: [0, by], ArrowDown: [0, -by] }[event.key];
    if (!step || !props.movable) return;
    event.preventDefault();
    event.stopPropagation();
    emit('nudge', i, step[0]!, step[1]!);
}

const nameOf = (crop: string): string => (props.tub.shape.crops.find((c) => c.key === crop)?.name ?? crop).toLowerCase();

/** The caption, in two lines where one would run out of the drawing. */
const lines = computed<string[]>(() => {
    const text =
        props.caption ||
        `${props.tub.raft ? 'Board' : 'Lid'} from above ` +
            `· ${props.units === 'us' ? 'inches' : 'mm'}` +
            `${!props.tub.shape.in_mouth && props.dimensions ? ' · dashed: the edge that carries the load' : ''}` +
            (props.canopies && spacing.value ? ' · dotted: leaves when grown' : '');
    if (text.length * CHARACTER_PX < size.width) return [text];
    const words = text.split(' ');
    const half = words.findIndex((_, i) => words.slice(0, i + 1).join(' ').length >= text.length / 2) + 1;
    return [words.slice(0, half).join(' '), words.slice(half).join(' ')];
});

const description = computed(
    () =>
        `Lid of ${props.tub.name} from ` +
        `above: ${length(lid.value.length_mm, props.units)}` +
        `${lid.value.round ? ' across' : ` by ${length(lid.value.width_mm, props.units)}`}, ${holes.value.length} ` +
        `holes of ${length(props.tub.hole.diameter_mm, props.units)}, ${props.tub.layout.pattern}.`,
);
</script>

<template>
    <div ref="box" class="holder">
        <svg
            v-if="size.width"
            class="drawing"
            :viewBox="`0 0 ${size.width} ${size.height}`"
            :width="size.width"
            :height="size.height"
            role="group"
            :aria-label="description"
        >
            <defs>
                <pattern id="hatch" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
                    <line x1="0" y1="0" x2="0" y2="6" class="hair" />
                </pattern>
            </defs>
            <g v-if="canopies && spacing" class="canopies">
                <template v-for="(h, i) in holes" :key="i">
                    <circle
                        v-if="h.crop"
                        :cx="X(h.x_mm)"
                        :cy="Y(h.y_mm)"
                        :r="(leaves(h) / 2) * scale"
                        :fill="tint(h.crop)"
                        :stroke="tint(h.crop)"
                    />
                </template>
            </g>
            <rect
                class="outline"
                :class="{ over: canopies && !placing, placing }"
                data-lid
                @click="place"
                :x="X(-lid.length_mm / 2)"
                :y="Y(lid.width_mm / 2)"
                :width="lid.length_mm * scale"
                :height="lid.width_mm * scale"
                :rx="lid.corner_radius_mm * scale"
            />
            <rect
                v-if="!tub.shape.in_mouth"
                class="rim"
                :x="X(-lid.length_mm / 2 + limit.edge_mm)"
                :y="Y(lid.width_mm / 2 - limit.edge_mm)"
                :width="Math.max(0, lid.length_mm - 2 * limit.edge_mm) * scale"
                :height="Math.max(0, lid.width_mm - 2 * limit.edge_mm) * scale"
                :rx="Math.max(0, lid.corner_radius_mm - limit.edge_mm) * scale"
            />
            <g v-for="(k, i) in lid.keep_outs" :key="`k${i}`">
                <rect
                    class="keep-out"
                    fill="url(#hatch)"
                    :x="X(k.x_mm - k.length_mm / 2)"
                    :y="Y(k.y_mm + k.width_mm / 2)"
                    :width="k.length_mm * scale"
                    :height="k.width_mm * scale"
                    :rx="k.round ? (k.length_mm / 2) * scale : k.corner_radius_mm * scale"
                />
            </g>
            <g v-for="(p, i) in lid.panels" :key="`p${i}`" class="panel">
                <polygon :points="p.corners.map((c) => `${X(c.x_mm)},${Y(c.y_mm)}`).join(' ')" />
            </g>
            <circle v-if="ringRadius > 1" class="hair dash" :cx="X(0)" :cy="Y(0)" :r="ringRadius * scale" />
            <path v-if="lid.round" class="hair" :d="`M${X(-8)} ${Y(0)}H${X(8)}M${X(0)} ${Y(-8)}V${Y(8)}`" />

            <g
                v-for="(h, i) in holes"
                :key="`h${i}`"
                class="hole"
                :class="{ chosen: chosen === i, bad: bad(i), movable }"
                :tabindex="movable ? 0 : undefined"
                :role="movable ? 'button' : undefined"
                :aria-pressed="movable ? chosen === i : undefined"
                :aria-hidden="movable ? undefined : true"
                :aria-label="
                    !movable
                        ? undefined
                        : `Hole ${i + 1}, ${length(h.x_mm, units)} right and ${length(h.y_mm, units)} back of the ` +
                          `middle${several && h.crop ? `, ${nameOf(h.crop)}` : ''}${bad(i) ? ', breaks a limit' : ''}`
                "
                :data-hole="i"
                @pointerdown="grab($event, i)"
                @pointermove="drag($event, false)"
                @pointerup="drag($event, true)"
                @focus="movable && emit('choose', i)"
                @keydown="nudge($event, i)"
            >
                <circle class="lip" :cx="X(h.x_mm)" :cy="Y(h.y_mm)" :r="(lip(h) / 2) * scale" />
                <circle
                    class="cut"
                    :cx="X(h.x_mm)"
                    :cy="Y(h.y_mm)"
                    :r="(cut(h) / 2) * scale"
                    :style="several && h.crop ? { stroke: tint(h.crop), strokeWidth: 3 } : undefined"
                />
                <path
                    class="cross"
                    :d="
                        `M${X(h.x_mm - lip(h) * reach)} ${Y(h.y_mm)}H${X(h.x_mm + lip(h) * reach)}` +
                        `M${X(h.x_mm)} ${Y(h.y_mm - lip(h) * reach)}V${Y(h.y_mm + lip(h) * reach)}`
                    "
                />
                <text v-if="cut(h) * scale > 30 && !tub.shape.in_mouth" :x="X(h.x_mm) + 4" :y="Y(h.y_mm) - 4" class="strong">
                    {{ i + 1 }}
                </text>
            </g>

            <g v-if="chains" class="chain" aria-hidden="true">
                <template v-for="(c, i) in chains.x" :key="`x${i}`">
                    <path
                        class="hair"
                        :d="
                            `M${X(c.to)} ${Y(lid.width_mm / 2 + overhang.y) - 38}` +
                            `V${Y(Math.max(...holes.filter((h) => Math.abs(h.x_mm - c.to) < 1).map((h) => h.y_mm)))}`
                        "
                    />
                    <path
                        class="fine"
                        :d="
                            `M${X(c.from)} ${Y(lid.width_mm / 2 + overhang.y) - 32}H${X(c.to)}m-4 ` +
                            `4l8 -8M${X(c.from) - 4} ${Y(lid.width_mm / 2 + overhang.y) - 28}l8 -8`
                        "
                    />
                    <text
                        v-if="(c.to - c.from) * scale > 24"
                        :x="(X(c.from) + X(c.to)) / 2"
                        :y="Y(lid.width_mm / 2 + overhang.y) - 38"
                        text-anchor="middle"
                    >
                        {{ dimension(c.to - c.from, units) }}
                    </text>
                </template>
                <path
                    v-if="chains.x.length"
                    class="hair"
                    :d="`M${X(-lid.length_mm / 2)} ${Y(lid.width_mm / 2 + overhang.y) - 38}V${Y(lid.width_mm / 2)}`"
                />
                <template v-for="(c, i) in chains.y" :key="`y${i}`">
                    <path
                        class="hair"
                        :d="
                            `M${X(lid.length_mm / 2 + overhang.x) + 36} ${Y(c.to)}` +
                            `H${X(Math.max(...holes.filter((h) => Math.abs(h.y_mm - c.to) < 1).map((h) => h.x_mm)))}`
                        "
                    />
                    <path
                        class="fine"
                        :d="
                            `M${X(lid.length_mm / 2 + overhang.x) + 30} ${Y(c.from)}V${Y(c.to)}m-4 ` +
                            `4l8 -8M${X(lid.length_mm / 2 + overhang.x) + 26} ${Y(c.from) + 4}l8 -8`
                        "
                    />
                    <text
                        v-if="(c.to - c.from) * scale > 16"
                        :transform="`translate(${X(lid.length_mm / 2 + overhang.x) + 44} ${(Y(c.from) + Y(c.to)) / 2 + 4})`"
                    >
                        {{ dimension(c.to - c.from, units) }}
                    </text>
                </template>
                <path
                    v-if="chains.y.length"
                    class="hair"
                    :d="`M${X(lid.length_mm / 2 + overhang.x) + 36} ${Y(-lid.width_mm / 2)}H${X(lid.length_mm / 2)}`"
                />
            </g>
            <g v-if="dimensions && ringRadius > 1" aria-hidden="true">
                <path class="fine" :d="`M${X(0)} ${Y(0)}L${X(ringRadius * 0.866)} ${Y(ringRadius * 0.5)}`" />
                <text :x="X(ringRadius * 0.45) + 6" :y="Y(ringRadius * 0.24) + 16">R {{ dimension(ringRadius, units) }}</text>
                <path
                    class="fine"
                    :d="
                        `M${X(-lid.length_mm / 2)} ${Y(lid.width_mm / 2 + overhang.y) - 26}H${X(lid.length_mm / 2)}m-4 ` +
                        `4l8 -8M${X(-lid.length_mm / 2) - 4} ${Y(lid.width_mm / 2 + overhang.y) - 22}l8 -8`
                    "
                />
                <text :x="X(0)" :y="Y(lid.width_mm / 2 + overhang.y) - 32" text-anchor="middle">
                    Ø {{ dimension(lid.length_mm, units) }}
                </text>
            </g>
            <text
                :y="Math.min(size.height - 8 - 15 * (lines.length - 1), Y(-lid.width_mm / 2 - overhang.y) + 24)"
                text-anchor="middle"
                class="quiet"
            >
                <tspan v-for="(line, i) in lines" :key="i" :x="middle.x" :dy="i * 15">{{ line }}</tspan>
            </text>
        </svg>
    </div>
</template>

<style scoped>
.holder {
    position: relative;
    width: 100%;
    height: 100%;
    min-height: 200px;
}
.outline {
    fill: var(--sheet);
    stroke: var(--ink);
    stroke-width: 2;
}
.outline.over {
    fill: none;
}
.outline.placing {
    cursor: crosshair;
}
.panel {
    fill: none;
    stroke: var(--faint);
    stroke-width: 1;
    pointer-events: none;
}
.rim,
.keep-out {
    pointer-events: none;
}
.canopies circle {
    fill-opacity: 0.16;
    stroke-dasharray: 2 3;
    stroke-width: 1.2;
}
g[aria-hidden='true'] {
    pointer-events: none;
}
.rim {
    fill: none;
    stroke: var(--faint);
    stroke-dasharray: 6 4;
}
.keep-out {
    stroke: var(--ink);
    stroke-width: 1;
}
.dash {
    stroke-dasharray: 3 4;
}
.lip {
    fill: var(--cup);
    stroke: var(--ink);
    stroke-width: 0.8;
}
.cut {
    fill: var(--water-wash);
    stroke: var(--ink);
    stroke-width: 1.8;
}
.cross {
    stroke: var(--ink);
    stroke-width: 0.7;
    stroke-dasharray: 7 2 2 2;
}
.hole.movable {
    cursor: grab;
    touch-action: pan-y;
}
.hole.chosen .cut {
    fill: var(--water-text);
}
.hole.chosen text {
    fill: var(--paper);
}
.hole.bad .cut {
    stroke: var(--stop);
    stroke-width: 3;
}
.hole:focus {
    outline: none;
}
.hole:focus-visible .lip {
    stroke: var(--focus);
    stroke-width: 3;
}
</style>
