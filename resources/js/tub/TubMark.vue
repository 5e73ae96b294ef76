<script setup lang="ts">
/** Tub: which vessel, its true measures, how it is run, and what it weighs. */
import Field from '../kit/Field.vue';
import Fold from '../kit/Fold.vue';
import Caution from '../kit/Caution.vue';
import { computed, ref } from 'vue';
import LidPlan from '../drawing/LidPlan.vue';
import SectionDrawing from '../drawing/SectionDrawing.vue';
import Counter from '../kit/Counter.vue';
import { fromLibrary, measured, moveTub, vesselInPlace } from '../kit/edits';
import LidSize from '../lid/LidSize.vue';
import Figure from '../kit/Figure.vue';
import Findings from '../kit/Findings.vue';
import { area, length, load, mass, number, volume } from '../kit/format';
import { useGarden } from '../kit/garden';
import { keyOf, vesselOptions } from '../kit/library';
import { deeds } from '../kit/deeds';
import { at as mendedAt } from '../kit/findings';
import Measure from '../kit/Measure.vue';
import NumberField from '../kit/NumberField.vue';
import Pick from '../kit/Pick.vue';
import type { Way } from '../kit/reader';
import { SYSTEMS } from '../kit/systems';
import StationFields from '../kit/StationFields.vue';
import Toggle from '../kit/Toggle.vue';
import MarkPage from '../shell/MarkPage.vue';
import type { Tub, Vessel } from '../types/garden';
import { vShown } from '../kit/shown';

type Station = Exclude<Vessel, string>['stations'][number];

const garden = useGarden();
const tub = computed(() => garden.tub.value!);
const report = computed(() => garden.tubReport.value!);
const units = garden.units;
const at = computed(() => `/tubs/${garden.index.value}`);
const findings = computed(() => mendedAt(garden.findings.value, 'tub'));

const inPlace = computed(() =>
    typeof tub.value.vessel === 'string' ? garden.library.vessels.find((v) => v.key === tub.value.vessel)! : tub.value.vessel,
);
const stations = computed(() => inPlace.value.stations);
const round = computed(() => stations.value[0]?.diameter_mm !== undefined);
const fills = computed(() => inPlace.value.fills ?? []);
const cover = computed(() => (typeof inPlace.value.cover === 'object' ? 'liner' : (inPlace.value.cover ?? 'none')));
const liner = computed(() => (typeof inPlace.value.cover === 'object' ? inPlace.value.cover.liner : null));

/** How the tape is held: what is typed is turned into inside measures over the inside floor. */
const across = ref<'inside' | 'outside' | 'girth'>('inside');
const up = ref<'inside' | 'from-rim' | 'from-bench'>('inside');
const wall = ref(2.5);
const wayAcross = computed<Way>(() => ({ way: across.value, wall_mm: wall.value }));
const wayUp = computed<Way>(() => ({ way: up.value, rim_mm: report.value.levels.rim_mm, floor_mm: report.value.shape.floor_mm }));

function chooseVessel(key: string | null): void {
    if (key)
        garden.changeTub('change the vessel', (t) => {
            t.vessel = fromLibrary(garden.library.vessels, key) as Vessel;
        });
}

function setCover(kind: string): void {
    setVessel('change the cover', (v) => {
        const bag = report.value.liner;
        v.cover = kind === 'liner' ? { liner: { width_mm: bag.sold_width_mm, length_mm: bag.sold_length_mm } } : (kind as 'none');
    });
}

function setUnder(key: string | null): void {
    edit(key ? 'stand it in another vessel' : 'take it out of the other vessel', 'nest', key ? `&under=${encodeURIComponent(key)}` : '');
}

const move = (by: number): void => garden.change('change the order of the tubs', (g) => moveTub(g, tub.value.id, by));

function setStation(i: number, key: keyof Station, value: number): void {
    setMeasures('measure the vessel', (v) => {
        v.stations[i]![key] = value;
    });
}

function setMeasures(says: string, edit: (vessel: Exclude<Vessel, string>) => void): void {
    setVessel(says, (v) => measured(v, edit));
}

function setVessel(says: string, edit: (vessel: Exclude<Vessel, string>) => void): void {
    garden.changeTub(says, (t) => edit(vesselInPlace(t, garden.library)));
}

