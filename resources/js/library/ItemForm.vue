<script setup lang="ts">
/** The measures of one item, as fields; each change goes up as a new draft. */
import Field from '../kit/Field.vue';
import Caution from '../kit/Caution.vue';
import { computed } from 'vue';
import CupMeasures from '../kit/CupMeasures.vue';
import Measure from '../kit/Measure.vue';
import Pick from '../kit/Pick.vue';
import StationFields from '../kit/StationFields.vue';
import Toggle from '../kit/Toggle.vue';
import { measured } from '../kit/edits';
import type { Cup, Lid, Station, Vessel } from '../types/garden';
import type { CropColumns, Draft, Kind } from './shelves';
import { vShown } from '../kit/shown';

const props = defineProps<{ kind: Kind; item: Draft; crop: CropColumns }>();
const emit = defineEmits<{ change: [item: Draft] }>();

function set(key: string, value: unknown): void {
    emit('change', { ...props.item, [key]: value });
}

const stations = computed(() => (props.item.stations ?? []) as Station[]);
const round = computed(() => stations.value[0]?.diameter_mm !== undefined);
const lid = computed(() => (props.item.lid ?? {}) as Lid);
const setLid = (change: Partial<Lid>): void => set('lid', { ...lid.value, ...change });
/** Its lid goes with the rim until it was measured itself. */
function setStation(i: number, change: Partial<Station>): void {
    const vessel = JSON.parse(JSON.stringify(props.item)) as Exclude<Vessel, string>;
    measured(vessel, (v) => Object.assign(v.stations[i]!, change));
    emit('change', vessel as unknown as Draft);
}

/** Round becomes square of the same width, and back. */
function setShape(shape: 'round' | 'square'): void {
    if ((shape === 'round') === round.value) return;
    const turn = (s: Station): Station =>
        shape === 'round'
            ? { height_mm: s.height_mm, diameter_mm: s.width_mm ?? 200 }
            : { height_mm: s.height_mm, length_mm: s.diameter_mm ?? 200, width_mm: s.diameter_mm ?? 200, corner_radius_mm: 20 };
    const { diameter_mm, length_mm, width_mm, corner_radius_mm, ...rest } = lid.value;
    const size = diameter_mm ?? width_mm ?? 220;
    emit('change', {
        ...props.item,
        stations: stations.value.map(turn),
        lid:
            shape === 'round'
                ? { ...rest, diameter_mm: size }
                : { ...rest, length_mm: length_mm ?? size, width_mm: size, corner_radius_mm: corner_radius_mm ?? 25 },
    });
}

/** The crop table's columns, group by group, as the schema has them. */
const groups = computed(() => {
    const asked = Object.entries(props.crop).flatMap(([key, column]) =>
        column['x-form'] ? [{ key, options: column.enum, ...column['x-form'] }] : [],
    );
    return [...new Set(asked.map((field) => field.group))].map((name) => ({ name, fields: asked.filter((field) => field.group === name) }));
});
const said = (field: { words?: Record<string, string> }, value: string): string =>
    field.words?.[value] ?? value.charAt(0).toUpperCase() + value.slice(1);

function typed(key: string, event: Event): void {
    const field = event.target as HTMLInputElement;
    const value = Number(field.value.trim().replace(',', '.'));
    if (field.value.trim() !== '' && Number.isFinite(value)) set(key, value);
    else field.value = String(props.item[key] ?? '');
}
const n = (key: string): number | null => (typeof props.item[key] === 'number' ? (props.item[key] as number) : null);
const words = (list: string[]): { value: string; name: string }[] =>
    list.map((value) => ({ value, name: value.charAt(0).toUpperCase() + value.slice(1) }));
</script>

