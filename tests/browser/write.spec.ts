import { expect, test } from '@playwright/test';
import 'temporal-polyfill/global';
import { formatDate } from '../../resources/js/time/dates';
import { ADD, SAVE, day, enter, enterElsewhere, laneCell, makeCalendar, unique } from './support';

const oneLine = 'Add or find: one line';

test('one line becomes an event: it says what it understood, on which calendar, and every piece can be corrected', async ({ page }) => {
    const [loft, yard] = [unique('Loft book'), unique('Yard book')];
    await enter(page, 'Rufus Tamm');
    await makeCalendar(page, loft);
    await makeCalendar(page, yard);
    await page.goto(`/?overlay=all&view=lanes&date=${day(7)}`);
    const field = page.getByRole('combobox', { name: oneLine }).first();
    const title = unique('Fair');
    const when = `${formatDate(day(9), 'short')} ${day(9).slice(0, 4)}`;

    await test.step('understood as it is typed; a piece taken wrongly is left in the title; one key takes another calendar', async () => {
        await field.fill(`${title} ${when} 9:30–11 Long loft #assessment @Keel year on ${loft}`);
        const option = page.getByRole('option', { name: new RegExp(title) });
        await expect(option).toContainText(loft);
        await expect(option).toContainText('9:30–11:00');
        await field.fill(`${title} Steam box lamp ${when} 9:30–11 Long loft #assessment @Keel year on ${loft}`);
        await page.getByRole('button', { name: 'Keep place Steam box in the title' }).click();
        await expect(page.getByRole('option', { name: new RegExp(`${title} Steam box`) })).toContainText('9:30–11:00');
        await field.press('F2');
        await expect(page.getByRole('option', { name: new RegExp(title) })).not.toContainText(loft);
        await field.press('Shift+F2');
        await expect(page.getByRole('option', { name: new RegExp(title) })).toContainText(loft);
    });

    await test.step('Enter adds it, says where it went, and Undo takes it away', async () => {
        await field.press('Enter');
        await expect(page.getByText(new RegExp(`^Added: .* on ${loft}\\.`))).toBeVisible();
        const ticket = laneCell(page, loft, day(9)).getByRole('button', { name: new RegExp(`${title} Steam box lamp.*9:30–11:00, Long loft`) });
        await expect(ticket).toBeVisible();
        await ticket.click();
        const panel = page.getByRole('complementary', { name: 'Event' });
        await expect(panel).toContainText('Keel year');
        await expect(panel).toContainText('assessment');
        await panel.getByRole('button', { name: 'Close the event' }).click();
        await page.locator('[data-sonner-toast]', { hasText: new RegExp(`^Added: .* on ${loft}\\.`) }).getByRole('button', { name: 'Undo' }).click();
        await expect(ticket).toBeHidden();
    });

    await test.step('with Shift it opens the form, with all that was understood, and a repeat that the form has no fields for, written out', async () => {
        await field.fill(`${title} first and third mon of every month 10:45 15 min by Esi Marchetti on ${yard}`);
        await expect(page.getByRole('option', { name: new RegExp(title) })).toContainText('every month on the first and third Monday');
        await field.press('Shift+Enter');
        const form = page.getByRole('form', { name: 'New event' });
        await expect(form.getByLabel('Title')).toHaveValue(title);
        await expect(form.getByLabel('at', { exact: true }).first()).toHaveValue('10:45');
        await expect(form.getByLabel('Part of Esi Marchetti')).toHaveValue('responsible');
        await expect(form.getByLabel('Rule, as iCalendar has it')).toHaveValue('FREQ=MONTHLY;BYDAY=1MO,3MO');
        await form.getByRole('button', { name: ADD }).click();
        await expect(page.getByText(new RegExp(`^Added: .* on ${yard}\\.`))).toBeVisible();
    });

    await test.step('after adding, Move opens it where another calendar is chosen; it stays the same event', async () => {
        await page.locator('[data-sonner-toast]', { hasText: new RegExp(`^Added: .* on ${yard}\\.`) }).getByRole('button', { name: 'Move…' }).click();
        const panel = page.getByRole('complementary', { name: 'Event' });
        await expect(panel).toContainText('every month on the first and third Monday');
        const address = page.url();
        await panel.getByLabel('Move to another calendar').selectOption({ label: loft });
        await expect(page.getByText(new RegExp(`^Moved: .* on ${loft}\\.$`))).toBeVisible();
        expect(page.url()).toBe(address);
        await page.keyboard.press('Escape');
    });

    await test.step('what says no day opens in the form; what nothing has is said', async () => {
        await field.fill('zzz think about it');
        await expect(page.getByRole('option', { name: /zzz think about it/ })).toContainText('no day yet');
        await expect(page.getByText('Nothing that you may read has these words.')).toBeVisible();
        await field.press('Enter');
        await expect(page.getByRole('form', { name: 'New event' }).getByLabel('Title')).toHaveValue('zzz think about it');
    });
});

