import { expect, test } from '@playwright/test';
import { SAVE, day, enter, laneCell, makeCalendar, openCalendar, unique } from './support';

const stamp = (date: string) => date.replaceAll('-', '');

/** A file with the faults that programs are known to make, and a time zone of its own, which stands at its end. */
function untidyFile(): string {
    return [
        'BEGIN:VCALENDAR',
        'VERSION:2.0',
        'BEGIN:VEVENT',
        'UID:rowing',
        `DTSTART;TZID=Our yard:${stamp(day(1))}T100000`,
        'DURATION:PT45M',
        'RRULE:FREQ=WEEKLY;COUNT=2;UNTIL=20990101T000000Z',
        'SUMMARY:Rowing by',
        '  the yard clock',
        'ATTENDEE:ben@example.org',
        'END:VEVENT',
        'BEGIN:VEVENT',
        'UID:nothing',
        'SUMMARY:Without a start',
        'END:VEVENT',
        'BEGIN:VEVENT',
        'UID:days',
        `DTSTART:${stamp(day(2))}`,
        `DTEND:${stamp(day(4))}`,
        'SUMMARY:Open days',
        'END:VEVENT',
        'BEGIN:VTIMEZONE',
        'TZID:Our yard',
        'BEGIN:STANDARD',
        'DTSTART:19700101T000000',
        'TZOFFSETFROM:+0130',
        'TZOFFSETTO:+0130',
        'END:STANDARD',
        'END:VTIMEZONE',
        'END:VCALENDAR',
    ].join('\n');
}

test('an untidy file is mended, refused in part, and its events are used as any other', async ({ page }) => {
    const calendar = unique('From files');
    await enter(page, 'Ines Halloran');
    await makeCalendar(page, calendar);
    await openCalendar(page, calendar);

    await test.step('what is wrong is told before anything is changed, what is lost first', async () => {
        await page.getByLabel('File to bring in').setInputFiles({ name: 'untidy.ics', mimeType: 'text/calendar', buffer: Buffer.from(untidyFile()) });
        const preview = page.getByRole('region', { name: 'Preview of the import' });
        await expect(preview).toContainText('2 new, 0 changed, 0 already there');
        const problems = preview.getByRole('list', { name: 'Problems' }).getByRole('listitem');
        await expect(problems.first()).toContainText('The event has no DTSTART.');
        await expect(problems.first()).toContainText('(refused)');
        await expect(problems.filter({ hasText: 'COUNT and UNTIL cannot both end a recurrence rule.' })).toContainText('It is read as FREQ=WEEKLY;UNTIL=20990101T000000Z');
        await expect(problems.filter({ hasText: 'the address lacks “mailto:”' })).toBeVisible();
        await expect(preview.getByRole('row', { name: /Rowing by the yard clock/ })).toContainText('repeats');
        await preview.getByRole('button', { name: 'Bring it in' }).click();
        await expect(page.getByText('2 added, 0 changed')).toBeVisible();
    });

    await test.step('a time in the zone of the file is told on the reader’s wall, and by its own name', async () => {
        await page.goto('/?overlay=all');
        // London keeps UTC or an hour more: half past eight, or half past nine.
        const ticket = laneCell(page, calendar, day(1)).getByRole('button', { name: /Rowing by the yard clock/ });
        await expect(ticket).toContainText(/8:30|9:30/);
        await ticket.click();
        const panel = page.getByRole('complementary', { name: 'Event' });
        await expect(panel).toContainText('10:00');
        await expect(panel).toContainText('(Our yard)');
        await expect(panel).toContainText('every week on Tuesday until 1 January 2099');
    });

    await test.step('one time of it is renamed; the others stay', async () => {
        const panel = page.getByRole('complementary', { name: 'Event' });
        await panel.getByRole('button', { name: 'Change' }).click();
        await page.getByRole('button', { name: 'Only this one' }).click();
        await page.getByLabel('Title').fill('Rowing, first time');
        await page.getByRole('button', { name: SAVE }).click();
        await expect(laneCell(page, calendar, day(1)).getByRole('button', { name: /Rowing, first time/ })).toBeVisible();
        await expect(laneCell(page, calendar, day(8)).getByRole('button', { name: /Rowing by the yard clock/ })).toBeVisible();
    });

    await test.step('the same file once more: what was changed here is seen, nothing comes twice', async () => {
        await openCalendar(page, calendar);
        await page.getByLabel('File to bring in').setInputFiles({ name: 'untidy.ics', mimeType: 'text/calendar', buffer: Buffer.from(untidyFile()) });
        await expect(page.getByRole('region', { name: 'Preview of the import' })).toContainText('0 new, 0 changed, 2 already there');
    });
});
