import { defineConfig } from '@playwright/test';

export default defineConfig({
    testDir: '.',
    outputDir: '../../var/journeys',
    fullyParallel: false,
    workers: 2,
    timeout: 120_000,
    forbidOnly: true,
    reporter: [['list']],
    expect: { timeout: 20_000 },
    use: {
        baseURL: process.env.ROTA_URL ?? 'http://127.0.0.1:8080',
        viewport: { width: 1280, height: 800 },
        locale: 'en-GB',
        timezoneId: 'Europe/London',
        screenshot: 'only-on-failure',
        launchOptions: {
            executablePath: '/usr/bin/chromium',
            args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'],
        },
    },
});
