<script setup lang="ts">
/** Crop: what is to grow, how many, by which method, and whether this tub carries it. */
import type { RankedCrop, RankedVessel } from '../types/answers';
import Fold from '../kit/Fold.vue';
import { computed, ref } from 'vue';
import LidPlan from '../drawing/LidPlan.vue';
import TubElevation from '../drawing/TubElevation.vue';
import { plantsOf, topOf, widthOf } from '../drawing/shape';
import { useBox } from '../drawing/useBox';
import Counter from '../kit/Counter.vue';
import { bringCrop, fromLibrary } from '../kit/edits';
import Figure from '../kit/Figure.vue';
import Findings from '../kit/Findings.vue';
import { doing, length, mass, number, volume } from '../kit/format';
import { useGarden } from '../kit/garden';
import { keyOf } from '../kit/library';
import { at as mendedAt } from '../kit/findings';
import { habitSays, listed } from './habit';
import Measure from '../kit/Measure.vue';
import Pick from '../kit/Pick.vue';
import Toggle from '../kit/Toggle.vue';
import MarkPage from '../shell/MarkPage.vue';
import type { TubReport } from '../types/report';
import type { Garden, Tub, Vessel } from '../types/garden';
import CupCount from '../lid/CupCount.vue';
import CropList from './CropList.vue';
import LightRows from './LightRows.vue';
import HandOverBar from './HandOverBar.vue';
import Ranking from './Ranking.vue';
import SeasonPicture from './SeasonPicture.vue';
import TimeBar from './TimeBar.vue';
import TopUpPlan from './TopUpPlan.vue';

const garden = useGarden();
const tub = computed(() => garden.tub.value!);
const report = computed(() => garden.tubReport.value!);
const units = garden.units;
const findings = computed(() => mendedAt(garden.findings.value, 'crop'));
const crop = computed(() => report.value.shape.crop);
const site = computed(() => garden.report.value.site);
const PLUGS: { value: TubReport['chosen']['plug']; name: string }[] = [
    { value: 'stone-wool', name: 'Stone wool' },
    { value: 'coir', name: 'Coir' },
    { value: 'peat', name: 'Peat' },
    { value: 'foam', name: 'Foam' },
    { value: 'none', name: 'None, out of a tray' },
];
/** Nothing was said of the place yet when this was opened: it is asked first. */
const isUnsaid = Object.keys(garden.document.value.site ?? {}).length === 0;
const manual = computed(() => tub.value.layout?.pattern === 'manual');

const LINES: Record<string, string> = {
    gap: 'Air gap',
    touch: 'Touching',
    'high-start': 'High start',
    'drawn-down': 'Drawn down',
    third: 'Kept at a third',
};
const lines = computed(() => report.value.levels.choices.map((c) => ({ value: c.choice as string, name: LINES[c.choice] ?? c.choice })));
const line = computed(() => report.value.levels.choices.find((c) => c.chosen)?.choice ?? '');

function set(says: string, edit: (tub: Tub, garden: Garden) => void): void {
    garden.changeTub(says, edit);
}

function setSite(key: keyof NonNullable<Garden['site']>, value: number | null): void {
    if (value !== null)
        garden.change('change the room', (g) => {
            (g.site ??= {})[key] = value as never;
        });
}

/** The water goes with the air until it was measured itself; a tub cannot be colder or warmer than water is here. */
const waterMeasured = computed(() => garden.document.value.site?.water_measured === true);
function setAir(value: number | null): void {
    if (value !== null)
        garden.change('change the room', (g) => {
            const room = (g.site ??= {});
            room.air_temperature_c = value;
            if (!room.water_measured) room.water_temperature_c = Math.max(0, Math.min(40, value));
        });
}
function setWater(value: number | null): void {
    if (value !== null)
        garden.change('change the water', (g) => {
            g.site = { ...g.site, water_temperature_c: value, water_measured: true };
        });
}

/** Indoors, under a roof, in the open, or in the open in full sun. */
const where = computed(() => (site.value.setting === 'open' && site.value.full_sun ? 'sun' : site.value.setting));
function setWhere(value: string): void {
    garden.change('change where it grows', (g) => {
        g.site = { ...g.site, setting: value === 'sun' ? 'open' : (value as 'indoor'), full_sun: value === 'sun' };
    });
}

