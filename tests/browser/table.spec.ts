import { expect, test, type Page } from '@playwright/test';
import { expectAccessible } from './accessible';
import { addByApi, day, enter, enterElsewhere, makeCalendar, slugOf, unique } from './support';

const cell = (page: Page, title: string, column: string) => page.getByRole('row', { name: new RegExp(title) }).locator(`[data-column=${column}]`);

async function laid(page: Page, person: string, titles: string[]): Promise<string> {
    const name = unique('Yard table');
    await enter(page, person);
    await makeCalendar(page, name);
    const calendar = await slugOf(page, name);
    await addByApi(page, titles.map((title, index) => ({ calendar, title, start: `${day(7 + index)}T09:00`, place: 'Slip 1' })));
    await page.goto(`/?calendar=${calendar}&view=table&date=${day(0)}`);
    await expect(page.getByRole('grid', { name: 'Events' })).toHaveAttribute('aria-rowcount', String(titles.length + 1));
    return calendar;
}

async function paste(page: Page, text: string): Promise<void> {
    await page.evaluate((copied) => {
        const data = new DataTransfer();
        data.setData('text/plain', copied);
        document.activeElement?.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
    }, text);
}

test('cells are written in place by keyboard, a column is pasted, many are changed as one, and all of it is undone', async ({ page }) => {
    await laid(page, 'Oda Lindqvarn', ['Anchor', 'Bollard', 'Cleat']);

    await test.step('by keyboard alone: a place, a time; what is no time is told and stays as it was typed', async () => {
        await cell(page, 'Anchor', 'place').focus();
        await page.keyboard.type('Slip 7');
        await page.keyboard.press('Enter');
        await expect(cell(page, 'Anchor', 'place')).toHaveText('Slip 7');
        await expect(cell(page, 'Bollard', 'place')).toBeFocused();
        await page.keyboard.press('ArrowUp');
        for (let steps = 0; steps < 3; steps++) await page.keyboard.press('ArrowLeft');
        await expect(cell(page, 'Anchor', 'when')).toBeFocused();
        await page.keyboard.press('F2');
        const field = page.getByRole('textbox', { name: 'when' });
        await field.fill('when the tide is out');
        await field.press('Enter');
        await expect(page.getByRole('alert')).toContainText('is no time that is understood here');
        await expect(field).toHaveValue('when the tide is out');
        await field.fill('14:30');
        await field.press('Enter');
        await expect(cell(page, 'Anchor', 'when')).toContainText('14:30–15:30');
        await page.keyboard.press('Control+z');
        await expect(cell(page, 'Anchor', 'when')).toContainText('9:00–10:00');
    });

    await test.step('a column from a spreadsheet is looked at first, then put in as one', async () => {
        await cell(page, 'Anchor', 'place').focus();
        await paste(page, 'North quay\r\nSouth quay\r\nSlip 1\r\nNowhere\r\n');
        const dialog = page.getByRole('dialog');
        await expect(dialog).toContainText('1 more line has no row here and is left out.');
        await expect(dialog.getByRole('list', { name: 'What would change' }).getByRole('listitem')).toHaveCount(2);
        await expect(dialog).toContainText('1 is so already.');
        await dialog.getByRole('button', { name: 'Change 2 events' }).click();
        await expect(cell(page, 'Bollard', 'place')).toHaveText('South quay');
        await page.getByRole('grid', { name: 'Events' }).getByRole('gridcell').nth(1).focus();
        await page.keyboard.press('Control+z');
        await expect(cell(page, 'Bollard', 'place')).toHaveText('Slip 1');
        await expect(cell(page, 'Anchor', 'place')).toHaveText('Slip 7');
    });

    await test.step('many at once: what it does is told before, and it is one step back', async () => {
        await page.getByRole('checkbox', { name: 'Choose all that match' }).click();
        await expect(page.getByText('3 of 3 chosen')).toBeVisible();
        await page.getByRole('button', { name: 'Change…' }).click();
        const dialog = page.getByRole('dialog');
        await dialog.getByLabel('State').selectOption('provisional');
        await dialog.getByRole('textbox', { name: 'Place' }).fill('Slip 1');
        await dialog.getByRole('button', { name: 'See what it does' }).click();
        await expect(dialog.getByRole('list', { name: 'What would change' })).toContainText('place: Slip 7 Slip 1');
        await dialog.getByRole('button', { name: 'Change 3 events' }).click();
        await expect(page.getByText('3 events are changed.')).toBeVisible();
        await expect(cell(page, 'Cleat', 'status')).toHaveText('provisional');
        await page.locator('[data-sonner-toast]', { hasText: '3 events are changed.' }).getByRole('button', { name: 'Undo' }).click();
        await expect(cell(page, 'Cleat', 'status')).toHaveText('confirmed');
        await expect(cell(page, 'Anchor', 'place')).toHaveText('Slip 7');
    });

    await test.step('copied by weeks, and deleted', async () => {
        await page.getByRole('checkbox', { name: 'Choose Anchor' }).check();
        await page.getByRole('checkbox', { name: 'Choose Bollard' }).check();
        await page.getByRole('button', { name: 'Copy to other days…' }).click();
        await page.getByRole('dialog').getByLabel('Weeks later (before: −)').fill('3');
        await page.getByRole('dialog').getByRole('button', { name: 'See what it does' }).click();
        await page.getByRole('dialog').getByRole('button', { name: 'Add copies of 2 events' }).click();
        await expect(page.getByRole('grid', { name: 'Events' })).toHaveAttribute('aria-rowcount', '6');
        await page.getByRole('checkbox', { name: 'Choose all that match' }).click();
        await page.getByRole('button', { name: 'Delete…' }).click();
        await page.getByRole('dialog').getByRole('button', { name: 'Delete 5 events' }).click();
        await expect(page.getByText('No event of this time matches.')).toBeVisible();
        await page.locator('[data-sonner-toast]', { hasText: '5 events are deleted.' }).getByRole('button', { name: 'Undo' }).click();
        await expect(page.getByRole('grid', { name: 'Events' })).toHaveAttribute('aria-rowcount', '6');
    });

    await test.step('sorted, filtered by state, with other columns, and sound to a screen reader', async () => {
        await page.getByRole('button', { name: 'Title' }).click();
        await page.getByRole('button', { name: 'Title' }).click();
        await expect(page.getByRole('row').nth(1)).toContainText('Cleat');
        await page.getByRole('button', { name: 'Columns' }).click();
        await page.getByRole('checkbox', { name: 'Added by' }).check();
        await page.keyboard.press('Escape');
        await expect(cell(page, 'Cleat', 'addedBy')).toHaveText('Oda Lindqvarn');
        await expectAccessible(page, { strictly: true });
        await page.getByLabel('State').selectOption('cancelled');
        await expect(page.getByText('No event of this time matches.')).toBeVisible();
    });
});

