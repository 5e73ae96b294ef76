<script setup lang="ts">
/** What is due over all gardens, late ones first, with amounts and a tick; beside it how each planted tub stands today. */
import { Link } from '@inertiajs/vue3';
import { computed, onMounted, onScopeDispose, ref, watch } from 'vue';
import { type Units, volume } from '../kit/format';
import { useTurns } from '../kit/turns';
import { spoken, wallClock } from '../kit/dates';
import { isWorthSaying, type Item, type Today, withLooksTogether } from './diary';
import ItemRow from './ItemRow.vue';
import LookRow from './LookRow.vue';
import { outbox } from './outbox';
import { tickOff } from './tick';

interface DueTub {
    tub: string;
    copy: number;
    count: number;
    name: string;
    today: Today | null;
    rim_mm: number;
    items: Item[];
}
interface DueGarden {
    id: string;
    name: string;
    units: Units;
    tubs: DueTub[];
}

const gardens = ref<DueGarden[] | null>(null);
const wrong = ref('');
const turns = useTurns();
async function ask(): Promise<void> {
    const answer = await turns.ask<{ gardens: DueGarden[] }>(`due?now=${wallClock()}`, { method: 'GET' });
    if (!answer) return;
    if (answer.kind === 'done') gardens.value = answer.data.gardens;
    wrong.value = answer.kind === 'done' ? '' : 'message' in answer ? answer.message : '';
}
onMounted(() => void ask());
const again = (): void => void (document.visibilityState === 'visible' && ask());
window.addEventListener('focus', again);
onScopeDispose(() => window.removeEventListener('focus', again));
watch(outbox.kept, () => void ask());

const now = wallClock().slice(0, 10);
interface Row {
    garden: DueGarden;
    tub: DueTub;
    item: Item;
}
const MOST = 8;
const more = ref(false);
const ticked = ref(new Set<string>());
const rows = computed<Row[]>(() =>
    (gardens.value ?? [])
        .flatMap((garden) => garden.tubs.flatMap((tub) => tub.items.map((item) => ({ garden, tub, item }))))
        .filter((row) => isWorthSaying(row.item, now) && !ticked.value.has(`${row.garden.id} ${row.item.key}`))
        .sort((a, b) => a.item.date.localeCompare(b.item.date)),
);
const together = computed(() => withLooksTogether(rows.value, (row) => row.item));
const shown = computed(() => (more.value ? together.value : together.value.slice(0, MOST)));
const keyOf = (row: Row): string => `${row.garden.id} ${row.item.key}`;
const looksOf = (looks: Row[]) => looks.map((row) => ({ key: keyOf(row), item: row.item, where: where(row) }));
function tickLooks(looks: Row[], keys: string[]): void {
    for (const row of looks) if (keys.includes(keyOf(row))) void tick(row, null);
}
const late = computed(() => rows.value.filter((row) => row.item.late).length);
async function tick(row: Row, grams: number | null): Promise<void> {
    ticked.value = new Set([...ticked.value, `${row.garden.id} ${row.item.key}`]);
    await tickOff(row.garden.id, row.item, grams);
}
const where = (row: Row): string =>
    `${row.tub.name}${row.tub.count > 1 ? ` ${row.tub.copy}` : ''}${(gardens.value?.length ?? 0) > 1 ? `, ${row.garden.name}` : ''}`;
/** A stem with two pairs of leaves, from the lid up. */
const SPROUT = ['M0 0V-8M0 -4q-8 -7 -10 0q5 4 10 1M0 -4q8 -7 10 0q-5 4 -10 1', 'M0 -8q-5 -5 -6 0q3 3 6 1M0 -8q5 -5 6 0q-3 3 -6 1'].join('');
const LOOKS = { well: '', pale: 'poorly', wilting: 'wilts', dead: 'dead' };
</script>

