/// <reference types="vitest/config" />
import vue from '@vitejs/plugin-vue';
import laravel from 'laravel-vite-plugin';
import { defineConfig } from 'vite';

const unitTests = process.env.VITEST !== undefined;

export default defineConfig({
    plugins: [...(unitTests ? [] : [laravel({ input: 'resources/js/app.ts' })]), vue()],
    // The licences of all that is bundled, fonts too, ship with it: public/build/licences.txt.
    build: { chunkSizeWarningLimit: 900, license: { fileName: 'licences.txt' } },
    test: {
        environment: 'jsdom',
        include: ['tests/Page/**/*.test.ts'],
        server: { deps: { inline: ['primevue', '@primeuix/themes'] } },
    },
});
