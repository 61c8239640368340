import type { FormEvent } from 'react';
import { answered, api } from '@/api/client';
import { isDate } from '@/time/dates';

/** What is still being read of what was typed: a form waits for it before it is sent. */
const reading = new Set<Promise<unknown>>();

export function whileReading<Value>(read: Promise<Value>): Promise<Value> {
    reading.add(read);
    void read.finally(() => reading.delete(read)).catch(() => undefined);
    return read;
}

/** Sends a form once all that was typed into its fields is read. */
export function sendOnceRead(submitted: FormEvent<HTMLFormElement>, send: () => void): void {
    submitted.preventDefault();
    const form = submitted.currentTarget;
    if (reading.size === 0) return send();
    // What was read has to be in the form first.
    void Promise.allSettled([...reading]).then(() => requestAnimationFrame(() => form.requestSubmit()));
}

export type Kind = 'date' | 'time';

export type Read = { value: string | null; instead: string | null };

/** What a text means as a date or an hour: as it is stored it is read here, everything else by the server. */
export function readTyped(words: string, kind: Kind, tz: string): Read | Promise<Read> {
    if (kind === 'date' && isDate(words)) return { value: words, instead: null };
    if (kind === 'time' && /^([01]?\d|2[0-3]):[0-5]\d$/.test(words)) return { value: words.padStart(5, '0'), instead: null };
    return answered(api.GET('/when', { params: { query: { words, kind, tz } } }));
}