test('what is done is undone and done again by keys; a series is changed from one time on; history puts an earlier state back', async ({ page }) => {
    const name = unique('Boat book');
    const drill = unique('Drill');
    await enter(page, 'Greta Ondaatsen');
    await makeCalendar(page, name);
    await page.goto(`/?overlay=all&view=lanes&date=${day(0)}`);
    const on = (fromMonday: number) => laneCell(page, name, day(fromMonday)).getByRole('button', { name: new RegExp(drill) });
    await laneCell(page, name, day(1)).click();
    await page.getByLabel('Title').fill(drill);
    await page.getByLabel('Repeats', { exact: true }).check();
    // Picked, and read back in words with the next days.
    await expect(page.getByText(/^every week on \w+day$/)).toBeVisible();
    await page.getByLabel('Unit').selectOption('month');
    await page.getByLabel('On', { exact: true }).selectOption('weekday');
    await expect(page.getByText(/^every month on the \w+ \w+day$/)).toBeVisible();
    await page.getByLabel('Unit').selectOption('week');
    await expect(page.getByText(/^every week on \w+day$/)).toBeVisible();
    await page.getByRole('button', { name: ADD }).click();
    await expect(on(8)).toBeVisible();

    await test.step('by keyboard alone: moved by a day, one time of it, deleted, and all undone step by step', async () => {
        await on(1).focus();
        await page.keyboard.press('Shift+ArrowRight');
        await page.getByRole('dialog').getByRole('button', { name: 'Only this one' }).press('Enter');
        await expect(on(2)).toBeVisible();
        await on(2).focus();
        await page.keyboard.press('Enter');
        const panel = page.getByRole('complementary', { name: 'Event' });
        await panel.getByRole('button', { name: 'Delete' }).press('Enter');
        await page.getByRole('dialog').getByRole('button', { name: 'Only this one' }).press('Enter');
        await expect(on(2)).toBeHidden();
        await page.getByRole('grid').focus();
        await page.keyboard.press('Control+z');
        await expect(on(2)).toBeVisible();
        await page.keyboard.press('Control+z');
        await expect(on(1)).toBeVisible();
        await expect(on(2)).toBeHidden();
        await page.keyboard.press('Control+Shift+z');
        await expect(on(2)).toBeVisible();
        await page.keyboard.press('Control+z');
        await expect(on(1)).toBeVisible();
    });

    await test.step('this and all that follow: what was before stays', async () => {
        await on(8).click();
        const panel = page.getByRole('complementary', { name: 'Event' });
        await panel.getByRole('button', { name: 'Change' }).click();
        // What becomes of the others is said before it happens.
        await expect(page.getByRole('dialog')).toContainText('From here on it is a series of its own.');
        await page.getByRole('dialog').getByRole('button', { name: 'This and all that follow' }).click();
        await panel.getByLabel('Title').fill(`${drill} afloat`);
        await panel.getByRole('button', { name: SAVE }).click();
        await expect(laneCell(page, name, day(8)).getByRole('button', { name: new RegExp(`${drill} afloat`) })).toBeVisible();
        await expect(on(1)).toHaveAccessibleName(new RegExp(`^${drill}, `));
        await page.getByRole('button', { name: 'On a week' }).click();
        await expect(laneCell(page, name, day(15)).getByRole('button', { name: new RegExp(`${drill} afloat`) })).toBeVisible();
        await panel.getByRole('button', { name: 'Close the event' }).click();
        await page.getByRole('grid').focus();
        await page.keyboard.press('Control+z');
        await expect(laneCell(page, name, day(15)).getByRole('button', { name: new RegExp(`^${drill}, `) })).toBeVisible();
    });

    await test.step('the history says who changed what, and goes back; the deleted come back from the calendar', async () => {
        await page.goto(`/?overlay=all&view=lanes&date=${day(0)}`);
        await on(1).click();
        const panel = page.getByRole('complementary', { name: 'Event' });
        await panel.getByRole('button', { name: 'Change' }).click();
        await page.getByRole('dialog').getByRole('button', { name: 'All of them' }).click();
        await panel.getByLabel('Place').fill('Pontoon');
        await panel.getByRole('button', { name: SAVE }).click();
        await panel.getByRole('button', { name: 'History' }).click();
        const history = panel.getByRole('list', { name: 'History' });
        await expect(history.getByRole('listitem').first()).toContainText('Greta Ondaatsen changed it');
        await expect(history.getByRole('listitem').first()).toContainText('place: Pontoon');
        await history.getByRole('button', { name: 'Back to before this' }).first().click();
        await expect(page.getByText('It is as it was before that.')).toBeVisible();
        await expect(panel.locator('dt', { hasText: /^Place$/ })).toHaveCount(0);
        await expect(history.getByRole('listitem').first()).toContainText('put an earlier state back');
        await panel.getByRole('button', { name: 'Delete' }).click();
        await page.getByRole('dialog').getByRole('button', { name: 'All of them' }).click();
        await expect(on(1)).toBeHidden();
        await page.goto('/calendars');
        await page.getByRole('link', { name: new RegExp(`^${name}`) }).click();
        await page.getByRole('button', { name: `Bring ${drill} back` }).click();
        await expect(page.getByText(`“${drill}” is back.`)).toBeVisible();
        await page.goto(`/?overlay=all&view=lanes&date=${day(0)}`);
        await expect(on(1)).toBeVisible();
    });
});

