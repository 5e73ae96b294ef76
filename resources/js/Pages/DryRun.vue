<script setup lang="ts">
/** A season of one tub lived through: read, decide, let a day pass; at the end told what came of it. */
import { Head, Link, router } from '@inertiajs/vue3';
import { computed, ref, watch } from 'vue';
import Ending from '../dryrun/Ending.vue';
import RunChart, { type Drawn } from '../dryrun/RunChart.vue';
import TonightForm from '../dryrun/TonightForm.vue';
import TubTonight from '../dryrun/TubTonight.vue';
import { type Deed, LEAST_WORTH_G, type On, reading, told, usePlay, whyNot } from '../dryrun/run';
import { readBare } from '../kit/bare';
import Figure from '../kit/Figure.vue';
import { counted, money, type Units, volume, weight } from '../kit/format';
import { provideMeasures } from '../kit/garden';
import { useShortcuts } from '../kit/keys';
import { offer } from '../kit/offer';
import { providePlace } from '../kit/typed';
import { send, useTurns } from '../kit/turns';
import MarkPage from '../shell/MarkPage.vue';
import type { DryRun, Ending as Told } from '../types/dry-run';
import type { Report } from '../types/report';

const props = defineProps<{ run: string; report: string; units: Units; others: { id: string; name: string; seed: number }[] }>();

provideMeasures({ units: ref(props.units), faultAt: () => null });
const first = JSON.parse(props.run) as DryRun;
providePlace(`dry-run-${first.id}`);
const { run, seen, tonight, message, play, take, backTo, undo } = usePlay(first);
const report = JSON.parse(props.report) as Report;
const tub = computed(() => report.tubs.find((t) => t.id === run.value.tub)!);
const end = computed(() => run.value.end);
const soFar = computed(() => run.value.so_far);

/** The evening that is looked at: the last, where none is chosen. */
const chosen = ref<number | null>(null);
watch(run, () => (chosen.value = null));
const day = computed(() => chosen.value ?? run.value.day);
const looked = computed(() => soFar.value.seen.find((s) => s.day === day.value) ?? seen.value);
const deeds = computed<Drawn[]>(() =>
    (end.value?.decisions ?? run.value.decisions)
        .filter((d) => d.do !== 'look')
        .map((d) => {
            const worth = 'worth_g' in d ? (d.worth_g as number) : 0;
            return {
                day: d.day,
                says: told(d, props.units),
                tone: worth > LEAST_WORTH_G ? 'good' : worth < -LEAST_WORTH_G ? 'bad' : 'none',
            };
        }),
);

const go = (on: On): Promise<boolean> => play(on);
const decide = (deed: Deed): Promise<boolean> => play(null, [deed]);

/** What the Log says, when it is asked. */
interface Suspect {
    code: string;
    word: string;
    says: string;
    why: string;
    do: string;
    check: string;
}
const suspects = ref<Suspect[] | null>(null);
watch(run, () => (suspects.value = null));
const turns = useTurns();
async function askLog(): Promise<void> {
    const answer = await turns.ask<{ findings: Suspect[] }>(`dry-runs/${run.value.id}/diagnosis`, { method: 'GET' });
    if (answer?.kind === 'done') suspects.value = answer.data.findings;
    else if (answer && 'message' in answer) message.value = answer.message;
}
const WORDS: Record<string, string> = { likely: 'Likely', perhaps: 'Perhaps' };

/** Begins anew: by the same seed, or by another; of the same design. */
async function again(seed: number | null): Promise<void> {
    const body = run.value.lesson && seed !== null ? { lesson: run.value.lesson.key } : null;
    const answer = await send<DryRun>('Beginning again', `dry-runs`, {
        body: JSON.stringify(body ?? { same: run.value.id, ...(seed === null ? {} : { seed }) }),
    });
    if (answer.kind === 'done') router.visit(`/dry-runs/${answer.data.id}`);
    else message.value = whyNot(answer);
}
const MOST_SEED = 4_294_967_295;
const seed = ref('');
function bySeed(): void {
    const read = readBare(seed.value, { least: 0, most: MOST_SEED, whole: true });
    if ('error' in read) message.value = read.error;
    else void again(read.value);
}
/** The same decisions in the design as it is now. */
async function playThere(): Promise<void> {
    const answer = await send<DryRun>('Playing it there', 'dry-runs', {
        body: JSON.stringify({
            same: run.value.id,
            design: 'now',
            seed: run.value.seed,
            decisions: run.value.decisions,
            day: run.value.day,
        }),
    });
    if (answer.kind === 'done') router.visit(`/dry-runs/${answer.data.id}`);
    else message.value = `It cannot be played there: ${whyNot(answer)}`;
}
function change(way: Told['otherwise'][number]): void {
    const garden = run.value.garden;
    if (!garden || !way.patch) return;
    offer(garden.id, { says: way.says.replace(/ brings .*/, ''), patch: way.patch });
    router.visit(`/gardens/${garden.id}/${encodeURIComponent(run.value.tub)}/feed`);
}

