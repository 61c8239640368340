import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

export default defineConfig({
    resolve: { alias: { '@': fileURLToPath(new URL('resources/js', import.meta.url)) } },
    test: {
        include: ['tests/unit/**/*.test.{ts,tsx}'],
        environment: 'jsdom',
        env: { TZ: 'Europe/London' },
        restoreMocks: true,
    },
});
