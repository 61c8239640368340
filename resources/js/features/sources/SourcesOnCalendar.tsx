import { useQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { answered, api, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { Button } from '@/components/Button';
import { Mark } from '@/components/Mark';
import { usePinning, type To } from './usePinning';

/** The sources of which all is pinned to a calendar, for those who may change what is on it. */
export function SourcesOnCalendar({ slug, name }: To) {
    const pins = useQuery({ queryKey: queryKeys.sourcesOn(slug), queryFn: ({ signal }) => answered(api.GET('/calendars/{slug}/sources', { params: { path: { slug } }, signal })) });
    if (pins.data === undefined || pins.data.length === 0) return null;
    return (
        <ul aria-label="Sources pinned here" className="mb-3 border-t border-line">
            {pins.data.map((pin) => (
                <SourceOnCalendar key={pin.id} pin={pin} to={{ slug, name }} />
            ))}
        </ul>
    );
}

function SourceOnCalendar({ pin: { id, source, calendar, by, shared, mayUnpin }, to }: { pin: Schemas['SourcePin']; to: To }) {
    const called = calendar?.name ?? 'A source that you do not see';
    const { pin, unpin, isBusy } = usePinning({ id: source, name: called });
    return (
        <li className="flex min-h-11 flex-wrap items-center gap-x-3 gap-y-1 border-b border-line py-1">
            {calendar !== null && <Mark mark={calendar.mark} ink={calendar.colour} size={14} />}
            <span className="min-w-48 flex-1">
                {calendar === null ? (
                    <i>{called}</i>
                ) : (
                    <>
                        All of{' '}
                        <Link to="/calendars/$slug" params={{ slug: calendar.slug }} className="font-semibold hover:underline">
                            {called}
                        </Link>
                    </>
                )}
                <span className="block text-xs text-soft">
                    pinned by {by ?? 'somebody who has left'}
                    {!shared && ': they do not see it any more, so nothing of it shows'}
                </span>
            </span>
            {!shared && calendar !== null && (
                <Button look="primary" disabled={isBusy} onClick={() => pin(to)} aria-label={`Pin it again: ${called}`}>
                    Pin it again
                </Button>
            )}
            {mayUnpin && (
                <Button disabled={isBusy} onClick={() => unpin(id, to)} aria-label={`Take it off: ${called}`}>
                    Take it off
                </Button>
            )}
        </li>
    );
}
