<script setup lang="ts">
/** A cup, a saw, a crop, a stone, a pump by its curve or a feed by its parts, drawn while its measures are typed. */
import { computed, ref } from 'vue';
import PlantDrawing from '../drawing/PlantDrawing.vue';
import { useBox } from '../drawing/useBox';
import LineChart from '../drawing/LineChart.vue';
import { scatter } from '../drawing/shape';
import { dimension, length, number, type Units } from '../kit/format';
import type { Habit } from '../kit/library';
import { curveOf, freeFlow, type Draft, type Kind } from './shelves';

const props = defineProps<{ kind: Kind; item: Draft; units: Units }>();

const box = ref<HTMLElement | null>(null);
const size = useBox(box);
const n = (key: string): number => (typeof props.item[key] === 'number' ? Math.max(0.001, props.item[key]) : 1);
const middle = computed(() => size.width / 2);

const cup = computed(() => {
    const [lip, top, bottom, height] = [n('lip_diameter_mm'), n('top_diameter_mm'), n('bottom_diameter_mm'), n('height_mm')];
    const scale = Math.max(0.1, Math.min((size.width - 220) / lip, (size.height - 130) / height));
    const y = 70;
    return { scale, y, lip: (lip / 2) * scale, top: (top / 2) * scale, bottom: (bottom / 2) * scale, height: height * scale };
});
const slots = computed(() => Array.from({ length: 9 }, (_, i) => -0.8 + i * 0.2));
const saw = computed(() => Math.min(size.width - 80, size.height - 120) * Math.min(1, n('diameter_mm') / 160));
const crop = computed(() => {
    const [height, spacing] = [n('mature_height_mm'), n('spacing_mm')];
    const scale = Math.max(0.02, Math.min((size.height - 90) / Math.max(height, 300), (size.width - 140) / Math.max(spacing * 1.1, 300)));
    return { scale, height, width: Math.min(spacing * 1.05, height * 1.5), spacing: spacing * scale };
});
/** Bubbles over a stone, as large as it makes them. */
const stone = computed(() => Math.max(30, Math.min(size.width - 80, n('length_mm') * 1.6)));
const rising = computed(() => {
    const radius = { coarse: 7, medium: 4.5, fine: 2.4 }[String(props.item.bubble)] ?? 4;
    return Array.from({ length: 46 }, (_, i) => ({
        x: (scatter(i) - 0.5) * stone.value * 1.1,
        y: 8 + scatter(i, 4) * Math.max(40, size.height - 150),
        r: radius * (0.6 + 0.8 * scatter(i, 9)),
    }));
});
interface Part {
    name: string;
    ml_per_l?: number;
    g_per_l?: number;
    ec_per_unit?: number | null;
}
const bottles = computed(() =>
    ((props.item.parts ?? []) as Part[]).slice(0, 6).map((part) => ({
        name: part.name,
        liquid: part.ml_per_l !== undefined,
        dose: part.ml_per_l === undefined ? number(part.g_per_l ?? 0, 2, 'g/L') : number(part.ml_per_l, 2, 'mL/L'),
        ec: part.ec_per_unit ? `${number((part.ml_per_l ?? part.g_per_l ?? 0) * part.ec_per_unit, 2, 'mS/cm')}` : 'EC unknown',
    })),
);
/** Bottles and bags stand a little below the middle. */
const bench = computed(() => size.height * 0.62);
const marks = computed(() => Array.from({ length: Math.floor(Math.max(n('mature_height_mm'), 300) / 100) + 1 }, (_, i) => i * 100));
</script>

