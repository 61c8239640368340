import { expect, test, type Page } from '@playwright/test';
import { expectAccessible } from './accessible';
import { day, enter, laneCell, makeCalendar, unique } from './support';

async function expectNoSidewaysScroll(page: Page): Promise<void> {
    expect(await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)).toBe(0);
}

for (const theme of ['light', 'dark'] as const) {
    for (const [width, height] of [[1280, 800], [390, 844]] as const) {
        test(`every view is sound at ${width} × ${height}, ${theme}`, async ({ page }) => {
            await page.emulateMedia({ colorScheme: theme });
            await page.setViewportSize({ width, height });
            await page.goto('/');
            await expect(page.getByRole('heading', { name: 'Pinned Rota' })).toBeVisible();
            await expectAccessible(page);
            await enter(page, 'Bertil Acheng', { unseen: true });
            for (const path of ['/?view=lanes', '/?view=month', '/?view=week', '/?view=day', '/?view=year', '/?view=list', '/?view=table', '/?view=lanes&event=1', '/?view=lanes&group=person&weeks=8', '/?view=week&side=true', '/?view=lanes&beside=all', '/calendars', '/calendars/assessments', '/calendars?in=directory', '/?calendar=staff-away&as=4', '/publish', '/sources', '/groups', '/waiting', '/following', '/people', '/organisation', '/first-steps']) {
                await page.goto(path);
                await expect(page.getByText(/^Fetching /)).toHaveCount(0);
                await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
                if (/^\/\?/.test(path) && !/view=(year|list)/.test(path)) await expect(page.getByRole('grid').first()).toBeVisible();
                await expectAccessible(page);
                await expectNoSidewaysScroll(page);
            }
        });
    }
}

test('forms and dialogs are sound', async ({ page }) => {
    await enter(page, 'Ines Halloran', { unseen: true });
    await page.goto('/?overlay=the-term-at-a-glance');
    await laneCell(page, 'Assessments', day(7)).click({ position: { x: 30, y: 60 } });
    await expect(page.getByLabel('Title')).toBeFocused();
    await expectAccessible(page);
    await page.keyboard.press('Escape');
    await expect(page.getByLabel('Title')).toBeHidden();
    await page.getByRole('button', { name: 'The term at a glance' }).click();
    await page.getByRole('menuitem', { name: 'Change the layers of this one…' }).click();
    await page.getByRole('dialog').getByRole('button', { name: /^Assessments/ }).click();
    await expectAccessible(page);
    await page.keyboard.press('Escape');
    await page.getByRole('combobox', { name: 'Add or find: one line' }).first().fill('rigging test fri 9:30–11 Long loft #assessment every week');
    await expect(page.getByRole('option', { name: /rigging test/ })).toBeVisible();
    await expect(page.getByRole('button', { name: 'Keep time 9:30–11 in the title' })).toBeVisible();
    await expectAccessible(page);
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'How it is drawn' }).click();
    await expectAccessible(page);
});

test('events are added, moved and opened by keyboard alone', async ({ page }) => {
    const name = unique('Keys');
    await enter(page, 'Esi Marchetti', { unseen: true });
    await makeCalendar(page, name);
    await page.goto('/?overlay=all');
    await page.getByRole('grid').focus();
    // The day that it is comes first; Home goes to the first of the row.
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Home');
    await expect(page.locator('[data-cell="0:0"]')).toBeFocused();
    await laneCell(page, name, day(1)).focus();
    await page.keyboard.press('ArrowRight');
    await expect(laneCell(page, name, day(2))).toBeFocused();
    await page.keyboard.press('Enter');
    await page.keyboard.type('By hand');
    await page.keyboard.press('Enter');
    const ticket = page.getByRole('row', { name: new RegExp(name) }).getByRole('button', { name: /By hand/ });
    await expect(ticket).toBeVisible();
    await ticket.focus();
    await page.keyboard.press('Shift+ArrowRight');
    await expect(laneCell(page, name, day(3)).getByRole('button', { name: /By hand/ })).toBeVisible();
    await ticket.focus();
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { name: 'By hand' })).toBeVisible();
    await page.getByLabel('Ruler').focus();
    await page.keyboard.press('ArrowRight');
    await expect(page.locator(`[data-day="${day(14)}"]`).first()).toBeVisible();
});

test('the address is the state: a copied one shows a colleague the same, through their own access', async ({ page }) => {
    await enter(page, 'Mirela Dask', { unseen: true });
    await page.goto(`/?overlay=the-term-at-a-glance&view=month&date=${day(0)}&categories=%5B%22assessment%22%5D`);
    await expect(page.getByRole('tab', { name: 'Month' })).toHaveAttribute('aria-selected', 'true');
    await expect(page.getByRole('complementary', { name: 'Key' }).getByRole('button', { name: 'assessment', exact: true })).toHaveAttribute('aria-pressed', 'true');
    await page.goto('/?overlay=the-term-at-a-glance');
    // A student sees of absences that somebody is busy, and not who.
    await expect(page.getByRole('row', { name: /Staff away/ }).getByRole('button').first()).toHaveAccessibleName(/^Busy/);
    await expect(page.getByText(/Halloran away/)).toHaveCount(0);
    await page.getByRole('button', { name: 'On a week' }).click();
    await expect(page.locator(`[data-day="${day(14)}"]`).first()).toBeVisible();
    await page.goBack();
    await expect(page.locator(`[data-day="${day(0)}"]`).first()).toBeVisible();
});
