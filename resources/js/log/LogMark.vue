<script setup lang="ts">
/** Log: what was read and done against what was forecast, what it means, and what to do. */
import { computed, ref, watch } from 'vue';
import Caution from '../kit/Caution.vue';
import Counter from '../kit/Counter.vue';
import Figure from '../kit/Figure.vue';
import Fold from '../kit/Fold.vue';
import { length, number, volume, weight } from '../kit/format';
import { useGarden } from '../kit/garden';
import { send, useTurns } from '../kit/turns';
import { beginDryRun } from '../dryrun/begin';
import DaySection from '../feed/DaySection.vue';
import ReadsOtherwise, { type Corrected } from '../feed/ReadsOtherwise.vue';
import MarkPage from '../shell/MarkPage.vue';
import type { SeasonDay } from '../types/report';
import { dayNumber, fromToday, spoken, wallClock } from '../kit/dates';
import { type Entry, type LoggedDay, useDiary } from '../days/diary';
import ItemRow from '../days/ItemRow.vue';
import { newEntryId, outbox } from '../days/outbox';
import { strikeOf, tickOff } from '../days/tick';
import Unsent from '../days/Unsent.vue';
import EntryForm from './EntryForm.vue';
import LogChart from './LogChart.vue';
import MeterInTub from './MeterInTub.vue';
import TakeOver from './TakeOver.vue';
import { signName } from './signs';

const garden = useGarden();
const tub = computed(() => garden.tubReport.value!);
const units = garden.units;
const asked = ref(1);
watch(garden.selected, () => (asked.value = 1));
const copy = computed(() => Math.min(asked.value, tub.value.count));
const { diary, wrong } = useDiary(garden, copy);

const days = computed<LoggedDay[]>(() => diary.value?.courses.flatMap((c) => c.days) ?? []);
const chosen = ref<string | null>(null);
watch([garden.selected, copy], () => (chosen.value = null));
const day = computed(() => chosen.value ?? diary.value?.today?.date ?? days.value[0]?.date ?? wallClock().slice(0, 10));
/** The day that is looked at, as Feed draws one; what grows is drawn by how far it has come. */
const looked = computed<SeasonDay | null>(() => {
    const d = days.value.find((one) => one.date === day.value);
    if (!d || !diary.value) return null;
    const first = Math.min(...diary.value.plantings.map((p) => dayNumber(p.set_in)));
    const harvest = Math.min(...diary.value.plantings.map((p) => (p.harvest ? dayNumber(p.harvest) : first + 60)));
    const growth = Math.max(0, Math.min(1, (dayNumber(d.date) - first) / Math.max(1, harvest - first)));
    return {
        ...d,
        day: dayNumber(d.date),
        growth,
        looks: diary.value.today?.date === d.date ? diary.value.today.looks : 'well',
    } as unknown as SeasonDay;
});
const harvestOf = (date: string): string => {
    const today = wallClock().slice(0, 10);
    return date <= today ? `bearing since ${spoken(date, today)}` : `first harvest ${fromToday(date, today)}`;
};
const planting = computed(() => (diary.value?.plantings.length === 1 ? diary.value.plantings[0]!.id : null));
const plantings = computed(() => diary.value?.plantings ?? []);

