<script setup lang="ts">
/** What a part costs and where, by the grower's own word, and how many more are bought to spare. */
import { computed, nextTick, onBeforeUnmount, ref } from 'vue';
import { bareNumber } from '../kit/bare';
import { deeds } from '../kit/deeds';
import { useGarden } from '../kit/garden';
import { read } from '../kit/reader';
import { vShown } from '../kit/shown';
import { short } from '../kit/typed';
import type { PartReport } from '../types/report';
import { amount } from './money';

const props = defineProps<{ part: PartReport; columns: number }>();
const emit = defineEmits<{ own: [event: Event]; close: [] }>();

const garden = useGarden();
const currency = computed(() => garden.report.value.budget.currency);
let isOpen = true;
onBeforeUnmount(() => (isOpen = false));

const pack = ref(props.part.unit === 'mm' ? '5000' : '1');
const price = ref('');
const shop = ref('');
const mine = ref(true);
const spare = ref(amount(props.part.spare));
const priceFault = ref('');

/** Added once: what was added closes the row that it was written in. */
function addPrice(): void {
    const part = props.part;
    void deeds.runOnce(`Reading “${short(price.value)}”`, async (act) => {
        if (!isOpen) return;
        const size = bareNumber(pack.value);
        if (size === null || size <= 0) {
            priceFault.value = `“${pack.value}” is no pack. Write how much is in one, as a number over nothing.`;
            return;
        }
        const cost = await read(price.value, 'money', garden.units.value, { currency: currency.value });
        if (!('value' in cost)) {
            priceFault.value =
                'error' in cost ? cost.error : `Kelp Tub does not answer, and “${short(price.value)}” is not added. Press again.`;
            return;
        }
        act(() => offer(part, size, cost.value));
        emit('close');
        await nextTick();
        // The row that was written in is gone: what opens it again has the focus.
        document.querySelector<HTMLElement>(`[data-part="${CSS.escape(part.key)}"] .acts .word`)?.focus();
    });
}

function offer(part: PartReport, pack: number, price: number): void {
    garden.change(`price ${part.name}`, (g) => {
        const offer = { part: part.key, pack, price, supplier: shop.value.trim().slice(0, 120) || null };
        (g.prices ??= []).push(mine.value ? { ...offer, instead: true } : offer);
    });
}

function setSpare(): void {
    const part = props.part;
    const value = bareNumber(spare.value);
    if (value === null || value < 0) {
        priceFault.value = `“${spare.value}” is no number to spare. Write how many more, 0 for none.`;
        return;
    }
    priceFault.value = '';
    garden.change(`${part.name} to spare`, (g) => {
        const spares = (g.spares ??= {});
        if (value > 0) spares[part.key] = value;
        else delete spares[part.key];
    });
}
</script>

<template>
    <tr class="pricing">
        <td :colspan="columns">
            <div class="fields">
                <p class="small whole">{{ part.why }}.</p>
                <label class="phone"
                    >You have
                    <input
                        inputmode="decimal"
                        :aria-label="`${part.name}: how many you have already`"
                        v-shown="amount(part.owned)"
                        @change="emit('own', $event)"
                /></label>
                <label>A pack of <input v-model="pack" inputmode="decimal" /> {{ part.unit === 'piece' ? '' : part.unit }}</label>
                <label>costs <input v-model="price" inputmode="decimal" @keydown.enter="addPrice()" /> {{ currency }}</label>
                <label>at <input v-model="shop" maxlength="120" placeholder="anywhere" @keydown.enter="addPrice()" /></label>
                <label class="only"><input v-model="mine" type="checkbox" /> and nowhere else</label>
                <button type="button" class="box" @click="addPrice()">Add this price</button>
                <label>To spare <input v-model="spare" inputmode="decimal" @change="setSpare()" /></label>
                <span v-if="priceFault" class="small wrong" role="alert">{{ priceFault }}</span>
            </div>
        </td>
    </tr>
</template>

<style scoped>
.fields {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem 0.9rem;
    align-items: center;
    padding: 0.3rem 0.6rem;
}
.whole {
    flex: 1 0 100%;
}
.only input {
    width: auto;
    min-height: 0;
}
td {
    padding: 0.16rem 0.5rem 0.16rem 0;
    border-bottom: 1px solid var(--rule);
    background: var(--sheet);
}
.phone {
    display: none;
}
input {
    border: 1px solid var(--ink);
    background: var(--sheet);
    color: var(--ink);
    padding: 0.25rem 0.5rem;
    width: 5rem;
    min-height: 32px;
}
.wrong {
    color: var(--stop-text);
}
@media (max-width: 760px) {
    .phone {
        display: inline;
    }
}
</style>
