import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { expect, type Page } from '@playwright/test';
import type { RunOptions } from 'axe-core';

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** The guidelines that every view keeps. */
const GUIDELINES = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'];

type Options = {
    /** The part of the page that is looked at, as a selector. */
    within?: string;
    /** Besides the guidelines, what is good practice, too. */
    strictly?: boolean;
};

/** Waits for what is on its way in or out. */
async function settled(page: Page): Promise<void> {
    // A message half faded in has no contrast yet. What turns for as long as something is at work never ends.
    await page.waitForFunction(() => document.getAnimations().every((each) => each.playState !== 'running' || each.effect?.getComputedTiming().endTime === Infinity));
}

/**
 * What a page shows is for everybody. Asked in the page itself: it has no frames, and what would be carried out of it for
 * each rule that holds takes several times as long as the rules.
 */
export async function expectAccessible(page: Page, { within, strictly = false }: Options = {}): Promise<void> {
    await settled(page);
    await page.evaluate(axe);
    const options: RunOptions = { resultTypes: ['violations'], ...(strictly ? {} : { runOnly: GUIDELINES }) };
    const found = await page.evaluate(
        async ({ context, asked }) => {
            const tool = (window as unknown as { axe: typeof import('axe-core') }).axe;
            const { violations, passes } = await tool.run(context ?? document, asked);
            return { violations: violations.map((each) => `${each.id}: ${each.nodes.map((node) => node.target.join(' ')).slice(0, 3).join(', ')}`), rules: passes.length };
        },
        { context: within, asked: options },
    );
    expect(found.violations).toEqual([]);
    // Where no rule had anything to look at, nothing was shown.
    expect(found.rules).toBeGreaterThan(5);
}
