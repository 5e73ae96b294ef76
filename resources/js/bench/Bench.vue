<script setup lang="ts">
/** A garden's front page: every tub at one scale, what it holds, and what it needs next. */
import { Link } from '@inertiajs/vue3';
import { computed, defineAsyncComponent, ref } from 'vue';
import BenchDrawing from '../drawing/BenchDrawing.vue';
import { tint } from '../drawing/plants';
import { mass, money, volume } from '../kit/format';
import { usePanel } from '../kit/places';
import { dateOf, dayNumber, fromToday, wallClock } from '../kit/dates';
import { useDays } from '../days/diary';
import { beginDryRun } from '../dryrun/begin';
import ManySeasons from '../dryrun/ManySeasons.vue';
import { useGarden } from '../kit/garden';
import Toggle from '../kit/Toggle.vue';

const emit = defineEmits<{ choose: [tub: string]; go: [tub: string, mark: string] }>();

const garden = useGarden();
/** The dialog is loaded when it is asked for, and then stays. */
const AddTub = defineAsyncComponent(() => import('./AddTub.vue'));
const asked = ref(false);
const adding = ref(false);
usePanel('add', adding);
function openAdd(): void {
    asked.value = true;
    adding.value = true;
}
/** How what is planted stands today, and what it needs next; nothing where nothing is. */
const { days } = useDays(garden, ref({ from: dateOf(dayNumber(wallClock()) - 14), to: dateOf(dayNumber(wallClock()) + 40) }));
const isPlanted = computed(() => (days.value?.copies.length ?? 0) > 0);
const asked_ = ref<'young' | 'grown' | 'today' | null>(null);
const stage = computed<'young' | 'grown' | 'today'>({
    get: () => (asked_.value === 'today' && !isPlanted.value ? 'grown' : (asked_.value ?? 'grown')),
    set: (to) => (asked_.value = to),
});
const stages = computed(() => [
    ...(isPlanted.value ? [{ value: 'today' as const, name: 'Today' }] : []),
    { value: 'young' as const, name: 'Young' },
    { value: 'grown' as const, name: 'Grown' },
]);
const LEADS = { grown: ', plants grown and water at its line', young: ', just transplanted', today: ', as it stands today' };
const today = computed(() =>
    stage.value === 'today'
        ? Object.fromEntries((days.value?.copies ?? []).flatMap((c) => (c.today ? [[`${c.tub}.${c.copy}`, c.today]] : [])))
        : null,
);
/** What a tub needs next, and by when. */
function nextOf(tub: string): string {
    const items = (days.value?.copies ?? []).filter((c) => c.tub === tub).flatMap((c) => c.items);
    const next = items.filter((i) => i.done === null).sort((a, b) => a.date.localeCompare(b.date))[0];
    return next ? `${next.says}, ${fromToday(next.date, days.value!.today)}` : '';
}
const report = garden.report;
const letters = garden.letters;
const onBench = computed(() => report.value.totals.mass_kg);
const WORDS = { stop: 'Stop', mend: 'Mend', mind: 'Mind' } as const;

const cards = computed(() =>
    report.value.tubs.map((tub) => {
        const findings = report.value.findings.filter((f) => f.tub === tub.id);
        return { tub, first: findings[0] ?? null, more: findings.length - 1 };
    }),
);
const shared = computed(() => report.value.findings.filter((f) => f.tub === null));
const budget = computed(() => report.value.budget);
</script>

