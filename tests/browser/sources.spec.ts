import { expect, test } from '@playwright/test';
import { expectAccessible } from './accessible';
import { Temporal } from 'temporal-polyfill';
import { enter, laneCell, makeCalendar, openCalendar, standins, unique } from './support';

/** What the stand-in is told to have is on the days from tomorrow on. */
const from = (days: number) => Temporal.Now.plainDateISO('Europe/London').add({ days }).toString();

test('a source is pasted, fails, loses all it had, and comes back; nothing is lost, and all of it is taken back', async ({ page, request }) => {
    test.slow();
    const name = unique('Ferries');
    const address = `${standins}/changing/${name.replace(/\W/g, '')}.ics`;
    const says = async (what: string) => void (await request.post(address, { form: { says: what } }));
    const [first, second, third] = [unique('Morning boat'), unique('Noon boat'), unique('Night boat')];
    const card = page.getByRole('listitem').filter({ has: page.getByRole('heading', { name }) });
    const refresh = async () => card.getByRole('button', { name: `Refresh ${name} now` }).click();
    const shows = async (title: string, count: number, at: number) => {
        await page.goto(`/?overlay=all&view=lanes&date=${from(1)}`);
        await expect(laneCell(page, name, from(at)).getByRole('button', { name: new RegExp(title) })).toHaveCount(count);
        await page.goto('/sources');
    };
    await enter(page, 'Rashid Penhale');

    await test.step('an address that is pasted is looked at by itself', async () => {
        await says([first, second, third].join(','));
        await page.goto('/sources');
        await page.getByRole('button', { name: 'Subscribe to an address' }).click();
        const form = page.getByRole('form', { name: 'Subscribe to an address' });
        await form.getByLabel('Address', { exact: true }).evaluate((field, text) => {
            const clipboardData = new DataTransfer();
            clipboardData.setData('text/plain', text);
            field.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }));
        }, address);
        await expect(form.getByRole('region', { name: 'What is there' })).toContainText('3 events');
        await expectAccessible(page);
        await form.getByLabel('Call it').fill(name);
        await form.getByRole('button', { name: 'Subscribe' }).click();
        await expect(card).toContainText('every hour');
    });

    await test.step('it fails: since when and why is said where one meets it, and what was there stays', async () => {
        await says('fail');
        await refresh();
        await expect(card.getByRole('alert')).toContainText('The far side has a fault (503). Try again later. What was fetched before stays');
        await page.goto('/waiting');
        await expect(page.getByRole('list', { name: 'From outside' })).toContainText(name);
        await page.goto(`/?overlay=all&view=lanes&date=${from(1)}`);
        await expect(laneCell(page, name, from(1)).getByRole('button', { name: new RegExp(first) })).toBeVisible();
        await expect(page.getByRole('button', { name: new RegExp(`${name}.*not fetched since`) })).toBeVisible();
        await page.goto('/sources');
    });

    await test.step('it answers with nothing: that is held back, told of where one is told, and kept away', async () => {
        await says('');
        await refresh();
        const held = card.getByRole('region', { name: `Held back: ${name}` });
        await expect(held).toContainText('All 3 events are gone there.');
        await held.getByRole('button', { name: 'Which ones?' }).click();
        await expect(held.getByRole('list', { name: 'Events of this refresh' }).getByRole('listitem')).toHaveCount(3);
        await expectAccessible(page);
        await shows(second, 1, 2);
        await page.goto('/waiting');
        await page.getByRole('button', { name: `Keep what is there: ${name}` }).click();
        await expect(page.getByText(`${name} stays as it is, until the far side has something else.`)).toBeVisible();
        await page.goto('/sources');
        await expect(card).toContainText('What the far side has now was not wanted');
    });

    await test.step('it comes back with one in place of another, and that is taken back as a whole', async () => {
        const fourth = unique('Fast boat');
        await says([first, second, fourth].join(','));
        await refresh();
        await expect(page.getByText(`${name}: 1 added, 1 removed.`)).toBeVisible();
        await expect(card).not.toContainText('was not wanted');
        await shows(third, 0, 3);
        await card.getByText('What the last refreshes did').click();
        const newest = card.getByRole('listitem').filter({ hasText: '1 added, 1 removed' });
        await newest.getByRole('button', { name: /^Which events/ }).click();
        await expect(newest.getByRole('list', { name: 'Events of this refresh' })).toContainText(`gone ${third}`);
        await newest.getByRole('button', { name: /^Go back to before/ }).click();
        await expect(page.getByText(`${name} is as it was before.`)).toBeVisible();
        await shows(third, 1, 3);
        await expect(card).toContainText('was not wanted');
        await card.getByRole('button', { name: `Take it in all the same: ${name}` }).click();
        await expect(page.getByText(`${name}: 1 added, 1 removed.`)).toBeVisible();
        await shows(fourth, 1, 3);
    });

    await test.step('only some of it is wanted, by the keyboard and on a phone', async () => {
        await page.setViewportSize({ width: 390, height: 844 });
        await card.getByRole('button', { name: `Settings of ${name}` }).focus();
        await page.keyboard.press('Enter');
        const form = page.getByRole('form', { name: `Settings of ${name}` });
        await form.getByRole('button', { name: 'Ask something' }).click();
        await form.getByLabel('What it asks').selectOption('says');
        await form.getByLabel(/^Words/).fill('Morning');
        expect(await page.locator('html').evaluate((root) => root.scrollWidth - root.clientWidth)).toBe(0);
        await expectAccessible(page);
        await form.getByRole('button', { name: 'Save' }).click();
        await expect(page.getByText(`${name}: 2 removed.`)).toBeVisible();
    });
});

