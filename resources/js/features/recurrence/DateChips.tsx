import { X } from 'lucide-react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { TextField } from '@/components/Field';
import { formatDate, isDate, timeOfDay } from '@/time/dates';

type Props = { label: string; dates: string[]; onChange: (dates: string[]) => void; error: string | undefined };

/** Days, one by one, with the time where it is another than that of the series. */
export function DateChips({ label, dates, onChange, error }: Props) {
    const [added, setAdded] = useState('');
    const add = () => {
        if (!isDate(added)) return;
        if (!dates.includes(added)) onChange([...dates, added].sort());
        setAdded('');
    };
    return (
        <div>
            <div className="flex items-end gap-1.5">
                <TextField
                    label={label}
                    type="date"
                    fieldClassName="min-w-0 flex-1"
                    error={error}
                    value={added}
                    onChange={(event) => setAdded(event.target.value)}
                    onKeyDown={(event) => {
                        if (event.key === 'Enter') {
                            event.preventDefault();
                            add();
                        }
                    }}
                />
                <Button onClick={add} disabled={!isDate(added)} aria-label={`${label} this day`}>
                    Put
                </Button>
            </div>
            {dates.length > 0 && (
                <ul aria-label={label} className="mt-1 flex flex-wrap gap-1">
                    {dates.map((date) => {
                        const name = `${formatDate(date.slice(0, 10), 'weekdayDay')} ${date.slice(0, 4)}${date.length > 10 ? ` ${timeOfDay(date)}` : ''}`;
                        return (
                            <li key={date} className="flex items-center border border-line bg-sheet pl-1.5 text-xs">
                                {name}
                                <button type="button" className="grid size-6 place-items-center" aria-label={`No longer ${label.toLowerCase()} ${name}`} onClick={() => onChange(dates.filter((each) => each !== date))}>
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
