<script setup lang="ts">
/** A plug cut through for each crop, with its seeds or its seedlings, and when each is sown, up and ready, up to the day of planting. */
import { computed, ref } from 'vue';
import { useBox } from '../drawing/useBox';
import type { Sown } from '../types/answers';

const props = defineProps<{ sown: Sown[]; raised: boolean }>();

const box = ref<HTMLElement | null>(null);
const size = useBox(box);
const MOST_PLUGS = 4;
const BAR = 34;
const shown = computed(() => props.sown.slice(0, MOST_PLUGS));
const days = computed(() => Math.max(1, ...props.sown.map((s) => s.ready_days)));
const left = 96;
const bar = computed(() => Math.max(40, size.width - left - 24));
const bars = computed(() => size.height - 30 - BAR * shown.value.length);
const plug = computed(() => Math.max(34, Math.min(140, (bars.value - 130) * 0.66, (size.width / shown.value.length) * 0.36)));
const foot = computed(() => Math.max(plug.value + 70, bars.value - 72));
const middle = (i: number): number => ((i + 0.5) * size.width) / shown.value.length;
/** Where seeds lie: on the top, just under it, or deep. */
const depth = (s: Sown): number => ({ light: -2, either: 5, dark: plug.value * 0.26 })[s.in];
const lying = (s: Sown): number[] => spread(s.seeds, Math.min(7, (plug.value * 0.5) / Math.max(1, s.seeds)));
const standing = (s: Sown): number[] => spread(s.leave, Math.min(16, (plug.value * 0.7) / Math.max(1, s.leave)));
const spread = (n: number, by: number): number[] => Array.from({ length: n }, (_, i) => (i - (n - 1) / 2) * by);
const x = (before: number): number => left + bar.value * (1 - before / days.value);
const put = { light: 'on top, in light', either: 'just under the top', dark: 'deep, in the dark' } as const;
const text = computed(() =>
    props.sown
        .map(
            (s) =>
                `${s.name}: ${s.seeds} ${s.seeds === 1 ? 'seed' : 'seeds'} to a plug, ${put[s.in]}, ` +
                `sown ${s.ready_days} days before planting, ` +
                `up after ${s.up_days}, ${s.leave} left to stand.`,
        )
        .join(' '),
);
</script>

<template>
    <div ref="box" class="holder">
        <svg v-if="size.width" class="drawing" :width="size.width" :height="size.height" role="img" :aria-label="text">
            <g v-for="(s, i) in shown" :key="s.crop" :transform="`translate(${middle(i)} ${foot})`">
                <path v-if="!raised" class="dome" :d="`M${-plug} 2V${-plug - 34}q0 -22 22 -22H${plug - 22}q22 0 22 22V2`" />
                <path class="bench" :d="`M${-plug * 1.1} ${raised ? 22 : 2}H${plug * 1.1}`" />
                <rect class="plug" :x="-plug / 2" :y="-plug" :width="plug" :height="plug" />
                <template v-if="raised">
                    <path
                        v-for="(at, r) in spread(5, plug * 0.2)"
                        :key="`r${r}`"
                        class="root"
                        :d="`M${at * 0.3} ${-plug * 0.8}q${at * 0.9} ${plug * 0.45} ${at} ${plug * 0.8 + 10 + (r % 2) * 7}`"
                    />
                    <g v-for="at in standing(s)" :key="at" :transform="`translate(${at} ${-plug})`">
                        <path class="stem" d="M0 4V-20" />
                        <path class="leaf" d="M0 -20q-15 -12 -19 2q10 6 19 -2zM0 -20q15 -12 19 2q-10 6 -19 -2z" />
                        <path class="leaf" d="M0 -20q-6 -14 0 -21q6 7 0 21z" />
                    </g>
                </template>
                <template v-else>
                    <path v-if="s.in !== 'light'" class="hole" :d="`M-5 ${-plug}V${-plug + depth(s) + 4}H5V${-plug}`" />
                    <ellipse v-for="at in lying(s)" :key="at" class="seed" :cx="at" :cy="-plug + depth(s)" rx="2.6" ry="2" />
                </template>
                <text :y="raised ? 38 : 22" text-anchor="middle" class="strong">{{ s.name }}</text>
                <text :y="raised ? 54 : 38" text-anchor="middle" class="quiet">
                    {{ raised ? `${s.leave} left in each of ${s.plugs}` : `${s.seeds} in each of ${s.plugs}, ${put[s.in]}` }}
                </text>
            </g>
            <g :transform="`translate(0 ${bars})`">
                <g v-for="(s, i) in shown" :key="s.crop" :transform="`translate(0 ${i * BAR})`">
                    <text x="8" y="18">{{ s.name }}</text>
                    <path class="dark" :d="`M${x(s.ready_days)} 14H${x(s.ready_days - s.up_days)}`" />
                    <path class="light" :d="`M${x(s.ready_days - s.up_days)} 14H${x(0)}`" />
                    <circle class="at" :cx="x(s.ready_days)" cy="14" r="3.5" />
                    <circle class="at" :cx="x(s.ready_days - s.up_days)" cy="14" r="3.5" />
                    <text :x="x(s.ready_days)" y="30" class="quiet">−{{ s.ready_days }} d sow</text>
                    <text v-if="x(s.ready_days - s.up_days) - x(s.ready_days) > 64" :x="x(s.ready_days - s.up_days)" y="30" class="quiet">
                        up
                    </text>
                </g>
                <path class="fine" :d="`M${x(0)} 0V${shown.length * BAR}`" />
                <text :x="x(0)" :y="shown.length * BAR + 14" text-anchor="end">plants go in</text>
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
.plug {
    fill: var(--cup);
    stroke: var(--ink);
    stroke-width: 1.4;
}
.hole,
.bench {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1;
}
.dome {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1;
    stroke-dasharray: 5 4;
}
.seed,
.at {
    fill: var(--ink);
}
.root {
    fill: none;
    stroke: var(--root);
    stroke-width: 1.1;
}
.stem {
    fill: none;
    stroke: var(--kelp);
    stroke-width: 2;
}
.leaf {
    fill: var(--kelp);
}
.dark {
    stroke: var(--ink);
    stroke-width: 3;
}
.light {
    stroke: var(--kelp);
    stroke-width: 3;
}
</style>
