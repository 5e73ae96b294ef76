<script setup lang="ts">
/** Who is signed in, where, and how another device or another grower comes in. */
import { Head, Link, router } from '@inertiajs/vue3';
import { computed, onBeforeUnmount, ref } from 'vue';
import { toString as picture } from 'qrcode';
import Fold from '../kit/Fold.vue';
import { send } from '../kit/turns';
import { refusal } from '../people/come';
import TextLine from '../people/TextLine.vue';

interface Device {
    id: string;
    name: string;
    /** Whether it is the one that is looked at. */
    here: boolean;
    seen: string | null;
}

const props = defineProps<{
    name: string;
    devices: Device[];
    people: string[];
    /** Where the house network finds this machine. */
    addresses: string[];
    least: number;
}>();

const message = ref('');
const fault = ref('');
async function act<T>(says: string, path: string, body: object = {}, method: 'POST' | 'DELETE' = 'POST'): Promise<T | null> {
    message.value = fault.value = '';
    const answer = await send<T>(says, path, { method, body: JSON.stringify(body) });
    if (answer.kind === 'done') return answer.data;
    fault.value = refusal(answer);
    return null;
}

/** A link holds for the house network, also where it is made on the machine itself. */
const origin = computed(() =>
    ['127.0.0.1', 'localhost', '[::1]'].includes(location.hostname) ? (props.addresses[0] ?? location.origin) : location.origin,
);
interface Code {
    code: string;
    path: string;
    minutes: number;
}
const letIn = ref<{ code: string; link: string; svg: string; left: number } | null>(null);
let counting: ReturnType<typeof setInterval> | undefined;
onBeforeUnmount(() => clearInterval(counting));
const SECONDS = 60;
async function letDeviceIn(): Promise<void> {
    const made = await act<Code>('Making a code', 'people/device');
    if (!made) return;
    const link = origin.value + made.path;
    const svg = await picture(link, { type: 'svg', margin: 2, errorCorrectionLevel: 'M' });
    const until = performance.now() + made.minutes * SECONDS * 1000;
    const left = (): number => Math.max(0, Math.ceil((until - performance.now()) / 1000));
    letIn.value = {
        code: `${made.code.slice(0, 4)} ${made.code.slice(4)}`,
        link,
        svg: `data:image/svg+xml,${encodeURIComponent(svg)}`,
        left: left(),
    };
    clearInterval(counting);
    counting = setInterval(() => {
        if (!letIn.value) return;
        letIn.value.left = left();
        // Whoever used it is in the list.
        if (letIn.value.left % 5 === 0) router.reload({ only: ['devices'] });
        if (letIn.value.left === 0) letIn.value = null;
    }, 1000);
}
const clock = (seconds: number): string => `${Math.floor(seconds / SECONDS)}:${String(seconds % SECONDS).padStart(2, '0')}`;

const invitation = ref('');
async function invite(): Promise<void> {
    const made = await act<Code>('Making a link', 'people/invite');
    if (made) invitation.value = origin.value + made.path;
}

async function end(device: Device): Promise<void> {
    if (await act('Signing it out', `people/devices/${device.id}`, {}, 'DELETE')) {
        message.value = `${device.name} is signed out.`;
        router.reload();
    }
}
async function signOut(): Promise<void> {
    if (await act('Signing out', 'sign-out')) location.assign('/sign-in');
}

const old = ref('');
const fresh = ref('');
async function change(): Promise<void> {
    if (await act('Changing the password', 'people/password', { old: old.value, new: fresh.value })) {
        message.value = 'The password is changed. All other devices are signed out.';
        old.value = fresh.value = '';
        router.reload();
    }
}

const when = (iso: string | null): string =>
    iso === null ? '' : new Date(iso).toLocaleString(undefined, { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });
</script>

