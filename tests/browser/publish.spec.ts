import { expect, test, type Browser, type Page } from '@playwright/test';
import { expectAccessible } from './accessible';
import { SAVE, addByApi, day, enter, enterElsewhere, layOverlay, makeCalendar, openCalendar, shareWith, slugOf, standins, unique } from './support';

/** Somebody without an account, on a phone, whose browser runs no script. */
async function pupil(browser: Browser, baseURL: string | undefined): Promise<Page> {
    const context = await browser.newContext({ viewport: { width: 390, height: 844 }, javaScriptEnabled: false, ...(baseURL === undefined ? {} : { baseURL }) });
    return context.newPage();
}

test('a coordinator publishes a page; a pupil without an account reads it, and it is paused, renewed and taken back', async ({ page, browser, baseURL }) => {
    const name = unique('Keel days');
    await enter(page, 'Oda Lindqvarn');
    await makeCalendar(page, name);
    const calendar = await slugOf(page, name);
    await addByApi(page, [
        { calendar, title: 'Haul out', start: `${day(8)}T09:00`, end: `${day(8)}T10:30`, place: 'Slip', categories: ['boats'] },
        { calendar, title: 'Planking', start: `${day(9)}T13:00`, end: `${day(9)}T16:00`, place: 'Long loft', categories: ['wood'] },
        { calendar, title: 'Hospital', start: `${day(10)}T08:00`, end: `${day(10)}T09:00`, place: 'Ward 7', private: true },
    ]);
    const row = page.getByRole('list', { name: 'Pages' }).getByRole('listitem').filter({ hasText: name });
    const address = () => row.getByLabel(`Address of ${name}`).inputValue();
    const reader = await pupil(browser, baseURL);

    await test.step('it is published for whoever has the link', async () => {
        await page.goto('/publish');
        await page.getByRole('button', { name: 'Publish a page' }).click();
        const dialog = page.getByRole('dialog', { name: 'Publish a page' });
        await dialog.getByLabel('What', { exact: true }).selectOption({ label: `${name} (calendar)` });
        await expect(dialog.getByLabel('Name, at its top')).toHaveValue(name);
        const goesOut = dialog.getByRole('region', { name: 'What goes out' });
        await expect(goesOut).toContainText('3 events of the last four weeks and the coming year, 1 of them as busy times.');
        await expect(goesOut.getByRole('list', { name: 'Left out' })).toContainText('One is private: when the time is taken goes out, and nothing else, such as “Hospital”.');
        await dialog.getByRole('button', { name: 'Publish it' }).click();
        await expect(row).toContainText('everything but people, all of it, for whoever has the link');
        await expect(row).toContainText('not read yet');
    });

    await test.step('a pupil reads it, and filters it, without an account or a script', async () => {
        await reader.goto(await address());
        await expect(reader.getByRole('heading', { level: 1 })).toHaveText(name);
        await expect(reader.getByText('Haul out')).toBeVisible();
        await expect(reader.getByText('Long loft')).toBeVisible();
        await expect(reader.getByText('Busy')).toBeVisible();
        expect(await reader.content()).not.toMatch(/Hospital|Ward 7|Oda Lindqvarn/);
        expect(await reader.context().cookies()).toEqual([]);
        expect(await reader.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)).toBe(0);
        await reader.getByRole('link', { name: 'wood' }).click();
        await expect(reader.getByText('Planking')).toBeVisible();
        await expect(reader.getByText('Haul out')).toHaveCount(0);
        await reader.getByRole('link', { name: 'wood' }).click();
        await reader.getByRole('link', { name: 'Month' }).click();
        await reader.getByLabel('Go to a day').fill(day(9));
        await reader.getByRole('button', { name: 'Go' }).click();
        await expect(reader.getByRole('table')).toContainText('Planking');
        // The weeks at the end of a month are those at the beginning of the next.
        await reader.getByRole('link', { name: 'Later' }).click();
        await reader.getByRole('link', { name: 'Later' }).click();
        await expect(reader.getByRole('table')).not.toContainText('Planking');
    });

    await test.step('in every view, and in both themes, axe finds nothing', async () => {
        for (const colorScheme of ['light', 'dark'] as const) {
            const context = await browser.newContext({ viewport: { width: 390, height: 844 }, colorScheme });
            const looked = await context.newPage();
            for (const query of ['?view=list', '?view=month', '?view=week', '?view=lanes']) {
                await looked.goto(`${await address()}${query}`);
                await expectAccessible(looked, { strictly: true });
            }
            await context.close();
        }
    });

    await test.step('what has not changed is given out without the framework, and how often it was read is counted', async () => {
        const reads = async () => {
            await page.reload();
            await expect(row).toContainText(/read \d+ times, last/);
            return Number(/read (\d+) times, last/.exec(await row.innerText())?.[1] ?? Number.NaN);
        };
        // Whatever anybody changes meanwhile, other journeys too, makes all of it anew: then it is looked at once more.
        await expect(async () => {
            const before = await reads();
            const answers = [];
            for (let count = 0; count < 3; count++) answers.push(await page.request.get(await address()));
            // Only the framework says how much one may still ask.
            expect(answers.slice(1).map((each) => each.headers()['x-ratelimit-limit'])).toEqual([undefined, undefined]);
            expect(new Set([...(await Promise.all(answers.map((each) => each.text())))]).size).toBe(1);
            expect(answers.at(-1)?.headers()['content-security-policy']).toContain("frame-ancestors 'none'");
            const had = await page.request.get(await address(), { headers: { 'If-None-Match': answers.at(-1)?.headers().etag ?? '' } });
            expect(had.status()).toBe(304);
            expect(await reads()).toBe(before + 3);
        }).toPass();
        await addByApi(page, [{ calendar, title: 'Launch', start: `${day(11)}T09:00`, end: `${day(11)}T10:00` }]);
        expect(await (await page.request.get(await address())).text()).toContain('Launch');
    });

    await test.step('with less detail it tells less, at the same address', async () => {
        const before = await address();
        await row.getByRole('button', { name: `Change ${name}` }).click();
        await page.getByLabel('It tells').selectOption('busy times');
        await page.getByRole('button', { name: SAVE }).click();
        await expect(row).toContainText('busy times, all of it');
        expect(await address()).toBe(before);
        await reader.goto(before);
        await expect(reader.getByText('Busy')).toHaveCount(4);
        expect(await reader.content()).not.toMatch(/Haul out|Planking|Slip\b|wood|Launch/);
    });

    await test.step('paused it says so; a new address works beside the one before; taken back neither does', async () => {
        const before = await address();
        await row.getByRole('button', { name: `Pause ${name}` }).click();
        await expect(row).toContainText('paused');
        await reader.goto(before);
        await expect(reader.getByText('is not shown at the moment')).toBeVisible();
        await row.getByRole('button', { name: `Show ${name} again` }).click();
        await expect(row).not.toContainText('paused');

        await row.getByRole('button', { name: `Give ${name} a new address` }).click();
        await row.getByRole('button', { name: 'Make a new address' }).click();
        await expect(row).toContainText('The address before this one is answered until');
        const now = await address();
        expect(now).not.toBe(before);
        for (const each of [before, now]) {
            await reader.goto(each);
            await expect(reader.getByRole('heading', { level: 1 })).toHaveText(name);
        }
        await row.getByRole('button', { name: `Take ${name} back` }).click();
        await row.getByRole('button', { name: 'Take it back' }).click();
        await expect(row).toHaveCount(0);
        for (const each of [before, now]) {
            expect((await reader.goto(each))?.status()).toBe(410);
            await expect(reader.getByText('This was taken back')).toBeVisible();
        }
    });
});

