import { createHmac } from 'node:crypto';
import { expect, test, type Page } from '@playwright/test';
import { Temporal } from 'temporal-polyfill';
import { SAVE, enter } from './support';

/** What an authenticator shows now, of a secret in Base32 (RFC 6238). */
function codeOf(secret: string, later = 0): string {
    const bits = [...secret].map((letter) => 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567'.indexOf(letter).toString(2).padStart(5, '0')).join('');
    const key = Buffer.from((bits.match(/.{8}/g) ?? []).map((octet) => parseInt(octet, 2)));
    const step = Buffer.alloc(8);
    step.writeBigUInt64BE(BigInt(Math.floor(Temporal.Now.instant().epochMilliseconds / 30_000) + later));
    const digest = createHmac('sha1', key).update(step).digest();
    const number = digest.readUInt32BE((digest.at(-1) ?? 0) & 15) & 0x7fffffff;
    return String(number % 1_000_000).padStart(6, '0');
}

async function openSecondFactor(page: Page): Promise<void> {
    await page.getByLabel('You: Priya Oyelund').click();
    await page.getByRole('menuitem', { name: 'Second factor…' }).click();
}

test('a second factor is set up, asked for at the next sign-in, and ended', async ({ page, browser }) => {
    await enter(page, 'Priya Oyelund');
    let secret = '';
    const codes: string[] = [];

    await test.step('the password is asked for, and the first code confirms it', async () => {
        await openSecondFactor(page);
        const dialog = page.getByRole('dialog');
        await dialog.getByLabel('Your password').fill('not this one');
        await dialog.getByRole('button', { name: 'Set one up' }).click();
        await expect(dialog.getByText('This is not your password.')).toBeVisible();
        await dialog.getByLabel('Your password').fill('high-water-mark');
        await dialog.getByRole('button', { name: 'Set one up' }).click();
        await expect(dialog.getByRole('img', { name: 'The secret of the second factor, for a camera' })).toBeVisible();
        secret = ((await dialog.locator('code').textContent()) ?? '').replaceAll(' ', '');
        await dialog.getByLabel('The six figures that it shows').fill('000000');
        await dialog.getByRole('button', { name: 'Confirm' }).click();
        await expect(dialog.getByText(/These are not the figures/)).toBeVisible();
        await dialog.getByLabel('The six figures that it shows').fill(codeOf(secret));
        await dialog.getByRole('button', { name: 'Confirm' }).click();
        const listed = dialog.getByRole('list', { name: 'Recovery codes' }).getByRole('listitem');
        await expect(listed).toHaveCount(10);
        codes.push(...(await listed.allTextContents()));
        await dialog.getByRole('button', { name: 'I have them' }).click();
        await expect(dialog).toBeHidden();
    });

    await test.step('elsewhere the password alone is not enough', async () => {
        const context = await browser.newContext();
        const elsewhere = await context.newPage();
        await elsewhere.goto('/');
        await elsewhere.getByText(/^or as one of \d+ others$/).click();
        await elsewhere.getByRole('button', { name: /^Priya Oyelund/ }).click();
        await expect(elsewhere.getByText('Enter what your authenticator shows, or a recovery code.')).toBeVisible();
        await elsewhere.getByLabel('Second factor').fill('123456');
        await elsewhere.getByRole('button', { name: 'Sign in', exact: true }).click();
        await expect(elsewhere.getByText('This is not what it shows now, or it was used already.')).toBeVisible();
        // The one of half a minute on is taken, too, and was not used yet.
        await elsewhere.getByLabel('Second factor').fill(codeOf(secret, 1));
        await elsewhere.getByRole('button', { name: 'Sign in', exact: true }).click();
        await expect(elsewhere.getByLabel('You: Priya Oyelund')).toBeVisible();
        await context.close();
    });

    await test.step('without the authenticator a recovery code comes in', async () => {
        const context = await browser.newContext();
        const elsewhere = await context.newPage();
        await elsewhere.goto('/');
        await elsewhere.getByText(/^or as one of \d+ others$/).click();
        await elsewhere.getByRole('button', { name: /^Priya Oyelund/ }).click();
        await elsewhere.getByLabel('Second factor').fill((codes[0] ?? '').toUpperCase());
        await elsewhere.getByRole('button', { name: 'Sign in', exact: true }).click();
        await expect(elsewhere.getByLabel('You: Priya Oyelund')).toBeVisible();
        await context.close();
    });

    await test.step('it is ended by who knows the password', async () => {
        await openSecondFactor(page);
        const dialog = page.getByRole('dialog');
        await expect(dialog.getByText(/9 recovery codes are left/)).toBeVisible();
        await dialog.getByLabel('Your password').fill('high-water-mark');
        await dialog.getByRole('button', { name: 'End it' }).click();
        await expect(dialog.getByText('You have none.')).toBeVisible();
        await page.keyboard.press('Escape');
        await page.getByLabel('You: Priya Oyelund').click();
        await page.getByRole('menuitem', { name: 'Sign out' }).click();
        // Gone on before the answer is there, one would still be signed in.
        await expect(page.getByRole('heading', { name: 'Enter the demo as' })).toBeVisible();
        await enter(page, 'Priya Oyelund');
    });
});

test('what the organisation decides is saved, written down, and taken back', async ({ page }) => {
    await enter(page, 'Bertil Acheng');
    await page.goto('/people');
    await page.getByRole('link', { name: 'Categories, and what the organisation decides' }).click();
    await page.getByLabel('Fetch it without encryption where there is none').check();
    await page.getByLabel('The evening begins', { exact: true }).fill('08:00');
    await page.getByRole('button', { name: SAVE }).click();
    await expect(page.getByText('The evening begins after the afternoon.')).toBeVisible();
    await page.getByLabel('The evening begins', { exact: true }).fill('18:30');
    await page.getByRole('button', { name: SAVE }).click();
    await expect(page.getByText('That holds for everybody from now on.')).toBeVisible();
    const words = /webcal addresses without encryption: from no to yes; the evening begins: from 18:00 to 18:30/;
    await expect(page.getByRole('list', { name: 'Change log' }).getByRole('listitem').filter({ hasText: words })).toBeVisible();
    await expect(page.getByRole('list', { name: 'Sign-ins' }).getByRole('listitem').first()).toContainText('signed in');
    await page.reload();
    await expect(page.getByLabel('The evening begins', { exact: true })).toHaveValue('18:30');
    // All that stands above and below it is there: what comes later would take it from under the pointer.
    await expect(page.getByLabel('Name of visit')).toBeVisible();
    await expect(page.getByRole('list', { name: 'Sign-ins' })).toBeVisible();
    await page.getByRole('button', { name: words }).click();
    await expect(page.getByText(/^Taken back: webcal addresses/)).toBeVisible();
    await expect(page.getByLabel('The evening begins', { exact: true })).toHaveValue('18:00');
    await expect(page.getByLabel('Fetch it without encryption where there is none')).not.toBeChecked();
});
