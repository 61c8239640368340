import { formatDate } from '@/time/dates';
import { lastDay, type Item } from './geometry';

/** How wide a letter of a ribbon is, in pixels. */
const LETTER = 6.5;
/** The mark in front of it, and the tail that is cut out. */
const AROUND = 36;
/** Narrower than this, no name says anything: how many there are does. */
const LEAST = 84;
/** The number of those who are left out. */
const MORE = 22;

/** What stands on a ribbon that several share: as many names as fit, and how many there are besides. */
export type BandWords = { text: string; more: number };

/**
 * Names those who share a ribbon, with the words that all of them have said once, and until when whoever ends before the others.
 *
 * @param until the last day of the ribbon
 * @param width in pixels
 */
export function bandWords(items: readonly Pick<Item, 'title' | 'start' | 'end' | 'allDay'>[], until: string, width: number): BandWords {
    const titles = items.map(({ title }) => title.split(' '));
    const front = same(titles);
    const back = same(titles.map((words) => words.slice(front).reverse()));
    const [first = []] = titles;
    const before = first.slice(0, front).join(' ');
    const after = first.slice(first.length - back).join(' ');
    const names = titles.map((words, index) => {
        const name = words.slice(front, words.length - back).join(' ');
        const item = items[index];
        const last = item === undefined ? until : lastDay(item);
        const to = last < until ? `to ${formatDate(last, 'weekday')}` : '';
        return [name, to !== '' && after !== '' ? `(${to})` : to].filter((part) => part !== '').join(' ');
    });
    const fits = (text: string, more: boolean) => text.length * LETTER + AROUND + (more ? MORE : 0) <= width;
    const said = (count: number) => [before, names.slice(0, count).join(', '), after].filter((part) => part !== '').join(' ');
    if (width < LEAST) return { text: '', more: names.length };
    let count = names.length;
    while (count > 1 && !fits(said(count), count < names.length)) count--;
    // Where not even one fits with the words that all have, it is at least who it is.
    const text = count > 1 || fits(said(count), names.length > 1) ? said(count) : (names[0] ?? '');
    return { text, more: names.length - count };
}

/** How many words all of them begin with; at least one is left to each. */
function same(titles: readonly string[][]): number {
    const [first = []] = titles;
    const most = Math.min(...titles.map((words) => words.length)) - 1;
    let count = 0;
    while (count < most && titles.every((words) => words[count] === first[count])) count++;
    return count;
}
