<script setup lang="ts">
/** Days: what is planted where, and what is to be done on which day, from sowing to clearing. */
import { computed, ref } from 'vue';
import Counter from '../kit/Counter.vue';
import Fold from '../kit/Fold.vue';
import { weight } from '../kit/format';
import { bringCrop } from '../kit/edits';
import { useGarden } from '../kit/garden';
import { cropOptions } from '../kit/library';
import Pick from '../kit/Pick.vue';
import Toggle from '../kit/Toggle.vue';
import MarkPage from '../shell/MarkPage.vue';
import type { Planting } from '../types/garden';
import BandDrawing from './BandDrawing.vue';
import { dateOf, dayNumber, spoken, wallClock } from '../kit/dates';
import { isWorthSaying, type Item, useDays, withLooksTogether } from './diary';
import ItemRow from './ItemRow.vue';
import LookRow from './LookRow.vue';
import SteadySupply from './SteadySupply.vue';
import { cupsOf, freePlantingId, holdLid, shifted } from './plantings';
import { tickOff, untick } from './tick';
import Unsent from './Unsent.vue';

const garden = useGarden();
const tub = computed(() => garden.tubReport.value!);
const now = wallClock().slice(0, 10);

const SPANS = [
    { value: '42', name: '6 weeks' },
    { value: '100', name: '3 months' },
    { value: '365', name: 'A year' },
];
const span = ref('100');
const asked = computed(() => ({ from: dateOf(dayNumber(now) - 60), to: dateOf(dayNumber(now) + 400) }));
const { days, wrong, look } = useDays(garden, asked);
const from = computed(() => dayNumber(now) - Math.round(Number(span.value) * 0.22));
const to = computed(() => from.value + Number(span.value));

const copy = ref(1);
const crops = computed(() => {
    const own = tub.value.shape.crops.map((c) => ({ value: c.key, name: c.name, group: 'Of this tub' }));
    return [...own, ...cropOptions(garden.library).filter((c) => !own.some((o) => o.value === c.value))];
});
const crop = ref<string | null>(null);
const cropNow = computed(() => crop.value ?? crops.value[0]?.value ?? null);
type Start = 'seed' | 'plug' | 'seedling';
const START: Record<string, Start> = { seed: 'seed', seedling: 'seedling' };
const begun = ref<Start | null>(null);
const start = computed<Start>(() => begun.value ?? START[garden.tub.value?.started ?? 'plug'] ?? 'plug');
const date = ref(now);
const cups = ref('');
const cupsWrong = computed(() => cups.value.trim() !== '' && cupsOf(cups.value) === null);

function plant(): void {
    const [id, of, key] = [tub.value.id, Math.min(copy.value, tub.value.count), cropNow.value];
    if (key === null || cupsWrong.value || !/^\d{4}-\d\d-\d\d$/.test(date.value)) return;
    const report = tub.value;
    const [begins, how, list] = [date.value, start.value, cups.value.trim() === '' ? null : cupsOf(cups.value)];
    garden.change(`plant ${crops.value.find((c) => c.value === key)?.name.toLowerCase() ?? key}`, (g) => {
        bringCrop(g, garden.library, key);
        const planting: Planting = {
            id: freePlantingId(g, key),
            tub: id,
            copy: of,
            crop: key,
            ...(how === 'seedling' ? { transplanted: begins } : { sown: begins }),
            stage: how,
            ...(list ? { cups: list } : {}),
        };
        holdLid(g, report);
        g.plantings = [...(g.plantings ?? []), planting];
    });
    cups.value = '';
}

