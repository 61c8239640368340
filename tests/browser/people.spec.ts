import { expect, test } from '@playwright/test';
import { calendarLink, enter, enterElsewhere, makeCalendar, standins, unique } from './support';

test('somebody is invited by mail, comes in, makes a calendar and leaves: nothing is orphaned', async ({ page, browser }) => {
    const name = unique('Wim');
    const address = `${name.toLowerCase().replace(' ', '.')}@skerrin-quay.example`;
    const calendar = unique('Timber store');
    await enter(page, 'Bertil Acheng');
    await page.goto('/people');

    await test.step('an administrator adds and invites them; what is wrong is said at its field', async () => {
        await page.getByRole('button', { name: 'Add somebody' }).click();
        const dialog = page.getByRole('dialog');
        await dialog.getByLabel('Name').fill(name);
        await dialog.getByLabel('Mail address').fill('ines.halloran@skerrin-quay.example');
        await dialog.getByRole('button', { name: 'Add them' }).click();
        await expect(dialog.getByText('Somebody here has this address already.')).toBeVisible();
        await dialog.getByLabel('Mail address').fill(address);
        await dialog.getByLabel('Monday').check();
        await dialog.getByRole('button', { name: 'Add them' }).click();
        await expect(page.getByText(`${name} is added and invited by mail.`)).toBeVisible();
        await expect(page.getByRole('listitem', { name })).toContainText('invited');
    });

    const context = await browser.newContext();
    const wim = await context.newPage();
    await test.step('the letter has one button; it leads to a password, and in', async () => {
        await expect(async () => {
            await wim.goto(`${standins}/mailbox?to=${address}`);
            await wim.getByRole('link', { name: 'Bertil Acheng invites you to the calendars of Skerrin Quay School of Boatbuilding' }).click({ timeout: 2000 });
        }).toPass();
        const letter = wim.frameLocator('iframe');
        await expect(letter.getByRole('link', { name: 'Come in' })).toBeVisible();
        await expect(letter.getByRole('link')).toHaveCount(1);
        await letter.getByRole('link', { name: 'Come in' }).click();
        await wim.getByLabel('New password').fill('short');
        await wim.getByRole('button', { name: 'Set it and come in' }).click();
        await expect(wim.getByText('A password has at least 10 characters.')).toBeVisible();
        await wim.getByLabel('New password').fill('long-enough-to-keep');
        await wim.getByRole('button', { name: 'Set it and come in' }).click();
        await expect(wim.getByLabel(`You: ${name}`)).toBeVisible();
        await makeCalendar(wim, calendar);
    });

    await test.step('they leave: what they keep is listed, and handed over in the same step', async () => {
        await page.getByLabel('Find by name, post or address').fill(name);
        await page.getByRole('button', { name: `${name} has left` }).click();
        const dialog = page.getByRole('dialog');
        await expect(dialog.getByRole('list', { name: 'What they keep' })).toContainText(calendar);
        await expect(dialog.getByRole('button', { name: 'Hand over, they have left' })).toBeDisabled();
        await dialog.getByLabel('New keeper of all').fill('coordination');
        await page.getByRole('option', { name: /^Coordination/ }).click();
        await dialog.getByRole('button', { name: 'Hand over, they have left' }).click();
        await expect(page.getByText('what they kept is handed over')).toBeVisible();
        // Their own screen asks them to sign in, by itself, and lets them in no more.
        const again = wim.getByRole('dialog', { name: 'You were signed out' });
        await again.getByLabel('Password').fill('long-enough-to-keep');
        await again.getByRole('button', { name: 'Sign in and go on' }).click();
        await expect(again.getByRole('alert')).toBeVisible();
        await context.close();
    });

    const ines = await enterElsewhere(browser, 'Ines Halloran');
    await ines.goto('/calendars');
    await expect(calendarLink(ines, calendar)).toContainText('kept by Coordination');
    await ines.context().close();
});

test('people come in from a table, each line looked at before anything is changed', async ({ page }) => {
    const name = unique('Table');
    const address = `${name.toLowerCase().replace(' ', '.')}@skerrin-quay.example`;
    await enter(page, 'Bertil Acheng');
    await page.goto('/people');
    await page.getByRole('button', { name: 'From a table…' }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByLabel('or pasted').fill(`name,address,groups\n${name},${address},Yard\nNobody,nowhere,\nInes Halloran,ines.halloran@skerrin-quay.example,Staff`);
    await dialog.getByRole('button', { name: 'Look at it' }).click();
    const preview = dialog.getByRole('region', { name: 'What would be done' });
    await expect(preview).toContainText('“nowhere” is no mail address.');
    await expect(dialog.getByText('1 new, 0 changed, 1 as before, 1 refused.')).toBeVisible();
    await dialog.getByRole('button', { name: 'Bring 1 in' }).click();
    await expect(page.getByText('1 added, 0 changed.')).toBeVisible();
    await page.getByLabel('Find by name, post or address').fill(address);
    await expect(page.getByRole('listitem', { name })).toContainText('Yard');
});
