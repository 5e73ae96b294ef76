<script setup lang="ts">
/** Air: pump, lines and stones as one network, and the oxygen that comes of it. */
import { readBare } from '../kit/bare';
import { computed, ref, watch } from 'vue';
import BenchDrawing from '../drawing/BenchDrawing.vue';
import LineChart, { type ChartLine, type ChartMark } from '../drawing/LineChart.vue';
import Caution from '../kit/Caution.vue';
import { fromLibrary } from '../kit/edits';
import Counter from '../kit/Counter.vue';
import Figure from '../kit/Figure.vue';
import Findings from '../kit/Findings.vue';
import { at as mendedAt, toneOf } from '../kit/findings';
import Fold from '../kit/Fold.vue';
import { length, money, number, plain, run, span } from '../kit/format';
import { useGarden } from '../kit/garden';
import { keyOf, named } from '../kit/library';
import Measure from '../kit/Measure.vue';
import Pick from '../kit/Pick.vue';
import { vShown } from '../kit/shown';
import Toggle from '../kit/Toggle.vue';
import MarkPage from '../shell/MarkPage.vue';
import type { AirSystem, Pump, Tub } from '../types/garden';
import AirLine from './AirLine.vue';
import { useLook, type Asked } from './look';
import type { PumpOption } from '../types/answers';
import OwnPump from './OwnPump.vue';
import StonePlan from './StonePlan.vue';
import WhichPump from './WhichPump.vue';

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

const asked = ref<Asked>({ day: 14, trouble: '', battery: 0 });
/** All pumps are tried only for somebody who looks at them. */
const choosing = ref(false);
const look = useLook(garden, asked);
watch(garden.selected, () => {
    asked.value = { ...asked.value, trouble: '' };
    stone.value = null;
});
const wrong = computed(() => (asked.value.trouble !== '' && look.value?.trouble === asked.value.trouble ? look.value : null));
/** As it is, or with what has gone wrong. */
const pump = computed(() => (wrong.value?.air ?? garden.report.value.air).find((a) => a.id === line.value?.system.id) ?? null);
const fed = computed(() => garden.report.value.tubs.filter((t) => pump.value?.branches.some((b) => b.tub === t.id)));
const branch = computed(() => pump.value?.branches.find((b) => b.tub === tub.value.id) ?? null);
const oxygenOf = computed<Record<string, number | null>>(() =>
    Object.fromEntries(
        garden.report.value.tubs.map((t) => [
            t.id,
            wrong.value ? (wrong.value.oxygen.find((o) => o.tub === t.id)?.steady_mg_l ?? null) : t.oxygen.steady_mg_l,
        ]),
    ),
);
const steady = computed(() => oxygenOf.value[tub.value.id] ?? null);
const oxygen = computed(() => report.value.oxygen);
const floor = computed(() => report.value.limits.oxygen_mg_l);
const letters = garden.letters;
const currency = computed(() => garden.document.value.money?.currency ?? 'EUR');

function set(says: string, edit: (tub: Tub) => void): void {
    garden.changeTub(says, edit);
}

/* By its pump, or the tub on it, wherever that stands in the list by then. */
function setPump(says: string, edit: (system: AirSystem) => void): void {
    const id = line.value?.system.id;
    garden.change(says, (g) => {
        const system = g.air?.find((one) => one.id === id);
        if (system) edit(system);
    });
}

function setBranch(says: string, edit: (branch: NonNullable<AirSystem['branches']>[number]) => void): void {
    const id = tub.value.id;
    garden.change(says, (g) => {
        const branch = (g.air ?? []).flatMap((system) => system.branches ?? []).find((one) => one.tub === id);
        if (branch) edit(branch);
    });
}
const turnValve = (valve: number): void =>
    setBranch('turn the valve', (b) => {
        b.valve = valve;
    });
const ask = (part: Partial<Asked>): void => {
    asked.value = { ...asked.value, ...part };
};

