import { expect, test, type Page } from '@playwright/test';
import { expectAccessible } from './accessible';
import { addByApi, day, enter, enterElsewhere, headersOf, makeCalendar, openCalendar, shareWith, slugOf, standins, unique } from './support';

const STUDENT = 'Wanda Quillon';

async function addressOf(page: Page): Promise<string> {
    return ((await (await page.request.get('/api/v1/session')).json()) as { person: { email: string } }).person.email;
}

test('a student follows a calendar, hears of a move of many in one message, and ends the letters without signing in', async ({ page, browser }) => {
    const name = unique('Assessments');
    await enter(page, 'Dmitri Holloway');
    await makeCalendar(page, name);
    await shareWith(page, name, STUDENT);
    const slug = await slugOf(page, name);
    const ids = await addByApi(page, [0, 1, 2, 3, 4].map((each) => ({ calendar: slug, title: `Paper ${each + 1}`, start: `${day(30 + each)}T09:00`, end: `${day(30 + each)}T10:00` })));
    const student = await enterElsewhere(browser, STUDENT);
    const address = await addressOf(student);

    await test.step('she follows it, as it happens', async () => {
        await openCalendar(student, name);
        await student.getByRole('button', { name: 'Follow…' }).click();
        const dialog = student.getByRole('dialog', { name: `Follow ${name}` });
        await dialog.getByRole('radio', { name: /^as it happens/ }).check();
        await expectAccessible(student);
        await dialog.getByRole('button', { name: 'Follow', exact: true }).click();
        await expect(student.getByRole('button', { name: 'Followed' })).toBeVisible();
    });

    await test.step('five papers are put a week later, and she has one line of it', async () => {
        const answer = await page.request.post('/api/v1/bulk', { data: { tz: 'Europe/London', shiftDays: 7, events: ids.map((id) => ({ id, version: 1 })) }, headers: await headersOf(page) });
        expect(answer.ok(), await answer.text()).toBe(true);
        const words = `5 events of ${name} were moved by a week (Dmitri Holloway)`;
        const list = student.getByRole('list', { name: 'What changed' });
        await expect(async () => {
            await student.goto('/waiting');
            await expect(list.getByRole('link', { name: words })).toBeVisible({ timeout: 5000 });
        }).toPass();
        await expect(list.getByRole('link', { name: new RegExp(name) })).toHaveCount(1);
        await expectAccessible(student);
        await list.getByRole('button', { name: `Read: ${words}` }).click();
        await expect(list.getByRole('link', { name: words })).toHaveCount(0);
        await student.getByRole('button', { name: /^Show what you answered and read/ }).click();
        await expect(student.getByRole('list', { name: 'What you have read' }).getByRole('link', { name: words })).toBeVisible();
    });

    await test.step('the letter says it, and its link ends such letters without a session', async () => {
        const box = await (await browser.newContext()).newPage();
        const subject = new RegExp(`5 events of ${name} were moved by a week`);
        await expect(async () => {
            await box.goto(`${standins}/mailbox?to=${encodeURIComponent(address)}`);
            await expect(box.getByRole('link', { name: subject })).toHaveCount(1, { timeout: 500 });
        }).toPass();
        await box.getByRole('link', { name: subject }).click();
        const link = await box.frameLocator('iframe').getByRole('link', { name: 'No letters about changes any more' }).getAttribute('href');
        const phone = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
        await phone.goto(link ?? '');
        await expectAccessible(phone);
        await phone.getByRole('button', { name: 'Stop them' }).click();
        await expect(phone.getByRole('heading', { name: 'You get no such letters any more' })).toBeVisible();
        await student.goto('/following');
        await expect(student.getByRole('list', { name: 'What you follow' }).getByRole('listitem').filter({ hasText: name })).toContainText('as it happens, under “For you”');
        await expectAccessible(student);
    });

    await test.step('she follows it no longer', async () => {
        await student.getByRole('button', { name: `Follow ${name} no longer` }).click();
        await expect(student.getByRole('list', { name: 'What you follow' })).not.toContainText(name);
    });
});
