import { expect, test, type Locator, type Page } from '@playwright/test';
import { ADD, SAVE, addEvent, day, enter, enterElsewhere, laneCell, layOverlay, makeCalendar, shown, unique } from './support';

/** Takes it by its middle, or by its right end. */
async function dragTo(page: Page, from: Locator, to: Locator, at: { x: number; y: number } = { x: 20, y: 40 }, by: 'middle' | 'end' = 'middle'): Promise<void> {
    const box = await from.boundingBox();
    await from.hover(by === 'end' ? { position: { x: (box?.width ?? 0) - 10, y: (box?.height ?? 0) / 2 } } : {});
    await page.mouse.down();
    const goal = await to.boundingBox();
    await page.mouse.move((goal?.x ?? 0) + at.x, (goal?.y ?? 0) + at.y, { steps: 8 });
}

const panel = (page: Page) => page.getByRole('complementary', { name: 'Event' });
const keyOf = (page: Page) => page.getByRole('complementary', { name: 'Key' });
const drawnAs = async (page: Page, change: (options: Locator) => Promise<unknown>) => {
    await page.getByRole('button', { name: 'How it is drawn' }).click();
    await change(page.getByRole('dialog', { name: 'How it is drawn' }));
    await page.keyboard.press('Escape');
};

test('events are dragged between days and rows; what two changes would mean is asked, what may not be says why', async ({ page, browser }) => {
    const [slip, loft, tides] = [unique('Slip'), unique('Loft'), unique('Read only')];
    const idris = await enterElsewhere(browser, 'Idris Holm');
    await makeCalendar(idris, tides);
    await idris.getByRole('link', { name: new RegExp(`^${tides}`) }).click();
    await idris.getByRole('combobox', { name: 'Person or group' }).fill('oda');
    await idris.getByRole('option', { name: /Oda Lindqvarn/ }).click();
    await idris.getByRole('button', { name: 'Share', exact: true }).click();
    await idris.context().close();
    await enter(page, 'Oda Lindqvarn');
    await makeCalendar(page, slip);
    await makeCalendar(page, loft);
    await layOverlay(page, unique('Between rows'), [slip, loft, tides]);
    await addEvent(page, slip, day(8), 'Haul out');
    const ticket = page.getByRole('button', { name: /^Haul out/ });

    await test.step('to another row: on another calendar, and back by Undo', async () => {
        await dragTo(page, ticket, laneCell(page, loft, day(8)));
        await expect(page.getByText(`on ${loft}`)).toBeVisible();
        await page.mouse.up();
        await expect(laneCell(page, loft, day(8)).getByRole('button', { name: /^Haul out/ })).toBeVisible();
        await page.locator('[data-sonner-toast]', { hasText: `now on ${loft}` }).getByRole('button', { name: 'Undo' }).click();
        await expect(laneCell(page, slip, day(8)).getByRole('button', { name: /^Haul out/ })).toBeVisible();
    });

    await test.step('to another row and day: asked', async () => {
        await dragTo(page, ticket, laneCell(page, loft, day(10)));
        await page.mouse.up();
        await page.getByRole('dialog').getByRole('button', { name: 'Only the time' }).click();
        await expect(laneCell(page, slip, day(10)).getByRole('button', { name: /^Haul out/ })).toBeVisible();
    });

    await test.step('where one may not add: it says why while it is dragged, and stays', async () => {
        await dragTo(page, ticket, laneCell(page, tides, day(10)));
        await expect(page.getByText(`You may not add to ${tides}.`)).toBeVisible();
        await page.mouse.up();
        await expect(page.getByText(`You may not add to ${tides}.`)).toBeHidden();
        await expect(laneCell(page, slip, day(10)).getByRole('button', { name: /^Haul out/ })).toBeVisible();
        await laneCell(page, tides, day(9)).click();
        await expect(page.getByText(`You may not add to ${tides}.`)).toBeVisible();
        await expect(page.getByLabel('Title')).toBeHidden();
    });

    await test.step('a drag is left by Escape, and opens nothing', async () => {
        await dragTo(page, ticket, laneCell(page, slip, day(12)));
        await page.keyboard.press('Escape');
        await page.mouse.up();
        await expect(laneCell(page, slip, day(10)).getByRole('button', { name: /^Haul out/ })).toBeVisible();
    });

    await test.step('across days: begun as long as it was drawn, in its target’s colour and name; one key changes the target', async () => {
        await page.mouse.move(0, 0);
        const [first, last] = [await laneCell(page, loft, day(1)).boundingBox(), await laneCell(page, loft, day(3)).boundingBox()];
        await page.mouse.move((first?.x ?? 0) + 20, (first?.y ?? 0) + 30);
        await page.mouse.down();
        await page.mouse.move((last?.x ?? 0) + 20, (last?.y ?? 0) + 30, { steps: 6 });
        await page.mouse.up();
        await page.getByLabel('Title').fill('Regatta');
        await expect(page.getByLabel('First day', { exact: true })).toHaveValue(shown(day(1)));
        await expect(page.getByLabel('Last day', { exact: true })).toHaveValue(shown(day(3)));
        await expect(page.locator('[data-pending]').first()).toContainText(loft);
        await page.keyboard.press('F2');
        await expect(page.locator('[data-pending]').first()).not.toContainText(loft);
        await page.keyboard.press('Shift+F2');
        await page.getByRole('button', { name: ADD }).click();
        await expect(laneCell(page, loft, day(1)).getByRole('button', { name: /^Regatta/ })).toBeVisible();
    });

    await test.step('its end is taken to another day, and by keyboard', async () => {
        const ribbon = page.getByRole('button', { name: /^Regatta/ });
        await dragTo(page, ribbon, laneCell(page, loft, day(5)), { x: 20, y: 20 }, 'end');
        await page.mouse.up();
        await expect(page.getByRole('button', { name: /^Regatta, Tue .* to Sat/ })).toBeVisible();
        await ribbon.focus();
        await page.keyboard.press('Alt+Shift+ArrowLeft');
        await expect(page.getByRole('button', { name: /^Regatta, Tue .* to Fri/ })).toBeVisible();
        await ribbon.focus();
        await page.keyboard.press('Shift+ArrowUp');
        await expect(laneCell(page, slip, day(1)).getByRole('button', { name: /^Regatta/ })).toBeVisible();
    });

    await test.step('the essentials show on focus, all of it beside the sheet', async () => {
        await page.getByRole('grid').focus();
        await page.getByRole('button', { name: /^Regatta/ }).focus();
        await page.keyboard.press('ArrowRight');
        await page.getByRole('button', { name: /^Regatta/ }).focus();
        await expect(page.getByRole('tooltip')).toContainText('Regatta');
        await expect(page.getByRole('tooltip')).toContainText(slip);
        await page.keyboard.press('Enter');
        await expect(panel(page).getByRole('heading', { name: 'Regatta' })).toBeVisible();
    });
});

