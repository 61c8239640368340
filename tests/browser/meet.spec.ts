import { expect, test } from '@playwright/test';
import { Temporal } from 'temporal-polyfill';
import { expectAccessible } from './accessible';
import { ADD, enter, laneCell, makeCalendar, standins, unique } from './support';

test('an event meets online by one click, and is joined from the sheet, the event and For you once it is near', async ({ page }) => {
    const name = unique('Talks');
    const title = unique('Rigging talk');
    await enter(page, 'Nadia Thornquist');
    await makeCalendar(page, name);
    const soon = Temporal.Now.zonedDateTimeISO('Europe/London').add({ minutes: 3 });
    const [today, time] = [soon.toPlainDate().toString(), soon.toPlainTime().toString({ smallestUnit: 'minute' })];
    await page.goto(`/?overlay=all&view=lanes&date=${today}`);

    await laneCell(page, name, today).click();
    await page.getByLabel('Title').fill(title);
    const form = page.getByRole('form', { name: 'New event' });
    await form.getByLabel('at', { exact: true }).first().fill(time);
    await form.getByRole('button', { name: 'Meet online' }).click();
    await expect(form.getByLabel('Meets online at')).toHaveValue(new RegExp(`^${standins}/meet/[0-9a-f]{16}$`));
    await expectAccessible(page);
    const room = await form.getByLabel('Meets online at').inputValue();
    await form.getByLabel('People, groups and rooms').fill('Nadia Thornquist');
    await page.getByRole('listbox', { name: 'People and groups' }).getByRole('option', { name: /^Nadia Thornquist/ }).click();
    await form.getByRole('button', { name: ADD }).click();
    await expect(form).toHaveCount(0);

    const join = page.getByRole('list', { name: 'Meeting online now' }).getByRole('link', { name: `Join: ${title}` });
    await expect(join).toHaveAttribute('href', room);
    await laneCell(page, name, today).getByRole('button', { name: new RegExp(title) }).click();
    await expect(page.getByRole('complementary', { name: 'Event' }).getByRole('link', { name: `Join: ${title}` })).toHaveAttribute('href', room);
    await expectAccessible(page);
    await page.goto('/waiting');
    const [opened] = await Promise.all([page.waitForEvent('popup'), join.click()]);
    await expect(opened.getByRole('heading', { name: 'Meeting room' })).toBeVisible();
});