/** What the log holds, the last first; what was put right or taken back is out of it. So many pages are read, the newest first. */
const entries = ref<Entry[]>([]);
const MOST_PAGES = 10;
const END = 2_000_000_000;
const turns = useTurns();
async function list(): Promise<void> {
    const all: Entry[] = [];
    const [id, of] = [tub.value.id, copy.value];
    for (let before = END, more = true, pages = 0; more && pages < MOST_PAGES; pages++) {
        const answer = await turns.ask<{ entries: Entry[]; last: number; next: boolean }>(
            `gardens/${garden.id}/entries?tub=${encodeURIComponent(id)}&copy=${of}&before=${before}`,
            { method: 'GET' },
        );
        if (!answer || answer.kind !== 'done') return;
        all.push(...answer.data.entries);
        before = answer.data.last;
        more = answer.data.next;
    }
    const gone = new Set(all.flatMap((e) => [e.strikes, e.replaces]).filter((x): x is string => x !== undefined));
    entries.value = all.filter((e) => !gone.has(e.id) && e.strikes === undefined).sort((a, b) => b.at.localeCompare(a.at));
}
watch([() => tub.value.id, copy, outbox.kept], () => void list(), { immediate: true });
/** What a meter shows stands in the chart; the list is of what somebody read and did. */
const byHand = computed(() => entries.value.filter((e) => e.from !== 'meter'));
const ofMeter = computed(() => entries.value.find((e) => e.from === 'meter') ?? null);
const meterStands = computed(() =>
    (garden.document.value.meters ?? []).some((m) => m.tub === tub.value.id && (m.copy ?? 1) === copy.value),
);
const LISTED = 8;
const allShown = ref(false);
const listed = computed(() => (allShown.value ? byHand.value : byHand.value.slice(0, LISTED)));
function told(e: Entry): string {
    return (
        [
            e.level_mm === undefined ? '' : `level ${length(e.level_mm, units.value)}`,
            e.ph === undefined ? '' : `pH ${number(e.ph, 2)}`,
            e.ec_ms_cm === undefined ? '' : `EC ${number(e.ec_ms_cm, 2)}`,
            e.water_c === undefined ? '' : `${number(e.water_c, 1)}\u202f°C`,
            e.top_up_l ? `topped up ${volume(e.top_up_l, units.value)}` : '',
            e.change ? 'water changed' : '',
            ...Object.entries(e.dose ?? {}).map(
                ([name, d]) => `${number(d.ml ?? d.g ?? 0, 2)}\u202f${d.ml === undefined ? 'g' : 'mL'} ${name}`,
            ),
            e.harvest_g ? `picked ${weight(e.harvest_g, units.value)}` : e.picked ? `picked ${e.picked}` : '',
            ...(e.signs ?? []).map((s) => signName(s).toLowerCase()),
            ...(e.did ?? []).map((d) => d.split('/').slice(1, 2)[0] ?? d).map((d) => d.replace(/-/g, ' ')),
            e.note ?? '',
        ]
            .filter(Boolean)
            .join(', ') || 'a photograph'
    );
}
const photoOf = (id: string): string => `/api/gardens/${garden.id}/photos/${id}.jpg`;
/** The photograph of the day that is looked at, the last of it. */
const pictured = computed(() => entries.value.find((e) => e.photo && e.at.slice(0, 10) === day.value)?.photo ?? null);
/** A correction that was worked out here and done. */
function corrected(done: Corrected): void {
    void outbox.add(garden.id, { id: newEntryId(), tub: tub.value.id, copy: copy.value, at: wallClock(), ...done });
}
const struck = ref<Entry | null>(null);
async function strike(entry: Entry): Promise<void> {
    await outbox.add(garden.id, strikeOf(entry.id, entry.tub ?? tub.value.id, entry.copy ?? copy.value));
    struck.value = entry;
}
/** It comes back as an entry of its own that says the same. */
async function putBack(): Promise<void> {
    const of = struck.value;
    struck.value = null;
    if (of) await outbox.add(garden.id, { ...of, id: newEntryId() });
}

const learned = computed(() => {
    const of = diary.value?.learned;
    const say = (verb: string, l: NonNullable<typeof of>['use']): { says: string; note: string } | null =>
        l === null || l.intervals < 3
            ? null
            : {
                  says: `× ${number(l.factor, 2)}`,
                  note: `${verb} ${number(l.low, 2)} to ${number(l.high, 2)} of what was forecast, by ${l.intervals} intervals${
                      l.left_out.length ? `; ${l.left_out.length} left out` : ''
                  }`,
              };
    return { use: of ? say('drinks', of.use) : null, eats: of ? say('eats', of.uptake) : null };
});
/** What it moves: the next top-up, when it falls on another day by what was learned. */
const moves = computed(() => {
    const of = diary.value?.learned.moves;
    if (!of) return '';
    const by = of.was ? dayNumber(of.date) - dayNumber(of.was) : 0;
    const days = Math.abs(by) === 1 ? 'a day' : `${Math.abs(by)} days`;
    const next = `The next top-up is on ${spoken(of.date, wallClock())}`;
    return by ? `${next}, ${days} ${by < 0 ? 'sooner' : 'later'} than by the crop’s own figures.` : `${next}.`;
});
const next = computed(() => (diary.value?.next ?? []).slice(0, 4));
const todaysNote = computed(() => {
    const t = diary.value?.today;
    if (!t) return '';
    return `level ${length(t.level_mm, units.value)}${t.ec_ms_cm === null ? '' : `, EC some ${number(t.ec_ms_cm, 2)}`}`;
});
const harvestNote = computed(() => {
    const h = diary.value?.harvest;
    if (!h?.grams) return '';
    const each = number(h.a_litre_g ?? 0, 1, 'g');
    return `${weight(h.forecast_g, units.value)} were forecast; ${each} to a litre of water`;
});
/** Who never read an EC is not asked for one. */
const reads = computed(() => diary.value?.readings.some((r) => r.ec_ms_cm !== null) ?? false);
const season = computed(() => {
    const first = diary.value?.courses.at(-1)?.start;
    return first ? Math.max(0, dayNumber(wallClock()) - dayNumber(first)) : 0;
});

