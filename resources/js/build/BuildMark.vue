<script setup lang="ts">
/** Build: what to do at the bench, one step at a time, with its detail drawn; and what to take to the shed. */
import { isPhone } from '../kit/phone';
import { computed, nextTick, ref, watch } from 'vue';
import CupDetail from '../drawing/CupDetail.vue';
import LidPlan from '../drawing/LidPlan.vue';
import SectionDrawing from '../drawing/SectionDrawing.vue';
import JugRow from '../feed/JugRow.vue';
import { useAsked } from '../kit/asked';
import Caution from '../kit/Caution.vue';
import Counter from '../kit/Counter.vue';
import { deeds } from '../kit/deeds';
import { download } from '../kit/download';
import { vesselInPlace } from '../kit/edits';
import { length, volume } from '../kit/format';
import { useGarden } from '../kit/garden';
import Measure from '../kit/Measure.vue';
import Pick from '../kit/Pick.vue';
import MarkPage from '../shell/MarkPage.vue';
import PlugDetail from './PlugDetail.vue';
import { buildOf, spell, tick, today } from './sheet';
import type { BuildSheet, Step } from '../types/answers';

const garden = useGarden();
const tub = computed(() => garden.tubReport.value);
const copy = ref(1);
watch(garden.selected, () => (copy.value = 1));
const { answer, away } = useAsked<BuildSheet>(garden, () =>
    tub.value ? `build?tub=${encodeURIComponent(tub.value.id)}&copy=${Math.min(copy.value, tub.value.count)}` : null,
);
const sheet = computed(() => {
    const of = answer.value;
    return of && of.tub === tub.value?.id && of.copy === Math.min(copy.value, tub.value.count) ? of : null;
});

/** The step that is looked at: the first that is not done, until another is chosen. */
const chosen = ref<string | null>(null);
watch([garden.selected, copy], () => (chosen.value = null));
const step = computed<Step | null>(() => {
    const steps = sheet.value?.steps ?? [];
    return steps.find((s) => s.key === chosen.value) ?? steps.find((s) => s.ticked === null) ?? steps[0] ?? null;
});
const number = computed(() => (sheet.value?.steps.findIndex((s) => s.key === step.value?.key) ?? 0) + 1);
const heading = ref<HTMLElement | null>(null);

function go(by: number): void {
    const steps = sheet.value?.steps ?? [];
    const to = steps[number.value - 1 + by];
    if (!to) return;
    chosen.value = to.key;
    void nextTick(() => heading.value?.focus({ preventScroll: false }));
}

/** On a phone the list lies below the step: it is one press away, and a press in it goes back up to the step. */
const list = ref<HTMLElement | null>(null);
function choose(key: string): void {
    chosen.value = key;
    if (isPhone()) void nextTick(() => heading.value?.focus({ preventScroll: false }));
}
function toList(): void {
    list.value?.querySelector<HTMLElement>('[aria-current=step]')?.focus();
    list.value?.scrollIntoView({ block: 'start' });
}

function setDone(of: Step, done: boolean): void {
    const [id, c] = [sheet.value!.tub, copy.value];
    garden.change(done ? `tick ${of.title.toLowerCase()}` : `untick ${of.title.toLowerCase()}`, (g) => {
        tick(g, id, c, of, done ? today() : null);
    });
}
function doneAndOn(): void {
    if (!step.value) return;
    setDone(step.value, true);
    go(1);
}

/** "2 Mar": the year is that of the design. */
const dayOf = (date: string): string =>
    new Date(`${date}T00:00:00Z`).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' });

const note = computed(() => step.value?.note ?? '');
function setNote(event: Event): void {
    const text = (event.target as HTMLTextAreaElement).value.trim();
    const [id, c, key] = [sheet.value!.tub, copy.value, step.value!.key];
    garden.change('write a note at a step', (g) => {
        const notes = (buildOf(g, id, c).notes ??= {});
        if (text === '') delete notes[key];
        else notes[key] = text.slice(0, 2000);
    });
}