/** Another run that is over, held beside this one. */
const beside = ref<DryRun | null>(null);
const besideId = ref('');
watch(besideId, async (id) => {
    beside.value = null;
    if (id === '') return;
    const answer = await turns.ask<DryRun>(`dry-runs/${id}`, { method: 'GET' });
    if (answer?.kind === 'done') beside.value = answer.data;
});
const otherCourse = computed(() => beside.value?.end?.days.map((d) => ({ day: d.day, level_mm: d.level_mm })));
const figures = computed(() => {
    const e = end.value;
    if (!e) return [];
    const b = beside.value?.end ?? null;
    const row = (label: string, of: (e: Told) => string, note = '') => ({
        label,
        value: of(e),
        note: b ? `beside: ${of(b)}` : note,
    });
    return [
        row('Picked', (x) => weight(x.harvest_g, props.units)),
        row('To be had', (x) => weight(x.best_g, props.units), 'by this seed, kept with care'),
        row('Water', (x) => volume(x.water_l, props.units)),
        ...(e.money === null ? [] : [row('Feed and water', (x) => `${money(x.money ?? 0)}\u202f${report.budget.currency}`)]),
        row('Time', (x) => `${x.minutes}\u202fmin`),
    ];
});

useShortcuts((key) => {
    if (key === 'undo') void undo();
    else if (soFar.value.over) return false;
    else if (key === 'd') void go('day');
    else if (key === 'w') void go('week');
    else if (key === 'n') void go('next');
    else return false;
    return true;
});
const next = computed(() => {
    const n = soFar.value.next;
    if (!n) return 'nothing more';
    const what = {
        'top-up': `top up ${n.litres === null ? '' : volume(n.litres, props.units)}`,
        change: 'change the water',
        strengthen: 'stir feed in',
    };
    return `${what[n.do]}, ${n.day === run.value.day ? 'tonight' : `day ${n.day}`}`;
});
const back = computed(() => (run.value.garden ? `/gardens/${run.value.garden.id}` : '/dry-runs'));
</script>