const plantings = computed(() => (garden.document.value.plantings ?? []).filter((p) => p.tub === tub.value.id));
const nameOf = (p: Planting): string => crops.value.find((c) => c.value === p.crop)?.name ?? p.crop ?? '';
function edit(id: string, says: string, change: (p: Planting) => Planting | null): void {
    garden.change(says, (g) => {
        g.plantings = (g.plantings ?? []).flatMap((p) => (p.id === id ? (change(p) ?? []) : [p]));
    });
}
function setDate(id: string, key: 'sown' | 'transplanted' | 'cleared', event: Event): void {
    const value = (event.target as HTMLInputElement).value;
    edit(id, `change when it is ${{ sown: 'sown', transplanted: 'set in', cleared: 'cleared' }[key]}`, (p) => {
        const { [key]: _, ...rest } = p;
        return value === '' ? (rest as Planting) : ({ ...rest, [key]: value } as Planting);
    });
}
/** The same once more: in its cups, begun as it was, today; it gives them up then. */
function again(of: Planting): void {
    garden.change(`plant ${nameOf(of).toLowerCase()} again`, (g) => {
        const { id: _, sown, transplanted: __, cleared: ___, note: ____, ...rest } = of;
        const begins = sown ? { sown: now } : { transplanted: now };
        g.plantings = [...(g.plantings ?? []), { ...rest, ...begins, id: freePlantingId(g, of.crop ?? 'planting') }];
    });
}
const move = (id: string, by: number): void => edit(id, 'move a planting', (p) => shifted(p, by));
function lookAt(id: string, by: number): void {
    const g = garden.document.value;
    look({ ...g, plantings: (g.plantings ?? []).map((p) => (p.id === id ? shifted(p, by) : p)) });
}

/** Days on which nobody can come. */
const away = computed(() => garden.document.value.site?.away ?? []);
const leaves = ref('');
const back = ref('');
function addAway(): void {
    if (!leaves.value || !back.value || back.value < leaves.value) return;
    const [from_, to_] = [leaves.value, back.value];
    garden.change('be away', (g) => {
        g.site = { ...g.site, away: [...(g.site?.away ?? []), { from: from_, to: to_ }].sort((a, b) => a.from.localeCompare(b.from)) };
    });
    leaves.value = back.value = '';
}
function dropAway(index: number): void {
    garden.change('be there', (g) => {
        g.site = { ...g.site, away: (g.site?.away ?? []).filter((_, i) => i !== index) };
    });
}
const WEEK = ['Mo', 'Tu', 'We', 'Th', 'Fr', 'Sa', 'Su'];
const weekdays = computed(() => garden.document.value.site?.visit_weekdays ?? [0, 1, 2, 3, 4, 5, 6]);
function setWeekday(day: number, comes: boolean): void {
    const list = [...new Set(comes ? [...weekdays.value, day] : weekdays.value.filter((d) => d !== day))].sort();
    if (list.length === 0) return;
    garden.change('change on which days somebody comes', (g) => {
        const { visit_weekdays: _, ...site } = g.site ?? {};
        g.site = list.length === 7 ? site : { ...site, visit_weekdays: list };
    });
}

/** The last frost of spring and the first of autumn, as the grower knows them. */
const FROST = [
    { key: 'last', name: 'Last frost' },
    { key: 'first', name: 'First frost' },
] as const;
const frost = computed(() => garden.document.value.site?.frost ?? {});
function setFrost(key: 'last' | 'first', text: string): void {
    const day = /^(\d{1,2})[-/. ](\d{1,2})\.?$/.exec(text.trim());
    garden.change('say when frost is usual', (g) => {
        const { [key]: _, ...rest } = g.site?.frost ?? {};
        const said = day ? `${day[1]!.padStart(2, '0')}-${day[2]!.padStart(2, '0')}` : text.trim();
        g.site = { ...g.site, frost: text.trim() === '' ? rest : { ...rest, [key]: said } };
    });
}

