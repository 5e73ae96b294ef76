<script setup lang="ts">
/** The tub this evening, as eyes and a stick tell it: the Bench's own drawing, with the levels that matter named beside it. */
import { computed, ref } from 'vue';
import TubElevation from '../drawing/TubElevation.vue';
import { baseOf, spreadLabels, topOf, widthOf } from '../drawing/shape';
import { useBox } from '../drawing/useBox';
import { length, temperature, type Units } from '../kit/format';
import type { Seen, SoFar } from '../types/dry-run';
import type { TubReport } from '../types/report';

const props = defineProps<{
    tub: TubReport;
    seen: Seen;
    soFar: SoFar;
    units: Units;
    /** Without names of levels, where there is little room. */
    bare?: boolean;
}>();

const TOP = 12;
const BOTTOM = 26;
const AIR = { many: 1, few: 0.3, none: 0 };
const LOOKS = { well: '', pale: 'pale', wilting: 'they hang', dead: 'dead' };

const box = ref<HTMLElement | null>(null);
const size = useBox(box);
const growth = computed(() => Math.max(0.08, props.seen.growth));
const tall = computed(() => topOf(props.tub) + Math.max(60, ...props.tub.shape.crops.map((c) => c.mature_height_mm)) + 20);
/** Room for names on the left, and for the stick on the right. */
const side = computed(() => (props.bare ? 10 : size.width < 480 ? 96 : 128));
const right = computed(() => (props.bare ? 98 : side.value));
const scale = computed(() =>
    Math.max(0.03, Math.min((size.width - side.value - right.value) / widthOf(props.tub), (size.height - TOP - BOTTOM) / tall.value)),
);
const ground = computed(() => size.height - BOTTOM);
const middle = computed(() => side.value + (size.width - side.value - right.value) / 2);
const y = (mm: number): number => ground.value - (baseOf(props.tub) + props.tub.shape.floor_mm + mm) * scale.value;
const wall = computed(() => (widthOf(props.tub) / 2) * scale.value);
const names = computed(() => {
    const list = [
        { key: 'cup', mm: props.soFar.cup_bottom_mm, text: 'cups end', sub: length(props.soFar.cup_bottom_mm, props.units) },
        { key: 'line', mm: props.soFar.line_mm, text: 'water line', sub: length(props.soFar.line_mm, props.units) },
        { key: 'lowest', mm: props.soFar.lowest_mm, text: 'lowest useful', sub: length(props.soFar.lowest_mm, props.units) },
    ];
    const ys = spreadLabels(
        list.map((item) => y(item.mm)),
        30,
        TOP + 8,
        ground.value - 14,
    );
    return list.map((item, i) => ({ ...item, at: y(item.mm), labelY: ys[i] ?? 0 }));
});
const says = computed(() =>
    [
        `day ${props.seen.day}`,
        props.seen.level_mm === 0 ? 'dry' : `water at ${length(props.seen.level_mm, props.units)}`,
        props.seen.bubbles === null ? '' : `${props.seen.bubbles === 'none' ? 'no' : props.seen.bubbles} bubbles`,
        props.seen.green ? 'green water' : '',
        LOOKS[props.seen.leaves] ? `leaves: ${LOOKS[props.seen.leaves]}` : '',
    ]
        .filter(Boolean)
        .join(', '),
);
</script>

<template>
    <div ref="box" class="holder" :class="{ green: seen.green }">
        <svg v-if="size.width" class="drawing" :width="size.width" :height="size.height" role="img" :aria-label="`${tub.name}: ${says}`">
            <line class="pen" x1="2" :x2="size.width - 2" :y1="ground" :y2="ground" />
            <g v-for="n in bare ? [] : names" :key="n.key">
                <path class="hair" :d="`M${side - 22} ${n.labelY}L${middle - wall - 14} ${n.at}H${middle - wall - 2}`" />
                <text :x="side - 26" :y="n.labelY - 1" text-anchor="end" class="strong">{{ n.text }}</text>
                <text :x="side - 26" :y="n.labelY + 12" text-anchor="end" class="quiet">{{ n.sub }}</text>
            </g>
            <g :transform="`translate(${middle} ${ground})`">
                <TubElevation
                    :tub="tub"
                    :scale="scale"
                    :growth="growth"
                    :looks="seen.leaves"
                    :level="seen.level_mm"
                    :air="seen.bubbles === null ? 1 : AIR[seen.bubbles]"
                />
            </g>
            <!-- The stick, read beside the tub. -->
            <g>
                <path class="stick" :d="`M${middle + wall + 22} ${y(0)}V${y(soFar.cup_bottom_mm) - 16}`" />
                <path v-if="seen.level_mm > 0" class="wetted" :d="`M${middle + wall + 22} ${y(0)}V${y(seen.level_mm)}`" />
                <path class="fine" :d="`M${middle + wall + 16} ${y(seen.level_mm)}h16`" />
                <text :x="middle + wall + 38" :y="y(seen.level_mm) + 4" class="strong wet read">
                    {{ seen.level_mm === 0 ? 'dry' : length(seen.level_mm, units) }}
                </text>
            </g>
            <text v-if="!bare" :x="size.width - 6" :y="TOP + 4" text-anchor="end" class="quiet">
                air {{ temperature(seen.air_c, units) }}
            </text>
            <text v-if="LOOKS[seen.leaves]" :x="middle" :y="size.height - 6" text-anchor="middle" class="strong ill">
                {{ seen.leaves === 'pale' ? 'the leaves are pale' : seen.leaves === 'wilting' ? 'the leaves hang' : 'they are dead' }}
            </text>
        </svg>
    </div>
</template>

<style scoped>
.holder {
    flex: 1;
    min-height: 220px;
    width: 100%;
}
.green {
    --water-wash: #b7c98d;
    --water: #5f7f2f;
}
:root.night .green {
    --water-wash: #45552a;
    --water: #9dbb63;
}
.stick {
    stroke: var(--sand);
    stroke-width: 7;
}
.wetted {
    stroke: var(--water);
    stroke-width: 7;
}
.read {
    font-size: 15px;
}
.ill {
    fill: var(--stop-text);
}
</style>
