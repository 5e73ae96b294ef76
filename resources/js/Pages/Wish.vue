<script setup lang="ts">
/** From a wish to a garden: what to eat, where, with how much work and money; and whole designs that are just that. */
import type { Answers } from '../types/answers';
import { Head, Link, router } from '@inertiajs/vue3';
import { applyPatch, type Operation } from 'fast-json-patch';
import { computed, ref, useTemplateRef } from 'vue';
import Fold from '../kit/Fold.vue';
import { counted, mass, money, type Units } from '../kit/format';
import { provideMeasures } from '../kit/garden';
import { loadRest, type Library, vesselOptions } from '../kit/library';
import Measure from '../kit/Measure.vue';
import { newName } from '../kit/unsaved';
import { offer } from '../kit/offer';
import Pick from '../kit/Pick.vue';
import ReadField from '../kit/ReadField.vue';
import { readSum } from '../kit/reader';
import Toggle from '../kit/Toggle.vue';
import { send } from '../kit/turns';
import type { Wish } from '../types/wish';
import type { Design, Loosen } from '../types/wish-answer';
import DesignCard from '../wish/DesignCard.vue';
import EatPick from '../wish/EatPick.vue';
import { useWish } from '../wish/wish';

const props = defineProps<{
    library: Library;
    climates: { key: string; name: string }[];
    /** Wishes to begin with, and a garden that is no wish: what is rooted and raised is not eaten. */
    starts: { key: string; name: string; wish?: Partial<Wish>; garden?: Design['garden'] }[];
    into: { id: string; name: string; units: Units; currency: string } | null;
}>();
const units = ref<Units>(props.into?.units ?? 'metric');
provideMeasures({ units, faultAt: () => null });
void loadRest(props.library);
const { wish, answer, busy, wrong, isEmpty, change, startFrom } = useWish(units.value, props.into?.currency ?? 'EUR');
if (!props.into && wish.value.units) units.value = wish.value.units;
const setUnits = (to: Units): void => {
    units.value = to;
    change((w) => (w.units = to));
};

type Place = NonNullable<Wish['place']>;
type Tend = NonNullable<Wish['tend']>;
const place = computed(() => wish.value.place ?? ({} as Place));
const tend = computed(() => wish.value.tend ?? ({} as Tend));
const setPlace = (of: Partial<Place>): void => change((w) => (w.place = { ...w.place, ...of }));
const setTend = (of: Partial<Tend>): void => change((w) => (w.tend = { ...w.tend, ...of }));

/** Where it grows, as a grower would say it: by a window, under a lamp, under a roof, in the open. */
type Where = 'window' | 'lamp' | 'covered' | 'open';
const where = computed<Where>(() => {
    if (place.value.setting === 'covered' || place.value.setting === 'open') return place.value.setting;
    return place.value.window ? 'window' : 'lamp';
});
function setWhere(to: Where): void {
    if (to === 'window') setPlace({ setting: 'indoor', window: 'south', lamp: false, light_hours: null });
    else if (to === 'lamp') setPlace({ setting: 'indoor', window: null, lamp: false, light_hours: 16 });
    else setPlace({ setting: to, window: null, lamp: false, light_hours: null });
}
const isOutside = computed(() => where.value === 'covered' || where.value === 'open');
const from = computed({
    get: () => place.value.from ?? '',
    set: (to: string) => setPlace({ from: to === '' ? null : to }),
});
const room = computed(() => ({
    length: place.value.length_mm ?? 1000,
    depth: place.value.depth_mm ?? 500,
    height: place.value.height_mm ?? 2000,
}));
const system = computed(() => {
    const of = tend.value.systems ?? ['aerated', 'passive'];
    return of.length === 2 ? 'any' : of[0]!;
});
const setSystem = (to: string): void =>
    setTend({ systems: (to === 'any' ? ['aerated', 'passive'] : [to]) as NonNullable<Tend['systems']> });