for (const width of [1280, 390]) {
    test(`two at the same table, ${width} px wide: what the other changes shows, and neither writes over the other unawares`, async ({ page, browser }) => {
        await page.setViewportSize({ width, height: 844 });
        const calendar = await laid(page, 'Hana Brekspear', ['Halyard', 'Jib']);
        const other = await enterElsewhere(browser, 'Hana Brekspear');
        await other.goto(`/?calendar=${calendar}&view=table&date=${day(0)}`);
        await cell(page, 'Halyard', 'place').dblclick();
        const field = page.getByRole('textbox', { name: 'place' });
        await field.fill('My loft');
        await cell(other, 'Halyard', 'place').focus();
        await other.keyboard.type('Their loft');
        await other.keyboard.press('Enter');
        await expect(cell(other, 'Halyard', 'place')).toHaveText('Their loft');
        await field.press('Enter');
        await expect(page.getByRole('alert')).toContainText('Somebody else changed this event just now.');
        await expect(field).toHaveValue('My loft');
        await field.press('Enter');
        await expect(cell(page, 'Halyard', 'place')).toHaveText('My loft');
        await expect(cell(other, 'Halyard', 'place')).toHaveText('My loft');

        // Many at once: looked at, then somebody is first; nothing is changed, and it is looked at again.
        await page.getByRole('checkbox', { name: 'Choose all that match' }).click();
        await page.getByRole('button', { name: 'Change…' }).click();
        const dialog = page.getByRole('dialog');
        await dialog.getByLabel('State').selectOption('cancelled');
        await dialog.getByRole('button', { name: 'See what it does' }).click();
        await cell(other, 'Jib', 'place').focus();
        await other.keyboard.type('Elsewhere');
        await other.keyboard.press('Enter');
        await expect(cell(other, 'Jib', 'place')).toHaveText('Elsewhere');
        await dialog.getByRole('button', { name: 'Change 2 events' }).click();
        await expect(dialog).toContainText('Somebody else was first with some of these.');
        await dialog.getByRole('button', { name: 'Change 2 events' }).click();
        await expect(cell(page, 'Jib', 'status')).toHaveText('cancelled');
        await expect(cell(page, 'Jib', 'place')).toHaveText('Elsewhere');

        // A row that comes in above does not shift what is being typed onto another event.
        await cell(page, 'Jib', 'place').dblclick();
        await page.getByRole('textbox', { name: 'place' }).fill('Sail loft, bench 2');
        await addByApi(other, [{ calendar, title: 'Anchor', start: `${day(1)}T09:00`, place: 'Quay' }]);
        await expect(page.getByRole('grid', { name: 'Events' })).toHaveAttribute('aria-rowcount', '4');
        await expect(page.getByRole('textbox', { name: 'place' })).toHaveValue('Sail loft, bench 2');
        await page.keyboard.press('Enter');
        await expect(cell(page, 'Jib', 'place')).toHaveText('Sail loft, bench 2');
        await expect(cell(page, 'Halyard', 'place')).toHaveText('My loft');
        await expect(cell(page, 'Anchor', 'place')).toHaveText('Quay');

        // What is chosen shows: what is looked at afterwards narrows the choice, and it is said.
        await page.getByRole('checkbox', { name: 'Choose all that match' }).click();
        await expect(page.getByRole('toolbar', { name: 'Table' })).toContainText('3 of 3 chosen');
        if (width < 768) await page.getByRole('button', { name: 'Key', exact: true }).click();
        await page.getByLabel('Only with these words').fill('Anchor');
        await expect(page.getByText('2 events that were chosen do not show any more, and are not chosen.')).toBeVisible();
        await expect(page.getByRole('toolbar', { name: 'Table' })).toContainText('1 of 1 chosen');
        await other.context().close();
    });
}

