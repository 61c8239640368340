import { expect, test } from '@playwright/test';
import { expectAccessible } from './accessible';
import { ADD, day, enter, enterElsewhere, laneCell, makeCalendar, unique } from './support';

const WHO = 'Tilda Moreau';

test('what one is asked to take part in is under For you at once, is answered there, and is gone', async ({ page, browser }) => {
    const name = unique('Crews');
    const title = unique('Night sail');
    await enter(page, 'Lachlan Pereiro');
    await makeCalendar(page, name);
    const asked = await enterElsewhere(browser, WHO);
    await asked.goto('/waiting');
    const list = asked.getByRole('list', { name: 'Asked to take part' });
    const row = list.getByRole('listitem').filter({ hasText: title });
    await expect(asked.getByRole('heading', { level: 1, name: 'For you' })).toBeVisible();

    await test.step('it arrives while one looks elsewhere in the application', async () => {
        await page.goto(`/?overlay=all&view=lanes&date=${day(7)}`);
        await laneCell(page, name, day(9)).click();
        await page.getByLabel('Title').fill(title);
        const form = page.getByRole('form', { name: 'New event' });
        await form.getByRole('combobox', { name: 'People, groups and rooms' }).fill(WHO);
        await page.getByRole('option', { name: new RegExp(WHO) }).click();
        await form.getByLabel(`Part of ${WHO}`).selectOption('required');
        // They do not see the calendar.
        await expect(form.getByText(`${WHO} does not see “${name}”`)).toBeVisible();
        await form.getByRole('button', { name: 'Let them see it' }).click();
        await expect(form.getByText(`${WHO} does not see “${name}”`)).toHaveCount(0);
        await expect(form.getByLabel('Title')).toHaveValue(title);
        await form.getByRole('button', { name: ADD }).click();
        await expect(row).toContainText('asked by Lachlan Pereiro');
        await expect(row).toContainText(name);
        await expectAccessible(asked);
    });

    await test.step('it opens where it is, and one comes back to it', async () => {
        await row.getByRole('link', { name: title }).click();
        await expect(asked.getByRole('heading', { level: 2, name: title })).toBeVisible();
        await asked.goBack();
        await expect(row).toBeVisible();
    });

    await test.step('it is answered on a phone, and whoever asked sees it', async () => {
        await asked.setViewportSize({ width: 390, height: 844 });
        expect(await asked.locator('html').evaluate((root) => root.scrollWidth - root.clientWidth)).toBe(0);
        await row.getByRole('button', { name: 'I come' }).click();
        await expect(asked.getByText(`“${title}”: I come.`)).toBeVisible();
        await expect(row).toHaveCount(0);
        await laneCell(page, name, day(9)).getByRole('button', { name: new RegExp(title) }).click();
        const panel = page.getByRole('complementary', { name: 'Event' });
        await expect(panel).toContainText(WHO);
        await expect(panel).not.toContainText('not answered');
    });

    await test.step('what is called off asks nobody any more', async () => {
        await page.getByRole('button', { name: 'Close the event' }).click();
        const other = unique('Rope walk');
        await laneCell(page, name, day(10)).click();
        await page.getByLabel('Title').fill(other);
        const form = page.getByRole('form', { name: 'New event' });
        await form.getByRole('combobox', { name: 'People, groups and rooms' }).fill(WHO);
        await page.getByRole('option', { name: new RegExp(WHO) }).click();
        await form.getByLabel(`Part of ${WHO}`).selectOption('required');
        await form.getByRole('button', { name: ADD }).click();
        const waits = list.getByRole('listitem').filter({ hasText: other });
        await expect(waits).toBeVisible();
        await laneCell(page, name, day(10)).getByRole('button', { name: new RegExp(other) }).click();
        await page.getByRole('button', { name: 'Delete', exact: true }).click();
        await expect(waits).toHaveCount(0);
    });
    await asked.context().close();
});
