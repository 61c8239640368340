import { devices, expect, test, type Page } from '@playwright/test';
import { enter } from './support';
import { faultsOf } from './walk';

const { userAgent, hasTouch, isMobile, deviceScaleFactor } = devices['Pixel 7'];

const PAGES = [
    ...['lanes', 'month', 'week', 'day', 'year', 'list', 'table', 'lanes&event=1', 'lanes&group=person&weeks=8'].map((view) => `/?overlay=the-term-at-a-glance&view=${view}`), '/?view=lanes&overlay=all&weeks=3', '/?overlay=the-term-at-a-glance&view=week&side=true', '/?view=month&overlay=all', '/?view=lanes&overlay=all',
    '/calendars', '/calendars/assessments', '/calendars?in=directory', '/?calendar=staff-away&as=4', '/publish', '/sources', '/groups', '/waiting', '/people', '/organisation', '/first-steps', '/p/open-days', '/p/open-days?view=month', '/p/open-days?view=week', '/p/open-days?view=lanes', '/p/open-days/frame', '/p/open-days/frame?view=month',
];

/** What opens over a page; that it is there is waited for, or something else is looked at. */
const OPENED: [path: string, open: (page: Page) => Promise<void>][] = [
    ['/?overlay=the-term-at-a-glance&view=lanes', async (page) => {
        await page.getByRole('button', { name: 'Add an event' }).click();
        await page.getByRole('button', { name: /^Add it$/ }).waitFor();
    }],
    ['/?laying=true', (page) => page.getByRole('dialog').getByRole('button', { name: 'what my groups keep' }).click()],
    ['/?overlay=all&view=lanes', async (page) => {
        await page.getByRole('heading', { level: 1 }).getByRole('button').click();
        await page.getByRole('menu').waitFor();
    }],
    ['/?overlay=all&view=week', async (page) => {
        await page.getByRole('button', { name: 'How it is drawn' }).click();
        await page.getByRole('dialog').waitFor();
    }],
    ['/?overlay=all&view=table', (page) => opening(page, 'Keep…')],
    ['/calendars', (page) => opening(page, 'Make a calendar')],
    ['/calendars/assessments', (page) => opening(page, 'Settings')],
    ['/publish', (page) => opening(page, 'Publish a page')],
    ['/people', (page) => opening(page, 'Add somebody')],
];

async function opening(page: Page, button: string): Promise<void> {
    await page.getByRole('button', { name: button }).click();
    await page.getByRole('dialog').waitFor();
}

/** What those see who publish it. */
const GONE_OUT: typeof OPENED = [
    ['/publish', (page) => page.getByRole('button', { name: /^Change Launches/ }).click()],
    ['/publish', (page) => page.getByRole('button', { name: /^Put Launches/ }).click()],
    ['/publish', (page) => page.getByRole('button', { name: 'On a phone' }).first().click()],
    ['/publish', (page) => page.getByRole('button', { name: /^Change the link/ }).first().click()],
    ['/p/open-days', (page) => page.locator('.published-name a').first().click()],
    ['/?overlay=the-term-at-a-glance&view=list', async (page) => {
        await page.getByRole('heading', { level: 1 }).getByRole('button').click();
        await page.getByRole('menuitem', { name: 'Have it elsewhere…' }).click();
        await page.getByRole('dialog').getByRole('listitem').first().waitFor();
    }],
    ['/?calendar=launches-and-open-days&view=list', async (page) => {
        await page.locator('[data-item]').first().click();
        await page.getByRole('button', { name: 'Pass on' }).click();
        await page.getByLabel(/^Its page in/).first().waitFor();
    }],
];

type Walked = { person: string; paths: string[]; opened: typeof OPENED };

const OF_ALL: Walked = { person: 'Bertil Acheng', paths: PAGES, opened: OPENED };
const OF_OUT: Walked = { person: 'Ines Halloran', paths: ['/publish', '/calendars/launches-and-open-days'], opened: GONE_OUT };

async function walk(page: Page, touch: boolean, { person, paths, opened }: Walked): Promise<string[]> {
    const found: string[] = [];
    const look = async (where: string) => found.push(...(await faultsOf(page, touch)).map((fault) => `${where}: ${fault}`));
    const go = async (path: string) => {
        await page.goto(path);
        await expect(page.getByText(/^Fetching /)).toHaveCount(0);
        if (!path.includes('laying')) await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
        if (/^\/\?/.test(path) && !path.includes('laying')) await expect(page.locator('[data-scroller]').getByRole('grid').or(page.locator('[data-scroller] table, [data-scroller] li[data-day]')).first()).toBeVisible();
    };
    await page.goto('/');
    await expect(page.getByRole('heading', { name: 'Pinned Rota' })).toBeVisible();
    await look('sign in');
    await enter(page, person, { unseen: true });
    for (const path of paths) {
        await go(path);
        await look(path);
    }
    for (const [path, open] of opened) {
        await go(path);
        await open(page);
        await look(`${path}, opened`);
    }
    return found;
}

test('every control of every page can be read and hit: 1280 × 800, with a mouse', async ({ page }) => {
    expect(await walk(page, false, OF_ALL)).toEqual([]);
});

test('what goes out can be read and hit: 1280 × 800, with a mouse', async ({ page }) => {
    expect(await walk(page, false, OF_OUT)).toEqual([]);
});

test.describe('by touch', () => {
    test.use({ viewport: { width: 390, height: 844 }, userAgent, hasTouch, isMobile, deviceScaleFactor });

    test('every control of every page can be read and hit: 390 × 844', async ({ page }) => {
        expect(await walk(page, true, OF_ALL)).toEqual([]);
    });

    test('what goes out can be read and hit: 390 × 844', async ({ page }) => {
        expect(await walk(page, true, OF_OUT)).toEqual([]);
    });
});
