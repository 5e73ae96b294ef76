<script setup lang="ts">
/** A sign as a small drawing: one plant in its cup over water, and what is amiss with it. */
import { computed } from 'vue';

const props = defineProps<{ sign: string }>();

const is = (...keys: string[]): boolean => keys.includes(props.sign);
const leaf = computed(() => ({
    old: is('pale-old-leaves') ? 'pale' : 'green',
    young: is('pale-new-leaves') ? 'pale' : 'green',
}));
/** Leaves: two old ones low, two young ones high; hanging, they point down. */
const old_ = computed(() =>
    is('wilting') ? 'M26 25q-9 0 -11 10q8 0 11 -8M26 25q9 0 11 10q-8 0 -11 -8' : 'M26 25q-11 -8 -16 0q6 7 16 2M26 25q11 -8 16 0q-6 7 -16 2',
);
const young = computed(() =>
    is('wilting') ? 'M26 15q-7 0 -8 8q6 0 8 -6M26 15q7 0 8 8q-6 0 -8 -6' : 'M26 16q-8 -8 -12 -3q3 6 12 4M26 16q8 -8 12 -3q-3 6 -12 4',
);
</script>

<template>
    <svg viewBox="0 0 52 60" width="52" height="60" aria-hidden="true" :class="sign">
        <rect v-if="!is('not-up')" x="4" y="44" width="44" height="14" class="water" :class="{ green: is('green-film') }" />
        <rect v-else x="4" y="44" width="44" height="14" class="water" />
        <path v-if="is('green-film')" d="M4 45q4 -3 8 0t8 0t8 0t8 0t8 0t4 0M5 47v10M47 47v10" class="film" />
        <g :transform="is('leaning') ? 'rotate(34 26 38)' : ''">
            <template v-if="is('leggy')">
                <path d="M26 37C25 26 28 18 25 5" class="stem" />
                <path d="M25 8q-5 -4 -8 -1q3 4 8 2M25 8q5 -4 8 -1q-3 4 -8 2" class="green" />
            </template>
            <template v-else-if="!is('not-up')">
                <path d="M26 37V12" class="stem" :class="{ purple: is('purple-stems') }" />
                <path :d="old_" :class="leaf.old" />
                <path :d="young" :class="leaf.young" />
                <path v-if="is('burnt-tips')" d="M10 25l5 -3v6zM42 25l-5 -3v6zM14 13l4 -1v4zM38 13l-4 -1v4z" class="burnt" />
                <path v-if="is('purple-stems')" d="M26 25l-8 0M26 25l8 0M26 16l-6 -1M26 16l6 -1" class="stem purple" />
            </template>
        </g>
        <path d="M16 36h20l-3 10h-14z" class="cup" />
        <path v-if="is('dry-plug')" d="M21 37h10v7h-10zM23 39l2 3M27 38l2 4" class="dry" />
        <path v-if="is('white-crust')" d="M15 36q2 -4 4 -1q3 -4 5 0q3 -4 5 0q3 -4 5 0l3 1z" class="crust" />
        <template v-if="is('not-up')">
            <ellipse cx="24" cy="39" rx="2.4" ry="1.6" class="seed" />
            <ellipse cx="29" cy="40" rx="2.4" ry="1.6" class="seed" />
        </template>
        <path
            v-if="is('brown-roots', 'stained-roots', 'smell')"
            d="M22 46q-2 5 -1 10M25 46q1 6 -1 11M28 46q0 5 2 10M31 46q1 4 4 8"
            :class="is('brown-roots') ? 'rot' : is('stained-roots') ? 'stained' : 'root'"
        />
        <path v-if="is('brown-roots')" d="M20 53l4 3M28 52l3 4" class="rot" />
        <path v-if="is('smell')" d="M8 40q3 -4 0 -8M44 40q-3 -4 0 -8M13 38q3 -4 0 -8" class="odour" />
        <template v-if="is('weak-bubbles', 'no-bubbles')">
            <rect x="20" y="54" width="12" height="4" class="stone" />
            <circle v-if="is('weak-bubbles')" cx="27" cy="50" r="1.5" class="bubble" />
            <path v-else d="M18 47l16 8M34 47l-16 8" class="cross" />
        </template>
        <g v-if="is('insects')" class="fly">
            <circle cx="11" cy="42" r="1.6" />
            <circle cx="41" cy="41" r="1.6" />
            <circle cx="38" cy="49" r="1.6" />
            <path d="M9 40l-3 -2M13 40l3 -2M39 39l-3 -2M43 39l3 -2" />
        </g>
    </svg>
</template>

<style scoped>
svg {
    display: block;
}
path,
rect,
circle,
ellipse {
    stroke: var(--ink);
    stroke-width: 1;
    fill: none;
}
.water {
    fill: var(--water-wash);
    stroke: var(--water);
}
.water.green {
    fill: color-mix(in srgb, var(--kelp) 45%, var(--water-wash));
}
.film {
    stroke: var(--kelp);
    stroke-width: 2.4;
}
.stem {
    stroke: var(--kelp);
    stroke-width: 1.8;
}
.stem.purple {
    stroke: var(--mend);
    stroke-width: 2.6;
}
.green {
    fill: var(--kelp);
    stroke: none;
}
.pale {
    fill: #e2dc9a;
    stroke: var(--pale);
}
.burnt {
    fill: #7b4a22;
    stroke: none;
}
.cup {
    fill: var(--cup);
}
.dry {
    fill: var(--sand);
    stroke: var(--stop);
}
.crust {
    fill: #fff;
}
.seed {
    fill: var(--root);
}
.root {
    stroke: var(--root);
    stroke-width: 1.6;
}
.rot {
    stroke: #6d431f;
    stroke-width: 2.6;
}
.stained {
    stroke: #c58d4c;
    stroke-width: 1.8;
}
.odour {
    stroke: var(--stop);
}
.stone {
    fill: var(--stone);
}
.bubble {
    fill: var(--sheet);
    stroke: var(--water);
}
.cross {
    stroke: var(--stop);
    stroke-width: 1.8;
}
.fly circle {
    fill: var(--ink);
}
</style>
