import { getRouteApi } from '@tanstack/react-router';
import { useCallback, useEffect, useMemo, useState } from 'react';
import clsx from 'clsx';
import { Failed, Loading } from '@/components/States';
import { CalendarNotice } from '@/features/access/CalendarNotice';
import { useCalendars } from '@/features/calendars/useCalendars';
import { EventAside } from '@/features/events/EventAside';
import { SeriesQuestion } from '@/features/events/SeriesQuestion';
import { useEventActions, type Scope } from '@/features/events/useEventActions';
import { usePerson } from '@/features/session/useSession';
import type { Item } from '@/features/sheet/geometry';
import { SheetBoard } from '@/features/sheet/SheetBoard';
import { addMinutes } from '@/time/dates';
import { useNow } from '@/time/useNow';
import { EmptySheet } from './EmptySheet';
import { Key } from './Key';
import { DraftContext, RotaContext, type Draft, type Rota } from './RotaContext';
import { RotaHeader } from './RotaHeader';
import type { RotaSearch } from './rotaSearch';
import { Ruler } from './Ruler';
import { useOverlays } from './useOverlays';
import { useSheet } from './useSheet';
import { stepped, useLaneDays, windowOf } from './useWindow';
import { SheetControls } from './SheetControls';

const route = getRouteApi('/');
const LAST = 'rota.overlay';

/** The screen people live in: the sheet, its ruler above, its key beside it. */
export function RotaPage() {
    const search = route.useSearch();
    const navigate = route.useNavigate();
    const zone = usePerson().timezone;
    const now = useNow(zone);
    const today = now.slice(0, 10);
    const calendars = useCalendars();
    const overlays = useOverlays();
    const laneDays = useLaneDays();
    const [draft, setDraft] = useState<Draft | null>(null);
    const [asking, setAsking] = useState<{ item: Item; day: string } | null>(null);
    const [keyOpen, setKeyOpen] = useState(false);
    const { move } = useEventActions();

    const remembered = localStorage.getItem(LAST);
    const known = (slug: string | null | undefined) => slug === 'all' || overlays.data?.some((each) => each.slug === slug) === true;
    const overlay = search.overlay ?? (known(remembered) ? (remembered ?? 'all') : (overlays.data?.[0]?.slug ?? 'all'));
    const single = calendars.data?.find((each) => each.slug === search.calendar);
    const view = search.view ?? (search.calendar === undefined ? null : single?.openingView) ?? overlays.data?.find((each) => each.slug === overlay)?.openingView ?? 'lanes';
    const date = search.date ?? today;
    const { span, focus } = useMemo(() => windowOf(view, date, laneDays, single?.firstDay ?? 'MO'), [view, date, laneDays, single?.firstDay]);
    const through = useMemo(
        () => ({ overlay, calendar: search.calendar, as: search.as, zone, categories: search.categories ?? [] }),
        [overlay, search.calendar, search.as, zone, search.categories],
    );
    const sheet = useSheet(through, span, overlays.isSuccess);
    const hidden = useMemo(() => new Set(search.off ?? []), [search.off]);

    useEffect(() => {
        if (overlays.isSuccess && search.overlay !== undefined) localStorage.setItem(LAST, search.overlay);
    }, [overlays.isSuccess, search.overlay]);

    const go = useCallback(
        (change: Partial<RotaSearch>) => void navigate({ search: (before: RotaSearch) => ({ ...before, ...change }) }),
        [navigate],
    );
    const startMove = (item: Item, day: string, scope: Scope) => move.mutate({ item, scope, day });

    const mutateMove = move.mutate;
    const rota = useMemo<Rota>(
        () => ({
            search, go, overlay, view, date, today, now, zone, span, focus, hidden, through,
            sheet: sheet.data,
            step: (direction) => go({ date: stepped(view, date, laneDays, direction) }),
            begin: (day, target, time = '09:00') => {
                if (search.as !== undefined) return;
                const first = calendars.data?.find((each) => each.mayAdd);
                // Most likely first: the row it was begun in, then the overlay's own calendars, then any.
                const inView = sheet.data?.layers.find((layer, index) => layer.target !== null && !hidden.has(index))?.target;
                const calendar = target ?? inView ?? first?.slug;
                if (calendar === undefined) return;
                go({ event: undefined, occurrence: undefined });
                setDraft({ calendar, title: '', allDay: false, start: `${day}T${time}`, end: addMinutes(`${day}T${time}`, 60) });
            },
            open: (item) => {
                setDraft(null);
                go({ event: item.id, occurrence: item.occurrence ?? undefined });
            },
            move: (item, day) => (item.repeats ? setAsking({ item, day }) : mutateMove({ item, scope: null, day })),
        }),
        [search, go, overlay, view, date, today, now, zone, span, focus, hidden, through, sheet.data, laneDays, calendars.data, mutateMove],
    );
    const drafting = useMemo(() => ({ draft, setDraft }), [draft]);
    const aside = draft !== null || search.event !== undefined;

    return (
        <RotaContext.Provider value={rota}>
            <DraftContext.Provider value={drafting}>
            <div className="flex h-full flex-col">
                <RotaHeader onKey={() => setKeyOpen((open) => !open)} />
                <div className="flex min-h-0 flex-1">
                    <main className={clsx('flex min-w-0 flex-1 flex-col', search.as !== undefined && 'border-8 border-ink')} aria-label="Rota">
                        <CalendarNotice />
                        <Ruler through={through} enabled={overlays.isSuccess} />
                        <SheetControls />
                        <div className="min-h-0 flex-1 overflow-auto bg-sheet" aria-busy={sheet.isFetching}>
                            {sheet.isError || overlays.isError ? (
                                <Failed error={sheet.error ?? overlays.error} retry={() => void sheet.refetch()} />
                            ) : sheet.data === undefined ? (
                                <Loading what="the sheet" />
                            ) : sheet.data.layers.length === 0 ? (
                                <EmptySheet />
                            ) : (
                                <SheetBoard sheet={sheet.data} />
                            )}
                        </div>
                    </main>
                    {aside ? <EventAside /> : <Key open={keyOpen} onClose={() => setKeyOpen(false)} />}
                </div>
            </div>
            {asking !== null && (
                <SeriesQuestion
                    title={`Move “${asking.item.title}”`}
                    onClose={() => setAsking(null)}
                    onOne={() => startMove(asking.item, asking.day, asking.item.occurrence)}
                    onAll={() => startMove(asking.item, asking.day, null)}
                />
            )}
            </DraftContext.Provider>
        </RotaContext.Provider>
    );
}
