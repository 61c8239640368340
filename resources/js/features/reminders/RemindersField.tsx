import { X } from 'lucide-react';
import { Field } from '@/components/Field';
import { OFFERED, reminderWords } from './reminderWords';

type Props = { chosen: number[]; onChange: (minutes: number[]) => void; error: string | undefined };

/** What is suggested to everybody; it goes out with feeds and files, and here whoever wants it takes it. */
export function RemindersField({ chosen, onChange, error }: Props) {
    return (
        <div>
            <Field label="Suggest a reminder" error={error} hint={chosen.length === 0 ? 'None. It goes out with feeds and files; here each takes it who wants it.' : undefined}>
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
                            <button type="button" className="grid size-6 place-items-center pointer-coarse:size-11" aria-label={`No reminder ${reminderWords(each)}`} onClick={() => onChange(chosen.filter((other) => other !== each))}>
                                <X size={12} />
                            </button>
                        </li>
                    ))}
                </ul>
            )}
        </div>
    );
}
