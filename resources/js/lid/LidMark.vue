<script setup lang="ts">
/** Lid: cup, saw and seat; the hole pattern laid out to scale, moved by hand where wanted, with its limits. */
import { computed } from 'vue';
import CupDetail from '../drawing/CupDetail.vue';
import LidPlan from '../drawing/LidPlan.vue';
import Caution from '../kit/Caution.vue';
import { bringCrop, fromLibrary } from '../kit/edits';
import Figure from '../kit/Figure.vue';
import { toneOf } from '../kit/findings';
import Findings from '../kit/Findings.vue';
import { dimension, doing, fine, length, number } from '../kit/format';
import { useGarden } from '../kit/garden';
import { cropOptions, cupOptions, keyOf } from '../kit/library';
import Measure from '../kit/Measure.vue';
import Pick from '../kit/Pick.vue';
import { HOLE } from '../kit/plausible';
import Toggle from '../kit/Toggle.vue';
import MarkPage from '../shell/MarkPage.vue';
import type { Cup, Tub } from '../types/garden';
import CupCount from './CupCount.vue';
import CupsThatFit from './CupsThatFit.vue';
import { useHoles, useMoved } from './holes';
import HoleTable from './HoleTable.vue';
import InRows from './InRows.vue';
import LidItself from './LidItself.vue';
import OwnCup from './OwnCup.vue';
import Panels from './Panels.vue';
import PatternPick from './PatternPick.vue';
import Saws from './Saws.vue';

const garden = useGarden();
const tub = computed(() => garden.tub.value!);
const report = computed(() => garden.tubReport.value!);
const units = garden.units;
const at = computed(() => `/tubs/${garden.index.value}`);
/** The room between plants is set here too. */
const findings = computed(() => garden.findings.value.filter((f) => f.mark === 'lid' || f.code === 'crop.spacing'));
const { keepAsTheyAre, holes, chosen, picked, placing, step, setPattern, move, nudge, place, startEmpty, deleteHole, align, setHole } =
    useHoles();
const news = useMoved();
const drilled = computed(() => tub.value.cutting === 'drilled');
const manual = computed(() => tub.value.layout?.pattern === 'manual');

function set(says: string, edit: (tub: Tub) => void): void {
    garden.changeTub(says, edit);
}

function setSecond(key: string | null): void {
    set('change the second cup', (t) => {
        if (key) t.cups_2 = fromLibrary(garden.library.cups, key) as Cup;
        else {
            delete t.cups_2;
            for (const h of t.layout?.holes ?? []) delete h.cup;
        }
    });
}

const hole = computed(() => report.value.hole);
const layout = computed(() => report.value.layout);
const limits = computed(() => report.value.limits);
/** What the holes of the second cup are cut with. */
const secondSaw = computed(() => {
    const second = report.value.hole_2;
    if (!second) return '';
    const by = second.saw ? `the ${second.saw} saw` : length(second.diameter_mm, units.value);
    return `For the ${report.value.shape.cups[1]!.name}, ${second.count} of them, ${by}. `;
});

/** What the hole distance is held against, in words. */
const heldBy = computed(() => {
    const crops = report.value.crops;
    if (layout.value.held_to?.by !== 'crop') return 'lips and lid need';
    return crops.length > 1 ? 'these two want' : doing((report.value.shape.crop?.name ?? '').toLowerCase(), 'wants', 'want');
});
</script>

