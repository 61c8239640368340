import { expect, test } from '@playwright/test';
import { calendarLink, enter, enterElsewhere, makeCalendar, openCalendar, unique } from './support';

test('a calendar shared with a group of groups is seen by whoever comes to be in one of them, and no longer than that', async ({ page, browser }) => {
    const yearName = unique('Evening year');
    const allName = unique('All evenings');
    const calendar = unique('Evening classes');
    await enter(page, 'Bertil Acheng');

    await test.step('an administrator makes two groups and puts one into the other', async () => {
        await page.goto('/groups');
        for (const name of [yearName, allName]) {
            await page.getByRole('button', { name: 'Make a group' }).click();
            await page.getByRole('dialog').getByLabel('Name').fill(name);
            await page.getByRole('button', { name: 'Make it' }).click();
            await expect(page.getByRole('region', { name })).toBeVisible();
        }
        await page.getByRole('button', { name: 'Make a group' }).click();
        await page.getByRole('dialog').getByLabel('Name').fill(yearName);
        await page.getByRole('button', { name: 'Make it' }).click();
        await expect(page.getByText('There is a group of this name.')).toBeVisible();
        await page.getByRole('button', { name: 'Cancel', exact: true }).click();
        const all = page.getByRole('region', { name: allName });
        await all.getByRole('button', { name: `Put somebody in: ${allName}` }).click();
        await all.getByRole('combobox', { name: 'Person or group' }).fill(yearName);
        await page.getByRole('option', { name: new RegExp(yearName) }).click();
        await all.getByRole('button', { name: `Put into ${allName}` }).click();
        await expect(all.getByText('all who are in it')).toBeVisible();
    });

    await test.step('the other way round it is refused, with the reason', async () => {
        const year = page.getByRole('region', { name: yearName });
        await year.getByRole('button', { name: `Put somebody in: ${yearName}` }).click();
        await year.getByRole('combobox', { name: 'Person or group' }).fill(allName);
        await page.getByRole('option', { name: new RegExp(allName) }).click();
        await year.getByRole('button', { name: `Put into ${yearName}` }).click();
        await expect(page.getByText(`${yearName} is in ${allName} already, so ${allName} cannot be in it, too.`)).toBeVisible();
    });

    await makeCalendar(page, calendar);
    await openCalendar(page, calendar);
    await page.getByRole('combobox', { name: 'Person or group' }).fill(allName);
    await page.getByRole('option', { name: new RegExp(allName) }).click();
    await page.getByRole('button', { name: 'Share', exact: true }).click();
    await expect(page.getByText(`${allName}: See`)).toBeVisible();

    const maeve = await enterElsewhere(browser, 'Maeve Ostrander');
    await maeve.goto('/groups');
    await expect(maeve.getByText('Administrators and coordinators change who is in which.')).toBeVisible();
    await expect(maeve.getByRole('button', { name: 'Make a group' })).toBeHidden();
    await maeve.goto('/calendars');
    await expect(maeve.getByRole('heading', { level: 1, name: 'Calendars' })).toBeVisible();
    await expect(calendarLink(maeve, calendar)).toBeHidden();

    await test.step('put into the inner group she sees it without a reload; taken out she does not', async () => {
        await page.goto('/groups');
        const year = page.getByRole('region', { name: yearName });
        await year.getByRole('button', { name: `Put somebody in: ${yearName}` }).click();
        await year.getByRole('combobox', { name: 'Person or group' }).fill('maeve');
        await page.getByRole('option', { name: /Maeve Ostrander/ }).click();
        await year.getByRole('button', { name: `Put into ${yearName}` }).click();
        await expect(calendarLink(maeve, calendar)).toBeVisible();
        await year.getByRole('button', { name: `Take Maeve Ostrander out of ${yearName}` }).click();
        await expect(calendarLink(maeve, calendar)).toBeHidden();
        await maeve.context().close();
    });

    await test.step('a group that keeps something stays; another is deleted, after it was asked', async () => {
        const joinery = page.getByRole('region', { name: 'Joinery', exact: true });
        await joinery.getByRole('button', { name: 'Delete Joinery' }).click();
        await page.getByRole('button', { name: 'Delete it' }).click();
        await expect(page.getByText(/^Joinery keeps .* Hand over what it keeps first\.$/)).toBeVisible();
        await page.getByRole('button', { name: `Delete ${yearName}` }).click();
        await page.getByRole('button', { name: 'Keep it' }).click();
        await page.getByRole('button', { name: `Delete ${yearName}` }).click();
        await page.getByRole('button', { name: 'Delete it' }).click();
        await expect(page.getByRole('region', { name: yearName })).toBeHidden();
        await expect(joinery).toBeVisible();
    });
});