<template>
    <div class="fields">
        <Field id="item-name" label="Name"
            ><input
                id="item-name"
                class="text"
                maxlength="120"
                :value="item.name"
                @input="set('name', ($event.target as HTMLInputElement).value)"
            />
        </Field>
        <template v-if="kind === 'cups'">
            <CupMeasures
                :model-value="item as unknown as Exclude<Cup, string>"
                at=""
                @update:model-value="(cup) => emit('change', cup as unknown as Draft)"
            />
            <Caution v-if="item.made === 'home'">
                Cut slots away from you, on something solid; hot iron only outdoors or by an open window. Food-safe pots only.
            </Caution>
        </template>
        <Measure
            v-if="kind === 'saws'"
            label="Diameter"
            dimension="length"
            :model-value="n('diameter_mm')"
            at="/diameter_mm"
            @update:model-value="(v) => v !== null && set('diameter_mm', v)"
        />
        <template v-if="kind === 'vessels'">
            <Pick
                label="Kind"
                :model-value="String(item.kind ?? 'other')"
                :options="words(['bucket', 'tote', 'jar', 'bottle', 'tray', 'other'])"
                @update:model-value="(v) => set('kind', v)"
            />
            <Toggle
                label="Shape"
                :model-value="round ? 'round' : 'square'"
                :options="[
                    { value: 'round', name: 'Round' },
                    { value: 'square', name: 'Rectangular' },
                ]"
                @update:model-value="setShape"
            />
            <Measure
                label="Sold as"
                dimension="volume"
                optional
                :model-value="n('label_l')"
                at="/label_l"
                @update:model-value="(v) => set('label_l', v)"
            />
            <Measure
                label="Weighs, empty"
                dimension="mass"
                :model-value="(n('empty_kg') ?? 0) * 1000"
                at="/empty_kg"
                @update:model-value="(v) => v !== null && set('empty_kg', v / 1000)"
            />
            <Measure
                v-if="item.kind === 'bottle'"
                label="Cut it at"
                dimension="length"
                optional
                :model-value="n('cut_mm')"
                at="/cut_mm"
                @update:model-value="(v) => set('cut_mm', v)"
            />
            <Toggle
                label="Walls"
                :model-value="String(item.opacity ?? 'opaque')"
                :options="words(['opaque', 'translucent', 'clear'])"
                @update:model-value="(v) => set('opacity', v)"
            />
            <StationFields
                :stations="stations"
                at="/stations"
                @change="(i, key, value) => setStation(i, { [key]: value })"
                @remove="
                    (i) =>
                        set(
                            'stations',
                            stations.filter((_, j) => j !== i),
                        )
                "
                @add="(station) => set('stations', [...stations.slice(0, -1), station, stations.at(-1)])"
            />
            <fieldset class="ruled">
                <legend>Lid, outside</legend>
                <Measure
                    v-if="round"
                    label="Ø"
                    dimension="length"
                    :model-value="lid.diameter_mm ?? null"
                    at="/lid/diameter_mm"
                    @update:model-value="(v) => v !== null && setLid({ diameter_mm: v, measured: true })"
                />
                <template v-else>
                    <Measure
                        label="Length"
                        dimension="length"
                        :model-value="lid.length_mm ?? null"
                        at="/lid/length_mm"
                        @update:model-value="(v) => v !== null && setLid({ length_mm: v, measured: true })"
                    />
                    <Measure
                        label="Width"
                        dimension="length"
                        :model-value="lid.width_mm ?? null"
                        at="/lid/width_mm"
                        @update:model-value="(v) => v !== null && setLid({ width_mm: v, measured: true })"
                    />
                </template>
                <Measure
                    label="Thickness"
                    dimension="length"
                    :model-value="lid.thickness_mm ?? 2.5"
                    at="/lid/thickness_mm"
                    @update:model-value="(v) => v !== null && setLid({ thickness_mm: v })"
                />
                <Toggle
                    label="Make"
                    :model-value="lid.make ?? 'plain'"
                    :options="[
                        { value: 'ribbed', name: 'Ribbed' },
                        { value: 'plain', name: 'Plain' },
                        { value: 'thin', name: 'Thin' },
                    ]"
                    @update:model-value="(v) => setLid({ make: v })"
                />
            </fieldset>
        </template>
        <template v-if="kind === 'crops'">
            <fieldset v-for="g in groups" :key="g.name" class="ruled">
                <legend>{{ g.name }}</legend>
                <template v-for="f in g.fields" :key="f.key">
                    <Pick
                        v-if="f.options"
                        :label="f.name"
                        :model-value="String(item[f.key])"
                        :options="f.options.map((value) => ({ value, name: said(f, value) }))"
                        @update:model-value="(v) => set(f.key, v)"
                    />
                    <Measure
                        v-else-if="f.dimension"
                        :label="f.name"
                        :dimension="f.dimension"
                        :model-value="n(f.key)"
                        :at="`/${f.key}`"
                        @update:model-value="(v) => v !== null && set(f.key, v)"
                    />
                    <Field v-else :id="`f-${f.key}`" :label="f.unit ? `${f.name}, ${f.unit}` : f.name" beside>
                        <input
                            :id="`f-${f.key}`"
                            class="text"
                            inputmode="decimal"
                            v-shown="item[f.key] as number"
                            @change="typed(f.key, $event)"
                        />
                    </Field>
                </template>
            </fieldset>
        </template>
    </div>
</template>

<style scoped>
.fields {
    display: grid;
    gap: 0.6rem;
    grid-template-columns: minmax(0, 1fr);
}
</style>
