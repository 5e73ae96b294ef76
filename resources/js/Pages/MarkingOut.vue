<script setup lang="ts">
/** One page to take to the bench: the lid with its dimensions, where each hole goes, and what cuts it. */
import Caution from '../kit/Caution.vue';
import { Head } from '@inertiajs/vue3';
import { computed, onMounted } from 'vue';
import LidPlan from '../drawing/LidPlan.vue';
import { dimension, length, number, type Units } from '../kit/format';
import { Previewer } from '../kit/previewer';
import type { Garden } from '../types/garden';
import type { Report } from '../types/report';

const props = defineProps<{ id: string; name: string; tub: string; units: Units; document: string; report: string }>();

/** Only final holes are marked out: a layout that takes longer to find is waited for. */
const document = JSON.parse(props.document) as Garden;
const previewer = new Previewer(JSON.parse(props.report) as Report, document, () => props.tub);
const find = (): void => void previewer.finish(document);
onMounted(find);
const report = previewer.report;
const tub = computed(() => report.value.tubs.find((t) => t.id === props.tub)!);
/** What the lid and its cups have against these holes: better read before the first cut than after it. */
const against = computed(() =>
    report.value.findings.filter((f) => f.tub === props.tub && f.severity !== 'mind' && /^(lid|cup)\./.test(f.code)),
);
const waiting = computed(() => tub.value.layout.pending && !tub.value.shape.in_mouth);
const lid = computed(() => tub.value.shape.lid);
const sizes = computed(() =>
    [tub.value.hole, tub.value.hole_2].flatMap((hole, i) =>
        hole && hole.count > 0 ? [{ hole, cup: tub.value.shape.cups[i]!, mark: i + 1 }] : [],
    ),
);
const cropName = (key: string | null): string => tub.value.shape.crops.find((c) => c.key === key)?.name ?? '';
/** Many holes go on one page all the same: smaller, in more columns, under a smaller drawing. */
const dense = computed(() => tub.value.layout.holes.length > 36);
const crowded = computed(() => tub.value.layout.holes.length > 80);
const columns = computed(() => {
    const rows = tub.value.layout.holes.map((h, i) => ({ ...h, n: i + 1 }));
    const each = Math.max(
        1,
        Math.ceil(rows.length / Math.min(crowded.value ? 6 : dense.value ? 4 : 3, Math.max(1, Math.ceil(rows.length / 10)))),
    );
    return Array.from({ length: Math.ceil(rows.length / each) }, (_, i) => rows.slice(i * each, (i + 1) * each));
});
const print = (): void => window.print();
</script>

