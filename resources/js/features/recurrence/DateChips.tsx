import { X } from 'lucide-react';
import { DateField } from '@/components/DateField';
import { formatFull, timeOfDay } from '@/time/dates';

type Props = { label: string; dates: string[]; onChange: (dates: string[]) => void; error: string | undefined; zone: string; today: string };

/** Days, one by one, with the time where it is another than that of the series. One that is understood is put among them at once. */
export function DateChips({ label, dates, onChange, error, zone, today }: Props) {
    return (
        <div>
            <DateField label={label} zone={zone} today={today} optional keepsEnter error={error} value="" onChange={(date) => date !== '' && !dates.includes(date) && onChange([...dates, date].sort())} />
            {dates.length > 0 && (
                <ul aria-label={label} className="mt-1 flex flex-wrap gap-1">
                    {dates.map((date) => {
                        const name = `${formatFull(date)}${date.length > 10 ? ` ${timeOfDay(date)}` : ''}`;
                        return (
                            <li key={date} className="flex items-center border border-line bg-sheet pl-1.5 text-xs">
                                {name}
                                <button type="button" className="grid size-6 place-items-center pointer-coarse:size-11" aria-label={`No longer ${label.toLowerCase()} ${name}`} onClick={() => onChange(dates.filter((each) => each !== date))}>
                                    <X size={12} />
                                </button>
                            </li>
                        );
                    })}
                </ul>
            )}
        </div>
    );
}
