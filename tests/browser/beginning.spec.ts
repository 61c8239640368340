import { expect, test } from '@playwright/test';
import { expectAccessible } from './accessible';
import { SAVE, addEvent, day, enter, openCalendar } from './support';

// An organisation with one administrator and nothing else: bin/test serves one; by hand, bin/demo --empty --fresh does.
test.use({ baseURL: process.env.ROTA_EMPTY_URL ?? 'http://127.0.0.1:8180' });

test('from nothing to a shared overlay with a feed', async ({ page, request }) => {
    const next = (title: string) => expect(page.getByRole('button', { name: title, expanded: true })).toBeVisible();

    await test.step('whoever comes first is taken to what is to be done', async () => {
        await enter(page, 'Bertil Acheng');
        await expect(page.getByText('Nothing is laid out yet')).toBeVisible();
        await expectAccessible(page);
        await page.getByRole('link', { name: 'First steps of your organisation' }).click();
        await next('Who you are');
    });
    await test.step('its name, and how dates are meant', async () => {
        await page.getByLabel('Name of the organisation').fill('Skerrin Quay School of Boatbuilding');
        await page.getByRole('button', { name: SAVE }).click();
        await next('Dates and times');
        await page.getByLabel('Time zone').fill('Europe/Nowhere');
        await page.getByRole('button', { name: SAVE }).click();
        await expect(page.getByText('No time zone is called “Europe/Nowhere”.')).toBeVisible();
        await page.getByLabel('Time zone').fill('Europe/London');
        await page.getByLabel('Your year begins in').selectOption('September');
        await page.getByRole('button', { name: SAVE }).click();
    });
    await test.step('categories, of which none is ticked, and groups', async () => {
        await next('Categories');
        await expect(page.getByRole('checkbox', { checked: true })).toHaveCount(0);
        await page.getByLabel(/^Closed/).check();
        await page.getByLabel('Assessment').check();
        await page.getByRole('button', { name: 'Add 2 categories' }).click();
        await next('Groups');
        await page.getByLabel('Their names, one a line').fill('Staff\nKeel year');
        await page.getByRole('button', { name: 'Make 2 groups' }).click();
    });
    await test.step('somebody else, who keeps groups, too', async () => {
        await next('People');
        await page.getByRole('button', { name: 'Add somebody' }).click();
        const dialog = page.getByRole('dialog');
        await dialog.getByLabel('Name').fill('Ines Halloran');
        await dialog.getByLabel('Mail address').fill('ines.halloran@skerrin-quay.example');
        await dialog.getByLabel('Role').selectOption('coordinator');
        await dialog.getByLabel('Staff').check();
        await dialog.getByRole('button', { name: 'Add them' }).click();
        await expect(dialog).toBeHidden();
    });
    await test.step('a reload goes on from where it was; a step that is left out is not lost', async () => {
        await next('The first calendar');
        await page.reload();
        await next('The first calendar');
        await expectAccessible(page);
        await page.getByRole('button', { name: 'Leave out: The first calendar' }).click();
        await next('The first overlay');
        await expect(page.getByText('It takes a calendar to lay: make one first.')).toBeVisible();
        await page.getByRole('button', { name: 'Take up: The first calendar' }).click();
        await next('The first calendar');
        await page.getByRole('button', { name: 'Make a calendar' }).click();
        await page.getByRole('dialog').getByLabel('Name').fill('Keel year');
        await page.getByRole('dialog').getByRole('button', { name: 'Make it' }).click();
        await next('The first overlay');
    });
    await test.step('an overlay of it, shared with a group', async () => {
        await page.getByRole('link', { name: 'Lay an overlay' }).click();
        const dialog = page.getByRole('dialog');
        await dialog.getByLabel('Name').fill('The term');
        await dialog.getByRole('button', { name: 'all that is on my list' }).click();
        await dialog.getByRole('button', { name: 'Keep it' }).click();
        await expect(page.getByRole('heading', { level: 1, name: 'The term' })).toBeVisible();
        await addEvent(page, 'Keel year', day(1), 'Rigging test');
        await page.getByRole('button', { name: 'The term' }).click();
        await page.getByRole('menuitem', { name: 'Who may look through it…' }).click();
        await page.getByRole('combobox', { name: 'Person or group' }).fill('staff');
        await page.getByRole('option', { name: /Staff/ }).click();
        await page.getByRole('dialog').getByRole('button', { name: 'Share' }).click();
        await expect(page.getByLabel('Level of Staff')).toHaveValue('see');
        await page.keyboard.press('Escape');
    });
    await test.step('a feed of the calendar, which has the event', async () => {
        await openCalendar(page, 'Keel year');
        await page.getByLabel('For whom or what place').fill('The board in the hall');
        await page.getByRole('button', { name: 'Make a link' }).click();
        const feed = await request.get(await page.getByLabel('Address of The board in the hall').inputValue());
        expect(await feed.text()).toContain('SUMMARY:Rigging test');
    });
    await test.step('nothing is open any more, and nobody is reminded; the year begins in September', async () => {
        await page.goto('/first-steps');
        await expect(page.getByText(/^All of them are done/)).toBeVisible();
        await page.goto('/waiting');
        await expect(page.getByText('Nothing waits for you')).toBeVisible();
        await page.goto('/?view=year&date=2026-11-10');
        await expect(page.getByRole('table', { name: '2026/27: how full each day is' }).getByRole('rowheader').first()).toHaveText('September');
    });
});
