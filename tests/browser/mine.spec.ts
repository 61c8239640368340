import { expect, test } from '@playwright/test';
import { ADD, addByApi, day, enter, enterElsewhere, makeCalendar, openCalendar, slugOf, unique } from './support';

test('what is shared is looked at at once on one’s home sheet; an event is kept on one’s own; a calendar is seen in another colour', async ({ page, browser }) => {
    const name = unique('Oars');
    await enter(page, 'Rufus Tamm');
    await makeCalendar(page, name);
    const calendar = await slugOf(page, name);
    await addByApi(page, [{ calendar, title: `${name} sanding`, start: `${day(2)}T10:00`, end: `${day(2)}T11:00` }]);
    await openCalendar(page, name);
    await page.getByRole('combobox', { name: 'Person or group' }).fill('Hamish');
    await page.getByRole('option', { name: /Hamish Delacroix/ }).click();
    await page.getByRole('button', { name: 'Share' }).click();
    const hamish = await enterElsewhere(browser, 'Hamish Delacroix');

    await test.step('whoever comes in begins at home: what they are in, their own, the rest', async () => {
        await expect(hamish.getByRole('heading', { level: 1, name: 'Home' })).toBeVisible();
        const rows = hamish.getByRole('rowheader');
        await expect(rows.first()).toContainText('What I am in');
        await expect(rows.nth(1)).toContainText('Mine');
    });
    await test.step('what was shared is offered there, and is a layer at once', async () => {
        const notice = hamish.getByRole('status', { name: 'Shared with you' });
        await expect(notice).toContainText(`Rufus Tamm shares ${name} with you.`);
        await notice.getByRole('button', { name: `Look at it now: ${name}` }).click();
        await expect(hamish.getByRole('rowheader', { name: new RegExp(name) })).toBeVisible();
        await expect(notice).toBeHidden();
    });
    await test.step('kept on one’s own by one click, and no longer', async () => {
        await hamish.getByRole('button', { name: new RegExp(`^${name} sanding`) }).click();
        await hamish.getByRole('button', { name: 'Keep it on mine' }).click();
        await expect(hamish.getByText('It is on your own calendar, too.')).toBeVisible();
        await hamish.getByRole('button', { name: 'On mine', exact: true }).click();
        await expect(hamish.getByText('It is no longer on your own calendar.')).toBeVisible();
    });
    await test.step('in a colour of one’s own, where it has a layer of its own; others see it as before', async () => {
        await openCalendar(hamish, name);
        await hamish.getByRole('radiogroup', { name: 'Colour' }).getByRole('radio', { name: 'rose' }).click();
        await expect(hamish.getByText(`You see “${name}” so from now on; nothing changes for others.`)).toBeVisible();
        await hamish.goto(`/?calendar=${calendar}`);
        await expect(hamish.locator('[data-item][data-ink=rose]')).toHaveCount(1);
        await page.goto(`/?calendar=${calendar}&date=${day(2)}`);
        await expect(page.getByRole('button', { name: new RegExp(`^${name} sanding`) })).not.toHaveAttribute('data-ink', 'rose');
    });
});

