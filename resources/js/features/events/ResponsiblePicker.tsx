import { X } from 'lucide-react';
import { SubjectPicker } from '@/features/access/SubjectPicker';
import type { EventValues } from './eventValues';

type Props = { chosen: EventValues['responsible']; onChange: (chosen: EventValues['responsible']) => void; error: string | undefined };

/** Whose event it is, apart from where it is. */
export function ResponsiblePicker({ chosen, onChange, error }: Props) {
    return (
        <div>
            <SubjectPicker
                entry={null}
                label="Responsible"
                kind="person"
                onChange={(entry) => entry?.id != null && !chosen.some((each) => each.id === entry.id) && onChange([...chosen, { id: entry.id, name: entry.name }])}
            />
            {chosen.length > 0 && (
                <ul className="mt-1.5 flex flex-wrap gap-1.5">
                    {chosen.map((each) => (
                        <li key={each.id} className="flex items-center gap-1 border border-ink px-1.5">
                            {each.name}
                            <button type="button" className="grid size-6 place-items-center" onClick={() => onChange(chosen.filter((other) => other.id !== each.id))} aria-label={`${each.name} is not responsible`}>
                                <X size={13} />
                            </button>
                        </li>
                    ))}
                </ul>
            )}
            {error !== undefined && (
                <p role="alert" className="mt-1 text-xs font-semibold text-pin-ink">
                    {error}
                </p>
            )}
        </div>
    );
}
