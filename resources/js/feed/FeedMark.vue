<script setup lang="ts">
/** Feed: what goes into the water, in which order, and how it stands until harvest. */
import NumberField from '../kit/NumberField.vue';
import { computed, ref, watch } from 'vue';
import Caution from '../kit/Caution.vue';
import { freeFeed, setFeed } from '../kit/edits';
import Figure from '../kit/Figure.vue';
import Findings from '../kit/Findings.vue';
import { at as mendedAt } from '../kit/findings';
import Fold from '../kit/Fold.vue';
import { number, plain, volume } from '../kit/format';
import { useGarden } from '../kit/garden';
import { keyOf, named } from '../kit/library';
import Measure from '../kit/Measure.vue';
import Pick from '../kit/Pick.vue';
import Toggle from '../kit/Toggle.vue';
import MarkPage from '../shell/MarkPage.vue';
import type { Garden, Tub } from '../types/garden';
import type { FeedDose } from '../types/report';
import { amount } from './amount';
import Beside from './Beside.vue';
import DaySection from './DaySection.vue';
import GoingAway from './GoingAway.vue';
import JugRow from './JugRow.vue';
import OtherYears from './OtherYears.vue';
import OwnFeed from './OwnFeed.vue';
import ReadsOtherwise from './ReadsOtherwise.vue';
import { CHANGES, CLIMATES, SOURCES, STEADY, STRENGTHS, TOP_UPS } from './schools';
import SeasonChart from './SeasonChart.vue';
import { ppm, useSeason, type Ask } from './season';
import type { Run } from '../types/answers';

const garden = useGarden();
const tub = computed(() => garden.tub.value!);
const report = computed(() => garden.tubReport.value!);
const units = garden.units;
const water = computed(() => garden.report.value.water);
const findings = computed(() => mendedAt(garden.findings.value, 'feed'));
const passive = computed(() => tub.value.system === 'passive');
const feed = computed(() => (garden.document.value.feeds ?? []).find((f) => f.id === tub.value.feed) ?? null);
const weather = computed(() => garden.document.value.site?.weather ?? { kind: 'steady' as const });
const currency = computed(() => garden.document.value.money?.currency ?? 'EUR');

const AS_PLANNED: Ask = { policy: {}, what_ifs: [] };
const asks = ref<Ask[]>([AS_PLANNED]);
/** What stands over the days: what is mixed, other ways to run the season, or what an absence does. */
const view = ref<'first' | 'next' | 'beside' | 'away'>('first');
const beside = computed(() => view.value === 'beside');
watch(garden.selected, () => {
    show(view.value);
    day.value = null;
});
/** Days away that are asked about first. */
const A_HOLIDAY = 9;
const leave = computed(() => asks.value[1]?.leave ?? null);
function show(what: typeof view.value): void {
    view.value = what;
    if (what !== 'beside') asks.value = [AS_PLANNED];
    if (what === 'away') goAway(Math.max(1, shown.value), A_HOLIDAY);
}
function goAway(from: number, many: number): void {
    asks.value = [AS_PLANNED, { policy: {}, what_ifs: [], leave: { day: from, days: many } }];
}
const { runs, faults, of, away, forecast } = useSeason(garden, asks);
const weatherFrom = computed(() =>
    forecast.value.from === 'kept'
        ? `The forecast service does not answer: this is its last forecast, ${plain(forecast.value.age_h ?? 0, 0)}\u202fh old.`
        : forecast.value.from === 'steady'
          ? 'The forecast service does not answer: every day is as the site says.'
          : '',
);
const here = computed(() => (of.value === tub.value.id ? runs.value : []));
const days = computed(() => here.value[0]?.season.days ?? []);
/** The day that is looked at: the one that was chosen, or half-way to the first harvest. */
const day = ref<number | null>(null);
const shown = computed(() =>
    Math.min(Math.max(0, days.value.length - 1), day.value ?? Math.round((report.value.season.harvest_day ?? 0) / 2)),
);
const onDay = computed(() => days.value[shown.value] ?? null);
/** The tub as one who was away finds it. */
const found = computed(() => (view.value === 'away' ? (here.value[1]?.leave?.back ?? null) : null));
const mixes = computed(() => view.value === 'first' || view.value === 'next');

const OWN = 'own';
const NONE = 'none';
const products = computed(() => [
    { value: NONE, name: 'None yet' },
    ...named(garden.library.feeds),
    ...(feed.value && keyOf(feed.value.product) === null ? [{ value: OWN, name: report.value.feed?.name ?? 'Your own feed' }] : []),
]);