test('an overlay stands in a frame on the school’s own site, until its publisher loses access', async ({ page, browser, baseURL }) => {
    const [boats, wood, overlay] = [unique('Boats'), unique('Wood'), unique('Quay')];
    const keeper = await enterElsewhere(browser, 'Oda Lindqvarn');
    await makeCalendar(keeper, wood);
    await shareWith(keeper, wood, 'Ines Halloran');
    await addByApi(keeper, [{ calendar: await slugOf(keeper, wood), title: 'Planking', start: `${day(9)}T13:00`, end: `${day(9)}T16:00` }]);
    await enter(page, 'Ines Halloran');
    await makeCalendar(page, boats);
    await addByApi(page, [{ calendar: await slugOf(page, boats), title: 'Haul out', start: `${day(8)}T09:00`, end: `${day(8)}T10:30` }]);
    await layOverlay(page, overlay, [boats, wood]);

    await page.getByRole('button', { name: overlay }).click();
    await page.getByRole('menuitem', { name: 'Have it elsewhere…' }).click();
    const elsewhere = page.getByRole('dialog', { name: `${overlay}, elsewhere` });
    await elsewhere.getByRole('button', { name: 'Publish a page' }).click();
    await page.getByRole('button', { name: 'Publish it' }).click();
    await elsewhere.getByRole('button', { name: `Put ${overlay} into a frame` }).click();
    const choices = page.getByRole('dialog', { name: `${overlay} in a frame` });
    await choices.getByLabel('Sites that may show it, one a line').fill(`${standins}/school`);
    await choices.getByRole('button', { name: 'Save the sites' }).click();
    await expect(choices.getByLabel('Sites that may show it, one a line')).toHaveValue(standins);

    const preview = choices.frameLocator('iframe');
    await expect(preview.getByText('Haul out')).toBeVisible();
    await choices.getByLabel('Dates in').selectOption('de');
    await choices.getByLabel('Look').selectOption('dark');
    await expect(preview.getByRole('heading', { name: /^(Montag|Dienstag|Mittwoch|Donnerstag|Freitag|Samstag|Sonntag)/ }).first()).toBeVisible();
    await expect(preview.locator('html')).toHaveAttribute('data-theme', 'dark');
    const line = await choices.getByLabel('Line for the site').inputValue();

    // Somebody without an account, at the site of the school: as on a phone, at an address that is not the product's.
    const context = await browser.newContext({ viewport: { width: 390, height: 844 }, ...(baseURL === undefined ? {} : { baseURL }) });
    const visitor = await context.newPage();
    await visitor.goto(`${standins}/school?${new URLSearchParams({ frame: line }).toString()}`);
    const frame = visitor.frameLocator('iframe');
    await expect(frame.getByText('Haul out')).toBeVisible();
    await expect(frame.getByText('Planking')).toBeVisible();
    // It is as high as what is in it, and no wider than its place.
    await expect.poll(() => visitor.locator('iframe').evaluate((each) => each.getBoundingClientRect().height)).not.toBe(600);
    const inner = await visitor.locator('iframe').evaluate((each) => Math.round(each.getBoundingClientRect().height));
    expect(Math.abs((await frame.locator('body').evaluate((body) => Math.ceil(body.getBoundingClientRect().height))) - inner)).toBeLessThanOrEqual(1);
    expect(await frame.locator('html').evaluate((root) => root.scrollWidth - root.clientWidth)).toBe(0);
    expect(await context.cookies()).toEqual([]);
    // Out of the frame it opens in a window of its own.
    const [details] = await Promise.all([context.waitForEvent('page'), frame.getByRole('link', { name: 'Planking' }).click()]);
    await expect(details.getByRole('heading', { level: 1 })).toContainText('Planking');
    await details.close();

    // On a site that was not named it is refused, and so is everything else of the product on any.
    const elsewhereSite = standins.replace('127.0.0.1', 'localhost');
    await visitor.goto(`${elsewhereSite}/school?${new URLSearchParams({ frame: line }).toString()}`);
    await expect.poll(() => visitor.frames().filter((each) => each !== visitor.mainFrame()).map((each) => each.url())).toEqual(['chrome-error://chromewebdata/']);
    await visitor.goto(`${standins}/school?${new URLSearchParams({ frame: `<iframe src="${new URL('/', page.url()).href}"></iframe>` }).toString()}`);
    await expect.poll(() => visitor.frames().filter((each) => each !== visitor.mainFrame()).map((each) => each.url())).toEqual(['chrome-error://chromewebdata/']);

    // What its publisher may not see any more is not there any more.
    await openCalendar(keeper, wood);
    await keeper.getByRole('button', { name: 'Withdraw from Ines Halloran' }).click();
    await expect(keeper.getByText(`“${wood}” is no longer shared with Ines Halloran.`)).toBeVisible();
    await visitor.goto(`${standins}/school?${new URLSearchParams({ frame: line }).toString()}`);
    await expect(frame.getByText('Haul out')).toBeVisible();
    await expect(frame.getByText('Planking')).toHaveCount(0);
});

