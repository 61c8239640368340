import { cleanup, render, screen } from '@testing-library/react';
import { readdirSync, readFileSync } from 'node:fs';
import { afterEach, expect, test } from 'vitest';
import { Scrolling } from '@/components/Scrolling';

afterEach(cleanup);

test('what scrolls is a stop of the keyboard, and says what it is', () => {
    render(
        <>
            <Scrolling as="ol" aria-label="Sign-ins" />
            <Scrolling as="div" aria-label="Events of the file" />
        </>,
    );
    expect(screen.getByRole('list', { name: 'Sign-ins' }).tabIndex).toBe(0);
    expect(screen.getByRole('region', { name: 'Events of the file' }).tabIndex).toBe(0);
});

test('no list of a height of its own scrolls in another way', () => {
    const files = readdirSync('resources/js', { recursive: true, encoding: 'utf8' }).filter((file) => file.endsWith('.tsx'));
    const lists = files.flatMap((file) => [...readFileSync(`resources/js/${file}`, 'utf8').matchAll(/<(?:ul|ol)\b[^>]*overflow-(?:y-)?auto[^>]*>/g)].map(([tag]) => `${file}: ${tag}`));
    // A list of choices moves its own mark, and scrolls with it.
    expect(lists.filter((each) => !each.includes('role="listbox"'))).toEqual([]);
});
