import { Mark } from '@/components/Mark';
import { calendarLabel } from './calendarLabel';
import { useCalendars, type Calendar } from './useCalendars';

type Props = { calendars: readonly Calendar[]; chosen: string | undefined; onChoose: (slug: string) => void; label: string };

/** Calendars in their colours, one of which is taken with one click. */
export function CalendarChips({ calendars, chosen, onChoose, label }: Props) {
    const all = useCalendars();
    if (calendars.length === 0) return null;
    return (
        <div role="group" aria-label={label} className="flex flex-wrap gap-1">
            {calendars.map((each) => (
                <button
                    key={each.slug}
                    type="button"
                    data-ink={each.colour}
                    aria-pressed={each.slug === chosen}
                    className="flex min-h-6 pointer-coarse:min-h-11 pointer-coarse:min-w-11 max-w-full items-center gap-1 border border-line px-1.5 text-[11.5px] text-(--k) hover:border-(--k) aria-pressed:border-(--k) aria-pressed:bg-[color-mix(in_srgb,var(--k)_12%,var(--sheet))] aria-pressed:font-semibold"
                    onMouseDown={(event) => event.preventDefault()}
                    onClick={() => onChoose(each.slug)}
                >
                    <Mark mark={each.mark} size={10} /> <span className="truncate">{calendarLabel(each, all.data)}</span>
                </button>
            ))}
        </div>
    );
}
