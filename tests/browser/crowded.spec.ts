import { expect, test, type Page } from '@playwright/test';
import { addByApi, day, enter, makeCalendar, slugOf, unique } from './support';
import { faultsOf } from './walk';

type Told = { id: number; occurrence: string | null; title: string; allDay: boolean; start: string; busyOnly: boolean };

async function itemsOf(page: Page, from: string, to: string): Promise<Told[]> {
    const answer = await page.request.get('/api/v1/sheet', { params: { from, to, tz: 'Europe/London' } });
    return ((await answer.json()) as { items: Told[] }).items;
}

/** How many weeks on the fullest of those to come is, as one sees them. */
async function fullestWeek(page: Page): Promise<number> {
    const weeks = await Promise.all(Array.from({ length: 10 }, async (_, week) => ({ week, count: (await itemsOf(page, day(7 * week), day(7 * week + 7))).length })));
    return weeks.sort((a, b) => b.count - a.count)[0]?.week ?? 0;
}

/** Of each item that is drawn, how many letters of its name can be read, and how high its line is. */
async function readable(page: Page): Promise<Record<string, { letters: number; high: number }>> {
    return page.evaluate(() => {
        const seen: Record<string, { letters: number; high: number }> = {};
        for (const item of document.querySelectorAll<HTMLElement>('[data-item]')) {
            const name = item.querySelector('.name') ?? item;
            const text = [...name.childNodes].find((node) => node.nodeType === Node.TEXT_NODE) ?? null;
            const key = `${item.dataset.id} ${item.dataset.occurrence}`;
            if (text === null) continue;
            // Whatever cuts it, and the room of a sign that it is cut.
            let [right, bottom] = [innerWidth, Infinity];
            for (let clip: Element | null = name; clip !== null && clip.matches('[data-item], [data-item] *'); clip = clip.parentElement) {
                if (getComputedStyle(clip).overflow === 'visible') continue;
                const edge = clip.getBoundingClientRect();
                [right, bottom] = [Math.min(right, edge.right), Math.min(bottom, edge.bottom)];
            }
            const range = document.createRange();
            let letters = 0;
            let high = 0;
            for (let at = 0; at < (text.textContent ?? '').length; at++) {
                range.setStart(text, at);
                range.setEnd(text, at + 1);
                const box = range.getBoundingClientRect();
                if (box.right > right + 1 || box.top + box.height / 2 > bottom) break;
                letters++;
                high = Math.max(high, parseFloat(getComputedStyle(name).lineHeight));
            }
            if (letters < (text.textContent ?? '').length) letters -= 1;
            seen[key] = { letters: Math.max(letters, seen[key]?.letters ?? 0), high: Math.max(high, seen[key]?.high ?? 0) };
        }
        return seen;
    });
}

for (const [width, height] of [[1280, 800], [1440, 900]] as const) {
    test(`in the fullest week, of everything that the server tells a name can be read: ${width} × ${height}`, async ({ page }) => {
        await page.setViewportSize({ width, height });
        await enter(page, 'Ines Halloran');
        const week = await fullestWeek(page);
        await page.goto(`/?overlay=all&view=week&date=${day(7 * week)}`);
        await page.getByRole('button', { name: /^all hours/ }).click();
        await expect(page.getByRole('button', { name: 'fewer hours' })).toBeVisible();
        expect((await itemsOf(page, day(7 * week), day(7 * week + 7))).length).toBeGreaterThan(60);
        // What others add meanwhile is told before it is drawn.
        await expect
            .poll(async () => {
                const told = await itemsOf(page, day(7 * week), day(7 * week + 7));
                const seen = await readable(page);
                return told
                    .filter(({ id, occurrence, title }) => {
                        const found = seen[`${id} ${occurrence ?? ''}`];
                        return found === undefined || found.high < 16 || found.letters < Math.min(8, title.length);
                    })
                    .map(({ title, start }) => `${title}, ${start}`);
            })
            .toEqual([]);
        expect(await page.evaluate(() => document.querySelector('[data-scroller]')!.scrollWidth - document.querySelector('[data-scroller]')!.clientWidth)).toBe(0);
        expect(await faultsOf(page, false)).toEqual([]);
    });
}

test('a crowded day is worked with as any other: bars are opened, taken elsewhere by their names, lengthened, and moved by keys', async ({ page }) => {
    const name = unique('Slip');
    await enter(page, 'Oda Lindqvarn');
    await makeCalendar(page, name);
    const calendar = await slugOf(page, name);
    const titles = ['Anchor', 'Bollard', 'Cleat', 'Davit', 'Ensign', 'Fender'];
    await addByApi(page, titles.map((title, index) => ({ calendar, title, start: `${day(8)}T0${8 + (index % 2)}:00`, end: `${day(8)}T12:00` })));
    await page.goto(`/?calendar=${calendar}&view=week&date=${day(7)}`);
    const bar = (title: string) => page.getByRole('button', { name: new RegExp(`^${title}, `) });
    const hour = Number(await page.locator('[data-first-hour]').first().getAttribute('data-hour-height'));
    const box = async (title: string, part = '') => (await (part === '' ? bar(title) : bar(title).locator(part)).boundingBox()) ?? { x: 0, y: 0, width: 0, height: 0 };
    const drag = async (from: { x: number; y: number }, by: { x: number; y: number }) => {
        await page.mouse.move(from.x, from.y);
        await page.mouse.down();
        await page.mouse.move(from.x + by.x, from.y + by.y, { steps: 8 });
        await page.mouse.up();
        await page.mouse.move(0, 0);
    };
    await expect(page.locator('.bar')).toHaveCount(6);

    await test.step('by its name, two hours on', async () => {
        const label = await box('Cleat', '.beside');
        await drag({ x: label.x + 30, y: label.y + 8 }, { x: 0, y: 2 * hour });
        await expect(page.getByRole('button', { name: /^Cleat, .*10:00–14:00/ })).toBeVisible();
    });

    await test.step('by its lower end, an hour longer', async () => {
        const end = await box('Davit', '[data-handle=end]');
        await drag({ x: end.x + end.width / 2, y: end.y + end.height / 2 }, { x: 0, y: hour });
        await expect(page.getByRole('button', { name: /^Davit, .*9:00–13:00/ })).toBeVisible();
    });

    await test.step('by keys; and opened by its name', async () => {
        await bar('Ensign').focus();
        await page.keyboard.press('Shift+ArrowDown');
        await expect(page.getByRole('button', { name: /^Ensign, .*8:15–12:15/ })).toBeVisible();
        const label = await box('Fender', '.beside');
        await page.mouse.click(label.x + 30, label.y + 8);
        await expect(page.getByRole('complementary', { name: 'Event' })).toContainText('Fender');
    });

    await test.step('to a day with room, where it is a ticket again', async () => {
        const label = await box('Anchor', '.beside');
        const next = await page.getByRole('gridcell', { name: /^Hours, / }).nth(3).boundingBox();
        await drag({ x: label.x + 20, y: label.y + 8 }, { x: (next?.x ?? 0) - label.x + 20, y: 0 });
        await expect(page.getByRole('button', { name: /^Anchor, Thursday/ })).toHaveClass(/ticket/);
        await expect(page.locator('.bar')).toHaveCount(5);
    });
});
