<script setup lang="ts">
/** Tub: which vessel, its true measures, how it is run, and what it weighs. */
import { computed } from 'vue';
import LidPlan from '../drawing/LidPlan.vue';
import SectionDrawing from '../drawing/SectionDrawing.vue';
import Counter from '../kit/Counter.vue';
import { copyTub, removeTub, setSystem, vesselInPlace } from '../kit/edits';
import Figure from '../kit/Figure.vue';
import Findings from '../kit/Findings.vue';
import { length, mass, number, volume } from '../kit/format';
import { useGarden } from '../kit/garden';
import { keyOf, vesselOptions } from '../kit/library';
import { markOf } from '../kit/marks';
import Measure from '../kit/Measure.vue';
import Pick from '../kit/Pick.vue';
import Toggle from '../kit/Toggle.vue';
import MarkPage from '../shell/MarkPage.vue';
import type { Tub, Vessel } from '../types/garden';

type Station = Exclude<Vessel, string>['stations'][number];

const garden = useGarden();
const tub = computed(() => garden.tub.value!);
const report = computed(() => garden.tubReport.value!);
const units = garden.units;
const at = computed(() => `/tubs/${garden.index.value}`);
const findings = computed(() => garden.findings.value.filter((f) => markOf(f) === 'tub'));

const inPlace = computed(() => (typeof tub.value.vessel === 'string' ? garden.library.vessels.find((v) => v.key === tub.value.vessel)! : tub.value.vessel));
const stations = computed(() => inPlace.value.stations);
const round = computed(() => stations.value[0]?.diameter_mm !== undefined);
const fills = computed(() => inPlace.value.fills ?? []);
const cover = computed(() => (typeof inPlace.value.cover === 'object' ? 'liner' : (inPlace.value.cover ?? 'none')));
const systems = computed(() => [
    { value: 'aerated' as const, name: 'Aerated' },
    { value: 'passive' as const, name: 'Passive' },
    ...(['aerated', 'passive'].includes(tub.value.system) ? [] : [{ value: tub.value.system, name: tub.value.system[0]!.toUpperCase() + tub.value.system.slice(1) }]),
]);

function chooseVessel(key: string | null): void {
    if (key) garden.changeTub('change the vessel', (t) => { t.vessel = key; });
}

function setStation(i: number, key: keyof Station, value: number | null): void {
    if (value === null) return;
    garden.changeTub('measure the vessel', (t) => { vesselInPlace(t, garden.library).stations[i]![key] = value; });
}

function setVessel(says: string, edit: (vessel: Exclude<Vessel, string>) => void): void {
    garden.changeTub(says, (t) => edit(vesselInPlace(t, garden.library)));
}

function addFill(): void {
    setVessel('add a known fill', (v) => {
        const list = (v.fills ??= []);
        const depth = Math.round(Math.min(report.value.levels.rim_mm, (list.at(-1)?.depth_mm ?? 0) + report.value.levels.rim_mm / 4));
        list.push({ litres: Math.max(0.1, Math.round(((depth / report.value.levels.rim_mm) * report.value.volume.brim_l + (list.at(-1)?.litres ?? 0) * 0.01) * 10) / 10), depth_mm: depth });
    });
}

function setField(says: string, edit: (tub: Tub) => void): void {
    garden.changeTub(says, edit);
}

function remove(): void {
    garden.change(`remove ${tub.value.name ?? tub.value.id}`, (g) => removeTub(g, tub.value.id));
}

function copy(): void {
    let id: string | null = null;
    garden.change('copy the tub', (g) => { id = copyTub(g, tub.value.id); });
    if (id) garden.choose(id);
}

/** A long tub leaves more room for its lid than a tall one. */
const wide = computed(() => report.value.shape.lid.length_mm > 1.25 * report.value.levels.rim_mm);

const stationName = (i: number): string => (i === 0 ? 'Floor' : i === stations.value.length - 1 ? 'Rim' : `At ${length(stations.value[i]!.height_mm, units.value)}`);
const volumes = computed(() => report.value.volume);
/** Where the bar of the weight ends: half over what one lifts, or at the weight itself. */
const heaviest = computed(() => Math.max(1.5 * report.value.limits.lift_kg, report.value.mass_kg));
const shelf = computed(() => garden.document.value.site?.shelf_limit_kg ?? null);
</script>

