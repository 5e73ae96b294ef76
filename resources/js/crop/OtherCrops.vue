<script setup lang="ts">
/** What else could grow in this tub: every crop, best first, with how many and why not. */
import { ref, watch } from 'vue';
import { call } from '../kit/api';
import { useGarden } from '../kit/garden';

interface Ranked {
    crop: string;
    name: string;
    plants: number;
    harvest_day: number | null;
    severity: 'stop' | 'mend' | 'mind' | null;
    says: string | null;
}

const garden = useGarden();
const open = ref(false);
const crops = ref<Ranked[]>([]);
const looking = ref(false);
let turn = 0;

watch([open, garden.report], async ([now]) => {
    if (!now) return;
    const mine = ++turn;
    looking.value = true;
    const answer = await call<{ crops: Ranked[] }>(`crops?tub=${encodeURIComponent(garden.selected.value ?? '')}`, { body: JSON.stringify(garden.document.value) });
    if (mine !== turn) return;
    looking.value = false;
    if (answer.kind === 'done') crops.value = answer.data.crops;
});

const WORDS = { stop: 'Stop', mend: 'Mend', mind: 'Mind' } as const;
</script>

<template>
    <details :open="open" @toggle="open = ($event.target as HTMLDetailsElement).open">
        <summary>What else could grow here</summary>
        <p v-if="looking && crops.length === 0" class="small faint" role="status">Trying every crop in this tub</p>
        <ol>
            <li v-for="c in crops" :key="c.crop">
                <button type="button" :aria-pressed="garden.tub.value?.crop === c.crop" @click="garden.changeTub('change the crop', (t) => { t.crop = c.crop; })">
                    <b>{{ c.name }}</b> <span class="faint">{{ c.plants }}<template v-if="c.harvest_day"> · day {{ Math.round(c.harvest_day) }}</template></span>
                    <span v-if="c.severity" class="says small"><i :class="c.severity">{{ WORDS[c.severity] }}</i> {{ c.says }}</span>
                </button>
            </li>
        </ol>
    </details>
</template>

<style scoped>
details { border-top: 1px solid var(--rule); padding-top: 0.5rem; }
summary { cursor: pointer; font-family: var(--grotesque); font-weight: 600; min-height: 28px; }
ol { list-style: none; margin: 0.3rem 0 0; padding: 0; }
li button { width: 100%; text-align: left; background: none; border: 0; border-bottom: 1px solid var(--rule); padding: 0.3rem 0.2rem; cursor: pointer; color: var(--ink); display: block; }
li button:hover, li button[aria-pressed='true'] { background: var(--shoal); }
li button[aria-pressed='true'] .faint { color: var(--ink); }
.says { display: block; }
i { font-style: normal; font-weight: 650; }
i.stop { color: var(--stop-text); }
i.mend { color: var(--mend-text); }
i.mind { color: var(--mind-text); }
</style>
