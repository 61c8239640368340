import { expect, test } from '@playwright/test';
import { expectAccessible } from './accessible';
import { ADD, SAVE, addByApi, day, enter, enterElsewhere, laneCell, makeCalendar, shareWith, signOut, slugOf, unique } from './support';

test('an event is prepared, joined and copied by others, with files, and shows where else it is', async ({ page, browser }) => {
    const name = unique('Quay book');
    const title = unique('Open slip');
    await enter(page, 'Lachlan Pereiro');
    await makeCalendar(page, name);
    await shareWith(page, name, 'Aroha Stensgaard');
    await page.goto(`/?overlay=all&view=lanes&date=${day(7)}`);
    const form = page.getByRole('form', { name: 'New event' });
    const panel = page.getByRole('complementary', { name: 'Event' });

    await test.step('all of an event, in the form', async () => {
        await laneCell(page, name, day(9)).click();
        await form.getByLabel('Title').fill(title);
        await form.getByText(/^More:/).click();
        await form.getByLabel('Priority').selectOption('1');
        await form.getByRole('radio', { name: 'plum' }).click();
        await form.getByLabel('Suggest a reminder').selectOption('1440');
        await form.getByLabel('Open for joining: who may see it may join').check();
        await form.getByRole('button', { name: 'Something to prepare' }).click();
        await form.getByLabel('What is to be done, 1').fill('Fenders out');
        await form.getByRole('combobox', { name: 'Who does it' }).fill('aroha');
        await page.getByRole('option', { name: /Aroha Stensgaard/ }).click();
        await form.getByLabel('Link').fill('not a link');
        await form.getByRole('button', { name: ADD }).click();
        await expect(form.getByText('A link begins with http:// or https://.')).toBeVisible();
        await expect(form.getByLabel('What is to be done, 1')).toHaveValue('Fenders out');
        await form.getByLabel('Link').fill('https://example.org/slip');
        await form.getByRole('button', { name: ADD }).click();
        const ticket = laneCell(page, name, day(9)).getByRole('button', { name: new RegExp(title) });
        await expect(ticket).toHaveAttribute('data-ink', 'plum');
        await ticket.click();
        await expect(panel).toContainText('as suggested, 1 day before');
        await expect(panel).toContainText('Nobody has joined yet.');
    });

    await test.step('a file is attached; one of another kind is refused with the reason', async () => {
        await panel.getByLabel('File to attach').setInputFiles({ name: 'page.html', mimeType: 'text/html', buffer: Buffer.from('<b>x</b>') });
        await expect(panel.getByRole('alert')).toContainText('this one is none of them');
        await panel.getByLabel('File to attach').setInputFiles({ name: 'plan.txt', mimeType: 'text/plain', buffer: Buffer.from('the plan') });
        await expect(panel.getByRole('link', { name: 'plan.txt' })).toBeVisible();
        await expectAccessible(page, { within: 'aside', strictly: true });
    });

    const aroha = await enterElsewhere(browser, 'Aroha Stensgaard');
    const hers = aroha.getByRole('complementary', { name: 'Event' });
    await test.step('who may read it joins: it is on her own calendar, too, and she is counted', async () => {
        await aroha.goto(`/?overlay=all&view=lanes&date=${day(7)}`);
        await laneCell(aroha, name, day(9)).getByRole('button', { name: new RegExp(title) }).click();
        await hers.getByRole('button', { name: 'Join' }).click();
        await expect(aroha.getByText(/^You have joined\. It is on /)).toBeVisible();
        await expect(hers).toContainText('1 has joined, you among them.');
        await expect(hers.getByRole('list', { name: 'Pinned to' }).getByRole('listitem')).toHaveCount(1);
        await expect(panel).toContainText('1 has joined.');
        await expect(panel).toContainText('Aroha Stensgaard');
        const download = aroha.waitForEvent('download');
        await hers.getByRole('link', { name: 'plan.txt' }).click();
        expect((await download).suggestedFilename()).toBe('plan.txt');
    });

    await test.step('what she has to prepare is on her list, and done there', async () => {
        await aroha.goto(`/?overlay=all&view=list&date=${day(7)}`);
        const due = aroha.getByRole('list', { name: 'To prepare' }).getByRole('listitem').filter({ hasText: title });
        await expect(due).toContainText('Fenders out');
        await due.getByRole('checkbox', { name: 'Fenders out, done' }).check();
        await expect(panel.getByRole('checkbox', { name: 'Fenders out' })).toBeChecked();
    });

    await test.step('a copy is her own and knows what it is of; leaving takes the other off', async () => {
        await aroha.getByRole('button', { name: `for ${title}` }).first().click();
        const own = (await hers.getByRole('list', { name: 'Pinned to' }).innerText()).match(/on (.*), too/)?.[1] ?? '';
        await hers.getByLabel('Copy to a calendar').selectOption({ label: own });
        await expect(hers).toContainText(`A copy of ${title}`);
        await expect(hers.getByRole('button', { name: 'Change' })).toBeVisible();
        await hers.getByRole('button', { name: title, exact: true }).click();
        await hers.getByRole('button', { name: 'No longer take part' }).click();
        await expect(hers).toContainText('Nobody has joined yet.');
        await aroha.locator('[data-sonner-toast]', { hasText: 'You no longer take part.' }).getByRole('button', { name: 'Undo' }).click();
        await expect(hers).toContainText('1 has joined');
    });
    await aroha.context().close();
});