<template>
    <Head :title="`Marking out, ${tub.name}`" />
    <div class="desk">
        <nav class="acts">
            <a :href="`/gardens/${id}/${encodeURIComponent(tub.id)}/lid`">Back to the lid</a>
            <button type="button" class="box strong" :disabled="waiting" @click="print">Print</button>
        </nav>
        <main class="sheet" :class="{ dense, crowded }">
            <header>
                <h1>{{ tub.name }}</h1>
                <p>
                    {{ name }} · lid from above{{ tub.count > 1 ? `, ${tub.count} alike` : '' }} ·
                    {{ units === 'us' ? 'inches, to a sixteenth' : 'millimetres, to a half' }}
                </p>
            </header>
            <p v-if="tub.shape.in_mouth" class="none">Nothing is cut here: the cup hangs in the mouth by its lip.</p>
            <p v-else-if="waiting" class="none" role="status">
                <template v-if="previewer.settling.value"
                    >The best places for the holes are being found. The sheet waits for them.</template
                >
                <template v-else>
                    The best places for the holes were not found yet.
                    <button type="button" class="word" @click="find">Go on looking</button>
                </template>
            </p>
            <template v-else>
                <p v-if="against[0]" class="against">
                    <b class="severity" :class="against[0].severity">{{ against[0].severity === 'stop' ? 'Stop' : 'Mend' }}</b>
                    {{ against[0].says }}<template v-if="against.length > 1"> {{ against.length - 1 }} more at the Lid mark.</template>
                </p>
                <div class="plan"><LidPlan :tub="tub" :units="units" caption="Not to scale; trust the figures" /></div>
                <div class="facts">
                    <p v-for="{ hole, cup, mark } in sizes" :key="mark">
                        <b>{{ hole.count }} holes of {{ length(hole.diameter_mm, units) }}</b
                        ><br />{{ hole.saw ? `${hole.saw} saw` : 'traced, cut with a knife' }}, for the {{ cup.name }}
                    </p>
                    <p>
                        <b
                            >Lid
                            {{
                                lid.round
                                    ? `Ø ${length(lid.length_mm, units)}`
                                    : `${length(lid.length_mm, units)} by ${length(lid.width_mm, units)}`
                            }}</b
                        ><br />outside, {{ length(lid.thickness_mm, units) }} thick
                    </p>
                    <p v-if="tub.layout.spacing_mm !== null">
                        <b>Hole distance {{ length(tub.layout.spacing_mm, units) }}</b
                        ><br />{{ length(tub.layout.web_mm ?? 0, units) }} of lid between holes
                    </p>
                    <p v-if="tub.levels.tube_entry_mm !== null">
                        <b>Tube hole</b><br />{{
                            tub.shape.tube_through_lid
                                ? 'through the lid, by its edge'
                                : `in the wall, ${length(tub.levels.rim_mm - tub.levels.tube_entry_mm, units)} down from the rim`
                        }}
                    </p>
                </div>
                <div class="tables">
                    <table v-for="(rows, i) in columns" :key="i">
                        <thead>
                            <tr>
                                <th scope="col">hole</th>
                                <th scope="col">{{ lid.round ? 'radius' : 'from left' }}</th>
                                <th scope="col">{{ lid.round ? 'angle' : 'from front' }}</th>
                                <th v-if="tub.shape.crops.length > 1" scope="col">crop</th>
                            </tr>
                        </thead>
                        <tbody>
                            <tr v-for="h in rows" :key="h.n">
                                <td>{{ h.n }}<template v-if="sizes.length > 1 && h.cup === 2"> ●</template></td>
                                <td>{{ lid.round ? dimension(h.radius_mm ?? 0, units) : dimension(h.from_left_mm ?? 0, units) }}</td>
                                <td>{{ lid.round ? `${number(h.angle_deg ?? 0, 1)}°` : dimension(h.from_front_mm ?? 0, units) }}</td>
                                <td v-if="tub.shape.crops.length > 1">{{ cropName(h.crop) }}</td>
                            </tr>
                        </tbody>
                    </table>
                </div>
                <p v-if="sizes.length > 1" class="small">● the larger hole, {{ length(sizes[1]!.hole.diameter_mm, units) }}.</p>
                <p class="small">
                    {{
                        lid.round
                            ? 'From the middle of the lid; angles run left round from the right.'
                            : 'To hole centres, from the lid’s outer edges.'
                    }}
                    Mark all centres and check them once more before the first cut. Measure one cup against the saw, cut one hole, try it,
                    then cut the rest.
                </p>
                <Caution>
                    Clamp the lid, slow speed, light pressure: plastic grabs and cracks. Eye protection; finger off the trigger when
                    clearing the slug.
                </Caution>
            </template>
        </main>
    </div>
</template>

<style scoped>
.desk {
    min-height: 100vh;
    padding: 1rem;
    background: var(--sand);
}
.acts {
    max-width: 190mm;
    margin: 0 auto 0.8rem;
    display: flex;
    justify-content: space-between;
    align-items: center;
}
.sheet {
    max-width: 190mm;
    margin: 0 auto;
    background: var(--sheet);
    border: 1px solid var(--ink);
    padding: 10mm;
    display: grid;
    gap: 0.8rem;
}
header {
    border-bottom: 2px solid var(--ink);
    padding-bottom: 0.4rem;
}
.plan {
    height: 108mm;
}
.facts {
    display: flex;
    flex-wrap: wrap;
    gap: 0.6rem 1.4rem;
    border-block: 1px solid var(--rule);
    padding: 0.5rem 0;
    font-size: 0.875rem;
}
.facts p {
    flex: 1 1 0;
}
.facts b {
    white-space: nowrap;
}
.tables {
    display: grid;
    grid-auto-flow: column;
    grid-auto-columns: minmax(0, 1fr);
    gap: 1.4rem;
    align-items: start;
}
.dense .plan {
    height: 84mm;
}
.dense table {
    font-size: 0.75rem;
}
.dense .tables {
    gap: 0.8rem;
}
td:last-child {
    white-space: nowrap;
}
td,
th {
    padding: 0.12rem 0.3rem;
    border-bottom: 1px solid var(--rule);
    text-align: right;
}
td:first-child,
th:first-child {
    text-align: left;
}
.against {
    border: 1px solid var(--stop);
    padding: 0.3rem 0.6rem;
}
.none {
    padding: 2rem 0;
}
@media screen and (max-width: 760px) {
    .sheet {
        padding: 4mm;
    }
    .tables {
        grid-auto-flow: row;
    }
    .plan {
        height: 90vw;
    }
}
@media print {
    @page {
        size: A4;
        margin: 12mm;
    }
    .desk {
        padding: 0;
        background: none;
    }
    .acts {
        display: none;
    }
    .sheet {
        border: 0;
        padding: 0;
        max-width: none;
        background: none;
        gap: 0.6rem;
    }
    .crowded table {
        font-size: 7pt;
    }
    .crowded td,
    .crowded th {
        padding: 0.02rem 0.2rem;
    }
}
</style>
