import { useMemo } from 'react';
import { toast } from '@/toast/toast';
import { useCalendars } from '@/features/calendars/useCalendars';
import { useOrganisationName, usePerson } from '@/features/session/useSession';
import type { Move } from '@/features/sheet/landing';
import { addDays } from '@/time/dates';
import { useNow } from '@/time/useNow';
import type { Beginning, Draft, Rota } from '@/features/sheet/RotaContext';
import { noteOpener } from '@/features/sheet/sheetFocus';
import { isThroughOverlay, type RotaSearch } from '@/features/sheet/rotaSearch';
import { useOverlays } from '@/features/overlays/useOverlays';
import { useSheet } from '@/features/sheet/useSheet';
import { useBegin } from './useBegin';
import { stepped, useLaneDays, windowOf } from './useWindow';
import { storage } from '@/offline/storage';

type Doing = { setDraft: (draft: Draft | null) => void; move: (move: Move) => void; deleteItem: Rota['remove'] };

const LAST = 'rota.overlay';

const TABLE_DAYS = 180;

/** A sheet and all that is known and can be done there: what the address says, made whole. */
export function usePane(search: RotaSearch, go: Rota['go'], { setDraft, move, deleteItem }: Doing) {
    const zone = usePerson().timezone;
    const firstMonth = useOrganisationName().firstMonth ?? 1;
    const now = useNow(zone);
    const today = now.slice(0, 10);
    const calendars = useCalendars();
    const overlays = useOverlays();
    const fitting = useLaneDays();
    const halved = search.beside !== undefined && fitting === 14 ? 7 : fitting;
    const laneDays = search.weeks === undefined || fitting === 3 ? halved : search.weeks * 7;

    const remembered = storage.getItem(LAST);
    const known = (slug: string | null | undefined) => slug === 'all' || overlays.data?.some((each) => each.slug === slug) === true;
    const overlay = search.overlay ?? (known(remembered) ? (remembered ?? 'all') : (overlays.data?.[0]?.slug ?? 'all'));
    const single = calendars.data?.find((each) => each.slug === search.calendar);
    const opens = overlays.data?.find((each) => each.slug === overlay);
    const ofGroup = search.of?.startsWith('group:') === true;
    const asked = search.view ?? (search.of !== undefined ? (ofGroup ? 'lanes' : 'week') : search.calendar === undefined ? null : single?.openingView) ?? opens?.openingView ?? 'lanes';
    const view = search.of !== undefined && asked === 'table' ? 'list' : asked;
    const opening = (isThroughOverlay(search) ? opens?.openingTable : null) ?? null;
    const period = search.period ?? opening?.period ?? 'half';
    const date = search.date ?? today;
    const { span, focus } = useMemo(() => windowOf(view, date, laneDays, single?.firstDay ?? 'MO', period, firstMonth), [view, date, laneDays, single?.firstDay, period, firstMonth]);
    const group = view === 'lanes' ? (search.group ?? (ofGroup ? 'person' : 'layer')) : 'layer';
    const through = useMemo(
        () => ({ overlay, calendar: search.calendar, of: search.of, as: search.as, zone, categories: search.categories ?? [], words: search.words, people: search.people ?? [], group }),
        [overlay, search.calendar, search.of, search.as, zone, search.categories, search.words, search.people, group],
    );
    // Of a table the sheet has layers and counts: what is near tells enough.
    const drawn = useMemo(() => (view === 'table' ? { from: date, to: addDays(date, TABLE_DAYS) } : span), [view, date, span]);
    const sheet = useSheet(through, drawn, overlays.isSuccess);
    const hidden = useMemo(() => new Set(search.off ?? []), [search.off]);

    // On the sheet of somebody, or of a room, they are meant to take part.
    const partyName = sheet.data?.layers[0]?.name;
    const taking = useMemo(() => takingPart(search.of, partyName), [search.of, partyName]);
    const begin = useBegin({ search, go, calendars: calendars.data, single, layers: sheet.data?.layers, failed: sheet.isError, hidden, taking, overlay: single?.slug ?? overlay, setDraft });
    const rota = useMemo<Rota>(
        () => ({
            search, go, overlay, opening, period, view, date, today, now, zone, span, focus, hidden, through, move,
            sheet: sheet.data,
            step: (direction) => go({ date: stepped(view, date, laneDays, direction) }),
            chosen: (item) => search.event === item.id && (search.occurrence ?? null) === item.occurrence,
            begin,
            open: (item) => {
                noteOpener();
                setDraft(null);
                go({ event: item.id, occurrence: item.occurrence ?? undefined });
            },
            remove: (item) => {
                if (search.as === undefined) deleteItem(item);
            },
            refuse: (why) => void toast.error(why),
        }),
        [search, go, overlay, opening, period, view, date, today, now, zone, span, focus, hidden, through, sheet.data, laneDays, setDraft, move, deleteItem, begin],
    );
    return { rota, sheet, overlays };
}

/** Whoever or whatever the sheet is of, taking part in what is begun there. */
function takingPart(of: string | undefined, name: string | undefined): Pick<Beginning, 'participants'> {
    const [kind, id] = of?.split(':') ?? [];
    if (name === undefined || (kind !== 'person' && kind !== 'room')) return {};
    return { participants: [{ kind, id: Number(id), name, part: kind === 'person' ? 'responsible' : 'required', answer: 'accepted' }] };
}

/** Remembers, in this browser, through which overlay was looked last. */
export function rememberOverlay(slug: string): void {
    storage.setItem(LAST, slug);
}