function setTub(says: string, edit: (tub: Tub) => void): void {
    garden.changeTub(says, edit);
}
function set(says: string, edit: (garden: Garden) => void): void {
    garden.change(says, edit);
}
function setThisFeed(says: string, edit: (feed: NonNullable<Garden['feeds']>[number]) => void): void {
    const id = tub.value.feed;
    set(says, (g) => {
        const found = (g.feeds ?? []).find((f) => f.id === id);
        if (found) edit(found);
    });
}
function choose(product: string | null): void {
    if (product === null || product === OWN) return;
    set(product === NONE ? 'leave the feed out' : 'change the feed', (g) =>
        product === NONE ? freeFeed(g, tub.value.id) : setFeed(g, tub.value.id, product, garden.library),
    );
}
function setWeather(climate: string | null): void {
    set('change the weather', (g) => {
        g.site ??= {};
        if (climate === null || climate === STEADY) delete g.site.weather;
        else g.site.weather = { kind: 'typical', seed: 1, start: new Date().toISOString().slice(0, 10), ...g.site.weather, climate };
    });
}
const climate = computed(() => (weather.value.kind === 'typical' ? (weather.value.climate ?? STEADY) : STEADY));

const doses = (list: FeedDose[] | null | undefined): string =>
    (list ?? []).map((d) => `${list!.length > 1 ? `${d.name} ` : ''}${amount(d)}`).join(', ');
const sum = (list: FeedDose[] | null | undefined): string => {
    const all = (list ?? []).reduce((total, d) => total + (d.ml ?? d.g ?? 0), 0);
    return list?.length ? number(all, all < 1 ? 2 : all < 10 ? 1 : 0, list[0]!.ml === null ? 'g' : 'mL') : '–';
};
/** The next time something is put in, from the day that is looked at on. */
const next = computed(() => here.value[0]?.events.find((e) => e.day >= shown.value) ?? null);
const nextWords = computed(() => {
    const e = next.value;
    if (!e) return '';
    const ec = e.ec_ms_cm === null ? '' : `, to ${number(e.ec_ms_cm, 2, 'mS/cm')}`;
    const with_ = e.parts.some((p) => (p.ml ?? p.g ?? 0) > 0) ? `: ${doses(e.parts)}` : report.value.feed ? ': water alone' : '';
    return `on the evening of day ${e.day}${ec}${with_}`;
});
/** What the jugs show: the first fill, or what is put in next from the day that is looked at. */
const jugs = computed(() =>
    view.value === 'next' && next.value
        ? { litres: next.value.litres, parts: next.value.parts, ec: next.value.ec_ms_cm, batch: next.value.batch }
        : {
              litres: report.value.volume.start_l,
              parts: report.value.feed?.parts ?? [],
              ec: report.value.feed?.ec_ms_cm ?? null,
              batch: report.value.feed?.batch ?? null,
          },
);
/** What is done next, in a word. */
const nextWord = computed(() => (next.value?.change ? 'Change' : next.value?.litres ? 'Top-up' : 'Feed'));
/** By stage, the label's dose, or one strength all through: that of grown plants to begin with. */
const way = computed(() => (typeof feed.value?.strength === 'object' ? 'aim' : (feed.value?.strength ?? 'by-stage')));
const aimed = computed(() => (typeof feed.value?.strength === 'object' ? feed.value.strength.ec_ms_cm : null));
function setStrength(to: 'by-stage' | 'simple' | 'aim'): void {
    const middle = (report.value.limits.ec_ms_cm ?? [1.2, 1.2]).reduce((sum, ec) => sum + ec / 2, 0);
    setThisFeed('change the strength', (f) => {
        f.strength = to === 'aim' ? { ec_ms_cm: Math.round(middle * 100) / 100 } : to;
    });
}
/** EC that the tub should have on the day that is looked at. */
const usual = computed(() => report.value.feed?.stages.filter((s) => s.from_day <= shown.value).at(-1)?.ec_ms_cm ?? null);
const awayDays = computed(() => here.value[0]?.away_days[shown.value] ?? null);
const season = computed(() => here.value[0]?.season ?? report.value.season);
const strength = computed(() => {
    const ec = report.value.feed?.ec_ms_cm ?? null;
    return ec === null ? 'EC unknown' : `${number(ec, 2, 'mS/cm')}, ${ppm(ec)}`;
});
const windowWords = computed(() => {
    const window = report.value.limits.ec_ms_cm;
    return window ? `window ${plain(window[0]!, 1)} to ${plain(window[1]!, 1)}; the band is ± a quarter of what they drink and eat` : '';
});
const names = computed(() => asks.value.map((_, i) => String(i)));
function takeRun(run: Run, name: string): void {
    garden.apply(`run the season otherwise: ${name.toLowerCase()}`, run.patch);
    asks.value = [AS_PLANNED];
}
</script>

