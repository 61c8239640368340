import { expect, test, type Page } from '@playwright/test';
import { ADD, addByApi, day, enter, makeCalendar, slugOf, unique } from './support';
import { addDays } from '../../resources/js/time/dates';
import { faultsOf } from './walk';

type Told = { id: number; occurrence: string | null; layer: number; title: string; allDay: boolean; start: string; end: string; busyOnly: boolean };

async function itemsOf(page: Page, from: string, to: string, calendar?: string): Promise<Told[]> {
    const answer = await page.request.get('/api/v1/sheet', { params: { from, to, tz: 'Europe/London', ...(calendar === undefined ? {} : { calendar }) } });
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
            const key = (item.dataset.item ?? '').replace(/:\d+$/, '');
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
        // Those who share a ribbon, where none is left out and nothing is cut.
        for (const band of document.querySelectorAll<HTMLElement>('[data-band]')) {
            const name = band.querySelector<HTMLElement>('.name');
            if (name === null || band.querySelector('.more') !== null || name.scrollWidth > name.clientWidth) continue;
            for (const id of (band.dataset.band ?? '').split(' ')) seen[id] = { letters: name.textContent.length, high: parseFloat(getComputedStyle(name).lineHeight) };
        }
        return seen;
    });
}

/** Of all that the server tells of some days, what has no name that can be read: eight letters of it, or all, on a line of 16 pixels. */
async function unreadable(page: Page, from: string, to: string): Promise<string[]> {
    const told = await itemsOf(page, from, to);
    const seen = await readable(page);
    return told
        .filter(({ id, occurrence, title }) => {
            const found = seen[`${id}:${occurrence ?? ''}`];
            return found === undefined || found.high < 16 || found.letters < Math.min(8, title.length);
        })
        .map(({ title, start }) => `${title}, ${start}`);
}