/** A fill that is being written down: it counts once both its measures are there. */
const next = ref<{ litres: number | null; depth: number | null }>({ litres: null, depth: null });
function addFill(): void {
    const { litres, depth } = next.value;
    if (litres === null || depth === null) return;
    setVessel('add a known fill', (v) => {
        v.fills = [...(v.fills ?? []), { litres, depth_mm: depth }].sort((a, b) => a.depth_mm - b.depth_mm);
    });
    next.value = { litres: null, depth: null };
}

function setField(says: string, edit: (tub: Tub) => void): void {
    garden.changeTub(says, edit);
}

const rename = (name: string): void =>
    setField('rename the tub', (t) => {
        t.name = name || t.id;
    });

function run(system: Tub['system']): void {
    edit('change how it is run', 'run', `&system=${system}`);
}

const of = (what: string): string => `edits/${what}?tub=${encodeURIComponent(tub.value.id)}`;
const edit = (says: string, what: string, more = ''): void => void garden.ask(says, of(what) + more);

const remove = (): void => void garden.askOnce(`remove ${tub.value.name ?? tub.value.id}`, of('remove'));
async function copy(): Promise<void> {
    const from = tub.value.id;
    const made = await garden.askOnce('copy the tub', of('copy'));
    if (made?.tub) garden.follow(from, made.tub);
}

/** A long tub leaves more room for its lid than a tall one. */
const wide = computed(() => report.value.shape.lid.length_mm > 1.25 * report.value.levels.rim_mm);

const covered = computed(() => ({ both: 'walls and lid', walls: 'the walls', lid: 'the lid' })[report.value.shape.cover_parts]);
/** How the tube comes in where it does not come through a wall. */
const overTheTop = computed(() => {
    if (report.value.raft) return 'over the rim, in the gap beside the board';
    return report.value.shape.in_mouth ? 'over the rim; notch the cup’s lip for the tube' : 'through the lid';
});

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
    const here = inPlace.value as unknown as Record<string, unknown>;
    const there = shipped as unknown as Record<string, unknown>;
    const changed = Object.keys(CHANGES).filter((key) => JSON.stringify(here[key]) !== JSON.stringify(there[key]));
    const names = [...new Set(changed.map((key) => CHANGES[key]!))];
    return names.length ? `Yours: ${names.join(', ')}.` : '';
});

const byScale = ref<'jug' | 'scale'>('jug');

function setDrip(key: 'flow_l_h' | 'on_min' | 'off_min', value: number): void {
    setField('change the drip', (t) => {
        (t.nursery ??= {})[key] = value;
    });
}