test('an event has a page of its own, and is passed on from where it is', async ({ page, browser, baseURL }) => {
    const name = unique('Open lofts');
    await enter(page, 'Oda Lindqvarn');
    await makeCalendar(page, name);
    const calendar = await slugOf(page, name);
    await addByApi(page, [{ calendar, title: 'Rope walk', start: `${day(8)}T09:00`, end: `${day(8)}T10:30`, place: 'Long loft', description: 'Bring gloves.' }]);
    await openCalendar(page, name);

    await test.step('what is made public has a page offered at once', async () => {
        await page.getByLabel('Level of the public').selectOption('see');
        await page.getByRole('button', { name: 'Give it a page, too' }).click();
        const dialog = page.getByRole('dialog', { name: 'Publish a page' });
        await expect(dialog.getByLabel('For', { exact: true })).toHaveValue('everybody');
        await dialog.getByLabel('It tells').selectOption('everything');
        await expect(dialog.getByRole('list', { name: 'Mind' })).toContainText('What stands under “About” goes out with one event, such as “Rope walk”.');
        await dialog.getByRole('button', { name: 'Publish it' }).click();
        await expect(page.getByRole('list', { name: 'What goes out of it' })).toContainText(`${name}: everything, all of it, for everybody`);
    });

    const context = await browser.newContext({ viewport: { width: 390, height: 844 }, acceptDownloads: true, ...(baseURL === undefined ? {} : { baseURL }) });
    const visitor = await context.newPage();
    await test.step('whoever is given its page reads it, puts it into a diary, and finds the whole', async () => {
        await page.goto(`/?calendar=${calendar}&view=list&date=${day(7)}`);
        await page.getByRole('button', { name: /Rope walk/ }).first().click();
        await page.getByRole('button', { name: 'Pass on' }).click();
        await visitor.goto(await page.getByLabel(`Its page in ${name}`).inputValue());
        await expect(visitor.getByRole('heading', { level: 1 })).toContainText('Rope walk');
        await expect(visitor.getByText('Bring gloves.')).toBeVisible();
        await expectAccessible(visitor, { strictly: true });
        const [file] = await Promise.all([visitor.waitForEvent('download'), visitor.getByRole('link', { name: 'Put it in my diary' }).click()]);
        expect(file.suggestedFilename()).toBe(`event-${day(8)}.ics`);
        await visitor.getByRole('link', { name: `‹ ${name}` }).click();
        await visitor.getByRole('link', { name: 'Rope walk' }).click();
        await expect(visitor.getByText('Bring gloves.')).toBeVisible();
    });

    await test.step('on paper it is ink on white, with all its names, also from a phone at night', async () => {
        const paper = await context.newPage();
        await paper.goto(`${new URL(visitor.url()).pathname.split('/').slice(0, 3).join('/')}?view=month&date=${day(8)}`);
        await paper.emulateMedia({ media: 'print', colorScheme: 'dark' });
        await expect(paper.getByText('Rope walk')).toBeVisible();
        await expect(paper.getByRole('navigation')).toHaveCount(0);
        expect(await paper.evaluate(() => getComputedStyle(document.body).backgroundColor)).toBe('rgb(255, 255, 255)');
        await paper.close();
    });

    await test.step('whoever may see it here opens it by its address', async () => {
        const address = await page.getByLabel('Address of the event').inputValue();
        const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'Take it as a file' }).click()]);
        expect(file.suggestedFilename()).toMatch(/^event-\d+\.ics$/);
        await page.goto(address);
        await expect(page.getByRole('heading', { level: 2, name: 'Rope walk' })).toBeVisible();
    });
});

