<script setup lang="ts">
/** Air: pump, lines and stones as one network, and the oxygen that comes of it. */
import Caution from '../kit/Caution.vue';
import { computed } from 'vue';
import BenchDrawing from '../drawing/BenchDrawing.vue';
import StonePlan from './StonePlan.vue';
import Counter from '../kit/Counter.vue';
import Figure from '../kit/Figure.vue';
import Findings from '../kit/Findings.vue';
import { length, number, span } from '../kit/format';
import { useGarden } from '../kit/garden';
import { keyOf, named } from '../kit/library';
import { at as mendedAt, toneOf } from '../kit/findings';
import Measure from '../kit/Measure.vue';
import Pick from '../kit/Pick.vue';
import Toggle from '../kit/Toggle.vue';
import MarkPage from '../shell/MarkPage.vue';
import type { AirSystem, Tub } from '../types/garden';

const garden = useGarden();
const tub = computed(() => garden.tub.value!);
const report = computed(() => garden.tubReport.value!);
const units = garden.units;
const findings = computed(() => mendedAt(garden.findings.value, 'air'));
const passive = computed(() => tub.value.system === 'passive');
const line = computed(() => garden.air(tub.value.id));
/** A floating board and a cup in a jar's mouth leave no lid to drill. */
const overTop = computed(() => {
    if (report.value.raft) return 'A board floats here: over the rim, the tube goes down the gap beside it.';
    return report.value.shape.in_mouth ? 'The cup fills the mouth: notch its lip, and let the tube down beside it.' : '';
});
const pump = computed(() => garden.report.value.air.find((a) => a.id === line.value?.system.id) ?? null);
const fed = computed(() => garden.report.value.tubs.filter((t) => pump.value?.branches.some((b) => b.tub === t.id)));
const branch = computed(() => pump.value?.branches.find((b) => b.tub === tub.value.id) ?? null);
const oxygen = computed(() => report.value.oxygen);
const floor = computed(() => report.value.limits.oxygen_mg_l);
const letters = garden.letters;

function set(says: string, edit: (tub: Tub) => void): void {
    garden.changeTub(says, edit);
}

function setPump(says: string, edit: (system: AirSystem) => void): void {
    const at = line.value?.index;
    if (at !== undefined) garden.change(says, (g) => edit(g.air![at]!));
}

function setBranch(says: string, edit: (branch: NonNullable<AirSystem['branches']>[number]) => void): void {
    const here = line.value;
    if (here) garden.change(says, (g) => edit(g.air![here.index]!.branches![here.branch]!));
}

const outage = computed(() => {
    const { outage_min: minutes, stems_dry_h: hours } = oxygen.value;
    return hours !== null ? number(hours, 0, 'h') : minutes === null ? 'never' : span(minutes);
});
const tone = computed(() => toneOf(findings.value, 'air.oxygen'));
</script>