<template>
    <Head title="People and devices" />
    <main class="leaf">
        <header>
            <Link href="/" class="back">All gardens</Link>
            <h1>{{ name }}</h1>
        </header>
        <p v-if="message" class="said" role="status">{{ message }}</p>
        <p v-if="fault" class="said wrong" role="alert">{{ fault }}</p>
        <div class="columns">
            <section>
                <h2>Where you are signed in</h2>
                <ul>
                    <li v-for="d in devices" :key="d.id" :data-device="d.name">
                        <b>{{ d.name }}</b>
                        <span class="faint small">{{ d.here ? 'this device' : `last seen ${when(d.seen)}` }}</span>
                        <button v-if="d.here" type="button" class="box" data-act="sign-out" @click="signOut">Sign out</button>
                        <button v-else type="button" class="box" @click="end(d)">
                            Sign it out<span class="hidden-visually">: {{ d.name }}</span>
                        </button>
                    </li>
                </ul>
                <Fold class="wide" title="Change the password">
                    <form @submit.prevent="change">
                        <input type="hidden" name="username" autocomplete="username" :value="name" />
                        <TextLine v-model="old" label="The old one" type="password" autocomplete="current-password" />
                        <TextLine
                            v-model="fresh"
                            label="The new one"
                            type="password"
                            autocomplete="new-password"
                            :help="`${least} characters at least. All other devices are signed out by it.`"
                        />
                        <button type="submit" class="box strong" data-act="change-password">Change it</button>
                    </form>
                </Fold>
            </section>
            <section>
                <h2>Let a device in</h2>
                <p class="small faint">The phone that you take to the tub, say. It comes in as you, without a password.</p>
                <button v-if="!letIn" type="button" class="box strong" data-act="let-device-in" @click="letDeviceIn">Show a code</button>
                <div v-else class="code" role="status" data-code>
                    <img :src="letIn.svg" width="190" height="190" :alt="`QR picture of ${letIn.link}`" />
                    <div>
                        <p>
                            Point its camera here, or open <b>{{ origin }}/let-in</b> on it and write
                        </p>
                        <p class="signs">{{ letIn.code }}</p>
                        <p class="small faint">For one device, {{ clock(letIn.left) }} more.</p>
                    </div>
                </div>
                <h2>Who grows here</h2>
                <p>{{ people.join(', ') }}</p>
                <p class="small faint">Each has gardens and a Library of their own, which nobody else sees.</p>
                <button v-if="!invitation" type="button" class="box" data-act="invite" @click="invite">Invite somebody</button>
                <div v-else role="status">
                    <p class="small">Give them this link. It holds once, for a week.</p>
                    <p class="link" data-invitation>{{ invitation }}</p>
                </div>
            </section>
        </div>
        <p class="small faint">
            What goes through the house network is not encrypted: use it where you trust who is on it, and choose a password that you use
            nowhere else.
        </p>
    </main>
</template>

<style scoped>
.columns {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 0 3rem;
    margin: 1.2rem 0 1.6rem;
}
section {
    display: grid;
    gap: 0.6rem;
    align-content: start;
    justify-items: start;
}
section h2:not(:first-child) {
    margin-top: 1.2rem;
}
ul {
    list-style: none;
    margin: 0;
    padding: 0;
    width: 100%;
    border-top: 1px solid var(--rule);
}
li {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 0 1rem;
    align-items: center;
    padding: 0.5rem 0;
    border-bottom: 1px solid var(--rule);
}
li b {
    font-family: var(--grotesque);
    overflow-wrap: anywhere;
}
li .small {
    grid-row: 2;
}
li button {
    grid-row: 1 / 3;
    grid-column: 2;
}
.wide {
    width: 100%;
}
form {
    display: grid;
    gap: 0.7rem;
    padding-top: 0.6rem;
    justify-items: start;
}
.said {
    margin: 0.9rem 0 0;
}
.wrong {
    color: var(--stop-text);
}
.code {
    display: flex;
    flex-wrap: wrap;
    gap: 1rem;
    align-items: center;
}
.code img {
    background: #fff;
}
.code > div {
    flex: 1;
    min-width: 12rem;
}
.signs {
    font-family: var(--grotesque);
    font-size: 1.9rem;
    font-weight: 700;
    letter-spacing: 0.06em;
}
.link {
    overflow-wrap: anywhere;
    border: 1px solid var(--ink);
    background: var(--sheet);
    padding: 0.4rem 0.7rem;
    user-select: all;
}
@media (max-width: 760px) {
    .box {
        min-height: 44px;
    }
    .columns {
        grid-template-columns: 1fr;
        gap: 1.6rem;
    }
}
</style>