test('cells are copied, filled and cleared as in a spreadsheet; of a series it is asked which times are meant, a new category twice', async ({ page }) => {
    const calendar = await laid(page, 'Oda Lindqvarn', ['Anchor', 'Bollard', 'Cleat', 'Davit']);
    const places = () => Promise.all(['Anchor', 'Bollard', 'Cleat', 'Davit'].map((title) => cell(page, title, 'place').textContent()));

    await test.step('a block is marked by Shift, copied, put over another, and cleared; each is one step back', async () => {
        await cell(page, 'Anchor', 'place').click();
        await page.keyboard.type('Quay');
        await page.keyboard.press('Enter');
        await expect(cell(page, 'Bollard', 'place')).toBeFocused();
        await page.keyboard.press('ArrowUp');
        const taken = await page.evaluate(() => {
            const data = new DataTransfer();
            document.activeElement?.dispatchEvent(new ClipboardEvent('copy', { clipboardData: data, bubbles: true, cancelable: true }));
            return [data.getData('text/plain'), data.getData('text/html')];
        });
        expect(taken).toEqual(['Quay', '<table><tbody><tr><td>Quay</td></tr></tbody></table>']);
        await page.keyboard.press('ArrowDown');
        await page.keyboard.press('Shift+ArrowDown');
        await page.keyboard.press('Shift+ArrowDown');
        await expect(page.locator('[role=gridcell][aria-selected=true][data-column=place]')).toHaveCount(3);
        await paste(page, 'Quay');
        await page.getByRole('dialog').getByRole('button', { name: 'Change 3 events' }).click();
        await expect.poll(places).toEqual(['Quay', 'Quay', 'Quay', 'Quay']);
        await cell(page, 'Bollard', 'place').click();
        await cell(page, 'Cleat', 'place').click({ modifiers: ['Shift'] });
        await page.keyboard.press('Delete');
        await page.getByRole('dialog').getByRole('button', { name: 'Change 2 events' }).click();
        await expect.poll(places).toEqual(['Quay', '', '', 'Quay']);
        await cell(page, 'Davit', 'place').click();
        await page.keyboard.press('Delete');
        await expect.poll(places).toEqual(['Quay', '', '', '']);
        await page.keyboard.press('Control+z');
        await expect.poll(places).toEqual(['Quay', '', '', 'Quay']);
        // Whoever goes on in another cell while the one that was left is saved writes there.
        await cell(page, 'Bollard', 'place').click();
        await page.keyboard.type('Loft');
        await cell(page, 'Cleat', 'place').click();
        await expect(cell(page, 'Bollard', 'place')).toHaveText('Loft');
        await expect(cell(page, 'Cleat', 'place')).toBeFocused();
        await page.keyboard.type('Pontoon');
        await page.getByRole('textbox', { name: 'place' }).click();
        await page.getByLabel('Only with these words').click();
        await expect.poll(places).toEqual(['Quay', 'Loft', 'Pontoon', 'Quay']);
        await expect(page.getByLabel('Only with these words')).toBeFocused();
        await cell(page, 'Davit', 'title').click();
        await page.keyboard.press('Delete');
        await expect(page.getByText('Title cannot be empty.')).toBeVisible();
    });

    await test.step('a category that there is not is asked for twice', async () => {
        await cell(page, 'Anchor', 'categories').click();
        await page.keyboard.type('Moorings');
        await page.keyboard.press('Enter');
        await expect(page.getByRole('alert')).toContainText('“Moorings” is no category here yet.');
        await expect(page.getByRole('textbox', { name: 'categories' })).toBeFocused();
        await page.keyboard.press('Enter');
        await expect(cell(page, 'Anchor', 'categories')).toHaveText('Moorings');
        await cell(page, 'Bollard', 'categories').click();
        await paste(page, 'Fenders\nMoorings');
        const dialog = page.getByRole('dialog');
        await expect(dialog.getByRole('region', { name: 'What is left out' })).toContainText('“Fenders” is no category here yet.');
        await dialog.getByRole('checkbox', { name: 'Add “Fenders” as a new category' }).check();
        await dialog.getByRole('button', { name: 'Change 2 events' }).click();
        await expect(cell(page, 'Bollard', 'categories')).toHaveText('Fenders');
        await expect(cell(page, 'Cleat', 'categories')).toHaveText('Moorings');
    });

    await test.step('the time of a series is changed for the times that are meant', async () => {
        await addByApi(page, [{ calendar, title: 'Ebb watch', start: `${day(14)}T09:00`, repeat: { rule: 'FREQ=WEEKLY', count: 4 } }]);
        await expect(cell(page, 'Ebb watch', 'when')).toContainText('9:00–10:00');
        await cell(page, 'Ebb watch', 'when').click();
        await page.keyboard.type('11:00');
        await page.keyboard.press('Enter');
        await expect(page.getByRole('dialog', { name: 'Move “Ebb watch”' })).toBeVisible();
        await page.keyboard.press('Escape');
        await expect(page.getByRole('textbox', { name: 'when' })).toHaveValue('11:00');
        await expect(page.getByRole('textbox', { name: 'when' })).toBeFocused();
        await page.keyboard.press('Enter');
        await page.getByRole('dialog').getByRole('button', { name: 'Only this one' }).click();
        await expect(cell(page, 'Ebb watch', 'when')).toContainText('11:00–12:00');
        await page.goto(`/?calendar=${calendar}&view=list&date=${day(14)}`);
        await expect(page.getByText('Ebb watch')).toHaveCount(4);
        await expect(page.getByRole('button', { name: /Ebb watch.*9:00/ })).toHaveCount(3);
    });
});