const OWN = 'own';
const pumps = computed(() => [
    ...named(garden.library.pumps),
    ...(line.value && keyOf(line.value.system.pump) === null ? [{ value: OWN, name: pump.value?.name ?? 'Your own pump' }] : []),
]);
function takePump(option: PumpOption): void {
    garden.apply(`use the ${option.name}`, option.patch);
}
function takeOwn(own: Exclude<Pump, string>): void {
    setPump('use a pump of your own', (s) => {
        s.pump = own;
    });
}

const panel = ref<'curves' | 'cut' | 'floor' | 'tube'>('curves');
const PANELS = [
    { key: 'curves', name: 'Curves' },
    { key: 'floor', name: 'Floor' },
    { key: 'tube', name: 'Tube to cut' },
    { key: 'cut', name: 'Power cut' },
] as const;
const TROUBLES = [
    { value: 'none', name: 'Nothing goes wrong' },
    { value: 'clogged-stone', name: 'Its stone is clogged' },
    { value: 'weak-diaphragm', name: 'The diaphragm is worn' },
    { value: 'second-check-valve', name: 'A second check valve' },
    { value: 'reversed-check-valve', name: 'The check valve is reversed' },
    { value: 'valve-shut', name: 'Its valve is knocked shut' },
];

/* The stones, dragged. */
const stone = ref<number | null>(null);
const places = computed(() => report.value.shape.stones?.at ?? []);
const at = computed(() => (stone.value === null ? null : (places.value[stone.value] ?? null)));
type Place = { x_mm: number; y_mm: number };
const lookAt = (to: Place[]): void =>
    garden.look((g) => {
        const t = g.tubs?.find((x) => x.id === tub.value.id);
        if (t?.stones) t.stones.at = to;
    });
const place = (to: Place[]): void =>
    set('move a stone', (t) => {
        t.stones!.at = to;
    });
function type(axis: 'x_mm' | 'y_mm', value: number | null): void {
    if (value === null || stone.value === null) return;
    place(places.value.map((p, i) => ({ x_mm: p.x_mm, y_mm: p.y_mm, ...(i === stone.value ? { [axis]: value } : {}) })));
}