const side = ref<HTMLElement | null>(null);
const box = useBox(side);
const tall = computed(() => topOf(report.value) + plantsOf(report.value) + 40);
const scale = computed(() => Math.max(0.03, Math.min((box.width - 30) / (widthOf(report.value) + 40), (box.height - 40) / tall.value)));
/** Nothing is picked of what is dead before its harvest. */
const lost = computed(() => season.value.looks === 'dead' && !season.value.harvest_g);
const plants = (count: number): string => (count === 1 ? '1 plant' : `${count} plants`);

const LIMITS = { lid: 'the lid sets it', spacing: 'the room between plants sets it', water: 'the water sets it' } as const;
const carries = computed(() => {
    const c = report.value.capacity;
    return `lid ${c.by_lid} · spacing ${c.by_spacing}${c.by_water === null ? '' : ` · water ${c.by_water}`}; ${LIMITS[c.limited_by]}`;
});
const wide = computed(
    () =>
        report.value.shape.lid.length_mm > 1.2 * report.value.shape.lid.width_mm &&
        plantsOf(report.value) < 1.4 * report.value.levels.rim_mm,
);
const season = computed(() => report.value.season);
/** A passive tub that nobody tops up at will is watched as its water falls. */
const watched = computed(() => tub.value.system === 'passive' && report.value.levels.harvest_mm !== null);
const leaves = computed(() => {
    const crops = report.value.shape.crops;
    if (crops.length === 0) return 'Choose a crop to see its leaves';
    return `Leaves when grown: ${crops.map((c) => `${c.name.toLowerCase()} ${length(c.spacing_mm, units.value)}`).join(', ')} across`;
});
const OF_USABLE: Record<string, string> = { level: 'a third', quarter: 'a third', half: 'a half' };
const habitNote = computed(() => {
    const from = `from day ${number(season.value.habit?.from_day ?? 0, 0)}`;
    const share = OF_USABLE[report.value.chosen.top_ups];
    return `${from}, when ${share} of the ${volume(report.value.volume.usable_l, units.value)} of use is gone`;
});

/** What the cups get at the start, and what follows from it. */
const STARTED: Record<string, string> = {
    plug: 'Raised from seed in a plug elsewhere; set out when its roots show.',
    nursery: 'Raised in a nursery tub of this garden, which has its seed and plugs; set out when roots hang from the plug.',
    seedling: 'A young plant, its roots rinsed clean of soil. No plug, no seed.',
};
const startedSays = computed(() => {
    const sprouts = Math.max(0, ...report.value.crops.map((c) => c.sprouts_day ?? 0));
    return (
        STARTED[report.value.chosen.started] ??
        `On the pebbles, no plug. Cover the cups against light and draught until they have sprouted, about day ${sprouts}; ` +
            `keep the pebbles wet from above until roots reach down.`
    );
});
const supported = computed(
    () =>
        report.value.chosen.trellis ||
        report.value.crops.some((c) => !['none', undefined].includes(garden.library.crops.find((l) => l.key === c.crop)?.support)),
);
/** What this tub raises for others, where it is a nursery. */
const raised = computed(() => garden.report.value.raised.filter((r) => r.tub === report.value.id));
function raisedFor(of: (typeof raised.value)[number]): string {
    const names = of.for.map((id) => garden.report.value.tubs.find((t) => t.id === id)?.name ?? id);
    if (!names.length) return 'for no tub of this garden yet: say “Nursery” at Started from, in the one that takes them';
    const short = of.wanted > of.plants ? `, ${names.length === 1 ? 'which takes' : 'which take'} ${of.wanted}` : '';
    return `${of.plants} for ${new Intl.ListFormat('en-GB').format(names)}${short}`;
}
const plural = computed(() => report.value.crops.length > 1);
</script>