<template>
    <div ref="box" class="holder">
        <LineChart
            v-if="kind === 'pumps'"
            :lines="[{ points: curveOf(item), tone: 'ink', name: item.name, along: 0 }]"
            x="air, L/min"
            y="kPa"
            :x-to="Math.max(1, freeFlow(item) * 1.1)"
            :y-to="Math.max(1, curveOf(item)[0]![1] * 1.1)"
            :label="`${item.name}: ${number(freeFlow(item), 1, 'L/min')} free, ${number(curveOf(item)[0]![1], 1, 'kPa')} at most`"
        />
        <svg
            v-else-if="size.width && kind === 'stones'"
            class="drawing"
            :width="size.width"
            :height="size.height"
            role="img"
            :aria-label="`${item.name}: ${length(n('length_mm'), units)} long, ${item.bubble} bubbles`"
        >
            <circle v-for="(b, i) in rising" :key="i" class="bubble" :cx="middle + b.x" :cy="size.height - 96 - b.y" :r="b.r" />
            <rect class="stone" :x="middle - stone / 2" :y="size.height - 96" :width="stone" height="34" rx="6" />
            <path class="fine" :d="`M${middle - stone / 2} ${size.height - 42}h${stone}m-${stone} 5v-10m${stone} 10v-10`" />
            <text :x="middle" :y="size.height - 22" text-anchor="middle">{{ length(n('length_mm'), units) }}</text>
        </svg>
        <svg
            v-else-if="size.width && kind === 'feeds'"
            class="drawing"
            :width="size.width"
            :height="size.height"
            role="img"
            :aria-label="`${item.name}: ${bottles.map((b) => `${b.name} ${b.dose}`).join(', ')}`"
        >
            <line class="pen" x1="20" :x2="size.width - 20" :y1="bench" :y2="bench" />
            <g
                v-for="(b, i) in bottles"
                :key="b.name"
                :transform="`translate(${middle + (i - (bottles.length - 1) / 2) * 170} ${bench}) scale(1.35)`"
            >
                <path v-if="b.liquid" class="bottle" d="M-34 0V-120Q-34 -138 -14 -142V-166H14V-142Q34 -138 34 -120V0Z" />
                <path v-else class="bottle" d="M-42 0V-132L-30 -142H30L42 -132V0ZM-42 -128H42" />
                <text y="-62" text-anchor="middle" class="part">{{ b.name }}</text>
                <text y="24" text-anchor="middle" class="strong">{{ b.dose }}</text>
                <text y="42" text-anchor="middle" class="quiet">{{ b.ec }}</text>
            </g>
        </svg>
        <svg
            v-else-if="size.width && kind === 'cups'"
            class="drawing"
            :width="size.width"
            :height="size.height"
            role="img"
            :aria-label="
                `${item.name}: lip ${length(n('lip_diameter_mm'), units)}, body ${length(n('top_diameter_mm'), units)}, ` +
                `foot ${length(n('bottom_diameter_mm'), units)}, ${length(n('height_mm'), units)} deep`
            "
        >
            <g :transform="`translate(${middle} 0)`">
                <path
                    class="cup"
                    :d="
                        `M${-cup.bottom} ${cup.y + cup.height}L${-cup.top} ${cup.y}H${-cup.lip}` +
                        `v-6H${cup.lip}v6H${cup.top}L${cup.bottom} ${cup.y + cup.height}Z`
                    "
                />
                <path
                    v-for="s in slots"
                    :key="s"
                    class="hair"
                    :d="
                        `M${s * cup.top * 0.95} ${cup.y + cup.height * 0.25}` +
                        `L${s * (cup.bottom + (cup.top - cup.bottom) * 0.12)} ${cup.y + cup.height * 0.92}`
                    "
                />
                <path class="fine" :d="`M${-cup.lip} 46H${cup.lip}M${-cup.lip - 4} 50l8 -8M${cup.lip - 4} 50l8 -8`" />
                <text y="38" text-anchor="middle">lip {{ dimension(n('lip_diameter_mm'), units) }}</text>
                <path class="hair" :d="`M${cup.top} ${cup.y + 2}H${cup.lip + 30}`" />
                <text :x="cup.lip + 34" :y="cup.y + 14">body {{ dimension(n('top_diameter_mm'), units) }}</text>
                <path
                    class="fine"
                    :d="
                        `M${-cup.bottom} ${cup.y + cup.height + 16}H${cup.bottom}M${-cup.bottom - 4} ${cup.y + cup.height + 20}l8 ` +
                        `-8M${cup.bottom - 4} ${cup.y + cup.height + 20}l8 -8`
                    "
                />
                <text :y="cup.y + cup.height + 34" text-anchor="middle">foot {{ dimension(n('bottom_diameter_mm'), units) }}</text>
                <path
                    class="fine"
                    :d="
                        `M${-cup.lip - 26} ${cup.y}V${cup.y + cup.height}M${-cup.lip - 30} ${cup.y + 4}l8 ` +
                        `-8M${-cup.lip - 30} ${cup.y + cup.height + 4}l8 -8`
                    "
                />
                <text :x="-cup.lip - 34" :y="cup.y + cup.height / 2" text-anchor="end">{{ dimension(n('height_mm'), units) }}</text>
            </g>
            <text :x="middle" :y="size.height - 8" text-anchor="middle" class="quiet">
                {{ units === 'us' ? 'inches' : 'mm' }}; height from under the lip
            </text>
        </svg>
        <svg
            v-else-if="size.width && kind === 'saws'"
            class="drawing"
            :width="size.width"
            :height="size.height"
            role="img"
            :aria-label="`A hole of ${length(n('diameter_mm'), units)}`"
        >
            <circle class="hole" :cx="middle" :cy="size.height / 2" :r="saw / 2" />
            <path
                class="hair"
                :d="
                    `M${middle - saw * 0.62} ${size.height / 2}H${middle + saw * 0.62}` +
                    `M${middle} ${size.height / 2 - saw * 0.62}V${size.height / 2 + saw * 0.62}`
                "
            />
            <text :x="middle" :y="size.height / 2 - saw / 2 - 14" text-anchor="middle" class="strong">
                Ø {{ length(n('diameter_mm'), 'metric') }} · {{ length(n('diameter_mm'), 'us') }}
            </text>
        </svg>
        <svg
            v-else-if="size.width && kind === 'crops'"
            class="drawing"
            :width="size.width"
            :height="size.height"
            role="img"
            :aria-label="`${item.name}, grown: ${length(n('mature_height_mm'), units)} high, ${length(n('spacing_mm'), units)} apart`"
        >
            <line class="pen" x1="20" :x2="size.width - 20" :y1="size.height - 50" :y2="size.height - 50" />
            <g class="staff" aria-hidden="true">
                <line class="hair" x1="50" x2="50" :y1="size.height - 50" :y2="size.height - 50 - marks.at(-1)! * crop.scale" />
                <template v-for="m in marks" :key="m">
                    <line class="hair" x1="44" x2="50" :y1="size.height - 50 - m * crop.scale" :y2="size.height - 50 - m * crop.scale" />
                    <text
                        v-if="m > 0 && (marks.length < 12 || m % 500 === 0)"
                        x="40"
                        :y="size.height - 46 - m * crop.scale"
                        text-anchor="end"
                        class="quiet"
                    >
                        {{ dimension(m, units) }}
                    </text>
                </template>
            </g>
            <g :transform="`translate(${middle} ${size.height - 50})`">
                <PlantDrawing
                    :habit="item.habit as Habit"
                    :crop="item.key ?? item.name"
                    :height="crop.height"
                    :width="crop.width"
                    :scale="crop.scale"
                />
                <path
                    class="fine"
                    :d="`M${-crop.spacing / 2} 16H${crop.spacing / 2}M${-crop.spacing / 2 - 4} 20l8 -8M${crop.spacing / 2 - 4} 20l8 -8`"
                />
                <text y="36" text-anchor="middle">{{ dimension(n('spacing_mm'), units) }} to the next</text>
            </g>
        </svg>
    </div>
</template>

<style scoped>
.holder {
    width: 100%;
    height: 100%;
    min-height: 260px;
}
.cup {
    fill: var(--cup);
    stroke: var(--ink);
    stroke-width: 2;
}
text.part {
    font-size: 15px !important;
    font-weight: 700;
}
.stone {
    fill: var(--stone);
    stroke: var(--ink);
    stroke-width: 2;
}
.bubble {
    fill: none;
    stroke: var(--water);
}
.bottle {
    fill: var(--cup);
    stroke: var(--ink);
    stroke-width: 2;
}
.hole {
    fill: var(--water-wash);
    stroke: var(--ink);
    stroke-width: 2;
}
</style>
