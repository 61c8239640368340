import { useMemo } from 'react';
import { toast } from '@/toast/toast';
import { useCalendars } from '@/features/calendars/useCalendars';
import { useOrganisationName, usePerson } from '@/features/session/useSession';
import type { Move } from '@/features/sheet/landing';
import { addDays, addMinutes } from '@/time/dates';
import { useNow } from '@/time/useNow';
import type { Draft, Rota } from '@/features/sheet/RotaContext';
import type { RotaSearch } from '@/features/sheet/rotaSearch';
import { useOverlays } from '@/features/overlays/useOverlays';
import { useSheet } from '@/features/sheet/useSheet';
import { stepped, useLaneDays, windowOf } from './useWindow';

type Doing = { setDraft: (draft: Draft | null) => void; move: (move: Move) => void };

let beginnings = 0;
const LAST = 'rota.overlay';

const TABLE_DAYS = 180;

/** A sheet and all that is known and can be done there: what the address says, made whole. */
export function usePane(search: RotaSearch, go: Rota['go'], { setDraft, move }: Doing) {
    const zone = usePerson().timezone;
    const firstMonth = useOrganisationName().firstMonth ?? 1;
    const now = useNow(zone);
    const today = now.slice(0, 10);
    const calendars = useCalendars();
    const overlays = useOverlays();
    const fitting = useLaneDays();
    const halved = search.beside !== undefined && fitting === 14 ? 7 : fitting;
    const laneDays = search.weeks === undefined || fitting === 3 ? halved : search.weeks * 7;

    const remembered = localStorage.getItem(LAST);
    const known = (slug: string | null | undefined) => slug === 'all' || overlays.data?.some((each) => each.slug === slug) === true;
    const overlay = search.overlay ?? (known(remembered) ? (remembered ?? 'all') : (overlays.data?.[0]?.slug ?? 'all'));
    const single = calendars.data?.find((each) => each.slug === search.calendar);
    const view = search.view ?? (search.calendar === undefined ? null : single?.openingView) ?? overlays.data?.find((each) => each.slug === overlay)?.openingView ?? 'lanes';
    const date = search.date ?? today;
    const { span, focus } = useMemo(() => windowOf(view, date, laneDays, single?.firstDay ?? 'MO', search.period, firstMonth), [view, date, laneDays, single?.firstDay, search.period, firstMonth]);
    const group = view === 'lanes' ? (search.group ?? 'layer') : 'layer';
    const through = useMemo(
        () => ({ overlay, calendar: search.calendar, as: search.as, zone, categories: search.categories ?? [], words: search.words, people: search.people ?? [], group }),
        [overlay, search.calendar, search.as, zone, search.categories, search.words, search.people, group],
    );
    // Of a table the sheet has layers and counts: what is near tells enough.
    const drawn = useMemo(() => (view === 'table' ? { from: date, to: addDays(date, TABLE_DAYS) } : span), [view, date, span]);
    const sheet = useSheet(through, drawn, overlays.isSuccess);
    const hidden = useMemo(() => new Set(search.off ?? []), [search.off]);

    const rota = useMemo<Rota>(
        () => ({
            search, go, overlay, view, date, today, now, zone, span, focus, hidden, through, move,
            sheet: sheet.data,
            step: (direction) => go({ date: stepped(view, date, laneDays, direction) }),
            chosen: (item) => search.event === item.id && (search.occurrence ?? null) === item.occurrence,
            begin: ({ start, end, allDay, calendar: target, title = '', ...has }) => {
                if (search.as !== undefined) return;
                const write = (on: string) => {
                    go({ event: undefined, occurrence: undefined });
                    setDraft({ ...has, begun: ++beginnings, calendar: on, title, allDay, start, end: end ?? (allDay ? addDays(start, 1) : addMinutes(start, 60)) });
                };
                const first = calendars.data?.find((each) => each.mayAdd);
                if (single !== undefined && !single.mayAdd && target === null) {
                    // Said at once, not at saving.
                    return void toast.error(`You may look at “${single.name}”, not add to it.`, first === undefined ? {} : { action: { label: `Add to ${first.name}`, onClick: () => write(first.slug) } });
                }
                // Most likely first: the row it was begun in, then the overlay's own calendars, then any.
                const inView = sheet.data?.layers.find((layer, index) => layer.target !== null && !hidden.has(index))?.target;
                const calendar = target ?? inView ?? first?.slug;
                if (calendar === undefined) return void toast.error('There is no calendar yet that you may add to.');
                write(calendar);
            },
            open: (item) => {
                setDraft(null);
                go({ event: item.id, occurrence: item.occurrence ?? undefined });
            },
            refuse: (why) => void toast.error(why),
        }),
        [search, go, overlay, view, date, today, now, zone, span, focus, hidden, through, sheet.data, laneDays, calendars.data, single, setDraft, move],
    );
    return { rota, sheet, overlays };
}

/** Remembers, in this browser, through which overlay was looked last. */
export function rememberOverlay(slug: string): void {
    localStorage.setItem(LAST, slug);
}
