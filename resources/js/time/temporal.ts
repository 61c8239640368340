import type { Temporal as Api } from 'temporal-polyfill';

/** The browser's own; where it has none yet, main.tsx has put one in its place before this is read. */
export const Temporal = (globalThis as unknown as { Temporal: typeof Api }).Temporal;