/** What was measured of this copy, from the garden itself. */
const measured = computed(
    () => (garden.document.value.builds ?? []).find((b) => b.tub === tub.value?.id && (b.copy ?? 1) === copy.value)?.measured ?? {},
);
/** Writes a measure of the copy that is looked at now, whichever is by the time that it is read. */
function measuring(key: 'line_mm' | 'litres'): (value: number | null) => void {
    const [id, c] = [sheet.value!.tub, copy.value];
    return (value) =>
        garden.change('write down what was measured', (g) => {
            (buildOf(g, id, c).measured ??= {})[key] = value;
        });
}
function bubbles(stone: number, does: boolean): void {
    const [id, c, count] = [sheet.value!.tub, copy.value, stones.value];
    garden.change('write down which stones bubble', (g) => {
        const of = (buildOf(g, id, c).measured ??= {});
        of.stones = Array.from({ length: count }, (_, i) => (i === stone ? does : (of.stones?.[i] ?? false)));
    });
}
const stones = computed(() => tub.value?.shape.stones?.at.length ?? 0);

/** Fills that the vessel is known by: from two on its volume goes by them. */
const fills = computed(() => {
    const vessel = garden.tub.value?.vessel;
    return typeof vessel === 'object' ? (vessel.fills ?? []) : [];
});
const taken = computed(() => fills.value.some((f) => f.litres === measured.value.litres && f.depth_mm === measured.value.line_mm));
const before = ref<number | null>(null);
function addFill(litres: number | null | undefined, depth: number | null | undefined): void {
    if (!depth || !litres) return;
    before.value = tub.value?.volume.working_l ?? null;
    garden.changeTub('measure the vessel by a fill', (t) => {
        const vessel = vesselInPlace(t, garden.library);
        vessel.fills = [...(vessel.fills ?? []), { litres, depth_mm: depth }].sort((a, b) => a.depth_mm - b.depth_mm);
    });
}
const one = ref<{ litres: number | null; depth: number | null }>({ litres: null, depth: null });
function addOne(): void {
    if (!one.value.litres || !one.value.depth) return;
    addFill(one.value.litres, one.value.depth);
    one.value = { litres: null, depth: null };
}
watch([garden.selected, copy, () => step.value?.key], () => (before.value = null));

const NAMES: Record<string, string> = {
    lid: 'Lid, 1 : 1',
    adapter: 'Adapter disc, 1 : 1',
    raft: 'Raft board, 1 : 1',
    wall: 'Wall marks',
    gauge: 'Stick gauge',
    wrap: 'Wrap of the lid’s angles',
    collar: 'Collar, 1 : 1',
};
const PAPERS = [
    { value: 'a4', name: 'A4' },
    { value: 'letter', name: 'Letter' },
];
const paper = ref(garden.units.value === 'us' ? 'letter' : 'a4');
const fault = ref('');
async function take(path: string): Promise<void> {
    fault.value = '';
    fault.value = await download(`${path}&paper=${paper.value}`, garden.document.value);
}
const of = computed(() => encodeURIComponent(tub.value?.id ?? ''));
</script>

