import { expect, test } from '@playwright/test';
import { Temporal } from 'temporal-polyfill';
import { expectAccessible } from './accessible';
import { day, enter, laneCell, makeCalendar, openCalendar, unique } from './support';

test('a table with a wrong weekday is pasted, put right, brought in, taken back, and brought again with another date in it', async ({ page }) => {
    const name = unique('Tests');
    const [first, second] = [unique('Splicing'), unique('Whipping')];
    await enter(page, 'Rashid Penhale');
    await makeCalendar(page, name);
    await openCalendar(page, name);
    const preview = page.getByRole('region', { name: 'Preview of the import' });
    const paste = async (rows: string[]) => {
        await page.getByLabel('Or paste a table or a text with dates').fill(['Weekday\tDate\tTest\tTime\tRoom', ...rows, 'Total\t2\t\t\t'].join('\n'));
        await page.getByRole('button', { name: 'Look at it' }).click();
    };
    const weekday = (date: string) => new Intl.DateTimeFormat('en-GB', { weekday: 'long', timeZone: 'UTC' }).format(Temporal.PlainDate.from(date).toZonedDateTime('UTC').epochMilliseconds);
    const row = (title: string) => preview.getByRole('listitem').filter({ hasText: title });

    await test.step('what was understood is seen before anything is changed', async () => {
        await paste([`${weekday(day(9))}\t${day(9)}\t${first}\t10:00-11:00\tLong loft`, `${weekday(day(11))}\t${day(10)}\t${second}\t10:00-11:00\t`]);
        await expect(preview).toContainText('2 new, 0 changed, 0 already there, 1 to look at');
        await expect(row(second)).toContainText(`is no ${weekday(day(11))}.`);
        await expect(row(first)).toContainText('Long loft');
        await expectAccessible(page);
        await preview.getByText('One row is no event').click();
        await expect(preview).toContainText('It adds others up.');
    });

    await test.step('it is put right by the keyboard alone', async () => {
        await preview.getByRole('button', { name: `Put right: ${second}` }).focus();
        await page.keyboard.press('Enter');
        await preview.getByLabel('When, in words').fill('nonsense');
        await page.keyboard.press('Enter');
        await expect(page.getByRole('alert')).toContainText('is no time that is understood here');
        await preview.getByRole('button', { name: `Put right: ${second}` }).click();
        await preview.getByLabel('When, in words').fill(weekday(day(11)));
        await page.keyboard.press('Enter');
        await expect(preview).not.toContainText('to look at');
    });

    await test.step('it is brought in, taken back as a whole, and done again', async () => {
        await preview.getByRole('button', { name: 'Bring it in' }).click();
        await expect(page.getByText('2 added, 0 changed')).toBeVisible();
        await page.getByRole('button', { name: 'Undo' }).click();
        await page.goto(`/?overlay=all&view=lanes&date=${day(7)}`);
        await expect(laneCell(page, name, day(9))).toBeVisible();
        await expect(laneCell(page, name, day(9)).getByRole('button', { name: new RegExp(first) })).toHaveCount(0);
        await openCalendar(page, name);
        await paste([`${weekday(day(9))}\t${day(9)}\t${first}\t10:00-11:00\tLong loft`, `${weekday(day(11))}\t${day(11)}\t${second}\t10:00-11:00\t`]);
        await preview.getByRole('button', { name: 'Bring it in' }).click();
        await expect(page.getByText('2 added, 0 changed')).toBeVisible();
    });

    await test.step('brought again, it changes what is another, and leaves out what one leaves out', async () => {
        const third = unique('Nets');
        await paste([`${weekday(day(8))}\t${day(8)}\t${first}\t10:00-11:00\tLong loft`, `${weekday(day(11))}\t${day(11)}\t${second}\t10:00-11:00\t`, `${weekday(day(12))}\t${day(12)}\t${third}\t9:00\t`]);
        await expect(preview).toContainText('1 new, 1 changed, 1 already there');
        await preview.getByRole('checkbox', { name: `Bring in ${third}` }).uncheck();
        await expect(preview).toContainText('0 new, 1 changed, 1 already there, 1 left out');
        await preview.getByRole('button', { name: 'Bring it in' }).click();
        await expect(page.getByText('0 added, 1 changed')).toBeVisible();
        await page.goto(`/?overlay=all&view=lanes&date=${day(7)}`);
        await expect(laneCell(page, name, day(8)).getByRole('button', { name: new RegExp(first) })).toBeVisible();
        await expect(laneCell(page, name, day(9)).getByRole('button', { name: new RegExp(first) })).toHaveCount(0);
        await expect(laneCell(page, name, day(12)).getByRole('button', { name: new RegExp(third) })).toHaveCount(0);
    });
});

test('a term letter is chosen as a file on a phone; what is no document is refused in a sentence', async ({ page }) => {
    const name = unique('Term');
    const evening = unique('open evening');
    await enter(page, 'Rashid Penhale');
    await makeCalendar(page, name);
    await page.setViewportSize({ width: 390, height: 844 });
    await openCalendar(page, name);
    const chooser = page.getByLabel('File to bring in');
    const preview = page.getByRole('region', { name: 'Preview of the import' });
    await chooser.setInputFiles({ name: 'letter.pdf', mimeType: 'application/pdf', buffer: Buffer.from('%PDF-1.7 nothing to read') });
    await expect(page.getByRole('alert')).toContainText('This is a PDF.');
    await chooser.setInputFiles({ name: 'letter.txt', mimeType: 'text/plain', buffer: Buffer.from(`Dear parents,\n\nthe ${evening} is on ${day(20)} from 6pm to 8pm. Lunches cost £3.50.\n\nYours sincerely,\nPriya\n`) });
    await expect(preview).toContainText('a text');
    await expect(preview.getByRole('listitem')).toHaveCount(1);
    await expect(preview.getByRole('listitem')).toContainText('18:00–20:00');
    expect(await page.locator('html').evaluate((root) => root.scrollWidth - root.clientWidth)).toBe(0);
    await expectAccessible(page);
    await preview.getByRole('button', { name: 'Cancel' }).click();
    await expect(preview).toHaveCount(0);
    await page.reload();
    await expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
});
