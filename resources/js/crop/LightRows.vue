<script setup lang="ts">
/** What lights the garden besides hours: a lamp over it, and the window it stands at. */
import { computed } from 'vue';
import { number } from '../kit/format';
import { useGarden } from '../kit/garden';
import { keyOf, named } from '../kit/library';
import Measure from '../kit/Measure.vue';
import Pick from '../kit/Pick.vue';
import type { Garden } from '../types/garden';

const garden = useGarden();
const NONE = 'none';
const OWN = 'own';
type Site = NonNullable<Garden['site']>;
const site = computed<Site>(() => garden.document.value.site ?? {});
const lamp = computed(() => site.value.lamp ?? null);
const light = computed(() => garden.tubReport.value?.light ?? null);
const lamps = computed(() => [
    { value: NONE, name: 'None: light by its hours' },
    ...named(garden.library.lamps),
    ...(lamp.value && keyOf(lamp.value) === null ? [{ value: OWN, name: light.value?.lamp?.name ?? 'Your own lamp' }] : []),
]);
const WINDOWS = [
    { value: NONE, name: 'None' },
    { value: 'south', name: 'To the south' },
    { value: 'east', name: 'To the east' },
    { value: 'west', name: 'To the west' },
    { value: 'north', name: 'To the north' },
];
const says = computed(() => {
    const l = light.value?.lamp;
    return l
        ? `${number(l.ppfd, 0, 'µmol/m²s')} on ${number(l.field_m2, 2, 'm²')}; ${number(l.beside_pct, 0, '%')} falls beside this tub. ` +
              `${number(l.kwh_month, 1, 'kWh')} a month.`
        : '';
});

function change(what: string, edit: (site: Site) => void): void {
    garden.change(what, (g) => edit((g.site ??= {})));
}
function hang(key: string | null): void {
    if (key === null || key === OWN) return;
    change(key === NONE ? 'take the lamp down' : 'hang a lamp', (s) => {
        if (key === NONE) delete s.lamp;
        else s.lamp = key;
    });
}
/** A lamp of the Library that hangs otherwise stands in the garden itself. */
function hangAt(height: number): void {
    const key = lamp.value === null ? null : keyOf(lamp.value);
    const item = key === null ? lamp.value : garden.library.lamps.find((l) => l.key === key);
    if (item && typeof item === 'object')
        change('hang the lamp otherwise', (s) => {
            s.lamp = { ...item, height_mm: height };
        });
}
</script>

<template>
    <Pick label="Lamp over it" :model-value="lamp ? (keyOf(lamp) ?? OWN) : NONE" :options="lamps" :hint="says" @update:model-value="hang" />
    <Measure
        v-if="light?.lamp"
        label="Over the leaves"
        dimension="length"
        :model-value="light.lamp.height_mm"
        at="/site/lamp/height_mm"
        @update:model-value="(v) => v !== null && v > 0 && hangAt(v)"
    />
    <Pick
        v-if="(site.setting ?? 'indoor') === 'indoor'"
        label="At a window"
        :model-value="site.window ?? NONE"
        :options="WINDOWS"
        @update:model-value="
            (v) =>
                v &&
                change('change the window', (s) => {
                    s.window = v === NONE ? null : (v as 'south');
                })
        "
    />
</template>