<template>
    <MarkPage title="Lid" lead="Where the cups hang, and what to cut them with.">
        <template #set>
            <Pick
                label="Cup"
                :model-value="report.shape.cup.key"
                :options="cupOptions(garden.library)"
                filter
                :placeholder="report.shape.cup.name"
                :at="`${at}/cup`"
                :hint="
                    `lip ${dimension(report.shape.cup.lip_diameter_mm, units)} ` +
                    `· body ${dimension(report.shape.cup.top_diameter_mm, units)} ` +
                    `· foot ${dimension(report.shape.cup.bottom_diameter_mm, units)} · ${dimension(report.shape.cup.height_mm, units)} deep`
                "
                @update:model-value="
                    (v) =>
                        v &&
                        set('change the cup', (t) => {
                            t.cup = fromLibrary(garden.library.cups, v) as Cup;
                            if (t.cutting !== 'drilled') t.hole_mm = null;
                        })
                "
            />
            <OwnCup />
            <Saws v-if="!drilled" />
            <Measure
                v-if="!report.shape.in_mouth"
                :label="drilled ? 'Each hole, Ø' : 'Another hole'"
                :plausible="HOLE"
                dimension="length"
                :optional="!drilled"
                :model-value="tub.hole_mm ?? null"
                :at="`${at}/hole_mm`"
                @update:model-value="
                    (v) =>
                        set('change the hole', (t) => {
                            t.hole_mm = v;
                        })
                "
            />
            <Toggle
                v-if="!report.shape.in_mouth"
                label="Cut with"
                :model-value="tub.cutting ?? 'saw'"
                :options="[
                    { value: 'saw', name: 'A saw' },
                    { value: 'traced', name: 'A knife' },
                    { value: 'drilled', name: 'Drilled', title: 'The holes are there already' },
                ]"
                @update:model-value="
                    (v) =>
                        set(v === 'drilled' ? 'say that it is drilled already' : 'change how holes are cut', (t) => {
                            t.cutting = v;
                            // What is there already stays as it is, whatever cup is tried in it.
                            if (v === 'drilled') {
                                t.hole_mm ??= Math.round(hole.diameter_mm * 100) / 100;
                                keepAsTheyAre(t);
                            }
                        })
                "
            />
            <Pick
                v-if="!report.shape.in_mouth"
                label="A second size of cup"
                :model-value="keyOf(tub.cups_2)"
                :options="cupOptions(garden.library)"
                filter
                clearable
                placeholder="None"
                :at="`${at}/cups_2`"
                :hint="tub.cups_2 ? 'Crops hang in the smaller cup that is large enough for them.' : ''"
                @update:model-value="setSecond"
            />
            <PatternPick
                v-if="!report.shape.in_mouth && !drilled"
                :model-value="tub.layout?.pattern ?? 'best'"
                @update:model-value="setPattern"
            />
            <CupCount v-if="!manual && !report.shape.in_mouth" />
            <div v-if="!report.shape.in_mouth" class="stack">
                <p v-if="!picked" class="small faint">
                    Choose a hole on the drawing to move it: drag it, use the arrow keys, or write where it goes.
                </p>
                <fieldset v-else>
                    <legend>Hole {{ chosen! + 1 }}, from the middle</legend>
                    <Measure
                        label="Right"
                        dimension="length"
                        :model-value="picked.x_mm"
                        @update:model-value="(v) => v !== null && move(chosen!, v, picked!.y_mm, true)"
                    />
                    <Measure
                        label="Back"
                        dimension="length"
                        :model-value="picked.y_mm"
                        @update:model-value="(v) => v !== null && move(chosen!, picked!.x_mm, v, true)"
                    />
                    <div class="nudge" role="group" aria-label="Nudge the hole by 1 mm">
                        <button type="button" class="box" aria-label="Left" @click="nudge(chosen!, -1, 0)">←</button>
                        <button type="button" class="box" aria-label="Back" @click="nudge(chosen!, 0, 1)">↑</button>
                        <button type="button" class="box" aria-label="Front" @click="nudge(chosen!, 0, -1)">↓</button>
                        <button type="button" class="box" aria-label="Right" @click="nudge(chosen!, 1, 0)">→</button>
                    </div>
                    <Pick
                        label="Grows here"
                        :model-value="picked.crop"
                        :options="cropOptions(garden.library)"
                        filter
                        clearable
                        placeholder="Nothing"
                        @update:model-value="
                            (v) =>
                                setHole('change what grows in a hole', (h, g) => {
                                    h.crop = bringCrop(g, garden.library, v);
                                })
                        "
                    />
                    <Toggle
                        v-if="report.hole_2"
                        label="Its cup"
                        :model-value="String(picked.cup)"
                        :options="report.shape.cups.map((c, i) => ({ value: String(i + 1), name: c.name }))"
                        @update:model-value="
                            (v) =>
                                setHole('change the cup of a hole', (h) => {
                                    h.cup = Number(v);
                                })
                        "
                    />
                </fieldset>
                <div class="row">
                    <button type="button" class="box" data-act="place" :aria-pressed="placing" @click="placing = !placing">
                        {{ placing ? 'Done placing' : 'Place holes' }}
                    </button>
                    <button v-if="picked" type="button" class="box" @click="deleteHole">Delete it</button>
                    <button v-else-if="holes.length" type="button" class="box" data-act="start-empty" @click="startEmpty">
                        Start empty
                    </button>
                </div>
                <p v-if="placing" class="small faint">
                    Press the lid where a hole is to go.
                    <button type="button" class="word small" @click="place(0, 0)">One in the middle</button>
                </p>
                <div v-if="manual" class="align">
                    <Measure
                        label="To the nearest"
                        dimension="length"
                        :model-value="step"
                        @update:model-value="(v) => v !== null && v >= 1 && (step = v)"
                    />
                    <button type="button" class="box" data-act="align" @click="align">Round off</button>
                </div>
            </div>
            <InRows v-if="!report.shape.in_mouth" />
            <Panels v-if="!report.shape.in_mouth && !report.raft" />
            <CupsThatFit v-if="!report.shape.in_mouth" />
            <LidItself v-if="!report.shape.in_mouth && !report.raft" />
        </template>

        <div class="drawings">
            <div class="plan">
                <p v-if="news && !garden.previewer.layingOut.value" class="wait news" role="status">{{ news }}</p>
                <p v-if="garden.previewer.layingOut.value" class="wait" role="status">
                    Being laid out; these holes stand until then.
                    <button type="button" class="word" @click="garden.previewer.cancelLayout()">Cancel</button>
                </p>
                <LidPlan
                    :tub="report"
                    :units="units"
                    :movable="!report.shape.in_mouth"
                    :chosen="chosen"
                    :placing="placing"
                    canopies
                    @place="place"
                    @choose="(i) => (chosen = i)"
                    @move="move"
                    @nudge="nudge"
                />
            </div>
            <div class="below">
                <CupDetail :tub="report" :units="units" />
                <div class="cut">
                    <h2>
                        {{
                            report.shape.in_mouth || drilled
                                ? 'Nothing to cut'
                                : `Cut with ${hole.saw ? `the ${hole.saw} saw` : 'a knife, inside a traced circle'}`
                        }}
                    </h2>
                    <p v-if="report.shape.in_mouth">The cup hangs in the mouth by its lip.</p>
                    <p v-else-if="drilled">
                        The holes are there already, {{ length(hole.diameter_mm, units) }} wide. Try one cup in each before you buy the
                        rest.
                    </p>
                    <template v-else>
                        <p>
                            {{
                                hole.saw
                                    ? hole.owned
                                        ? 'It is one of yours.'
                                        : 'You would buy it.'
                                    : `Trace a circle of ${length(hole.diameter_mm, units)}, cut inside ` +
                                      `it, widen by trial: too small can be cut larger, too large starts over.`
                            }}
                            {{ secondSaw
                            }}{{
                                report.adapter
                                    ? `The cup does not fit the mouth: cut a disc ` +
                                      `of ${length(report.adapter.outer_mm, units)} from flat food-grade plastic for it. `
                                    : ''
                            }}Measure one cup against it, cut one hole, try the cup, then cut the rest.
                        </p>
                        <Caution v-if="hole.saw">
                            Clamp the lid, go slowly and press lightly: plastic grabs and cracks. Eye protection; finger off the trigger
                            when you clear the slug.
                        </Caution>
                        <Caution v-else>
                            Cut away from you on a board, with a sharp blade and light strokes. A hot iron burns and fumes: only outdoors or
                            by an open window.
                        </Caution>
                    </template>
                </div>
            </div>
        </div>

        <template #reckoning>
            <Findings :findings="findings" :elsewhere="garden.findings.value.length - findings.length" />
            <Figure
                label="Cups"
                :value="String(layout.count)"
                :note="`${layout.pattern === 'manual' ? 'by hand' : layout.pattern}; the lid holds ${report.capacity.by_lid}`"
                :why="report.workings.plants"
            />
            <Figure
                label="Hole"
                :value="length(hole.diameter_mm, units)"
                :note="`bearing ${fine(hole.bearing_mm, units)} · play ${fine(hole.play_mm, units)}`"
                :why="report.workings.hole"
            />
            <Figure
                v-if="layout.spacing_mm !== null"
                label="Hole distance"
                :value="length(layout.spacing_mm, units)"
                :share="layout.spacing_mm / (2 * layout.held_to!.least_mm)"
                :limit="0.5"
                :tone="toneOf(findings, 'lid.lips', 'crop.spacing')"
                :note="`${heldBy} ${length(layout.held_to!.least_mm, units)}`"
                :why="report.workings.spacing_mm"
            />
            <Figure
                v-if="layout.web_mm !== null"
                label="Web between holes"
                :value="length(layout.web_mm, units)"
                :share="layout.web_mm / Math.max(100, layout.web_mm)"
                :limit="limits.web_mm / Math.max(100, layout.web_mm)"
                :tone="toneOf(findings, 'lid.web')"
                :note="`a ${report.shape.lid.make} lid needs ${length(limits.web_mm, units)}`"
            />
            <Figure
                v-if="layout.edge_mm !== null"
                label="Hole to edge"
                :value="length(layout.edge_mm, units)"
                :share="layout.edge_mm / Math.max(2 * limits.edge_mm, layout.edge_mm)"
                :limit="limits.edge_mm / Math.max(2 * limits.edge_mm, layout.edge_mm)"
                :tone="toneOf(findings, 'lid.edge')"
                :note="`${length(limits.edge_mm, units)} carries the load`"
            />
            <Figure
                v-if="layout.removed_pct !== null"
                label="Lid cut away"
                :value="number(layout.removed_pct, 0, '%')"
                :share="layout.removed_pct / (2 * limits.removed_pct)"
                :limit="0.5"
                :tone="toneOf(findings, 'lid.removed')"
                :note="`over ${number(limits.removed_pct, 0, '%')} lids start to sag`"
            />
            <HoleTable v-if="!report.shape.in_mouth" :chosen="chosen" />
        </template>
    </MarkPage>
