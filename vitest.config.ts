import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

export default defineConfig({
    resolve: { alias: { '@': fileURLToPath(new URL('resources/js', import.meta.url)) } },
    test: {
        include: ['tests/unit/**/*.test.{ts,tsx}'],
        environment: 'jsdom',
        // Node.js has no Temporal of its own yet.
        setupFiles: ['temporal-polyfill/global', 'tests/unit/patience.ts'],
        testTimeout: 60_000,
        env: { TZ: 'Europe/London' },
        restoreMocks: true,
    },
});
