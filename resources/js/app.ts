import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/bricolage-grotesque';
import '../css/app.css';

import { createInertiaApp } from '@inertiajs/vue3';
import { createApp, h, type DefineComponent } from 'vue';
import { nonce } from './kit/nonce';
import { walkPlaces } from './kit/places';
import { holdPresses } from './kit/presses';
import SlowDeed from './shell/SlowDeed.vue';

holdPresses();
walkPlaces();

const pages = import.meta.glob<{ default: DefineComponent }>('./Pages/*.vue');

void createInertiaApp({
    nonce: nonce(),
    title: (title) => (title ? `${title} · Kelp Tub` : 'Kelp Tub'),
    resolve: async (name) => {
        const page = pages[`./Pages/${name}.vue`];
        if (!page) throw new Error(`There is no page ${name}.`);
        return (await page()).default;
    },
    setup({ el, App, props, plugin }) {
        createApp({ render: () => [h(App, props), h(SlowDeed)] })
            .use(plugin)
            .mount(el!);
    },
});
