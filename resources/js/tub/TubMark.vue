<script setup lang="ts">
/** Tub: which vessel, its true measures, how it is run, and what it weighs. */
import { computed } from 'vue';
import LidPlan from '../drawing/LidPlan.vue';
import SectionDrawing from '../drawing/SectionDrawing.vue';
import Caution from '../kit/Caution.vue';
import Counter from '../kit/Counter.vue';
import { fromLibrary, moveTub } from '../kit/edits';
import Field from '../kit/Field.vue';
import { at as mendedAt } from '../kit/findings';
import Findings from '../kit/Findings.vue';
import { length } from '../kit/format';
import { useGarden } from '../kit/garden';
import { keyOf, vesselOptions } from '../kit/library';
import Measure from '../kit/Measure.vue';
import Pick from '../kit/Pick.vue';
import { vShown } from '../kit/shown';
import { SYSTEMS } from '../kit/systems';
import MarkPage from '../shell/MarkPage.vue';
import type { Tub, Vessel } from '../types/garden';
import InAnother from './InAnother.vue';
import KnownFills from './KnownFills.vue';
import SystemSettings from './SystemSettings.vue';
import TubFigures from './TubFigures.vue';
import { useVessel } from './vessel';
import VesselMeasures from './VesselMeasures.vue';
import WallsAndPlace from './WallsAndPlace.vue';

const garden = useGarden();
const { tub, report, at, vessel, setTub, setVessel, change } = useVessel();
const units = garden.units;
const findings = computed(() => mendedAt(garden.findings.value, 'tub'));

function chooseVessel(key: string | null): void {
    if (key)
        garden.changeTub('change the vessel', (t) => {
            t.vessel = fromLibrary(garden.library.vessels, key) as Vessel;
        });
}

const move = (by: number): void => garden.change('change the order of the tubs', (g) => moveTub(g, tub.value.id, by));

const rename = (name: string): void =>
    setTub('rename the tub', (t) => {
        t.name = name || t.id;
    });

function run(system: Tub['system']): void {
    edit('change how it is run', 'run', `&system=${system}`);
}

const edit = (says: string, what: string, more = ''): void => void garden.ask(says, change(what) + more);

const remove = (): void => void garden.askOnce(`remove ${tub.value.name ?? tub.value.id}`, change('remove'));
async function copy(): Promise<void> {
    const from = tub.value.id;
    const made = await garden.askOnce('copy the tub', change('copy'));
    if (made?.tub) garden.follow(from, made.tub);
}

/** A long tub leaves more room for its lid than a tall one. */
const wide = computed(() => report.value.shape.lid.length_mm > 1.25 * report.value.levels.rim_mm);

/** What of a Library vessel was changed here, by what was changed. */
const CHANGES: Record<string, string> = {
    stations: 'measures',
    fills: 'known fills',
    cover: 'cover',
    cover_parts: 'cover',
    lid: 'lid',
    opacity: 'walls',
    floor_mm: 'floor',
    cut_mm: 'cut',
    braced: 'brace',
};
const ownChanges = computed(() => {
    if (typeof tub.value.vessel === 'string') return '';
    const shipped = garden.library.vessels.find((v) => v.key === keyOf(tub.value.vessel));
    if (!shipped) return 'Your own, by its measures.';
    const here = vessel.value as unknown as Record<string, unknown>;
    const there = shipped as unknown as Record<string, unknown>;
    const changed = Object.keys(CHANGES).filter((key) => JSON.stringify(here[key]) !== JSON.stringify(there[key]));
    const names = [...new Set(changed.map((key) => CHANGES[key]!))];
    return names.length ? `Yours: ${names.join(', ')}.` : '';
});
</script>