test('weeks go by the terms of the school, a repeat is kept to them, and what other terms would change is told first', async ({ page, browser }) => {
    const name = unique('Rope');
    await enter(page, 'Oda Lindqvarn');
    await makeCalendar(page, name);
    const calendar = await slugOf(page, name);

    await test.step('the header, the list and the field for dates name them', async () => {
        await page.goto(`/?calendar=${calendar}&view=week&date=${day(0)}`);
        await expect(page.getByText(/^Autumn, week \d+ · [AB] · week \d+$/)).toBeVisible();
        await page.getByRole('combobox', { name: 'Add or find: one line' }).fill('week 1');
        await expect(page.getByRole('option', { name: /week 1|Monday/ }).first()).toBeVisible();
        await page.keyboard.press('Escape');
    });
    await test.step('in term only, picked in the form and read back', async () => {
        await page.goto(`/?calendar=${calendar}&view=week&date=${day(1)}`);
        await page.getByRole('button', { name: 'Add an event' }).click();
        await page.getByLabel('Title').fill('Splicing');
        await page.getByLabel('Repeats').check();
        await page.getByLabel('In weeks').selectOption('term');
        await expect(page.getByText(/^every week on \w+, in term only$/)).toBeVisible();
        await page.getByRole('button', { name: ADD }).click();
        await expect(page.getByText(/Added: Splicing/)).toBeVisible();
        const answer = await page.request.get('/api/v1/sheet', { params: { from: day(0), to: day(7 * 30), tz: 'Europe/London', calendar } });
        const told = (await answer.json()) as { items: { start: string }[]; weeks: { monday: string; number: number | null }[] };
        expect(told.items.length).toBe(told.weeks.filter(({ number }) => number !== null).length);
    });
    await test.step('an administrator sees what a shorter term would change, and leaves it', async () => {
        const bertil = await enterElsewhere(browser, 'Bertil Acheng');
        await bertil.goto('/organisation');
        await bertil.getByRole('button', { name: 'Take out Spring' }).click();
        const change = bertil.getByRole('status', { name: 'What this would change' });
        await expect(change).toContainText(/repeats? in term only would change/);
        await expect(change).toContainText(/\d+ fewer/);
        await bertil.getByRole('button', { name: 'Cancel' }).click();
        await expect(bertil.getByRole('button', { name: 'Take out Spring' })).toBeVisible();
        await expect(change).toBeHidden();
    });
});

test('what a colleague adds, moves and deletes is marked where it is and was, stepped through by one key, and done with', async ({ page, browser }) => {
    const name = unique('Slips');
    await enter(page, 'Colm Vasquellis', { unseen: true });
    await makeCalendar(page, name);
    const calendar = await slugOf(page, name);
    await addByApi(page, [
        { calendar, title: 'Haul out', start: `${day(1)}T09:00`, end: `${day(1)}T10:00` },
        { calendar, title: 'Never mind', start: `${day(3)}T09:00`, end: `${day(3)}T10:00` },
    ]);
    await openCalendar(page, name);
    await page.getByRole('combobox', { name: 'Person or group' }).fill('Greta');
    await page.getByRole('option', { name: /Greta Ondaatsen/ }).click();
    await page.getByRole('button', { name: 'Share' }).click();

    const greta = await enterElsewhere(browser, 'Greta Ondaatsen', { unseen: true });
    await greta.goto(`/?calendar=${calendar}&view=week&date=${day(0)}`);
    await expect(greta.getByRole('button', { name: /^Haul out/ })).toBeVisible();
    const changed = greta.getByRole('button', { name: '2 unseen' });
    await changed.click();
    await greta.getByRole('button', { name: 'All seen' }).click();
    await expect(changed).toBeHidden();

    await page.goto(`/?calendar=${calendar}&view=week&date=${day(0)}`);
    await page.getByRole('button', { name: /^Haul out/ }).focus();
    await page.keyboard.press('Shift+ArrowRight');
    await expect(page.getByRole('button', { name: /^Haul out, Wednesday/ })).toBeVisible();
    await page.getByRole('button', { name: /^Never mind/ }).focus();
    await page.keyboard.press('Delete');
    await expect(page.getByRole('button', { name: /^Never mind/ })).toHaveCount(0);
    // Who did it is told nothing of it.
    await expect(page.locator('[data-since]')).toHaveCount(0);

    await test.step('they see it come, where it was and where it is', async () => {
        await expect(changed).toBeVisible();
        await expect(greta.getByRole('button', { name: /^Haul out.*moved from .* since you looked/ })).toBeVisible();
        await expect(greta.locator('.ghost')).toHaveCount(2);
    });
    await test.step('one key leads from one to the next; what is told is in the list, too', async () => {
        await greta.keyboard.press('F8');
        await expect(greta.getByRole('button', { name: /^Haul out.*moved/ })).toBeFocused();
        await greta.keyboard.press('F8');
        await expect(greta.getByRole('button', { name: /^Never mind.*It was here, and is gone/ })).toBeFocused();
        await expect(greta.getByRole('tooltip')).toContainText('Colm Vasquellis');
        await changed.click();
        await expect(greta.getByRole('dialog', { name: 'Since you looked' }).getByRole('listitem')).toHaveCount(2);
    });
    await test.step('all seen ends it, also after a reload', async () => {
        await greta.getByRole('button', { name: 'All seen' }).click();
        await expect(greta.locator('[data-since]')).toHaveCount(0);
        await greta.reload();
        await expect(greta.getByRole('button', { name: /^Haul out/ })).toHaveCount(1);
        await expect(greta.locator('[data-since]')).toHaveCount(0);
    });
});