/** So much of what is next is listed, what is late first. */
const MOST_DUE = 10;
const all = computed<Item[]>(() => (days.value?.copies ?? []).flatMap((c) => c.items).sort((a, b) => a.date.localeCompare(b.date)));
const only = ref<'garden' | 'tub'>('garden');
const shown = computed(() => all.value.filter((i) => only.value === 'garden' || i.tub === tub.value.id));
/** Ticked and not answered yet: it goes from the list at once. */
const ticked = ref(new Set<string>());
const due = computed(() => shown.value.filter((i) => i.done === null && isWorthSaying(i, now) && !ticked.value.has(i.key)));
const doneToday = computed(() => shown.value.filter((i) => i.done !== null && i.date === now));
const where = (i: Item): string => {
    const of = days.value?.copies.find((c) => c.tub === i.tub && c.copy === i.copy);
    return of ? `${of.name}${of.count > 1 ? ` ${of.copy}` : ''}` : '';
};
async function tick(item: Item, grams: number | null): Promise<void> {
    ticked.value = new Set([...ticked.value, item.key]);
    await tickOff(garden.id, item, grams);
}
const open = computed(() => withLooksTogether(due.value, (i) => i).slice(0, MOST_DUE));
const looksOf = (looks: Item[]) => looks.map((item) => ({ key: item.key, item, where: where(item) }));
function tickLooks(looks: Item[], keys: string[]): void {
    for (const item of looks) if (keys.includes(item.key)) void tick(item, null);
}
const harvest = computed(() => {
    const here = (days.value?.copies ?? []).filter((c) => c.tub === tub.value.id).flatMap((c) => c.plantings);
    return here.filter((p) => p.harvest !== null);
});
/** This month and the next, to hang up. */
const months = [0, 1].map((ahead) => {
    const first = new Date(new Date().getFullYear(), new Date().getMonth() + ahead, 1);
    return { month: wallClock(first).slice(0, 7), name: first.toLocaleDateString('en-GB', { month: 'long' }) };
});
const clock = computed(() => encodeURIComponent(wallClock()));
</script>

