import type { Schemas } from '@/api/client';
import { TimeField } from '@/components/TimeField';
import { usePerson } from '@/features/session/useSession';

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
    const zone = usePerson().timezone;
    const change = (day: string, part: Partial<Span>) => onChange(hours.map((each, index) => (index === hours.findIndex((one) => one.day === day) ? { ...each, ...part } : each)));
    return (
        <fieldset>
            <legend className="mb-1 text-xs text-soft">Working hours</legend>
            <ul className="grid gap-1">
                {DAYS.map(([day, name]) => {
                    const span = hours.find((each) => each.day === day);
                    return (
                        <li key={day} className="flex items-center gap-2">
                            <label className="hit w-32 gap-2">
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
                                    <TimeField label={`${name} from`} hidesLabel className="w-28" zone={zone} value={span.from} onChange={(time) => change(day, { from: time })} />
                                    <span aria-hidden="true">–</span>
                                    <TimeField label={`${name} to`} hidesLabel className="w-28" zone={zone} value={span.to} onChange={(time) => change(day, { to: time })} />
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