/* The curves. */
const nice = (value: number): number => {
    const power = 10 ** Math.floor(Math.log10(Math.max(1e-6, value)));
    return ([1, 1.5, 2, 2.5, 3, 4, 5, 6, 8, 10].find((m) => m * power >= value - 1e-9) ?? 10) * power;
};
const curves = computed(() => {
    const c = look.value?.curves;
    if (!c) return null;
    const lines: ChartLine[] = [
        ...(wrong.value && JSON.stringify(c.pump) !== JSON.stringify(c.new_pump)
            ? [{ points: c.new_pump, tone: 'faint' as const, name: 'as new', along: 0.4 }]
            : []),
        { points: c.pump, tone: 'ink', name: 'pump', along: 0 },
        { points: c.lines, tone: wrong.value ? 'stop' : 'water', dashed: wrong.value !== null, name: 'your lines', below: true },
    ];
    const marks: ChartMark[] = [{ at: c.at, text: `${number(c.at[0], 1)} at ${number(c.at[1], 1)}` }];
    return {
        lines,
        marks,
        xTo: nice(Math.max(...c.new_pump.map((p) => p[0])) * 1.02),
        yTo: nice(Math.max(...c.new_pump.map((p) => p[1])) * 1.02),
    };
});
/** So far over the floor a word under a mark does not touch its line, mg/L. */
const CLEAR_OF_FLOOR = 1.5;
const byAir = computed(() => {
    const o = look.value?.oxygen_by_air;
    if (!o) return null;
    const xTo = o.points.at(-1)![0];
    const lines: ChartLine[] = [
        {
            points: [
                [0, o.saturation_mg_l],
                [xTo, o.saturation_mg_l],
            ],
            tone: 'faint',
            dashed: true,
            name: `no pump passes ${number(o.saturation_mg_l, 1)}`,
        },
        {
            points: [
                [0, floor.value],
                [xTo, floor.value],
            ],
            tone: 'mend',
            name: `floor ${plain(floor.value, 0)}`,
            below: true,
        },
        { points: o.points, tone: 'water' },
    ];
    // Where the curve flattens out it goes on over the word's place; under it there is room, but for the floor.
    const marks: ChartMark[] = [{ at: o.now, text: `now ${number(o.now[1], 1)}`, below: o.now[1] > floor.value + CLEAR_OF_FLOOR }];
    return { lines, marks, xTo, yTo: 10, next: o };
});
const nextLitre = computed(() =>
    byAir.value && !wrong.value ? `The next litre a minute would bring ${number(byAir.value.next.next_mg_l, 1, 'mg/L')}. ` : '',
);
const offMains = computed(() => {
    const energy = look.value?.energy;
    if (!energy || energy.watts <= 0) return '';
    if (energy.panel_wp === null) return 'There is no sun here for a panel.';
    const [panel, battery] = [Math.ceil(energy.panel_wp), Math.ceil(energy.battery_wh_day)];
    return (
        `Off the mains: a panel of ${panel}\u202fWp in ${plain(energy.sun_hours, 1)}\u202fh of sun, ` +
        `and ${battery}\u202fWh of battery for each dark day.`
    );
});
const outage = computed(() => {
    const o = look.value?.outage;
    if (!o) return null;
    // On the battery nothing falls yet.
    const kept = o.battery_wh > 0 && o.battery_min !== null ? o.battery_min / 60 : 0;
    const hours = (points: [number, number][]): [number, number][] => [
        ...(kept > 0 ? [[0, points[0]![1]] as [number, number]] : []),
        ...points.map(([m, mg]): [number, number] => [kept + m / 60, mg]),
    ];
    const xTo = kept + o.hours;
    const stop = report.value.limits.oxygen_stop_mg_l;
    const lines: ChartLine[] = [
        {
            points: [
                [0, stop],
                [xTo, stop],
            ],
            tone: 'stop',
            name: `${plain(stop, 0)}: roots suffocate`,
            below: true,
        },
        ...(o.today ? [{ points: hours(o.today), tone: 'kelp' as const, name: `day ${o.day}`, along: 0.75 }] : []),
        { points: hours(o.grown), tone: 'water', name: 'grown', along: 0.3, below: true },
    ];
    return { lines, xTo, battery: kept > 0 ? ([0, kept] as const) : null, o };
});
const bridged = computed(() => {
    const o = look.value?.outage;
    if (!o || o.battery_min === null || o.battery_min <= 0) return '';
    const grown = o.grown_min === null ? 'and after that the surface is enough' : `and ${span(o.grown_min)} more until 3\u202fmg/L`;
    const dark = look.value?.energy?.dark_days ?? 0;
    const going = `${plain(o.battery_wh, 0)}\u202fWh keeps the air going for ${span(o.battery_min)}`;
    return `${going}, ${grown}. It bridges ${number(dark, 1)} dark days.`;
});
const batteryText = ref('');
const setBattery = (event: Event): void => {
    const read = readBare((event.target as HTMLInputElement).value, { least: 0, most: 100000 });
    batteryText.value = 'error' in read ? `${read.error} 12 V and 12 Ah are 144.` : '';
    if ('value' in read) ask({ battery: read.value });
};

