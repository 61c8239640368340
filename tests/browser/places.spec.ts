import { expect, test } from '@playwright/test';
import { expectAccessible } from './accessible';
import { ADD, day, enter, enterElsewhere, laneCell, makeCalendar, openCalendar, unique } from './support';

test('one place, and two who would have it: who waits gets it when it is given up; what is remarked is told, and brought is whom one may bring', async ({ page, browser }) => {
    const name = unique('Days out');
    const title = unique('Pilot cutter');
    await enter(page, 'Leocadia Brandt');
    await makeCalendar(page, name);

    await test.step('a teacher gives one place, and lets those who are asked bring others', async () => {
        await openCalendar(page, name);
        await page.getByRole('button', { name: 'Settings' }).click();
        await page.getByLabel('Who sees its events may remark on them').check();
        await page.getByRole('button', { name: 'Save' }).click();
        await expect(page.getByText(`“${name}” is changed.`)).toBeVisible();
        await page.goto(`/?overlay=all&view=lanes&date=${day(7)}`);
        await laneCell(page, name, day(9)).click();
        await page.getByLabel('Title').fill(title);
        const form = page.getByRole('form', { name: 'New event' });
        for (const who of ['Beatrix Osei', 'Emil Tavares']) {
            await form.getByRole('combobox', { name: 'People, groups and rooms' }).fill(who);
            await page.getByRole('option', { name: new RegExp(who) }).click();
        }
        await form.getByLabel('How many may come').fill('1');
        await form.getByLabel('ask others, too').check();
        await form.getByText(/^More: /).click();
        await form.getByLabel('Minutes on the way').fill('20');
        await expectAccessible(page);
        await form.getByRole('button', { name: ADD }).click();
        await expect(form).toHaveCount(0);
    });

    const [first, second] = [await enterElsewhere(browser, 'Beatrix Osei'), await enterElsewhere(browser, 'Emil Tavares')];
    const panelOf = (of: typeof first) => of.getByRole('complementary', { name: 'Event' });
    await test.step('the first comes, the second waits', async () => {
        for (const [each, says] of [[first, '0 of 1 places taken'], [second, '1 of 1 places taken: who comes waits for one']] as const) {
            await each.goto('/waiting');
            const row = each.getByRole('list', { name: 'Asked to take part' }).getByRole('listitem').filter({ hasText: title });
            await expect(row).toContainText(says);
            await row.getByRole('link', { name: title }).click();
            // They are asked, and see the calendar no more than before.
            await expect(panelOf(each)).not.toContainText(each === first ? 'Emil Tavares' : 'Beatrix Osei');
            await expect(panelOf(each)).toContainText('20 minutes: leave at');
            await panelOf(each).getByRole('button', { name: 'I come' }).click();
        }
        await expect(panelOf(second)).toContainText('All places are taken: you wait as number 1');
        await expectAccessible(second);
    });

    await test.step('who is asked brings somebody, who waits, too', async () => {
        await panelOf(first).getByLabel('Ask somebody else, too').fill('Ciaran Volkova');
        await first.getByRole('option', { name: /Ciaran Volkova/ }).click();
        await expect(first.getByText('Ciaran Volkova is asked, too.')).toBeVisible();
    });

    await test.step('what is remarked is told to who takes part', async () => {
        await panelOf(first).getByLabel('Remark on it').fill('Oilskins are on board');
        await panelOf(first).getByRole('button', { name: 'Remark', exact: true }).click();
        await expect(panelOf(first).getByRole('region', { name: 'Remarks' }).getByRole('listitem')).toContainText('Oilskins are on board');
        // It is asked for each minute: who comes back sooner sees it sooner.
        await expect(async () => {
            await second.goto('/waiting');
            await expect(second.getByRole('list', { name: 'Changed' }).getByText(`Beatrix Osei on ${title}`)).toBeVisible({ timeout: 5000 });
        }).toPass();
    });

    await test.step('the place that is given up goes to who waits, who is told', async () => {
        await panelOf(first).getByRole('button', { name: 'I do not' }).click();
        await expect(panelOf(first)).toContainText('1 of 1 taken');
        await second.reload();
        await expect(second.getByText(`You have a place: ${title}`)).toBeVisible();
        await expectAccessible(second);
        await page.getByRole('button', { name: new RegExp(title) }).first().click();
        await expect(panelOf(page)).toContainText('Beatrix Osei (does not come)');
        await expect(panelOf(page)).toContainText('Ciaran Volkova (not answered)');
        await expect(panelOf(page)).not.toContainText('waits for a place');
        await expect(panelOf(page)).toContainText('1 of 1 taken');
    });
});
