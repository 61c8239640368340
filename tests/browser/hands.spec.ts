import { expect, test, type Page } from '@playwright/test';
import { ADD, SAVE, addByApi, addEvent, day, enter, enterElsewhere, laneCell, makeCalendar, shareWith, slugOf, unique } from './support';

const WIDTHS = [
    { name: '1280 × 800', width: 1280, height: 800 },
    { name: '390 × 844', width: 390, height: 844 },
];

const panel = (page: Page) => page.getByRole('complementary', { name: 'Event' });
const events = (page: Page, title: string) => page.getByRole('grid').getByRole('button', { name: new RegExp(`^${title}`) });
const kept = (page: Page) => page.getByRole('list', { name: 'Not saved yet' });

/** The one line: on a phone it is behind a button in the header. */
async function line(page: Page) {
    const field = page.getByRole('combobox', { name: 'Add or find: one line' });
    if (!(await field.isVisible())) await page.getByRole('button', { name: 'Add or find', exact: true }).click();
    await field.focus();
    return field;
}

for (const { name, ...viewport } of WIDTHS) {
    test.describe(`at ${name}`, () => {
        test.use({ viewport });

        test('lines that are typed fast are each added as they stand, and what is not clear is not added', async ({ page }) => {
            const book = unique('Line book');
            const [first, second] = [unique('Caulk'), unique('Varnish')];
            await enter(page, 'Rufus Tamm');
            await makeCalendar(page, book);
            await page.goto(`/?overlay=all&view=lanes&date=${day(0)}`);
            await expect(laneCell(page, book, day(0))).toBeVisible();
            const field = await line(page);
            await page.keyboard.type(`${first} today 9:00-10:00 on ${book}`);
            await page.keyboard.press('Enter');
            // No answer is waited for: the next one is written at once.
            await page.keyboard.type(`${second} today 11:00 on ${book}`);
            await page.keyboard.press('Enter');
            await expect(events(page, `${first}.*9:00–10:00`)).toHaveCount(1);
            await expect(events(page, `${second}.*11:00–12:00`)).toHaveCount(1);
            await line(page);
            await page.keyboard.type(`Launch 31 nov 9:00 on ${book}`);
            await page.keyboard.press('Enter');
            await expect(page.getByRole('alert')).toContainText('Put right what is marked first');
            await expect(field).toHaveValue(`Launch 31 nov 9:00 on ${book}`);
            await page.getByRole('button', { name: '30 nov', exact: true }).click();
            await expect(page.getByRole('option', { name: /Launch/ }).first()).toContainText('30 November, 9:00');
        });

        test('what is clicked twice is made once', async ({ page }) => {
            const book = unique('Twice');
            const title = unique('Once');
            await enter(page, 'Esi Marchetti');
            await page.goto('/calendars');
            await page.getByRole('button', { name: 'Make a calendar' }).dblclick();
            await page.getByRole('dialog').getByLabel('Name').fill(book);
            await page.getByRole('dialog').getByRole('button', { name: 'Make it' }).dblclick();
            await expect(page.getByRole('dialog')).toBeHidden();
            await page.reload();
            await expect(page.getByRole('link', { name: new RegExp(`^${book}`) })).toHaveCount(1);
            await page.goto(`/?overlay=all&view=lanes&date=${day(0)}`);
            await laneCell(page, book, day(1)).click();
            await page.getByLabel('Title').fill(title);
            await page.getByRole('button', { name: ADD }).dblclick();
            await expect(events(page, title)).toHaveCount(1);
            await page.reload();
            await expect(events(page, title)).toHaveCount(1);
        });

        test('what was being written is there again after closing, going back and loading anew', async ({ page }) => {
            const book = unique('Draft book');
            const [added, changed] = [unique('Keel'), unique('Mast')];
            await enter(page, 'Greta Ondaatsen');
            await makeCalendar(page, book);
            await page.goto(`/?overlay=all&view=lanes&date=${day(0)}`);
            // One that nothing was written in closes silently.
            await laneCell(page, book, day(1)).click();
            await expect(page.getByLabel('Title')).toBeFocused();
            await page.keyboard.press('Escape');
            await expect(panel(page)).toBeHidden();
            await expect(kept(page)).toBeHidden();
            await laneCell(page, book, day(1)).click();
            await page.getByLabel('Title').fill(added);
            await page.getByLabel('About').fill('with the long splice');
            await page.goto('/calendars');
            await page.goBack();
            await expect(page.getByRole('grid')).toBeVisible();
            await page.reload();
            await page.getByRole('button', { name: new RegExp(`^Go on with ${added}`) }).click();
            await expect(page.getByLabel('About')).toHaveValue('with the long splice');
            await page.getByRole('button', { name: ADD }).click();
            await expect(events(page, added)).toBeVisible();
            await expect(kept(page)).toBeHidden();
            await events(page, added).click();
            await panel(page).getByRole('button', { name: 'Change', exact: true }).click();
            await page.getByLabel('Title').fill(changed);
            await page.keyboard.press('Escape');
            await page.getByRole('button', { name: new RegExp(`^Go on with ${changed}`) }).click();
            await expect(page.getByLabel('Title')).toHaveValue(changed);
            await page.getByRole('button', { name: SAVE }).click();
            await expect(events(page, changed)).toBeVisible();
        });
    });
}