test('a calendar that one may only read says so at once, and a pin takes its event to one’s own', async ({ page, browser }) => {
    const [name, own] = [unique('Slip notices'), unique('Own board')];
    const title = unique('Notice');
    await enter(page, 'Lachlan Pereiro');
    await makeCalendar(page, name);
    const slug = await slugOf(page, name);
    await addByApi(page, [{ calendar: slug, title, start: `${day(9)}T10:00` }]);
    await shareWith(page, name, 'Aroha Stensgaard');
    const aroha = await enterElsewhere(browser, 'Aroha Stensgaard');
    await makeCalendar(aroha, own);
    await aroha.goto(`/?calendar=${slug}&view=lanes&date=${day(7)}`);
    await aroha.getByRole('button', { name: 'Add an event' }).click();
    await expect(aroha.getByText(`You may look at “${name}”, not add to it.`)).toBeVisible();
    await expect(aroha.getByRole('form', { name: 'New event' })).toBeHidden();
    await laneCell(aroha, name, day(9)).getByRole('button', { name: new RegExp(title) }).click();
    const panel = aroha.getByRole('complementary', { name: 'Event' });
    await expect(panel.getByRole('button', { name: 'Change' })).toHaveCount(0);
    await panel.getByLabel('Pin to a further calendar').selectOption({ label: own });
    await expect(aroha.getByText(`Pinned to ${own}: it is one event, and shows on both.`)).toBeVisible();
    await aroha.goto(`/?calendar=${await slugOf(aroha, own)}&view=lanes&date=${day(7)}`);
    const pinned = laneCell(aroha, own, day(9)).getByRole('button', { name: new RegExp(title) });
    await expect(pinned).toHaveAccessibleName(/pinned/);
    await pinned.click();
    await panel.getByRole('button', { name: `Take it off ${own}` }).click();
    await expect(pinned).toBeHidden();
    await aroha.context().close();
});

test('what was typed outlives a sign-out, and the same series is changed by two', async ({ page, browser }) => {
    const name = unique('Tide book');
    const title = unique('Tide watch');
    await enter(page, 'Greta Ondaatsen');
    await makeCalendar(page, name);
    const slug = await slugOf(page, name);
    await addByApi(page, [{ calendar: slug, title, start: `${day(7)}T09:00`, repeat: { rule: 'FREQ=DAILY', count: 6 } }]);
    await page.goto(`/?calendar=${slug}&view=lanes&date=${day(7)}`);
    const on = (fromMonday: number) => laneCell(page, name, day(fromMonday)).getByRole('button', { name: new RegExp(title) });
    const panel = page.getByRole('complementary', { name: 'Event' });

    await test.step('signed out in between, one signs in over it and goes on', async () => {
        await laneCell(page, name, day(14)).click();
        const form = page.getByRole('form', { name: 'New event' });
        const typed = unique('Typed before');
        await form.getByLabel('Title').fill(typed);
        await form.getByLabel('About').fill('all of this is still to be here');
        // In another tab of the same browser.
        await signOut(page);
        const again = page.getByRole('dialog', { name: 'You were signed out' });
        await expect(again).toBeVisible();
        await again.getByLabel('Password').fill('wrong');
        await again.getByRole('button', { name: 'Sign in and go on' }).click();
        await expect(again.getByRole('alert')).toBeVisible();
        await again.getByLabel('Password').fill('high-water-mark');
        await again.getByRole('button', { name: 'Sign in and go on' }).click();
        await expect(again).toBeHidden();
        await expect(form.getByLabel('Title')).toHaveValue(typed);
        await expect(form.getByLabel('About')).toHaveValue('all of this is still to be here');
        await form.getByRole('button', { name: ADD }).click();
        await expect(laneCell(page, name, day(14)).getByRole('button', { name: new RegExp(typed) })).toBeVisible();
    });

    await test.step('one changes a time of it while the other changes all: field by field, nothing lost', async () => {
        const other = await enterElsewhere(browser, 'Greta Ondaatsen');
        await other.goto(`/?calendar=${slug}&view=lanes&date=${day(7)}`);
        await on(9).click();
        await panel.getByRole('button', { name: 'Change', exact: true }).click();
        await page.getByRole('dialog').getByRole('button', { name: 'Only this one' }).click();
        await panel.getByLabel('Place').fill('Slip gauge');
        await laneCell(other, name, day(10)).getByRole('button', { name: new RegExp(title) }).click();
        const theirs = other.getByRole('complementary', { name: 'Event' });
        await theirs.getByRole('button', { name: 'Change', exact: true }).click();
        await other.getByRole('dialog').getByRole('button', { name: 'All of them' }).click();
        await theirs.getByLabel('Title').fill(`${title}, high water`);
        await theirs.getByRole('button', { name: SAVE }).click();
        await expect(laneCell(page, name, day(10)).getByRole('button', { name: /high water/ })).toBeVisible();
        await panel.getByRole('button', { name: SAVE }).click();
        await expect(panel).toContainText('was first');
        await panel.getByRole('button', { name: 'Save what is chosen' }).click();
        await expect(on(9)).toHaveAccessibleName(/high water.*Slip gauge/);
        await expect(laneCell(other, name, day(9)).getByRole('button', { name: /high water.*Slip gauge/ })).toBeVisible();
        await other.context().close();
    });
});
