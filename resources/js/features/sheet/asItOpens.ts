import type { RotaSearch } from './rotaSearch';

/** What is narrowed, and how a table looks: taken off where something else is looked through. */
export const AS_IT_OPENS = { off: undefined, categories: undefined, words: undefined, people: undefined, view: undefined, period: undefined, sort: undefined, descending: undefined, columns: undefined, state: undefined } satisfies Partial<RotaSearch>;
