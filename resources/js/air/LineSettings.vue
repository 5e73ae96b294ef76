<script setup lang="ts">
/** The line to a tub: how long, how far open, and how it is parted. */
import { computed } from 'vue';
import { number } from '../kit/format';
import { useGarden } from '../kit/garden';
import { keyOf, named } from '../kit/library';
import Measure from '../kit/Measure.vue';
import Pick from '../kit/Pick.vue';
import { vShown } from '../kit/shown';
import Toggle from '../kit/Toggle.vue';
import { useTubAir } from './tub';

const garden = useGarden();
const { tub, report, look, pump, set, setPump, setBranch, ...air } = useTubAir();
/* Shown only where there is one. */
const line = computed(() => air.line.value!);
/** A floating board and a cup in a jar's mouth leave no lid to drill. */
const overTop = computed(() => {
    if (report.value.raft) return 'A board floats here: over the rim, the tube goes down the gap beside it.';
    return report.value.shape.in_mouth ? 'The cup fills the mouth: notch its lip, and let the tube down beside it.' : '';
});

const turnValve = (valve: number): void =>
    setBranch('turn the valve', (b) => {
        b.valve = valve;
    });
</script>

<template>
    <Measure
        :label="report.under ? 'Pump to the wall' : 'Pump to tub'"
        dimension="length"
        :model-value="line.system.branches?.[line.branch]?.distance_mm ?? 1000"
        :at="`/air/${line.index}/branches/${line.branch}/distance_mm`"
        @update:model-value="
            (v) =>
                v !== null &&
                setBranch('change the distance', (b) => {
                    b.distance_mm = v;
                })
        "
    />
    <div class="valve">
        <label for="valve">Valve, open {{ number((line.system.branches?.[line.branch]?.valve ?? 1) * 100, 0, '%') }}</label>
        <input
            id="valve"
            type="range"
            min="0"
            max="1"
            step="0.05"
            v-shown="line.system.branches?.[line.branch]?.valve ?? 1"
            @input="turnValve(Number(($event.target as HTMLInputElement).value))"
        />
    </div>
    <div v-if="look?.valves" class="presses">
        <button
            type="button"
            class="box"
            :disabled="!look.valves.same?.length"
            @click="garden.apply('give each stone the same', look.valves.same ?? [])"
        >
            Same to each stone
        </button>
        <button
            type="button"
            class="box"
            :disabled="!look.valves.demand?.length"
            @click="garden.apply('share the air by what roots ask for', look.valves.demand ?? [])"
        >
            Share by demand
        </button>
    </div>
    <p v-if="line.system.joined === false && (pump?.branches.length ?? 0) > 1" class="small faint">
        Outlets apart share no air: join them, and valves can.
    </p>
    <Toggle
        v-if="(pump?.branches.length ?? 0) > 1 || (tub.count ?? 1) > 1"
        label="The line is parted by"
        :model-value="line.system.splitter ?? 'tees'"
        :options="[
            { value: 'tees', name: 'Tees' },
            { value: 'manifold', name: 'A manifold' },
        ]"
        @update:model-value="
            (v) =>
                setPump('change the splitter', (s) => {
                    s.splitter = v;
                })
        "
    />
    <Pick
        label="Tube"
        :model-value="keyOf(line.system.tube) ?? 'tube-4-6'"
        :options="named(garden.library.tubes)"
        @update:model-value="
            (v) =>
                v &&
                setPump('change the tube', (s) => {
                    s.tube = v;
                })
        "
    />
    <Measure
        label="Pump to splitter"
        dimension="length"
        :model-value="line.system.trunk_mm ?? 0"
        :at="`/air/${line.index}/trunk_mm`"
        @update:model-value="
            (v) =>
                v !== null &&
                setPump('change the trunk', (s) => {
                    s.trunk_mm = v;
                })
        "
    />
    <Toggle
        label="Tube comes in"
        :model-value="report.shape.tube_through_lid ? 'lid' : 'side'"
        :options="[
            { value: 'side', name: 'By the side' },
            { value: 'lid', name: overTop ? 'Over the rim' : 'By the lid' },
        ]"
        :hint="overTop"
        @update:model-value="
            (v) =>
                set('change the tube entry', (t) => {
                    t.tube_entry = v;
                })
        "
    />
    <Toggle
        v-if="(pump?.branches.length ?? 0) > 1 || tub.count! > 1"
        label="Pump outlets"
        :model-value="line.system.joined === false ? 'apart' : 'joined'"
        :options="[
            { value: 'joined', name: 'Joined by tees' },
            { value: 'apart', name: 'Apart' },
        ]"
        hint="Joined, all outlets feed one pipe and every line draws from it; apart, each outlet feeds its own lines."
        @update:model-value="
            (v) =>
                setPump('change the outlets', (s) => {
                    s.joined = v === 'joined';
                })
        "
    />
</template>

<style scoped>
.presses {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0.5rem;
}
.valve {
    display: grid;
    gap: 0.2rem;
}
.valve label {
    font-weight: 600;
    font-family: var(--grotesque);
}
.valve input {
    accent-color: var(--ink);
    width: 100%;
    min-height: 28px;
}
</style>
