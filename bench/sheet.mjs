/**
 * Times the sheet in Chromium: 2,000 occurrences in 60 layers, from when the data is there to when they are painted, and
 * the frames of a drag over them.
 *
 *   node bench/sheet.mjs PORT
 */
import { chromium } from '@playwright/test';

/** By what the month, the lanes and the week are held: milliseconds. */
const TARGETS = { month: 60, lanes: 60, week: 100 };
const FRAME = 1000 / 60;
const url = `http://127.0.0.1:${process.argv[2]}`;
const row = (what, value, bound, target) => console.log(`${what.padEnd(68)} ${value.toFixed(1).padStart(8)}  ${bound} ${target} ${value <= target === (bound === 'at most') ? 'ok' : 'MISSED'}`);
const median = (list) => list.toSorted((a, b) => a - b)[Math.floor(list.length / 2)];

const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'],
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.goto(url);
await page.getByLabel('Your address').fill('bench@example.org');
await page.getByLabel('Password').fill('a-long-enough-one');
await page.getByRole('button', { name: 'Sign in' }).click();
await page.getByLabel(/^You: /).waitFor();

// From the moment that the last byte of the sheet is there to the first frame in which it is painted.
await page.addInitScript(() => {
    const real = window.fetch;
    window.fetch = async (...asked) => {
        const answer = await real(...asked);
        if (String(asked[0].url ?? asked[0]).includes('/sheet')) {
            const read = answer.text.bind(answer);
            answer.text = async () => {
                const text = await read();
                window.benchStart = performance.now();
                return text;
            };
            answer.json = async () => JSON.parse(await answer.text());
        }
        return answer;
    };
});
for (const [view, what] of [['month', 'switching month'], ['lanes&weeks=4', 'four weeks of lanes, 60 rows'], ['week', 'a week by the hour']]) {
    const times = [];
    for (let round = 0; round < 7; round++) {
        await page.goto(`${url}/?overlay=bench&view=${view}&date=2019-0${round + 1}-10`);
        await page.getByRole('grid').waitFor();
        times.push(
            await page.evaluate(
                () =>
                    new Promise((resolve) => {
                        window.benchStart = undefined;
                        const watch = new MutationObserver(() => {
                            if (document.querySelectorAll('[role=grid] [data-item]').length < 20 || window.benchStart === undefined) return;
                            watch.disconnect();
                            // After the frame that paints what the change made.
                            requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - window.benchStart)));
                        });
                        watch.observe(document.body, { childList: true, subtree: true });
                        [...document.querySelectorAll('button')].find((each) => each.textContent === 'Today').click();
                    }),
            ),
        );
    }
    const drawn = await page.locator('[role=grid] [data-item]').count();
    const told = `${what}: data there to painted, ms (median of 7; ${drawn} drawn)`;
    row(told, median(times), 'at most', TARGETS[view.split('&')[0]]);
}

for (const view of ['month', 'lanes&weeks=4']) {
    await page.goto(`${url}/?overlay=bench&view=${view}`);
    await page.locator('[data-item]').first().waitFor();
    const total = await page.getByRole('complementary', { name: 'Key' }).getByRole('status').first().textContent();
    const box = await page.locator('[role=grid] [data-item]').nth(20).boundingBox();
    await page.mouse.move(box.x + 5, box.y + 5);
    await page.mouse.down();
    await page.mouse.move(box.x + 30, box.y + 20, { steps: 4 });
    await page.evaluate(() => {
        window.benchFrames = [];
        window.benchWork = [];
        let last = performance.now();
        const tick = (now) => {
            window.benchFrames.push(now - last);
            last = now;
            if (window.benchFrames !== null) requestAnimationFrame(tick);
        };
        requestAnimationFrame(tick);
        new PerformanceObserver((list) => window.benchWork.push(...list.getEntries().map((each) => each.duration))).observe({ type: 'longtask' });
    });
    for (let step = 0; step < 150; step++) await page.mouse.move(300 + (step % 50) * 13, 300 + ((step * 7) % 40) * 9);
    const { frames, long } = await page.evaluate(() => ({ frames: window.benchFrames.slice(2), long: window.benchWork }));
    await page.keyboard.press('Escape');
    await page.mouse.up();
    console.log(`dragging, ${view}, ${total}: ${frames.length} frames, ${long.length} tasks longer than 50 ms`);
    row(`dragging, ${view}: a frame, ms (median)`, median(frames), 'at most', Number(FRAME.toFixed(1)) + 0.2);
    row(`dragging, ${view}: frames that came late, %`, (frames.filter((each) => each > FRAME * 1.5).length / frames.length) * 100, 'at most', 5);
}
await browser.close();
