<script setup lang="ts">
/** A cup, a saw or a crop of the Library to scale, drawn while its measures are typed. */
import { computed, ref } from 'vue';
import PlantDrawing from '../drawing/PlantDrawing.vue';
import { formOf } from '../drawing/plants';
import { useBox } from '../drawing/useBox';
import { dimension, length, type Units } from '../kit/format';
import type { Habit } from '../kit/library';
import type { Draft, Kind } from './shelves';

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
const marks = computed(() => Array.from({ length: Math.floor(Math.max(n('mature_height_mm'), 300) / 100) + 1 }, (_, i) => i * 100));
</script>

<template>
    <div ref="box" class="holder">
        <svg
            v-if="size.width && kind === 'cups'"
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
                    :form="formOf(item.key ?? '', item.habit as Habit)"
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
.hole {
    fill: var(--water-wash);
    stroke: var(--ink);
    stroke-width: 2;
}
</style>
