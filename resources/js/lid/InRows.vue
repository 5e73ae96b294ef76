<script setup lang="ts">
/** Holes in rows and columns, as far apart as the grower says: a lid that is drilled already, or a distance of one's own. */
import { computed, ref, watch } from 'vue';
import Counter from '../kit/Counter.vue';
import Fold from '../kit/Fold.vue';
import { length } from '../kit/format';
import { useGarden } from '../kit/garden';
import Measure from '../kit/Measure.vue';
import { inProportion, inRows, rowsOf } from './layouts';

/** No lid gets more holes. */
const MOST = 200;
/** Where there is nothing yet that could be kept. */
const USUAL_MM = 150;

const garden = useGarden();
const report = computed(() => garden.tubReport.value!);
const rows = ref(1);
const columns = ref(1);
const apart = ref(USUAL_MM);
const open = ref(false);

/** It begins with what stands there. */
watch(
    () => [open.value, report.value.id],
    () => {
        const { holes, spacing_mm } = report.value.layout;
        const { length_mm, width_mm } = report.value.shape.lid;
        const now = rowsOf(holes) ?? inProportion(holes.length, length_mm / width_mm);
        [rows.value, columns.value] = [now.rows, now.columns];
        apart.value = Math.round(Math.min(spacing_mm ?? USUAL_MM, length_mm / now.columns, width_mm / now.rows));
    },
);

/** From the first centre to the last, to be held against the lid before anything is moved. */
const across = computed(() => {
    const { length_mm, width_mm } = report.value.shape.lid;
    const [long, wide] = [(columns.value - 1) * apart.value, (rows.value - 1) * apart.value];
    const over = long + report.value.hole.diameter_mm > length_mm || wide + report.value.hole.diameter_mm > width_mm;
    const shown = (mm: number): string => length(mm, garden.units.value);
    const says = `Centres span ${shown(long)} by ${shown(wide)} of a lid of ${shown(length_mm)} by ${shown(width_mm)}.`;
    return { over, says: over ? `${says} Take fewer, or put them nearer.` : says };
});
const tooMany = computed(() => rows.value * columns.value > MOST);

function layOut(): void {
    if (tooMany.value) return;
    garden.changeTub('lay out rows and columns', (t) => {
        t.layout = { ...t.layout, pattern: 'manual', holes: inRows(rows.value, columns.value, apart.value) };
    });
}
</script>

<template>
    <Fold title="Rows and columns" :open="open" @toggle="(now) => (open = now)">
        <div class="rows">
            <Counter label="Rows" :model-value="rows" @update:model-value="(v) => (rows = v)" />
            <Counter label="In each row" :model-value="columns" @update:model-value="(v) => (columns = v)" />
            <Measure
                label="Apart"
                dimension="length"
                :model-value="apart"
                @update:model-value="(v) => v !== null && v > 0 && (apart = v)"
            />
            <p class="small" :class="across.over || tooMany ? 'wrong' : 'faint'">
                {{ tooMany ? `${rows * columns} holes; a lid takes ${MOST} at most. Take fewer.` : across.says }}
            </p>
            <button type="button" class="box" data-act="rows" :disabled="tooMany" @click="layOut">
                Lay out {{ rows }} × {{ columns }}
            </button>
        </div>
    </Fold>
</template>

<style scoped>
.rows {
    display: grid;
    gap: 0.6rem;
    justify-items: start;
    padding-top: 0.4rem;
}
.rows > :not(button) {
    width: 100%;
}
.wrong {
    color: var(--stop-text);
}
</style>
