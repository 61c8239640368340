import { expect, test } from '@playwright/test';
import { expectAccessible } from './accessible';
import { ADD, SAVE, addByApi, day, enter, laneCell, makeCalendar, slugOf, standins, unique } from './support';

/** The school's own site by another name, so that it is to the browser somebody else's than the product. */
const school = standins.replace('127.0.0.1', 'localhost');

test('a teacher signs in within a frame on the school’s own site, adds an event, moves one and signs out', async ({ page, browser, baseURL }) => {
    const name = unique('Loft');
    await enter(page, 'Oda Lindqvarn');
    await makeCalendar(page, name);
    const calendar = await slugOf(page, name);
    await addByApi(page, [{ calendar, title: 'Haul out', start: `${day(1)}T09:00`, end: `${day(1)}T10:30` }]);

    await page.goto('/publish');
    await page.getByRole('button', { name: 'Make a frame for members' }).click();
    const making = page.getByRole('dialog', { name: 'Make a frame for members' });
    await making.getByLabel('What', { exact: true }).selectOption({ label: `${name} (calendar)` });
    await making.getByLabel(/may add, move and change them there/).check();
    await making.getByRole('button', { name: 'Make it' }).click();
    const row = page.getByRole('list', { name: 'Frames for members' }).getByRole('listitem').filter({ hasText: name });
    await expect(row).toContainText('opens as Lanes, events can be changed');
    const line = await row.getByLabel(`Line for the site, of ${name}`).inputValue();
    const at = `${school}/school?${new URLSearchParams({ frame: line }).toString()}`;

    const context = await browser.newContext(baseURL === undefined ? {} : { baseURL });
    const visitor = await context.newPage();
    const refused: string[] = [];
    visitor.on('response', (response) => response.status() >= 400 && response.url().includes('/api/') && refused.push(`${response.status()} ${response.url()}`));
    const frame = visitor.frameLocator('iframe');
    await test.step('they sign in there, and are signed in nowhere else', async () => {
        await visitor.goto(at);
        await expect(frame.getByLabel('Stay signed in on this device')).toHaveCount(0);
        await frame.getByLabel('Your address').fill('oda.lindqvarn@skerrin-quay.example');
        await frame.getByLabel('Password').fill('high-water-mark');
        await frame.getByRole('button', { name: 'Sign in' }).click();
        await expect(frame.getByRole('heading', { level: 1, name })).toBeVisible();
        await expect(frame.getByRole('button', { name: /Haul out/ })).toBeVisible();
        const cookies = await context.cookies();
        expect(cookies.map((each) => [each.name, each.sameSite, each.secure])).toEqual(expect.arrayContaining([['rota_members', 'None', true]]));
        expect(cookies.some((each) => each.name === 'rota_session')).toBe(false);
        const plain = await context.newPage();
        await plain.goto('/');
        await expect(plain.getByRole('button', { name: 'Sign in' })).toBeVisible();
        await plain.close();
    });

    await test.step('what is added and moved there is so here, at once', async () => {
        await page.goto(`/?calendar=${calendar}&view=lanes&date=${day(0)}`);
        await frame.getByRole('button', { name: 'Add an event' }).click();
        await frame.getByLabel('Title', { exact: true }).fill('Rope walk');
        await frame.getByRole('button', { name: ADD }).click();
        await expect(frame.getByRole('button', { name: /Rope walk/ })).toBeVisible();
        await expect(page.getByRole('button', { name: /Rope walk/ })).toBeVisible();
        await frame.getByRole('button', { name: /Haul out/ }).click();
        await expect(frame.getByRole('button', { name: 'Delete' })).toHaveCount(0);
        await expect(frame.getByRole('button', { name: 'Change', exact: true })).toBeVisible();
        await frame.getByRole('button', { name: 'Close the event' }).click();
        await frame.getByRole('button', { name: /Haul out/ }).hover();
        await visitor.mouse.down();
        const goal = await frame.locator(`[data-cell][data-day="${day(2)}"]`).boundingBox();
        await visitor.mouse.move((goal?.x ?? 0) + 20, (goal?.y ?? 0) + 20, { steps: 8 });
        await visitor.mouse.up();
        await expect(frame.getByText('is moved to')).toBeVisible();
        await expect(laneCell(page, name, day(2)).getByRole('button', { name: /Haul out/ })).toBeVisible();
        expect(refused).toEqual([]);
    });

    await test.step('all else opens in a window of its own', async () => {
        const [own] = await Promise.all([context.waitForEvent('page'), frame.getByRole('link', { name: 'Open it in a window of its own' }).click()]);
        await expect(own.getByRole('button', { name: 'Sign in' })).toBeVisible();
        expect(new URL(own.url()).searchParams.get('calendar')).toBe(calendar);
        await own.close();
    });

    await test.step('they go on after the page is loaded again, on a phone too, until they sign out', async () => {
        await visitor.setViewportSize({ width: 390, height: 844 });
        await visitor.reload();
        await expect(frame.getByRole('heading', { level: 1, name })).toBeVisible();
        expect(await frame.locator('html').evaluate((root) => root.scrollWidth - root.clientWidth)).toBe(0);
        await frame.getByRole('button', { name: /^Sign out/ }).click();
        await expect(frame.getByRole('button', { name: 'Sign in' })).toBeVisible();
    });

    await test.step('once it only is to be read nobody changes anything there, and once it was taken back it shows nothing', async () => {
        await page.goto('/publish');
        await row.getByRole('button', { name: `Change the frame of ${name}` }).click();
        await page.getByLabel(/may add, move and change them there/).uncheck();
        await page.getByRole('button', { name: SAVE }).click();
        await expect(row).toContainText('to be read');
        await frame.getByLabel('Your address').fill('oda.lindqvarn@skerrin-quay.example');
        await frame.getByLabel('Password').fill('high-water-mark');
        await frame.getByRole('button', { name: 'Sign in' }).click();
        await expect(frame.getByRole('heading', { level: 1, name })).toBeVisible();
        await expect(frame.getByRole('button', { name: 'Add an event' })).toHaveCount(0);
        await row.getByRole('button', { name: `Take back the frame of ${name}` }).click();
        await row.getByRole('button', { name: 'Take it back' }).click();
        await expect(row).toHaveCount(0);
        const [gone] = await Promise.all([visitor.waitForResponse((response) => response.url().includes('/members/')), visitor.goto(at)]);
        expect(gone.status()).toBe(404);
    });
});

test('in a frame for members everything can be used by whoever uses no mouse, and reads with the ear', async ({ page }) => {
    const name = unique('Sail loft');
    await enter(page, 'Oda Lindqvarn');
    await makeCalendar(page, name);
    await page.goto('/publish');
    await page.getByRole('button', { name: 'Make a frame for members' }).click();
    await page.getByLabel('What', { exact: true }).selectOption({ label: `${name} (calendar)` });
    await page.getByRole('button', { name: 'Make it' }).click();
    const address = /src="([^"]+)"/.exec(await page.getByLabel(`Line for the site, of ${name}`).inputValue())?.[1] ?? '';
    await expectAccessible(page);

    // As the frame has it, in a window: it asks again, though one is signed in here.
    await page.setViewportSize({ width: 390, height: 844 });
    await page.goto(address);
    await expect(page.getByLabel('Your address')).toBeVisible();
    await expectAccessible(page);
    await page.getByLabel('Your address').fill('oda.lindqvarn@skerrin-quay.example');
    await page.getByLabel('Password').fill('high-water-mark');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
    await expectAccessible(page);
});