for (const { name, ...viewport } of WIDTHS) {
    test(`from signing in to a moved event by the keyboard alone, at ${name}`, async ({ page }) => {
        await page.setViewportSize(viewport);
        const book = unique('Key book');
        const title = unique('Oars');
        await enter(page, 'Hana Brekspear');
        await makeCalendar(page, book);
        // What is on its way still would bring the session back.
        await page.goto('about:blank');
        await page.context().clearCookies();
        await page.goto(`/?overlay=all&view=lanes&date=${day(0)}`);
        await expect(page.getByLabel('Your address')).toBeVisible();
        const tabTo = async (name: string) => {
            for (let stop = 0; stop < 4 && !(await page.getByLabel(name, { exact: true }).evaluate((each) => each === document.activeElement)); stop++) await page.keyboard.press('Tab');
        };
        await tabTo('Your address');
        await page.keyboard.type('hana.brekspear@skerrin-quay.example');
        await tabTo('Password');
        await page.keyboard.type('high-water-mark');
        await page.keyboard.press('Enter');
        await expect(laneCell(page, book, day(0))).toBeVisible();

        // The first stop leads to the sheet.
        await page.keyboard.press('Tab');
        await expect(page.getByRole('link', { name: 'Go to the sheet' })).toBeFocused();
        await page.keyboard.press('Enter');
        await expect(page.getByRole('grid')).toBeFocused();
        await page.keyboard.press('ArrowDown');
        await page.keyboard.press('Home');
        const at = async () => page.evaluate(() => document.activeElement?.getAttribute('aria-label') ?? '');
        for (let row = 0; row < 40 && !(await at()).startsWith(book); row++) await page.keyboard.press(row < 20 ? 'ArrowDown' : 'ArrowUp');
        expect(await at()).toContain(book);

        await page.keyboard.press('Enter');
        await expect(page.getByLabel('Title')).toBeFocused();
        await page.keyboard.type(title);
        await page.keyboard.press('Enter');
        // The focus is on what was added.
        await expect(events(page, title)).toBeFocused();
        await page.keyboard.press('Shift+ArrowRight');
        await expect(laneCell(page, book, day(1)).getByRole('button', { name: new RegExp(`^${title}`) })).toBeVisible();
        await events(page, title).focus();
        await page.keyboard.press('Enter');
        await expect(panel(page).getByRole('heading', { name: title })).toBeVisible();
        await page.keyboard.press('Escape');
        await expect(events(page, title)).toBeFocused();
        await page.keyboard.press('Delete');
        await expect(events(page, title)).toHaveCount(0);
        await expect(page.getByText(new RegExp(`^Deleted: ${title}`))).toBeVisible();
        await page.getByRole('grid').focus();
        await page.keyboard.press('Control+z');
        await expect(events(page, title)).toBeVisible();
    });
}