test('hours are dragged over, lengthened and laid side by side; a second sheet stands beside', async ({ page }) => {
    const [gig, skiff] = [unique('Gig'), unique('Skiff')];
    await enter(page, 'Yusuf Calloway');
    await makeCalendar(page, gig);
    await makeCalendar(page, skiff);
    await layOverlay(page, unique('Boats by the hour'), [gig, skiff]);
    const overlay = (new URL(page.url()).searchParams.get('overlay') ?? '').replaceAll('"', '');
    await page.goto(`/?overlay=${overlay}&view=week&date=${day(7)}`);
    const hours = page.getByRole('gridcell', { name: /^Hours, / });
    const column = hours.nth(1).locator('[data-first-hour]');
    await expect(column).toBeVisible();
    const hour = async () => Number(await column.getAttribute('data-hour-height'));
    const at = async (clock: number, index = 1) => {
        const box = await hours.nth(index).locator('[data-first-hour]').boundingBox();
        return { x: (box?.x ?? 0) + 30, y: (box?.y ?? 0) + (clock - 7) * (await hour()) + 1 };
    };
    const drag = async (from: { x: number; y: number }, to: { x: number; y: number }) => {
        await page.mouse.move(from.x, from.y);
        await page.mouse.down();
        await page.mouse.move(to.x, to.y, { steps: 6 });
        await page.mouse.up();
    };

    await test.step('drawn over hours, from quarter to quarter', async () => {
        await drag(await at(9), await at(10.5));
        await page.getByLabel('Title').fill('Rowing');
        // Two calendars are in view and nothing has gone on either yet: nobody guesses.
        await page.getByRole('button', { name: ADD }).click();
        await expect(page.getByText('Choose the calendar it goes on.')).toBeVisible();
        await page.getByRole('group', { name: 'Or with one click' }).getByRole('button', { name: gig }).click();
        await expect(page.getByLabel('at', { exact: true }).first()).toHaveValue('9:00');
        await expect(page.getByLabel('at', { exact: true }).nth(1)).toHaveValue('10:45');
        await page.getByRole('button', { name: ADD }).click();
        await expect(page.getByRole('button', { name: /^Rowing.*9:00–10:45/ })).toBeVisible();
    });

    await test.step('taken to another day and hour, its end by mouse and by keyboard', async () => {
        await drag(await at(9.6), await at(13.6, 3));
        await expect(page.getByRole('button', { name: /^Rowing, Thursday.*13:00–14:45/ })).toBeVisible();
        await page.mouse.move(0, 0);
        const box = await page.getByRole('button', { name: /^Rowing/ }).boundingBox();
        const bottom = { x: (box?.x ?? 0) + 20, y: (box?.y ?? 0) + (box?.height ?? 0) - 2 };
        await drag(bottom, { x: bottom.x, y: bottom.y + (await hour()) });
        await expect(page.getByRole('button', { name: /^Rowing.*13:00–15:45/ })).toBeVisible();
        await page.getByRole('button', { name: /^Rowing/ }).focus();
        await page.keyboard.press('Alt+Shift+ArrowUp');
        await expect(page.getByRole('button', { name: /^Rowing.*13:00–15:30/ })).toBeVisible();
        await page.getByRole('button', { name: /^Rowing/ }).focus();
        await page.keyboard.press('Shift+ArrowDown');
        await expect(page.getByRole('button', { name: /^Rowing.*13:15–15:45/ })).toBeVisible();
    });

    await test.step('hours do not become whole days by a slip of the hand', async () => {
        await page.mouse.move(0, 0);
        await page.getByRole('button', { name: /^Rowing/ }).hover();
        await page.mouse.down();
        const goal = await page.getByRole('gridcell', { name: /^Whole days, / }).nth(3).boundingBox();
        await page.mouse.move((goal?.x ?? 0) + 30, (goal?.y ?? 0) + 8, { steps: 6 });
        await expect(page.getByText('It has hours. Open it to make it last the day.')).toBeVisible();
        await page.mouse.up();
        await expect(page.getByRole('button', { name: /^Rowing.*13:15–15:45/ })).toBeVisible();
    });

    await test.step('layers side by side: a place for each, in which events are begun on its calendar', async () => {
        await page.goto(`/?overlay=${overlay}&view=day&date=${day(9)}`);
        await drawnAs(page, (options) => options.getByLabel('Layers side by side').check());
        await expect(page.locator('[data-side]')).toHaveCount(2);
        const side = await page.locator('[data-side="1"]').boundingBox();
        await page.mouse.click((side?.x ?? 0) + 40, (side?.y ?? 0) + 120);
        await expect(page.getByRole('combobox', { name: 'Calendar', exact: true })).toHaveValue(new RegExp(skiff.toLowerCase().replace(' ', '-')));
        await page.keyboard.press('Escape');
        await drawnAs(page, async (options) => {
            const before = await page.locator('[data-first-hour]').getAttribute('data-hour-height');
            for (let step = 0; step < 4; step++) await options.getByRole('button', { name: 'Higher hours' }).click();
            await expect(page.locator('[data-first-hour]')).not.toHaveAttribute('data-hour-height', before ?? '');
            for (let step = 0; step < 4; step++) await options.getByRole('button', { name: 'Lower hours' }).click();
        });
    });

    await test.step('another overlay and other days on a second sheet; the address says all of it', async () => {
        await page.goto(`/?overlay=${overlay}&view=lanes&date=${day(7)}`);
        await drawnAs(page, (options) => options.getByLabel('A second sheet beside it').check());
        const second = page.getByRole('region', { name: 'Second sheet' });
        await second.getByLabel('Overlay of the second sheet').selectOption('all');
        await second.getByRole('button', { name: 'Second sheet on' }).click();
        await expect(second.locator(`[data-day="${day(14)}"]`).first()).toBeVisible();
        await expect(page.getByRole('main').locator(`[data-day="${day(7)}"]`).first()).toBeVisible();
        await page.reload();
        await expect(second.locator(`[data-day="${day(14)}"]`).first()).toBeVisible();
        await second.getByRole('button', { name: 'Close the second sheet' }).click();
        await expect(second).toBeHidden();
        await page.goBack();
        await expect(second).toBeVisible();
    });
});

