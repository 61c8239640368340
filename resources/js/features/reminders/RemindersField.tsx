import { X } from 'lucide-react';
import { Field } from '@/components/Field';
import { reminderWords } from './reminderWords';

const OFFERED = [0, 10, 30, 60, 120, 1440, 2880, 10_080];

type Props = { chosen: number[]; onChange: (minutes: number[]) => void; error: string | undefined };

/** Reminders go out with feeds and files; none is set unless somebody wants one. */
export function RemindersField({ chosen, onChange, error }: Props) {
    return (
        <div>
            <Field label="Remind everyone who follows it" error={error} hint={chosen.length === 0 ? 'None. They go out with feeds and files.' : undefined}>
                {(control) => (
                    <select {...control} value="" onChange={(event) => event.target.value !== '' && onChange([...chosen, Number(event.target.value)].sort((a, b) => a - b))}>
                        <option value="">add a reminder…</option>
                        {OFFERED.filter((each) => !chosen.includes(each)).map((each) => (
                            <option key={each} value={each}>
                                {reminderWords(each)}
                            </option>
                        ))}
                    </select>
                )}
            </Field>
            {chosen.length > 0 && (
                <ul aria-label="Reminders" className="mt-1 flex flex-wrap gap-1">
                    {chosen.map((each) => (
                        <li key={each} className="flex items-center border border-line bg-sheet pl-1.5 text-xs">
                            {reminderWords(each)}
                            <button type="button" className="grid size-6 place-items-center" aria-label={`No reminder ${reminderWords(each)}`} onClick={() => onChange(chosen.filter((other) => other !== each))}>
                                <X size={12} />
                            </button>
                        </li>
                    ))}
                </ul>
            )}
        </div>
    );
}
