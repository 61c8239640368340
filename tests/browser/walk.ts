import { expect, type Page } from '@playwright/test';

/**
 * What is wrong with what a page shows: text that is cut inside a word, what sticks out sideways, controls that are too small to be hit,
 * and controls whose visible words are not in their name. `touch` asks for 44 px, else it is 24; lines of names on a crowded sheet are
 * reached by the keyboard and in the list, too, and are 16 px high at least.
 */
export async function faultsOf(page: Page, touch: boolean): Promise<string[]> {
    await page.waitForFunction(() => document.getAnimations().every((each) => each.playState !== 'running' || each.effect?.getComputedTiming().endTime === Infinity));
    return page.evaluate((least) => {
        const faults: string[] = [];
        const CONTROL = 'a[href], button, input:not([type=hidden]), select, textarea, [role=button], [role=tab], [role=menuitem], [role=option], [role=checkbox], [role=switch]';
        /** What is open over the page is what can be reached. */
        const modal = [...document.querySelectorAll('[role=dialog], [role=menu]')].at(-1);
        const reached = (element: Element) => modal === undefined || modal.contains(element);
        const said = (element: Element) => `${element.tagName.toLowerCase()}${element.getAttribute('role') === null ? '' : `[${element.getAttribute('role')}]`} “${(element.getAttribute('aria-label') ?? element.textContent ?? '').trim().replace(/\s+/g, ' ').slice(0, 50)}”`;
        const visible = (element: Element) => element.checkVisibility({ opacityProperty: true, visibilityProperty: true }) && element.getBoundingClientRect().width > 1 && element.getBoundingClientRect().height > 1;
        /** Whether somebody who scrolls comes to it. */
        const scrolls = (element: Element | null): boolean => element !== null && (['auto', 'scroll'].includes(getComputedStyle(element).overflowX) || scrolls(element.parentElement));
        const plain = (text: string) => text.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, ' ').trim();

        if (document.documentElement.scrollWidth > document.documentElement.clientWidth) faults.push(`the page is ${document.documentElement.scrollWidth - document.documentElement.clientWidth} px too wide`);

        for (const control of document.querySelectorAll(CONTROL)) {
            if (!reached(control) || (control as HTMLButtonElement).disabled || control.closest('[inert], [aria-hidden=true], .sr-only') !== null) continue;
            // A box stands for its label, and so does what lies unseen over a button that it looks like.
            const target = control.matches('input[type=checkbox], input[type=radio], select') ? (control.closest('label') ?? control) : control;
            if (!visible(target)) continue;
            // A bar is thin; its name is a part of it.
            const box = (target.querySelector('.beside') ?? target).getBoundingClientRect();
            const named = control.matches('[data-item], [data-item] *') || control.closest('[data-item]') !== null || control.matches('[data-day] *');
            // A link in a sentence is as high as its line.
            const inText = control.matches('a, button') && getComputedStyle(control).display === 'inline' && (control.parentElement?.textContent ?? '').trim().length > (control.textContent ?? '').trim().length + 3;
            const [wide, high] = named ? [16, 16] : [least, least];
            if (!inText && (box.height < high - 0.5 || box.width < wide - 0.5)) faults.push(`${said(control)} is ${Math.round(box.width)} × ${Math.round(box.height)} px`);
            const label = control.getAttribute('aria-label');
            const shown = plain(control.matches('select, input, textarea') ? '' : [...control.querySelectorAll('*'), control].flatMap((each) => (each.closest('[aria-hidden=true], .sr-only') === null && visible(each) ? [...each.childNodes].filter((node) => node.nodeType === Node.TEXT_NODE).map((node) => node.textContent ?? '') : [])).join(' '));
            if (label !== null && !named && shown.length > 1 && shown.split(' ').some((word) => !plain(label).split(' ').includes(word))) faults.push(`${said(control)} shows “${shown}”`);
        }

        const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
        const range = document.createRange();
        for (let node = walker.nextNode(); node !== null; node = walker.nextNode()) {
            const element = node.parentElement;
            const text = node.textContent ?? '';
            if (element === null || text.trim() === '' || !reached(element) || element.closest('.sr-only, script, style, noscript, option, [data-sonner-toaster]') !== null || !visible(element)) continue;
            range.selectNodeContents(node);
            const box = range.getBoundingClientRect();
            if (box.right > innerWidth + 1 && !scrolls(element)) faults.push(`“${text.trim().slice(0, 40)}” sticks out by ${Math.round(box.right - innerWidth)} px`);
            // What clips it without a sign cuts it.
            for (let clip: Element | null = element; clip !== null && clip !== document.body; clip = clip.parentElement) {
                const style = getComputedStyle(clip);
                if (['auto', 'scroll'].includes(style.overflowX)) break;
                if (style.overflowX === 'visible') continue;
                const edge = clip.getBoundingClientRect();
                // Of a box that is no block the browser draws no sign, unless it cuts whole lines.
                const told = (style.textOverflow === 'ellipsis' && /block|flow-root/.test(style.display)) || style.webkitLineClamp !== 'none';
                if (box.right > edge.right + 1.5 && (!told || edge.width < 28)) faults.push(`“${text.trim().slice(0, 40)}” is cut after ${Math.round(edge.right - box.left)} of ${Math.round(box.width)} px`);
                break;
            }
            // A word on two lines is one with a hyphen, or an address.
            if (range.getClientRects().length < 2 || element.closest('[data-any-break]') !== null) continue;
            for (const { index, 0: word } of text.matchAll(/[\p{L}\p{N}]+/gu)) {
                if (word.length < 2) continue;
                range.setStart(node, index);
                range.setEnd(node, index + word.length);
                const lines = new Set([...range.getClientRects()].map(({ top }) => Math.round(top)));
                if (lines.size > 1) faults.push(`“${word}” is on ${lines.size} lines`);
            }
        }
        return [...new Set(faults)];
    }, touch ? 44 : 24);
}

export async function expectSound(page: Page, touch: boolean): Promise<void> {
    expect(await faultsOf(page, touch), page.url()).toEqual([]);
}
