import { expect, test } from '@playwright/test';
import { ADD, SAVE, addEvent, calendarLink, day, enter, enterElsewhere, laneCell, layOverlay, makeCalendar, openCalendar, standins, unique } from './support';

test('a coordinator makes, fills, shares, overlays, publishes, imports and subscribes; a second person sees it', async ({ page, browser, request }) => {
    test.setTimeout(420_000);
    const drills = unique('Drills');
    const boats = unique('Boats');
    const tides = unique('Harbour tides');
    await enter(page, 'Ines Halloran');

    await test.step('make two calendars; rename, recolour, delete and undo', async () => {
        await makeCalendar(page, drills);
        await makeCalendar(page, `${boats} x`);
        await openCalendar(page, `${boats} x`);
        await page.getByRole('button', { name: 'Settings' }).click();
        await page.getByRole('dialog').getByLabel('Name').fill(boats);
        await page.getByRole('radio', { name: 'rose' }).click();
        await page.getByRole('button', { name: SAVE }).click();
        await expect(page.getByRole('heading', { level: 1, name: boats })).toBeVisible();
        await page.getByRole('button', { name: 'Delete' }).click();
        await expect(calendarLink(page, boats)).toBeHidden();
        await page.getByRole('button', { name: 'Undo' }).click();
        await expect(calendarLink(page, boats)).toBeVisible();
    });

    const overlay = unique('At sea');
    await test.step('lay them over each other and keep that under a name', async () => {
        await layOverlay(page, overlay, [drills, boats]);
        await expect(page.getByRole('complementary', { name: 'Key' }).getByRole('button', { name: new RegExp(`^${drills}, 0 in view`) })).toBeVisible();
    });

    await test.step('put an event on by clicking; the target is in sight and can be changed before saving', async () => {
        await laneCell(page, drills, day(8)).click();
        const target = page.getByRole('combobox', { name: 'Calendar' });
        await expect(target.locator('option:checked')).toHaveText(drills);
        await page.getByLabel('Title').fill('Man overboard');
        await expect(laneCell(page, drills, day(8)).locator('[data-pending]')).toContainText('Man overboard');
        await target.selectOption({ label: boats });
        await expect(laneCell(page, boats, day(8)).locator('[data-pending]')).toContainText('Man overboard');
        await target.selectOption({ label: drills });
        await page.getByRole('button', { name: 'safety', exact: true }).click();
        await page.getByLabel('Place', { exact: true }).fill('Pontoon');
        await page.getByRole('button', { name: ADD }).click();
        await expect(page.getByText(new RegExp(`^Added: .* on ${drills}\\.`))).toBeVisible();
        await expect(laneCell(page, drills, day(8)).getByRole('button', { name: /Man overboard/ })).toBeVisible();
    });

    await test.step('change it in the panel beside the sheet', async () => {
        await page.getByRole('button', { name: /Man overboard/ }).click();
        const panel = page.getByRole('complementary', { name: 'Event' });
        await expect(panel.getByText('Pontoon')).toBeVisible();
        await panel.getByRole('button', { name: 'Change' }).click();
        await panel.getByLabel('Title').fill('Man overboard, crew 2');
        await panel.getByRole('button', { name: SAVE }).click();
        await expect(panel.getByRole('heading', { name: 'Man overboard, crew 2' })).toBeVisible();
        await panel.getByRole('button', { name: 'Close the event' }).click();
    });

    await test.step('drag it to another day, and undo', async () => {
        const ticket = page.getByRole('button', { name: /Man overboard/ });
        await ticket.hover();
        await page.mouse.down();
        const goal = await laneCell(page, drills, day(10)).boundingBox();
        await page.mouse.move((goal?.x ?? 0) + 20, (goal?.y ?? 0) + 20, { steps: 8 });
        await page.mouse.up();
        await expect(laneCell(page, drills, day(10)).getByRole('button', { name: /Man overboard/ })).toBeVisible();
        await page.getByText('is moved to').waitFor();
        await page.getByRole('button', { name: 'Undo' }).first().click();
        await expect(laneCell(page, drills, day(8)).getByRole('button', { name: /Man overboard/ })).toBeVisible();
    });

    await test.step('a weekly event, one time of it moved', async () => {
        await laneCell(page, boats, day(1)).click();
        await page.getByLabel('Title').fill('Rowing');
        await page.getByLabel('Repeats', { exact: true }).check();
        await page.getByRole('button', { name: ADD }).click();
        await expect(laneCell(page, boats, day(8)).getByRole('button', { name: /Rowing/ })).toBeVisible();
        await laneCell(page, boats, day(8)).getByRole('button', { name: /Rowing/ }).focus();
        await page.keyboard.press('Shift+ArrowRight');
        await page.getByRole('button', { name: 'Only this one' }).click();
        await expect(laneCell(page, boats, day(9)).getByRole('button', { name: /Rowing/ })).toBeVisible();
        await expect(laneCell(page, boats, day(1)).getByRole('button', { name: /Rowing/ })).toBeVisible();
    });

    await test.step('delete and undo', async () => {
        await addEvent(page, drills, day(11), 'Short lived');
        await page.getByRole('button', { name: /Short lived/ }).click();
        await page.getByRole('complementary', { name: 'Event' }).getByRole('button', { name: 'Delete' }).click();
        await expect(laneCell(page, drills, day(11)).getByRole('button', { name: /Short lived/ })).toBeHidden();
        await page.getByText(/^Deleted: /).waitFor();
        await page.locator('[data-sonner-toast]', { hasText: 'Deleted: ' }).getByRole('button', { name: 'Undo' }).click();
        await expect(laneCell(page, drills, day(11)).getByRole('button', { name: /Short lived/ })).toBeVisible();
    });

    await test.step('toggle a layer, filter by category, look at the month', async () => {
        const key = page.getByRole('complementary', { name: 'Key' });
        await key.getByRole('button', { name: new RegExp(`^${boats},`) }).click();
        await expect(page.getByRole('row', { name: new RegExp(boats) })).toBeHidden();
        await key.getByRole('button', { name: 'Show all layers' }).click();
        await key.getByRole('button', { name: 'safety', exact: true }).click();
        await expect(page.getByRole('button', { name: /Rowing/ })).toHaveCount(0);
        await expect(page.getByRole('button', { name: /Man overboard/ })).toBeVisible();
        await page.getByRole('tab', { name: 'Month' }).click();
        await page.goto(`/?overlay=${new URL(page.url()).searchParams.get('overlay')?.replaceAll('"', '')}&view=month&date=${day(8)}`);
        await expect(page.locator(`[data-day="${day(8)}"]`).getByRole('button', { name: /Man overboard/ })).toBeVisible();
    });

    const oda = await enterElsewhere(browser, 'Oda Lindqvarn');
    await test.step('share with a person, who finds it without an address and without a reload', async () => {
        await oda.goto('/calendars');
        await expect(oda.getByRole('heading', { level: 1, name: 'Calendars' })).toBeVisible();
        await openCalendar(page, drills);
        await page.getByRole('combobox', { name: 'Person or group' }).fill('lindq');
        await page.getByRole('option', { name: /Oda Lindqvarn/ }).click();
        await page.getByRole('button', { name: 'Share', exact: true }).click();
        await expect(page.getByText('Oda Lindqvarn: See')).toBeVisible();
        await calendarLink(oda, drills).click();
        await expect(oda.getByText('given to Oda Lindqvarn')).toBeVisible();
        await oda.goto('/?overlay=all');
        await oda.getByRole('button', { name: /Man overboard/ }).click();
        await expect(oda.getByRole('complementary', { name: 'Event' }).getByText('Pontoon')).toBeVisible();
        await expect(oda.getByRole('complementary', { name: 'Event' }).getByRole('button', { name: 'Change' })).toBeHidden();
    });

    await test.step('raise it to Change: what the second changes, the first sees without a reload', async () => {
        await page.getByLabel('Level of Oda Lindqvarn').selectOption('change');
        await oda.getByRole('complementary', { name: 'Event' }).getByRole('button', { name: 'Change' }).click();
        await oda.getByLabel('Title').fill('Man overboard, Oda’s crew');
        await page.goto('/?overlay=all');
        await expect(page.getByRole('button', { name: /Man overboard, crew 2/ })).toBeVisible();
        await oda.getByRole('button', { name: SAVE }).click();
        await expect(page.getByRole('button', { name: /Man overboard, Oda’s crew/ })).toBeVisible();
    });

    await test.step('withdraw it: it is gone from the second browser', async () => {
        await openCalendar(page, drills);
        await page.getByRole('button', { name: 'Withdraw from Oda Lindqvarn' }).click();
        await expect(oda.getByRole('button', { name: /Man overboard/ })).toBeHidden();
        await oda.context().close();
    });

    await test.step('publish it as a feed, and revoke the link', async () => {
        await page.getByLabel('For whom or what place').fill('Boat hall screen');
        await page.getByRole('button', { name: 'Make a link' }).click();
        const url = await page.getByLabel('Address of Boat hall screen').inputValue();
        const feed = await request.get(url);
        expect(feed.headers()['content-type']).toBe('text/calendar; charset=utf-8');
        expect(await feed.text()).toContain('Man overboard');
        await page.goto('/feeds');
        await page.getByRole('button', { name: 'Revoke the link for Boat hall screen' }).first().click();
        await page.getByRole('button', { name: 'Revoke it' }).click();
        await expect(page.getByText('is revoked. All others go on.')).toBeVisible();
        // Whoever reads it is told so, and has nothing of it any more.
        const ended = await (await request.get(url)).text();
        expect(ended).toContain('This calendar is no longer shared here');
        expect(ended).not.toContain('Man overboard');
    });

    await test.step('import a file, twice', async () => {
        await openCalendar(page, boats);
        const stamp = day(3).replaceAll('-', '');
        const file = {
            name: 'yard.ics',
            mimeType: 'text/calendar',
            buffer: Buffer.from(`BEGIN:VCALENDAR\r\nVERSION:2.0\r\nBEGIN:VEVENT\r\nUID:${unique('u')}\r\nDTSTART;TZID=Europe/London:${stamp}T150000\r\nSUMMARY:Engine trial\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n`),
        };
        await page.getByLabel('File to bring in').setInputFiles(file);
        const preview = page.getByRole('region', { name: 'Preview of the import' });
        await expect(preview).toContainText('1 new, 0 changed, 0 already there');
        await preview.getByRole('button', { name: 'Bring it in' }).click();
        await expect(page.getByText('1 added, 0 changed')).toBeVisible();
        await page.getByLabel('File to bring in').setInputFiles(file);
        await expect(preview).toContainText('0 new, 0 changed, 1 already there');
        await expect(preview.getByRole('button', { name: 'Bring it in' })).toBeDisabled();
    });

    await test.step('subscribe to the harbour office; refresh; a read-only layer', async () => {
        await page.goto('/sources');
        await page.getByRole('button', { name: 'Subscribe to an address' }).click();
        const form = page.getByRole('form', { name: 'Subscribe to an address' });
        await form.getByLabel('Address', { exact: true }).fill(`${standins}/harbour-office/tides.ics`);
        await form.getByRole('button', { name: 'Look at it' }).click();
        // What it calls itself stands there, and what it is.
        await expect(form.getByLabel('Call it')).toHaveValue('Tide table, Skerrin Quay');
        await expect(form.getByRole('region', { name: 'What is there' })).toContainText('High water');
        await form.getByLabel('Call it').fill(tides);
        await form.getByRole('button', { name: 'Subscribe' }).click();
        await expect(page.getByRole('heading', { name: tides })).toBeVisible();
        await page.getByRole('button', { name: `Refresh ${tides} now` }).click();
        await expect(page.getByText(`${tides}: nothing has changed.`)).toBeVisible();
        await page.goto('/?overlay=all');
        await laneCell(page, tides, day(2)).getByRole('button', { name: /High water/ }).first().click();
        await expect(page.getByRole('complementary', { name: 'Event' }).getByText('It comes from outside and is changed there.')).toBeVisible();
        await page.getByRole('button', { name: 'Close the event' }).click();
        await expect(laneCell(page, boats, day(3)).getByRole('button', { name: /Engine trial/ })).toBeVisible();
    });
});