const importing = ref('');
const came = ref('');
async function importFile(files: FileList | null): Promise<void> {
    const file = files?.[0];
    if (!file) return;
    const [id, of] = [tub.value.id, copy.value];
    const text = await file.text().catch(() => null);
    if (text === null) return void (importing.value = 'It cannot be read any more. Choose it again.');
    const answer = await send<{ kept: number }>('Reading a log', `gardens/${garden.id}/entries/import`, {
        body: JSON.stringify({ tub: id, copy: of, text }),
    });
    came.value = answer.kind === 'done' ? `${answer.data.kept} entries came in.` : '';
    importing.value =
        answer.kind === 'refused'
            ? answer.faults
                  .map((f) => `${f.pointer.replace('/rows/', 'row ').replace('/', ', ')} ${f.message}`)
                  .slice(0, 4)
                  .join('; ')
            : 'message' in answer
              ? answer.message
              : '';
    if (answer.kind === 'done') outbox.kept.value++;
}
const file = (form: string): string =>
    `/api/gardens/${garden.id}/entries/file.${form}?tub=${encodeURIComponent(tub.value.id)}&copy=${copy.value}`;
const WORDS: Record<string, string> = { likely: 'Likely', perhaps: 'Perhaps' };
</script>

<template>
    <MarkPage first="set" title="Log" lead="What was read and done, what it means, and what to do.">
        <template #set>
            <Counter
                v-if="tub.count > 1"
                label="Which of them"
                :model-value="copy"
                :most="tub.count"
                @update:model-value="(v) => (asked = v)"
            />
            <Unsent :garden="garden.id" />
            <EntryForm :tub="tub.id" :copy="copy" :planting="planting" />
            <section aria-label="Entries" class="entries">
                <h2>Entries</h2>
                <p v-if="struck" class="small" role="status">
                    Taken back: {{ told(struck) }}.
                    <button type="button" class="word" data-act="put-back" @click="putBack">Put it back</button>
                </p>
                <ul v-if="listed.length" class="plain">
                    <li v-for="e in listed" :key="e.id" :data-entry="e.id">
                        <span class="faint small">{{ spoken(e.at, wallClock()) }}, {{ e.at.slice(11) }}</span>
                        <span>{{ told(e) }}</span>
                        <button
                            v-if="e.photo"
                            type="button"
                            class="photo"
                            :aria-label="`Look at the photograph of ${spoken(e.at, wallClock())}`"
                            @click="chosen = e.at.slice(0, 10)"
                        >
                            <img :src="`${photoOf(e.photo)}?small`" alt="" loading="lazy" />
                        </button>
                        <button type="button" class="word small" :aria-label="`Take back: ${told(e)}`" @click="strike(e)">Take back</button>
                    </li>
                </ul>
                <p v-else class="faint small">Nothing yet. A level on a stick is a full entry.</p>
                <button v-if="byHand.length > LISTED" type="button" class="word" @click="allShown = !allShown">
                    {{ allShown ? 'Fewer' : `All ${byHand.length}` }}
                </button>
            </section>
            <Fold title="A meter" :open="meterStands">
                <MeterInTub :tub="tub.id" :copy="copy" :last="ofMeter" />
            </Fold>
            <Fold title="In and out">
                <div class="files">
                    <a class="word" :href="file('csv')" download>The log as CSV</a>
                    <a class="word" :href="file('json')" download>as JSON</a>
                    <label class="box file"
                        >Read a log<input
                            type="file"
                            accept=".csv,.json,text/csv,application/json"
                            class="hidden-visually"
                            @change="importFile(($event.target as HTMLInputElement).files)"
                    /></label>
                    <p v-if="came" class="small" role="status">{{ came }}</p>
                    <p v-if="importing" class="small wrong" role="alert">Nothing was kept: {{ importing }}</p>
                </div>
            </Fold>
        </template>

        <div class="middle">
            <p v-if="wrong" class="small wrong" role="alert">{{ wrong }}</p>
            <div v-if="diary && days.length" class="log">
                <LogChart
                    :diary="diary"
                    :units="units"
                    :cup="tub.levels.cup_bottom_mm"
                    :lowest="tub.levels.lowest_mm"
                    :likes="(tub.limits.ec_ms_cm as [number, number] | null) ?? null"
                    :day="day"
                    @update:day="(d) => (chosen = d)"
                />
                <div class="beside">
                    <DaySection v-if="looked" :tub="tub" :day="looked" :units="units" :title="`${spoken(day, wallClock())}, evening`" />
                    <a v-if="pictured" :href="photoOf(pictured)" target="_blank" rel="noopener" class="photo" data-photo
                        ><img :src="photoOf(pictured)" :alt="`Photograph of ${spoken(day, wallClock())}`"
                    /></a>
                </div>
            </div>
            <div v-else-if="diary" class="none">
                <h2>Nothing stands in it yet</h2>
                <p>Plant it at Days; then what you read here is held against its forecast.</p>
            </div>
        </div>

        <template #reckoning>
            <section v-if="diary" aria-label="What the log says" class="said">
                <article v-for="f in diary.findings" :key="f.code" :data-finding="f.code" class="finding">
                    <p>
                        <b class="sure" :class="f.word">{{ WORDS[f.word] ?? f.word }}</b> <b>{{ f.says }}</b>
                    </p>
                    <p class="small">{{ f.why }}</p>
                    <p class="small"><b>Do</b> {{ f.do }}</p>
                    <p class="small faint"><b>Look</b> {{ f.check }}</p>
                </article>
                <p v-if="!diary.findings.length && entries.length" class="faint small">The log says nothing amiss.</p>
            </section>
            <template v-if="next.length">
                <h2>Next here</h2>
                <ul class="plain">
                    <ItemRow
                        v-for="i in next"
                        :key="i.key"
                        :item="i"
                        :today="diary!.now.slice(0, 10)"
                        :units="units"
                        @tick="(grams) => tickOff(garden.id, i, grams)"
                    />
                </ul>
            </template>
            <Figure v-if="diary?.today" label="Today" :value="volume(diary.today.volume_l, units)" :note="todaysNote" />
            <Figure v-if="learned.use" label="Drinks" :value="learned.use.says" :note="learned.use.note" />
            <Figure v-if="learned.eats" label="Eats" :value="learned.eats.says" :note="learned.eats.note" />
            <p v-if="moves" class="small" data-says="moves">{{ moves }}</p>
            <TakeOver v-if="diary" :key="tub.id" :tub="tub.id" :lesson="diary.learned.crop" :units="units" />
            <Figure
                v-if="diary?.harvest"
                label="Picked"
                :value="diary.harvest.grams ? weight(diary.harvest.grams, units) : String(diary.harvest.picked)"
                :note="harvestNote"
            />
            <p v-for="p in plantings" :key="p.id" class="small faint">
                {{ p.name }}: set in {{ spoken(p.set_in) }}<template v-if="p.harvest">, {{ harvestOf(p.harvest) }}</template>
            </p>
            <ReadsOtherwise
                v-if="reads && diary?.today"
                :day="season"
                :usual="diary.today.wanted_ec_ms_cm"
                :there="diary.today.volume_l"
                writes
                @did="corrected"
            />
            <button v-if="tub.shape.crops.length" type="button" class="word small" data-act="dry-run" @click="beginDryRun(garden, tub.id)">
                Dry run: live through its season first
            </button>
            <Caution v-if="diary?.findings.length">
                Acids and bases: gloves and goggles, into water, never water into them. Pump and lamp are unplugged before wet hands go
                near.
            </Caution>
        </template>
    </MarkPage>