test('how a table looks is in its address, is kept under a name and handed on, and is taken along as a file', async ({ page }) => {
    const calendar = await laid(page, 'Yusuf Calloway', ['Anchor', '=SUM(A1)', 'Cleat']);
    await page.getByRole('button', { name: 'Title' }).click();
    await page.getByRole('button', { name: 'Title' }).click();
    await page.getByRole('button', { name: 'Columns' }).click();
    for (const name of ['Categories', 'State', 'Responsible']) await page.getByRole('checkbox', { name }).uncheck();
    await page.keyboard.press('Escape');
    await page.getByLabel('Only with these words').fill('Slip');
    await page.getByLabel('State').selectOption('confirmed');
    const looks = async () => {
        await expect(page.getByRole('row').nth(1)).toContainText('Cleat');
        await expect(page.getByRole('columnheader')).toHaveText(['', 'When', 'Title ↓', 'Calendar', 'Place']);
    };
    await expect(page).toHaveURL(/sort=title/);
    await expect(page).toHaveURL(/words=Slip/);
    await page.reload();
    await looks();
    await page.getByRole('button', { name: 'Take…' }).click();
    const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('menuitem', { name: 'As text (.csv)' }).click()]);
    const text = await (await file.createReadStream()).toArray();
    expect(Buffer.concat(text).toString('utf8')).toMatch(/^\uFEFFStart,End,Times,Title,Calendar,Place\r\n[^\r]+,Cleat,[^\r]+,Slip 1\r\n[^\r]+,Anchor,[^\r]+\r\n[^\r]+,"'=SUM\(A1\)",/);

    const name = unique('Slip in turn');
    await page.getByRole('button', { name: 'Keep…' }).click();
    await page.getByRole('dialog').getByRole('textbox', { name: 'Name' }).fill(name);
    await page.getByRole('dialog').getByRole('button', { name: 'Keep it' }).click();
    await expect(page).toHaveURL(/overlay=slip-in-turn/);
    await expect(page).not.toHaveURL(/sort=/);
    await looks();
    // What it asks for is a condition of its layer: an event of that calendar elsewhere is no row.
    await addByApi(page, [{ calendar, title: 'Davit', start: `${day(8)}T09:00`, place: 'Quay' }]);
    await page.goto(`/?view=lanes&overlay=all`);
    await page.getByRole('heading', { level: 1 }).getByRole('button').click();
    await page.getByRole('menuitem', { name: new RegExp(`${name}.*a table`) }).click();
    await looks();
    await expect(page.getByRole('grid', { name: 'Events' })).toHaveAttribute('aria-rowcount', '4');
});