test('rows are people, places or categories; what is begun in one has it', async ({ page }) => {
    const calendar = unique('Loft work');
    await enter(page, 'Esi Marchetti');
    await makeCalendar(page, calendar);
    await layOverlay(page, unique('By person'), [calendar]);
    await addEvent(page, calendar, day(8), 'Splicing');
    await test.step('given to somebody in the form, it stands in their row', async () => {
        await page.getByRole('button', { name: /^Splicing/ }).click();
        await panel(page).getByRole('button', { name: 'Change' }).click();
        await panel(page).getByRole('combobox', { name: 'People, groups and rooms' }).fill('rufus');
        await page.getByRole('option', { name: /Rufus Tamm/ }).click();
        // Who is picked is asked to come; that they are responsible is said.
        await expect(panel(page).getByLabel('Part of Rufus Tamm')).toHaveValue('required');
        await panel(page).getByLabel('Part of Rufus Tamm').selectOption('responsible');
        await panel(page).getByLabel('Place').fill('Long loft');
        await panel(page).getByRole('button', { name: SAVE }).click();
        await expect(panel(page).locator('dd', { hasText: 'Rufus Tamm' })).toBeVisible();
        await panel(page).getByRole('button', { name: 'Close the event' }).click();
        await drawnAs(page, (options) => options.getByLabel('A row is').selectOption('person'));
        await expect(laneCell(page, 'Rufus Tamm', day(8)).getByRole('button', { name: /^Splicing/ })).toBeVisible();
    });
    await test.step('begun in that row, it is theirs; by keyboard it goes to nobody', async () => {
        await laneCell(page, 'Rufus Tamm', day(9)).click();
        await page.getByLabel('Title').fill('Serving');
        await page.getByRole('button', { name: ADD }).click();
        await expect(laneCell(page, 'Rufus Tamm', day(9)).getByRole('button', { name: /^Serving/ })).toBeVisible();
        await laneCell(page, 'Rufus Tamm', day(10)).click();
        await page.getByLabel('Title').fill('Whipping');
        await page.getByRole('button', { name: 'Take Rufus Tamm off' }).click();
        await page.getByRole('button', { name: ADD }).click();
        await expect(laneCell(page, 'Nobody responsible', day(10)).getByRole('button', { name: /^Whipping/ })).toBeVisible();
        await page.getByRole('button', { name: /^Whipping/ }).focus();
        await page.keyboard.press('Shift+ArrowUp');
        await expect(laneCell(page, 'Rufus Tamm', day(10)).getByRole('button', { name: /^Whipping/ })).toBeVisible();
    });
    await test.step('by place and by category, over eight weeks', async () => {
        await drawnAs(page, async (options) => {
            await options.getByLabel('A row is').selectOption('place');
            await options.getByLabel('Weeks').selectOption('8');
        });
        await expect(laneCell(page, 'Long loft', day(8)).getByRole('button', { name: /^Splicing/ })).toBeVisible();
        await expect(page.getByRole('columnheader')).toHaveCount(57);
        await drawnAs(page, (options) => options.getByLabel('A row is').selectOption('category'));
        await expect(page.getByRole('row', { name: /No category/ })).toBeVisible();
    });
    await test.step('only with these words, only with this person; why nothing shows, and the way back', async () => {
        await keyOf(page).getByLabel('Only with these words').fill('splic');
        await expect(page.getByRole('button', { name: /^Serving/ })).toHaveCount(0);
        await expect(page.getByRole('button', { name: /^Splicing/ })).toBeVisible();
        await keyOf(page).getByRole('combobox', { name: 'this person taking part' }).fill('noor');
        await page.getByRole('option', { name: /Noor Feldkamp/ }).click();
        await expect(keyOf(page).getByText('because only events with “splic”, and only events of some people are asked for.')).toBeVisible();
        await keyOf(page).getByRole('button', { name: 'Show everything' }).click();
        await expect(page.getByRole('button', { name: /^Serving/ })).toBeVisible();
        await expect(keyOf(page).getByLabel('Only with these words')).toHaveValue('');
    });
});

