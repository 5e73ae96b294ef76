<script setup lang="ts">
/** A feed of one's own from its packet: up to three parts, each dose as it stands there. It is kept in the garden's file. */
import { readBare } from '../kit/bare';
import { computed, reactive, ref } from 'vue';
import { number } from '../kit/format';
import { useGarden } from '../kit/garden';
import { setFeed } from '../kit/edits';
import { deeds } from '../kit/deeds';
import ReadField from '../kit/ReadField.vue';
import { readDose, type Understood } from '../kit/reader';

interface Line {
    name: string;
    label: string;
    ec: string;
    density: string;
    understood: string;
    dose: { ml_per_l?: number; g_per_l?: number } | null;
}

const garden = useGarden();
const name = ref('My feed');
const blank = (letter: string): Line => ({ name: letter, label: '', ec: '', density: '', understood: '', dose: null });
const lines = reactive<Line[]>([blank('A')]);
const ready = computed(
    () => lines.length > 0 && lines.every((l) => l.dose !== null) && name.value.trim() !== '' && wrong.value.length === 0,
);

function understand(line: Line, reading: Understood, label: string): void {
    line.label = label;
    line.dose = reading.unit === 'mL/L' ? { ml_per_l: reading.value } : { g_per_l: reading.value };
    line.understood = `${number(reading.value, 3, reading.unit)}${reading.note ? `; ${reading.note}` : ''}`;
}
/** What stands in a field that may be left empty. */
const known = (text: string): ReturnType<typeof readBare> => readBare(text, { least: 0, most: 20, above: true, optional: true });
const decimal = (text: string): number | null => {
    const read = known(text);
    return 'value' in read ? read.value : null;
};
const wrong = computed(() =>
    lines.flatMap((l) => [l.ec, l.density]).flatMap((text) => [known(text)].flatMap((r) => ('error' in r ? [r.error] : []))),
);
function take(): void {
    if (!ready.value) return;
    const product = {
        name: name.value.trim().slice(0, 120),
        order: lines.map((l) => l.name),
        parts: lines.map((l) => ({
            name: l.name.slice(0, 40),
            ...l.dose!,
            ec_per_unit: decimal(l.ec),
            density_g_ml: decimal(l.density),
            label: l.label.trim().slice(0, 120),
        })),
    };
    garden.change('use a feed of your own', (g) => setFeed(g, garden.selected.value!, product as never, garden.library));
}
</script>

<template>
    <div class="own">
        <label><span>Its name</span><input v-model="name" class="text" maxlength="120" /></label>
        <fieldset v-for="(line, i) in lines" :key="i" class="ruled">
            <legend>Part {{ line.name }}</legend>
            <label>
                <span>Dose, as it stands on the packet</span>
                <ReadField
                    :name="`own feed, part ${line.name}`"
                    placeholder="3/4 tsp per gallon"
                    live
                    :shown="line.label"
                    :read="(text) => readDose(text, garden.units.value)"
                    :take="(reading, text) => understand(line, reading, text)"
                />
            </label>
            <p v-if="line.understood" class="small faint">{{ line.understood }}</p>
            <div class="two">
                <label
                    ><span>mS/cm of 1 {{ line.dose?.g_per_l ? 'g' : 'mL' }} in 1 L</span
                    ><input v-model="line.ec" class="text" inputmode="decimal" placeholder="unknown"
                /></label>
                <label><span>g in a mL</span><input v-model="line.density" class="text" inputmode="decimal" placeholder="unknown" /></label>
            </div>
        </fieldset>
        <div class="do">
            <button v-if="lines.length < 3" type="button" class="word" @click="lines.push(blank('ABC'[lines.length]!))">
                One more part
            </button>
            <button v-if="lines.length > 1" type="button" class="word" @click="lines.pop()">One less</button>
        </div>
        <p v-for="says in wrong" :key="says" class="small wrong" role="status">{{ says }}</p>
        <button type="button" class="box strong" :disabled="!ready && !deeds.busy.value" @click="take">Use it here</button>
    </div>
</template>

<style scoped>
.own {
    display: grid;
    gap: 0.6rem;
    padding-top: 0.4rem;
}
label {
    display: grid;
    gap: 0.15rem;
    font-size: 0.875rem;
}
.two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0.5rem;
    align-items: end;
}
.wrong {
    color: var(--stop-text);
}
.do {
    display: flex;
    gap: 1rem;
}
</style>
