import { CalendarChips } from '@/features/calendars/CalendarChips';
import type { Calendar } from '@/features/calendars/useCalendars';
import type { UnderstoodLine } from './useLine';

/** So many at once can be told apart at a glance. */
const MOST = 6;

type Props = { line: UnderstoodLine; targets: readonly Calendar[]; chosen: Calendar | undefined; onChoose: (slug: string) => void };

/** On which calendar the event of a line would go; where it would not be seen here, that is said before it is added. */
export function LineTarget({ line, targets, chosen, onChoose }: Props) {
    const shows = targets.filter((each) => line.showsOn.includes(each.slug)).sort((a, b) => line.showsOn.indexOf(a.slug) - line.showsOn.indexOf(b.slug));
    const unseen = chosen !== undefined && !line.showsOn.includes(chosen.slug);
    const others = (shows.length > 0 ? shows : targets).slice(0, MOST);
    const chips = chosen === undefined || others.includes(chosen) ? others : [chosen, ...others.slice(0, MOST - 1)];
    return (
        <div className="border-t border-line px-2.5 py-1.5">
            {chosen === undefined && <p className="mb-1 font-semibold text-pin-ink">Choose the calendar it goes on.</p>}
            {unseen && (
                <p className="mb-1" role="status">
                    On <b className="font-semibold">{chosen.name}</b> it will not show here.{shows.length > 0 && ' It would on:'}
                </p>
            )}
            <CalendarChips label="Goes on" calendars={chips} chosen={chosen?.slug} onChoose={onChoose} />
        </div>
    );
}