<template>
    <Head :title="`Dry run: ${run.name}`" />
    <div class="page">
        <header class="bar">
            <Link :href="back" class="word">‹ {{ run.garden?.name ?? 'Dry runs' }}</Link>
            <b class="name">{{ run.lesson?.title ?? tub.name }}</b>
            <span class="faint small">seed {{ run.seed }}</span>
            <span class="space" />
            <Link v-if="run.garden" href="/dry-runs" class="word small">All dry runs</Link>
            <a class="word small" :href="`/api/dry-runs/${run.id}/file`" download>Save as a file</a>
        </header>
        <main>
            <MarkPage
                title="Dry run"
                :lead="run.lesson ? run.lesson.goal : 'A season lived through before a seed is sown. Nothing of it touches what grows.'"
            >
                <template #set>
                    <div class="when">
                        <p class="day">
                            Day <span class="number">{{ run.day }}</span> <span class="faint">of {{ soFar.days - 1 }}</span>
                        </p>
                        <template v-if="!soFar.over">
                            <div class="on">
                                <button type="button" class="box strong" data-act="day" @click="go('day')">A day on</button>
                                <button type="button" class="box" data-act="week" @click="go('week')">A week on</button>
                                <button type="button" class="box" data-act="next" @click="go('next')">To the next thing</button>
                            </div>
                            <p class="small faint keys">Keys: d a day, w a week, n the next thing, z back.</p>
                        </template>
                    </div>
                    <p v-if="message" class="small wrong" role="alert">{{ message }}</p>
                    <TonightForm v-if="!soFar.over" :run="run" :tonight="tonight" :units="units" :decide="decide" @take="take" />
                    <template v-else>
                        <button type="button" class="box" data-act="again" @click="again(run.seed)">Begin again with this seed</button>
                        <button v-if="!run.lesson" type="button" class="box" data-act="another" @click="again(null)">Another season</button>
                        <label v-if="!run.lesson" class="other">
                            <span>By a seed that somebody told you</span>
                            <input
                                v-model="seed"
                                class="text"
                                inputmode="numeric"
                                data-field="seed"
                                placeholder="1204"
                                @keydown.enter.prevent="bySeed"
                            />
                        </label>
                        <label v-if="others.length" class="other">
                            <span>Beside another run</span>
                            <select v-model="besideId" class="text">
                                <option value="">none</option>
                                <option v-for="o in others" :key="o.id" :value="o.id">{{ o.name }}, seed {{ o.seed }}</option>
                            </select>
                        </label>
                    </template>
                    <button v-if="!soFar.over" type="button" class="word leave" data-act="end" @click="go('end')">
                        Leave it as it is, to the end
                    </button>
                    <section v-if="run.garden && run.garden.differs === null" class="small differs">
                        This tub is not in the garden any more. The run goes on by the design that it was begun with.
                    </section>
                    <section v-else-if="run.garden?.differs?.length" class="small differs" data-differs>
                        <b>The design is another by now.</b>
                        <ul>
                            <li v-for="d in run.garden.differs" :key="d.where + d.what">
                                {{ d.where }} {{ d.what }}: {{ d.was ?? 'none' }}, now {{ d.is ?? 'none' }}
                            </li>
                        </ul>
                        <button type="button" class="box" data-act="there" @click="playThere">Play these decisions there</button>
                    </section>
                </template>

                <div class="stage" :class="{ over: end }">
                    <div class="chart">
                        <RunChart
                            :days="soFar.days"
                            :line="soFar.line_mm"
                            :lowest="soFar.lowest_mm"
                            :cup="soFar.cup_bottom_mm"
                            :read="soFar.seen"
                            :course="end?.days"
                            :other="otherCourse"
                            :deeds="deeds"
                            :mishaps="end?.mishaps"
                            :next="end ? null : soFar.next?.day"
                            :day="day"
                            :units="units"
                            @update:day="(d) => (chosen = d)"
                        />
                    </div>
                    <p v-if="chosen !== null && chosen !== run.day" class="small then">
                        Day {{ chosen }}, as it was read then.
                        <button type="button" class="word" data-act="back-to" @click="backTo(chosen)">
                            Go back to this evening and play on
                        </button>
                    </p>
                    <p v-else-if="end" class="small faint then">Choose an evening to see it, or to play on from it.</p>
                    <div class="below">
                        <Ending v-if="end" :run="run" :end="end" :units="units" @offer="change" @back="backTo" />
                        <TubTonight :tub="tub" :seen="looked" :so-far="soFar" :units="units" :bare="!!end" />
                    </div>
                </div>

                <template #reckoning>
                    <template v-if="end">
                        <Figure v-for="f in figures" :key="f.label" :label="f.label" :value="f.value" :note="f.note" />
                        <h2 class="figures">What had been hidden</h2>
                        <ul class="plain">
                            <li v-for="m in end.mishaps" :key="m.kind + m.day" data-mishap>
                                <b>Day {{ m.day }}</b>
                                {{ m.says
                                }}<span class="faint">{{
                                    m.seen_on === null
                                        ? ', which nothing told'
                                        : m.seen_on === m.day
                                          ? ''
                                          : `, to be seen on day ${m.seen_on}`
                                }}</span>
                            </li>
                        </ul>
                    </template>
                    <template v-else>
                        <h2>{{ day === run.day ? 'What you read' : `Day ${day}` }}</h2>
                        <table class="read">
                            <tbody>
                                <tr v-for="r in reading(looked, units)" :key="r.name" :class="{ ill: r.ill }">
                                    <th scope="row">{{ r.name }}</th>
                                    <td>{{ r.says }}</td>
                                </tr>
                            </tbody>
                        </table>
                        <p class="small"><span class="faint">By the plan next</span> {{ next }}</p>
                        <h2 class="figures">Look at</h2>
                        <ul class="guide" role="status">
                            <li v-for="g in soFar.guide" :key="g">{{ g }}</li>
                        </ul>
                        <button type="button" class="box" data-act="ask-log" @click="askLog">Ask the Log</button>
                        <section v-if="suspects" aria-label="What the Log says" role="status">
                            <p v-if="!suspects.length" class="faint small">The Log says nothing amiss.</p>
                            <article v-for="s in suspects.slice(0, 3)" :key="s.code" :data-finding="s.code">
                                <p>
                                    <b>{{ WORDS[s.word] ?? s.word }}: {{ s.says }}</b>
                                </p>
                                <p class="small">{{ s.why }}</p>
                                <p class="small"><b>Do</b> {{ s.do }}</p>
                                <p class="small faint"><b>Look</b> {{ s.check }}</p>
                            </article>
                        </section>
                        <p class="small faint spent">
                            {{ volume(soFar.water_l, units) }} of water and {{ counted(soFar.minutes, 'minute', 'minutes') }} so far.
                        </p>
                    </template>
                </template>
            </MarkPage>
        </main>
    </div>
