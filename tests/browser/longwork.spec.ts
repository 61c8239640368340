import { expect, test } from '@playwright/test';
import { day, enter, makeCalendar, openCalendar, slugOf, unique } from './support';

/** A file with so many events, on the days of this week and the next. */
function fileOf(count: number): Buffer {
    const events = Array.from({ length: count }, (_, at) => ['BEGIN:VEVENT', `UID:berth-${at}`, 'DTSTAMP:20261101T000000Z', `DTSTART;VALUE=DATE:${day(at % 14).replaceAll('-', '')}`, `SUMMARY:Berth ${at}`, 'END:VEVENT'].join('\r\n'));
    return Buffer.from(['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//A harbour//EN', ...events, 'END:VCALENDAR', ''].join('\r\n'));
}

test('long work goes on after its page was left, and its end is found among what is for one', async ({ page }) => {
    const calendar = unique('Berths');
    await enter(page, 'Ines Halloran');
    await makeCalendar(page, calendar);
    await openCalendar(page, calendar);

    await test.step('a file of hundreds of events is brought in while one is elsewhere', async () => {
        await page.getByLabel('File to bring in').setInputFiles({ name: 'berths.ics', mimeType: 'text/calendar', buffer: fileOf(400) });
        await expect(page.getByText('400 new, 0 changed, 0 already there')).toBeVisible();
        const asked = page.waitForResponse((response) => response.url().endsWith('/apply'));
        await page.getByRole('button', { name: 'Bring it in' }).click();
        expect((await asked).status()).toBe(202);
        // As though the browser had been closed: nobody here waits for it any more.
        await page.goto('/waiting');
        await expect(page.getByRole('list', { name: 'Long work' })).toContainText('400 added.');
    });

    await test.step('it is undone from there as a whole, and noted as seen', async () => {
        const row = page.getByRole('list', { name: 'Long work' }).getByRole('listitem').filter({ hasText: 'berths.ics' });
        await row.getByRole('link', { name: 'Look at it' }).click();
        await expect(page.getByRole('button', { name: /Berth/ }).first()).toBeVisible();
        await page.goto('/waiting');
        await row.getByRole('button', { name: 'Undo' }).click();
        await expect(page.getByText('Undone.')).toBeVisible();
        await row.getByRole('button', { name: 'Seen: berths.ics' }).click();
        await expect(page.getByText('berths.ics')).toBeHidden();
    });

    await test.step('whoever stays is told there', async () => {
        await openCalendar(page, calendar);
        await page.getByLabel('File to bring in').setInputFiles({ name: 'berths.ics', mimeType: 'text/calendar', buffer: fileOf(350) });
        await page.getByRole('button', { name: 'Bring it in' }).click();
        await expect(page.getByText(`Brought into ${calendar}: 350 added, 0 changed, 0 already there.`)).toBeVisible();
    });

    await test.step('a column is pasted beyond the rows that have been read, and put in in the background', async () => {
        await page.goto(`/?calendar=${await slugOf(page, calendar)}&view=table&date=${day(0)}`);
        await expect(page.getByRole('grid', { name: 'Events' })).toHaveAttribute('aria-rowcount', '351');
        await page.locator('[role=gridcell][data-column=place]').first().click();
        await page.evaluate((text) => {
            const data = new DataTransfer();
            data.setData('text/plain', text);
            document.activeElement?.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
        }, Array.from({ length: 360 }, (_, row) => `Berth place ${row}`).join('\n'));
        const dialog = page.getByRole('dialog', { name: 'Paste into 350 events' });
        await expect(dialog).toContainText('10 more lines have no row here and are left out.');
        await dialog.getByRole('button', { name: 'Change 350 events' }).click();
        await expect(page.getByText('350 events are changed.')).toBeVisible();
        await page.goto(`/?calendar=${await slugOf(page, calendar)}&view=table&date=${day(0)}&words="Berth place 349"`);
        await expect(page.locator('[role=gridcell][data-column=place]')).toHaveText(['Berth place 349']);
        await openCalendar(page, calendar);
    });

    await test.step('the calendar is taken as a file', async () => {
        const download = page.waitForEvent('download');
        await page.getByRole('button', { name: 'Write the file' }).click();
        const file = await download;
        expect(file.suggestedFilename()).toMatch(/^berths.*\.ics$/);
        const chunks: Buffer[] = [];
        for await (const chunk of await file.createReadStream()) chunks.push(chunk as Buffer);
        expect(Buffer.concat(chunks).toString().match(/BEGIN:VEVENT/g)).toHaveLength(350);
    });
});
