<script setup lang="ts">
/** The grower's saws as a line of measures. */
import { computed, ref, watch } from 'vue';
import Field from '../kit/Field.vue';
import { length } from '../kit/format';
import { useGarden } from '../kit/garden';
import { HOLE } from '../kit/plausible';
import { read, type Understood } from '../kit/reader';
import { useTyped } from '../kit/typed';

const garden = useGarden();
const units = garden.units;

/** As they stand in the field: "54, 2 1/8 in". */
const saws = ref('');
const sawNames = computed(() =>
    (garden.document.value.saws_mm ?? []).map((mm) => length(mm, units.value).replace('\u202f', ' ')).join(', '),
);
async function readSaws(text: string): Promise<{ value: number[] } | { error: string } | { away: string }> {
    const texts = text
        .split(/[,;]/)
        .map((s) => s.trim())
        .filter(Boolean);
    const readings = await Promise.all(texts.map((one) => read(one, 'length', units.value)));
    const bad = readings.find((r) => !('value' in r));
    if (bad) return bad as { error: string } | { away: string };
    const saws = readings as Understood[];
    // "2" in millimetres cuts no hole; whoever has such a saw says so.
    const odd = texts.find((one, i) => /^\d+$/.test(one) && (saws[i]!.value < HOLE[0] || saws[i]!.value > HOLE[1]));
    const [here, other] = units.value === 'us' ? ['in', 'mm'] : ['mm', 'in'];
    if (odd) return { error: `A saw of ${odd}\u202f${here}? Write ${odd} ${other}, or its unit.` };
    return { value: saws.map((saw) => Math.round(saw.value * 1000) / 1000) };
}

const {
    type: typeSaws,
    busy: readingSaws,
    fault: sawFault,
} = useTyped<number[]>({
    name: 'saws',
    read: readSaws,
    take: (list) =>
        garden.change('change the saws', (g) => {
            g.saws_mm = list.length ? list : null;
        }),
    was: () => garden.document.value.saws_mm ?? null,
    show: (left) => (saws.value = left),
});
watch(
    sawNames,
    (now) => {
        if (!readingSaws.value && !sawFault.value) saws.value = now;
    },
    { immediate: true },
);
</script>

<template>
    <Field id="saws" label="Saws you have"
        ><input
            id="saws"
            v-model="saws"
            class="text"
            :aria-invalid="sawFault !== ''"
            :placeholder="units === 'us' ? '2 1/8, 3' : '54, 2 1/8 in'"
            autocomplete="off"
            aria-describedby="saws-note"
            @blur="saws !== sawNames && typeSaws(saws)"
            @keydown.enter="typeSaws(saws)"
        />
        <p id="saws-note" class="small" :class="sawFault ? 'wrong' : 'faint'">
            {{ sawFault || 'These are asked first; then the shops’ sizes.' }}
        </p>
    </Field>
</template>

<style scoped>
.wrong {
    color: var(--stop-text);
}
</style>