<template>
    <MarkPage title="Air" lead="What the roots breathe: pump, lines and stones as one network.">
        <template #set>
            <template v-if="passive">
                <p>This tub has no pump. Its roots breathe in the air gap that opens as the water falls.</p>
                <p class="small faint">To run it with air, switch it at the Tub mark.</p>
            </template>
            <template v-else-if="line">
                <Pick
                    label="Pump"
                    :model-value="keyOf(line.system.pump)"
                    :options="named(garden.library.pumps)"
                    hint="It feeds every tub drawn here."
                    @update:model-value="
                        (v) =>
                            v &&
                            setPump('change the pump', (s) => {
                                s.pump = v;
                            })
                    "
                />
                <Toggle
                    label="Check valve"
                    :model-value="line.system.check_valve ? 'yes' : 'no'"
                    :options="[
                        { value: 'no', name: 'None' },
                        { value: 'yes', name: 'Fitted' },
                    ]"
                    @update:model-value="
                        (v) =>
                            setPump('change the check valve', (s) => {
                                s.check_valve = v === 'yes';
                            })
                    "
                />
                <Toggle
                    label="Pump stands"
                    :model-value="line.system.above_water ? 'above' : 'measured'"
                    :options="[
                        { value: 'above', name: 'Above the water' },
                        { value: 'measured', name: 'At a height' },
                    ]"
                    @update:model-value="
                        (v) =>
                            setPump('move the pump', (s) => {
                                s.above_water = v === 'above';
                            })
                    "
                />
                <Measure
                    v-if="!line.system.above_water"
                    label="Over the floor"
                    dimension="length"
                    :model-value="line.system.height_above_floor_mm ?? 0"
                    :at="`/air/${line.index}/height_above_floor_mm`"
                    @update:model-value="
                        (v) =>
                            v !== null &&
                            setPump('move the pump', (s) => {
                                s.height_above_floor_mm = v;
                            })
                    "
                />
                <Pick
                    label="Stones"
                    :model-value="keyOf(tub.stones?.kind)"
                    :options="named(garden.library.stones)"
                    @update:model-value="
                        (v) =>
                            v &&
                            set('change the stones', (t) => {
                                t.stones = { count: 1, height_mm: 20, ...t.stones, kind: v };
                            })
                    "
                />
                <Counter
                    v-if="tub.stones"
                    label="Stones in the tub"
                    :model-value="tub.stones.count ?? 1"
                    :most="50"
                    @update:model-value="
                        (v) =>
                            set('change the number of stones', (t) => {
                                t.stones!.count = v;
                            })
                    "
                />
                <Measure
                    v-if="tub.stones"
                    label="Their tops, over the floor"
                    dimension="length"
                    :model-value="tub.stones.height_mm ?? 20"
                    @update:model-value="
                        (v) =>
                            v !== null &&
                            set('move the stones', (t) => {
                                t.stones!.height_mm = v;
                            })
                    "
                />
                <Measure
                    :label="report.under ? 'Pump to the wall' : 'Pump to tub'"
                    dimension="length"
                    :model-value="line.system.branches?.[line.branch]?.distance_mm ?? 1000"
                    :at="`/air/${line.index}/branches/${line.branch}/distance_mm`"
                    @update:model-value="
                        (v) =>
                            v !== null &&
                            setBranch('change the distance', (b) => {
                                b.distance_mm = v;
                            })
                    "
                />
                <div class="valve">
                    <label for="valve">Valve, open {{ number((line.system.branches?.[line.branch]?.valve ?? 1) * 100, 0, '%') }}</label>
                    <input
                        id="valve"
                        type="range"
                        min="0"
                        max="1"
                        step="0.05"
                        :value="line.system.branches?.[line.branch]?.valve ?? 1"
                        @input="
                            setBranch('turn the valve', (b) => {
                                b.valve = Number(($event.target as HTMLInputElement).value);
                            })
                        "
                    />
                </div>
                <Toggle
                    label="Tube comes in"
                    :model-value="report.shape.tube_through_lid ? 'lid' : 'side'"
                    :options="[
                        { value: 'side', name: 'By the side' },
                        { value: 'lid', name: overTop ? 'Over the rim' : 'By the lid' },
                    ]"
                    :hint="overTop"
                    @update:model-value="
                        (v) =>
                            set('change the tube entry', (t) => {
                                t.tube_entry = v;
                            })
                    "
                />
                <Toggle
                    v-if="(pump?.branches.length ?? 0) > 1 || tub.count! > 1"
                    label="Pump outlets"
                    :model-value="line.system.joined === false ? 'apart' : 'joined'"
                    :options="[
                        { value: 'joined', name: 'Joined by tees' },
                        { value: 'apart', name: 'Apart' },
                    ]"
                    hint="Joined, all outlets feed one pipe and every line draws from it; apart, each outlet feeds its own lines."
                    @update:model-value="
                        (v) =>
                            setPump('change the outlets', (s) => {
                                s.joined = v === 'joined';
                            })
                    "
                />
            </template>
            <template v-else>
                <p>No air line comes to this tub yet.</p>
                <button
                    type="button"
                    class="box strong"
                    @click="garden.ask('bring a line', `edits/aerate?tub=${encodeURIComponent(tub.id)}`)"
                >
                    Bring a line
                </button>
            </template>
            <Caution v-if="!passive">
                Electricity near water: an outlet with residual-current protection, a drip loop in every cord, pump and plugs above the
                water line. Fixed wiring is for a licensed electrician, and the local code rules.
            </Caution>
        </template>

        <div v-if="!passive && line" class="drawings">
            <BenchDrawing
                :tubs="fed"
                :air="pump ? [pump] : []"
                :units="units"
                :growth="0.15"
                :letters="letters"
                :chosen="tub.id"
                @choose="(id) => garden.choose(id)"
            />
            <div class="below">
                <StonePlan :tub="report" :units="units" />
                <div class="cuts">
                    <h2>Tube to cut</h2>
                    <table>
                        <tbody>
                            <tr v-for="b in pump?.branches ?? []" :key="b.tub" :class="{ here: b.tub === tub.id }">
                                <th scope="row">
                                    <span class="letter">{{ letters[b.tub] }}</span>
                                    {{ garden.report.value.tubs.find((t) => t.id === b.tub)?.name }}
                                </th>
                                <td>
                                    {{ b.pieces_mm.map((mm) => length(mm, units)).join(' + ')
                                    }}<template v-if="(fed.find((t) => t.id === b.tub)?.count ?? 1) > 1"
                                        >, {{ fed.find((t) => t.id === b.tub)?.count }} times</template
                                    >
                                </td>
                            </tr>
                        </tbody>
                    </table>
                    <p class="small faint">
                        With {{ length(pump?.slack_mm ?? 0, units) }} to spare on each.
                        {{
                            line.system.check_valve
                                ? 'The check valve goes between pump and splitter, arrow away from the pump; blow through it to test.'
                                : ''
                        }}
                    </p>
                </div>
            </div>
        </div>
        <div v-else class="drawings">
            <BenchDrawing
                :tubs="[report]"
                :air="[]"
                :units="units"
                :growth="0.15"
                :letters="{ [report.id]: report.name }"
                :choosable="false"
            />
        </div>

        <template #reckoning>
            <Findings :findings="findings" :elsewhere="garden.findings.value.length - findings.length" />
            <template v-if="!passive">
                <Figure
                    v-if="oxygen.steady_mg_l !== null"
                    label="Oxygen, plants grown"
                    :value="number(oxygen.steady_mg_l, 1, 'mg/L')"
                    :share="oxygen.steady_mg_l / oxygen.saturation_mg_l"
                    :limit="floor / oxygen.saturation_mg_l"
                    :tone="tone"
                    :note="`floor ${number(floor, 0)}, the water holds ${number(oxygen.saturation_mg_l, 1)} at most`"
                    :why="report.workings.steady_mg_l"
                />
                <Figure label="Air into the tub" :value="number(oxygen.air_l_min ?? 0, 2, 'L/min')" :note="report.workings.thumb_l_min" />
                <Figure
                    v-if="branch && branch.per_stone_l_min !== null && report.shape.stones"
                    label="Each stone"
                    :value="number(branch.per_stone_l_min, 2, 'L/min')"
                    :share="branch.per_stone_l_min / (1.3 * report.shape.stones.most_l_min)"
                    :limit="report.shape.stones.least_l_min / (1.3 * report.shape.stones.most_l_min)"
                    :note="
                        `made for ${number(report.shape.stones.least_l_min, 1)} ` +
                        `to ${number(report.shape.stones.most_l_min, 1, 'L/min')}`
                    "
                />
                <Figure label="Roots ask for" :value="number(oxygen.demand_mg_h ?? 0, 0, 'mg/h')" />
                <Figure
                    label="On a power cut"
                    :value="outage"
                    :note="
                        oxygen.stems_dry_h === null ? `until ${number(report.limits.oxygen_stop_mg_l, 0, 'mg/L')}` : 'until the stems dry'
                    "
                    :why="report.workings.outage_min"
                />
                <Figure
                    v-if="pump"
                    label="Pump"
                    :value="number(pump.pressure_kpa, 1, 'kPa')"
                    :share="pump.flow_l_min / pump.free_flow_l_min"
                    :note="
                        `${number(pump.flow_l_min, 2)} of ${number(pump.free_flow_l_min, 1, 'L/min')} ` +
                        `free flow; ${number(pump.kwh_month, 1, 'kWh')} a month`
                    "
                />
                <Figure v-if="pump" label="Tubing in all" :value="length(pump.tubing_mm, units)" />
            </template>
            <Figure
                v-else
                label="The water holds"
                :value="number(oxygen.saturation_mg_l, 1, 'mg/L')"
                note="of oxygen at most; a passive tub is judged by its air gap, at the Crop mark"
            />
        </template>
    </MarkPage>
