import { expect, test } from '@playwright/test';
import { expectAccessible } from './accessible';
import { ADD, SAVE, day, enter, enterElsewhere, laneCell, makeCalendar, unique } from './support';

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

test('who does not see the calendar sees what they are asked to, is reminded of it as they like, and sees it no more once they are taken off', async ({ page, browser }) => {
    const name = unique('Boards');
    const title = unique('Student voice');
    await enter(page, 'Viggo Santerre');
    await makeCalendar(page, name);
    await page.goto(`/?overlay=all&view=lanes&date=${day(7)}`);
    await laneCell(page, name, day(11)).click();
    await page.getByLabel('Title').fill(title);
    const form = page.getByRole('form', { name: 'New event' });
    await form.getByRole('combobox', { name: 'People, groups and rooms' }).fill('Linnea Abara');
    await page.getByRole('option', { name: /Linnea Abara/ }).click();
    await expect(form.getByText(`Linnea Abara does not see “${name}”: of it they see what they are asked to, and nothing else.`)).toBeVisible();
    await form.getByRole('button', { name: ADD }).click();
    const linnea = await enterElsewhere(browser, 'Linnea Abara');
    const panel = linnea.getByRole('complementary', { name: 'Event' });

    await test.step('it stands under For you, on their own calendar, and opens', async () => {
        await linnea.goto('/waiting');
        await linnea.getByRole('list', { name: 'Asked to take part' }).getByRole('link', { name: title }).click();
        await expect(panel.getByRole('heading', { name: title })).toBeVisible();
        await expect(panel).toContainText('You are asked to it; its own calendar is not open to you');
        await expect(panel.getByRole('button', { name: 'Change', exact: true })).toHaveCount(0);
        await expectAccessible(linnea);
    });

    await test.step('they answer with a note, and want to be reminded', async () => {
        await panel.getByRole('button', { name: 'With a note' }).click();
        await panel.getByLabel('Note, sent with what you answer').fill('From eleven on');
        await panel.getByRole('button', { name: 'I come' }).click();
        await panel.getByLabel('Remind me by mail').selectOption('1440');
        await linnea.reload();
        await expect(panel.getByRole('button', { name: 'I come' })).toHaveAttribute('aria-pressed', 'true');
        await expect(panel.getByRole('button', { name: 'Do not remind me 1 day before' })).toBeVisible();
        await laneCell(page, name, day(11)).getByRole('button', { name: new RegExp(title) }).click();
        await expect(page.getByRole('complementary', { name: 'Event' })).toContainText('Linnea Abara (comes: “From eleven on”)');
    });

    await test.step('taken off, it is gone for them', async () => {
        const mine = page.getByRole('complementary', { name: 'Event' });
        await mine.getByRole('button', { name: 'Change', exact: true }).click();
        await mine.getByRole('button', { name: 'Take Linnea Abara off' }).click();
        await mine.getByRole('button', { name: SAVE }).click();
        await expect(mine).not.toContainText('Linnea Abara');
        await linnea.reload();
        await expect(panel.getByRole('heading', { name: title })).toHaveCount(0);
    });
    await linnea.context().close();
});
