import { defineConfig } from '@playwright/test';

export default defineConfig({
    testDir: '.',
    outputDir: '../../var/journeys',
    fullyParallel: false,
    workers: 2,
    // A loaded machine takes many times as long as a quiet one: these bound a hang, nothing else.
    timeout: 600_000,
    forbidOnly: true,
    reporter: [['list']],
    expect: { timeout: 90_000 },
    // One more try, told as “flaky”, where the machine itself stood still.
    retries: 1,
    use: {
        actionTimeout: 90_000,
        baseURL: process.env.ROTA_URL ?? 'http://127.0.0.1:8080',
        viewport: { width: 1280, height: 800 },
        // What is there without a network is for the journeys that are about it.
        serviceWorkers: 'block',
        locale: 'en-GB',
        timezoneId: 'Europe/London',
        screenshot: 'only-on-failure',
        launchOptions: {
            executablePath: '/usr/bin/chromium',
            args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'],
        },
    },
});