const dripNote = computed(() => {
    const drip = report.value.nursery;
    if (!drip) return '';
    const each = drip.per_cup_l_h === null ? '' : `; ${number(drip.per_cup_l_h, 1, 'L/h')} a cup while it runs`;
    return `a day, ${number(drip.turnovers_day ?? 0, 0)} times the tub${each}; lifts it ${length(drip.head_mm, units.value)}`;
});
const pairNote = computed(() => {
    const pair = report.value.under;
    if (!pair) return '';
    const walls = pair.gap_mm === null ? 'walls clear of each other' : `${length(Math.max(0, pair.gap_mm), units.value)} between the walls`;
    const rim = `${length(Math.abs(pair.above_mm), units.value)} ${pair.above_mm < 0 ? 'under' : 'over'}`;
    return `${walls}; the rim stands ${rim} the lower one’s`;
});
const volumes = computed(() => report.value.volume);
/** Where the bar of the weight ends: half over what one lifts, or at the weight itself. */
const heaviest = computed(() => Math.max(1.5 * report.value.limits.lift_kg, report.value.mass_kg));
const shelf = computed(() => garden.document.value.site?.shelf_limit_kg ?? null);
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
            <div v-if="report.raft" class="stack">
                <Measure
                    label="Board, thick"
                    dimension="length"
                    :model-value="report.raft.thickness_mm"
                    :at="`${at}/raft/thickness_mm`"
                    @update:model-value="
                        (x) =>
                            x !== null &&
                            setField('change the board', (t) => {
                                (t.raft ??= {}).thickness_mm = x;
                            })
                    "
                />
                <Measure
                    label="Gap to the wall"
                    dimension="length"
                    :model-value="report.raft.gap_mm"
                    :at="`${at}/raft/gap_mm`"
                    @update:model-value="
                        (x) =>
                            x !== null &&
                            setField('change the gap', (t) => {
                                (t.raft ??= {}).gap_mm = x;
                            })
                    "
                />
                <Measure
                    label="Water below the rim"
                    dimension="length"
                    :model-value="report.levels.rim_mm - report.levels.water_line_mm"
                    :at="`${at}/raft/below_rim_mm`"
                    @update:model-value="
                        (x) =>
                            x !== null &&
                            setField('change the line', (t) => {
                                (t.raft ??= {}).below_rim_mm = x;
                            })
                    "
                />
            </div>
            <div v-if="report.cloner" class="stack">
                <Measure
                    label="Stems below the cup"
                    dimension="length"
                    :model-value="report.cloner.stem_below_cup_mm"
                    :at="`${at}/cloner/stem_below_cup_mm`"
                    @update:model-value="
                        (x) =>
                            x !== null &&
                            setField('change the stems', (t) => {
                                (t.cloner ??= {}).stem_below_cup_mm = x;
                            })
                    "
                />
                <Toggle
                    label="Held by"
                    :model-value="report.cloner.collar ? 'collar' : 'pebbles'"
                    :options="[
                        { value: 'collar', name: 'Foam collars' },
                        { value: 'pebbles', name: 'Pebbles' },
                    ]"
                    @update:model-value="
                        (v) =>
                            setField('change what holds the stems', (t) => {
                                (t.cloner ??= {}).collar = v === 'collar';
                            })
                    "
                />
            </div>
            <div v-if="report.nursery" class="stack">
                <Field id="drip-flow" label="Water pump, L/h"
                    ><NumberField
                        id="drip-flow"
                        name="flow_l_h"
                        :least="0"
                        :most="10000"
                        above
                        :value="report.nursery.flow_l_h"
                        :set="(v) => setDrip('flow_l_h', v!)"
                    />
                </Field>
                <div class="pair">
                    <Field id="drip-on" label="On, min"
                        ><NumberField
                            id="drip-on"
                            name="on_min"
                            :least="0"
                            :most="1440"
                            above
                            :value="report.nursery.on_min"
                            :set="(v) => setDrip('on_min', v!)"
                        />
                    </Field>
                    <Field id="drip-off" label="Off, min"
                        ><NumberField
                            id="drip-off"
                            name="off_min"
                            :least="0"
                            :most="1440"
                            :value="report.nursery.off_min"
                            :set="(v) => setDrip('off_min', v!)"
                        />
                    </Field>
                </div>
                <Caution>
                    Electricity near water: a socket with residual-current protection, a drip loop in the cord, timer and plug above the
                    water. Fixed wiring is for a licensed electrician.
                </Caution>
            </div>
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
            <div v-if="inPlace.kind === 'bottle'" class="stack cut">
                <Measure
                    label="Cut it at"
                    dimension="length"
                    optional
                    :model-value="inPlace.cut_mm ?? null"
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
                        setField('change the lowest level', (t) => {
                            t.lowest_mm = x;
                        })
                "
            />
            <Fold title="Measures">
                <div class="stack tape">
                    <Toggle
                        v-model="across"
                        label="Across, the tape goes"
                        :options="
                            round
                                ? [
                                      { value: 'inside', name: 'Inside' },
                                      { value: 'outside', name: 'Outside' },
                                      { value: 'girth', name: 'Round it' },
                                  ]
                                : [
                                      { value: 'inside', name: 'Inside' },
                                      { value: 'outside', name: 'Outside' },
                                  ]
                        "
                    />
                    <Measure
                        v-if="across !== 'inside'"
                        label="Wall, thick"
                        dimension="length"
                        :model-value="wall"
                        @update:model-value="(x) => x !== null && (wall = x)"
                    />
                    <Toggle
                        v-model="up"
                        label="Heights, from the"
                        :options="[
                            { value: 'inside', name: 'Floor' },
                            { value: 'from-rim', name: 'Rim down' },
                            { value: 'from-bench', name: 'Bench' },
                        ]"
                    />
                    <Measure
                        label="Bench to inside floor"
                        dimension="length"
                        :model-value="inPlace.floor_mm ?? 3"
                        :at="`${at}/vessel/floor_mm`"
                        @update:model-value="
                            (x) =>
                                x !== null &&
                                setVessel('change the floor', (v) => {
                                    v.floor_mm = x;
                                })
                        "
                    />
                    <p class="small faint">What is kept and shown is the inside, from its floor up.</p>
                </div>
                <StationFields
                    :stations="stations"
                    :at="`${at}/vessel/stations`"
                    :across="wayAcross"
                    :up="wayUp"
                    @change="setStation"
                    @remove="
                        (i) =>
                            setMeasures('remove a station', (v) => {
                                v.stations.splice(i, 1);
                            })
                    "
                    @add="
                        (station) =>
                            setVessel('add a station', (v) => {
                                v.stations.splice(v.stations.length - 1, 0, station);
                            })
                    "
                />
                <LidSize v-if="!report.raft" />
            </Fold>
            <Fold title="Known fills" :open="fills.length > 0">
                <p class="small faint">Pour, read the tape, write all that is in it so far. Two or more correct the measures.</p>
                <Toggle
                    v-model="byScale"
                    label="Measured by"
                    :options="[
                        { value: 'jug', name: 'Jug' },
                        { value: 'scale', name: 'Scale' },
                    ]"
                />
                <fieldset v-for="(fill, i) in fills" :key="i">
                    <legend>
                        Fill {{ i + 1 }}
                        <button
                            type="button"
                            class="word small"
                            @click="
                                setVessel('remove a known fill', (v) => {
                                    v.fills!.splice(i, 1);
                                })
                            "
                        >
                            Remove
                        </button>
                    </legend>
                    <Measure
                        v-if="byScale === 'jug'"
                        label="Poured so far"
                        dimension="volume"
                        :model-value="fill.litres"
                        :at="`${at}/vessel/fills/${i}/litres`"
                        @update:model-value="
                            (x) =>
                                x !== null &&
                                setVessel('change a known fill', (v) => {
                                    v.fills![i]!.litres = x;
                                })
                        "
                    />
                    <Measure
                        v-else
                        label="Water weighs"
                        dimension="mass"
                        hint="The tub’s own weight taken off; a kilogram is a litre."
                        :model-value="fill.litres * 1000"
                        :at="`${at}/vessel/fills/${i}/litres`"
                        @update:model-value="
                            (x) =>
                                x !== null &&
                                setVessel('change a known fill', (v) => {
                                    v.fills![i]!.litres = x / 1000;
                                })
                        "
                    />
                    <Measure
                        label="Depth"
                        dimension="length"
                        :model-value="fill.depth_mm"
                        :at="`${at}/vessel/fills/${i}/depth_mm`"
                        @update:model-value="
                            (x) =>
                                x !== null &&
                                setVessel('change a known fill', (v) => {
                                    v.fills![i]!.depth_mm = x;
                                })
                        "
                    />
                </fieldset>
                <fieldset>
                    <legend>{{ fills.length ? 'Another fill' : 'A fill' }}</legend>
                    <Measure
                        v-if="byScale === 'jug'"
                        :label="fills.length ? 'Poured in all' : 'Poured in'"
                        dimension="volume"
                        optional
                        :model-value="next.litres"
                        @update:model-value="(x) => (next.litres = x)"
                    />
                    <Measure
                        v-else
                        label="All water weighs"
                        dimension="mass"
                        optional
                        :model-value="next.litres === null ? null : next.litres * 1000"
                        @update:model-value="(x) => (next.litres = x === null ? null : x / 1000)"
                    />
                    <Measure
                        label="Stands at"
                        dimension="length"
                        optional
                        :model-value="next.depth"
                        @update:model-value="(x) => (next.depth = x)"
                    />
                    <button
                        type="button"
                        class="box"
                        data-act="add-fill"
                        :disabled="(next.litres === null || next.depth === null) && !deeds.busy.value"
                        @click="addFill"
                    >
                        Write it down
                    </button>
                </fieldset>
            </Fold>
            <Fold title="Walls and where it stands">
                <div class="stack">
                    <Toggle
                        label="Walls"
                        :model-value="inPlace.opacity ?? 'opaque'"
                        :options="[
                            { value: 'opaque', name: 'Opaque' },
                            { value: 'translucent', name: 'Translucent' },
                            { value: 'clear', name: 'Clear' },
                        ]"
                        @update:model-value="
                            (x) =>
                                setVessel('change the walls', (v) => {
                                    v.opacity = x;
                                })
                        "
                    />
                    <Toggle
                        label="Light cover"
                        :model-value="cover"
                        :options="[
                            { value: 'none', name: 'None' },
                            { value: 'paint', name: 'Paint' },
                            { value: 'foil', name: 'Foil' },
                            { value: 'sleeve', name: 'Sleeve' },
                            { value: 'liner', name: 'Bag' },
                        ]"
                        @update:model-value="setCover"
                    />
                    <Toggle
                        v-if="cover !== 'none' && cover !== 'liner'"
                        label="It goes on"
                        :model-value="report.shape.cover_parts"
                        :options="[
                            { value: 'both', name: 'Both' },
                            { value: 'walls', name: 'Walls' },
                            { value: 'lid', name: 'The lid' },
                        ]"
                        @update:model-value="
                            (x) =>
                                setVessel('change what is covered', (v) => {
                                    v.cover_parts = x;
                                })
                        "
                    />
                    <template v-if="liner">
                        <Measure
                            label="Bag, flat width"
                            dimension="length"
                            :model-value="liner.width_mm"
                            :at="`${at}/vessel/cover`"
                            @update:model-value="
                                (x) =>
                                    x !== null &&
                                    setVessel('change the bag', (v) => {
                                        if (typeof v.cover === 'object') v.cover.liner.width_mm = x;
                                    })
                            "
                        />
                        <Measure
                            label="Bag, length"
                            dimension="length"
                            :model-value="liner.length_mm"
                            :at="`${at}/vessel/cover`"
                            @update:model-value="
                                (x) =>
                                    x !== null &&
                                    setVessel('change the bag', (v) => {
                                        if (typeof v.cover === 'object') v.cover.liner.length_mm = x;
                                    })
                            "
                        />
                        <p class="small faint">
                            At least {{ length(report.liner.least_width_mm, units) }} by {{ length(report.liner.least_length_mm, units) }}.
                            Fill it with water to smooth it, then trim.
                        </p>
                    </template>
                    <Caution v-if="cover === 'paint'">
                        Paint outdoors, with a mask, on the outside only: a dark coat, then a light one. Let it cure before it is used.
                    </Caution>
                    <Measure
                        label="Stands on"
                        dimension="length"
                        :model-value="tub.stand_mm ?? 0"
                        :at="`${at}/stand_mm`"
                        @update:model-value="
                            (x) =>
                                x !== null &&
                                setField('change the stand', (t) => {
                                    t.stand_mm = x;
                                })
                        "
                    />
                    <Measure
                        label="Shelf bears"
                        dimension="mass"
                        optional
                        :model-value="shelf === null ? null : shelf * 1000"
                        at="/site/shelf_limit_kg"
                        @update:model-value="
                            (x) =>
                                garden.change('change the shelf', (g) => {
                                    (g.site ??= {}).shelf_limit_kg = x === null ? null : x / 1000;
                                })
                        "
                    />
                </div>
            </Fold>
            <Fold title="Stands in another vessel" :open="!!tub.under">
                <div class="stack">
                    <Pick
                        label="Lower vessel"
                        :model-value="tub.under ? keyOf(tub.under.vessel) : null"
                        :options="vesselOptions(garden.library, garden.units.value)"
                        filter
                        clearable
                        placeholder="None"
                        :at="`${at}/under/vessel`"
                        @update:model-value="setUnder"
                    />
                    <Measure
                        v-if="tub.under"
                        label="On blocks of"
                        dimension="length"
                        :model-value="tub.under.blocks_mm ?? 0"
                        :at="`${at}/under/blocks_mm`"
                        @update:model-value="
                            (x) =>
                                x !== null &&
                                setField('change the blocks', (t) => {
                                    if (t.under) t.under.blocks_mm = x;
                                })
                        "
                    />
                    <Caution v-if="tub.under">
                        The pump lives below the water: a check valve is a must. Cord out by a drip loop, no plug inside.
                    </Caution>
                </div>
            </Fold>
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
                            setField('move the water line', (t) => {
                                t.water_line = line as Tub['water_line'];
                            })
                    "
                />
            </div>
            <div class="plan"><LidPlan :tub="report" :units="units" :dimensions="false" /></div>
        </div>

        <template #reckoning>
            <Findings :findings="findings" :elsewhere="garden.findings.value.length - findings.length" />
            <Figure
                label="Working volume"
                :value="volume(volumes.working_l, units)"
                :share="volumes.working_l / volumes.brim_l"
                :limit="volumes.label_l === null ? null : volumes.label_l / volumes.brim_l"
                :note="
                    volumes.label_l === null
                        ? `${volume(volumes.brim_l, units)} to the rim`
                        : `label ${volume(volumes.label_l, units)}, to the rim ${volume(volumes.brim_l, units)}`
                "
                :why="report.workings.working_l"
            />
            <Figure label="Usable" :value="volume(volumes.usable_l, units)" :note="`down to ${length(report.levels.lowest_mm, units)}`" />
            <Figure
                v-if="volumes.fill_scale !== null"
                label="Fills say"
                :value="number(volumes.fill_scale * 100, 1, '%')"
                :note="
                    fills.length < 2
                        ? 'of the measured volume; one fill is not applied'
                        : `of the measured volume, within ${number(volumes.fill_residual_pct ?? 0, 1, '%')}`
                "
            />
            <Figure
                label="Weight filled"
                :value="mass(report.mass_kg, units)"
                :share="report.mass_kg / heaviest"
                :limit="report.limits.lift_kg / heaviest"
                :note="
                    `${load(report.load_kg_m2, units)} on its floor; ` +
                    `over ${mass(report.limits.lift_kg, units)} fill it where it stands`
                "
                :why="report.workings.mass_kg"
            />
            <Figure
                v-if="report.raft"
                label="The board goes down"
                :value="length(report.raft.travel_mm, units)"
                :note="
                    report.raft.jam_level_mm > 0
                        ? `then it jams; ${volume(report.raft.litres_till_jam, units)} till ` +
                          `then${report.season.jam_day === null ? '' : `, on day ${Math.floor(report.season.jam_day)}`}`
                        : 'to the floor: straight walls never stop it'
                "
            />
            <Figure
                v-if="report.raft"
                label="It carries"
                :value="mass(report.raft.load_kg, units)"
                :share="report.raft.load_kg / report.raft.carries_kg"
                :limit="report.raft.safe_share"
                :note="
                    `goes under at ${mass(report.raft.carries_kg, units)}; cups ` +
                    `dip ${length(Math.max(0, report.raft.dip_mm ?? 0), units)}`
                "
            />
            <Figure v-if="report.nursery" label="Over the cups" :value="volume(report.nursery.litres_day, units)" :note="dripNote" />
            <Figure v-if="report.under" label="Room for the pump" :value="length(report.under.room_mm, units)" :note="pairNote" />
            <Figure
                v-if="report.under"
                label="Cord hole"
                :value="length(report.under.cord_hole_diameter_mm, units)"
                :note="`its middle ${length(report.under.cord_hole_mm, units)} over the lower floor`"
            />
            <Figure
                v-if="report.cover_m2 > 0"
                label="To cover"
                :value="area(report.cover_m2, units)"
                :note="`${covered}${cover === 'paint' ? ', a dark coat and a light one' : ''}`"
            />
            <Figure
                v-if="report.sight_strip"
                label="Sight strip"
                :value="length(report.sight_strip.to_mm - report.sight_strip.from_mm, units)"
                :note="
                    `masked before painting, from ${length(report.sight_strip.from_mm, units)} ` +
                    `to ${length(report.sight_strip.to_mm, units)}`
                "
            />
            <Figure
                v-if="report.levels.overflow_mm !== null"
                label="Overflow hole"
                :value="length(report.levels.overflow_mm, units)"
                note="over the floor; rain runs out there"
            />
            <Figure
                v-if="report.levels.tube_entry_mm !== null && report.shape.stones"
                label="Tube hole"
                :value="length(report.levels.tube_entry_mm, units)"
                :note="
                    report.shape.tube_through_lid
                        ? overTheTop
                        : `above the floor; ${length(report.levels.rim_mm - report.levels.tube_entry_mm, units)} down from the rim`
                "
            />
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
fieldset {
    border: 0;
    padding: 0;
    margin: 0.5rem 0 0.7rem;
    display: grid;
    gap: 0.3rem;
}
legend {
    padding: 0;
    color: var(--faint);
    font-size: 0.875rem;
}
.stack {
    display: grid;
    gap: 0.7rem;
    padding-top: 0.5rem;
}
.stack.tape {
    border-bottom: 1px solid var(--rule);
    padding-bottom: 0.7rem;
}
.pair {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0.6rem;
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