<template>
    <MarkPage title="Build" :lead="tub ? `${tub.name}, step by step, with its own measures.` : 'Put a tub on the bench first.'">
        <template #set>
            <Counter
                v-if="tub && tub.count > 1"
                label="Which of them"
                :model-value="copy"
                :most="tub.count"
                @update:model-value="(v) => (copy = v)"
            />
            <p v-if="away" class="small wrong" role="alert">{{ away }}</p>
            <ol v-if="sheet" ref="list" class="steps">
                <li v-for="(s, i) in sheet.steps" :key="s.key" :class="{ here: s.key === step?.key }">
                    <input
                        type="checkbox"
                        :checked="s.ticked !== null"
                        :aria-label="`${i + 1} ${s.title}: done`"
                        :data-tick="s.key"
                        @change="setDone(s, ($event.target as HTMLInputElement).checked)"
                    />
                    <button
                        type="button"
                        :aria-current="s.key === step?.key ? 'step' : undefined"
                        :data-step="s.key"
                        @click="choose(s.key)"
                    >
                        <span>{{ i + 1 }} {{ s.title }}</span>
                        <b v-if="s.changed" class="again">again</b>
                        <i v-else>{{ spell(s.minutes) }}</i>
                    </button>
                </li>
            </ol>
        </template>

        <div v-if="sheet && step && tub" class="bench">
            <h2 ref="heading" tabindex="-1">{{ number }} {{ step.title }}</h2>
            <p v-if="step.changed" class="severity mend">The design has changed this step since it was done: do it again.</p>
            <p class="does">{{ step.does }}</p>
            <div class="detail" :class="step.drawing.detail">
                <LidPlan
                    v-if="step.drawing.detail === 'lid' && !tub.shape.in_mouth"
                    :tub="tub"
                    :units="garden.units.value"
                    :chosen="step.drawing.highlight === 'outline' ? null : 0"
                    :caption="step.drawing.highlight === 'centres' || step.drawing.highlight === 'holes' ? 'this one first' : ''"
                />
                <PlugDetail v-else-if="step.drawing.detail === 'plug'" :sown="sheet.sowing" :raised="step.drawing.highlight === 'roots'" />
                <CupDetail v-else-if="step.drawing.detail === 'cup'" :tub="tub" :units="garden.units.value" />
                <JugRow
                    v-else-if="step.drawing.detail === 'jugs'"
                    :tub="tub"
                    :water="garden.report.value.water"
                    :units="garden.units.value"
                    :litres="tub.volume.working_l"
                    :parts="tub.feed?.parts ?? []"
                    :ec="tub.feed?.ec_ms_cm ?? null"
                />
                <SectionDrawing
                    v-else
                    :tub="tub"
                    :units="garden.units.value"
                    :stands="step.drawing.water_mm"
                    :growth="step.drawing.planted ? undefined : 0"
                />
            </div>
            <div class="look">
                <dl v-if="step.figures.length" class="figures">
                    <div v-for="f in step.figures" :key="f.label">
                        <dt>{{ f.label }}</dt>
                        <dd>{{ f.value }}</dd>
                    </div>
                </dl>
                <div v-if="step.key === 'fill'" class="measured">
                    <Measure
                        :key="`line ${copy}`"
                        :at="`/builds/${copy}/line_mm`"
                        label="The line is at"
                        dimension="length"
                        :model-value="measured.line_mm ?? null"
                        v-bind="{ 'onUpdate:modelValue': measuring('line_mm') }"
                    />
                    <Measure
                        :key="`litres ${copy}`"
                        :at="`/builds/${copy}/litres`"
                        label="It took"
                        dimension="volume"
                        :model-value="measured.litres ?? null"
                        v-bind="{ 'onUpdate:modelValue': measuring('litres') }"
                    />
                    <button
                        v-if="measured.line_mm && measured.litres && !taken"
                        type="button"
                        class="box"
                        data-act="calibrate"
                        @click="addFill(measured.litres, measured.line_mm)"
                    >
                        Measure the vessel by it
                    </button>
                </div>
                <div v-if="step.key === 'measure'" class="measured">
                    <Measure label="Depth" dimension="length" :model-value="one.depth" @update:model-value="(v) => (one.depth = v)" />
                    <Measure
                        label="Litres in it"
                        dimension="volume"
                        :model-value="one.litres"
                        @update:model-value="(v) => (one.litres = v)"
                    />
                    <button
                        type="button"
                        class="box"
                        data-act="add-fill"
                        :disabled="(!one.depth || !one.litres) && !deeds.busy.value"
                        @click="addOne"
                    >
                        Add this fill
                    </button>
                </div>
                <p v-if="['measure', 'fill'].includes(step.key) && fills.length" class="small" role="status" data-fills>
                    Measured:
                    {{
                        fills.map((f) => `${volume(f.litres, garden.units.value)} at ${length(f.depth_mm, garden.units.value)}`).join(', ')
                    }}.
                    <template v-if="fills.length < 2">One more at another depth, and its volume goes by them.</template>
                    <template v-else-if="before !== null"
                        >To its line it held {{ volume(before, garden.units.value) }}, and holds
                        {{ volume(tub.volume.working_l, garden.units.value) }} now.</template
                    >
                </p>
                <fieldset v-if="step.key === 'wet-test'" class="measured">
                    <legend>Which bubble</legend>
                    <label v-for="i in stones" :key="i"
                        ><input
                            type="checkbox"
                            :checked="measured.stones?.[i - 1] ?? false"
                            @change="bubbles(i - 1, ($event.target as HTMLInputElement).checked)"
                        />
                        stone {{ i }}</label
                    >
                </fieldset>
                <h3>Look before you go on</h3>
                <p>{{ step.done_when }}</p>
                <p v-if="step.if_not" class="if-not"><b>If not</b> {{ step.if_not }}</p>
                <div class="row">
                    <button type="button" class="box strong" data-act="done-next" @click="doneAndOn">
                        {{ number < sheet.steps.length ? 'Done, next' : 'Done' }}
                    </button>
                    <button type="button" class="word" :disabled="number <= 1" @click="go(-1)">Back</button>
                    <button type="button" class="word to-list" data-act="to-list" @click="toList">All</button>
                    <button type="button" class="word" :disabled="number >= sheet.steps.length" @click="go(1)">Next</button>
                </div>
            </div>
        </div>

        <template #reckoning>
            <template v-if="sheet && step">
                <template v-if="step.tools.length || step.parts.length">
                    <h2>At hand</h2>
                    <ul class="plain">
                        <li v-for="t in [...step.parts, ...step.tools]" :key="t.key">{{ t.name }}</li>
                    </ul>
                </template>
                <div v-if="step.cautions.length" class="cautions">
                    <Caution v-for="c in step.cautions" :key="c.key" :data-caution="c.key">{{ c.says }}</Caution>
                </div>
                <div class="time">
                    <span>This step</span><b>{{ spell(step.minutes) }}</b>
                    <span class="small faint"
                        >{{ spell(sheet.minutes) }} in all, an estimate; {{ sheet.done }} of {{ sheet.steps.length }} done</span
                    >
                </div>
                <h2>Days, counted from planting</h2>
                <ol class="days">
                    <li v-for="d in sheet.days" :key="`${d.day} ${d.does}`" :class="{ here: d.step === step.key }">
                        <b>{{ d.day < 0 ? `−${-d.day}` : d.day }}</b>
                        <button v-if="d.step" type="button" class="word" :data-day="d.day" @click="choose(d.step)">{{ d.does }}</button>
                        <span v-else>{{ d.does }}</span>
                        <i v-if="d.date">{{ dayOf(d.date) }}</i>
                    </li>
                </ol>
                <label class="note"
                    >A note at this step<textarea rows="2" :value="note" maxlength="2000" @change="setNote"></textarea>
                </label>
                <h2>Take to the shed</h2>
                <Pick label="Paper" :options="PAPERS" :model-value="paper" @update:model-value="(v) => (paper = v ?? 'a4')" />
                <p v-if="fault" class="small wrong" role="alert">{{ fault }}</p>
                <ul class="shed">
                    <li v-for="what in sheet.templates" :key="what">
                        <span>{{ NAMES[what] }}</span>
                        <span class="forms">
                            <button
                                v-for="form in ['pdf', 'svg', 'dxf']"
                                :key="form"
                                type="button"
                                class="word"
                                :data-file="`${what}-${form}`"
                                :aria-label="`${NAMES[what]} as ${form.toUpperCase()}`"
                                @click="take(`template?tub=${of}&what=${what}&as=${form}`)"
                            >
                                {{ form.toUpperCase() }}
                            </button>
                        </span>
                    </li>
                    <li>
                        <span>All steps</span>
                        <span class="forms"
                            ><button
                                type="button"
                                class="word"
                                aria-label="All steps as PDF"
                                data-file="sheet-pdf"
                                @click="take(`build/print?tub=${of}&copy=${copy}`)"
                            >
                                PDF
                            </button></span
                        >
                    </li>
                </ul>
                <Caution class="print">Print at 100 %, and hold a rule to the bar on the page before you cut.</Caution>
                <template v-if="sheet.wall.length">
                    <h3>Up the wall, from the foot</h3>
                    <ul class="shed">
                        <li v-for="w in sheet.wall" :key="w.name">
                            <span>{{ w.name }}</span><span>{{ length(w.along_mm, garden.units.value) }}</span>
                        </li>
                    </ul>
                </template>
            </template>
        </template>
    </MarkPage>