test('where a change of many or its answer is lost, it is asked for again, and done once', async ({ page }) => {
    await laid(page, 'Yusuf Calloway', ['Kedge', 'Leadline']);
    const change = async (place: string) => {
        await page.getByRole('checkbox', { name: 'Choose all that match' }).click();
        await page.getByRole('button', { name: 'Change…' }).click();
        await page.getByRole('dialog').getByRole('textbox', { name: 'Place' }).fill(place);
        await page.getByRole('dialog').getByRole('button', { name: 'See what it does' }).click();
        await page.getByRole('dialog').getByRole('button', { name: 'Change 2 events' }).click();
    };
    const toast = page.locator('[data-sonner-toast]', { hasText: '2 events are changed.' }).first();
    let asked = 0;
    await page.route('**/api/v1/bulk', (route) => (++asked === 1 ? route.abort() : route.continue()));
    await change('Slip 2');
    await expect(toast).toBeVisible();
    await expect(cell(page, 'Kedge', 'place')).toHaveText('Slip 2');
    expect(asked).toBe(2);
    await page.unroute('**/api/v1/bulk');
    // It was done, and twice nobody was told.
    asked = 0;
    await page.route('**/api/v1/bulk', async (route) => {
        if (++asked > 2) return route.continue();
        await route.fetch();
        await route.abort();
    });
    await change('Quay');
    await expect(cell(page, 'Kedge', 'place')).toHaveText('Quay');
    await expect.poll(() => asked).toBe(3);
    // One thing was done: undone once, it is as it was before.
    await toast.getByRole('button', { name: 'Undo' }).click();
    await expect(cell(page, 'Kedge', 'place')).toHaveText('Slip 2');
    await expect(cell(page, 'Leadline', 'place')).toHaveText('Slip 2');
});

test('a week is laid over weeks, leaving out the days that a calendar closes', async ({ page }) => {
    const calendar = await laid(page, 'Ines Halloran', ['Lofting class']);
    await page.getByRole('button', { name: 'Lay a week…' }).click();
    const dialog = page.getByRole('dialog');
    await expect(dialog.getByLabel('The events of')).toHaveValue(calendar);
    await dialog.getByLabel('in the week of', { exact: true }).fill(day(7));
    await dialog.getByLabel('over the weeks from', { exact: true }).fill(day(14));
    await dialog.getByLabel('to', { exact: true }).fill(day(62));
    await dialog.getByLabel('leaving out what is closed by').selectOption({ label: 'School days' });
    await dialog.getByRole('button', { name: 'See what it adds' }).click();
    // The winter closure lies five and six weeks on.
    await expect(dialog.getByRole('list', { name: 'What would be laid' })).toContainText('5 times');
    await expect(dialog.getByRole('list', { name: 'What would be laid' })).toContainText('closed, left out');
    await dialog.getByRole('button', { name: 'Add 1 series' }).click();
    await expect(page.getByText('1 series is added.')).toBeVisible();
    await expect(page.getByRole('grid', { name: 'Events' })).toHaveAttribute('aria-rowcount', '3');
    await page.locator('[data-sonner-toast]', { hasText: '1 series is added.' }).getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByRole('grid', { name: 'Events' })).toHaveAttribute('aria-rowcount', '2');
});
