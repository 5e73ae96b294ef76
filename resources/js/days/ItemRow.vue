<script setup lang="ts">
/** One thing to do, with its amounts and a tick; what of it is picked may be weighed. */
import { computed, ref, useId } from 'vue';
import { readWeight } from '../kit/bare';
import ReadField from '../kit/ReadField.vue';
import { type Units, volume } from '../kit/format';
import { fromToday, spoken } from '../kit/dates';
import { short } from '../kit/typed';
import { type Item, partsOf } from './diary';

const props = defineProps<{ item: Item; today: string; units: Units; where?: string }>();
const emit = defineEmits<{ tick: [grams: number | null]; untick: [] }>();

const grams = ref<number | null>(null);
/** What stands in the field, and what of it was taken. */
const written = ref('');
const said = ref('');
const weighed = useId();
const refused = ref('');
function weigh(text: string): ReturnType<typeof readWeight> {
    written.value = text;
    refused.value = '';
    return readWeight(text, props.units);
}
function taken(value: number | null, text: string): void {
    grams.value = value;
    said.value = text;
}
const parts = computed(() => partsOf(props.item));
const when = computed(() => (props.item.done ? `done ${spoken(props.item.date)}` : fromToday(props.item.date, props.today)));
function set(event: Event): void {
    const box = event.target as HTMLInputElement;
    if (!box.checked) return emit('untick');
    if (written.value === said.value) return emit('tick', grams.value);
    // What was written would be lost with the row.
    box.checked = false;
    refused.value = `Not ticked yet: “${short(written.value)}” is not understood. Mend it, or empty it.`;
}
</script>

<template>
    <li class="item" :class="{ late: item.late, done: item.done !== null }" :data-item="item.key">
        <label class="tick">
            <input
                type="checkbox"
                :checked="item.done !== null"
                :aria-label="`${item.says}${where ? `, ${where}` : ''}: done`"
                @change="set"
            />
        </label>
        <div>
            <p class="says">
                <b>{{ item.says }}</b><span v-if="where" class="faint">, {{ where }}</span>
            </p>
            <p class="small">
                <span :class="item.late ? 'overdue' : 'faint'">{{ when }}</span>
                <span v-if="item.by && !item.done" class="faint">, still does by {{ spoken(item.by) }}</span>
                <span v-if="parts">: {{ parts }}</span>
            </p>
            <p v-if="item.kind === 'top-up' && item.litres !== null && parts === ''" class="small faint">
                {{ volume(item.litres, units) }} of plain water
            </p>
            <p v-if="item.note" class="small note">{{ item.note }}</p>
            <details v-if="item.how || item.why" class="small">
                <summary>{{ item.how ? 'How' : 'Why' }}</summary>
                {{ item.why }} {{ item.how }}
            </details>
            <slot />
            <div v-if="item.kind === 'pick' && !item.done" class="small grams">
                <label :for="weighed">It weighed, {{ units === 'us' ? 'oz' : 'g' }}</label>
                <ReadField
                    :id="weighed"
                    :name="`weight of ${item.key}`"
                    :shown="said"
                    inputmode="decimal"
                    live
                    :read="weigh"
                    :take="taken"
                />
            </div>
            <p v-if="refused" class="small overdue" role="alert">{{ refused }}</p>
        </div>
    </li>
</template>

<style scoped>
.item {
    display: grid;
    grid-template-columns: 28px minmax(0, 1fr);
    gap: 0.3rem;
    padding: 0.35rem 0;
    border-top: 1px solid var(--rule);
}
.item.late {
    border-top-color: var(--stop);
}
.tick {
    display: grid;
    place-items: start center;
    padding-top: 1px;
}
input[type='checkbox'] {
    inline-size: 20px;
    block-size: 20px;
    margin: 0;
    accent-color: var(--kelp);
}
.overdue {
    color: var(--stop-text);
    font-weight: 600;
}
.note {
    color: var(--mind-text);
}
.done .says {
    text-decoration: line-through;
    color: var(--faint);
}
.grams {
    display: flex;
    align-items: center;
    gap: 0.4rem;
    margin-top: 0.2rem;
}
.grams .text {
    width: 5rem;
    min-height: 28px;
}
@media (pointer: coarse) {
    .item {
        grid-template-columns: 44px minmax(0, 1fr);
    }
    .tick {
        min-height: 44px;
    }
    input[type='checkbox'] {
        inline-size: 26px;
        block-size: 26px;
    }
}
</style>
