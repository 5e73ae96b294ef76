<script setup lang="ts">
/** Where the money goes, drawn to scale, and where the cap lies. */
import { money } from '../kit/format';
import type { Report } from '../types/report';

defineProps<{ budget: Report['budget']; groups: { kind: string; name: string; cost: number }[]; full: number }>();
</script>

<template>
    <div
        class="where"
        role="img"
        :aria-label="`Outlay ${money(budget.outlay)} ${budget.currency}${budget.cap === null ? '' : ` of a cap of ${money(budget.cap)}`}`"
    >
        <i v-for="g in groups" :key="g.kind" :class="g.kind" :style="{ width: `${(g.cost / full) * 100}%` }"
            ><span v-if="g.cost / full > 0.13">{{ g.name }} {{ money(g.cost) }}</span></i
        >
        <b v-if="budget.cap !== null" :style="{ left: `${(budget.cap / full) * 100}%` }"
            ><span>cap {{ money(budget.cap) }}</span></b
        >
    </div>
</template>

<style scoped>
.where {
    display: flex;
    position: relative;
    height: 34px;
    border: 1px solid var(--ink);
    margin: 1.6rem 0 0.8rem;
    background: var(--sheet);
}
.where i {
    display: block;
    border-right: 1px solid var(--ink);
    font-style: normal;
    font-size: 12px;
    line-height: 32px;
    padding-left: 6px;
    overflow: hidden;
    white-space: nowrap;
}
.where i.part {
    background: var(--water-wash);
}
.where i.consumable {
    background: var(--shoal);
}
.where i.extra {
    background: var(--sand);
}
.where i.tool {
    background: var(--cup);
}
.where b {
    position: absolute;
    top: -7px;
    bottom: -7px;
    width: 2px;
    background: var(--ink);
}
.where b span {
    position: absolute;
    bottom: 100%;
    right: 0;
    white-space: nowrap;
    font-size: 12px;
    font-weight: 600;
}
</style>
