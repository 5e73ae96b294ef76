<script setup lang="ts">
/** What the rules have to say, worst first: what, how much, and one press to mend it. The rest folds away with a count. */
import { computed, ref } from 'vue';
import type { Finding } from '../types/report';
import { useGarden } from './garden';

const props = withDefaults(defineProps<{ findings: Finding[]; open?: number; elsewhere?: number }>(), { open: 2, elsewhere: 0 });

const garden = useGarden();
const all = ref(false);
const shown = computed(() => (all.value ? props.findings : props.findings.slice(0, props.open)));
const rest = computed(() => props.findings.length - shown.value.length);
/** Ways that were not tried yet are not shown while they are being tried: most often they are there in the next moment. */
const ways = (finding: Finding): Finding['remedies'] =>
    finding.remedies.filter((remedy) => !remedy.pending || !garden.previewer.settling.value);
function openAll(): void {
    all.value = true;
    const mark = props.findings[0]?.mark;
    if (mark) garden.previewer.open(mark, garden.document.value);
}
const passed = ref('');
async function press(finding: Finding, remedy: Finding['remedies'][number]): Promise<void> {
    passed.value = (await garden.mend(finding, remedy)) ? '' : `Tried: “${remedy.says}” would not help here.`;
}
const WORDS = { stop: 'Stop', mend: 'Mend', mind: 'Mind' } as const;
</script>

<template>
    <section aria-label="Findings" class="findings">
        <p v-if="findings.length === 0" class="sound">Nothing to mend here.</p>
        <article v-for="finding in shown" :key="finding.code + finding.at" :data-code="finding.code">
            <span class="severity" :class="finding.severity">{{ WORDS[finding.severity] }}</span>
            <p class="says">{{ finding.says }}</p>
            <details>
                <summary class="small faint">Why</summary>
                <p class="small">{{ finding.why }}</p>
            </details>
            <div v-if="ways(finding).length" class="remedies">
                <button v-for="remedy in ways(finding)" :key="remedy.says" type="button" class="box" @click="press(finding, remedy)">
                    {{ remedy.says }}
                </button>
            </div>
        </article>
        <p v-if="passed" class="small" role="status">{{ passed }}</p>
        <button v-if="rest > 0" type="button" class="word" @click="openAll">{{ rest }} more</button>
        <button v-else-if="all && findings.length > open" type="button" class="word" @click="all = false">Fold</button>
        <p v-if="elsewhere > 0" class="small faint">{{ elsewhere }} more at other marks.</p>
    </section>
</template>

<style scoped>
.findings {
    display: grid;
    gap: 0.8rem;
    padding-bottom: 0.8rem;
    border-bottom: 1px solid var(--ink);
}
.sound {
    color: var(--kelp);
    font-weight: 600;
}
article {
    display: grid;
    gap: 0.3rem;
    justify-items: start;
}
.remedies {
    display: flex;
    flex-wrap: wrap;
    gap: 0.4rem;
    margin-top: 0.15rem;
}
summary {
    cursor: pointer;
    min-height: 24px;
}
.word {
    justify-self: start;
    text-decoration: underline;
}
</style>
