<script setup lang="ts">
/** Air: pump, lines and stones as one network, and the oxygen that comes of it. */
import { computed, ref } from 'vue';
import BenchDrawing from '../drawing/BenchDrawing.vue';
import Caution from '../kit/Caution.vue';
import { at as mendedAt } from '../kit/findings';
import Findings from '../kit/Findings.vue';
import { useGarden } from '../kit/garden';
import MarkPage from '../shell/MarkPage.vue';
import AirFigures from './AirFigures.vue';
import AirLine from './AirLine.vue';
import CurvesPanel from './CurvesPanel.vue';
import FloorPanel from './FloorPanel.vue';
import LineSettings from './LineSettings.vue';
import PowerCut from './PowerCut.vue';
import PumpSettings from './PumpSettings.vue';
import StoneSettings from './StoneSettings.vue';
import { provideTubAir } from './tub';
import TubeToCut from './TubeToCut.vue';

const garden = useGarden();
const { tub, report, line, asked, pump, fed, oxygenOf } = provideTubAir();
const units = garden.units;
const letters = garden.letters;
const findings = computed(() => mendedAt(garden.findings.value, 'air'));
const passive = computed(() => tub.value.system === 'passive');

const panel = ref<'curves' | 'cut' | 'floor' | 'tube'>('curves');
const PANELS = [
    { key: 'curves', name: 'Curves' },
    { key: 'floor', name: 'Floor' },
    { key: 'tube', name: 'Tube to cut' },
    { key: 'cut', name: 'Power cut' },
] as const;
</script>

<template>
    <MarkPage title="Air" lead="What the roots breathe: pump, lines and stones as one network.">
        <template #set>
            <template v-if="passive">
                <p>This tub has no pump. Its roots breathe in the air gap that opens as the water falls.</p>
                <p class="small faint">To run it with air, switch it at the Tub mark.</p>
            </template>
            <template v-else-if="line">
                <PumpSettings />
                <StoneSettings />
                <LineSettings />
            </template>
            <template v-else>
                <p>No air line comes to this tub yet.</p>
                <button
                    type="button"
                    class="box strong"
                    @click="garden.ask('bring a line', `edits/aerate?tub=${encodeURIComponent(tub.id)}`)"
                >
                    Bring a line
                </button>
            </template>
            <Caution v-if="!passive">
                Electricity near water: an outlet with residual-current protection, a drip loop in every cord, pump and plugs above the
                water line. Fixed wiring is for a licensed electrician, and the local code rules.
            </Caution>
        </template>

        <div v-if="!passive && line && pump" class="drawings">
            <AirLine
                :air="pump"
                :tubs="fed"
                :letters="letters"
                :chosen="tub.id"
                :units="units"
                :growth="0.12"
                :trouble="asked.trouble"
                :oxygen="oxygenOf"
                @choose="(id) => garden.choose(id)"
            />
            <div class="below">
                <div class="tabs" role="group" aria-label="Look at">
                    <button
                        v-for="p in PANELS"
                        :key="p.key"
                        type="button"
                        class="word"
                        :aria-pressed="panel === p.key"
                        @click="panel = p.key"
                    >
                        {{ p.name }}
                    </button>
                </div>
                <CurvesPanel v-if="panel === 'curves'" />
                <PowerCut v-else-if="panel === 'cut'" />
                <FloorPanel v-else-if="panel === 'floor'" />
                <TubeToCut v-else />
            </div>
        </div>
        <div v-else class="drawings">
            <BenchDrawing
                :tubs="[report]"
                :air="[]"
                :units="units"
                :growth="0.15"
                :letters="{ [report.id]: report.name }"
                :choosable="false"
            />
        </div>

        <template #reckoning>
            <Findings :findings="findings" :elsewhere="garden.findings.value.length - findings.length" />
            <AirFigures />
        </template>
    </MarkPage>
</template>

<style scoped>
.drawings {
    flex: 1;
    min-height: 0;
    display: grid;
    grid-template-rows: minmax(0, 1fr) minmax(0, 41%);
    gap: 0.4rem;
}
.below {
    display: flex;
    flex-direction: column;
    border-top: 1px solid var(--rule);
    padding-top: 0.2rem;
    min-height: 0;
}
.tabs {
    display: flex;
    gap: 1rem;
    flex: none;
}
@media (max-width: 760px) {
    .drawings {
        grid-template-rows: clamp(300px, 90vw, 420px) auto;
    }
}
</style>
