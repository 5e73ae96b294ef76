<script setup lang="ts">
/** What lights a tub besides hours: the lamp over the garden or one of its own, and the window it stands at. */
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
type Lamp = NonNullable<Site['lamp']>;
const site = computed<Site>(() => garden.document.value.site ?? {});
const light = computed(() => garden.tubReport.value?.light ?? null);
const ownLamp = computed(() => garden.tub.value?.lamp ?? null);
/** The lamp that lights this tub: its own, or that of the garden. */
const lamp = computed(() => ownLamp.value ?? site.value.lamp ?? null);
function lampsFor(hung: Lamp | null, none: string): { value: string; name: string }[] {
    return [
        { value: NONE, name: none },
        ...named(garden.library.lamps),
        ...(hung && keyOf(hung) === null ? [{ value: OWN, name: (typeof hung === 'object' && hung.name) || 'Your own lamp' }] : []),
    ];
}
const chosen = (hung: Lamp | null): string => (hung ? (keyOf(hung) ?? OWN) : NONE);
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
/** The lamp of the garden or, where it is asked for, of this tub alone. */
function set(what: string, tubAlone: boolean, hung: Lamp | null): void {
    const put = (of: { lamp?: Lamp | null }): void => {
        if (hung === null) delete of.lamp;
        else of.lamp = hung;
    };
    if (tubAlone) garden.changeTub(what, put);
    else change(what, put);
}
function hang(key: string | null, tubAlone: boolean): void {
    if (key === null || key === OWN) return;
    set(key === NONE ? 'take the lamp down' : 'hang a lamp', tubAlone, key === NONE ? null : key);
}
/** A lamp of the Library that hangs otherwise stands in the garden itself. */
function hangAt(height: number): void {
    const key = lamp.value === null ? null : keyOf(lamp.value);
    const item = key === null ? lamp.value : garden.library.lamps.find((l) => l.key === key);
    if (item && typeof item === 'object') set('hang the lamp otherwise', ownLamp.value !== null, { ...item, height_mm: height });
}
</script>

<template>
    <Pick
        label="Lamp over the garden"
        :model-value="chosen(site.lamp ?? null)"
        :options="lampsFor(site.lamp ?? null, 'None, by hours')"
        :hint="ownLamp ? 'This tub has its own.' : says"
        @update:model-value="(key) => hang(key, false)"
    />
    <Pick
        label="Lamp over this tub"
        :model-value="chosen(ownLamp)"
        :options="lampsFor(ownLamp, 'As over the garden')"
        :hint="ownLamp ? says : ''"
        @update:model-value="(key) => hang(key, true)"
    />
    <Measure
        v-if="light?.lamp"
        label="Over the leaves"
        dimension="length"
        :model-value="light.lamp.height_mm"
        :at="ownLamp ? `/tubs/${garden.index.value}/lamp/height_mm` : '/site/lamp/height_mm'"
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
