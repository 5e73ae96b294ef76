/// <reference types="vitest/config" />
import vue from '@vitejs/plugin-vue';
import laravel from 'laravel-vite-plugin';
import { defineConfig } from 'vite';

const unitTests = process.env.VITEST !== undefined;

export default defineConfig({
    plugins: [...(unitTests ? [] : [laravel({ input: 'resources/js/app.ts' })]), vue()],
    build: { chunkSizeWarningLimit: 900 },
    test: {
        environment: 'jsdom',
        include: ['tests/Page/**/*.test.ts'],
        server: { deps: { inline: ['primevue', '@primeuix/themes'] } },
    },
});
