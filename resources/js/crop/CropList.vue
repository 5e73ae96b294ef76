<script setup lang="ts">
/** What is to grow in the tub: one crop, or several that share its water, each with its number of plants. */
import { computed } from 'vue';
import { tint } from '../drawing/plants';
import { bringCrop } from '../kit/edits';
import { useGarden } from '../kit/garden';
import { cropOptions } from '../kit/library';
import Pick from '../kit/Pick.vue';
import type { CropWish, Tub } from '../types/garden';
import { vShown } from '../kit/shown';

const garden = useGarden();
const tub = computed(() => garden.tub.value!);
const report = computed(() => garden.tubReport.value!);
const options = computed(() => cropOptions(garden.library));
const wishes = computed<CropWish[]>(() =>
    tub.value.crops?.length ? tub.value.crops : tub.value.crop ? [{ crop: tub.value.crop, plants: null }] : [],
);
const at = computed(() => `/tubs/${garden.index.value}`);
/** A layout by hand says itself what grows in which hole. */
const several = computed(() => wishes.value.length > 1);
const planted = (crop: string): number => report.value.crops.find((c) => c.crop === crop)?.plants ?? 0;

function set(says: string, edit: (list: CropWish[], tub: Tub) => CropWish[]): void {
    garden.changeTub(says, (t, g) => {
        const list = edit(JSON.parse(JSON.stringify(wishes.value)) as CropWish[], t);
        for (const wish of list) bringCrop(g, garden.library, wish.crop);
        // A climber that comes brings what it climbs, and takes it away when it goes.
        const climbs = (key: string): boolean => garden.library.crops.find((c) => c.key === key)?.support === 'trellis';
        const climbed = wishes.value.some((w) => climbs(w.crop));
        if (list.some((w) => climbs(w.crop))) t.trellis = climbed ? (t.trellis ?? true) : true;
        else if (climbed) delete t.trellis;
        // One crop is written the short way.
        if (list.length > 1) {
            t.crops = list;
            t.crop = null;
            delete t.plants;
        } else {
            delete t.crops;
            t.crop = list[0]?.crop ?? null;
        }
    });
}

const change = (i: number, key: string | null): void =>
    set('change the crop', (list) => (key ? list.map((w, j) => (j === i ? { ...w, crop: key } : w)) : list.filter((_, j) => j !== i)));

function add(): void {
    const taken = new Set(wishes.value.map((w) => w.crop));
    const group = garden.library.crops.find((c) => c.key === wishes.value[0]?.crop)?.group;
    const next =
        garden.library.crops.find((c) => c.group === group && !taken.has(c.key)) ?? garden.library.crops.find((c) => !taken.has(c.key));
    if (next) set('add a crop', (list) => [...list, { crop: next.key, plants: null }]);
}

function setPlants(i: number, event: Event): void {
    const text = (event.target as HTMLInputElement).value.trim();
    const plants = text === '' ? null : Number(text);
    if (plants !== null && (!Number.isInteger(plants) || plants < 0 || plants > 200))
        (event.target as HTMLInputElement).value = String(wishes.value[i]?.plants ?? '');
    else set('change the number of plants', (list) => list.map((w, j) => (j === i ? { ...w, plants } : w)));
}
</script>

<template>
    <div class="crops">
        <Pick
            v-if="wishes.length === 0"
            label="Crop"
            :model-value="null"
            :options="options"
            filter
            placeholder="Not yet"
            :at="`${at}/crop`"
            @update:model-value="(v) => v && set('choose a crop', () => [{ crop: v, plants: null }])"
        />
        <div v-for="(wish, i) in wishes" :key="wish.crop" class="wish" :class="{ several }">
            <i v-if="several" class="tint" :style="{ background: tint(wish.crop) }" />
            <Pick
                :label="several ? `Crop ${i + 1}` : 'Crop'"
                :model-value="wish.crop"
                :options="options"
                filter
                :clearable="!several"
                :at="several ? `${at}/crops/${i}` : `${at}/crop`"
                @update:model-value="(v) => change(i, v)"
            />
            <div v-if="several" class="number">
                <label :for="`plants-${i}`">Plants</label>
                <input
                    :id="`plants-${i}`"
                    inputmode="numeric"
                    v-shown="wish.plants ?? ''"
                    :placeholder="String(planted(wish.crop))"
                    @change="setPlants(i, $event)"
                />
            </div>
            <button
                v-if="several"
                type="button"
                class="away"
                :aria-label="`Take crop ${i + 1} off this lid`"
                title="Take it off this lid"
                @click="change(i, null)"
            >
                ×
            </button>
        </div>
        <button v-if="wishes.length > 0 && wishes.length < 6" type="button" class="word" data-act="add-crop" @click="add">
            Add another crop on this lid
        </button>
        <p v-if="several" class="small faint">
            Left empty, places are shared evenly. The tallest stand at the back, wide ones beside narrow ones.
        </p>
    </div>
</template>

<style scoped>
.crops {
    display: grid;
    gap: 0.5rem;
    justify-items: stretch;
}
.crops > .word {
    justify-self: start;
    border-bottom-color: var(--rule);
}
.wish.several {
    display: grid;
    position: relative;
    grid-template-columns: 6px minmax(0, 1fr) 3.2rem;
    gap: 0.4rem;
    align-items: end;
}
.wish.several :deep(.pick) {
    min-width: 0;
}
.away {
    position: absolute;
    top: 0;
    right: calc(3.2rem + 0.4rem);
    width: 24px;
    background: none;
    border: 0;
    padding: 0;
    min-height: 24px;
    color: var(--ink);
    cursor: pointer;
    font-size: 1.1rem;
    line-height: 1;
}
.away:hover {
    color: var(--stop-text);
}
.tint {
    align-self: stretch;
}
.number {
    display: grid;
    gap: 0.2rem;
}
.number label {
    font-family: var(--grotesque);
    font-weight: 600;
}
.number input {
    width: 100%;
    border: 1px solid var(--ink);
    background: var(--sheet);
    color: var(--ink);
    min-height: 34px;
    padding: 0.3rem 0.4rem;
    text-align: center;
}
</style>
