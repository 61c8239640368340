import { devices, expect, test } from '@playwright/test';
import { ADD, day, enter, laneCell, makeCalendar, unique } from './support';

const { userAgent, hasTouch, isMobile, deviceScaleFactor } = devices['Pixel 7'];

test.use({ viewport: { width: 390, height: 844 }, userAgent, hasTouch, isMobile, deviceScaleFactor });

test('on a phone, by touch: make, add, open, find in the key, turn the sheet', async ({ page }) => {
    const name = unique('Pontoon');
    await enter(page, 'Greta Ondaatsen');
    await makeCalendar(page, name);
    await page.goto(`/?overlay=all&date=${day(1)}`);

    await laneCell(page, name, day(2)).tap();
    await page.getByLabel('Title').fill('Towing drill');
    await page.getByRole('button', { name: ADD }).tap();
    await expect(page.getByText(new RegExp(`^Added: .* on ${name}\\.`))).toBeVisible();

    await laneCell(page, name, day(2)).getByRole('button', { name: /Towing drill/ }).tap();
    const panel = page.getByRole('complementary', { name: 'Event' });
    await expect(panel.getByRole('heading', { name: 'Towing drill' })).toBeVisible();
    await panel.getByRole('button', { name: 'Close the event' }).tap();
    await expect(panel).toBeHidden();

    await page.getByRole('button', { name: 'Key', exact: true }).tap();
    const key = page.getByRole('complementary', { name: 'Key' });
    await key.getByRole('button', { name: new RegExp(`^${name}, 1 in view`) }).tap();
    await expect(page.getByRole('row', { name: new RegExp(name) })).toBeHidden();
    await key.getByRole('button', { name: 'Close the key' }).tap();

    await page.getByRole('tab', { name: 'Month' }).tap();
    await expect(page.getByRole('grid', { name: /^Month/ })).toBeVisible();
    await page.getByRole('button', { name: 'On a month' }).tap();
    await page.getByRole('button', { name: 'Today' }).tap();
    await expect(page.locator(`[data-day="${day(0)}"]`)).toBeVisible();
    await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Publish' }).tap();
    await expect(page.getByText('Nothing is published yet')).toBeVisible();
});

test('on a phone: an event is lifted by resting a finger on it, rows are told apart by person, filters and finding are in the key', async ({ page, browser }) => {
    const name = unique('Slip');
    await enter(page, 'Colm Vasquellis');
    await makeCalendar(page, name);
    await page.goto(`/?overlay=all&view=lanes&date=${day(1)}`);
    await laneCell(page, name, day(1)).tap();
    await page.getByLabel('Title').fill('Haul out');
    await page.getByRole('button', { name: ADD }).tap();
    const ticket = laneCell(page, name, day(1)).getByRole('button', { name: /^Haul out/ });
    await expect(ticket).toBeVisible();

    await test.step('lifted and dropped on another day', async () => {
        await ticket.scrollIntoViewIfNeeded();
        const from = await ticket.boundingBox();
        const to = await laneCell(page, name, day(3)).boundingBox();
        const touch = await page.context().newCDPSession(page);
        const at = (type: 'touchStart' | 'touchMove', x: number, y: number) => touch.send('Input.dispatchTouchEvent', { type, touchPoints: [{ x, y }] });
        const [x, y] = [(from?.x ?? 0) + 12, (from?.y ?? 0) + 10];
        await at('touchStart', x, y);
        await expect(page.locator('.ticket.lifted')).toBeVisible();
        const goal = (to?.x ?? 0) + 20;
        for (let step = 1; step <= 8; step++) await at('touchMove', x + ((goal - x) * step) / 8, y + 4);
        await expect(page.locator(`[data-day="${day(3)}"][data-over]`)).toHaveCount(1);
        await touch.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
        await expect(laneCell(page, name, day(3)).getByRole('button', { name: /^Haul out/ })).toBeVisible();
    });

    await test.step('by person; only these words; found again from the header', async () => {
        await page.getByRole('button', { name: 'How it is drawn' }).tap();
        await page.getByLabel('A row is').selectOption('person');
        await page.keyboard.press('Escape');
        // Of a day that has many, so many are shown, and how many there are besides.
        await laneCell(page, 'Nobody responsible', day(3)).getByRole('button', { name: /^and \d+/ }).tap();
        await expect(laneCell(page, 'Nobody responsible', day(3)).getByRole('button', { name: /^Haul out/ }).first()).toBeVisible();
        await page.getByRole('button', { name: 'Key', exact: true }).tap();
        const key = page.getByRole('complementary', { name: 'Key' });
        await key.getByLabel('Only with these words').fill('no such thing at all');
        await expect(key.getByText('because only events with “no such thing at all” are asked for')).toBeVisible();
        await key.getByRole('button', { name: 'Show everything' }).tap();
        await key.getByRole('button', { name: 'Close the key' }).tap();
        await page.getByRole('button', { name: 'Add or find' }).tap();
        await page.getByRole('combobox', { name: 'Add or find: one line' }).fill('haul out');
        await page.getByRole('option', { name: /^Haul out/ }).first().tap();
        await expect(page.getByRole('complementary', { name: 'Event' }).getByRole('heading', { name: /^Haul out/ })).toBeVisible();
    });

    await test.step('somebody else, with a copied address, sees what they may', async () => {
        const address = page.url();
        const context = await browser.newContext({ viewport: { width: 390, height: 844 }, userAgent, hasTouch, isMobile, deviceScaleFactor });
        const other = await context.newPage();
        await enter(other, 'Idris Holm');
        await other.goto(address);
        await expect(other.getByRole('grid')).toBeVisible();
        await expect(other.getByRole('columnheader', { name: 'Responsible' })).toBeVisible();
        await expect(other.getByRole('row', { name: new RegExp(name) })).toHaveCount(0);
        await context.close();
    });
});