</template>

<style scoped>
.steps {
    list-style: none;
    margin: 0 -0.5rem;
    padding: 0;
}
.steps li {
    display: flex;
    align-items: center;
    padding: 0 0.5rem;
}
.steps li.here {
    background: var(--ink);
    color: var(--paper);
}
.steps input {
    inline-size: 20px;
    block-size: 20px;
    flex: none;
    margin: 2px;
    accent-color: var(--kelp);
}
.steps button {
    flex: 1;
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 0.5rem;
    min-height: 30px;
    padding: 0.15rem 0 0.15rem 0.4rem;
    border: 0;
    background: none;
    color: inherit;
    font: inherit;
    font-size: 0.875rem;
    text-align: left;
    cursor: pointer;
}
.steps i {
    font-style: normal;
    font-size: 0.75rem;
    white-space: nowrap;
}
.again {
    font-size: 0.75rem;
    text-decoration: underline;
}
.bench {
    display: flex;
    flex-direction: column;
    flex: 1;
    min-height: 0;
    gap: 0.5rem;
}
.bench h2:focus {
    outline: none;
}
.does {
    max-width: 42rem;
}
.detail {
    position: relative;
    flex: 1 1 240px;
    min-height: 190px;
    display: flex;
    flex-direction: column;
}
.detail.jugs {
    flex: 0 1 auto;
    min-height: 0;
    margin: 1rem 0;
}
.look {
    flex: none;
    max-height: 46%;
    overflow-y: auto;
    border-top: 1px solid var(--rule);
    padding-top: 0.5rem;
    scrollbar-width: thin;
    scrollbar-color: var(--rule) transparent;
}
.look h3 {
    margin: 0.4rem 0 0.1rem;
}
.figures {
    display: flex;
    flex-wrap: wrap;
    gap: 0.2rem 1.4rem;
    margin: 0;
    font-size: 0.875rem;
}
.figures div {
    display: flex;
    gap: 0.4rem;
}
.figures dt {
    color: var(--faint);
}
.figures dd {
    margin: 0;
    font-weight: 600;
}
.measured {
    display: flex;
    flex-wrap: wrap;
    gap: 0.4rem 1rem;
    align-items: end;
    margin-top: 0.5rem;
}
.measured label {
    display: inline-flex;
    align-items: center;
    gap: 0.3rem;
    min-height: 28px;
}
.row {
    display: flex;
    align-items: center;
    gap: 1rem;
    margin-top: 0.5rem;
}
.to-list {
    display: none;
}
.plain,
.shed {
    list-style: none;
    margin: 0 0 0.7rem;
    padding: 0;
    font-size: 0.875rem;
}
.plain li {
    padding: 0.1rem 0;
}
.shed li {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 0.6rem;
    border-bottom: 1px solid var(--rule);
    min-height: 30px;
}
.forms {
    display: flex;
    gap: 0.7rem;
}
.forms .word {
    min-height: 28px;
    font-size: 0.8125rem;
    font-weight: 600;
}
.cautions {
    display: grid;
    gap: 0.5rem;
}
.time {
    display: grid;
    grid-template-columns: 1fr auto;
    align-items: baseline;
    border-block: 1px solid var(--rule);
    padding: 0.5rem 0;
    margin: 0.6rem 0;
}
.time b {
    font-family: var(--grotesque);
    font-size: 1.4rem;
}
.time .small {
    grid-column: 1 / -1;
}
.days {
    list-style: none;
    margin: 0 0 0.8rem;
    padding: 0;
    font-size: 0.875rem;
}
.days li {
    display: grid;
    grid-template-columns: 2.2rem 1fr auto;
    align-items: baseline;
    gap: 0 0.4rem;
    border-bottom: 1px solid var(--rule);
    padding: 0.2rem 0;
}
.days li.here {
    border-inline-start: 3px solid var(--ink);
    padding-inline-start: 0.35rem;
}
.days b {
    text-align: right;
    font-variant-numeric: tabular-nums;
}
.days .word {
    min-height: 0;
    padding: 0;
    text-align: left;
    font-size: inherit;
}
.days i {
    font-style: normal;
    white-space: nowrap;
}
.if-not {
    font-size: 0.875rem;
}
.note {
    display: grid;
    gap: 0.2rem;
    font-size: 0.875rem;
    font-weight: 600;
    margin-bottom: 0.8rem;
}
.note textarea {
    font: inherit;
    font-weight: 400;
    border: 1px solid var(--ink);
    background: var(--sheet);
    color: var(--ink);
    padding: 0.3rem 0.5rem;
    resize: vertical;
}
.print {
    margin: 0.6rem 0 0.8rem;
}
.wrong {
    color: var(--stop-text);
}
@media (max-width: 760px) {
    .look {
        max-height: none;
        overflow: visible;
    }
    .detail {
        flex: none;
        height: 300px;
    }
    .detail.jugs {
        height: auto;
    }
    .row {
        position: sticky;
        /* Above the bar at the foot of a phone. */
        bottom: 53px;
        background: var(--paper);
        padding: 0.4rem 0;
    }
    .to-list {
        display: inline;
    }
    .row button,
    .steps button,
    .days .word,
    .forms .word {
        min-height: 44px;
        min-width: 44px;
    }
    .row .strong {
        flex: 1;
        text-align: center;
        min-height: 52px;
    }
}
@media print {
    .row,
    .note {
        display: none;
    }
}
</style>