const outageWords = computed(() => {
    const { outage_min: minutes, stems_dry_h: hours } = oxygen.value;
    return hours !== null ? number(hours, 0, 'h') : minutes === null ? 'never' : span(minutes);
});
const tone = computed(() => (wrong.value ? null : toneOf(findings.value, 'air.oxygen')));
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
                    :model-value="keyOf(line.system.pump) ?? OWN"
                    :options="pumps"
                    hint="It feeds every tub drawn here."
                    @update:model-value="
                        (v) =>
                            v &&
                            v !== OWN &&
                            setPump('change the pump', (s) => {
                                s.pump = fromLibrary(garden.library.pumps, v);
                            })
                    "
                />
                <Fold title="Which pump?" @toggle="(isOpen) => (choosing = isOpen)">
                    <WhichPump v-if="choosing" :day="asked.day" @take="takePump" />
                </Fold>
                <Fold title="A pump of your own"><OwnPump @take="takeOwn" /></Fold>
                <Pick
                    label="What if"
                    :model-value="asked.trouble || 'none'"
                    :options="TROUBLES"
                    @update:model-value="(v) => ask({ trouble: v === 'none' || v === null ? '' : v })"
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
                                t.stones = { count: 1, height_mm: 20, ...t.stones, kind: fromLibrary(garden.library.stones, v) };
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
                                delete t.stones!.at;
                            })
                    "
                />
                <div v-for="(more, i) in tub.stones?.more ?? []" :key="i" class="more">
                    <Pick
                        :label="`And stones of another kind, ${i + 2}`"
                        :model-value="keyOf(more.kind)"
                        :options="named(garden.library.stones)"
                        @update:model-value="
                            (v) =>
                                v &&
                                set('change the other stones', (t) => {
                                    t.stones!.more![i]!.kind = fromLibrary(garden.library.stones, v);
                                })
                        "
                    />
                    <div class="two">
                        <Counter
                            label="Of these"
                            :model-value="more.count ?? 1"
                            :most="50"
                            @update:model-value="
                                (v) =>
                                    set('change the number of the other stones', (t) => {
                                        t.stones!.more![i]!.count = v;
                                        delete t.stones!.at;
                                    })
                            "
                        />
                        <Measure
                            label="Tops at"
                            wide
                            dimension="length"
                            :model-value="more.height_mm ?? 20"
                            @update:model-value="
                                (v) =>
                                    v !== null &&
                                    set('move the other stones', (t) => {
                                        t.stones!.more![i]!.height_mm = v;
                                    })
                            "
                        />
                    </div>
                    <button
                        type="button"
                        class="word"
                        @click="
                            set('take the other stones out', (t) => {
                                t.stones!.more!.splice(i, 1);
                                delete t.stones!.at;
                            })
                        "
                    >
                        Take these out
                    </button>
                </div>
                <button
                    v-if="tub.stones && (tub.stones.more?.length ?? 0) < 3"
                    type="button"
                    class="word add"
                    @click="
                        set('add stones of another kind', (t) => {
                            t.stones!.more = [
                                ...(t.stones!.more ?? []),
                                { kind: 'cylinder-25', count: 1, height_mm: t.stones!.height_mm ?? 20 },
                            ];
                            delete t.stones!.at;
                        })
                    "
                >
                    Add stones of another kind
                </button>
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
                        v-shown="line.system.branches?.[line.branch]?.valve ?? 1"
                        @input="turnValve(Number(($event.target as HTMLInputElement).value))"
                    />
                </div>
                <div v-if="look?.valves" class="presses">
                    <button
                        type="button"
                        class="box"
                        :disabled="!look.valves.same?.length"
                        @click="garden.apply('give each stone the same', look.valves.same ?? [])"
                    >
                        Same to each stone
                    </button>
                    <button
                        type="button"
                        class="box"
                        :disabled="!look.valves.demand?.length"
                        @click="garden.apply('share the air by what roots ask for', look.valves.demand ?? [])"
                    >
                        Share by demand
                    </button>
                </div>
                <p v-if="line.system.joined === false && (pump?.branches.length ?? 0) > 1" class="small faint">
                    Outlets apart share no air: join them, and valves can.
                </p>
                <Toggle
                    v-if="(pump?.branches.length ?? 0) > 1 || (tub.count ?? 1) > 1"
                    label="The line is parted by"
                    :model-value="line.system.splitter ?? 'tees'"
                    :options="[
                        { value: 'tees', name: 'Tees' },
                        { value: 'manifold', name: 'A manifold' },
                    ]"
                    @update:model-value="
                        (v) =>
                            setPump('change the splitter', (s) => {
                                s.splitter = v;
                            })
                    "
                />
                <Pick
                    label="Tube"
                    :model-value="keyOf(line.system.tube) ?? 'tube-4-6'"
                    :options="named(garden.library.tubes)"
                    @update:model-value="
                        (v) =>
                            v &&
                            setPump('change the tube', (s) => {
                                s.tube = v;
                            })
                    "
                />
                <Measure
                    label="Pump to splitter"
                    dimension="length"
                    :model-value="line.system.trunk_mm ?? 0"
                    :at="`/air/${line.index}/trunk_mm`"
                    @update:model-value="
                        (v) =>
                            v !== null &&
                            setPump('change the trunk', (s) => {
                                s.trunk_mm = v;
                            })
                    "
                />
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

        <div v-if="!passive && line && pump" class="drawings">
            <AirLine
                :air="pump"
                :tubs="fed"
                :letters="letters"
                :chosen="tub.id"
                :units="units"
                :growth="0.12"
                :trouble="asked.trouble"
                :oxygen="oxygenOf"
                @choose="(id) => garden.choose(id)"
            />
            <div class="below">
                <div class="tabs" role="group" aria-label="Look at">
                    <button
                        v-for="p in PANELS"
                        :key="p.key"
                        type="button"
                        class="word"
                        :aria-pressed="panel === p.key"
                        @click="panel = p.key"
                    >
                        {{ p.name }}
                    </button>
                </div>
                <div v-if="panel === 'curves'" class="pair">
                    <LineChart
                        v-if="curves"
                        v-bind="curves"
                        x="air, L/min"
                        y="kPa"
                        :label="`The pump’s curve and the lines’: they meet at ${curves.marks[0]!.text} kPa`"
                    />
                    <LineChart
                        v-if="byAir"
                        :lines="byAir.lines"
                        :marks="byAir.marks"
                        :x-to="byAir.xTo"
                        :y-to="byAir.yTo"
                        :x="`air into ${letters[tub.id]}, L/min`"
                        y="oxygen, mg/L"
                        :label="`Oxygen against air: the next litre a minute brings ${number(byAir.next.next_mg_l, 1, 'mg/L')}`"
                    />
                    <p v-else-if="look" class="faint small">No air comes into this tub, so there is nothing to draw oxygen against.</p>
                </div>
                <div v-else-if="panel === 'cut'" class="cut">
                    <LineChart
                        v-if="outage"
                        :lines="outage.lines"
                        :x-to="outage.xTo"
                        :y-to="10"
                        x="hours without power"
                        y="oxygen, mg/L"
                        :shade="outage.battery"
                        shade-name="on the battery"
                        label="Oxygen after the power has failed"
                    />
                    <div class="beside">
                        <label
                            ><span>A battery of, Wh</span
                            ><input class="text" inputmode="decimal" :value="plain(asked.battery, 0)" @change="setBattery"
                        /></label>
                        <p v-if="batteryText" class="wrong small">{{ batteryText }}</p>
                        <label class="day"
                            ><span>Plants of day {{ asked.day }}</span
                            ><input
                                type="range"
                                min="0"
                                :max="Math.max(1, Math.round(report.season.last_day ?? 60) - 1)"
                                :value="asked.day"
                                @change="ask({ day: Number(($event.target as HTMLInputElement).value) })"
                        /></label>
                        <p v-if="outage" class="small">
                            Grown: {{ outage.o.grown_min === null ? 'the surface is enough' : span(outage.o.grown_min) }}. Day
                            {{ outage.o.day }}: {{ outage.o.today_min === null ? 'the surface is enough' : span(outage.o.today_min) }}.
                        </p>
                        <p v-if="bridged" class="small" role="status">{{ bridged }}</p>
                    </div>
                </div>
                <div v-else-if="panel === 'floor'" class="cut">
                    <StonePlan :tub="report" :units="units" :chosen="stone" @choose="(i) => (stone = i)" @look="lookAt" @move="place" />
                    <div class="beside">
                        <h2>Floor from above</h2>
                        <p class="small faint">
                            Drag a stone, or choose it and use the arrow keys. The line follows and its pieces are cut anew.
                        </p>
                        <template v-if="at">
                            <Measure
                                label="Right of the middle"
                                dimension="length"
                                :model-value="at.x_mm"
                                @update:model-value="(v) => type('x_mm', v)"
                            />
                            <Measure
                                label="Behind the middle"
                                dimension="length"
                                :model-value="at.y_mm"
                                @update:model-value="(v) => type('y_mm', v)"
                            />
                        </template>
                        <button
                            v-if="report.shape.stones?.by_hand"
                            type="button"
                            class="box"
                            @click="
                                set('lay the stones under the cups', (t) => {
                                    delete t.stones!.at;
                                })
                            "
                        >
                            Lay them under the cups
                        </button>
                    </div>
                </div>
                <div v-else class="cuts">
                    <table>
                        <tbody>
                            <tr v-for="b in pump.branches" :key="b.tub" :class="{ here: b.tub === tub.id }">
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
                        With {{ length(pump.slack_mm, units) }} to spare on each.
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
                    v-if="steady !== null"
                    :label="wrong ? 'Oxygen then' : 'Oxygen, plants grown'"
                    :value="number(steady, 1, 'mg/L')"
                    :share="steady / oxygen.saturation_mg_l"
                    :limit="floor / oxygen.saturation_mg_l"
                    :tone="tone"
                    :note="`floor ${number(floor, 0)}, the water holds ${number(oxygen.saturation_mg_l, 1)} at most`"
                    :why="wrong ? undefined : report.workings.steady_mg_l"
                />
                <Figure
                    label="Air into the tub"
                    :value="number(branch?.flow_l_min ?? oxygen.air_l_min ?? 0, 2, 'L/min')"
                    :note="`${nextLitre}${report.workings.thumb_l_min ?? ''}`"
                />
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
                    :value="outageWords"
                    :note="
                        oxygen.stems_dry_h === null ? `until ${number(report.limits.oxygen_stop_mg_l, 0, 'mg/L')}` : 'until the stems dry'
                    "
                    :why="report.workings.outage_min"
                />
                <Figure
                    v-if="look?.energy && pump"
                    label="Running"
                    :value="number(look.energy.kwh_month, 1, 'kWh')"
                    :note="`a month, ${money(look.energy.money_month)}\u202f${currency}. ${offMains}`"
                />
                <Figure v-if="pump" label="Tubing in all" :value="run(pump.tubing_mm, units)" />
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
    grid-template-rows: minmax(0, 1fr) minmax(0, 41%);
    gap: 0.4rem;
}
.below {
    display: flex;
    flex-direction: column;
    border-top: 1px solid var(--rule);
    padding-top: 0.2rem;
    min-height: 0;
}
.tabs {
    display: flex;
    gap: 1rem;
    flex: none;
}
.pair,
.cut {
    flex: 1;
    min-height: 0;
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: 1rem;
    padding-top: 0.3rem;
}
.cut {
    grid-template-columns: minmax(0, 1.5fr) minmax(0, 1fr);
}
.beside {
    display: grid;
    gap: 0.5rem;
    align-content: start;
    overflow-y: auto;
}
.beside label {
    display: grid;
    gap: 0.15rem;
}
.presses,
.two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0.5rem;
}
.more {
    display: grid;
    gap: 0.5rem;
    border-left: 3px solid var(--rule);
    padding-left: 0.6rem;
}
.add {
    justify-self: start;
    text-decoration: underline;
}
.wrong {
    color: var(--stop-text);
}
.day input {
    accent-color: var(--ink);
    min-height: 28px;
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
        grid-template-rows: clamp(300px, 90vw, 420px) auto;
    }
    .pair,
    .cut {
        grid-template-columns: 1fr;
        grid-auto-rows: minmax(200px, auto);
    }
}
</style>
