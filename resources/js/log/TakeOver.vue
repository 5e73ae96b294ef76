<script setup lang="ts">
/** What the log taught of a crop, as figures that a crop of the grower's own would say; taken over at a press. */
import { computed, ref } from 'vue';
import { type Units, volume, weight } from '../kit/format';
import { bringCrop } from '../kit/edits';
import { useGarden } from '../kit/garden';
import { send } from '../kit/turns';
import type { LibraryCrop } from '../kit/library';
import { copyOf, type Draft } from '../library/shelves';
import type { CropLesson } from '../days/diary';
import { growBy } from '../days/plantings';

const props = defineProps<{ tub: string; lesson: CropLesson | null; units: Units }>();
const garden = useGarden();
const said = ref('');
const wrong = ref('');

const COLUMNS: Record<string, { name: string; write: (value: number, units: Units) => string; from: (n: number) => string }> = {
    water_to_harvest_l: { name: 'drinks to harvest', write: volume, from: (n) => `${n} intervals` },
    yield_g: { name: 'bears', write: weight, from: (n) => (n === 1 ? 'one weighing' : `${n} weighings`) },
};
const figures = computed(() =>
    (props.lesson?.figures ?? []).map((f) => {
        const { name, write, from } = COLUMNS[f.column]!;
        return `${name} ${write(f.is, props.units)} a plant, not ${write(f.was, props.units)} (${from(f.from)})`;
    }),
);
async function take(): Promise<void> {
    const [tub, lesson] = [props.tub, props.lesson];
    if (!lesson) return;
    const crop = garden.library.crops.find((c) => c.key === lesson.crop);
    if (!crop) return void (wrong.value = 'The crop is not in the Library any more.');
    // What ships stays as it is: the figures go into a copy of one's own, or into the crop where it is one already.
    const { own: _, ...item } = {
        ...(crop.own ? crop : copyOf(crop as unknown as Draft)),
        ...Object.fromEntries(lesson.figures.map((f) => [f.column, f.is])),
    };
    const answer = await send<{ key: string }>('Keeping it on your shelf', 'library/crops', { body: JSON.stringify(item) });
    wrong.value =
        answer.kind === 'refused'
            ? answer.faults.map((f) => f.message).join('; ')
            : answer.kind === 'done'
              ? ''
              : 'message' in answer
                ? answer.message
                : 'That did not work.';
    if (answer.kind !== 'done') return;
    const kept = { ...item, key: answer.data.key, own: true } as unknown as LibraryCrop;
    const shelf = garden.library.crops;
    const at = shelf.findIndex((c) => c.key === kept.key);
    shelf.splice(at < 0 ? shelf.length : at, at < 0 ? 0 : 1, kept);
    garden.change(`grow ${kept.name.toLowerCase()} by what was learned`, (g) => {
        bringCrop(g, garden.library, kept.key);
        growBy(g, tub, lesson.crop, kept.key);
    });
    said.value = `${kept.name} is in your Library, and grows here from now on. Undo takes it out of this tub; it stays in the Library.`;
}
</script>

<template>
    <section v-if="lesson" class="take" aria-label="What to take over">
        <h2>{{ lesson.name }} here</h2>
        <p v-for="f in figures" :key="f" class="small">{{ f }}</p>
        <button type="button" class="box" data-act="take-over" @click="take">Take over into the Library</button>
        <p v-if="wrong" class="small wrong" role="alert">{{ wrong }}</p>
    </section>
    <p v-if="said" class="small" role="status">{{ said }}</p>
</template>

<style scoped>
.take {
    display: grid;
    gap: 0.3rem;
    justify-items: start;
    border-top: 1px solid var(--rule);
    padding: 0.5rem 0;
}
.wrong {
    color: var(--stop-text);
}
</style>