test('the key is put in order and changed where it is; who may only look sees it so, and arranges it for themselves', async ({ page, browser }) => {
    const [one, two] = [unique('Oars'), unique('Sails')];
    const name = unique('In order');
    await enter(page, 'Hana Brekspear');
    await makeCalendar(page, one);
    await makeCalendar(page, two);
    await layOverlay(page, name, [one, two]);
    const slug = (new URL(page.url()).searchParams.get('overlay') ?? '').replaceAll('"', '');
    const layers = (of: Page) => keyOf(of).getByRole('list', { name: 'Layers' }).getByRole('listitem');
    await test.step('by keyboard, by dragging, and by name, colour and pattern', async () => {
        await expect(layers(page).first()).toContainText(one);
        // The dialog that closed gives its focus back in its own time, and takes the key with it.
        await expect(async () => {
            if ((await layers(page).first().textContent())?.includes(two) !== true) await keyOf(page).getByRole('button', { name: new RegExp(`^${two},`) }).press('Alt+ArrowUp');
            await expect(layers(page).first()).toContainText(two, { timeout: 10_000 });
        }).toPass();
        await layers(page).nth(1).dragTo(layers(page).first());
        await expect(layers(page).first()).toContainText(one);
        await layers(page).first().hover();
        await page.getByRole('button', { name: `Change ${one} here` }).click();
        await page.getByLabel('Name of the layer').fill('Oars and thole pins');
        await page.getByRole('radio', { name: 'stripes' }).click();
        await expect(page.getByRole('radio', { name: 'stripes' })).toBeChecked();
        await page.getByRole('button', { name: 'Done' }).click();
        await expect(layers(page).first()).toContainText('Oars and thole pins');
        await expect(layers(page).first().locator('[data-pattern=stripes]')).toBeVisible();
    });
    await test.step('given to a group to read', async () => {
        await page.getByRole('button', { name }).click();
        await page.getByRole('menuitem', { name: 'Who may look through it…' }).click();
        const dialog = page.getByRole('dialog');
        await dialog.getByRole('combobox', { name: 'Person or group' }).fill('sail loft');
        await page.getByRole('option', { name: /Sail loft/ }).click();
        await dialog.getByRole('button', { name: 'Share' }).click();
        await expect(dialog.getByLabel('Level of Sail loft')).toHaveValue('see');
        await page.keyboard.press('Escape');
    });
    await test.step('a reader toggles for themselves, and changes nothing', async () => {
        const noor = await enterElsewhere(browser, 'Noor Feldkamp');
        await noor.goto(`/?overlay=${slug}`);
        await expect(layers(noor)).toHaveCount(2);
        await expect(layers(noor).first()).toContainText('Oars and thole pins');
        await layers(noor).first().hover();
        await expect(noor.getByRole('button', { name: /^Change .* here$/ })).toHaveCount(0);
        await keyOf(noor).getByRole('button', { name: /^only this: Oars/ }).click();
        await expect(noor.getByRole('rowheader')).toHaveCount(1);
        await layers(noor).first().hover();
        await keyOf(noor).getByRole('button', { name: /^only this: Oars/, pressed: true }).click();
        await expect(noor.getByRole('rowheader')).toHaveCount(2);
        await page.reload();
        await expect(page.getByRole('rowheader')).toHaveCount(2);
        await noor.context().close();
    });
});

