import { devices, expect, test } from '@playwright/test';
import { day, enter, laneCell, makeCalendar, unique } from './support';

const { userAgent, hasTouch, isMobile, deviceScaleFactor } = devices['Pixel 7'];

test.use({ viewport: { width: 390, height: 844 }, userAgent, hasTouch, isMobile, deviceScaleFactor });

test('on a phone, by touch: make, add, open, find in the key, turn the sheet', async ({ page }) => {
    const name = unique('Pontoon');
    await enter(page, 'Greta Ondaatsen');
    await makeCalendar(page, name);
    await page.goto(`/?overlay=all&date=${day(1)}`);

    await laneCell(page, name, day(2)).tap();
    await page.getByLabel('Title').fill('Towing drill');
    await page.getByRole('button', { name: 'Add it' }).tap();
    await expect(page.getByText(`Added to ${name}`)).toBeVisible();

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
    await page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Feeds' }).tap();
    await expect(page.getByText('Nothing is published yet')).toBeVisible();
});