</template>

<style scoped>
.page {
    display: flex;
    flex-direction: column;
    height: 100dvh;
}
.bar {
    display: flex;
    align-items: baseline;
    flex-wrap: wrap;
    gap: 0.2rem 1rem;
    padding: 0.55rem 1.1rem;
    border-bottom: 1px solid var(--ink);
}
.bar .word {
    text-decoration: none;
}
.name {
    font-family: var(--grotesque);
    font-size: 1.0625rem;
}
.space {
    flex: 1;
}
main {
    flex: 1;
    min-height: 0;
}
.when {
    display: grid;
    gap: 0.5rem;
}
.day {
    font-size: 1.0625rem;
}
.day .number {
    font-size: 1.9rem;
    font-weight: 700;
}
.on {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0.4rem;
}
.on .box {
    text-align: center;
}
.on .box:last-child {
    grid-column: 1 / -1;
}
.leave {
    justify-self: start;
    color: var(--faint);
}
.other {
    display: grid;
    gap: 0.2rem;
    font-size: 0.875rem;
}
.differs {
    border-left: 3px solid var(--mind);
    padding-left: 0.6rem;
    display: grid;
    gap: 0.3rem;
}
.differs ul {
    margin: 0;
    padding-left: 1rem;
}
.stage {
    flex: 1;
    min-height: 0;
    display: flex;
    flex-direction: column-reverse;
    gap: 0.4rem;
}
.stage.over {
    flex-direction: column;
}
.below {
    flex: 1;
    min-height: 0;
    display: flex;
}
.over .below {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(180px, 34%);
    gap: 1.2rem;
}
.chart {
    height: 168px;
    flex: none;
}
.over .chart {
    height: 200px;
}
.then {
    min-height: 24px;
}
.read {
    margin: 0.2rem 0 0.6rem;
}
.read td {
    text-align: right;
    font-weight: 600;
}
.read th,
.read td {
    padding: 0.15rem 0;
    border-bottom: 1px solid var(--rule);
}
.ill td {
    color: var(--stop-text);
}
.guide {
    margin: 0.3rem 0 0.8rem;
    padding: 0 0 0 0.7rem;
    list-style: none;
    border-left: 3px solid var(--water);
    display: grid;
    gap: 0.45rem;
}
article {
    border-top: 1px solid var(--rule);
    padding: 0.4rem 0;
    margin-top: 0.5rem;
    display: grid;
    gap: 0.15rem;
}
.spent {
    margin-top: 0.8rem;
}
.wrong {
    color: var(--stop-text);
}
.plain {
    list-style: none;
    margin: 0.3rem 0 0;
    padding: 0;
}
.figures {
    margin-top: 0.9rem;
}
.plain li {
    padding: 0.2rem 0;
    border-bottom: 1px solid var(--rule);
}
@media (max-width: 760px) {
    .page {
        height: auto;
    }
    .keys {
        display: none;
    }
    /* Within reach of a thumb. */
    .on {
        position: fixed;
        z-index: 2;
        inset: auto 0 0;
        grid-template-columns: 1fr 1fr 1.4fr;
        padding: 0.5rem 0.7rem;
        background: var(--paper);
        border-top: 1px solid var(--ink);
    }
    .on .box {
        min-height: 44px;
    }
    .on .box:last-child {
        grid-column: auto;
    }
    .over .below {
        display: flex;
        flex-direction: column;
    }
}
</style>
