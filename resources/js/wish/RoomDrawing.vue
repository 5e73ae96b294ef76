<script setup lang="ts">
/** A design in the room that there is: from the front with its plants grown, and from above, both at one scale for all designs. */
import { computed } from 'vue';
import { silhouette, tint } from '../drawing/plants';
import { halfAt, profilePath } from '../drawing/shape';
import type { SketchTub } from '../drawing/GardenSketch.vue';
import { counted, length, type Units } from '../kit/format';
import type { Stand } from '../types/wish-answer';

const props = defineProps<{
    stands: Stand[];
    sketch: SketchTub[];
    /** Ids of the tubs with how many alike, in the order of the sketch. */
    tubs: { id: string; count: number }[];
    room: { length: number; depth: number; height: number };
    units: Units;
    width: number;
}>();

const PAD = 22;
const GAP = 26;
const HIGH = 250;
/** From above beside from the front where there is room for both, else under it. */
const beside = computed(() => (2 * props.room.length * HIGH) / props.room.height + GAP <= props.width - 2 * PAD);
const scale = computed(() =>
    beside.value ? HIGH / props.room.height : Math.min((props.width - 2 * PAD) / props.room.length, 240 / props.room.height),
);
const high = computed(() => props.room.height * scale.value);
const deep = computed(() => props.room.depth * scale.value);
const plan = computed(() =>
    beside.value ? { x: props.room.length * scale.value + GAP, y: Math.max(0, high.value - deep.value) } : { x: 0, y: high.value + 16 },
);
const size = computed(() => Math.max(high.value, plan.value.y + deep.value) + 30);
const order = computed(() => props.tubs.flatMap((t) => Array.from({ length: t.count }, (_, i) => `${t.id}.${i + 1}`)));
/** Those behind are drawn first. */
const standing = computed(() =>
    [...props.stands]
        .sort((a, b) => b.y_mm - a.y_mm)
        .flatMap((stand) => {
            const tub = props.sketch[order.value.indexOf(`${stand.tub}.${stand.copy}`)];
            if (!tub) return [];
            const k = scale.value;
            const across = Math.max(...tub.stations.map((s) => s.length_mm));
            // Turned, its short side is in front.
            const squeeze = Math.min(1, stand.length_mm / across);
            const line = { ...tub.stations.at(-1)!, height_mm: tub.water, length_mm: 2 * halfAt(tub.stations, tub.water) };
            const room = tub.stations.at(-1)!.length_mm * k * 0.8 * squeeze;
            const crop = tub.crop;
            return [
                {
                    key: `${stand.tub}.${stand.copy}`,
                    x: (stand.x_mm + stand.length_mm / 2) * k,
                    squeeze,
                    behind: stand.y_mm > 0,
                    body: profilePath(tub.stations, k),
                    water: profilePath([...tub.stations.filter((s) => s.height_mm < tub.water), line], k),
                    top: -tub.top * k,
                    plants: crop
                        ? Array.from({ length: tub.plants }, (_, i) => (tub.plants < 2 ? 0 : (i / (tub.plants - 1) - 0.5) * room))
                        : [],
                    crown: crop ? silhouette(crop.key, crop.habit, crop.height * k, Math.min(crop.spacing, crop.height * 1.5) * k) : null,
                    tint: crop ? tint(crop.key) : '',
                },
            ];
        }),
);
const says = computed(() => {
    const [long, deep, high] = [props.room.length, props.room.depth, props.room.height].map((mm) => length(mm, props.units));
    return `${counted(props.stands.length, 'tub', 'tubs')} in a room ${long} long, ${deep} deep and ${high} high.`;
});
</script>

<template>
    <svg class="room" role="img" :aria-label="says" :width="width" :height="size" :viewBox="`${-PAD} -8 ${width} ${size}`">
        <rect x="0" y="0" :width="room.length * scale" :height="high" class="wall" />
        <g :transform="`translate(0 ${high})`">
            <g v-for="t in standing" :key="t.key" :transform="`translate(${t.x} 0)`" :class="{ behind: t.behind }">
                <g v-for="x in t.plants" :key="x" :transform="`translate(${x} ${t.top})`" :style="{ '--tint': t.tint }">
                    <path :d="t.crown!.lines" class="lines" />
                    <path :d="t.crown!.shapes" class="shapes" />
                </g>
                <g :transform="`scale(${t.squeeze} 1)`">
                    <path :d="t.water" class="water" />
                    <path :d="t.body" class="body" vector-effect="non-scaling-stroke" />
                </g>
            </g>
            <path :d="`M-10 0H${room.length * scale + 10}`" class="floor" />
        </g>
        <text :x="room.length * scale - 3" y="12" class="dim" text-anchor="end">{{ length(room.height, units) }} high</text>
        <g :transform="`translate(${plan.x} ${plan.y})`">
            <rect x="0" y="0" :width="room.length * scale" :height="room.depth * scale" class="wall" />
            <rect
                v-for="s in stands"
                :key="`${s.tub}.${s.copy}`"
                :x="s.x_mm * scale"
                :y="(room.depth - s.y_mm - s.depth_mm) * scale"
                :width="s.length_mm * scale"
                :height="s.depth_mm * scale"
                rx="3"
                class="tub"
            />
            <text x="0" :y="room.depth * scale + 14" class="dim">
                {{ length(room.length, units) }} × {{ length(room.depth, units) }}, from above
            </text>
        </g>
    </svg>
</template>

<style scoped>
.room {
    display: block;
    max-width: 100%;
}
.wall {
    fill: none;
    stroke: var(--rule);
    stroke-dasharray: 4 3;
}
.floor {
    stroke: var(--ink);
    stroke-width: 2;
}
.water {
    fill: var(--water-wash);
}
.body {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.2;
    stroke-linejoin: round;
}
.behind {
    opacity: 0.55;
}
.shapes {
    fill: var(--tint);
}
.lines {
    fill: none;
    stroke: var(--tint);
    stroke-width: 0.9;
}
.tub {
    fill: var(--water-wash);
    stroke: var(--ink);
}
.dim {
    font-size: 11px;
    fill: var(--faint);
}
</style>
