import { X } from 'lucide-react';
import { SubjectPicker } from '@/features/directory/SubjectPicker';
import { isNamed, type Participant } from './participants';

type Props = { chosen: Participant[]; onChange: (chosen: Participant[]) => void; error: string | undefined; /** What a room that takes part means besides. */ onRoom: (name: string) => void };

const PARTS: Record<Participant['part'], string> = { responsible: 'responsible', required: 'required', optional: 'optional', informed: 'told of it' };

/** Whose event it is, and who else takes part: apart from where it is. */
export function ParticipantsPicker({ chosen, onChange, error, onRoom }: Props) {
    const without = (gone: Participant) => onChange(chosen.filter((each) => each !== gone));
    const known = chosen.filter(isNamed);
    const others = chosen.filter((each) => !isNamed(each) && each.memberOf == null);
    return (
        <div>
            <SubjectPicker
                entry={null}
                label="People, groups and rooms"
                onRoom={(room) => {
                    if (chosen.some((each) => each.kind === 'room' && each.id === room.id)) return;
                    onChange([...chosen, { kind: 'room', ...room, part: 'required', answer: 'accepted' }]);
                    onRoom(room.name);
                }}
                onAddress={(address) => {
                    if (chosen.some((each) => each.address === address.toLowerCase())) return;
                    onChange([...chosen, { kind: 'other', id: null, name: address, address: address.toLowerCase(), part: 'required', answer: 'unanswered' }]);
                }}
                onChange={(entry) => {
                    if (entry?.id == null || chosen.some((each) => each.kind === entry.kind && each.id === entry.id)) return;
                    onChange([...chosen, { kind: entry.kind, id: entry.id, name: entry.name, part: 'required', answer: 'unanswered', ...(entry.kind === 'group' ? { size: Number.parseInt(entry.about, 10) || 0 } : {}) }]);
                }}
            />
            {known.length > 0 && (
                <ul className="mt-1.5 flex flex-col gap-1" aria-label="Who takes part">
                    {known.map((each) => (
                        <li key={`${each.kind}:${each.id ?? each.address}`} className="flex items-center gap-1.5 border border-line bg-sheet pl-1.5">
                            <span className="min-w-0 flex-1 truncate" title={each.address ?? undefined}>
                                {each.name}
                                {each.kind === 'other' && <span className="text-soft"> by mail</span>}
                            </span>
                            <select
                                aria-label={`Part of ${each.name}`}
                                className="bg-transparent py-1 text-xs text-soft"
                                value={each.part}
                                onChange={(event) => onChange(chosen.map((other) => (other === each ? { ...each, part: event.target.value as Participant['part'] } : other)))}
                            >
                                {Object.entries(PARTS).map(([part, name]) => (
                                    <option key={part} value={part}>
                                        {name}
                                    </option>
                                ))}
                            </select>
                            <button type="button" className="grid size-6 place-items-center pointer-coarse:size-11" onClick={() => without(each)} aria-label={`Take ${each.name} off`}>
                                <X size={13} />
                            </button>
                        </li>
                    ))}
                </ul>
            )}
            {others.length > 0 && <p className="mt-1 text-xs text-soft">and from outside: {others.map((each) => each.name).join(', ')}</p>}
            {error !== undefined && (
                <p role="alert" className="mt-1 text-xs font-semibold text-pin-ink">
                    {error}
                </p>
            )}
        </div>
    );
}
