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
import { number } from '../kit/format';
import ReadField from '../kit/ReadField.vue';
import { readDose, type Understood } from '../kit/reader';
import type { Cup, Lid, Station, Vessel } from '../types/garden';
import type { CropColumns, Draft, Kind } from './shelves';
import NumberField from '../kit/NumberField.vue';

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

interface Part {
    name: string;
    ml_per_l?: number;
    g_per_l?: number;
    label?: string | null;
    ec_per_unit?: number | null;
    density_g_ml?: number | null;
}
const parts = computed(() => (props.item.parts ?? []) as Part[]);
const setPart = (i: number, change: Partial<Part>): void =>
    set(
        'parts',
        parts.value.map((part, at) => (at === i ? { ...part, ...change } : part)),
    );
function dose(i: number, reading: Understood, label: string): void {
    const { ml_per_l: _, g_per_l: __, ...rest } = parts.value[i] ?? { name: '' };
    const read = reading.unit === 'mL/L' ? { ml_per_l: reading.value } : { g_per_l: reading.value };
    set(
        'parts',
        parts.value.map((part, at) => (at === i ? { ...rest, ...read, label } : part)),
    );
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
                :least="0"
                above
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
                :least="0"
                above
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
        <template v-if="kind === 'pumps'">
            <template v-if="!item.curve">
                <Measure
                    label="Free flow"
                    dimension="air-flow"
                    :model-value="n('free_flow_l_min')"
                    at="/free_flow_l_min"
                    @update:model-value="(v) => v !== null && set('free_flow_l_min', v)"
                />
                <Measure
                    label="Pressure at no flow"
                    dimension="pressure"
                    :model-value="n('max_pressure_kpa')"
                    at="/max_pressure_kpa"
                    @update:model-value="(v) => v !== null && set('max_pressure_kpa', v)"
                />
            </template>
            <p v-else class="small faint">It goes by the curve that is drawn; in the JSON form its points can be changed.</p>
            <Measure
                label="Power"
                dimension="power"
                :model-value="n('power_w')"
                at="/power_w"
                @update:model-value="(v) => v !== null && set('power_w', v)"
            />
            <Field id="f-outlets" label="Outlets" beside>
                <NumberField id="f-outlets" name="outlets" :least="1" whole :value="n('outlets')" :set="(v) => set('outlets', v)" />
            </Field>
            <Pick
                label="Runs on"
                :model-value="String(item.supply ?? 'mains')"
                :options="[
                    { value: 'mains', name: 'Mains' },
                    { value: '12v', name: '12 V' },
                    { value: 'battery', name: 'A battery inside' },
                    { value: 'solar', name: 'A panel of its own' },
                ]"
                @update:model-value="(v) => set('supply', v)"
            />
            <Field id="f-noise" label="Noise at 1 m, dB" beside>
                <NumberField id="f-noise" name="noise_db" :value="n('noise_db')" :set="(v) => set('noise_db', v)" />
            </Field>
        </template>
        <template v-if="kind === 'stones'">
            <Toggle
                label="Bubbles"
                :model-value="String(item.bubble ?? 'medium')"
                :options="words(['coarse', 'medium', 'fine'])"
                @update:model-value="(v) => set('bubble', v)"
            />
            <Measure
                label="Length"
                dimension="length"
                :model-value="n('length_mm')"
                at="/length_mm"
                @update:model-value="(v) => v !== null && set('length_mm', v)"
            />
            <Measure
                label="Works from"
                dimension="air-flow"
                :model-value="n('min_l_min')"
                at="/min_l_min"
                @update:model-value="(v) => v !== null && set('min_l_min', v)"
            />
            <Measure
                label="Made for up to"
                dimension="air-flow"
                :model-value="n('max_l_min')"
                at="/max_l_min"
                @update:model-value="(v) => v !== null && set('max_l_min', v)"
            />
            <Field id="f-resistance" label="Resists, kPa per L/min" beside>
                <NumberField
                    id="f-resistance"
                    name="resistance_kpa_per_l_min"
                    :value="n('resistance_kpa_per_l_min')"
                    :set="(v) => set('resistance_kpa_per_l_min', v)"
                />
            </Field>
        </template>
        <template v-if="kind === 'feeds'">
            <fieldset v-for="(part, i) in parts" :key="i" class="ruled">
                <legend>Part {{ part.name }}</legend>
                <Field :id="`f-label-${i}`" label="Dose, as it stands on the packet">
                    <ReadField
                        :id="`f-label-${i}`"
                        :name="`dose ${i}`"
                        placeholder="3/4 tsp per gallon"
                        :shown="part.label ?? ''"
                        :read="(text) => readDose(text, 'metric')"
                        :take="(reading, text) => dose(i, reading, text)"
                    />
                </Field>
                <p class="small faint">
                    {{ part.ml_per_l ? number(part.ml_per_l, 3, 'mL/L') : number(part.g_per_l ?? 0, 3, 'g/L') }}
                </p>
                <Field :id="`f-ec-${i}`" :label="`mS/cm of 1 ${part.ml_per_l ? 'mL' : 'g'} in a litre`" beside>
                    <NumberField
                        :id="`f-ec-${i}`"
                        :name="`ec_per_unit of part ${i}`"
                        :least="0"
                        above
                        optional
                        :value="part.ec_per_unit ?? null"
                        :set="(v) => setPart(i, { ec_per_unit: v })"
                    />
                </Field>
                <Field :id="`f-density-${i}`" label="g in a mL" beside>
                    <NumberField
                        :id="`f-density-${i}`"
                        :name="`density_g_ml of part ${i}`"
                        :least="0"
                        above
                        optional
                        :value="part.density_g_ml ?? null"
                        :set="(v) => setPart(i, { density_g_ml: v })"
                    />
                </Field>
            </fieldset>
            <div class="row">
                <button
                    v-if="parts.length < 3"
                    type="button"
                    class="word"
                    @click="set('parts', [...parts, { name: 'ABC'[parts.length], ml_per_l: 1 }])"
                >
                    One more part
                </button>
                <button v-if="parts.length > 1" type="button" class="word" @click="set('parts', parts.slice(0, -1))">One less</button>
            </div>
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
                        <NumberField :id="`f-${f.key}`" :name="f.key" :value="n(f.key)" :set="(v) => set(f.key, v)" />
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
.row {
    display: flex;
    gap: 1rem;
}
.wrong {
    color: var(--stop-text);
}
</style>
