import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { answered, api } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { useAction } from '@/api/useAction';
import { Button } from '@/components/Button';
import { useCalendars } from '@/features/calendars/useCalendars';
import { toast } from '@/toast/toast';

type Props = { /** The calendar of an event, by its slug. */ calendar: string; /** Who is asked to take part in it, by id. */ people: readonly number[] };

/** Who is asked and does not see the calendar, with See to be given at once by whoever manages it. */
export function UnseeingNote({ calendar: slug, people }: Props) {
    const calendar = useCalendars().data?.find((each) => each.slug === slug);
    const asked = people.toSorted((one, other) => one - other);
    const unseeing = useQuery({
        queryKey: queryKeys.unseeing(slug, asked),
        queryFn: ({ signal }) => answered(api.GET('/calendars/{slug}/unseeing', { params: { path: { slug }, query: { 'people[]': asked } }, signal })),
        enabled: asked.length > 0 && calendar?.mayAdd === true,
        placeholderData: keepPreviousData,
    });
    const found = (unseeing.data ?? []).filter(({ id }) => asked.includes(id));
    const give = useAction(
        async () => {
            for (const { id } of found) await answered(api.PUT('/calendars/{slug}/grants', { params: { path: { slug } }, body: { kind: 'person', id, level: 'see', letter: false } }));
        },
        { onDone: () => void toast(`${namesOf(found)}: See on “${calendar?.name ?? ''}”.`) },
    );
    if (calendar === undefined || found.length === 0) return null;
    return (
        <div role="status" className="mt-1.5 flex flex-wrap items-center gap-2 border-l-[3px] border-pin bg-wash px-2 py-1">
            <span className="min-w-40 flex-1">
                {namesOf(found)} {found.length === 1 ? 'does' : 'do'} not see “{calendar.name}”: of it they see what they are asked to, and nothing else.
                {calendar.level !== 'manage' && ' Those who manage it can let them see it.'}
            </span>
            {calendar.level === 'manage' && (
                <Button disabled={give.isPending} onClick={() => give.mutate()}>
                    Let them see it
                </Button>
            )}
        </div>
    );
}

/** “Ann, Ben and 3 others”. */
function namesOf(people: readonly { name: string }[]): string {
    const names = people.map(({ name }) => name);
    if (names.length > 3) return `${names.slice(0, 2).join(', ')} and ${names.length - 2} others`;
    return names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
}