test('what is worth having is added in one click', async ({ page }) => {
    await enter(page, 'Rashid Penhale');
    await page.goto('/sources');
    const catalogue = page.getByRole('list', { name: 'Catalogue' });
    await expect(catalogue).toContainText('Public holidays of the Norrend coast');
    await catalogue.getByRole('button', { name: 'Add Public holidays to my list' }).click();
    await expect(catalogue.getByRole('listitem').filter({ hasText: 'Public holidays' })).toContainText('on your list');
    await page.reload();
    await expect(catalogue.getByRole('listitem').filter({ hasText: 'Public holidays' })).toContainText('on your list');
    // Taken off again: it is the demo of others, too.
    await page.goto('/calendars/public-holidays');
    await page.getByRole('button', { name: 'Take off my list' }).click();
    await expect(page.getByRole('button', { name: 'Add to my list' })).toBeVisible();
});

test('an address that is pasted on a calendar shows on that one, goes along with each refresh, and is taken off as a whole', async ({ page, request }) => {
    test.slow();
    const [calendar, name, first, second] = [unique('Quay diary'), unique('Lifeboat'), unique('Practice'), unique('Exercise')];
    const address = `${standins}/changing/${name.replace(/\W/g, '')}.ics`;
    const says = async (what: string) => void (await request.post(address, { form: { says: what } }));
    const event = (title: string, at: number) => laneCell(page, calendar, from(at)).getByRole('button', { name: new RegExp(title) });
    const look = async () => page.goto(`/?overlay=all&view=lanes&date=${from(1)}`);
    await says(first);
    await enter(page, 'Rashid Penhale');
    await makeCalendar(page, calendar);
    await openCalendar(page, calendar);

    await test.step('the calendar for which it was given is chosen, and what is written on it stays its own', async () => {
        await page.getByLabel('Or paste a table or a text with dates').fill(address);
        await page.getByRole('button', { name: 'Look at it', exact: true }).click();
        const form = page.getByRole('form', { name: 'Subscribe to an address' });
        await expect(form.getByLabel('Its events show').locator('option:checked')).toHaveText(`on ${calendar}`);
        await expectAccessible(page);
        await form.getByLabel('Call it').fill(name);
        await form.getByRole('button', { name: 'Subscribe' }).click();
        await expect(page.getByText(`“${name}” shows on ${calendar} from now on: 1 event.`)).toBeVisible();
    });

    await test.step('its events stand there, marked, and nobody changes them', async () => {
        await look();
        await expect(event(first, 1)).toHaveAccessibleName(/from outside, pinned/);
        await expect(page.getByRole('row', { name: new RegExp(name) })).toHaveCount(0);
        await event(first, 1).click();
        await expect(page.getByText('It comes from outside and is changed there.')).toBeVisible();
    });

    await test.step('what comes of it later is there by itself', async () => {
        await says(`${first},${second}`);
        await page.goto('/sources');
        await page.getByRole('button', { name: `Refresh ${name} now` }).click();
        await expect(page.getByText(`${name}: 1 added.`)).toBeVisible();
        await look();
        await expect(event(second, 2)).toBeVisible();
    });

    await test.step('it goes as a whole from the page of the calendar, and comes back by Undo', async () => {
        await openCalendar(page, calendar);
        await expectAccessible(page);
        await page.getByRole('list', { name: 'Sources pinned here' }).getByRole('button', { name: `Take it off: ${name}` }).click();
        await expect(page.getByText(`${name} is no longer on ${calendar}.`)).toBeVisible();
        await expect(page.getByRole('list', { name: 'Sources pinned here' })).toHaveCount(0);
        await page.getByRole('button', { name: 'Undo' }).click();
        await expect(page.getByText(`All of ${name} is on ${calendar}, too`)).toBeVisible();
        await look();
        await expect(event(first, 1)).toBeVisible();
    });
});
