import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useDeferredValue } from 'react';
import { useFormContext, useWatch } from 'react-hook-form';
import { api, type Schemas } from '@/api/client';
import { formatDate } from '@/time/dates';
import type { EventValues } from './eventValues';
import { ruleOf } from './repeatRule';

/** The repeat that is picked, read back in words, with the next days that it falls on. */
export function RepeatWords() {
    const { control } = useFormContext<EventValues>();
    const [unit, interval, weekdays, monthBy, ends, until, count, start] = useWatch({ control, name: ['unit', 'interval', 'weekdays', 'monthBy', 'ends', 'until', 'count', 'startDate'] });
    const possible = start !== '' && Number.isInteger(interval) && interval > 0 && (unit !== 'week' || weekdays.length > 0);
    const asked = useDeferredValue(
        possible ? JSON.stringify({ rule: ruleOf({ unit, interval, weekdays, monthBy }, start), start, until: ends === 'until' && until !== '' ? until : undefined, count: ends === 'count' && Number.isInteger(count) ? String(count) : undefined }) : '',
    );
    const told = useQuery({
        queryKey: ['repeat', asked],
        queryFn: ({ signal }) => api<Schemas['RepeatTold']>('GET', '/repeat', { query: JSON.parse(asked) as Record<string, string>, signal }),
        enabled: asked !== '',
        placeholderData: keepPreviousData,
        retry: false,
    });
    if (asked === '' || told.data === undefined || told.isError) return null;
    return (
        <p aria-live="polite" className="text-[12.5px]">
            <b className="block font-semibold">{told.data.words}</b>
            <span className="text-soft">
                {told.data.next.length === 0 ? 'It never falls on a day.' : told.data.next.map((day) => formatDate(day, 'weekdayDay')).join(', ')}
                {told.data.more ? ' …' : ''}
            </span>
        </p>
    );
}