for (const [width, height] of [[1280, 800], [1440, 900]] as const) {
    test(`in the fullest week, of everything that the server tells a name can be read: ${width} × ${height}`, async ({ page }) => {
        await page.setViewportSize({ width, height });
        await enter(page, 'Ines Halloran');
        const week = await fullestWeek(page);
        await page.goto(`/?overlay=all&view=week&date=${day(7 * week)}`);
        // Nobody has to ask for the hours that something is in.
        await expect(page.getByRole('button', { name: 'fewer hours' })).toBeHidden();
        expect((await itemsOf(page, day(7 * week), day(7 * week + 7))).length).toBeGreaterThan(60);
        // What others add meanwhile is told before it is drawn.
        await expect.poll(() => unreadable(page, day(7 * week), day(7 * week + 7))).toEqual([]);
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
        const end = await box('Davit');
        await drag({ x: end.x + end.width / 2, y: end.y + end.height - 3 }, { x: 0, y: hour });
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

test('on a phone, of everything that the server tells of a full day, and of the days after it, a name can be read', async ({ page }) => {
    await page.setViewportSize({ width: 390, height: 844 });
    await enter(page, 'Ines Halloran');
    const week = await fullestWeek(page);
    const counts = await Promise.all([0, 1, 2, 3, 4].map(async (weekday) => ({ date: day(7 * week + weekday), count: (await itemsOf(page, day(7 * week + weekday), day(7 * week + weekday + 1))).length })));
    const { date, count } = counts.sort((a, b) => b.count - a.count)[0] ?? { date: day(0), count: 0 };
    expect(count).toBeGreaterThan(9);

    await page.goto(`/?overlay=all&view=day&date=${date}`);
    await page.getByRole('button', { name: /^all hours/ }).click();
    await expect(page.getByRole('button', { name: 'fewer hours' })).toBeVisible();
    await expect.poll(() => unreadable(page, date, addDays(date, 1))).toEqual([]);

    await page.goto(`/?overlay=all&view=list&date=${date}`);
    await expect(page.locator(`[data-day="${date}"] [data-item]`).first()).toBeVisible();
    await expect.poll(() => unreadable(page, date, addDays(date, 7))).toEqual([]);
    expect(await page.evaluate(() => document.querySelector('[data-scroller]')!.scrollWidth - document.querySelector('[data-scroller]')!.clientWidth)).toBe(0);
});

/** The last day that an item takes up. */
function lastDay({ start, end, allDay }: Told): string {
    const before = end.slice(0, 10) > start.slice(0, 10) && (allDay || end.endsWith('T00:00'));
    return addDays(end.slice(0, 10), before ? -1 : 0);
}

/** What of each day of a month is drawn by name, by its ids, and what is counted of each layer. */
async function drawnInMonth(page: Page) {
    return page.evaluate(() => {
        const cells = [...document.querySelectorAll<HTMLElement>('[data-cell]')];
        const days: Record<string, { named: Set<string>; counted: Record<string, number> }> = Object.fromEntries(cells.map((cell) => [cell.dataset.day ?? '', { named: new Set<string>(), counted: {} }]));
        for (const cell of cells) {
            const here = days[cell.dataset.day ?? ''];
            for (const count of cell.querySelectorAll<HTMLElement>('[data-counted]')) {
                const [layer = '', number = '0'] = (count.dataset.counted ?? '').split(':');
                if (here !== undefined) here.counted[layer] = Number(number);
            }
        }
        for (const each of document.querySelectorAll<HTMLElement>('[data-item], [data-band]')) {
            const box = each.getBoundingClientRect();
            const ids = each.dataset.band?.split(' ') ?? [(each.dataset.item ?? '').replace(/:\d+$/, '')];
            for (const cell of cells) {
                const at = cell.getBoundingClientRect();
                const over = Math.min(box.right, at.right) - Math.max(box.left, at.left) > at.width / 2 && box.top < at.bottom && box.bottom > at.top;
                if (over) ids.forEach((id) => days[cell.dataset.day ?? '']?.named.add(id));
            }
        }
        return Object.fromEntries(Object.entries(days).map(([date, { named, counted }]) => [date, { named: [...named], counted }]));
    });
}

for (const [width, height] of [[1280, 800], [1440, 900], [390, 844]] as const) {
    test(`in a month, of every day everything that the server tells is named, or counted by the mark of its layer: ${width} × ${height}`, async ({ page }) => {
        await page.setViewportSize({ width, height });
        await enter(page, 'Ines Halloran');
        await page.goto(`/?overlay=all&view=month&date=${day(0)}`);
        await expect(page.locator('[data-counted]').first()).toBeVisible();
        const [first = '', last = ''] = await page.locator('[data-cell]').evaluateAll((cells) => [cells[0]?.dataset.day ?? '', cells.at(-1)?.dataset.day ?? '']);
        const wrong = async () => {
            const told = await itemsOf(page, first, addDays(last, 1));
            const seen = await drawnInMonth(page);
            return Object.entries(seen).flatMap(([date, { named, counted }]) => {
                const unnamed = told.filter((item) => item.start.slice(0, 10) <= date && lastDay(item) >= date && !named.includes(`${item.id}:${item.occurrence ?? ''}`));
                const layers = [...new Set(unnamed.map(({ layer }) => layer))];
                const missed = layers.reduce((sum, layer) => sum + Math.max(0, unnamed.filter((item) => item.layer === layer).length - (counted[layer] ?? 0)), 0);
                // What does not fit beside the number is told by one number.
                return missed === (counted['*'] ?? 0) ? [] : [`${date}: ${missed} of ${unnamed.map(({ title }) => title).join(', ')}`];
            });
        };
        await expect.poll(wrong).toEqual([]);
        expect(await page.evaluate(() => document.querySelector('[data-scroller]')!.scrollWidth - document.querySelector('[data-scroller]')!.clientWidth)).toBe(0);
        expect(await faultsOf(page, false)).toEqual([]);
    });
}

test('a full month is worked with: days and ribbons open in place, something is added on a full day, an event is taken into the next days', async ({ page }) => {
    const name = unique('Loft');
    await enter(page, 'Oda Lindqvarn');
    await makeCalendar(page, name);
    const calendar = await slugOf(page, name);
    // A month that this test has to itself, from its second Monday on.
    const monday = day(7 * 20);
    const hours = ['Adze', 'Batten', 'Caulk', 'Dowel', 'Eyelet', 'Ferrule'].map((title, index) => ({ calendar, title, start: `${monday}T0${index + 3}:00`, end: `${monday}T10:00` }));
    const whole = ['Keel away', 'Stem away'].map((title) => ({ calendar, title, start: monday, end: day(7 * 20 + 2), allDay: true }));
    await addByApi(page, [...hours, ...whole]);
    await page.goto(`/?calendar=${calendar}&view=month&date=${monday}`);
    const cell = page.locator(`[data-cell][data-day="${monday}"]`);

    await test.step('what does not fit is counted; it opens in place and folds again', async () => {
        const counts = cell.getByRole('button', { name: new RegExp(`more: ${name} \\d`) });
        await expect(cell.getByRole('button', { name: /^Ferrule/ })).toHaveCount(0);
        await counts.click();
        await expect(cell.getByRole('button', { name: /^Ferrule/ })).toBeVisible();
        await cell.getByRole('button', { name: 'fewer' }).click();
        await expect(counts).toBeVisible();
    });

    await test.step('those who share a ribbon are named together; by keys each has its own, and they are put together again', async () => {
        const band = cell.getByRole('button', { name: /^Keel, Stem away/ });
        await band.focus();
        await page.keyboard.press('Enter');
        await expect(cell.getByRole('button', { name: /^Keel away/ })).toBeFocused();
        await expect(cell.getByRole('button', { name: /^Stem away/ })).toBeVisible();
        await page.getByRole('button', { name: 'together' }).click();
        await expect(band).toBeVisible();
    });

    await test.step('all of each day, and whole days apart, for as long as one likes', async () => {
        await page.getByRole('button', { name: 'How it is drawn' }).click();
        await page.getByLabel('All of each day').check();
        await page.getByLabel('Whole days of a layer apart').check();
        await expect(cell.getByRole('button', { name: /^Ferrule/ })).toBeVisible();
        await page.reload();
        await expect(cell.getByRole('button', { name: /^Ferrule/ })).toBeVisible();
        await expect(cell.getByRole('button', { name: /^Stem away/ })).toBeVisible();
        await page.getByRole('button', { name: 'How it is drawn' }).click();
        await page.getByLabel('All of each day').uncheck();
        await page.keyboard.press('Escape');
    });

    await test.step('a full day takes one more, by its plus; the next click proposes what was added last', async () => {
        await cell.hover();
        await cell.getByRole('button', { name: /^Add on/ }).click();
        await page.getByLabel('Title').fill('Gasket');
        await page.getByLabel('All day').check();
        await page.getByRole('button', { name: ADD }).click();
        await expect(page.getByText(/Added: Gasket/)).toBeVisible();
        const empty = page.locator(`[data-cell][data-day="${day(7 * 20 + 4)}"]`);
        await empty.click({ position: { x: 40, y: 60 } });
        await expect(page.getByLabel('All day')).toBeChecked();
        await page.getByRole('button', { name: 'Cancel' }).click();
    });

    await test.step('an event of hours is taken by its edge into the next day', async () => {
        await addByApi(page, [{ calendar, title: 'Halyard', start: `${day(7 * 20 + 3)}T09:00`, end: `${day(7 * 20 + 3)}T10:00` }]);
        const line = page.getByRole('button', { name: /^Halyard/ });
        const end = await line.boundingBox();
        const next = await page.locator(`[data-cell][data-day="${day(7 * 20 + 4)}"]`).boundingBox();
        await page.mouse.move((end?.x ?? 0) + (end?.width ?? 0) - 4, (end?.y ?? 0) + 10);
        await page.mouse.down();
        await page.mouse.move((next?.x ?? 0) + 40, (next?.y ?? 0) + 40, { steps: 8 });
        await page.mouse.up();
        await expect(line).toHaveClass(/ribbon/);
        await expect.poll(async () => (await itemsOf(page, day(7 * 20 + 3), day(7 * 20 + 5), calendar)).find(({ title }) => title === 'Halyard')?.end).toBe(`${day(7 * 20 + 4)}T10:00`);
    });
});

test('what stands above a sheet has its place from the first: nothing moves away under a pointer when it comes', async ({ page }) => {
    await enter(page, 'Ines Halloran');
    let bring = () => {};
    const late = new Promise<void>((resolve) => {
        bring = resolve;
    });
    for (const part of ['**/CalendarNotice*.js', '**/api/v1/ruler?*']) {
        await page.route(part, async (route) => {
            await late;
            await route.continue();
        });
    }
    await page.goto('/?calendar=assessments&view=week');
    const grid = page.getByRole('grid', { name: /^Week/ });
    await expect(grid).toBeVisible();
    const top = () => grid.evaluate((each) => each.getBoundingClientRect().top);
    const before = await top();
    await expect(page.getByRole('status', { name: 'What you look at' })).toHaveCount(0);
    const ruled = page.waitForResponse((response) => response.url().includes('/ruler?'));
    bring();
    await ruled;
    await expect(page.getByRole('status', { name: 'What you look at' })).toBeVisible();
    await expect(page.getByTitle(/^Autumn, week/).first()).toBeAttached();
    expect(await top()).toBe(before);
});
