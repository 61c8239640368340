import { expect, test } from '@playwright/test';
import { strToU8, zipSync } from 'fflate';
import { Temporal } from 'temporal-polyfill';
import { expectAccessible } from './accessible';
import { day, enter, laneCell, makeCalendar, openCalendar, standins, unique } from './support';

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
        await paste([`${weekday(day(8))}\t${day(8)}\t${first}\t10:00-11:00\tLong loft`, `${weekday(day(10))}\t${day(9)}\t${second}\t10:00-11:00\t`]);
        await expect(preview).toContainText('2 new, 0 changed, 0 already there, 1 to look at');
        await expect(row(second)).toContainText(`is no ${weekday(day(10))}.`);
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
        await preview.getByLabel('When, in words').fill(weekday(day(10)));
        await page.keyboard.press('Enter');
        await expect(preview).not.toContainText('to look at');
    });

    await test.step('it is brought in, taken back as a whole, and done again', async () => {
        await preview.getByRole('button', { name: 'Bring it in' }).click();
        await expect(page.getByText('2 added, 0 changed')).toBeVisible();
        await page.getByRole('button', { name: 'Undo' }).click();
        await page.goto(`/?overlay=all&view=lanes&date=${day(7)}`);
        await expect(laneCell(page, name, day(8))).toBeVisible();
        await expect(laneCell(page, name, day(8)).getByRole('button', { name: new RegExp(first) })).toHaveCount(0);
        await openCalendar(page, name);
        await paste([`${weekday(day(8))}\t${day(8)}\t${first}\t10:00-11:00\tLong loft`, `${weekday(day(10))}\t${day(10)}\t${second}\t10:00-11:00\t`]);
        await preview.getByRole('button', { name: 'Bring it in' }).click();
        await expect(page.getByText('2 added, 0 changed')).toBeVisible();
    });

    await test.step('brought again, it changes what is another, and leaves out what one leaves out', async () => {
        const third = unique('Nets');
        await paste([`${weekday(day(7))}\t${day(7)}\t${first}\t10:00-11:00\tLong loft`, `${weekday(day(10))}\t${day(10)}\t${second}\t10:00-11:00\t`, `${weekday(day(12))}\t${day(12)}\t${third}\t9:00\t`]);
        await expect(preview).toContainText('1 new, 1 changed, 1 already there');
        await preview.getByRole('checkbox', { name: `Bring in ${third}` }).uncheck();
        await expect(preview).toContainText('0 new, 1 changed, 1 already there, 1 left out');
        await preview.getByRole('button', { name: 'Bring it in' }).click();
        await expect(page.getByText('0 added, 1 changed')).toBeVisible();
        await page.goto(`/?overlay=all&view=lanes&date=${day(7)}`);
        await expect(laneCell(page, name, day(7)).getByRole('button', { name: new RegExp(first) })).toBeVisible();
        await expect(laneCell(page, name, day(8)).getByRole('button', { name: new RegExp(first) })).toHaveCount(0);
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

test('a spreadsheet is dropped onto the sheet, its columns are picked, and a new version of it takes away what is gone; each event says from which line it is', async ({ page }) => {
    const name = unique('Watches');
    const [first, second, third] = [unique('Bow'), unique('Stern'), unique('Mast')];
    await enter(page, 'Rashid Penhale');
    await makeCalendar(page, name);
    const preview = page.getByRole('region', { name: 'Preview of the import' });
    const drop = async (rows: string[][]) => {
        const octets = [...openDocument(rows)];
        const data = await page.evaluateHandle((given) => {
            const transfer = new DataTransfer();
            transfer.items.add(new File([new Uint8Array(given)], 'watches.ods'));
            return transfer;
        }, octets);
        await page.dispatchEvent('body', 'dragover', { dataTransfer: data });
        await expect(page.getByText('Let go to see what it would bring in')).toBeVisible();
        await page.dispatchEvent('body', 'drop', { dataTransfer: data });
        await page.getByLabel('Into').selectOption({ label: name });
    };

    await test.step('what is dropped is looked at, and goes where one says', async () => {
        await page.goto('/');
        await expect(page.getByRole('button', { name: 'Bring in' })).toBeVisible();
        await drop([['Date', 'Boat', 'Watch'], [day(9), 'Gig', first], [day(10), 'Skiff', second]]);
        await expect(preview).toContainText('watches.ods, a spreadsheet');
        await preview.getByText('What its columns are').click();
        await preview.getByLabel('What Watch is').selectOption('title');
        await expect(preview.getByRole('listitem').filter({ hasText: first })).toBeVisible();
        await preview.getByLabel('What Boat is').selectOption('place');
        await expect(preview.getByRole('listitem').filter({ hasText: first })).toContainText('Gig');
        await expectAccessible(page);
        await preview.getByRole('button', { name: 'Bring it in' }).click();
        await expect(page.getByText(`Brought into ${name}: 2 added`)).toBeVisible();
        await expect(page.getByRole('dialog')).toHaveCount(0);
    });

    await test.step('its columns are known again; what is gone goes where one says so', async () => {
        await drop([['Date', 'Boat', 'Watch'], [day(9), 'Gig', first], [day(11), 'Punt', third]]);
        await expect(preview).toContainText('1 new, 0 changed, 1 already there');
        await expect(preview).toContainText(second);
        await preview.getByLabel('Take it away').check();
        await expect(preview).toContainText('1 to be taken away');
        await preview.getByRole('button', { name: 'Bring it in' }).click();
        await expect(page.getByText('1 taken away')).toBeVisible();
        await page.goto(`/?overlay=all&view=lanes&date=${day(7)}`);
        await expect(laneCell(page, name, day(11)).getByRole('button', { name: new RegExp(third) })).toBeVisible();
        await expect(laneCell(page, name, day(10)).getByRole('button', { name: new RegExp(second) })).toHaveCount(0);
        await laneCell(page, name, day(11)).getByRole('button', { name: new RegExp(third) }).click();
        await expect(page.getByRole('complementary', { name: 'Event' })).toContainText('watches.ods, line 3');
    });

    await test.step('all of it stands on the page of its calendar, and is taken back from there', async () => {
        await openCalendar(page, name);
        const list = page.getByRole('list', { name: 'Brought in before' });
        await expect(list.getByRole('listitem')).toHaveCount(2);
        await list.getByRole('button', { name: /^Take back/ }).first().click();
        await expect(list.getByRole('listitem').first()).toContainText('(taken back)');
        await page.goto(`/?overlay=all&view=lanes&date=${day(7)}`);
        await expect(laneCell(page, name, day(10)).getByRole('button', { name: new RegExp(second) })).toBeVisible();
        await expect(laneCell(page, name, day(11)).getByRole('button', { name: new RegExp(third) })).toHaveCount(0);
    });

    await test.step('lines that are pasted into the one line are brought in one after the other', async () => {
        const line = page.getByLabel('Add or find: one line').first();
        await line.evaluate((field, text) => {
            const clipboardData = new DataTransfer();
            clipboardData.setData('text/plain', text);
            field.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }));
        }, `${first} meets on ${day(16)}\n${second} meets on ${day(17)}\n`);
        await page.getByRole('option', { name: 'Bring in what these 2 lines say, one event after the other' }).click();
        await page.getByLabel('Into').selectOption({ label: name });
        await expect(preview).toContainText('2 new');
        await preview.getByRole('button', { name: 'Cancel' }).click();
        await page.getByRole('button', { name: 'Close' }).click();
        await expect(page.getByRole('dialog')).toHaveCount(0);
    });
});

