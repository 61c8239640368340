import { expect, type Browser, type Page } from '@playwright/test';
import { Temporal } from 'temporal-polyfill';
import 'temporal-polyfill/global';
import { formatFull } from '../../resources/js/time/dates';

/** The buttons that end the form of an event, whether or not somebody is told by it. */
export const ADD = /^Add (it$|and tell )/;
export const SAVE = /^Save($| and tell )/;

export const standins = process.env.ROTA_STANDINS ?? 'http://127.0.0.1:8081';

const today = Temporal.Now.plainDateISO('Europe/London');

/** The day that is so many days after the Monday of this week: those of this week and the next are on the sheet. */
export function day(fromMonday: number): string {
    return today.subtract({ days: today.dayOfWeek - 1 }).add({ days: fromMonday }).toString();
}

/** A day as its field shows it. */
export function shown(date: string): string {
    return formatFull(date);
}

/** A name that no other run has used. */
export function unique(name: string): string {
    return `${name} ${Math.random().toString(36).slice(2, 7)}`;
}

/** What others did since is told to the journeys that are about it alone: those of others change the same demo meanwhile. */
export async function enter(page: Page, person: string, { unseen = false } = {}): Promise<void> {
    if (!unseen) await page.route('**/api/v1/sheet/since?*', (route) => route.fulfill({ json: { since: '2026-01-01T00:00:00Z', changes: [], more: false } }));
    await page.goto('/');
    await expect(page.getByRole('heading', { name: 'Enter the demo as' })).toBeVisible();
    const others = page.getByText(/^or as one of \d+ others$/);
    if ((await others.count()) > 0) await others.click();
    await page.getByRole('button', { name: new RegExp(`^${person}`) }).click();
    await expect(page.getByLabel(`You: ${person}`)).toBeVisible();
}

/** Another person at another browser. */
export async function enterElsewhere(browser: Browser, person: string, told = {}): Promise<Page> {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const page = await context.newPage();
    await enter(page, person, told);
    return page;
}

export async function makeCalendar(page: Page, name: string): Promise<void> {
    await page.goto('/calendars');
    await page.getByRole('button', { name: 'Make a calendar' }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByLabel('Name').fill(name);
    await dialog.getByRole('button', { name: 'Make it' }).click();
    await expect(page.getByText(`“${name}” is made.`)).toBeVisible();
    await expect(dialog).toBeHidden();
}

export async function openCalendar(page: Page, name: string): Promise<void> {
    await page.goto('/calendars');
    await calendarLink(page, name).click();
    await expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
}

/** The calendar in a list of calendars. */
export function calendarLink(page: Page, name: string) {
    return page.getByRole('link', { name: new RegExp(`^${name}`) });
}

/** Keeps an overlay of these calendars, a layer each, and looks through it. */
export async function layOverlay(page: Page, name: string, calendars: string[]): Promise<void> {
    await page.goto('/?overlay=all');
    await page.getByRole('button', { name: 'My list' }).click();
    await page.getByRole('menuitem', { name: 'Lay a new overlay…' }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByLabel('Name').fill(name);
    for (const calendar of calendars) await dialog.getByLabel('Add a layer of').selectOption({ label: calendar });
    await dialog.getByRole('button', { name: 'Keep it' }).click();
    await expect(dialog).toBeHidden();
    await expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
}

/** The day of a layer's row, in lanes. */
export function laneCell(page: Page, layer: string, date: string) {
    return page.getByRole('row', { name: new RegExp(layer) }).locator(`[data-day="${date}"]`);
}

export async function addEvent(page: Page, layer: string, date: string, title: string): Promise<void> {
    await laneCell(page, layer, date).click({ position: { x: 20, y: 45 } });
    await page.getByLabel('Title').fill(title);
    await page.getByRole('button', { name: ADD }).click();
    await expect(page.getByText(/^Added: /).first()).toBeVisible();
    await expect(laneCell(page, layer, date).getByRole('button', { name: new RegExp(title) })).toBeVisible();
}

type New = { calendar: string; title: string; start: string; [field: string]: unknown };

/** What is sent with a change from outside the page, as whoever is signed in at it. */
export async function headersOf(page: Page): Promise<Record<string, string>> {
    const token = decodeURIComponent((await page.context().cookies()).find((each) => each.name === 'XSRF-TOKEN')?.value ?? '');
    return { 'X-XSRF-TOKEN': token, Accept: 'application/json', Referer: page.url() };
}

/** Signs out in the browser of a page, which does not do it. */
export async function signOut(page: Page): Promise<void> {
    expect((await page.request.delete('/api/v1/session', { headers: await headersOf(page) })).status()).toBe(204);
}

/** Adds events by the API, as whoever is signed in at a page; answers their ids. */
export async function addByApi(page: Page, events: New[]): Promise<number[]> {
    const headers = await headersOf(page);
    const ids: number[] = [];
    for (const data of events) {
        const answer = await page.request.post('/api/v1/events', { data, headers });
        expect(answer.status(), await answer.text()).toBe(201);
        ids.push(((await answer.json()) as { id: number }).id);
    }
    return ids;
}

/** The slug of a calendar of this name. */
export async function slugOf(page: Page, name: string): Promise<string> {
    const calendars = (await (await page.request.get('/api/v1/calendars')).json()) as { slug: string; name: string }[];
    const found = calendars.find((each) => each.name === name);
    if (found === undefined) throw new Error(`There is no calendar “${name}”.`);
    return found.slug;
}

/** Lets somebody read a calendar that is open. */
export async function shareWith(page: Page, name: string, person: string): Promise<void> {
    await openCalendar(page, name);
    await page.getByRole('combobox', { name: 'Person or group' }).fill(person);
    await page.getByRole('option', { name: new RegExp(person) }).click();
    await page.getByRole('button', { name: 'Share', exact: true }).click();
    await expect(page.getByText(`${person}: See`)).toBeVisible();
}