<template>
    <MarkPage first="reckoning" title="Days" lead="What is planted where, and what is to be done on which day.">
        <template #set>
            <form class="plant" @submit.prevent="plant">
                <Counter
                    v-if="tub.count > 1"
                    label="Which of them"
                    :model-value="Math.min(copy, tub.count)"
                    :most="tub.count"
                    @update:model-value="(v) => (copy = v)"
                />
                <Pick label="Crop" :model-value="cropNow" :options="crops" filter @update:model-value="(v) => (crop = v)" />
                <Toggle
                    label="Begun as"
                    :model-value="start"
                    :options="[
                        { value: 'seed', name: 'Seed', title: 'sown in the cup itself' },
                        { value: 'plug', name: 'Plug', title: 'sown in a plug, set in when roots show' },
                        { value: 'seedling', name: 'Plant', title: 'bought, or a cutting' },
                    ]"
                    @update:model-value="(v) => (begun = v)"
                />
                <label class="field">
                    <span>{{ start === 'seedling' ? 'Set in on' : 'Sown on' }}</span>
                    <input v-model="date" class="text" type="date" required />
                </label>
                <label class="field">
                    <span>Cups</span>
                    <input v-model="cups" class="text" placeholder="all of this crop" :aria-invalid="cupsWrong" inputmode="numeric" />
                    <span v-if="cupsWrong" class="small wrong">Numbers of cups, as in 1, 3, 5-7.</span>
                </label>
                <button type="submit" class="box strong" data-act="plant" :disabled="cropNow === null">Plant it</button>
            </form>

            <section v-if="plantings.length" class="planted" aria-label="Planted in this tub">
                <h2>In this tub</h2>
                <Fold v-for="p in plantings" :key="p.id" :title="`${nameOf(p)}${tub.count > 1 ? `, ${p.copy ?? 1}` : ''}`">
                    <div class="dates" :data-edit="p.id">
                        <label v-if="p.sown || !p.transplanted"
                            >sown <input class="text" type="date" :value="p.sown ?? ''" @change="setDate(p.id, 'sown', $event)"
                        /></label>
                        <label
                            >set in
                            <input class="text" type="date" :value="p.transplanted ?? ''" @change="setDate(p.id, 'transplanted', $event)"
                        /></label>
                        <label
                            >cleared <input class="text" type="date" :value="p.cleared ?? ''" @change="setDate(p.id, 'cleared', $event)"
                        /></label>
                        <button type="button" class="word" :data-act="`again-${p.id}`" @click="again(p)">Plant it again today</button>
                        <button
                            type="button"
                            class="word"
                            :data-act="`forget-${p.id}`"
                            @click="edit(p.id, `take out ${nameOf(p).toLowerCase()}`, () => null)"
                        >
                            Take it off the calendar
                        </button>
                        <p class="small faint">What was written down of its tub stays with the tub; Undo brings the planting back.</p>
                    </div>
                </Fold>
            </section>

            <Fold title="A steady supply">
                <SteadySupply :crop="cropNow" :name="crops.find((c) => c.value === cropNow)?.name ?? ''" />
            </Fold>
            <Fold v-if="garden.document.value.site?.setting === 'open'" title="Frost">
                <div class="folded">
                    <label v-for="end in FROST" :key="end.key" class="field"
                        ><span>{{ end.name }}</span
                        ><input
                            class="text"
                            :value="frost[end.key] ?? ''"
                            placeholder="month-day, as 05-15"
                            pattern="\d\d-\d\d"
                            :data-field="`frost-${end.key}`"
                            @change="setFrost(end.key, ($event.target as HTMLInputElement).value)"
                    /></label>
                    <p class="small faint">As you know it of your place. What stands in the open is sown for the weeks between.</p>
                </div>
            </Fold>
            <Fold title="When somebody can come">
                <div class="folded">
                    <div class="week" role="group" aria-label="Days of the week">
                        <label v-for="(d, i) in WEEK" :key="d"
                            ><input
                                type="checkbox"
                                :checked="weekdays.includes(i)"
                                @change="setWeekday(i, ($event.target as HTMLInputElement).checked)"
                            />{{ d }}</label
                        >
                    </div>
                    <ul v-if="away.length" class="plain">
                        <li v-for="(a, i) in away" :key="a.from + a.to">
                            away {{ spoken(a.from) }} to {{ spoken(a.to) }}
                            <button type="button" class="word" @click="dropAway(i)">Drop</button>
                        </li>
                    </ul>
                    <label class="field"><span>Away from</span><input v-model="leaves" class="text" type="date" /></label>
                    <label class="field"><span>to</span><input v-model="back" class="text" type="date" :min="leaves" /></label>
                    <button type="button" class="box" data-act="away" @click="addAway">Keep these days free</button>
                </div>
            </Fold>
            <Fold title="Take the calendar along">
                <div class="folded">
                    <a class="word" :href="`/api/gardens/${garden.id}/days.ics?now=${clock}`" download>Calendar file</a>
                    <a class="word" :href="`/api/gardens/${garden.id}/days.ics?now=${clock}&alarm=yes`" download>with a reminder at 8</a>
                    <a class="word" :href="`/api/gardens/${garden.id}/days.csv?now=${clock}`" download>CSV</a>
                    <a
                        v-for="m in months"
                        :key="m.month"
                        class="word"
                        :href="`/api/gardens/${garden.id}/days.pdf?now=${clock}&month=${m.month}`"
                        download
                        >{{ m.name }} on paper</a
                    >
                    <p class="small faint">Read in again it brings your calendar up to date: what moved moves, what fell away goes.</p>
                </div>
            </Fold>
        </template>

        <div class="middle">
            <p v-if="wrong" class="small wrong" role="alert">{{ wrong }}</p>
            <template v-if="days && days.copies.length">
                <div class="spans">
                    <Toggle label="Shown" :model-value="span" :options="SPANS" @update:model-value="(v) => (span = v)" />
                    <p class="small faint key">
                        <span class="k raised"></span>raised <span class="k grows"></span>grows <span class="k bears"></span>bears
                        <span class="k tri">▲</span>pick <span class="k line">|</span>change
                    </p>
                </div>
                <BandDrawing
                    :days="days"
                    :from="from"
                    :to="to"
                    :units="garden.units.value"
                    :letters="garden.letters.value"
                    :selected="garden.selected.value"
                    @move="move"
                    @look="lookAt"
                    @choose="(id) => garden.choose(id)"
                />
            </template>
            <div v-else-if="days" class="none">
                <h2>Nothing is planted yet</h2>
                <p>Say what you sow, and when: its days follow, from the first seed to the last harvest, with what each takes.</p>
            </div>
        </div>

        <template #reckoning>
            <Unsent :garden="garden.id" />
            <div class="head">
                <h2>Next</h2>
                <span>
                    <button type="button" class="word" :aria-pressed="only === 'garden'" @click="only = 'garden'">All tubs</button>
                    <button type="button" class="word" :aria-pressed="only === 'tub'" @click="only = 'tub'">This one</button>
                </span>
            </div>
            <ul v-if="open.length" class="items">
                <template v-for="i in open" :key="Array.isArray(i) ? 'looks' : i.key">
                    <LookRow
                        v-if="Array.isArray(i)"
                        :looks="looksOf(i)"
                        :today="days?.today ?? now"
                        :units="garden.units.value"
                        @tick="(keys) => tickLooks(i, keys)"
                    />
                    <ItemRow
                        v-else
                        :item="i"
                        :today="days?.today ?? now"
                        :units="garden.units.value"
                        :where="where(i)"
                        @tick="(grams) => tick(i, grams)"
                    />
                </template>
            </ul>
            <p v-else-if="days" class="faint small">
                {{ days.copies.length ? 'Nothing is due in these months.' : 'Plant something, and what it needs stands here.' }}
            </p>
            <template v-if="doneToday.length">
                <h3>Done today</h3>
                <ul class="items">
                    <ItemRow
                        v-for="i in doneToday"
                        :key="i.key"
                        :item="i"
                        :today="days?.today ?? now"
                        :units="garden.units.value"
                        :where="where(i)"
                        @untick="untick(garden.id, i).then(() => ticked.delete(i.key))"
                    />
                </ul>
            </template>
            <template v-if="harvest.length">
                <h2>Harvest of this tub</h2>
                <ul class="plain small">
                    <li v-for="p in harvest" :key="p.id">
                        {{ p.name }}: from {{ spoken(p.harvest!)
                        }}<template v-if="p.last && p.last !== p.harvest"> to {{ spoken(p.last) }}</template
                        >, some {{ weight(p.harvest_g, garden.units.value) }}
                        <template v-if="p.picked_g !== null">; {{ weight(p.picked_g, garden.units.value) }} picked so far</template>
                    </li>
                </ul>
            </template>
        </template>
    </MarkPage>