test('a colleague, a group and a room are found in the one line and from their names, and what is begun there is theirs', async ({ page }) => {
    const name = unique('Spars');
    await enter(page, 'Esi Marchetti');
    await makeCalendar(page, name);

    await test.step('written into the one line: their week, what may be read of it, else busy', async () => {
        await page.getByRole('combobox', { name: 'Add or find: one line' }).fill('Hana');
        await page.getByRole('option', { name: /^Hana Brekspear/ }).first().click();
        await expect(page).toHaveURL(/of=person/);
        await expect(page.getByRole('heading', { level: 1, name: 'Hana Brekspear' })).toBeVisible();
        await expect(page.getByRole('tab', { name: 'Week' })).toHaveAttribute('aria-selected', 'true');
        await expect(page.getByRole('tab', { name: 'Table' })).toHaveCount(0);
    });
    await test.step('what is begun there has them in it', async () => {
        await page.goto(`${page.url()}&date=${day(7 * 30)}`);
        await page.getByRole('button', { name: 'Add an event' }).click();
        const form = page.getByRole('complementary', { name: 'Event' });
        await form.getByLabel('Title').fill(`${name} review`);
        await expect(form).toContainText('Hana Brekspear');
        await form.getByRole('combobox', { name: 'Calendar' }).selectOption({ label: name });
        await form.getByRole('button', { name: ADD }).click();
        await expect(page.getByRole('button', { name: new RegExp(`^${name} review`) })).toBeVisible();
    });
    await test.step('from the event to them, from a group to its people, to each of them, and back', async () => {
        await page.getByRole('button', { name: new RegExp(`^${name} review`) }).click();
        await page.getByRole('complementary', { name: 'Event' }).getByRole('link', { name: 'Hana Brekspear' }).click();
        await expect(page.getByRole('heading', { level: 1, name: 'Hana Brekspear' })).toBeVisible();
        await page.goto('/groups');
        await page.getByRole('region', { name: 'Joinery' }).getByRole('link', { name: 'Joinery' }).click();
        await expect(page.getByRole('heading', { level: 1, name: 'Joinery' })).toBeVisible();
        await page.getByRole('rowheader', { name: /^Tomas Wrexley/ }).getByRole('link').click();
        await expect(page.getByRole('heading', { level: 1, name: 'Tomas Wrexley' })).toBeVisible();
        await page.goBack();
        await expect(page.getByRole('heading', { level: 1, name: 'Joinery' })).toBeVisible();
    });
    await test.step('a room, and to one’s own list again', async () => {
        await page.goto('/groups');
        await page.getByRole('link', { name: 'Boat hall' }).click();
        await expect(page.getByRole('heading', { level: 1, name: 'Boat hall' })).toBeVisible();
        await page.getByRole('heading', { level: 1 }).getByRole('button').click();
        await page.getByRole('menuitem', { name: /^My list/ }).click();
        await expect(page.getByRole('heading', { level: 1, name: 'My list' })).toBeVisible();
    });
});