<template>
    <div class="bench">
        <div class="top">
            <h1>Bench</h1>
            <p v-if="cards.length" class="faint lead">Everything at one scale{{ LEADS[stage] }}.</p>
            <div v-if="cards.length" class="stage">
                <Toggle v-model="stage" label="Plants" :options="stages" />
            </div>
            <a
                v-if="cards.length > 1"
                class="word"
                :href="`/compare?of=${cards
                    .slice(0, 4)
                    .map(({ tub }) => `${garden.id}:${encodeURIComponent(tub.id)}`)
                    .join(',')}`"
                >Compare</a
            >
            <button v-if="cards.length" type="button" class="box" data-act="open-add" @click="openAdd">Add a tub</button>
            <Link v-if="cards.length" :href="`/wish?into=${garden.id}`" class="word" data-act="wish">Wish for one</Link>
            <dl v-if="cards.length">
                <div>
                    <dt>Outlay</dt>
                    <dd>
                        <span class="number">{{ money(budget.outlay) }}</span>
                        {{ budget.cap === null ? budget.currency : `of ${money(budget.cap)} ${budget.currency}` }}
                        <span v-if="garden.previewer.layingOut.value" class="small faint">lids being laid out</span>
                    </dd>
                </div>
                <div>
                    <dt>Weight filled</dt>
                    <dd>
                        <span class="number">{{ mass(onBench, garden.units.value).split('\u202f')[0] }}</span>
                        {{ mass(onBench, garden.units.value).split('\u202f')[1] }}
                    </dd>
                </div>
            </dl>
        </div>
        <div v-if="cards.length" class="drawing-area">
            <BenchDrawing
                :tubs="report.tubs"
                :air="report.air"
                :units="garden.units.value"
                :growth="stage === 'young' ? 0.15 : 1"
                :today="today"
                :letters="letters"
                @choose="(tub) => emit('choose', tub)"
            />
        </div>
        <div v-else class="empty">
            <svg width="460" height="150" viewBox="0 0 460 150" aria-hidden="true">
                <path d="M10 130H450" class="pen" />
                <path d="M70 130l-8-90h92l-8 90zM200 130l-16-70h130l-16 70zM366 130V70q0-10 6-14v-8h28v8q6 4 6 14v60z" class="ghost" />
            </svg>
            <h2>Nothing stands here yet</h2>
            <p>Choose a bucket, a tote or a jar. It is drawn to scale at once, with its true volume, its hole pattern and what it takes.</p>
            <p class="ways">
                <button type="button" class="box strong" data-act="open-add" @click="openAdd">A tub that I have</button>
                <Link :href="`/wish?into=${garden.id}`" class="box" data-act="wish">What I would like to grow</Link>
            </p>
        </div>
        <ul v-if="cards.length" class="cards">
            <li v-for="{ tub, first, more } in cards" :key="tub.id" :data-card="tub.id">
                <h2>
                    <button type="button" @click="emit('choose', tub.id)">
                        <span class="letter">{{ letters[tub.id] }}</span> {{ tub.name
                        }}<template v-if="tub.count > 1"> ×{{ tub.count }}</template>
                    </button>
                </h2>
                <p class="small faint">
                    {{ tub.layout.count }} {{ tub.layout.count === 1 ? 'cup' : 'cups' }} ·
                    {{ volume(tub.volume.working_l, garden.units.value)
                    }}<template v-for="crop in tub.crops" :key="crop.crop">
                        ·
                        <span class="crop" :style="{ borderColor: tint(crop.crop) }"
                            >{{ tub.crops.length > 1 ? `${crop.plants} ` : '' }}{{ crop.name.toLowerCase() }}</span
                        ></template
                    >
                </p>
                <p v-if="nextOf(tub.id)" class="small next">
                    <button type="button" @click="emit('go', tub.id, 'days')">{{ nextOf(tub.id) }}</button>
                </p>
                <template v-if="first">
                    <p>
                        <button type="button" class="severity" :class="first.severity" @click="emit('go', tub.id, first.mark)">
                            {{ WORDS[first.severity] }}
                        </button>
                    </p>
                    <p class="says">{{ first.says }}</p>
                    <p v-if="more > 0" class="small faint">{{ more }} more</p>
                </template>
                <p v-else class="sound">Nothing to mend.</p>
                <div v-if="tub.shape.crops.length" class="tries">
                    <button type="button" class="word small" data-act="dry-run" @click="beginDryRun(garden, tub.id)">
                        Dry run<span class="hidden-visually"> of {{ tub.name }}</span>
                    </button>
                    <ManySeasons :tub="tub.id" />
                </div>
            </li>
            <li v-for="finding in shared" :key="finding.code" class="shared" :data-code="finding.code">
                <h2>The whole garden</h2>
                <p>
                    <span class="severity" :class="finding.severity">{{ WORDS[finding.severity] }}</span>
                </p>
                <p class="says">{{ finding.says }}</p>
            </li>
        </ul>
        <AddTub v-if="asked" v-model:visible="adding" @added="(tub) => emit('choose', tub)" />
    </div>
</template>

<style scoped>
.ways {
    display: flex;
    flex-wrap: wrap;
    gap: 0.6rem;
    justify-content: center;
}
.bench {
    display: flex;
    flex-direction: column;
    height: 100%;
    min-height: 0;
    padding: 0.9rem 1.2rem 0;
}
.top {
    display: flex;
    align-items: flex-end;
    gap: 1rem;
    flex-wrap: wrap;
}
.lead {
    flex: 1;
}
.tries {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 0.2rem 1rem;
    margin-top: 0.3rem;
}
.tries :deep(.word) {
    border-bottom-color: var(--rule);
}
.next button {
    border: 0;
    background: none;
    padding: 0;
    color: var(--water-text);
    font: inherit;
    text-align: left;
    cursor: pointer;
}
.next button:hover {
    text-decoration: underline;
}
.top .word {
    text-decoration: none;
    display: inline-flex;
    align-items: center;
    border-bottom-color: var(--rule);
}
.stage :deep(.label) {
    display: none;
}
dl {
    display: flex;
    gap: 1.6rem;
    margin: 0;
}
dt {
    font-size: 0.8125rem;
    color: var(--faint);
}
dd {
    margin: 0;
}
dd .number {
    font-size: 1.35rem;
    font-weight: 700;
}
.drawing-area {
    flex: 1;
    min-height: 180px;
}
.cards {
    position: relative;
    list-style: none;
    margin: 0 -1.2rem;
    padding: 0.8rem 1.2rem 1rem;
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(205px, 1fr));
    gap: 0.9rem 1.6rem;
    border-top: 1px solid var(--ink);
    max-height: 42%;
    overflow-y: auto;
    scrollbar-width: thin;
    scrollbar-color: var(--rule) transparent;
}
.cards h2 button {
    background: none;
    border: 0;
    padding: 0;
    font: inherit;
    color: inherit;
    cursor: pointer;
    text-align: left;
    min-height: 24px;
}
.cards h2 button:hover {
    text-decoration: underline;
    text-underline-offset: 3px;
}
.letter {
    display: inline-block;
    min-width: 1.35rem;
    border: 1.5px solid var(--ink);
    text-align: center;
    font-size: 0.8125rem;
    line-height: 1.25rem;
    margin-right: 0.2rem;
    vertical-align: 1px;
}
.severity {
    background: none;
    border-width: 0 0 3px;
    padding: 0;
    cursor: pointer;
}
span.severity {
    cursor: default;
}
.crop {
    border-bottom: 2px solid;
    white-space: nowrap;
}
.sound {
    color: var(--kelp);
}
.says {
    font-size: 0.875rem;
}
.empty {
    flex: 1;
    display: grid;
    place-content: center;
    justify-items: center;
    gap: 0.8rem;
    text-align: center;
}
.empty p {
    max-width: 30rem;
}
.pen {
    stroke: var(--ink);
    stroke-width: 2;
}
.ghost {
    fill: none;
    stroke: var(--faint);
    stroke-dasharray: 5 5;
}
@media (max-width: 760px) {
    .bench {
        padding: 0.6rem 0.8rem 0;
    }
    .lead {
        display: none;
    }
    .top {
        gap: 0.4rem 1rem;
    }
    .drawing-area {
        height: 240px;
        flex: none;
        min-height: 0;
    }
    .drawing-area :deep(.holder) {
        min-height: 0;
    }
    .cards {
        max-height: none;
        grid-template-columns: 1fr;
        margin: 0 -0.8rem;
    }
}
</style>
