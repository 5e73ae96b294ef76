<script setup lang="ts">
/** A vessel of the Library cut open, to scale, with what it really holds: the core's answer while its measures are typed. */
import { ref, watch } from 'vue';
import { useTurns } from '../kit/turns';
import SectionDrawing from '../drawing/SectionDrawing.vue';
import type { Fault } from '../kit/api';
import type { Units } from '../kit/format';
import type { Report } from '../types/report';
import type { Draft } from './shelves';

const props = defineProps<{ item: Draft; units: Units }>();
const emit = defineEmits<{ faults: [faults: Fault[]] }>();

const report = ref<Report | null>(null);
const { ask } = useTurns();

watch(
    () => JSON.stringify([props.item, props.units]),
    async () => {
        const garden = {
            format: 'kelp-tub.garden',
            version: 1,
            units: props.units,
            tubs: [{ id: 'v', system: 'passive', vessel: props.item, layout: { pattern: 'single', cups: 1 } }],
        };
        const answer = await ask<Report>('preview', { body: JSON.stringify(garden) });
        if (!answer) return;
        if (answer.kind === 'done') {
            report.value = answer.data;
            emit('faults', []);
        } else if (answer.kind === 'refused') {
            emit(
                'faults',
                answer.faults.map((f) => ({ ...f, pointer: f.pointer.replace('/tubs/0/vessel', '') })),
            );
        }
    },
    { immediate: true },
);
</script>

<template>
    <div class="holder">
        <SectionDrawing v-if="report?.tubs[0]" :tub="report.tubs[0]" :units="units" />
        <ul v-if="report" class="small">
            <li v-for="f in report.findings.filter((f) => ['vessel.label', 'vessel.taper', 'vessel.fill'].includes(f.code))" :key="f.code">
                {{ f.says }}
            </li>
        </ul>
    </div>
</template>

<style scoped>
.holder {
    height: 100%;
    min-height: 300px;
    display: grid;
    grid-template-rows: minmax(0, 1fr) auto;
}
ul {
    margin: 0;
    padding-left: 1.1rem;
    color: var(--mind-text);
}
</style>
