import { devices, expect, test, type Page } from '@playwright/test';
import { addByApi, day, enter, makeCalendar, slugOf, unique } from './support';

const { userAgent, hasTouch, isMobile, deviceScaleFactor } = devices['Pixel 7'];

test.use({ serviceWorkers: 'allow', viewport: { width: 390, height: 844 }, userAgent, hasTouch, isMobile, deviceScaleFactor });

async function signIn(page: Page, stay: boolean) {
    await page.goto('/');
    await page.getByLabel('Your address').fill('colm.vasquellis@skerrin-quay.example');
    await page.getByLabel('Password').fill('high-water-mark');
    if (stay) await page.getByLabel('Stay signed in on this device').check();
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByLabel('You: Colm Vasquellis')).toBeVisible();
}

const stores = (page: Page) => page.evaluate(async () => (await caches.keys()).includes('rota-read'));
const controlled = (page: Page) => expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);

test('it can be put on a device: named, with pictures of its own, opening on today', async ({ page }) => {
    await page.goto('/');
    const link = await page.locator('link[rel=manifest]').getAttribute('href');
    const manifest = (await (await page.request.get(link ?? '')).json()) as { start_url: string; icons: { src: string }[] };
    expect(manifest.start_url).toBe('/?view=list');
    for (const { src } of manifest.icons) expect((await page.request.get(src)).status(), src).toBe(200);
    expect((await page.request.get('/sw.js')).headers()['cache-control']).toBe('no-cache');
});

test('what was read last is there without a network where one stays signed in, says since when, and is gone after signing out', async ({ page, context }) => {
    const name = unique('Tender');
    await signIn(page, true);
    await makeCalendar(page, name);
    const calendar = await slugOf(page, name);
    await addByApi(page, [{ calendar, title: `${name} refit`, start: `${day(1)}T09:00`, end: `${day(1)}T10:00` }]);
    await page.goto(`/?calendar=${calendar}&view=list&date=${day(0)}`);
    await controlled(page);
    // What is asked from now on goes by way of what keeps it.
    await page.reload();
    await expect(page.getByRole('button', { name: new RegExp(`^${name} refit`) })).toBeVisible();
    expect(await stores(page)).toBe(true);
    // A page that is published is not taken for the application.
    await page.goto('/p/open-days');
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Launches and open days');

    await context.setOffline(true);
    await page.goto(`/?calendar=${calendar}&view=list&date=${day(0)}`);
    await expect(page.getByRole('button', { name: new RegExp(`^${name} refit`) })).toBeVisible();
    await expect(page.getByText(/No connection\. This is as it was read/)).toBeVisible();

    await context.setOffline(false);
    await page.reload();
    await expect(page.getByRole('button', { name: new RegExp(`^${name} refit`) })).toBeVisible();
    await expect(page.getByText(/No connection/)).toBeHidden();
    await page.getByLabel('You: Colm Vasquellis').click();
    await page.getByRole('menuitem', { name: 'Sign out' }).click();
    await expect(page.getByRole('button', { name: 'Sign in' })).toBeVisible();
    expect(await stores(page)).toBe(false);
    await context.setOffline(true);
    await page.reload();
    await expect(page.getByText(`${name} refit`)).toHaveCount(0);
    await expect(page.getByRole('button', { name: 'Try again' })).toBeVisible();
    await context.setOffline(false);
});

test('of whoever does not stay signed in nothing is kept', async ({ page }) => {
    await signIn(page, false);
    await controlled(page);
    await page.reload();
    await expect(page.getByLabel('You: Colm Vasquellis')).toBeVisible();
    expect(await stores(page)).toBe(false);
});

test('a text that another application hands over arrives in the one line', async ({ page }) => {
    const name = unique('Crane');
    await enter(page, 'Esi Marchetti');
    await makeCalendar(page, name);
    await page.goto(`/?${new URLSearchParams({ shared: `${name} looked over\n${day(8)} 14:00` }).toString()}`);
    const field = page.getByRole('combobox', { name: 'Add or find: one line' });
    await expect(field).toHaveValue(/14:00/);
    await expect(page.getByRole('option', { name: /14:00/ })).toBeVisible();
    // Put away, it is out of the address, too.
    await page.getByRole('button', { name: 'Add or find' }).click();
    await expect(field).toBeHidden();
    await expect(page).not.toHaveURL(/shared/);
});