test('what somebody is changing stays theirs when a colleague deletes it', async ({ page, browser }) => {
    const book = unique('Shared book');
    const title = unique('Rudder');
    await enter(page, 'Oda Lindqvarn');
    await makeCalendar(page, book);
    await page.goto(`/?overlay=all&view=lanes&date=${day(0)}`);
    await addEvent(page, book, day(2), title);
    await shareWith(page, book, 'Tomas Wrexley');
    await Promise.all([page.waitForResponse((response) => response.url().endsWith('/grants') && response.request().method() === 'PUT' && response.ok()), page.getByLabel('Level of Tomas Wrexley').selectOption('change')]);
    await page.goto(`/?overlay=all&view=lanes&date=${day(0)}`);
    const other = await enterElsewhere(browser, 'Tomas Wrexley');
    await other.goto(`/?overlay=all&view=lanes&date=${day(0)}`);
    await events(page, title).click();
    await panel(page).getByRole('button', { name: 'Change', exact: true }).click();
    await page.getByLabel('Title').fill(`${title} anew`);
    await events(other, title).click();
    await panel(other).getByRole('button', { name: 'Delete', exact: true }).click();
    await expect(events(other, title)).toHaveCount(0);
    await expect(page.getByText('Somebody has deleted this event meanwhile.')).toBeVisible();
    await expect(page.getByLabel('Title')).toHaveValue(`${title} anew`);
    await page.getByRole('button', { name: 'Add it as new' }).click();
    await expect(events(page, `${title} anew`)).toBeVisible();
    await expect(events(other, `${title} anew`)).toBeVisible();
    await other.context().close();
});

test('what is deleted is asked for no more, from its panel and from the sheet', async ({ page }) => {
    const name = unique('Gone');
    await enter(page, 'Ines Halloran');
    await makeCalendar(page, name);
    const calendar = await slugOf(page, name);
    await addByApi(page, [{ calendar, title: 'First away', start: `${day(8)}T09:00` }, { calendar, title: 'Second away', start: `${day(8)}T11:00` }, { calendar, title: 'Stays', start: `${day(8)}T13:00`, repeat: { rule: 'FREQ=DAILY', count: 3 } }]);
    const missed: string[] = [];
    page.on('response', (response) => void (response.status() === 404 && missed.push(response.url())));
    await page.goto(`/?calendar=${calendar}&view=week&date=${day(7)}`);
    const open = panel(page);
    await page.getByRole('button', { name: /First away/ }).click();
    await open.getByRole('button', { name: 'Delete' }).click();
    await expect(page.getByText(/^Deleted: First away/)).toBeVisible();
    await expect(open).toBeHidden();
    await page.getByRole('button', { name: /Second away/ }).click();
    await expect(open).toContainText('Second away');
    await page.getByRole('button', { name: /Second away/ }).first().focus();
    await page.keyboard.press('Delete');
    await expect(page.getByText(/^Deleted: Second away/)).toBeVisible();
    await expect(open).toBeHidden();
    await page.getByRole('button', { name: /Stays/ }).nth(1).click();
    await open.getByRole('button', { name: 'Delete' }).click();
    await page.getByRole('dialog').getByRole('button', { name: 'Only this one' }).click();
    await expect(page.getByRole('button', { name: /Stays/ })).toHaveCount(2);
    await expect(open).toBeHidden();
    // What is told of it later has come by the time that the next change has.
    await addByApi(page, [{ calendar, title: 'Afterwards', start: `${day(9)}T09:00` }]);
    await expect(page.getByRole('button', { name: /Afterwards/ })).toBeVisible();
    expect(missed).toEqual([]);
});