</template>

<style scoped>
.log {
    flex: 1;
    min-height: 0;
    display: grid;
    grid-template-columns: minmax(0, 1fr) 158px;
    gap: 0.9rem;
}
.beside {
    display: flex;
    flex-direction: column;
    gap: 0.6rem;
    min-height: 0;
}
.beside > :first-child {
    flex: 1;
    min-height: 0;
}
button.photo {
    padding: 0;
    border: 0;
    background: none;
    cursor: pointer;
}
.photo img {
    display: block;
    width: 100%;
    max-height: 150px;
    object-fit: cover;
    border: 1px solid var(--rule);
}
.entries .photo img {
    width: 96px;
    height: 64px;
}
.middle {
    flex: 1;
    min-height: 0;
    display: flex;
    flex-direction: column;
}
.plain {
    list-style: none;
    margin: 0;
    padding: 0;
}
.entries li {
    display: grid;
    gap: 0.05rem;
    padding: 0.35rem 0;
    border-top: 1px solid var(--rule);
    justify-items: start;
    overflow-wrap: anywhere;
}
.files {
    display: grid;
    gap: 0.4rem;
    justify-items: start;
}
.finding {
    border-top: 1px solid var(--ink);
    padding: 0.5rem 0;
    display: grid;
    gap: 0.25rem;
}
.sure {
    text-transform: none;
    border-bottom: 2px solid currentcolor;
}
.sure.likely {
    color: var(--stop-text);
}
.sure.perhaps {
    color: var(--mind-text);
}
.none {
    max-width: 30rem;
    margin: 3rem auto;
    display: grid;
    gap: 0.6rem;
}
.wrong {
    color: var(--stop-text);
}
@media (max-width: 760px) {
    .beside > :first-child {
        height: 330px;
        flex: none;
    }
    .log {
        grid-template-columns: 1fr;
        grid-template-rows: 420px auto;
    }
}
</style>
