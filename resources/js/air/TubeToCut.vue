<script setup lang="ts">
/** The pieces of tube to cut for each tub on the pump. */
import { computed } from 'vue';
import { length } from '../kit/format';
import { useGarden } from '../kit/garden';
import { useTubAir } from './tub';

const garden = useGarden();
const { tub, fed, ...air } = useTubAir();
/* Shown only where there are both. */
const line = computed(() => air.line.value!);
const pump = computed(() => air.pump.value!);
const units = garden.units;
const letters = garden.letters;
</script>

<template>
    <div class="cuts">
        <table>
            <tbody>
                <tr v-for="b in pump.branches" :key="b.tub" :class="{ here: b.tub === tub.id }">
                    <th scope="row">
                        <span class="letter">{{ letters[b.tub] }}</span>
                        {{ garden.report.value.tubs.find((t) => t.id === b.tub)?.name }}
                    </th>
                    <td>
                        {{ b.pieces_mm.map((mm) => length(mm, units)).join(' + ')
                        }}<template v-if="(fed.find((t) => t.id === b.tub)?.count ?? 1) > 1"
                            >, {{ fed.find((t) => t.id === b.tub)?.count }} times</template
                        >
                    </td>
                </tr>
            </tbody>
        </table>
        <p class="small faint">
            With {{ length(pump.slack_mm, units) }} to spare on each.
            {{
                line.system.check_valve
                    ? 'The check valve goes between pump and splitter, arrow away from the pump; blow through it to test.'
                    : ''
            }}
        </p>
    </div>
</template>

<style scoped>
.cuts {
    overflow-y: auto;
}
.cuts th,
.cuts td {
    padding: 0.2rem 0.6rem 0.2rem 0;
    vertical-align: top;
    font-size: 0.875rem;
}
.letter {
    display: inline-block;
    min-width: 1.35rem;
    border: 1.5px solid var(--ink);
    text-align: center;
    font: 600 0.8125rem/1.25rem var(--grotesque);
    color: var(--ink);
    margin-right: 0.2rem;
}
.cuts .here th {
    color: var(--ink);
    font-weight: 600;
}
</style>
