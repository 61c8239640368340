import { useState } from 'react';
import { answered, api, type Schemas } from '@/api/client';
import { problemOf, useAction } from '@/api/useAction';
import { SubjectPicker } from '@/features/directory/SubjectPicker';
import { toast } from '@/toast/toast';

type Guest = Schemas['GuestsInput']['guests'][number];

/** Asks somebody else to an event, for who is asked to it themselves: a person of the directory, or a mail address. */
export function BringOthers({ event }: { event: Schemas['Event'] }) {
    // What was chosen is sent at once; the field is empty for the next one then.
    const [next, setNext] = useState(0);
    const bring = useAction((guest: Guest) => answered(api.POST('/events/{id}/guests', { params: { path: { id: event.id } }, body: { guests: [guest], occurrence: event.occurrence } })), {
        onDone: (_, { name }) => {
            setNext((number) => number + 1);
            toast(`${name ?? 'They'} ${name == null ? 'are' : 'is'} asked, too.`);
        },
        quiet: true,
    });
    const problem = problemOf(bring);
    return (
        <span aria-busy={bring.isPending}>
            <SubjectPicker
                key={next}
                entry={null}
                label="Ask somebody else, too"
                onAddress={(address) => bring.mutate({ kind: 'address', address, name: address })}
                onChange={(entry) => {
                    if (entry?.kind === 'person' && entry.id != null) bring.mutate({ kind: 'person', id: entry.id, name: entry.name });
                }}
            />
            {problem !== null && (
                <span role="alert" className="block text-xs font-semibold text-pin-ink">
                    {problem.fields[0]?.message ?? problem.message}
                </span>
            )}
        </span>
    );
}
