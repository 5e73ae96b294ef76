import PrimeVue from 'primevue/config';
import { getCurrentInstance } from 'vue';
import { nonce } from './nonce';
import { preset } from './preset';

/** The library of controls and its theme come with the first control that is made of it: a page without any does not wait for them. */
export function useControls(): void {
    getCurrentInstance()?.appContext.app.use(PrimeVue, {
        csp: { nonce: nonce() },
        theme: { preset, options: { darkModeSelector: '.night', cssLayer: { name: 'primevue', order: 'base, primevue' } } },
    });
}
