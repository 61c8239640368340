import { expect, test, type Browser, type Page } from '@playwright/test';
import { expectAccessible } from './accessible';
import { addByApi, day, enter, makeCalendar, slugOf, unique } from './support';

/** Somebody without an account, on a phone, whose browser runs no script. */
async function pupil(browser: Browser, baseURL: string | undefined): Promise<Page> {
    const context = await browser.newContext({ viewport: { width: 390, height: 844 }, javaScriptEnabled: false, ...(baseURL === undefined ? {} : { baseURL }) });
    return context.newPage();
}

test('a coordinator publishes a page; a pupil without an account reads it, and it is paused, renewed and taken back', async ({ page, browser, baseURL }) => {
    const name = unique('Keel days');
    await enter(page, 'Oda Lindqvarn');
    await makeCalendar(page, name);
    const calendar = await slugOf(page, name);
    await addByApi(page, [
        { calendar, title: 'Haul out', start: `${day(8)}T09:00`, end: `${day(8)}T10:30`, place: 'Slip', categories: ['boats'] },
        { calendar, title: 'Planking', start: `${day(9)}T13:00`, end: `${day(9)}T16:00`, place: 'Long loft', categories: ['wood'] },
        { calendar, title: 'Hospital', start: `${day(10)}T08:00`, end: `${day(10)}T09:00`, place: 'Ward 7', private: true },
    ]);
    const row = page.getByRole('list', { name: 'Pages' }).getByRole('listitem').filter({ hasText: name });
    const address = () => row.getByLabel(`Address of ${name}`).inputValue();
    const reader = await pupil(browser, baseURL);

    await test.step('it is published for whoever has the link', async () => {
        await page.goto('/publish');
        await page.getByRole('button', { name: 'Publish a page' }).click();
        const dialog = page.getByRole('dialog', { name: 'Publish a page' });
        await dialog.getByLabel('What', { exact: true }).selectOption({ label: `${name} (calendar)` });
        await expect(dialog.getByLabel('Name, at its top')).toHaveValue(name);
        await dialog.getByRole('button', { name: 'Publish it' }).click();
        await expect(row).toContainText('everything but people, all of it, for whoever has the link');
        await expect(row).toContainText('not read yet');
    });

    await test.step('a pupil reads it, and filters it, without an account or a script', async () => {
        await reader.goto(await address());
        await expect(reader.getByRole('heading', { level: 1 })).toHaveText(name);
        await expect(reader.getByText('Haul out')).toBeVisible();
        await expect(reader.getByText('Long loft')).toBeVisible();
        await expect(reader.getByText('Busy')).toBeVisible();
        expect(await reader.content()).not.toMatch(/Hospital|Ward 7|Oda Lindqvarn/);
        expect(await reader.context().cookies()).toEqual([]);
        expect(await reader.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)).toBe(0);
        await reader.getByRole('link', { name: 'wood' }).click();
        await expect(reader.getByText('Planking')).toBeVisible();
        await expect(reader.getByText('Haul out')).toHaveCount(0);
        await reader.getByRole('link', { name: 'wood' }).click();
        await reader.getByRole('link', { name: 'Month' }).click();
        await reader.getByLabel('Go to a day').fill(day(9));
        await reader.getByRole('button', { name: 'Go' }).click();
        await expect(reader.getByRole('table')).toContainText('Planking');
        // The weeks at the end of a month are those at the beginning of the next.
        await reader.getByRole('link', { name: 'Later' }).click();
        await reader.getByRole('link', { name: 'Later' }).click();
        await expect(reader.getByRole('table')).not.toContainText('Planking');
    });

    await test.step('in every view, and in both themes, axe finds nothing', async () => {
        for (const colorScheme of ['light', 'dark'] as const) {
            const context = await browser.newContext({ viewport: { width: 390, height: 844 }, colorScheme });
            const looked = await context.newPage();
            for (const query of ['?view=list', '?view=month']) {
                await looked.goto(`${await address()}${query}`);
                await expectAccessible(looked, { strictly: true });
            }
            await context.close();
        }
    });

    await test.step('how often it was read is counted', async () => {
        await page.reload();
        await expect(row).toContainText(/read \d+ times, last/);
    });

    await test.step('with less detail it tells less, at the same address', async () => {
        const before = await address();
        await row.getByRole('button', { name: `Change ${name}` }).click();
        await page.getByLabel('It tells').selectOption('busy times');
        await page.getByRole('button', { name: 'Save' }).click();
        await expect(row).toContainText('busy times, all of it');
        expect(await address()).toBe(before);
        await reader.goto(before);
        await expect(reader.getByText('Busy')).toHaveCount(3);
        expect(await reader.content()).not.toMatch(/Haul out|Planking|Slip\b|wood/);
    });

    await test.step('paused it says so; a new address works beside the one before; taken back neither does', async () => {
        const before = await address();
        await row.getByRole('button', { name: `Pause ${name}` }).click();
        await expect(row).toContainText('paused');
        await reader.goto(before);
        await expect(reader.getByText('is not shown at the moment')).toBeVisible();
        await row.getByRole('button', { name: `Show ${name} again` }).click();
        await expect(row).not.toContainText('paused');

        await row.getByRole('button', { name: `Give ${name} a new address` }).click();
        await row.getByRole('button', { name: 'Make a new address' }).click();
        await expect(row).toContainText('The address before this one is answered until');
        const now = await address();
        expect(now).not.toBe(before);
        for (const each of [before, now]) {
            await reader.goto(each);
            await expect(reader.getByRole('heading', { level: 1 })).toHaveText(name);
        }
        await row.getByRole('button', { name: `Take ${name} back` }).click();
        await row.getByRole('button', { name: 'Take it back' }).click();
        await expect(row).toHaveCount(0);
        for (const each of [before, now]) {
            expect((await reader.goto(each))?.status()).toBe(410);
            await expect(reader.getByText('This was taken back')).toBeVisible();
        }
    });
});
