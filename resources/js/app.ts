import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/bricolage-grotesque';
import '../css/app.css';

import { createInertiaApp } from '@inertiajs/vue3';
import PrimeVue from 'primevue/config';
import { createApp, h, type DefineComponent } from 'vue';
import { preset } from './kit/preset';

const pages = import.meta.glob<{ default: DefineComponent }>('./Pages/*.vue');

/** Styles that libraries put into the page name this, and the page takes no others. */
const nonce = document.querySelector<HTMLMetaElement>('meta[property=csp-nonce]')?.nonce ?? '';

void createInertiaApp({
    nonce,
    title: (title) => (title ? `${title} · Kelp Tub` : 'Kelp Tub'),
    resolve: async (name) => {
        const page = pages[`./Pages/${name}.vue`];
        if (!page) throw new Error(`There is no page ${name}.`);
        return (await page()).default;
    },
    setup({ el, App, props, plugin }) {
        createApp({ render: () => h(App, props) })
            .use(plugin)
            .use(PrimeVue, {
                csp: { nonce },
                theme: { preset, options: { darkModeSelector: '.night', cssLayer: { name: 'primevue', order: 'base, primevue' } } },
            })
            .mount(el!);
    },
});