</template>

<style scoped>
.drawings {
    flex: 1;
    min-height: 0;
    display: grid;
    grid-template-rows: minmax(0, 1fr) minmax(0, 40%);
    gap: 0.5rem;
}
.below {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1.2fr);
    gap: 1rem;
    border-top: 1px solid var(--rule);
    padding-top: 0.5rem;
    min-height: 0;
}
.cuts {
    overflow-y: auto;
}
.cuts th,
.cuts td {
    padding: 0.2rem 0.6rem 0.2rem 0;
    vertical-align: top;
    font-size: 0.875rem;
}
.letter {
    display: inline-block;
    min-width: 1.35rem;
    border: 1.5px solid var(--ink);
    text-align: center;
    font: 600 0.8125rem/1.25rem var(--grotesque);
    color: var(--ink);
    margin-right: 0.2rem;
}
.cuts .here th {
    color: var(--ink);
    font-weight: 600;
}
.valve {
    display: grid;
    gap: 0.2rem;
}
.valve label {
    font-weight: 600;
    font-family: var(--grotesque);
}
.valve input {
    accent-color: var(--ink);
    width: 100%;
    min-height: 28px;
}
@media (max-width: 760px) {
    .drawings {
        grid-template-rows: clamp(200px, 56vw, 380px) auto;
    }
    .below {
        grid-template-columns: 1fr;
        height: auto;
    }
}
</style>