<template>
    <MarkPage title="Crop" lead="What is to grow here, and how many of it this tub carries.">
        <template #set>
            <CropList />
            <Toggle
                label="Density"
                :model-value="report.chosen.density"
                :options="[
                    { value: 'roomy', name: 'Roomy' },
                    { value: 'tight', name: 'Tight', title: 'Harvested young, closer together' },
                ]"
                @update:model-value="
                    (v) =>
                        set('change the density', (t) => {
                            t.density = v;
                        })
                "
            />
            <CupCount v-if="!manual" />
            <p v-else class="small faint">The holes are laid out by hand, at the Lid mark.</p>
            <Pick
                v-if="lines.length"
                label="Water line"
                :model-value="line"
                :options="lines"
                @update:model-value="
                    (v) =>
                        v &&
                        set('move the water line', (t) => {
                            t.water_line = v as Tub['water_line'];
                        })
                "
            />
            <Pick
                v-if="tub.system === 'passive'"
                label="Top-ups"
                :model-value="report.chosen.top_ups"
                :options="[
                    { value: 'none', name: 'None, one fill' },
                    { value: 'quarter', name: 'A quarter at a time' },
                    { value: 'half', name: 'A half at a time' },
                    { value: 'level', name: 'Back to the line' },
                ]"
                @update:model-value="
                    (v) =>
                        v &&
                        set('change the top-ups', (t) => {
                            t.top_ups = v;
                        })
                "
            />
            <TopUpPlan v-if="tub.system === 'passive' && report.chosen.top_ups === 'none'" />
            <Toggle
                label="Cups filled with"
                :model-value="report.chosen.fill"
                :options="[
                    { value: 'clay-pebbles', name: 'Clay pebbles' },
                    { value: 'none', name: 'Nothing' },
                ]"
                @update:model-value="
                    (v) =>
                        set('change the medium', (t) => {
                            t.medium = { ...t.medium, fill: v };
                        })
                "
            />
            <Toggle
                v-if="report.crops.length && !report.cloner"
                label="Started from"
                :model-value="report.chosen.started"
                :options="[
                    { value: 'plug', name: 'Plug' },
                    { value: 'seedling', name: 'Young', title: 'A young plant, its roots rinsed clean of soil' },
                    { value: 'seed', name: 'Seed' },
                    ...(report.system === 'nursery' ? [] : [{ value: 'nursery' as const, name: 'Nursery' }]),
                ]"
                :hint="startedSays"
                @update:model-value="
                    (v) =>
                        set('change what it is started from', (t) => {
                            t.started = v;
                        })
                "
            />
            <Pick
                v-if="report.crops.length && (report.cloner ? !report.cloner.collar : report.chosen.started === 'plug')"
                label="Plug"
                :options="PLUGS"
                :model-value="report.chosen.plug"
                @update:model-value="
                    (v) =>
                        v &&
                        set('change the plug', (t) => {
                            t.medium = { ...t.medium, plug: v };
                        })
                "
            />
            <Toggle
                v-if="supported"
                label="Held up by"
                :model-value="report.chosen.trellis ? 'trellis' : 'none'"
                :options="[
                    { value: 'none', name: 'Itself' },
                    { value: 'trellis', name: 'A trellis' },
                ]"
                hint="The trellis stands on the floor or is fixed to a wall, not to the lid."
                @update:model-value="
                    (v) =>
                        set('change what holds it up', (t) => {
                            t.trellis = v === 'trellis';
                        })
                "
            />
            <Ranking
                question="What else could grow here"
                path="crops"
                trying="Trying every crop in this tub"
                :list="(data: Record<string, RankedCrop[]>) => data.crops ?? []"
                :key-of="(c: RankedCrop) => c.crop"
                :chosen="tub.crop ?? null"
                :figures="(c: RankedCrop) => plants(c.plants) + (c.harvest_day ? ` · day ${Math.round(c.harvest_day)}` : '')"
                @choose="
                    (key) =>
                        set('change the crop', (t, g) => {
                            t.crop = bringCrop(g, garden.library, key);
                            delete t.crops;
                        })
                "
            />
            <Ranking
                v-if="report.crops.length"
                question="Which vessel suits it"
                path="vessels"
                trying="Trying it in every vessel"
                :list="(data: Record<string, RankedVessel[]>) => data.vessels ?? []"
                :key-of="(v: RankedVessel) => v.vessel"
                :chosen="keyOf(tub.vessel)"
                :figures="(v: RankedVessel) => `${plants(v.plants)} · ${volume(v.working_l, units)}`"
                @choose="
                    (key) =>
                        set('change the vessel', (t) => {
                            t.vessel = fromLibrary(garden.library.vessels, key) as Vessel;
                            if (t.cutting !== 'drilled') t.hole_mm = null;
                        })
                "
            />
            <Fold title="Where it grows" :open="isUnsaid">
                <div class="stack">
                    <Pick
                        label="Place"
                        :model-value="where"
                        :options="[
                            { value: 'indoor', name: 'Indoors' },
                            { value: 'covered', name: 'Under a roof' },
                            { value: 'open', name: 'Outdoors' },
                            { value: 'sun', name: 'Outdoors, in full sun' },
                        ]"
                        @update:model-value="(v) => v && setWhere(v)"
                    />
                    <Measure
                        label="Air"
                        dimension="temperature"
                        :model-value="site.air_temperature_c"
                        at="/site/air_temperature_c"
                        @update:model-value="setAir"
                    />
                    <Measure
                        label="Water"
                        dimension="temperature"
                        :model-value="site.water_temperature_c"
                        at="/site/water_temperature_c"
                        :hint="waterMeasured ? '' : 'Goes with the air.'"
                        @update:model-value="setWater"
                    />
                    <Counter
                        label="Humidity, %"
                        :model-value="Math.round(site.humidity_pct)"
                        :least="0"
                        :most="100"
                        @update:model-value="(v) => setSite('humidity_pct', v)"
                    />
                    <Counter
                        label="Light, hours a day"
                        :model-value="Math.round(site.light_hours)"
                        :least="0"
                        :most="24"
                        @update:model-value="(v) => setSite('light_hours', v)"
                    />
                    <LightRows />
                    <p class="small faint">
                        For the whole garden, but for a lamp of a tub’s own.
                        <template v-if="season.climate !== undefined">
                            Plants here drink {{ number(season.climate, 2) }} times what they would in the reference room.
                        </template>
                    </p>
                </div>
            </Fold>
        </template>

        <div class="drawings" :class="{ wide: wide && !watched, watched }">
            <div class="plan"><LidPlan :tub="report" :units="units" canopies :dimensions="false" :caption="leaves" /></div>
            <div v-if="watched" class="side"><SeasonPicture :tub="report" :units="units" /></div>
            <div v-else ref="side" class="side">
                <svg
                    v-if="box.width"
                    class="drawing"
                    :width="box.width"
                    :height="box.height"
                    role="img"
                    :aria-label="crop ? `Grown ${crop.name} on the tub, from the side` : 'The tub from the side'"
                >
                    <line class="pen" x1="4" :x2="box.width - 4" :y1="box.height - 26" :y2="box.height - 26" />
                    <g :transform="`translate(${box.width / 2} ${box.height - 26})`"><TubElevation :tub="report" :scale="scale" /></g>
                    <text :x="box.width / 2" :y="box.height - 8" text-anchor="middle" class="quiet">
                        {{ report.system === 'nursery' ? 'When handed over' : 'Grown' }}
                    </text>
                </svg>
            </div>
            <div class="time">
                <HandOverBar v-if="report.system === 'nursery'" :raised="raised" />
                <TimeBar v-else :tub="report" :alarm="findings.some((f) => f.code === 'passive.dry')" />
            </div>
        </div>

        <template #reckoning>
            <Findings :findings="findings" :elsewhere="garden.findings.value.length - findings.length" />
            <Figure label="Plants it carries" :value="String(report.capacity.plants)" :note="carries" :why="report.workings.plants" />
            <Figure
                v-if="report.volume.per_plant_l !== null && crop"
                label="Water a plant"
                :value="volume(report.volume.per_plant_l, units)"
                :share="report.limits.per_plant_l ? report.volume.per_plant_l / report.limits.per_plant_l / 2 : null"
                :limit="0.5"
                :note="
                    `${plural ? 'the plants want' : doing(crop.name.toLowerCase(), 'wants', 'want')}` +
                    ` ${volume(report.limits.per_plant_l ?? 0, units)}${plural ? ' each, taken together' : ''}`
                "
            />
            <Figure
                v-if="report.layout.between_plants_mm !== null && report.limits.crop_spacing_mm !== null"
                label="Between plants"
                :value="length(report.layout.between_plants_mm, units)"
                :share="report.layout.between_plants_mm / report.limits.crop_spacing_mm / 2"
                :limit="0.5"
                :note="`${plural ? 'these two want' : 'wants'} ${length(report.limits.crop_spacing_mm, units)}`"
                :why="report.workings.spacing_mm"
            />
            <Figure
                v-for="r in raised"
                :key="r.crop"
                :label="plural ? `${r.name}, handed over` : 'Handed over'"
                :value="r.hand_over_day === null ? 'when roots hang' : `day ${r.hand_over_day}`"
                :note="raisedFor(r)"
            />
            <Figure
                v-for="c in plural && report.system !== 'nursery' ? report.crops : []"
                :key="c.crop"
                :label="c.name"
                :value="String(c.plants)"
                :note="
                    c.harvest_day === null
                        ? c.died_day === null
                            ? 'no harvest in two years'
                            : `dies on day ${c.died_day}`
                        : `first harvest on day ${number(c.harvest_day, 0)}`
                "
            />
            <Figure
                v-if="report.crops.length && report.system !== 'nursery'"
                :label="plural ? 'All harvested once' : 'First harvest'"
                :value="season.harvest_day === null || lost ? 'never' : `day ${number(season.harvest_day, 0)}`"
                :note="
                    season.dry_day === null
                        ? 'the water lasts without top-ups'
                        : `dry on day ${Math.floor(season.dry_day)} if nobody tops up`
                "
                :why="report.workings.dry_day"
            />
            <Figure
                v-if="season.water_to_harvest_l !== null && report.system !== 'nursery'"
                label="Drunk to harvest"
                :value="volume(season.water_to_harvest_l, units)"
                :note="
                    `± a quarter; at most ${volume(season.peak_daily_l ?? 0, units)} a day; ` +
                    `${volume(report.volume.usable_l, units)} can be used`
                "
            />
            <Figure
                v-if="report.light && report.light.wanted_mol_day > 0"
                label="Light of a day"
                :value="number(report.light.mol_day, 1, 'mol/m²')"
                :share="report.light.mol_day / report.light.wanted_mol_day / 2"
                :limit="0.5"
                :note="`${number(report.light.wanted_mol_day, 0)} wanted; growth is held up under three quarters of it`"
            />
            <Figure
                v-if="season.harvest_g && report.system !== 'nursery'"
                label="Harvest"
                :value="mass(season.harvest_g / 1000, units)"
                note="in all, by how well they fare"
            />
            <template v-if="season.habit && report.system !== 'nursery'">
                <Figure label="Top it up" :value="habitSays(season.habit, units)" :note="habitNote" />
                <Fold title="Each top-up">
                    <ul class="tops small">
                        <li v-for="line in listed(season.habit, units)" :key="line">{{ line }}</li>
                    </ul>
                </Fold>
            </template>
            <Figure
                v-if="report.levels.air_gap_harvest_mm !== null"
                label="Air gap at harvest"
                :value="length(report.levels.air_gap_harvest_mm, units)"
                :note="`${length(report.limits.air_gap_harvest_mm, units)} or more is wanted`"
            />
        </template>
    </MarkPage>
</template>

<style scoped>
.drawings {
    flex: 1;
    min-height: 0;
    display: grid;
    grid-template: minmax(0, 1fr) 110px / minmax(0, 1.25fr) minmax(0, 1fr);
    gap: 0.4rem 0.8rem;
}
.drawings.watched {
    grid-template: minmax(0, 1fr) 110px / minmax(0, 0.75fr) minmax(0, 1.25fr);
}
.drawings.wide {
    grid-template: minmax(0, 1fr) minmax(0, 0.95fr) 110px / 1fr;
}
.time {
    grid-column: 1 / -1;
    border-top: 1px solid var(--rule);
}
.side {
    min-height: 0;
}
.tops {
    margin: 0;
    padding: 0;
    list-style: none;
    columns: 2;
}
.stack {
    display: grid;
    gap: 0.6rem;
}
@media (max-width: 760px) {
    .drawings,
    .drawings.watched,
    .drawings.wide {
        grid-template: 300px 300px 110px / 1fr;
    }
}
</style>