</template>

<style scoped>
.plant,
.folded,
.dates {
    display: grid;
    gap: 0.7rem;
}
.dates label,
.field {
    display: grid;
    gap: 0.2rem;
}
.field > span:first-child {
    font-weight: 600;
    font-family: var(--grotesque);
}
.planted {
    display: grid;
    gap: 0.3rem;
}
.week {
    display: flex;
    flex-wrap: wrap;
    gap: 0.2rem 0.6rem;
}
.week label {
    display: inline-flex;
    align-items: center;
    gap: 0.2rem;
    min-height: 28px;
}
.plain,
.items {
    list-style: none;
    margin: 0;
    padding: 0;
}
.middle {
    flex: 1;
    min-height: 0;
    display: flex;
    flex-direction: column;
    gap: 0.4rem;
}
.spans {
    display: flex;
    justify-content: space-between;
    align-items: flex-end;
    gap: 1rem;
    flex-wrap: wrap;
}
.key {
    display: flex;
    align-items: center;
    gap: 0.3rem;
}
.k {
    display: inline-block;
    width: 14px;
    height: 10px;
    border: 1px solid var(--ink);
    margin-left: 0.6rem;
}
.k.raised {
    background: var(--sand);
    border-style: dashed;
}
.k.grows {
    background: color-mix(in srgb, var(--kelp) 26%, var(--sheet));
}
.k.bears {
    background: color-mix(in srgb, var(--mind) 38%, var(--sheet));
}
.k.tri,
.k.line {
    border: 0;
    width: auto;
    height: auto;
    color: var(--mind-text);
    font-size: 0.75rem;
}
.k.line {
    color: var(--ink);
    font-weight: 700;
}
.head {
    display: flex;
    justify-content: space-between;
    align-items: baseline;
}
.none {
    max-width: 32rem;
    margin: 3rem auto;
    display: grid;
    gap: 0.6rem;
}
.wrong {
    color: var(--stop-text);
}
h3 {
    margin-top: 0.8rem;
}
@media (max-width: 760px) {
    .middle {
        min-height: 260px;
    }
}
</style>