/** A spreadsheet of the open format, as one of today writes it. */
function openDocument(rows: string[][]): Uint8Array {
    const cells = (row: string[]) => row.map((said) => `<table:table-cell office:value-type="string"><text:p>${said}</text:p></table:table-cell>`).join('');
    return zipSync({
        'META-INF/manifest.xml': strToU8('<manifest/>'),
        'content.xml': strToU8(`<?xml version="1.0"?><office:document-content xmlns:office="o" xmlns:table="t" xmlns:text="x"><table:table table:name="Watches">${rows.map((row) => `<table:table-row>${cells(row)}</table:table-row>`).join('')}</table:table></office:document-content>`),
    });
}

test('a spreadsheet at an address is opened where it is looked at, and brought in once', async ({ page }) => {
    const calendar = unique('Hall');
    await enter(page, 'Rashid Penhale');
    await makeCalendar(page, calendar);
    await openCalendar(page, calendar);
    await page.getByLabel('Or paste a table or a text with dates').fill(`${standins}/hall/bookings.xlsx`);
    await page.getByRole('button', { name: 'Look at it', exact: true }).click();
    await expect(page.getByRole('region', { name: 'What is there' })).toContainText('bookings.xlsx');
    await expectAccessible(page);
    await page.getByRole('button', { name: 'See what is in it' }).click();
    const dialog = page.getByRole('dialog', { name: 'Bring in' });
    await expect(dialog.getByLabel('Into').locator('option:checked')).toHaveText(calendar);
    await expect(dialog.getByRole('region', { name: 'Preview of the import' })).toContainText('3 new');
    await dialog.getByRole('button', { name: 'Bring it in' }).click();
    await expect(page.getByText(`Brought into ${calendar}: 3 added`)).toBeVisible();
});
