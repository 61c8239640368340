import { cleanup, renderHook, waitFor } from '@testing-library/react';
import { afterEach, expect, test } from 'vitest';
import { queryKeys } from '@/api/queryKeys';
import { countWords, useLayerCounts, type LayerCount } from '@/features/overlays/useLayerCounts';
import { fakeServer, withQueries } from './server';

afterEach(cleanup);

const layer = (name: string) => ({ name, colour: 'sea' as const, mark: 'disc' as const, pattern: 'plain' as const, takes: 'chosen' as const, group: null, calendars: ['slip'], conditions: [] });
const example = { title: 'Oar test', start: '2026-11-26T13:30', end: '2026-11-26T15:00', allDay: false } as NonNullable<LayerCount['example']>;

test('what a layer takes is told with one example; of one that is not complete nothing is', () => {
    expect(countWords({ count: 26, example })).toBe('It takes 26 in the coming half year, such as “Oar test”, Thursday 26 November, 13:30–15:00.');
    expect(countWords({ count: 4, example: null })).toBe('It takes 4 in the coming half year.');
    expect(countWords({ count: 0, example: null })).toBe('It takes nothing of the coming half year.');
    expect(countWords({ count: null, example: null })).toBe('');
});

test('it is asked once one pauses, and never told of another layer', async () => {
    const asked = fakeServer((call) => ({ body: (call.body as { layers: unknown[] }).layers.map(() => ({ count: (call.body as { layers: unknown[] }).layers.length, example: null })) }));
    const { client, wrapper } = withQueries();
    client.setQueryData(queryKeys.session, { person: { timezone: 'Europe/London' } });
    const { result, rerender } = renderHook(({ layers }) => useLayerCounts(layers, false), { wrapper, initialProps: { layers: [layer('Slip'), layer('Loft')] } });
    await waitFor(() => expect(result.current.map((each) => each.count)).toEqual([2, 2]));
    rerender({ layers: [layer('S')] });
    rerender({ layers: [layer('Sl')] });
    expect(result.current).toEqual([]);
    await waitFor(() => expect(result.current.map((each) => each.count)).toEqual([1]));
    expect(asked.map((each) => (each.body as { layers: { name: string }[] }).layers.map(({ name }) => name))).toEqual([['Slip', 'Loft'], ['Sl']]);
});
