import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useDeferredValue } from 'react';
import { useFormContext, useWatch } from 'react-hook-form';
import { answered, api, Problem } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import type { paths } from '@/api/generated/schema';
import { formatDate } from '@/time/dates';
import { ruleInputOf, type RepeatValues } from './repeatValues';

type Asked = paths['/repeat']['get']['parameters']['query'];

/** The repeat that is picked, read back in words, with the next days that it falls on. */
export function RepeatWords() {
    const { control } = useFormContext<RepeatValues>();
    const [unit, interval, weekdays, monthBy, ruleText, ends, until, count, start, skipped, extra, within] = useWatch({
        control,
        name: ['unit', 'interval', 'weekdays', 'monthBy', 'ruleText', 'ends', 'until', 'count', 'startDate', 'skipped', 'extra', 'within'],
    });
    const possible = start !== '' && Number.isInteger(interval) && interval > 0 && (unit !== 'week' || weekdays.length > 0) && (unit !== 'rule' || ruleText.trim() !== '') && (unit !== 'dates' || extra.length > 0);
    const end = unit === 'dates' ? {} : { until: ends === 'until' && until !== '' ? until : undefined, count: ends === 'count' && Number.isInteger(count) ? count : undefined };
    const { rule, pick } = ruleInputOf({ unit, interval, weekdays, monthBy, ruleText });
    const picked = pick === undefined ? {} : { unit: pick.unit, interval: pick.interval, 'weekdays[]': pick.weekdays, monthBy: pick.monthBy };
    const asked = useDeferredValue(possible ? JSON.stringify({ rule, ...picked, start, ...end, within: unit === 'dates' ? undefined : (within ?? undefined), 'skipped[]': unit === 'dates' ? [] : skipped, 'extra[]': extra }) : '');
    const told = useQuery({
        queryKey: queryKeys.repeat(asked),
        queryFn: ({ signal }) => answered(api.GET('/repeat', { params: { query: JSON.parse(asked) as Asked }, signal })),
        enabled: asked !== '',
        placeholderData: keepPreviousData,
        retry: false,
    });
    if (asked === '') return null;
    if (told.error instanceof Problem && told.error.fields[0] !== undefined) return <p className="text-[12.5px] text-pin-ink">{told.error.fields[0].message}</p>;
    if (told.data === undefined || told.isError) return null;
    const { words, next, more } = told.data;
    return (
        <p aria-live="polite" className="text-[12.5px]">
            <b className="block font-semibold">{words}</b>
            <span className="text-soft">
                {next.length === 0 ? (more ? 'Several times a day.' : 'It never falls on a day.') : next.map((day) => formatDate(day, 'weekdayDay')).join(', ')}
                {more && next.length > 0 ? ' …' : ''}
            </span>
        </p>
    );
}
