import { useQueryClient, type InfiniteData } from '@tanstack/react-query';
import { useEffect, useRef, useState, type KeyboardEvent } from 'react';
import { Problem, type Schemas } from '@/api/client';
import { STATUSES } from '@/api/generated/words';
import { queryKeys } from '@/api/queryKeys';
import { problemOf } from '@/api/useAction';
import { useCalendars } from '@/features/calendars/useCalendars';
import { SeriesQuestion } from '@/features/events/SeriesQuestion';
import { useRota } from '@/features/sheet/RotaContext';
import { whenTyped, type Column, type Row } from './columns';
import { useBulk } from './useBulk';

/** Where the keyboard goes once a cell is written; away is where somebody has gone already. */
export type Leaving = 'down' | 'right' | 'left' | 'stay' | 'away';

type Props = { row: Row; column: Column['key']; first: string | null; onDone: (to: Leaving) => void };

/** What stands in these cells is what was typed; of the others the server says what it means. */
const AS_TYPED: Column['key'][] = ['title', 'place', 'status', 'calendar'];

/** Whether something was refused because a category of it is new. */
const isNew = (error: unknown) => error instanceof Problem && error.fields[0]?.field.endsWith('.newCategories') === true;

/** One cell being written. What is refused stays as it was typed, and it is said why. */
export function CellEditor({ row, column, first, onDone }: Props) {
    const rota = useRota();
    const client = useQueryClient();
    const calendars = useCalendars().data ?? [];
    const before = column === 'when' ? whenTyped(row) : column === 'calendar' ? row.calendar : column === 'categories' || column === 'responsible' ? row[column].join(', ') : row[column];
    const choices = column === 'status' ? STATUSES.map((each) => [each, each] as const) : column === 'calendar' ? calendars.filter((each) => each.mayAdd || each.slug === row.calendar).map((each) => [each.slug, each.name] as const) : null;
    const [text, setText] = useState(first !== null && choices === null ? first : before);
    const save = useBulk(() => `“${row.title}” is changed.`);
    const field = useRef<HTMLInputElement>(null);
    const [asking, setAsking] = useState<Leaving | null>(null);
    // A category that there is not yet is added once Enter has said so twice.
    const confirmed = useRef<string | null>(null);
    // What is being saved takes no keys; where it is refused one goes on typing.
    useEffect(() => {
        if (save.isError) field.current?.focus();
    }, [save.isError]);
    // What others change meanwhile shows in the table; a cell is written from what it was when one began.
    const version = useRef(row.version);
    const leaving = useRef<Leaving | null>(null);
    const submit = (to: Leaving) => {
        if (leaving.current !== null) return;
        if (text.trim() === before.trim()) {
            leaving.current = to;
            return onDone(to);
        }
        leaving.current = to;
        if (column === 'when' && row.repeats) setAsking(to);
        else put(to, {});
    };
    const put = (to: Leaving, times: Pick<Schemas['BulkEvent'], 'times' | 'occurrence'>) =>
        save.mutate(
            { tz: rota.zone, newCategories: confirmed.current === text, events: [{ id: row.id, version: version.current, cells: { [column]: text }, ...times }] },
            {
                onSuccess: () => {
                    // Its next cell may be written, and this one copied, before the table is there anew.
                    const written = AS_TYPED.includes(column) ? { [column]: text.trim() } : {};
                    client.setQueriesData<InfiniteData<Schemas['Table']>>({ queryKey: queryKeys.tables }, (data) => data && { ...data, pages: data.pages.map((page) => ({ ...page, rows: page.rows.map((each) => (each.id === row.id ? { ...each, ...written, version: each.version + 1 } : each)) })) });
                    onDone(to);
                },
                onError: (error) => {
                    leaving.current = null;
                    confirmed.current = isNew(error) ? text : null;
                    if (!(error instanceof Problem) || error.status !== 412) return;
                    version.current = (error.current as { version: number }[])[0]?.version ?? version.current;
                    void client.invalidateQueries({ queryKey: queryKeys.tables });
                },
            },
        );
    const notAsked = () => {
        setAsking(null);
        leaving.current = null;
        setTimeout(() => field.current?.focus());
    };
    const meant = (times: Schemas['BulkEvent']['times']) => {
        const to = asking === 'away' ? 'stay' : (asking ?? 'stay');
        setAsking(null);
        leaving.current = to;
        put(to, { times, occurrence: row.occurrence });
    };
    const problem = problemOf(save);
    const wrong = problem === null ? undefined : problem.status === 412 ? 'Somebody else changed this event just now. What you typed is still here: Enter puts it over theirs.' : `${problem.fields[0]?.message ?? `${problem.message} ${problem.detail}`}${isNew(problem) ? ' Enter once more adds it as new.' : ''}`;
    const onKeyDown = (event: KeyboardEvent) => {
        event.stopPropagation();
        if (event.key === 'Escape') {
            leaving.current = 'stay';
            onDone('stay');
        } else if (event.key === 'Enter') submit('down');
        else if (event.key === 'Tab') submit(event.shiftKey ? 'left' : 'right');
        else return;
        event.preventDefault();
    };
    const control = { 'aria-label': column, 'aria-invalid': wrong !== undefined, 'aria-describedby': wrong === undefined ? undefined : 'cell-wrong', autoFocus: true, disabled: save.isPending, className: 'absolute inset-0 w-full border-2 border-ink bg-sheet px-1 text-ink', onKeyDown, onBlur: () => wrong === undefined && submit('away') };
    return (
        <>
            {choices === null ? (
                <input ref={field} type="text" {...control} value={text} maxLength={1000} onChange={(event) => setText(event.target.value)} />
            ) : (
                <select {...control} value={text} onChange={(event) => setText(event.target.value)}>
                    {choices.map(([value, name]) => (
                        <option key={value} value={value}>
                            {name}
                        </option>
                    ))}
                </select>
            )}
            {asking !== null && (
                <SeriesQuestion
                    title={`Move “${row.title}”`}
                    doing="change"
                    id={row.id}
                    occurrence={row.occurrence}
                    onOne={() => meant('one')}
                    onFollowing={() => meant('following')}
                    onAll={() => meant('all')}
                    onClose={notAsked}
                />
            )}
            {wrong !== undefined && (
                <span id="cell-wrong" role="alert" className="absolute top-full left-0 z-20 w-64 border border-pin-ink bg-paper px-2 py-1 text-xs font-semibold whitespace-normal text-pin-ink shadow-(--shadow)">
                    {wrong}
                </span>
            )}
        </>
    );
}
