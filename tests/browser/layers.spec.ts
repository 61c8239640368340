import { expect, test } from '@playwright/test';
import { ADD, addEvent, day, enter, enterElsewhere, laneCell, makeCalendar, unique } from './support';

test('a coordinator parts one calendar into layers by what is said in events; everything else is one of them', async ({ page, browser }) => {
    const calendar = unique('Boat hall');
    const overlay = unique('Hall by work');
    await enter(page, 'Ines Halloran');
    await makeCalendar(page, calendar);
    await page.goto('/?overlay=all');
    await addEvent(page, calendar, day(8), 'Varnish the gig');
    await addEvent(page, calendar, day(9), 'Sweep');

    await test.step('composed by picking, never by typing a syntax', async () => {
        await page.getByRole('button', { name: 'My list' }).click();
        await page.getByRole('menuitem', { name: 'Lay a new overlay…' }).click();
        const dialog = page.getByRole('dialog');
        await expect(dialog.getByRole('button', { name: 'mine, and everyone else’s' })).toBeVisible();
        await dialog.getByLabel('Name').fill(overlay);
        for (const name of ['Varnish', 'Others']) {
            await dialog.getByLabel('Add a layer of').selectOption({ label: calendar });
            await dialog.getByRole('button', { name: new RegExp(`^${calendar}`) }).click();
            await dialog.getByLabel('Name of the layer').fill(name);
            if (name === 'Others') await dialog.getByLabel('Of', { exact: true }).selectOption('rest');
            else {
                await dialog.getByRole('button', { name: 'Ask something' }).click();
                await dialog.getByLabel('What it asks').selectOption('words');
            }
            if (name === 'Varnish') {
                await dialog.getByRole('button', { name: 'Keep it' }).click();
                await expect(dialog.getByText('Write at least one word, or take this condition out.').first()).toBeVisible();
                await dialog.getByLabel(/^Words, one a line/).fill('VARNISH\npaint');
            }
        }
        await dialog.getByRole('button', { name: 'Move Others up' }).click();
        await dialog.getByRole('button', { name: 'Keep it' }).click();
        await expect(page.getByRole('heading', { level: 1, name: overlay })).toBeVisible();
    });

    const kept = (new URL(page.url()).searchParams.get('overlay') ?? '').replaceAll('"', '');

    await test.step('each event is in one layer, whatever their order; the key says what a layer asks', async () => {
        await expect(laneCell(page, 'Varnish', day(8)).getByRole('button', { name: /Varnish the gig/ })).toBeVisible();
        await expect(laneCell(page, 'Others', day(9)).getByRole('button', { name: /Sweep/ })).toBeVisible();
        const key = page.getByRole('complementary', { name: 'Key' });
        await expect(key.getByRole('button', { name: 'Varnish, 1 in view' })).toContainText('“VARNISH”, “paint”');
        await expect(key.getByRole('button', { name: 'Others, 1 in view' })).toContainText('everything else');
    });

    await test.step('the list has the same layers, day by day, and goes on; the year opens it', async () => {
        await page.getByRole('tab', { name: 'List' }).click();
        const list = page.getByRole('list', { name: 'What is on, by day' });
        await expect(list.getByRole('button', { name: /Varnish the gig/ })).toBeVisible();
        await page.getByRole('complementary', { name: 'Key' }).getByRole('button', { name: /^Varnish,/ }).click();
        await expect(list.getByRole('button', { name: /Varnish the gig/ })).toBeHidden();
        await expect(list.getByRole('button', { name: /Sweep/ })).toBeVisible();
        await page.getByRole('tab', { name: 'Year' }).click();
        const square = page.getByRole('table').locator(`[data-day="${day(9)}"]`);
        await expect(square).toHaveAccessibleName(/: 1 event/);
        await square.click();
        await expect(page.getByRole('tab', { name: 'List' })).toHaveAttribute('aria-selected', 'true');
        await expect(list.getByRole('button', { name: /Sweep/ })).toBeVisible();
    });

    await test.step('in the week by the hour a click begins an event at that hour', async () => {
        await page.getByRole('tab', { name: 'Week' }).click();
        await page.getByRole('gridcell', { name: /^Hours, / }).nth(3).click({ position: { x: 30, y: 150 } });
        await page.getByLabel('Title').fill('Mop the floor');
        const starts = await page.getByLabel('at', { exact: true }).first().inputValue();
        expect(starts).toMatch(/^([7-9]|1\d):[03]0$/);
        await page.getByRole('button', { name: ADD }).click();
        await expect(page.getByRole('gridcell', { name: /^Hours, / }).nth(3).getByRole('button', { name: new RegExp(`Mop the floor.*${starts}`) })).toBeVisible();
    });

    await test.step('found from one field over all that one may read, and a date gone to by typing it', async () => {
        const field = page.getByRole('combobox', { name: 'Add or find: one line' }).first();
        await page.goto('/?overlay=all&view=lanes&date=2020-01-06');
        await field.fill('varnish the gig');
        await page.getByRole('option', { name: /^Varnish the gig/ }).first().click();
        await expect(page.getByRole('complementary', { name: 'Event' }).getByRole('heading', { name: 'Varnish the gig' })).toBeVisible();
        await expect(page.locator(`[data-day="${day(8)}"]`).first()).toBeVisible();
        await field.fill('14 mar 2031');
        await page.getByRole('option', { name: 'Go to Friday 14 March 2031' }).click();
        await expect(page.locator('[data-day="2031-03-14"]').first()).toBeVisible();
        await field.fill('nothing of this kind');
        await expect(page.getByText('Nothing that you may read has these words.')).toBeVisible();
        await field.fill('');
        await page.goto(`/?overlay=${kept}&view=week`);
    });

    await test.step('let through to everyone, each sees what their own access allows', async () => {
        await page.getByRole('button', { name: overlay }).click();
        await page.getByRole('menuitem', { name: 'Who may look through it…' }).click();
        await page.getByLabel('Level of everyone').selectOption('see');
        await expect(page.getByLabel('Level of everyone')).toHaveValue('see');
        await page.keyboard.press('Escape');
        const idris = await enterElsewhere(browser, 'Idris Holm');
        await idris.goto(`/?overlay=${kept}&view=list&date=${day(7)}`);
        await expect(idris.getByRole('heading', { level: 1, name: overlay })).toBeVisible();
        await expect(idris.getByText('nothing that you may see').first()).toBeVisible();
        await expect(idris.getByText('Sweep')).toHaveCount(0);
        await idris.context().close();
    });
});