</template>

<style scoped>
.drawings {
    flex: 1;
    min-height: 0;
    display: grid;
    grid-template-rows: minmax(0, 1fr) 178px;
    gap: 0.4rem;
}
.plan {
    position: relative;
    min-height: 0;
}
.wait {
    position: absolute;
    inset: auto 0 0 0;
    z-index: 1;
    text-align: center;
    background: var(--shoal);
    padding: 0.1rem 0.6rem;
}
.wait .word {
    text-decoration: underline;
}
.news {
    background: none;
    color: var(--water-text);
    font-weight: 600;
    pointer-events: none;
}
.below {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1.35fr);
    gap: 1rem;
    border-top: 1px solid var(--rule);
    padding-top: 0.5rem;
    min-height: 0;
}
.cut {
    display: grid;
    gap: 0.4rem;
    align-content: start;
    font-size: 0.875rem;
}
.wrong {
    color: var(--stop-text);
}
.stack {
    display: grid;
    gap: 0.6rem;
}
.align {
    display: grid;
    gap: 0.4rem;
    justify-items: start;
}
.align > :first-child {
    width: 100%;
}
.row,
.nudge {
    display: flex;
    gap: 0.4rem;
}
fieldset {
    border: 0;
    padding: 0;
    margin: 0;
    display: grid;
    gap: 0.3rem;
}
legend {
    padding: 0;
    font-family: var(--grotesque);
    font-weight: 600;
    margin-bottom: 0.2rem;
}
@media (max-width: 760px) {
    .drawings {
        grid-template-rows: clamp(240px, 78vw, 420px) auto;
    }
    .below {
        grid-template-columns: 1fr;
    }
}
</style>
