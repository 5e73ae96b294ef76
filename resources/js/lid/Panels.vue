<script setup lang="ts">
/** A moulded lid's panels: filled in rows, or drawn by their corners, repeated and mirrored; then a hole in each. */
import { computed, ref, watch } from 'vue';
import Counter from '../kit/Counter.vue';
import { vesselInPlace } from '../kit/edits';
import Fold from '../kit/Fold.vue';
import { useGarden } from '../kit/garden';
import Measure from '../kit/Measure.vue';
import type { Tub } from '../types/garden';
import { filled, mirrored, MOST_PANELS, repeated, single, type Panel } from './panels';

/** Most moulded lids are plain this far in from their edge, mm. */
const BORDER_MM = 15;

const garden = useGarden();
const report = computed(() => garden.tubReport.value!);
const lid = computed(() => report.value.shape.lid);
const panels = computed<Panel[]>(() => lid.value.panels.map((p) => p.corners));
const at = computed(() => `/tubs/${garden.index.value}/vessel/lid/panels`);
const rows = ref(2);
const each = ref(5);
const border = ref(BORDER_MM);
const times = ref(5);
const chosen = ref(0);
watch(
    () => panels.value.length,
    (now) => {
        chosen.value = Math.max(0, now - 1);
    },
    { immediate: true },
);
const panel = computed(() => panels.value[chosen.value] ?? null);

function set(says: string, edit: (panels: Panel[]) => Panel[]): void {
    garden.changeTub(says, (t) => {
        const outline = (vesselInPlace(t, garden.library).lid ??= {});
        // From what the garden holds, not from what was last answered on: a press may come sooner than its answer.
        const next = edit(JSON.parse(JSON.stringify(outline.panels ?? [])) as Panel[]);
        if (next.length) outline.panels = next;
        else delete outline.panels;
    });
}

/** A corner is written as a tape has it: from the lid's left and front edge. */
function setCorner(i: number, key: 'x_mm' | 'y_mm', value: number | null): void {
    if (value === null) return;
    const half = (key === 'x_mm' ? lid.value.length_mm : lid.value.width_mm) / 2;
    set('move a corner', (list) => {
        list[chosen.value]![i]![key] = value - half;
        return list;
    });
}

/** Where the middle of a panel lies is for the application to say, of the panels as they are now. */
async function holeInEach(): Promise<void> {
    const id = report.value.id;
    const now = (await garden.previewer.answered()).tubs.find((tub) => tub.id === id);
    if (!now) return;
    const put = (t: Tub): void => {
        t.layout = { ...t.layout, pattern: 'manual', holes: now.shape.lid.panels.map((p) => ({ ...p.middle })) };
    };
    garden.changeTub('put a hole in each panel', put, id);
}
const tooMany = computed(() => rows.value * each.value > MOST_PANELS);
</script>

<template>
    <Fold title="Panels of a moulded lid" :open="panels.length > 0">
        <div class="panels">
            <template v-if="panels.length === 0">
                <p class="small faint">A lid moulded in triangles or squares: fill it in rows, or draw one by its corners and repeat it.</p>
                <Counter label="Rows" :model-value="rows" :most="20" @update:model-value="(v) => (rows = v)" />
                <Counter label="In each row" :model-value="each" :most="50" @update:model-value="(v) => (each = v)" />
                <Measure
                    label="Plain border"
                    dimension="length"
                    :model-value="border"
                    @update:model-value="(v) => v !== null && v >= 0 && (border = v)"
                />
                <p v-if="tooMany" class="small wrong">{{ rows * each }} panels; a lid takes {{ MOST_PANELS }} at most.</p>
                <div class="row">
                    <button
                        v-for="shape in ['triangle', 'square'] as const"
                        :key="shape"
                        type="button"
                        class="box"
                        :data-act="`fill-${shape}`"
                        :disabled="tooMany"
                        @click="set('fill the lid with panels', () => filled(shape, rows, each, lid, border))"
                    >
                        {{ shape === 'triangle' ? 'Triangles' : 'Squares' }}
                    </button>
                </div>
                <div class="row">
                    <button
                        v-for="shape in ['triangle', 'square'] as const"
                        :key="shape"
                        type="button"
                        class="word small"
                        :data-act="`draw-${shape}`"
                        @click="set('draw a panel', () => [single(shape, lid)])"
                    >
                        {{ shape === 'triangle' ? 'Draw one triangle' : 'Draw one square' }}
                    </button>
                </div>
            </template>
            <template v-else>
                <button type="button" class="box strong" data-act="hole-in-each" @click="holeInEach">
                    A hole in each of {{ panels.length }}
                </button>
                <Counter
                    v-if="panels.length > 1"
                    label="Panel"
                    :model-value="chosen + 1"
                    :most="panels.length"
                    @update:model-value="(v) => (chosen = v - 1)"
                />
                <fieldset v-if="panel" :key="chosen">
                    <legend>Panel {{ chosen + 1 }}: corners from the left and the front edge</legend>
                    <template v-for="(c, i) in panel" :key="i">
                        <Measure
                            :label="`${i + 1}, left`"
                            dimension="length"
                            :model-value="c.x_mm + lid.length_mm / 2"
                            :at="`${at}/${chosen}`"
                            @update:model-value="(v) => setCorner(i, 'x_mm', v)"
                        />
                        <Measure
                            :label="`${i + 1}, front`"
                            dimension="length"
                            :model-value="c.y_mm + lid.width_mm / 2"
                            @update:model-value="(v) => setCorner(i, 'y_mm', v)"
                        />
                    </template>
                </fieldset>
                <Counter label="Repeat to the right" :model-value="times" :most="MOST_PANELS" @update:model-value="(v) => (times = v)" />
                <div class="row">
                    <button
                        type="button"
                        class="box"
                        data-act="repeat-panel"
                        @click="set('repeat a panel', (list) => repeated(list, times))"
                    >
                        Repeat the last, turned about
                    </button>
                </div>
                <div class="row">
                    <button type="button" class="box" @click="set('mirror the panels', (list) => mirrored(list, 'across'))">
                        Mirror ↔
                    </button>
                    <button type="button" class="box" @click="set('mirror the panels', (list) => mirrored(list, 'along'))">Mirror ↕</button>
                </div>
                <div class="row">
                    <button
                        type="button"
                        class="word small"
                        data-act="remove-panel"
                        @click="set('remove a panel', (list) => list.filter((_, i) => i !== chosen))"
                    >
                        Remove panel {{ chosen + 1 }}
                    </button>
                    <button type="button" class="word small" @click="set('remove all panels', () => [])">Remove all</button>
                </div>
            </template>
        </div>
    </Fold>
</template>

<style scoped>
.panels {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    gap: 0.6rem;
    padding-top: 0.4rem;
}
.row {
    display: flex;
    flex-wrap: wrap;
    gap: 0.4rem 0.8rem;
}
fieldset {
    border: 0;
    padding: 0;
    margin: 0;
    display: grid;
    gap: 0.3rem;
}
legend {
    padding: 0 0 0.3rem;
    color: var(--faint);
    font-size: 0.875rem;
}
.row .word {
    text-decoration: underline;
    text-underline-offset: 3px;
}
.wrong {
    color: var(--stop-text);
}
</style>