test('what somebody reads is on their own devices with one click, and ends with one', async ({ page, request }) => {
    const name = unique('Slip');
    await enter(page, 'Oda Lindqvarn');
    await makeCalendar(page, name);
    await addByApi(page, [{ calendar: await slugOf(page, name), title: 'Haul out', start: `${day(8)}T09:00`, end: `${day(8)}T10:30` }]);
    await openCalendar(page, name);
    await page.getByRole('button', { name: 'Have it on my devices' }).click();
    const link = page.getByRole('list', { name: `My links of ${name}` }).getByRole('listitem');
    await expect(link).toContainText('everything, 4 weeks back');
    const url = await link.getByLabel(/^Address of/).inputValue();
    expect(await (await request.get(url, { headers: { 'User-Agent': 'Diary/3 (Android 15; Mobile)' } })).text()).toContain('SUMMARY:Haul out');
    await link.getByRole('button', { name: 'On a phone' }).click();
    await expect(link.getByRole('img', { name: /for a camera$/ })).toBeVisible();

    await link.getByRole('button', { name: /^Change/ }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByLabel('It tells').selectOption('busy times');
    await page.getByLabel('The device reminds').selectOption('half an hour before');
    await page.getByRole('button', { name: SAVE }).click();
    await expect(link).toContainText('busy times, 4 weeks back, reminds half an hour before');
    await page.reload();
    await expect(link).toContainText('by a phone or tablet');
    // Its address is the same, and is still shown.
    expect(await link.getByLabel(/^Address of/).inputValue()).toBe(url);
    expect(await (await request.get(url)).text()).not.toContain('Haul out');

    await link.getByRole('button', { name: /^Revoke/ }).click();
    await link.getByRole('button', { name: 'Revoke it' }).click();
    await expect(link).toHaveCount(0);
    expect(await (await request.get(url)).text()).toContain('no longer shared here');
});

test('a screen on a wall has what is on, goes on without an answer, says so, and comes back by itself', async ({ page, browser, baseURL }) => {
    const name = unique('Boat hall');
    await enter(page, 'Oda Lindqvarn');
    await makeCalendar(page, name);
    const calendar = await slugOf(page, name);
    await page.goto('/publish');
    await page.getByRole('button', { name: 'Publish a page' }).click();
    await page.getByLabel('What', { exact: true }).selectOption({ label: `${name} (calendar)` });
    await page.getByLabel('For', { exact: true }).selectOption('people who are named');
    await page.getByRole('button', { name: 'Publish it' }).click();
    const people = page.getByRole('dialog', { name: `People who read ${name}` });
    await people.getByLabel('Names, one a line').fill('Tove Arkell\nEmeka Sund');
    await people.getByRole('button', { name: 'Make 2 links' }).click();
    const links = [await people.getByLabel('Link of Tove Arkell', { exact: true }).inputValue(), await people.getByLabel('Link of Emeka Sund', { exact: true }).inputValue()];
    await people.getByRole('button', { name: 'Done' }).click();
    const row = page.getByRole('list', { name: 'Pages' }).getByRole('listitem').filter({ hasText: name });
    await expect(row).toContainText('for people who are named (2)');
    await row.getByRole('button', { name: `Screens that show ${name}` }).click();
    const screens = page.getByRole('dialog', { name: `Screens that show ${name}` });
    await screens.getByLabel('Screens, one a line').fill('Hall');
    await screens.getByRole('button', { name: 'Make a link' }).click();
    const address = await screens.getByLabel('Link of Hall', { exact: true }).inputValue();
    await screens.getByRole('button', { name: 'Done' }).click();

    const context = await browser.newContext({ viewport: { width: 1920, height: 1080 }, ...(baseURL === undefined ? {} : { baseURL }) });
    const wall = await context.newPage();
    await wall.clock.install();
    await wall.goto(address);
    await expect(wall.getByText('Nothing is on today.')).toBeVisible();
    await expectAccessible(wall, { strictly: true });

    const soon = await page.evaluate(() => new Intl.DateTimeFormat('sv-SE', { timeZone: 'Europe/London' }).format());
    await addByApi(page, [{ calendar, title: 'Gig launch', start: `${soon}T23:30`, end: `${soon}T23:45` }]);
    await wall.clock.fastForward('01:05');
    await expect(wall.getByText('Gig launch')).toBeVisible();

    await wall.route('**/screen', (route) => route.abort());
    await wall.clock.fastForward('04:00');
    await expect(wall.getByRole('status')).toContainText(/^As it was \d minutes ago/);
    await expect(wall.getByText('Gig launch')).toBeVisible();
    await wall.unroute('**/screen');
    await wall.clock.fastForward('01:05');
    await expect(wall.getByRole('status')).toBeHidden();

    await test.step('one of the people has their link taken back, and the others and the screen go on', async () => {
        await row.getByRole('button', { name: `People who read ${name}` }).click();
        await people.getByRole('button', { name: 'Take back the link of Tove Arkell' }).click();
        await people.getByRole('button', { name: 'Take it back' }).click();
        await expect(people.getByText('Tove Arkell')).toHaveCount(0);
        await people.getByRole('button', { name: 'Done' }).click();
        const reader = await context.newPage();
        expect((await reader.goto(links[0] ?? ''))?.status()).toBe(410);
        await reader.goto(links[1] ?? '');
        await expect(reader.getByText('Gig launch')).toBeVisible();
        await wall.clock.fastForward('01:05');
        await expect(wall.getByText('Gig launch')).toBeVisible();
    });

    await row.getByRole('button', { name: `Pause ${name}` }).click();
    await expect(row).toContainText('paused');
    await wall.clock.fastForward('01:05');
    await expect(wall.getByText('is not shown at the moment')).toBeVisible();
    await expect(wall.getByText('Gig launch')).toHaveCount(0);
});
