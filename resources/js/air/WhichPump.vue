<script setup lang="ts">
/** Which pump: every one of the Library in the place of this, the ones that meet every tub first, by power, by money or by noise. */
import { computed, ref, watch } from 'vue';
import { money, number } from '../kit/format';
import { useGarden } from '../kit/garden';
import Toggle from '../kit/Toggle.vue';
import { useTurns } from '../kit/turns';
import type { PumpOption } from '../types/answers';

const props = defineProps<{ day: number }>();
const emit = defineEmits<{ take: [option: PumpOption] }>();

const garden = useGarden();
const options = ref<PumpOption[]>([]);
const by = ref<'power' | 'money' | 'noise'>('power');
const { ask: asked, busy: asking } = useTurns();
const open = ref<string | null>(null);

async function ask(): Promise<void> {
    const answer = await asked<{ pumps: PumpOption[] }>(`pumps?tub=${encodeURIComponent(garden.selected.value ?? '')}&day=${props.day}`, {
        body: JSON.stringify(garden.document.value),
    });
    if (answer?.kind === 'done') options.value = answer.data.pumps;
}
watch([garden.document, garden.selected], () => void ask(), { immediate: true });

const worth = (o: PumpOption): number =>
    by.value === 'power' ? o.power_w : by.value === 'money' ? (o.price ?? Infinity) : (o.noise_db ?? Infinity);
const ranked = computed(() =>
    [...options.value].sort((a, b) => Number(b.meets) - Number(a.meets) || worth(a) - worth(b) || a.power_w - b.power_w),
);
const currency = computed(() => garden.document.value.money?.currency ?? 'EUR');
const changes = (o: PumpOption): string =>
    [
        o.stones ? `with the ${o.stones} in every tub` : '',
        o.valves === 'demand' ? 'valves by what the roots ask for' : o.valves === 'same' ? 'the same to each stone' : '',
    ]
        .filter(Boolean)
        .join(', ');
const oxygen = (mg: number | null): string => (mg === null ? '–' : number(mg, 1));
</script>

<template>
    <div class="which">
        <Toggle
            v-model="by"
            label="Least"
            :options="[
                { value: 'power', name: 'Power' },
                { value: 'money', name: 'Money' },
                { value: 'noise', name: 'Noise' },
            ]"
        />
        <p v-if="asking && !options.length" class="small faint" role="status">Trying them all…</p>
        <ul class="ranked">
            <li v-for="o in ranked" :key="o.key">
                <button
                    type="button"
                    :aria-pressed="open === o.key"
                    :aria-expanded="open === o.key"
                    @click="open = open === o.key ? null : o.key"
                >
                    <b>{{ o.name }}</b>
                    <span class="small" :class="o.meets ? 'meets' : 'faint'">{{ o.meets ? 'meets every tub' : 'not enough' }}</span>
                    <span class="small faint">
                        {{ number(o.power_w, 1, 'W') }} · {{ o.price === null ? 'no price' : `${money(o.price)}\u202f${currency}` }} ·
                        {{ o.noise_db === null ? '–' : number(o.noise_db, 0, 'dB') }}
                    </span>
                </button>
                <div v-if="open === o.key" class="more">
                    <p v-if="changes(o)" class="small">{{ changes(o) }}</p>
                    <table>
                        <thead>
                            <tr>
                                <th scope="col">Tub</th>
                                <th scope="col">L/min</th>
                                <th scope="col">mg/L today</th>
                                <th scope="col">grown</th>
                            </tr>
                        </thead>
                        <tbody>
                            <tr v-for="t in o.tubs" :key="t.tub">
                                <th scope="row">{{ garden.letters.value[t.tub] }}</th>
                                <td>{{ number(t.air_l_min, 2) }}</td>
                                <td>{{ oxygen(t.today_mg_l) }}</td>
                                <td :class="{ short: !t.meets }">{{ oxygen(t.grown_mg_l) }}</td>
                            </tr>
                        </tbody>
                    </table>
                    <button type="button" class="box strong" @click="emit('take', o)">Use it</button>
                </div>
            </li>
        </ul>
    </div>
</template>

<style scoped>
.which {
    display: grid;
    gap: 0.5rem;
    padding-top: 0.4rem;
}
.ranked b {
    display: block;
}
.ranked span {
    display: block;
}
.meets {
    color: var(--kelp);
    font-weight: 600;
}
.more {
    display: grid;
    gap: 0.4rem;
    padding: 0.4rem 0 0.6rem;
    justify-items: start;
}
table {
    font-size: 0.8125rem;
}
td.short {
    color: var(--stop-text);
    font-weight: 650;
}
</style>
