<script setup lang="ts">
/** The stones of a tub: their kind, how many, and how deep. */
import Counter from '../kit/Counter.vue';
import { fromLibrary } from '../kit/edits';
import { useGarden } from '../kit/garden';
import { keyOf, named } from '../kit/library';
import Measure from '../kit/Measure.vue';
import Pick from '../kit/Pick.vue';
import { useTubAir } from './tub';

const garden = useGarden();
const { tub, set } = useTubAir();
</script>

<template>
    <Pick
        label="Stones"
        :model-value="keyOf(tub.stones?.kind)"
        :options="named(garden.library.stones)"
        @update:model-value="
            (v) =>
                v &&
                set('change the stones', (t) => {
                    t.stones = { count: 1, height_mm: 20, ...t.stones, kind: fromLibrary(garden.library.stones, v) };
                })
        "
    />
    <Counter
        v-if="tub.stones"
        label="Stones in the tub"
        :model-value="tub.stones.count ?? 1"
        :most="50"
        @update:model-value="
            (v) =>
                set('change the number of stones', (t) => {
                    t.stones!.count = v;
                    delete t.stones!.at;
                })
        "
    />
    <div v-for="(more, i) in tub.stones?.more ?? []" :key="i" class="more">
        <Pick
            :label="`And stones of another kind, ${i + 2}`"
            :model-value="keyOf(more.kind)"
            :options="named(garden.library.stones)"
            @update:model-value="
                (v) =>
                    v &&
                    set('change the other stones', (t) => {
                        t.stones!.more![i]!.kind = fromLibrary(garden.library.stones, v);
                    })
            "
        />
        <div class="two">
            <Counter
                label="Of these"
                :model-value="more.count ?? 1"
                :most="50"
                @update:model-value="
                    (v) =>
                        set('change the number of the other stones', (t) => {
                            t.stones!.more![i]!.count = v;
                            delete t.stones!.at;
                        })
                "
            />
            <Measure
                label="Tops at"
                wide
                dimension="length"
                :model-value="more.height_mm ?? 20"
                @update:model-value="
                    (v) =>
                        v !== null &&
                        set('move the other stones', (t) => {
                            t.stones!.more![i]!.height_mm = v;
                        })
                "
            />
        </div>
        <button
            type="button"
            class="word"
            @click="
                set('take the other stones out', (t) => {
                    t.stones!.more!.splice(i, 1);
                    delete t.stones!.at;
                })
            "
        >
            Take these out
        </button>
    </div>
    <button
        v-if="tub.stones && (tub.stones.more?.length ?? 0) < 3"
        type="button"
        class="word add"
        @click="
            set('add stones of another kind', (t) => {
                t.stones!.more = [...(t.stones!.more ?? []), { kind: 'cylinder-25', count: 1, height_mm: t.stones!.height_mm ?? 20 }];
                delete t.stones!.at;
            })
        "
    >
        Add stones of another kind
    </button>
    <Measure
        v-if="tub.stones"
        label="Their tops, over the floor"
        dimension="length"
        :model-value="tub.stones.height_mm ?? 20"
        @update:model-value="
            (v) =>
                v !== null &&
                set('move the stones', (t) => {
                    t.stones!.height_mm = v;
                })
        "
    />
</template>

<style scoped>
.more {
    display: grid;
    gap: 0.5rem;
    border-left: 3px solid var(--rule);
    padding-left: 0.6rem;
}
.add {
    justify-self: start;
    text-decoration: underline;
}
.two {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0.5rem;
}
</style>