const vessels = computed(() => (wish.value.vessels ?? []) as (string | { key?: string; name?: string })[]);
const keyOf = (v: string | { key?: string }): string => (typeof v === 'string' ? v : (v.key ?? ''));
const vesselName = (v: string | { key?: string; name?: string }): string =>
    (typeof v === 'string' ? props.library.vessels.find((l) => l.key === v)?.name : v.name) ?? keyOf(v);
function addVessel(key: string | null): void {
    const one = props.library.vessels.find((v) => v.key === key);
    if (!one || vessels.value.some((v) => keyOf(v) === key)) return;
    // One of the grower's own goes along whole: the shipped Library does not know it.
    change(
        (w) => (w.vessels = [...(w.vessels ?? []), one.own ? JSON.parse(JSON.stringify(one)) : one.key] as NonNullable<Wish['vessels']>),
    );
}
const removeVessel = (key: string): void =>
    change((w) => (w.vessels = (w.vessels ?? []).filter((v) => keyOf(v as string) !== key) as NonNullable<Wish['vessels']>));
/** On a phone what comes of it lies below the questions: told at its foot. */
const come = useTemplateRef<HTMLElement>('come');
const below = computed(() => {
    const designs = answer.value?.designs ?? [];
    if (!designs.length) return 'What stands in the way';
    const least = Math.min(...designs.map((d) => d.figures.outlay));
    return `${counted(designs.length, 'design', 'designs')}, from ${money(least)} ${currency.value}`;
});
const currency = computed(() => wish.value.money?.currency ?? 'EUR');
const sum = (text: string): ReturnType<typeof readSum> => readSum(text, units.value, currency.value);
const setCap = (value: number | null): void => change((w) => (w.money = { ...w.money, cap: value }));

const message = ref('');
/** A press is for the design that stood there, whatever comes of the wish meanwhile. */
async function take(garden: Design['garden']): Promise<void> {
    const made = await send<{ id: string }>('Putting it on the bench', 'gardens', { body: JSON.stringify(garden), key: newName() });
    if (made.kind === 'done') router.visit(`/gardens/${made.data.id}`);
    else message.value = 'message' in made ? made.message : 'It could not be kept. Press it again.';
}
async function add(design: Design): Promise<void> {
    const into = props.into;
    if (!into) return;
    const body = JSON.stringify({ into: into.id, design: design.garden });
    const made = await send<Answers['wish/into']>('Adding it', 'wish/into', { body });
    if (made.kind !== 'done') {
        message.value = 'message' in made ? made.message : 'It could not be added. Press it again.';
        return;
    }
    offer(into.id, { says: 'add what was wished for', patch: made.data.patch });
    router.visit(`/gardens/${into.id}`);
}
function loosen(way: Loosen): void {
    change((w) => applyPatch(w, way.patch as unknown as Operation[]));
}
const why = computed(() => {
    const a = answer.value;
    if (!a) return [];
    const plants = a.portions.map((p) => `${p.plants} ${p.name.toLowerCase()}`).join(', ');
    return [
        plants ? `So much to eat takes ${plants}, standing at a time.` : '',
        `${a.looked_at} whole designs were planned, with their seasons and their baskets.`,
        a.complete ? '' : 'The search has an end: not all that there is was looked at.',
    ].filter(Boolean);
});
const file = computed(() => `data:application/json;charset=utf-8,${encodeURIComponent(JSON.stringify(wish.value, null, 2))}`);
const WEEK = [0, 1, 2, 3, 5, 7] as const;
const AWAY = [0, 3, 7, 14, 21] as const;
</script>

