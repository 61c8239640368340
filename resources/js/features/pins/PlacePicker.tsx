import type { Schemas } from '@/api/client';
import { buttonLook } from '@/components/buttonLook';
import { calendarLabel } from '@/features/calendars/calendarLabel';

type Props = { label: string; name: string; calendars: Schemas['Calendar'][]; onChoose: (slug: string) => void };

/** A button that asks for a calendar, and does with it what it says. */
export function PlacePicker({ label, name, calendars, onChoose }: Props) {
    return (
        <label className={buttonLook('plain', 'relative border-line has-focus-visible:outline-2 has-focus-visible:outline-offset-2 has-focus-visible:outline-ink')}>
            {label}
            <select aria-label={name} className="absolute inset-0 w-full cursor-pointer opacity-0" value="" onChange={(chosen) => chosen.target.value !== '' && onChoose(chosen.target.value)}>
                <option value="">choose a calendar</option>
                {calendars.map((each) => (
                    <option key={each.slug} value={each.slug}>
                        {calendarLabel(each, calendars)}
                    </option>
                ))}
            </select>
        </label>
    );
}
