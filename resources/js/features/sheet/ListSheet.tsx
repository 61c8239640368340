import { Fragment, useEffect, useMemo, useRef } from 'react';
import { Failed, Loading } from '@/components/States';
import { useRota } from './RotaContext';
import { usePrinting } from './printing';
import { listDays, quietDays, useEndlessSheet } from './useSheet';
import { addDays, daysBetween, formatDate, startOfWeek, timeOfDay } from '@/time/dates';
import { itemKey, lastDay, type Item } from './geometry';
import { useBoard } from './BoardContext';
import { DueTaskLine } from './DueTaskLine';
import { ItemView, PLAIN } from './ItemView';
import { useSince } from '@/features/sheet/useSince';
import { marked } from './marked';
import { weeksWords } from './schoolWeeks';
import { useDueTasks, type DueTask } from './useDueTasks';

/** A list that has found nothing for so long has come to its end, most likely. */
const QUIET_DAYS = 365;

type Day = { day: string; items: Item[]; closed: string | undefined; tasks: DueTask[] };

/** What is on, day after day, as far as one reads on. */
export function ListSheet() {
    const { through, span, hidden, today, chosen } = useRota();
    const { register } = useBoard();
    const sheets = useEndlessSheet(through, span);
    const end = useRef<HTMLDivElement>(null);
    const changes = useSince(through, span, true).data?.changes;
    const pages = useMemo(() => sheets.data?.pages.map((page, index) => ({ ...page, items: marked(page.items, changes ?? [], index === 0) })), [sheets.data, changes]);
    const reached = pages === undefined ? span.to : addDays(span.from, listDays(daysBetween(span.from, span.to), pages.length));
    const tasks = useDueTasks({ from: span.from, to: reached });
    const days = byDay(pages ?? [], hidden, span.from, tasks);
    useEffect(() => register(pages?.flatMap((page) => page.items) ?? []), [register, pages]);
    const printing = usePrinting() !== null;
    const { hasNextPage, isFetchingNextPage, fetchNextPage } = sheets;
    // Where nothing has come for long, nothing more is asked for until somebody wants to know.
    const quiet = quietDays(daysBetween(span.from, span.to), (pages ?? []).map((page) => page.items.some((item) => !hidden.has(item.layer)) || page.closed.length > 0)) >= QUIET_DAYS;
    useEffect(() => {
        const mark = end.current;
        if (mark === null || !hasNextPage || isFetchingNextPage || printing || quiet) return;
        const observer = new IntersectionObserver(([seen]) => seen?.isIntersecting === true && void fetchNextPage());
        observer.observe(mark);
        return () => observer.disconnect();
    }, [hasNextPage, isFetchingNextPage, fetchNextPage, days, printing, quiet]);
    if (sheets.isError) return <Failed error={sheets.error} retry={() => void sheets.refetch()} />;
    if (pages === undefined) return <Loading what="the list" />;
    const layers = pages[0]?.layers ?? [];
    const weeks = pages.flatMap((page) => page.weeks);
    return (
        <div className="list px-4 pb-10">
            {days.length === 0 && !quiet && <p className="py-6 text-soft italic">Nothing is on in these weeks.</p>}
            <ol aria-label="What is on, by day">
                {days.map(({ day, items, closed, tasks: due }, index) => (
                  <Fragment key={day}>
                    {startOfWeek(day, 'MO') !== startOfWeek(days[index - 1]?.day ?? '0001-01-08', 'MO') && (
                        <li className="list-week">
                            <h2>{weeksWords(weeks, { from: startOfWeek(day, 'MO'), to: addDays(startOfWeek(day, 'MO'), 7) })}</h2>
                        </li>
                    )}
                    <li data-day={day} className="grid grid-cols-[92px_1fr] gap-3 border-b border-line py-2 max-sm:grid-cols-[64px_1fr]">
                        <h3 className="sticky top-0 self-start font-serif">
                            <span className="block text-[22px] leading-none data-today:text-pin-ink" data-today={day === today || undefined}>
                                {formatDate(day, 'day')}
                            </span>
                            <span className="text-xs text-soft">{formatDate(day, 'weekday')} {formatDate(day, 'short').replace(/^\d+ /, '')}</span>
                        </h3>
                        <div className="min-w-0">
                            {closed !== undefined && <p className="hatched mb-1 inline-block border border-line px-2 text-xs">closed: {closed}</p>}
                            {due.length > 0 && (
                                <ul aria-label="To prepare" className="mb-1.5 flex flex-col gap-1 border-l-[3px] border-pin pl-2">
                                    {due.map((task) => (
                                        <li key={`${task.id} ${task.occurrence ?? ''}`}>
                                            <DueTaskLine task={task} />
                                        </li>
                                    ))}
                                </ul>
                            )}
                            <ul className="flex flex-col gap-1">
                                {items.map((item) => (
                                    <li key={itemKey(item)} className="list-line">
                                        <span className="text-soft tabular-nums">{when(item, day)}</span>
                                        <ItemView item={item} shape="line" look={layers[item.layer] ?? PLAIN} chosen={chosen(item)} />
                                        <span className="truncate text-xs text-soft" title={item.place}>
                                            {item.place}
                                        </span>
                                        <span className="truncate text-xs text-soft max-lg:hidden" title={item.responsible.join(', ')}>
                                            {item.responsible.join(', ')}
                                        </span>
                                        <span className="truncate text-xs text-soft max-lg:hidden" title={item.categories.join(', ')}>
                                            {item.categories.join(', ')}
                                        </span>
                                    </li>
                                ))}
                            </ul>
                        </div>
                    </li>
                  </Fragment>
                ))}
            </ol>
            <div ref={end} className="py-4 text-center text-soft">
                {isFetchingNextPage && 'and on…'}
                {!isFetchingNextPage && quiet && (
                    <>
                        {days.length === 0 ? 'Nothing' : 'Nothing more'} is on until {formatDate(reached, 'short')} {reached.slice(0, 4)}.{' '}
                        <button type="button" className="hit underline hover:text-ink" onClick={() => void fetchNextPage()}>
                            Look further
                        </button>
                    </>
                )}
            </div>
        </div>
    );
}

function byDay(pages: { items: readonly Item[]; closed: { date: string; title: string }[] }[], hidden: ReadonlySet<number>, first: string, tasks: Map<string, DueTask[]>): Day[] {
    const closed = new Map(pages.flatMap((page) => page.closed).map((each) => [each.date, each.title]));
    const days = new Map<string, Map<string, Item>>();
    for (const item of pages.flatMap((page) => page.items)) {
        if (hidden.has(item.layer)) continue;
        // What began before is told on the first day that is listed; what lasts is told once.
        const day = item.start.slice(0, 10) < first ? first : item.start.slice(0, 10);
        const known = days.get(day) ?? new Map<string, Item>();
        known.set(itemKey(item), item);
        days.set(day, known);
    }
    for (const day of [...closed.keys(), ...tasks.keys()]) if (!days.has(day)) days.set(day, new Map());
    return [...days].sort(([a], [b]) => (a < b ? -1 : 1)).map(([day, items]) => ({ day, items: [...items.values()], closed: closed.get(day), tasks: tasks.get(day) ?? [] }));
}

function when(item: Item, day: string): string {
    const last = lastDay(item);
    if (item.allDay) return last === day ? 'all day' : `until ${formatDate(last, 'short')}`;
    const from = item.start.slice(0, 10) === day ? timeOfDay(item.start) : 'goes on';
    return item.start === item.end ? from : `${from} – ${item.end.slice(0, 10) === day || last === day ? timeOfDay(item.end) : formatDate(last, 'short')}`;
}