<template>
    <MarkPage title="Feed" lead="What goes into the water, in which order, and how it stands until harvest.">
        <template #set>
            <Toggle
                label="Water"
                :model-value="garden.document.value.water?.source ?? 'tap'"
                :options="SOURCES"
                @update:model-value="
                    (v) =>
                        set('change the water', (g) => {
                            g.water = { ...g.water, source: v, ec_ms_cm: v === 'tap' ? 0.4 : 0 };
                        })
                "
            />
            <div class="two">
                <Measure
                    label="It reads"
                    wide
                    dimension="conductivity"
                    :model-value="garden.document.value.water?.ec_ms_cm ?? water.ec_ms_cm"
                    at="/water/ec_ms_cm"
                    @update:model-value="
                        (v) =>
                            v !== null &&
                            set('change the water', (g) => {
                                g.water = { ...g.water, ec_ms_cm: v };
                            })
                    "
                />
                <div class="field">
                    <label for="water-ph">and pH</label>
                    <NumberField
                        id="water-ph"
                        name="pH of the water"
                        :least="0"
                        :most="14"
                        :value="garden.document.value.water?.ph ?? 7.4"
                        :set="
                            (v) =>
                                set('change the water', (g) => {
                                    g.water = { ...g.water, ph: v! };
                                })
                        "
                    />
                </div>
            </div>
            <Pick label="Feed" :model-value="feed ? (keyOf(feed.product) ?? OWN) : NONE" :options="products" @update:model-value="choose" />
            <template v-if="feed">
                <Toggle
                    label="Strength"
                    :model-value="way"
                    :options="[
                        { value: 'by-stage', name: 'By stage' },
                        { value: 'aim', name: 'One' },
                        { value: 'simple', name: 'Label' },
                    ]"
                    @update:model-value="setStrength"
                />
                <Measure
                    v-if="aimed !== null"
                    label="Aim for"
                    dimension="conductivity"
                    :model-value="aimed"
                    at="/feeds"
                    @update:model-value="
                        (v) =>
                            v !== null &&
                            v > 0 &&
                            setThisFeed('change the strength', (f) => {
                                f.strength = { ec_ms_cm: v };
                            })
                    "
                />
                <Pick
                    label="pH"
                    :model-value="feed.ph_school ?? 'window'"
                    :options="[
                        { value: 'window', name: 'In the crop’s window' },
                        { value: 'strict', name: 'Strict, 5.5 to 5.8' },
                        { value: 'none', name: 'Not looked at' },
                    ]"
                    @update:model-value="
                        (v) =>
                            v &&
                            setThisFeed('change the pH school', (f) => {
                                f.ph_school = v;
                            })
                    "
                />
            </template>
            <Pick
                label="Top-ups"
                :model-value="tub.top_ups ?? (passive ? 'none' : 'level')"
                :options="TOP_UPS"
                @update:model-value="
                    (v) =>
                        v &&
                        setTub('change the top-ups', (t) => {
                            t.top_ups = v;
                        })
                "
            />
            <Toggle
                label="Made up"
                :model-value="tub.top_up_strength ?? 'half'"
                :options="STRENGTHS.map((s) => ({ ...s, name: { water: 'Water', half: 'Half', feed: 'Full' }[s.value] }))"
                @update:model-value="
                    (v) =>
                        setTub('change what is topped up', (t) => {
                            t.top_up_strength = v;
                        })
                "
            />
            <Pick
                label="Change the water"
                :model-value="tub.reservoir_change ?? (passive ? 'never' : 'two-weekly')"
                :options="CHANGES"
                @update:model-value="
                    (v) =>
                        v &&
                        setTub('change how often the water is changed', (t) => {
                            t.reservoir_change = v;
                        })
                "
            />
            <Toggle
                v-if="feed && way !== 'simple'"
                label="When they want more"
                :model-value="(tub.strengthening ?? true) ? 'yes' : 'no'"
                :options="[
                    { value: 'yes', name: 'Stir feed in' },
                    { value: 'no', name: 'Leave it' },
                ]"
                @update:model-value="
                    (v) =>
                        setTub('change whether it is made stronger', (t) => {
                            t.strengthening = v === 'yes';
                        })
                "
            />
            <Pick label="Weather" :model-value="climate" :options="CLIMATES" :hint="weatherFrom" @update:model-value="setWeather" />
            <label v-if="climate !== STEADY" class="field">
                <span>From</span>
                <input
                    class="text"
                    type="date"
                    :value="weather.start"
                    @change="
                        (e) =>
                            (e.target as HTMLInputElement).value &&
                            set('change the start of the weather', (g) => {
                                g.site!.weather = { ...g.site!.weather, start: (e.target as HTMLInputElement).value };
                            })
                    "
                />
            </label>
            <Fold title="From the tap on">
                <div class="folded">
                    <Pick
                        label="In the tap water"
                        :model-value="garden.document.value.water?.disinfectant ?? water.disinfectant"
                        :options="[
                            { value: 'chlorine', name: 'Chlorine: stand it 24 h' },
                            { value: 'chloramine', name: 'Chloramine: dechlorinate' },
                            { value: 'none', name: 'Neither' },
                        ]"
                        @update:model-value="
                            (v) =>
                                v &&
                                set('say what is in the water', (g) => {
                                    g.water = { ...g.water, disinfectant: v };
                                })
                        "
                    />
                    <label class="field">
                        <span>Pure water mixed in, %</span>
                        <input
                            class="text"
                            inputmode="decimal"
                            :value="plain(100 * (garden.document.value.water?.blend?.[0]?.share ?? 0), 0)"
                            @change="
                                (e) => {
                                    const v = Math.max(0, Math.min(100, Number((e.target as HTMLInputElement).value) || 0)) / 100;
                                    set('mix waters', (g) => {
                                        g.water = { ...g.water, blend: v > 0 ? [{ source: 'ro', ec_ms_cm: 0, share: v }] : [] };
                                    });
                                }
                            "
                        />
                    </label>
                </div>
            </Fold>
            <Fold title="A feed of your own"><OwnFeed /></Fold>
            <Fold v-if="feed" title="Peroxide">
                <div class="folded">
                    <Toggle
                        label="Against rot"
                        :model-value="(feed.peroxide_mg_l ?? 0) > 0 ? 'yes' : 'no'"
                        :options="[
                            { value: 'no', name: 'None' },
                            { value: 'yes', name: '30 mg/L' },
                        ]"
                        @update:model-value="
                            (v) =>
                                setThisFeed('change the peroxide', (f) => {
                                    f.peroxide_mg_l = v === 'yes' ? 30 : 0;
                                })
                        "
                    />
                    <div v-if="(feed.peroxide_mg_l ?? 0) > 0" class="field">
                        <label for="peroxide-pct">Of the bottle, %</label>
                        <NumberField
                            id="peroxide-pct"
                            name="peroxide of the bottle"
                            :least="0"
                            :most="100"
                            above
                            :value="feed.peroxide_pct ?? 3"
                            :set="
                                (v) =>
                                    setThisFeed('change the peroxide', (f) => {
                                        f.peroxide_pct = v!;
                                    })
                            "
                        />
                    </div>
                    <p class="small faint">It kills helpful microbes too and is gone in about two days.</p>
                </div>
            </Fold>
            <Caution>
                Acids, bases, feeds and peroxide stay in their own labelled containers, away from children and pets. Gloves and eye
                protection; acid into water, and never mix products. Old solution goes to soil plants, not into a watercourse; local rules
                come first.
            </Caution>
        </template>

        <div class="drawings" :class="{ side: beside }">
            <div class="top">
                <Beside
                    v-if="beside"
                    :asks="asks"
                    :runs="here"
                    :units="units"
                    :currency="currency"
                    :last-day="days.length"
                    :passive="passive"
                    @change="(list) => (asks = list)"
                    @take="takeRun"
                />
                <GoingAway
                    v-else-if="view === 'away' && leave && days.length"
                    :day="leave.day"
                    :days="leave.days"
                    :leave="here[1]?.leave ?? null"
                    :start="climate === STEADY ? null : (weather.start ?? null)"
                    :last-day="days.length"
                    :units="units"
                    @change="goAway"
                />
                <JugRow v-else :tub="report" :water="water" :units="units" :litres="jugs.litres" :parts="jugs.parts" :ec="jugs.ec" />
            </div>
            <p v-if="jugs.batch && mixes" class="small note">
                So little is hard to measure: make {{ volume(jugs.batch.litres, units) }} with {{ doses(jugs.batch.parts) }} and share it
                out.
            </p>
            <p v-if="!report.feed && mixes" class="small note">
                No feed is chosen: the days below go as if the water were made up to what these plants like.
            </p>
            <div class="ways">
                <button type="button" class="word" :aria-pressed="view === 'first'" @click="show('first')">First fill</button>
                <button v-if="next" type="button" class="word" :aria-pressed="view === 'next'" @click="show('next')">
                    {{ nextWord }} of day {{ next.day }}
                </button>
                <button type="button" class="word" :aria-pressed="beside" @click="show('beside')">Beside another way</button>
                <button
                    v-if="days.length"
                    type="button"
                    class="word"
                    data-act="going-away"
                    :aria-pressed="view === 'away'"
                    @click="show('away')"
                >
                    Going away
                </button>
            </div>
            <div v-if="days.length" class="season">
                <SeasonChart :tub="report" :runs="here" :names="names" :units="units" :day="shown" @update:day="(d) => (day = d)" />
                <DaySection
                    v-if="found ?? onDay"
                    :tub="report"
                    :day="(found ?? onDay)!"
                    :units="units"
                    :title="found ? 'As it is found' : undefined"
                />
            </div>
            <p v-else-if="faults.length" class="wrong">{{ faults[0]!.message }}</p>
            <p v-else-if="away" class="wrong">{{ away }}</p>
            <p v-else-if="!report.crops.length" class="faint">Nothing grows here yet. Choose a crop and its days are drawn.</p>
        </div>

        <template #reckoning>
            <Findings :findings="findings" :elsewhere="garden.findings.value.length - findings.length" />
            <Figure
                v-if="report.feed"
                label="First fill"
                :value="sum(report.feed.parts)"
                :note="`${doses(report.feed.parts)}; ${strength}`"
            />
            <Figure
                v-if="next"
                :label="next.litres ? `Next ${nextWord.toLowerCase()}` : 'Feed stirred in'"
                :value="next.litres ? volume(next.litres, units) : sum(next.parts)"
                :note="nextWords"
            />
            <Figure
                v-if="season.ec_low !== null && season.ec_high !== null"
                label="EC"
                :value="`${number(season.ec_low, 1)}–${number(season.ec_high, 1, 'mS/cm')}`"
                :note="windowWords"
            />
            <Figure v-if="season.feed?.length" label="Feed for the season" :value="sum(season.feed)" :note="doses(season.feed)" />
            <Figure
                v-if="season.water_l !== null"
                label="Water for the season"
                :value="volume(season.water_l, units)"
                :note="
                    `${volume(season.drunk_l ?? 0, units)} drunk, ± a quarter; to the first harvest ` +
                    `${season.top_ups === 1 ? '1 top-up' : `${season.top_ups} top-ups`}, ` +
                    (season.changes === 1 ? '1 change' : `${season.changes} changes`)
                "
            />
            <Figure
                v-if="season.attention !== null"
                label="Visits"
                :value="number(season.attention, 1, 'a week')"
                :note="awayDays === null ? '' : `from day ${shown} you can be away for ${awayDays === 1 ? '1 day' : `${awayDays} days`}`"
            />
            <OtherYears v-if="weather.kind === 'typical' && days.length > 0" />
            <ReadsOtherwise :day="shown" :usual="usual" />
        </template>
    </MarkPage>
</template>

<style scoped>
.two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0.6rem;
    align-items: start;
}
.field {
    display: grid;
    gap: 0.2rem;
}
.folded {
    display: grid;
    gap: 0.7rem;
    padding-top: 0.4rem;
}
.drawings {
    flex: 1;
    min-height: 0;
    display: flex;
    flex-direction: column;
    gap: 0.3rem;
}
.side .top {
    min-height: 0;
    overflow: auto;
    max-height: 48%;
    flex: none;
}
.note {
    color: var(--faint);
}
.ways {
    display: flex;
    gap: 1rem;
    border-top: 1px solid var(--rule);
    padding-top: 0.2rem;
}
.season {
    flex: 1;
    min-height: 0;
    display: grid;
    grid-template-columns: minmax(0, 1fr) 158px;
    gap: 0.9rem;
}
.wrong {
    color: var(--stop-text);
}
@media (max-width: 760px) {
    .season {
        grid-template-columns: 1fr;
        grid-template-rows: 420px 220px;
    }
    .side .top {
        max-height: none;
    }
}
</style>
