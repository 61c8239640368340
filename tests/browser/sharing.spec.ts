import { expect, test } from '@playwright/test';
import { ADD, addEvent, calendarLink, day, enter, enterElsewhere, laneCell, makeCalendar, openCalendar, unique } from './support';

test('who sees busy times is told so, asks for more and gets it; found, looked at, added and removed', async ({ page, browser }) => {
    const calendar = unique('Crane');
    await enter(page, 'Ines Halloran');
    await makeCalendar(page, calendar);
    await page.goto('/?overlay=all');
    await addEvent(page, calendar, day(2), 'Lifting the ketch');
    await openCalendar(page, calendar);
    await page.getByLabel('Level of everyone').selectOption('busy');
    await expect(page.getByLabel('How far it is shared')).toContainText('see busy times');

    const freya = await enterElsewhere(browser, 'Freya Castellane');
    await test.step('found in the directory, and looked at before it is added', async () => {
        await freya.goto('/calendars?in=directory');
        await freya.getByLabel('Find a calendar').fill(calendar);
        await expect(freya.getByText('1 calendar', { exact: true })).toBeVisible();
        await freya.getByRole('link', { name: `Look at ${calendar}` }).click();
        const notice = freya.getByRole('status', { name: 'What you look at' });
        await expect(notice).toContainText(`You see busy times of “${calendar}”`);
        await expect(notice).toContainText('Ines Halloran decides.');
        await expect(freya.locator(`[data-day="${day(2)}"]`).getByRole('button', { name: /^Busy/ })).toBeVisible();
        await expect(freya.getByText('Lifting the ketch')).toHaveCount(0);
        await notice.getByRole('button', { name: 'Add to my list' }).click();
        await expect(notice.getByRole('button', { name: 'Take off my list' })).toBeVisible();
    });

    await test.step('asks; the request is granted in one action, and shows without a reload', async () => {
        await freya.getByRole('button', { name: 'Ask for more' }).click();
        await freya.getByLabel('What for').fill('We row past it.');
        await freya.getByRole('button', { name: 'Ask', exact: true }).click();
        await expect(freya.getByText('You have asked for “See”.')).toBeVisible();
        await page.goto('/waiting');
        await expect(page.getByRole('listitem').filter({ hasText: calendar })).toContainText('We row past it.');
        await page.getByRole('listitem').filter({ hasText: calendar }).getByRole('button', { name: 'Grant Freya Castellane what they ask' }).click();
        await expect(page.getByText(`Freya Castellane: See on “${calendar}”.`)).toBeVisible();
        await expect(freya.locator(`[data-day="${day(2)}"]`).getByRole('button', { name: /Lifting the ketch/ })).toBeVisible();
        await freya.goto('/waiting');
        await freya.getByRole('listitem').filter({ hasText: calendar }).getByRole('button', { name: 'Seen' }).click();
        await expect(freya.getByRole('listitem').filter({ hasText: calendar })).toHaveCount(0);
    });

    await test.step('taken off the list it is off the sheet, and still in the directory', async () => {
        await freya.goto('/calendars');
        await freya.getByRole('button', { name: `Take ${calendar} off my list` }).click();
        await expect(calendarLink(freya, calendar)).toBeHidden();
        await freya.getByRole('link', { name: 'Directory', exact: true }).click();
        await freya.getByLabel('Find a calendar').fill(calendar);
        await expect(freya.getByRole('button', { name: `Add ${calendar} to my list` })).toBeVisible();
        await freya.context().close();
    });
});

test('a manager sees who sees what and why, looks with their eyes, shares with many, and takes changes back', async ({ page, browser }) => {
    const calendar = unique('Dry dock');
    await enter(page, 'Ines Halloran');
    await makeCalendar(page, calendar);
    await page.goto('/?overlay=all');
    await laneCell(page, calendar, day(3)).click();
    await page.getByLabel('Title').fill('Survey of the hull');
    await page.getByRole('checkbox', { name: /^Private/ }).check();
    await page.getByRole('button', { name: ADD }).click();
    await expect(page.getByText(/^Added: /).first()).toBeVisible();
    await openCalendar(page, calendar);

    await test.step('many at once by pasted addresses; the unknown one stays in the field', async () => {
        await page.getByRole('button', { name: 'Many at once…' }).click();
        await page.getByLabel('Addresses, in any order and form').fill('Colm <colm.vasquellis@skerrin-quay.example>, nobody@example.org; astrid.nakamoto.bell@skerrin-quay.example');
        await page.getByRole('button', { name: 'Share with all of them: See' }).click();
        await expect(page.getByText('One is nobody’s here')).toBeVisible();
        await expect(page.getByLabel('Addresses, in any order and form')).toHaveValue('nobody@example.org');
        await expect(page.getByLabel('How far it is shared')).toHaveText('3 people: 1 manages, 2 see; the public sees nothing');
    });

    const colm = await enterElsewhere(browser, 'Colm Vasquellis');
    await test.step('who was shared with is told, declines, and is out', async () => {
        await colm.goto('/waiting');
        const row = colm.getByRole('listitem').filter({ hasText: calendar });
        await expect(row).toContainText('Ines Halloran shares');
        await row.getByRole('button', { name: `Decline ${calendar}` }).click();
        await expect(row).toHaveCount(0);
        await expect(page.getByLabel('How far it is shared')).toHaveText('2 people: 1 manages, 1 sees; the public sees nothing');
    });

    await test.step('the reasons of any person, and the real sheet as they see it', async () => {
        await page.getByLabel('Find somebody').fill('astrid');
        const found = page.getByRole('list', { name: 'What people can see' });
        await expect(found).toContainText('See: given by name');
        // Before it is narrowed they stand among others, and then under no pointer that was there.
        await expect(found.getByRole('listitem')).toHaveCount(1);
        await page.getByRole('link', { name: 'see it as they do: Astrid Nakamoto-Bell' }).click();
        await expect(page.getByRole('status', { name: 'What you look at' })).toContainText('as Astrid Nakamoto-Bell does, with See');
        await expect(page.locator(`[data-day="${day(3)}"]`).getByRole('button', { name: /^Busy/ })).toBeVisible();
        await expect(page.getByText('Survey of the hull')).toHaveCount(0);
        await expect(page.getByRole('button', { name: 'Add an event' })).toBeHidden();
        await page.getByRole('link', { name: 'Back to your own eyes' }).click();
    });

    await test.step('the decline is in the change log, and taken back from there', async () => {
        await page.getByRole('button', { name: 'Take back: Colm Vasquellis: from See to Nothing (declined)' }).click();
        await expect(page.getByLabel('How far it is shared')).toHaveText('3 people: 1 manages, 2 see; the public sees nothing');
        await colm.goto('/calendars?in=directory');
        await expect(calendarLink(colm, calendar)).toBeVisible();
        await colm.context().close();
    });

    await test.step('handed over to a group, archived and brought back', async () => {
        await page.getByRole('button', { name: 'Hand over' }).click();
        const dialog = page.getByRole('dialog');
        await dialog.getByLabel('Person or group').fill('yard');
        await page.getByRole('option', { name: /^Yard/ }).click();
        await dialog.getByRole('button', { name: 'Hand over' }).click();
        await expect(page.getByText('is kept by Yard now.')).toBeVisible();
        await page.getByRole('button', { name: 'Archive', exact: true }).click();
        await expect(page.getByText('archived', { exact: true })).toBeVisible();
        await page.getByRole('button', { name: 'Bring back' }).click();
        await expect(page.getByRole('button', { name: 'Archive', exact: true })).toBeVisible();
    });
});
