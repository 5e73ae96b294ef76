<script setup lang="ts">
/** The tub's floor from above with its stones, the cups over them, and the tube between; stones are dragged, nudged or typed into place. */
import { computed, ref, watch } from 'vue';
import { useBox } from '../drawing/useBox';
import { length, type Units } from '../kit/format';
import type { TubReport } from '../types/report';

interface Place {
    x_mm: number;
    y_mm: number;
}

const props = defineProps<{ tub: TubReport; units: Units; chosen: number | null }>();
const emit = defineEmits<{ choose: [stone: number | null]; look: [places: Place[]]; move: [places: Place[]] }>();

const box = ref<HTMLElement | null>(null);
const size = useBox(box);
const floor = computed(() => props.tub.shape.stations[0]!);
const lid = computed(() => props.tub.shape.lid);
/** A jar’s floor is wider than its lid; the wider of the two fills the drawing. */
const widest = computed(() => ({
    length: Math.max(lid.value.length_mm, floor.value.length_mm),
    width: Math.max(lid.value.width_mm, floor.value.width_mm),
}));
const scale = computed(() => Math.max(0.03, Math.min((size.width - 10) / widest.value.length, (size.height - 8) / widest.value.width)));
const X = (mm: number): number => size.width / 2 + mm * scale.value;
const Y = (mm: number): number => size.height / 2 - mm * scale.value;
const stones = computed(() => props.tub.shape.stones);
/** Where they are while one is dragged; else where the report has them. */
const held = ref<Place[] | null>(null);
const places = computed<Place[]>(() => held.value ?? stones.value?.at ?? []);
watch(
    () => stones.value?.at,
    () => {
        if (!dragging) held.value = null;
    },
);
/** Of each stone its own length: those of other kinds come after the first set. */
const lengths = computed(() => (stones.value?.sets ?? []).flatMap((set) => Array.from({ length: set.count }, () => set.length_mm)));
const foot = computed(() => -floor.value.length_mm / 2);
/** From the wall to the nearest stone, and from that to the others, as the tube is cut. */
const runs = computed(() => {
    const at = [...places.value].sort((a, b) => Math.hypot(a.x_mm - foot.value, a.y_mm) - Math.hypot(b.x_mm - foot.value, b.y_mm));
    const first = at[0];
    if (!first) return '';
    return (
        `M${X(foot.value)} ${Y(0)}L${X(first.x_mm)} ${Y(first.y_mm)}` +
        at
            .slice(1)
            .map((p) => `M${X(first.x_mm)} ${Y(first.y_mm)}L${X(p.x_mm)} ${Y(p.y_mm)}`)
            .join('')
    );
});
const text = computed(() => `Floor of ${props.tub.name} from above: ${places.value.length} stones under ${props.tub.layout.count} cups.`);
const spoken = (p: Place, i: number): string =>
    `Stone ${i + 1}: ${length(Math.abs(p.x_mm), props.units)} ${p.x_mm < 0 ? 'left' : 'right'} and ` +
    `${length(Math.abs(p.y_mm), props.units)} ${p.y_mm < 0 ? 'in front of' : 'behind'} the middle`;

/** A stone stays on the floor. */
function inside(p: Place): Place {
    const [x, y] = [floor.value.length_mm / 2 - 15, floor.value.width_mm / 2 - 15];
    let at = { x_mm: Math.max(-x, Math.min(x, p.x_mm)), y_mm: Math.max(-y, Math.min(y, p.y_mm)) };
    if (floor.value.round) {
        const far = Math.hypot(at.x_mm, at.y_mm);
        if (far > x) at = { x_mm: (at.x_mm * x) / far, y_mm: (at.y_mm * x) / far };
    }
    return { x_mm: Math.round(at.x_mm), y_mm: Math.round(at.y_mm) };
}
const moved = (i: number, to: Place): Place[] => places.value.map((p, n) => (n === i ? inside(to) : { x_mm: p.x_mm, y_mm: p.y_mm }));

let dragging = false;
function down(event: PointerEvent, i: number): void {
    emit('choose', i);
    dragging = true;
    (event.currentTarget as Element).setPointerCapture?.(event.pointerId);
}
function drag(event: PointerEvent, i: number): void {
    if (!dragging) return;
    const at = box.value!.getBoundingClientRect();
    held.value = moved(i, {
        x_mm: (event.clientX - at.left - size.width / 2) / scale.value,
        y_mm: -(event.clientY - at.top - size.height / 2) / scale.value,
    });
    emit('look', held.value);
}
function up(): void {
    if (dragging && held.value) emit('move', held.value);
    dragging = false;
}
function nudge(event: KeyboardEvent, i: number): void {
    const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key];
    if (!way) return;
    const step = event.shiftKey ? 10 : 1;
    event.preventDefault();
    event.stopPropagation();
    const p = places.value[i]!;
    emit('choose', i);
    emit('move', moved(i, { x_mm: p.x_mm + step * way[0]!, y_mm: p.y_mm + step * way[1]! }));
}
</script>

<template>
    <div ref="box" class="holder">
        <svg v-if="size.width" class="drawing" :width="size.width" :height="size.height" role="group" :aria-label="text">
            <rect
                class="hair"
                :x="X(-lid.length_mm / 2)"
                :y="Y(lid.width_mm / 2)"
                :width="lid.length_mm * scale"
                :height="lid.width_mm * scale"
                :rx="lid.corner_radius_mm * scale"
            />
            <rect
                class="floor"
                :x="X(-floor.length_mm / 2)"
                :y="Y(floor.width_mm / 2)"
                :width="floor.length_mm * scale"
                :height="floor.width_mm * scale"
                :rx="floor.corner_radius_mm * scale"
            />
            <circle
                v-for="(h, i) in tub.layout.holes"
                :key="`h${i}`"
                class="cup"
                :cx="X(h.x_mm)"
                :cy="Y(h.y_mm)"
                :r="(tub.shape.cup.top_diameter_mm / 2) * scale"
            />
            <path :d="runs" class="tube" />
            <circle
                v-for="(s, i) in places"
                :key="`s${i}`"
                class="stone"
                :class="{ chosen: chosen === i }"
                :data-stone="i"
                tabindex="0"
                role="button"
                :aria-label="`${spoken(s, i)}. Arrow keys move it.`"
                :cx="X(s.x_mm)"
                :cy="Y(s.y_mm)"
                :r="Math.max(7, Math.min((lengths[i] ?? 50) / 2, 60) * scale)"
                @pointerdown="down($event, i)"
                @pointermove="drag($event, i)"
                @pointerup="up"
                @pointercancel="up"
                @focus="emit('choose', i)"
                @keydown="nudge($event, i)"
            />
        </svg>
    </div>
</template>

<style scoped>
.holder {
    width: 100%;
    height: 100%;
    min-height: 150px;
}
/* A hole far off the lid does not stand on the words beside the drawing. */
.holder .drawing {
    overflow: hidden;
}
.floor {
    fill: var(--water-wash);
    stroke: var(--ink);
    stroke-width: 1.5;
}
.cup {
    fill: none;
    stroke: var(--faint);
    stroke-dasharray: 3 3;
}
.stone {
    fill: var(--stone);
    stroke: var(--ink);
    cursor: grab;
    touch-action: none;
}
.stone.chosen {
    stroke-width: 3;
}
.stone:focus-visible {
    outline: none;
    stroke: var(--focus);
    stroke-width: 3;
}
.tube {
    stroke: var(--water);
    stroke-width: 2;
    fill: none;
}
</style>
