import { expect, test } from '@playwright/test';
import { ADD, SAVE, addEvent, day, enter, enterElsewhere, laneCell, makeCalendar, openCalendar, standins, unique } from './support';

test('bad input gets a clear message where it was entered, and nothing typed is lost', async ({ page }) => {
    const name = unique('Mistakes');
    await enter(page, 'Rufus Tamm');
    await makeCalendar(page, name);

    await test.step('an event', async () => {
        await page.goto('/?overlay=all');
        await laneCell(page, name, day(2)).click();
        await page.getByRole('button', { name: ADD }).click();
        await expect(page.getByText('Give the event a title.')).toBeVisible();
        await page.getByLabel('Title').fill('x'.repeat(10_000));
        await page.getByRole('button', { name: ADD }).click();
        await expect(page.getByText('A title has at most 500 characters.')).toBeVisible();
        await page.getByLabel('Title').fill('Backwards');
        await page.getByLabel('Ends', { exact: true }).first().fill(day(1));
        await page.getByRole('button', { name: ADD }).click();
        await expect(page.getByText('The end is before the start.')).toBeVisible();
        await expect(page.getByLabel('Title')).toHaveValue('Backwards');
        await page.getByRole('button', { name: 'Cancel', exact: true }).click();
        await expect(page.getByRole('grid').getByRole('button', { name: /Backwards/ })).toBeHidden();
        // What was typed is kept until it is thrown away.
        await page.reload();
        await page.getByRole('button', { name: /^Go on with Backwards/ }).click();
        await expect(page.getByLabel('Title')).toHaveValue('Backwards');
        await page.keyboard.press('Escape');
        await page.getByRole('button', { name: /^Throw away Backwards/ }).click();
        await expect(page.getByText('Not saved yet')).toBeHidden();
    });

    await test.step('a time zone', async () => {
        await openCalendar(page, name);
        await page.getByRole('button', { name: 'Settings' }).click();
        await page.getByLabel('Time zone').fill('Atlantis/Capital');
        await page.getByRole('button', { name: SAVE }).click();
        await expect(page.getByText('No time zone is called “Atlantis/Capital”.')).toBeVisible();
        await page.getByRole('button', { name: 'Cancel', exact: true }).click();
    });

    await test.step('a file', async () => {
        const chooser = page.getByLabel('File to bring in');
        await chooser.setInputFiles({ name: 'list.csv', mimeType: 'text/csv', buffer: Buffer.from('Name;Date') });
        await expect(page.getByText('No event was found in it: nothing in it says what is on which day. Nothing was changed.')).toBeVisible();
        await chooser.setInputFiles({ name: 'large.ics', mimeType: 'text/calendar', buffer: Buffer.alloc(30 * 1024 * 1024, 'x') });
        await expect(page.getByText(/The file is larger than 20 MB/)).toBeVisible();
    });

    await test.step('an address', async () => {
        await page.goto('/sources');
        await page.getByRole('button', { name: 'Subscribe to an address' }).click();
        for (const [address, message] of [
            [`${standins}/faults/500`, 'The far side has a fault (500). Try again later.'],
            [`${standins}/faults/page`, 'This is a page that asks who one is, and not what it leads to. Enter how one signs in, or ask for an address that needs none.'],
            ['http://192.168.0.1/a.ics', 'This address leads inside a private network and is not fetched.'],
        ] as const) {
            await page.getByLabel('Address', { exact: true }).fill(address);
            await page.getByRole('form').getByRole('button', { name: 'Look at it' }).click();
            await expect(page.getByRole('form').getByText(message)).toBeVisible();
        }
        await expect(page.getByLabel('Address', { exact: true })).toHaveValue('http://192.168.0.1/a.ics');
    });

    await test.step('an address of nothing', async () => {
        await page.goto('/calendars/no-such-calendar');
        await expect(page.getByText('There is no such calendar for you')).toBeVisible();
        await page.goto('/nowhere');
        await expect(page.getByText('There is no such page')).toBeVisible();
    });
});

test('of two who change one event the second is told, and decides', async ({ page, browser }) => {
    const name = unique('Races');
    await enter(page, 'Hana Brekspear');
    await makeCalendar(page, name);
    await openCalendar(page, name);
    await page.getByRole('combobox', { name: 'Person or group' }).fill('noor feld');
    await page.getByRole('option', { name: /Noor Feldkamp/ }).click();
    await page.getByLabel('Level', { exact: true }).selectOption('change');
    await page.getByRole('button', { name: 'Share', exact: true }).click();
    await expect(page.getByText('Noor Feldkamp: Change')).toBeVisible();
    await page.goto('/?overlay=all');
    await addEvent(page, name, day(3), 'Sail repair');

    const noor = await enterElsewhere(browser, 'Noor Feldkamp');
    await noor.goto('/?overlay=all');
    for (const each of [page, noor]) {
        await each.getByRole('row', { name: new RegExp(name) }).getByRole('button', { name: /Sail repair/ }).click();
        await each.getByRole('button', { name: 'Change' }).click();
    }
    await page.getByLabel('Title').fill('Sail repair, jib');
    await page.getByLabel('Place', { exact: true }).fill('Sail loft');
    await noor.getByLabel('Title').fill('Sail repair, main');
    // The form of the second stays open with what was typed while the first saves.
    await page.getByRole('button', { name: SAVE }).click();
    await expect(page.getByRole('heading', { name: 'Sail repair, jib' })).toBeVisible();
    // Also once the second browser has heard of it: the sheet behind the form shows what was saved.
    await expect(noor.getByRole('row', { name: new RegExp(name) }).getByRole('button', { name: /Sail repair, jib/ })).toBeVisible();
    await noor.getByRole('button', { name: SAVE }).click();
    const told = noor.getByRole('alert');
    await expect(told).toContainText('Hana Brekspear was first.');
    await expect(told).toContainText('Sail repair, jib');
    await expect(noor.getByLabel('Title')).toHaveValue('Sail repair, main');
    // Field by field: what the second did not touch stays as the first left it, so that nothing of either is lost.
    const place = told.getByRole('group', { name: 'Place' });
    await expect(place.getByRole('radio', { name: /theirs: Sail loft/ })).toBeChecked();
    await expect(told.getByRole('group', { name: 'Title' }).getByRole('radio', { name: /mine: Sail repair, main/ })).toBeChecked();
    await noor.getByRole('button', { name: 'Save what is chosen' }).click();
    await expect(page.getByRole('button', { name: /Sail repair, main.*Sail loft/ })).toBeVisible();
    await noor.context().close();
});

test('a wrong password is refused; a changed one holds', async ({ page }) => {
    await page.goto('/');
    await page.getByLabel('Your address').fill('silas.amundsen@skerrin-quay.example');
    await page.getByLabel('Password').fill('not this one');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByText('This address and password do not belong together.')).toBeVisible();
    await page.getByLabel('Password').fill('high-water-mark');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.getByLabel('You: Silas Amundsen').click();
    await page.getByRole('menuitem', { name: 'Change your password…' }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByLabel('Present password').fill('high-water-mark');
    await dialog.getByLabel('New password').fill('low-water-mark');
    await dialog.getByRole('button', { name: 'Change' }).click();
    await expect(page.getByText('Your password is changed.')).toBeVisible();
    await page.getByLabel('You: Silas Amundsen').click();
    await page.getByRole('menuitem', { name: 'Sign out' }).click();
    await page.getByLabel('Your address').fill('silas.amundsen@skerrin-quay.example');
    await page.getByLabel('Password').fill('low-water-mark');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByLabel('You: Silas Amundsen')).toBeVisible();
});
