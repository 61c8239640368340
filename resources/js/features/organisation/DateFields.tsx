import type { Problem } from '@/api/client';
import { Field } from '@/components/Field';
import { ZoneField } from '@/components/ZoneField';
import { formatDate } from '@/time/dates';
import type { Organisation, OrganisationInput } from './useOrganisation';

const MONTHS = Array.from({ length: 12 }, (_, index) => index + 1);

type Props = { is: Pick<Organisation, 'timezone' | 'dayFirst' | 'firstMonth'>; put: (part: OrganisationInput) => void; problem: Problem | null };

/** How dates are meant here: their zone, their order, and when a year begins. */
export function DateFields({ is, put, problem }: Props) {
    return (
        <div className="flex flex-wrap gap-3">
            <ZoneField className="w-48" value={is.timezone} error={problem?.field('timezone')} onChange={(timezone) => put({ timezone })} />
            <Field label="2/11 is" className="w-40">
                {(control) => (
                    <select {...control} value={is.dayFirst ? 'day' : 'month'} onChange={(event) => put({ dayFirst: event.target.value === 'day' })}>
                        <option value="day">2 November</option>
                        <option value="month">11 February</option>
                    </select>
                )}
            </Field>
            <Field label="Your year begins in" className="w-48">
                {(control) => (
                    <select {...control} value={is.firstMonth ?? ''} onChange={(event) => put({ firstMonth: event.target.value === '' ? null : Number(event.target.value) })}>
                        <option value="">January, as the calendar’s</option>
                        {MONTHS.slice(1).map((month) => (
                            <option key={month} value={month}>
                                {formatDate(`2026-${String(month).padStart(2, '0')}-01`, 'month')}
                            </option>
                        ))}
                    </select>
                )}
            </Field>
        </div>
    );
}
