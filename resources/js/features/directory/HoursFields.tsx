import type { Schemas } from '@/api/client';
import { CONTROL } from '@/components/Field';

export type Span = Schemas['WorkingSpan'];

const DAYS = [
    ['MO', 'Monday'],
    ['TU', 'Tuesday'],
    ['WE', 'Wednesday'],
    ['TH', 'Thursday'],
    ['FR', 'Friday'],
    ['SA', 'Saturday'],
    ['SU', 'Sunday'],
] as const;

/** When somebody works: a span a day. What a day has besides, from elsewhere, stays as it is. */
export function HoursFields({ hours, onChange, error }: { hours: Span[]; onChange: (hours: Span[]) => void; error: string | undefined }) {
    const change = (day: string, part: Partial<Span>) => onChange(hours.map((each, index) => (index === hours.findIndex((one) => one.day === day) ? { ...each, ...part } : each)));
    return (
        <fieldset>
            <legend className="mb-1 text-xs text-soft">Working hours</legend>
            <ul className="grid gap-1">
                {DAYS.map(([day, name]) => {
                    const span = hours.find((each) => each.day === day);
                    return (
                        <li key={day} className="flex items-center gap-2">
                            <label className="flex w-32 items-center gap-2">
                                <input
                                    type="checkbox"
                                    className="size-4 accent-(--ink)"
                                    checked={span !== undefined}
                                    onChange={(event) => onChange(event.target.checked ? [...hours, { day, from: '09:00', to: '17:00' }] : hours.filter((each) => each.day !== day))}
                                />
                                {name}
                            </label>
                            {span !== undefined && (
                                <>
                                    <input type="time" aria-label={`${name} from`} className={`${CONTROL} w-28!`} value={span.from} onChange={(event) => change(day, { from: event.target.value })} />
                                    <span aria-hidden="true">–</span>
                                    <input type="time" aria-label={`${name} to`} className={`${CONTROL} w-28!`} value={span.to} onChange={(event) => change(day, { to: event.target.value })} />
                                </>
                            )}
                        </li>
                    );
                })}
            </ul>
            {error !== undefined && (
                <p role="alert" className="text-xs font-semibold text-pin-ink">
                    {error}
                </p>
            )}
        </fieldset>
    );
}