test('whoever is asked to take part sees that they have not answered, answers, and the other sees it', async ({ page, browser }) => {
    const name = unique('Crews');
    const title = unique('Race');
    await enter(page, 'Lachlan Pereiro');
    await makeCalendar(page, name);
    await page.getByRole('link', { name: new RegExp(`^${name}`) }).click();
    await page.getByRole('combobox', { name: 'Person or group' }).fill('aroha');
    await page.getByRole('option', { name: /Aroha Stensgaard/ }).click();
    await page.getByRole('button', { name: 'Share', exact: true }).click();
    await expect(page.getByText('Aroha Stensgaard: See')).toBeVisible();
    await page.goto(`/?overlay=all&view=lanes&date=${day(7)}`);
    await laneCell(page, name, day(9)).click();
    await page.getByLabel('Title').fill(title);
    const form = page.getByRole('form', { name: 'New event' });
    await form.getByRole('combobox', { name: 'People, groups and rooms' }).fill('aroha');
    await page.getByRole('option', { name: /Aroha Stensgaard/ }).click();
    await form.getByLabel('Part of Aroha Stensgaard').selectOption('required');
    await form.getByRole('button', { name: ADD }).click();
    await laneCell(page, name, day(9)).getByRole('button', { name: new RegExp(title) }).click();
    await expect(page.getByRole('complementary', { name: 'Event' })).toContainText('Aroha Stensgaard (not answered)');

    const aroha = await enterElsewhere(browser, 'Aroha Stensgaard');
    await aroha.goto(`/?overlay=all&view=lanes&date=${day(7)}`);
    const ticket = laneCell(aroha, name, day(9)).getByRole('button', { name: new RegExp(title) });
    await expect(ticket).toHaveAccessibleName(/you have not answered/);
    await ticket.click();
    await aroha.getByRole('group', { name: 'Whether you take part' }).getByRole('button', { name: 'I come' }).click();
    await expect(ticket).not.toHaveAccessibleName(/you have not answered/);
    await expect(page.getByRole('complementary', { name: 'Event' })).not.toContainText('not answered');
    await aroha.context().close();
});