<template>
    <MarkPage title="Tub" lead="What holds the water, and how much of it there really is.">
        <template #set>
            <Pick label="Vessel" :model-value="keyOf(tub.vessel)" :options="vesselOptions(garden.library)" filter :at="`${at}/vessel`" :hint="typeof tub.vessel === 'string' ? '' : 'With your own measures.'" @update:model-value="chooseVessel" />
            <Toggle label="Run it" :model-value="tub.system" :options="systems" @update:model-value="(v) => garden.changeTub('change how it is run', (t, g) => setSystem(g, t, v))" />
            <div class="field">
                <label for="tub-name">Name</label>
                <input id="tub-name" class="text" :value="tub.name ?? tub.id" maxlength="120" @change="setField('rename the tub', (t) => { t.name = ($event.target as HTMLInputElement).value.trim() || t.id; })" />
            </div>
            <Counter label="How many alike" :model-value="tub.count ?? 1" :most="50" @update:model-value="(v) => setField('change how many', (t) => { t.count = v; })" />
            <details>
                <summary>Measures</summary>
                <p class="small faint">Inside, from the floor up. Write them as your tape does.</p>
                <fieldset v-for="(s, i) in stations" :key="i">
                    <legend>{{ stationName(i) }}</legend>
                    <Measure v-if="i > 0" label="Height" dimension="length" :model-value="s.height_mm" :at="`${at}/vessel/stations/${i}/height_mm`" @update:model-value="(v) => setStation(i, 'height_mm', v)" />
                    <Measure v-if="round" label="Inside Ø" dimension="length" :model-value="s.diameter_mm ?? null" :at="`${at}/vessel/stations/${i}/diameter_mm`" @update:model-value="(v) => setStation(i, 'diameter_mm', v)" />
                    <template v-else>
                        <Measure label="Length" dimension="length" :model-value="s.length_mm ?? null" :at="`${at}/vessel/stations/${i}/length_mm`" @update:model-value="(v) => setStation(i, 'length_mm', v)" />
                        <Measure label="Width" dimension="length" :model-value="s.width_mm ?? null" :at="`${at}/vessel/stations/${i}/width_mm`" @update:model-value="(v) => setStation(i, 'width_mm', v)" />
                        <Measure label="Corner radius" dimension="length" :model-value="s.corner_radius_mm ?? 0" :at="`${at}/vessel/stations/${i}/corner_radius_mm`" @update:model-value="(v) => setStation(i, 'corner_radius_mm', v)" />
                    </template>
                </fieldset>
            </details>
            <details :open="fills.length > 0">
                <summary>Known fills</summary>
                <p class="small faint">Pour, read the tape, write all the litres poured so far. Two or more correct the measures.</p>
                <fieldset v-for="(fill, i) in fills" :key="i">
                    <legend>Fill {{ i + 1 }} <button type="button" class="word small" @click="setVessel('remove a known fill', (v) => { v.fills!.splice(i, 1); })">Remove</button></legend>
                    <Measure label="Poured so far" dimension="volume" :model-value="fill.litres" :at="`${at}/vessel/fills/${i}/litres`" @update:model-value="(x) => x !== null && setVessel('change a known fill', (v) => { v.fills![i]!.litres = x; })" />
                    <Measure label="Depth" dimension="length" :model-value="fill.depth_mm" :at="`${at}/vessel/fills/${i}/depth_mm`" @update:model-value="(x) => x !== null && setVessel('change a known fill', (v) => { v.fills![i]!.depth_mm = x; })" />
                </fieldset>
                <button type="button" class="box" @click="addFill">Add a fill</button>
            </details>
            <details>
                <summary>Walls and where it stands</summary>
                <div class="stack">
                    <Toggle label="Walls" :model-value="inPlace.opacity ?? 'opaque'" :options="[{ value: 'opaque', name: 'Opaque' }, { value: 'translucent', name: 'Translucent' }, { value: 'clear', name: 'Clear' }]" @update:model-value="(x) => setVessel('change the walls', (v) => { v.opacity = x; })" />
                    <Toggle label="Light cover" :model-value="cover" :options="[{ value: 'none', name: 'None' }, { value: 'paint', name: 'Paint' }, { value: 'foil', name: 'Foil' }, { value: 'sleeve', name: 'Sleeve' }]" @update:model-value="(x) => setVessel('change the cover', (v) => { v.cover = x; })" />
                    <p v-if="cover === 'paint'" class="caution small">Paint outdoors, with a mask, on the outside only: a dark coat, then a light one. Let it cure before it is used.</p>
                    <Measure label="Stands on" dimension="length" :model-value="tub.stand_mm ?? 0" :at="`${at}/stand_mm`" @update:model-value="(x) => x !== null && setField('change the stand', (t) => { t.stand_mm = x; })" />
                    <Measure label="Shelf bears" dimension="mass" optional :model-value="shelf === null ? null : shelf * 1000" at="/site/shelf_limit_kg" @update:model-value="(x) => garden.change('change the shelf', (g) => { (g.site ??= {}).shelf_limit_kg = x === null ? null : x / 1000; })" />
                </div>
            </details>
            <div class="row">
                <button type="button" class="box" @click="copy">Copy tub</button>
                <button type="button" class="box" data-act="remove-tub" @click="remove">Remove tub</button>
            </div>
        </template>

        <div class="drawings" :class="{ wide }">
            <div class="section"><SectionDrawing :tub="report" :units="units" @line="(line) => setField('move the water line', (t) => { t.water_line = line as Tub['water_line']; })" /></div>
            <div class="plan"><LidPlan :tub="report" :units="units" :dimensions="false" /></div>
        </div>

        <template #reckoning>
            <Findings :findings="findings" :elsewhere="garden.findings.value.length - findings.length" />
            <Figure label="Working volume" :value="volume(volumes.working_l, units)" :share="volumes.working_l / volumes.brim_l" :limit="volumes.label_l === null ? null : volumes.label_l / volumes.brim_l" :note="volumes.label_l === null ? `${volume(volumes.brim_l, units)} to the rim` : `label ${volume(volumes.label_l, units)}, to the rim ${volume(volumes.brim_l, units)}`" :why="report.workings.working_l" />
            <Figure label="Usable" :value="volume(volumes.usable_l, units)" :note="`down to ${length(report.levels.lowest_mm, units)}`" />
            <Figure v-if="volumes.fill_scale !== null" label="Fills say" :value="number(volumes.fill_scale * 100, 1, '%')" :note="fills.length < 2 ? 'of the measured volume; one fill is not applied' : `of the measured volume, within ${number(volumes.fill_residual_pct ?? 0, 1, '%')}`" />
            <Figure label="Weight filled" :value="mass(report.mass_kg, units)" :share="report.mass_kg / heaviest" :limit="report.limits.lift_kg / heaviest" :note="`${number(report.load_kg_m2, 0, 'kg/m²')} on its floor; over ${mass(report.limits.lift_kg, units)} fill it where it stands`" :why="report.workings.mass_kg" />
            <Figure v-if="report.cover_m2 > 0" label="To cover" :value="number(report.cover_m2, 2, 'm²')" note="walls and lid" />
            <Figure v-if="report.levels.tube_entry_mm !== null" label="Tube hole" :value="length(report.levels.tube_entry_mm, units)" :note="report.shape.tube_through_lid ? 'through the lid' : `above the floor; ${length(report.levels.rim_mm - report.levels.tube_entry_mm, units)} down from the rim`" />
        </template>
    </MarkPage>
