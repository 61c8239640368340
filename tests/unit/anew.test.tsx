import { QueryClient, QueryObserver } from '@tanstack/react-query';
import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import type { Mark } from '@/api/marks';
import { fetchAnew, fetchTouched } from '@/api/useAction';

const mark: Mark = { mark: 'a', calendar: 'slip', firstDay: '2026-11-03', lastDay: '2026-11-03' };

/** A question that somebody waits for, each answer of which is let out by the test. */
function asked(client: QueryClient, queryKey: readonly unknown[], days?: { from: string; to: string }) {
    const answers: ((answer: string) => void)[] = [];
    const observer = new QueryObserver(client, { queryKey, queryFn: () => new Promise<string>((resolve) => answers.push(resolve)), ...(days === undefined ? {} : { meta: { days } }) });
    const stop = observer.subscribe(() => undefined);
    return { answers, data: () => observer.getCurrentResult().data, stop };
}

const turn = () => new Promise((resolve) => setTimeout(resolve, 0));

describe('what is asked for while something changes', () => {
    let client: QueryClient;
    const stops: (() => void)[] = [];
    beforeEach(() => (client = new QueryClient()));
    afterEach(() => {
        stops.splice(0).forEach((stop) => stop());
        client.clear();
    });
    const watch = (...of: Parameters<typeof asked> extends [unknown, ...infer Rest] ? Rest : never) => {
        const made = asked(client, ...of);
        stops.push(made.stop);
        return made;
    };

    test('for the first time is asked for again once it has arrived: it may be told as it was before', async () => {
        const sheet = watch(['events', 'sheet', 'by person']);
        const done = fetchAnew(client, 'events');
        await turn();
        // What is under way is not broken off.
        expect(sheet.answers).toHaveLength(1);
        sheet.answers[0]?.('as it was');
        await turn();
        expect(sheet.answers).toHaveLength(2);
        sheet.answers[1]?.('as it is');
        await done;
        expect(sheet.data()).toBe('as it is');
    });

    test('by others is the same, where it is of the days that they changed', async () => {
        const near = watch(['events', 'sheet', 'near'], { from: '2026-11-02', to: '2026-11-09' });
        const far = watch(['events', 'sheet', 'far'], { from: '2027-11-01', to: '2027-11-08' });
        const done = fetchTouched(client, [mark]);
        near.answers[0]?.('as it was');
        far.answers[0]?.('far');
        await turn();
        near.answers[1]?.('as it is');
        await done;
        expect([near.data(), far.data(), near.answers.length, far.answers.length]).toEqual(['as it is', 'far', 2, 1]);
    });

    test('again is asked for once, and what nobody asks for at that moment, too', async () => {
        const sheet = watch(['events', 'sheet']);
        sheet.answers[0]?.('first');
        await turn();
        const done = fetchAnew(client, 'events');
        await turn();
        sheet.answers[1]?.('second');
        await done;
        expect([sheet.data(), sheet.answers.length]).toEqual(['second', 2]);
    });

    test('and did not arrive at all is not asked for without end', async () => {
        let tries = 0;
        const observer = new QueryObserver(client, { queryKey: ['events', 'broken'], queryFn: () => { tries++; return Promise.reject(new Error('gone')); }, retry: false });
        stops.push(observer.subscribe(() => undefined));
        await fetchAnew(client, 'events');
        expect(tries).toBeLessThanOrEqual(2);
    });
});
