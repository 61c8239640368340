import { expect, test, type Page } from '@playwright/test';
import { addByApi, day, enter, enterElsewhere, makeCalendar, openCalendar, shareWith, slugOf, unique } from './support';

/** What a page asks from now on, by path. */
function watch(page: Page): string[] {
    const asked: string[] = [];
    page.on('request', (request) => asked.push(new URL(request.url()).pathname.replace('/api/v1', '')));
    return asked;
}

/** Listens as any program could, and says what came until the connection ended. */
function listen(page: Page): Promise<string> {
    return page.evaluate(async () => (await fetch('/api/v1/live', { headers: { Accept: 'text/event-stream' } })).text());
}

test('what others change arrives by itself, what is elsewhere in the year is not asked for, and the connection ends with access', async ({ page, browser }) => {
    const name = unique('Sail loft');
    await enter(page, 'Rufus Tamm');
    await makeCalendar(page, name);
    await shareWith(page, name, 'Esi Marchetti');
    const calendar = await slugOf(page, name);
    const other = await enterElsewhere(browser, 'Esi Marchetti');
    const connected = other.waitForResponse((response) => response.url().endsWith('/live') && response.status() === 200);
    await other.goto(`/?calendar=${calendar}&view=week&date=${day(7)}`);
    await expect(other.getByRole('grid')).toBeVisible();
    await connected;
    const asked = watch(other);

    await test.step('a change in the week that is looked at shows, and nothing was asked but for it', async () => {
        const title = unique('Reefing');
        await addByApi(page, [{ calendar, title, start: `${day(8)}T10:00` }]);
        await expect(other.getByRole('button', { name: new RegExp(title) })).toBeVisible();
        expect(asked).toContain('/sheet');
        expect(asked.filter((path) => path === '/changes').length).toBeLessThanOrEqual(1);
    });

    await test.step('a change of another month asks for nothing; the next of this week shows again', async () => {
        asked.length = 0;
        // What is told before it is open is not told to it.
        const open = other.waitForResponse((response) => response.url().endsWith('/live') && response.status() === 200);
        const heard = listen(other);
        await open;
        await addByApi(page, [{ calendar, title: unique('Far off'), start: `${day(120)}T10:00` }]);
        const title = unique('Splicing');
        await addByApi(page, [{ calendar, title, start: `${day(9)}T10:00` }]);
        await expect(other.getByRole('button', { name: new RegExp(title) })).toBeVisible();
        expect(asked.filter((path) => path === '/sheet')).toHaveLength(1);

        // Taken away, the connection ends by the server's doing, and so does what it told.
        await openCalendar(page, name);
        await page.getByRole('button', { name: 'Withdraw from Esi Marchetti' }).click();
        const told = await heard;
        expect(told.match(/"calendar":"/g)).toHaveLength(2);
        expect(told).not.toContain('Far off');
    });

    await test.step('whoever may see it no longer has it off the screen', async () => {
        await expect(other.getByRole('button', { name: /Splicing/ })).toBeHidden();
    });
});
