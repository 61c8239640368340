import { Field } from '@/components/Field';
import { usePerson } from '@/features/session/useSession';
import type { Participant } from './participants';

type Props = { participants: Participant[]; /** Null: whoever added the event. */ organiser: number | null; onChange: (id: number | null) => void };

/** Who asks the others: whoever added the event, unless somebody else is chosen. */
export function OrganiserField({ participants, organiser, onChange }: Props) {
    const person = usePerson();
    const people = participants.filter((each) => each.kind === 'person' && each.id !== null);
    if (people.length === 0) return null;
    return (
        <Field label="Organised by">
            {(control) => (
                <select {...control} value={organiser ?? ''} onChange={(event) => onChange(event.target.value === '' ? null : Number(event.target.value))}>
                    <option value="">whoever adds it</option>
                    {!people.some((each) => each.id === person.id) && <option value={person.id}>{person.name}</option>}
                    {people.map((each) => (
                        <option key={each.id} value={each.id ?? ''}>
                            {each.name}
                        </option>
                    ))}
                </select>
            )}
        </Field>
    );
}