<template>
    <Head title="What I would like to grow" />
    <main class="wish">
        <header>
            <Link :href="into ? `/gardens/${into.id}` : '/'" class="back">{{ into ? into.name : 'All gardens' }}</Link>
            <h1>What I would like to grow</h1>
            <p class="starts" aria-label="Begin with">
                <span class="faint small">Begin with</span>
                <button
                    v-for="s in starts"
                    :key="s.key"
                    type="button"
                    class="word small"
                    :data-start="s.key"
                    @click="s.garden ? take(s.garden) : startFrom(s.wish!)"
                >
                    {{ s.name }}
                </button>
                <Toggle
                    v-if="!into"
                    label="Units"
                    class="units"
                    :model-value="units"
                    :options="[
                        { value: 'metric', name: 'mm' },
                        { value: 'us', name: 'in' },
                    ]"
                    @update:model-value="setUnits"
                />
            </p>
        </header>
        <div class="ask">
            <EatPick :eats="wish.eat" :crops="library.crops" @change="(eats) => change((w) => (w.eat = eats as Wish['eat']))" />
            <fieldset>
                <legend>Where</legend>
                <Toggle
                    label="It grows"
                    :model-value="where"
                    :options="[
                        { value: 'window', name: 'By a window' },
                        { value: 'lamp', name: 'Under a lamp' },
                        { value: 'covered', name: 'Covered' },
                        { value: 'open', name: 'In the open' },
                    ]"
                    @update:model-value="setWhere"
                />
                <Toggle
                    v-if="where === 'lamp'"
                    label="The lamp"
                    :model-value="place.lamp ? 'buy' : 'there'"
                    :options="[
                        { value: 'there', name: 'Hangs there' },
                        { value: 'buy', name: 'Is to be bought' },
                    ]"
                    @update:model-value="(to) => setPlace({ lamp: to === 'buy' })"
                />
                <Toggle
                    v-if="where === 'open'"
                    label="At noon"
                    :model-value="(place.sun ?? true) ? 'sun' : 'shade'"
                    :options="[
                        { value: 'sun', name: 'In the sun' },
                        { value: 'shade', name: 'Shaded' },
                    ]"
                    @update:model-value="(to) => setPlace({ sun: to === 'sun' })"
                />
                <Pick
                    v-if="isOutside"
                    label="Climate"
                    :model-value="place.climate ?? 'cool-maritime'"
                    :options="climates.map((c) => ({ value: c.key, name: c.name }))"
                    @update:model-value="(to) => to && setPlace({ climate: to })"
                />
                <div class="sides">
                    <Measure
                        label="Length"
                        dimension="length"
                        :model-value="room.length"
                        @update:model-value="(mm) => mm && setPlace({ length_mm: mm })"
                    />
                    <Measure
                        label="Depth"
                        dimension="length"
                        :model-value="room.depth"
                        @update:model-value="(mm) => mm && setPlace({ depth_mm: mm })"
                    />
                    <Measure
                        label="Height"
                        dimension="length"
                        :model-value="room.height"
                        @update:model-value="(mm) => mm && setPlace({ height_mm: mm })"
                    />
                </div>
                <Toggle
                    label="A socket near it"
                    :model-value="(place.mains ?? true) ? 'yes' : 'no'"
                    :options="[
                        { value: 'yes', name: 'Yes' },
                        { value: 'no', name: 'No' },
                    ]"
                    @update:model-value="(to) => setPlace({ mains: to === 'yes' })"
                />
                <label class="field">
                    <span>Begun on</span>
                    <input v-model="from" type="date" class="text" data-field="from" />
                </label>
                <Fold title="What bears it">
                    <Toggle
                        label="It stands on"
                        :model-value="place.load ?? 'ground'"
                        :options="[
                            { value: 'ground', name: 'The ground' },
                            { value: 'upper', name: 'A floor' },
                            { value: 'balcony', name: 'A balcony' },
                            { value: 'boat', name: 'A boat' },
                        ]"
                        @update:model-value="(to) => setPlace({ load: to })"
                    />
                    <Measure
                        label="That bears"
                        dimension="mass"
                        optional
                        :model-value="place.limit_kg ? place.limit_kg * 1000 : null"
                        :hint="place.limit_kg ? '' : 'No limit said. Ask whoever is responsible for the structure.'"
                        @update:model-value="(g) => setPlace({ limit_kg: g === null ? null : g / 1000 })"
                    />
                </Fold>
            </fieldset>
            <fieldset>
                <legend>How</legend>
                <Toggle
                    label="Days a week to come, at most"
                    :model-value="String(tend.visits_a_week ?? 3)"
                    :options="WEEK.map((n) => ({ value: String(n), name: String(n) }))"
                    @update:model-value="(to) => setTend({ visits_a_week: Number(to) })"
                />
                <Toggle
                    label="Away at the longest, days"
                    :model-value="String(tend.away_days ?? 3)"
                    :options="AWAY.map((n) => ({ value: String(n), name: String(n) }))"
                    @update:model-value="(to) => setTend({ away_days: Number(to) })"
                />
                <Toggle
                    label="Water"
                    :model-value="system"
                    :options="[
                        { value: 'any', name: 'As it suits' },
                        { value: 'aerated', name: 'With air' },
                        { value: 'passive', name: 'Still' },
                    ]"
                    @update:model-value="setSystem"
                />
                <Toggle
                    label="Measured"
                    :model-value="tend.meter ? 'meter' : 'drops'"
                    :options="[
                        { value: 'drops', name: 'By drops' },
                        { value: 'meter', name: 'By meters' },
                    ]"
                    @update:model-value="(to) => setTend({ meter: to === 'meter' })"
                />
            </fieldset>
            <fieldset>
                <legend>With what</legend>
                <div class="field">
                    <label for="wish-cap">Spend at most, {{ currency }}</label>
                    <ReadField
                        id="wish-cap"
                        name="cap"
                        inputmode="decimal"
                        placeholder="no cap"
                        :shown="String(wish.money?.cap ?? '')"
                        :read="sum"
                        :take="setCap"
                    />
                </div>
                <Toggle
                    label="A drill"
                    :model-value="(tend.drill ?? true) ? 'yes' : 'no'"
                    :options="[
                        { value: 'yes', name: 'Is there' },
                        { value: 'no', name: 'None' },
                    ]"
                    @update:model-value="(to) => setTend({ drill: to === 'yes' })"
                />
                <Pick
                    label="A vessel that is there"
                    :model-value="null"
                    :options="vesselOptions(library, units)"
                    placeholder="none named"
                    filter
                    @update:model-value="addVessel"
                />
                <ul v-if="vessels.length" class="mine">
                    <li v-for="v in vessels" :key="keyOf(v)">
                        {{ vesselName(v) }}
                        <button type="button" class="word small" :aria-label="`Without ${vesselName(v)}`" @click="removeVessel(keyOf(v))">
                            Take away
                        </button>
                    </li>
                </ul>
                <p class="small faint">A knife, a marker, a rule and a jug are taken to be there.</p>
            </fieldset>
        </div>
        <a v-if="answer && !isEmpty" class="down" href="#come" @click.prevent="come?.scrollIntoView()">{{ below }} ↓</a>
        <section id="come" ref="come" class="come" aria-label="What comes of it" :aria-busy="busy">
            <h2 class="hidden-visually">What comes of it</h2>
            <p v-if="message" class="message" role="alert">{{ message }}</p>
            <p v-if="wrong" class="message" role="alert">{{ wrong }}</p>
            <p v-if="isEmpty" class="empty faint">
                Press what you would like to eat. Whole designs come at once; each change answers anew.
            </p>
            <template v-else-if="answer">
                <p class="state small faint" role="status">
                    {{ busy ? 'Looking for more …' : `${answer.designs.length} of ${answer.looked_at} designs` }}
                </p>
                <div v-if="!busy && (answer.loosen.length || !answer.designs.length)" class="none">
                    <h2>{{ answer.designs.length ? 'Nothing sound is just that' : 'Nothing is just that' }}</h2>
                    <ul v-if="answer.loosen.length">
                        <li v-for="l in answer.loosen" :key="l.says">
                            With {{ l.says }} there is.
                            <button type="button" class="box" data-act="loosen" @click="loosen(l)">Wish that</button>
                        </li>
                    </ul>
                    <p v-else class="faint">No one thing wished otherwise would do. What stands in the way is told below.</p>
                </div>
                <DesignCard
                    v-for="d in answer.designs"
                    :key="d.key"
                    :design="d"
                    :units="units"
                    :currency="currency"
                    :room="room"
                    :into="into?.name ?? null"
                    @take="take(d.garden)"
                    @add="add(d)"
                />
                <p class="small file">
                    <a :href="file" download="wish.kelp-wish.json">Save this wish as a file</a
                    ><span class="faint">, to keep or for <code>bin/kelp wish</code></span>
                </p>
                <Fold :title="answer.designs.length ? 'Why these' : 'What stands in the way'" :open="!answer.designs.length">
                    <p v-for="w in why" :key="w" class="small">{{ w }}</p>
                    <h3 v-if="answer.runners_up.length">Runners-up</h3>
                    <ul v-if="answer.runners_up.length" class="small">
                        <li v-for="r in answer.runners_up" :key="r.key">
                            {{ r.says }}: {{ money(r.figures.outlay) }} {{ currency }}, {{ mass(r.figures.mass_kg, units) }}
                        </li>
                    </ul>
                    <h3>Left out</h3>
                    <ul class="small">
                        <li v-for="l in answer.left_out" :key="l.says">{{ l.count }}: {{ l.says }}</li>
                    </ul>
                </Fold>
            </template>
        </section>
    </main>