test('each view is printed on one page with its key, the list on as many as it takes', async ({ page }) => {
    await enter(page, 'Ines Halloran');
    await page.addInitScript(() => {
        window.print = () => document.documentElement.setAttribute('data-print-asked', '');
    });
    for (const [view, paper] of [['lanes', 'a4'], ['month', 'a3'], ['week', 'a4'], ['list', 'a4']] as const) {
        await page.goto(`/?overlay=the-term-at-a-glance&view=${view}`);
        await expect(page.getByRole('button', { name: /assessment|Oar|Assessments/i }).first()).toBeVisible();
        await page.getByRole('button', { name: 'How it is drawn' }).click();
        await page.getByRole('button', { name: 'Print…' }).click();
        const dialog = page.getByRole('dialog', { name: 'Print' });
        await dialog.getByLabel('Paper').selectOption(paper);
        await dialog.getByRole('button', { name: 'Print', exact: true }).click();
        await expect(page.locator('html[data-print-asked]')).toHaveCount(1);
        await expect(page.getByText(/^Printed /)).toBeVisible();
        await expect(page.getByRole('list', { name: 'Key' })).toContainText('Assessments');
        await expect(page.getByRole('navigation')).toBeHidden();
        const pdf = (await page.pdf({ preferCSSPageSize: true, printBackground: true })).toString('latin1');
        const pages = pdf.match(/\/Type\s*\/Page\b/g)?.length ?? 0;
        if (view === 'list') expect(pages).toBeGreaterThan(1);
        else expect(pages, `${view} on ${paper}`).toBe(1);
        const box = /\/MediaBox\s*\[\s*0 0 ([\d.]+) ([\d.]+)/.exec(pdf);
        const long = Math.max(Number(box?.[1]), Number(box?.[2]));
        expect(Math.round(long / 10)).toBe(paper === 'a4' ? 84 : 119);
        await page.evaluate(() => window.dispatchEvent(new Event('afterprint')));
        await expect(page.getByText(/^Printed /)).toBeHidden();
    }
});
