import { expect, test, type Page } from '@playwright/test';
import { expectAccessible } from './accessible';
import { day, enter, laneCell, makeCalendar, standins, unique } from './support';

/** Whoever is outside reads their letter in the stand-in's mailbox once it has come. */
async function openLetter(box: Page, address: string, subject: RegExp): Promise<void> {
    await expect(async () => {
        await box.goto(`${standins}/mailbox?to=${encodeURIComponent(address)}`);
        await expect(box.getByRole('link', { name: subject }).first()).toBeVisible({ timeout: 500 });
    }).toPass();
    await box.getByRole('link', { name: subject }).first().click();
}

test('a group and somebody outside are asked, answer by mail and by link, are told of changes, and that it is off', async ({ page, browser }) => {
    const name = unique('Trials');
    const title = unique('Oar test');
    const guest = `${unique('guest').replace(/\W+/g, '.').toLowerCase()}@elsewhere.example`;
    await enter(page, 'Saoirse Dubois');
    await makeCalendar(page, name);
    await page.goto(`/?overlay=all&view=lanes&date=${day(7)}`);
    const box = await (await browser.newContext()).newPage();
    const panel = page.getByRole('complementary', { name: 'Event' });
    const open = () => laneCell(page, name, day(9)).getByRole('button', { name: new RegExp(title) }).click();

    await test.step('the form says how many are told', async () => {
        await laneCell(page, name, day(9)).click();
        await page.getByLabel('Title').fill(title);
        const form = page.getByRole('form', { name: 'New event' });
        const who = form.getByRole('combobox', { name: 'People, groups and rooms' });
        await who.fill(guest);
        await page.getByRole('option', { name: `Ask ${guest} by mail` }).click();
        await expect(form.getByRole('button', { name: 'Add and tell 1 person' })).toBeVisible();
        await who.fill('Launch year');
        await page.getByRole('option', { name: /^Launch year\s*group/ }).click();
        await form.getByRole('button', { name: 'Add and tell 6 people' }).click();
        await expect(page.getByText(/6 people are told by mail/)).toBeVisible();
    });

    await test.step('the letter asks, and its link answers without an account, on a phone', async () => {
        await openLetter(box, guest, new RegExp(`Asked: ${title}`));
        const link = await box.frameLocator('iframe').getByRole('link', { name: 'Perhaps' }).getAttribute('href');
        const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
        await phone.goto(link ?? '');
        await expect(phone.getByRole('heading', { name: title })).toBeVisible();
        await expect(phone.getByRole('radio', { name: 'Perhaps' })).toBeChecked();
        expect(await phone.locator('html').evaluate((root) => root.scrollWidth - root.clientWidth)).toBe(0);
        await expectAccessible(phone);
        await phone.getByLabel('A note, if you like').fill('If the tide lets me');
        await phone.getByRole('button', { name: 'Send the answer' }).click();
        await expect(phone.getByRole('status')).toContainText('Your answer is noted.');
        await phone.reload();
        await expect(phone.getByLabel('A note, if you like')).toHaveValue('If the tide lets me');
        await open();
        await expect(panel).toContainText(`${guest} (perhaps: “If the tide lets me”)`);
    });

    await test.step('another mail program answers by itself', async () => {
        await box.getByRole('button', { name: 'Accept' }).click();
        await expect(box.getByRole('status')).toContainText('It was answered.');
        await expect(panel).not.toContainText('perhaps');
    });

    await test.step('another time that is proposed is taken, and what was written back is read', async () => {
        await box.getByLabel('Write back').fill('Is there parking?');
        await box.getByRole('button', { name: 'Send' }).click();
        await expect(box.getByRole('status')).toContainText('It was listed.');
        await box.getByRole('button', { name: 'Propose an hour later' }).click();
        await expect(box.getByRole('status')).toContainText('It was proposed.');
        await page.goto('/waiting');
        const list = page.getByRole('list', { name: 'Came back by mail' });
        await expect(list).toContainText('Is there parking?');
        await list.getByRole('button', { name: `Move it there: ${title}, ${guest}` }).click();
        await expect(page.getByText(`“${title}” is moved; those who are asked are told.`)).toBeVisible();
        await list.getByRole('button', { name: `Seen: ${title}, ${guest}` }).click();
        await expect(list).toHaveCount(0);
        await openLetter(box, guest, new RegExp(`Changed: ${title}`));
        await expect(box.frameLocator('iframe').getByText(/^It was .*9:00–10:00/)).toBeVisible();
    });

    await test.step('what is saved quietly goes to nobody, and that is what is offered first from then on', async () => {
        await page.goto(`/?overlay=all&view=lanes&date=${day(7)}`);
        await open();
        await panel.getByRole('button', { name: 'Change' }).click();
        await panel.getByRole('textbox', { name: 'Place' }).or(panel.getByRole('combobox', { name: 'Place' })).first().fill('Slip 9');
        await panel.getByRole('button', { name: 'Save quietly' }).click();
        await expect(panel).toContainText('Slip 9');
        await panel.getByRole('button', { name: 'Change' }).click();
        await expect(panel.getByRole('button', { name: /^Save/ }).first()).toHaveText('Save quietly');
        await panel.getByRole('button', { name: 'Cancel' }).click();
    });

    await test.step('once it is deleted they are told that it is off', async () => {
        await panel.getByRole('button', { name: 'Delete' }).click();
        await openLetter(box, guest, new RegExp(`Called off: ${title}`));
        await expect(box.getByRole('button', { name: 'Accept' })).toHaveCount(0);
    });
});

test('an address at which nobody is shows beside the name, and administrators see what became of the letters', async ({ page }) => {
    const name = unique('Trials');
    const title = unique('Boat trial');
    const gone = `${unique('gone').replace(/\W+/g, '.').toLowerCase()}@unreachable.example`;
    await enter(page, 'Bertil Acheng');
    await makeCalendar(page, name);
    await page.goto(`/?overlay=all&view=lanes&date=${day(7)}`);
    await laneCell(page, name, day(10)).click();
    await page.getByLabel('Title').fill(title);
    await page.getByRole('combobox', { name: 'People, groups and rooms' }).fill(gone);
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Add and tell 1 person' }).click();
    await laneCell(page, name, day(10)).getByRole('button', { name: new RegExp(title) }).click();
    await expect(async () => {
        await page.reload();
        await expect(page.getByRole('complementary', { name: 'Event' }).getByText('(the letter did not arrive)')).toBeVisible({ timeout: 5000 });
    }).toPass();
    await page.goto('/organisation');
    await expect(page.getByRole('list', { name: 'Letters' })).toContainText(`Invitation to ${gone}`);
    await page.getByLabel('Only what did not go').check();
    await expect(page.getByText('Every letter went.')).toBeVisible();
    await expectAccessible(page);
});