</template>

<style scoped>
.wish {
    display: grid;
    grid-template-columns: 23rem minmax(0, 1fr);
    grid-template-rows: auto 1fr;
    gap: 0 1.8rem;
    max-width: 82rem;
    margin: 0 auto;
    padding: 1.1rem 1.4rem 3rem;
}
header {
    grid-column: 1 / -1;
    border-bottom: 1px solid var(--ink);
    padding-bottom: 0.5rem;
    margin-bottom: 0.9rem;
}
.starts {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.2rem 1rem;
}
.units {
    margin-left: auto;
    grid-auto-flow: column;
    align-items: center;
    gap: 0.5rem;
}
.ask {
    display: grid;
    gap: 1.1rem;
    align-content: start;
}
fieldset {
    border: 0;
    margin: 0;
    padding: 0;
    display: grid;
    gap: 0.6rem;
}
legend {
    font-family: var(--grotesque);
    font-weight: 700;
    padding: 0 0 0.35rem;
}
.sides {
    display: grid;
    gap: 0.35rem;
}
.field {
    display: grid;
    gap: 0.15rem;
    font-weight: 600;
}
.mine {
    list-style: none;
    margin: 0;
    padding: 0;
}
.none {
    border-left: 3px solid var(--mend);
    padding-left: 0.8rem;
}
.none ul {
    list-style: none;
    padding: 0;
    display: grid;
    gap: 0.4rem;
}
.empty {
    margin-top: 4rem;
    text-align: center;
}
.come h3 {
    font-size: 1rem;
}
.down {
    display: none;
}
@media (max-width: 900px) {
    .down {
        display: block;
        position: sticky;
        bottom: 0;
        z-index: 4;
        margin-inline: -0.8rem;
        padding: 0.7rem 0.8rem;
        background: var(--ink);
        color: var(--paper);
        font-weight: 700;
        text-decoration: none;
    }
    .wish {
        grid-template-columns: minmax(0, 1fr);
        padding: 0.8rem 0.8rem 3rem;
    }
    .come {
        margin-top: 1.2rem;
    }
}
</style>