<template>
    <MarkPage title="Tub" lead="What holds the water, and how much of it there really is.">
        <template #set>
            <Pick
                label="Vessel"
                :model-value="keyOf(tub.vessel)"
                :options="vesselOptions(garden.library, garden.units.value)"
                filter
                :placeholder="report.shape.name"
                :at="`${at}/vessel`"
                :hint="ownChanges"
                @update:model-value="chooseVessel"
            />
            <Pick
                label="Run it"
                :model-value="tub.system"
                :options="SYSTEMS"
                :hint="SYSTEMS.find((s) => s.value === tub.system)?.says ?? ''"
                @update:model-value="(v) => v && run(v)"
            />
            <SystemSettings />
            <Field id="tub-name" label="Name"
                ><input
                    id="tub-name"
                    class="text"
                    v-shown="tub.name ?? tub.id"
                    maxlength="120"
                    @change="rename(($event.target as HTMLInputElement).value.trim())"
                />
            </Field>
            <Counter
                label="How many alike"
                :model-value="tub.count ?? 1"
                :most="50"
                @update:model-value="(v) => edit('change how many', 'count', `&count=${v}`)"
            />
            <div v-if="vessel.kind === 'bottle'" class="stack cut">
                <Measure
                    label="Cut it at"
                    dimension="length"
                    optional
                    :model-value="vessel.cut_mm ?? null"
                    :at="`${at}/vessel/cut_mm`"
                    hint="Over the inside floor; empty for a whole bottle."
                    @update:model-value="
                        (x) =>
                            setVessel('change the cut', (v) => {
                                v.cut_mm = x;
                                delete v.lid;
                            })
                    "
                />
                <Caution>Cut away from you, on a board; the edge is sharp. Round it with fine paper or tape.</Caution>
            </div>
            <Measure
                label="Water of use down to"
                dimension="length"
                optional
                :model-value="tub.lowest_mm ?? null"
                :at="`${at}/lowest_mm`"
                :hint="
                    tub.lowest_mm == null
                        ? `Empty: ${length(report.levels.lowest_mm, units)} over the inside floor.`
                        : 'Over the inside floor.'
                "
                @update:model-value="
                    (x) =>
                        setTub('change the lowest level', (t) => {
                            t.lowest_mm = x;
                        })
                "
            />
            <VesselMeasures />
            <KnownFills />
            <WallsAndPlace />
            <InAnother />
            <div class="row">
                <button
                    type="button"
                    class="box"
                    :disabled="garden.index.value === 0"
                    aria-label="Move it left on the bench"
                    title="Move it left on the bench"
                    @click="move(-1)"
                >
                    ←
                </button>
                <button
                    type="button"
                    class="box"
                    :disabled="garden.index.value === (garden.document.value.tubs?.length ?? 1) - 1"
                    aria-label="Move it right on the bench"
                    title="Move it right on the bench"
                    @click="move(1)"
                >
                    →
                </button>
                <button type="button" class="box" @click="copy">Copy tub</button>
                <button type="button" class="box" data-act="remove-tub" @click="remove">Remove tub</button>
            </div>
        </template>

        <div class="drawings" :class="{ wide }">
            <div class="section">
                <SectionDrawing
                    :tub="report"
                    :units="units"
                    @line="
                        (line) =>
                            setTub('move the water line', (t) => {
                                t.water_line = line as Tub['water_line'];
                            })
                    "
                />
            </div>
            <div class="plan"><LidPlan :tub="report" :units="units" :dimensions="false" /></div>
        </div>

        <template #reckoning>
            <Findings :findings="findings" :elsewhere="garden.findings.value.length - findings.length" />
            <TubFigures />
        </template>
    </MarkPage>
</template>

<style scoped>
.drawings {
    flex: 1;
    min-height: 0;
    display: grid;
    grid-template-rows: minmax(0, 1fr) minmax(0, 30%);
    gap: 0.5rem;
}
.drawings.wide {
    grid-template-rows: minmax(0, 1fr) minmax(0, 0.82fr);
}
.stack {
    display: grid;
    gap: 0.7rem;
    padding-top: 0.5rem;
}
.row {
    flex-wrap: wrap;
    display: flex;
    gap: 0.5rem;
    border-top: 1px solid var(--rule);
    padding-top: 0.8rem;
}
@media (max-width: 760px) {
    .drawings,
    .drawings.wide {
        grid-template-rows: 360px 240px;
    }
}
.row .box {
    white-space: nowrap;
}
</style>
