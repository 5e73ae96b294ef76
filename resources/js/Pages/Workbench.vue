<script setup lang="ts">
/** The workbench of one garden: the tide staff, the bench, and the marks of the chosen tub. */
import { Head, router } from '@inertiajs/vue3';
import { computed, reactive, ref, watch } from 'vue';
import Bench from '../bench/Bench.vue';
import { OpenGarden, provideGarden } from '../kit/garden';
import { useShortcuts } from '../kit/keys';
import { offered } from '../kit/offer';
import { loadRest, type Library } from '../kit/library';
import { usePanel, usePlaces } from '../kit/places';
import { isMark, MARKS, type Mark } from '../marks';
import KeysDialog from '../shell/KeysDialog.vue';
import NextUp from '../shell/NextUp.vue';
import Notices from '../shell/Notices.vue';
import Reckoned from '../shell/Reckoned.vue';
import PhoneBar from '../shell/PhoneBar.vue';
import TubScope from '../shell/TubScope.vue';
import TideStaff from '../shell/TideStaff.vue';
import TopBar from '../shell/TopBar.vue';

const props = defineProps<{
    id: string;
    revision: number;
    document: string;
    report: string;
    library: Library;
    before: { tub: string; what: string; now: string; before: string }[];
}>();

const library = reactive(props.library) as Library;
void loadRest(library);
const garden = provideGarden(new OpenGarden(props.id, props.revision, props.document, props.report, library));
const keys = ref(false);
/** What another page found for this garden is put in as it opens. */
const found = offered(props.id);
if (found) garden.apply(found.says, found.patch);

/** The address says which tub and mark are open, so that a link, a reload and the way back come to them. */
const mark = ref<Mark | 'bench'>('bench');
const home = `/gardens/${props.id}`;

const isHere = (tub: string | undefined): tub is string => garden.document.value.tubs?.some((t) => t.id === tub) ?? false;

/** Goes where an address says; false where that is not of this page, as the garden's history is not. */
function open(path: string): boolean {
    const [tub, to, more] = path
        .slice(home.length + 1)
        .split('/')
        .map(decodeURIComponent);
    const isOurs = path === home || (path.startsWith(`${home}/`) && isMark(to) && more === undefined);
    if (!isOurs) return false;
    if (isHere(tub)) garden.choose(tub);
    mark.value = isHere(tub) && isMark(to) ? to : 'bench';
    return true;
}
if (!open(window.location.pathname)) {
    const [tub] = window.location.pathname
        .slice(home.length + 1)
        .split('/')
        .map(decodeURIComponent);
    if (isHere(tub)) garden.choose(tub);
}

watch(garden.selected, (tub) => {
    if (tub === null) mark.value = 'bench';
});
usePlaces(() => {
    const tub = garden.selected.value;
    return mark.value === 'bench' || tub === null ? home : `${home}/${encodeURIComponent(tub)}/${mark.value}`;
}, open);
usePanel('keys', keys);

const page = computed(() => MARKS.find((m) => m.key === mark.value)?.page);
const empty = computed(() => (garden.document.value.tubs ?? []).length === 0);
const findings = computed(() => (mark.value === 'bench' ? garden.report.value.findings : garden.findings.value));

/** Whether what is looked at grows something: the tub, or on the bench every one of them. */
const planted = computed(() =>
    garden.report.value.tubs
        .filter((tub) => mark.value === 'bench' || tub.id === garden.selected.value)
        .every((tub) => tub.shape.crops.length > 0),
);

function go(to: string): void {
    mark.value = !empty.value && isMark(to) ? to : 'bench';
}

function choose(tub: string): void {
    garden.choose(tub);
    if (mark.value === 'bench') mark.value = 'tub';
}

function neighbour(by: number): void {
    const tubs = garden.document.value.tubs ?? [];
    const next = tubs[(garden.index.value + by + tubs.length) % tubs.length];
    if (next) garden.choose(next.id);
}

useShortcuts((key) => {
    const digit = MARKS.find((m) => String(m.digit) === key);
    if (digit) go(digit.key);
    else if (key === '0') go('bench');
    else if (key === '[') neighbour(-1);
    else if (key === ']') neighbour(1);
    else if (key === 'u')
        garden.change('change units', (g) => {
            g.units = garden.units.value === 'us' ? 'metric' : 'us';
        });
    else if (key === '/') router.visit('/library/vessels');
    else if (key === 'undo') garden.undo();
    else if (key === 'redo') garden.redo();
    else if (key === '?') keys.value = true;
    else return false;
    return true;
});
</script>

<template>
    <Head :title="garden.document.value.name ?? 'Garden'" />
    <div class="bench-page">
        <TideStaff :mark="mark" :findings="findings" :empty="empty" :planted="planted" @go="go" />
        <div class="right">
            <TopBar :on-bench="mark === 'bench'" @choose="choose" @keys="keys = true" />
            <Notices />
            <Reckoned :before="before" />
            <NextUp :mark="mark" @go="go" />
            <main>
                <Bench
                    v-if="mark === 'bench'"
                    @choose="choose"
                    @go="
                        (tub, to) => {
                            garden.choose(tub);
                            go(to);
                        }
                    "
                />
                <TubScope
                    v-else-if="garden.tub.value && garden.tubReport.value"
                    :key="`${garden.selected.value} ${mark}`"
                    :tub="garden.tub.value.id"
                    :mark="mark"
                >
                    <component :is="page" />
                </TubScope>
            </main>
        </div>
        <PhoneBar :mark="mark" :findings="findings" :empty="empty" @go="go" />
        <KeysDialog v-model:visible="keys" />
    </div>
</template>

<style scoped>
.bench-page {
    display: flex;
    height: 100vh;
    height: 100dvh;
    overflow: hidden;
}
.right {
    flex: 1;
    min-width: 0;
    display: flex;
    flex-direction: column;
}
main {
    flex: 1;
    min-height: 0;
}
@media (max-width: 760px) {
    .bench-page {
        display: block;
        height: auto;
        overflow: visible;
    }
    main {
        padding-bottom: 56px;
    }
}
</style>
