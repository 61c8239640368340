import { useQuery } from '@tanstack/react-query';
import { answered, api } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { useSettled } from '@/components/useSettled';
import { CalendarChips } from '@/features/calendars/CalendarChips';
import { useCalendars } from '@/features/calendars/useCalendars';
import { inViewOf } from '@/features/sheet/inView';
import { useRota } from '@/features/sheet/RotaContext';
import type { EventValues } from './eventValues';

const MOST = 4;

type Props = { values: EventValues; onChoose: (slug: string) => void };

/** Says before it is added that a new event would not show on this sheet, and on which calendars it would. */
export function ShowsNote({ values, onChoose }: Props) {
    const rota = useRota();
    const calendars = useCalendars();
    const { title, place, description, allDay, status, free, categories, participants } = values;
    const people = participants.filter((each) => each.kind === 'person' && each.id !== null);
    const ids = (of: typeof people) => of.flatMap((each) => (each.id === null ? [] : [each.id]));
    const asked = useSettled(
        JSON.stringify({
            ...inViewOf(rota),
            title, place, description, allDay, status, busy: !free, categories, people: ids(people), responsible: ids(people.filter((each) => each.part === 'responsible')),
        }),
        400,
    );
    const shows = useQuery({
        queryKey: queryKeys.shows(asked),
        queryFn: ({ signal }) => answered(api.POST('/sheet/shows', { body: JSON.parse(asked) as never, signal })),
        placeholderData: (before) => before,
    });
    const chosen = calendars.data?.find((each) => each.slug === values.calendar);
    if (chosen === undefined || shows.data === undefined || shows.data.on.includes(chosen.slug)) return null;
    const others = shows.data.on.flatMap((slug) => calendars.data?.filter((each) => each.slug === slug) ?? []).slice(0, MOST);
    return (
        <div role="status" className="border-l-[3px] border-pin pl-2.5 text-[12.5px]">
            <p>
                On <b className="font-semibold">{chosen.name}</b> it will not show on this sheet, as it is filtered.{others.length > 0 && ' It would on:'}
            </p>
            <div className="mt-1">
                <CalendarChips label="Shows here on" calendars={others} chosen={chosen.slug} onChoose={onChoose} />
            </div>
        </div>
    );
}