</template>

<style scoped>
.drawings { flex: 1; min-height: 0; display: grid; grid-template-rows: minmax(0, 1fr) minmax(0, 30%); gap: 0.5rem; }
.drawings.wide { grid-template-rows: minmax(0, 1fr) minmax(0, 0.82fr); }
.field { display: grid; gap: 0.2rem; }
.field label { font-weight: 600; font-family: var(--grotesque); }
.text { border: 1px solid var(--ink); background: var(--sheet); color: var(--ink); padding: 0.35rem 0.6rem; min-height: 32px; width: 100%; }
details { border-top: 1px solid var(--rule); padding-top: 0.5rem; }
summary { cursor: pointer; font-family: var(--grotesque); font-weight: 600; min-height: 28px; }
fieldset { border: 0; padding: 0; margin: 0.5rem 0 0.7rem; display: grid; gap: 0.3rem; }
legend { padding: 0; color: var(--faint); font-size: 0.875rem; }
.stack { display: grid; gap: 0.7rem; padding-top: 0.5rem; }
.row { display: flex; gap: 0.5rem; border-top: 1px solid var(--rule); padding-top: 0.8rem; }
.caution { border-left: 3px solid var(--mind); padding-left: 0.6rem; }
@media (max-width: 760px) { .drawings, .drawings.wide { grid-template-rows: 360px 240px; } }
</style>