<template>
    <section v-if="gardens && gardens.length" class="due" aria-label="What is due">
        <div class="list">
            <h2>
                Due <span v-if="late" class="alarm">{{ late }} late</span>
            </h2>
            <ul v-if="shown.length" class="plain">
                <template v-for="row in shown" :key="Array.isArray(row) ? 'looks' : keyOf(row)">
                    <LookRow
                        v-if="Array.isArray(row)"
                        :looks="looksOf(row)"
                        :today="now"
                        :units="row[0]!.garden.units"
                        @tick="(keys) => tickLooks(row, keys)"
                    />
                    <ItemRow
                        v-else
                        :data-of="row.garden.id"
                        :item="row.item"
                        :today="now"
                        :units="row.garden.units"
                        :where="where(row)"
                        @tick="(grams) => tick(row, grams)"
                    />
                </template>
            </ul>
            <p v-else class="faint">Nothing for a week.</p>
            <button v-if="together.length > MOST" type="button" class="word" data-act="all-due" @click="more = !more">
                {{ more ? 'Fewer' : `All ${together.length} of these days` }}
            </button>
        </div>
        <div class="stand">
            <h2>Today, {{ spoken(now) }}</h2>
            <ul class="tubs">
                <template v-for="g in gardens" :key="g.id">
                    <li v-for="t in g.tubs" :key="`${g.id} ${t.tub} ${t.copy}`" :data-stands="`${t.tub}.${t.copy}`">
                        <Link :href="`/gardens/${g.id}/${encodeURIComponent(t.tub)}/log`">
                            <svg viewBox="0 0 44 46" width="44" height="46" aria-hidden="true">
                                <g v-if="t.today">
                                    <rect
                                        x="6"
                                        :y="14 + 30 * (1 - Math.min(1, t.today.level_mm / t.rim_mm))"
                                        width="32"
                                        :height="30 * Math.min(1, t.today.level_mm / t.rim_mm)"
                                        class="w"
                                        :class="{ low: t.today.low }"
                                    />
                                    <path
                                        :transform="`translate(22 14) scale(${0.35 + 0.65 * t.today.growth})`"
                                        :d="SPROUT"
                                        class="p"
                                        :class="t.today.looks"
                                    />
                                </g>
                                <path d="M3 14h38M6 14v30h32v-30" class="t" />
                            </svg>
                            <span
                                ><b>{{ t.name }}{{ t.count > 1 ? ` ${t.copy}` : '' }}</b>
                                <span class="small" :class="t.today?.low ? 'alarm' : 'faint'">
                                    {{ t.today ? `${volume(t.today.volume_l, g.units)} ${LOOKS[t.today.looks]}` : 'not planted yet' }}
                                </span></span
                            >
                        </Link>
                    </li>
                </template>
            </ul>
        </div>
    </section>
    <p v-else-if="wrong" class="small wrong">{{ wrong }}</p>
</template>

<style scoped>
.due {
    display: grid;
    grid-template-columns: minmax(0, 1.25fr) minmax(0, 1fr);
    gap: 1.6rem;
    padding-bottom: 1.4rem;
    margin-bottom: 1.4rem;
    border-bottom: 1px solid var(--ink);
}
.plain,
.tubs {
    list-style: none;
    margin: 0.4rem 0 0;
    padding: 0;
}
.tubs {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
    gap: 0.5rem;
}
.tubs a {
    display: flex;
    gap: 0.5rem;
    align-items: flex-end;
    color: var(--ink);
    text-decoration: none;
    min-height: 48px;
}
.tubs a:hover b {
    text-decoration: underline;
}
.tubs a > span {
    display: grid;
    line-height: 1.2;
}
svg {
    flex: none;
}
.t {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.6;
}
.w {
    fill: var(--water-wash);
}
.w.low {
    fill: color-mix(in srgb, var(--stop) 35%, var(--sheet));
}
.p {
    fill: var(--kelp);
    stroke: var(--kelp);
}
.p.pale {
    fill: var(--pale);
    stroke: var(--pale);
}
.p.wilting,
.p.dead {
    fill: var(--wilted);
    stroke: var(--wilted);
}
.alarm {
    color: var(--stop-text);
    font-weight: 600;
}
h2 .alarm {
    font-size: 0.875rem;
}
.wrong {
    color: var(--stop-text);
}
@media (max-width: 760px) {
    .due {
        grid-template-columns: minmax(0, 1fr);
    }
}
</style>
