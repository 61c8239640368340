import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { toast } from '@/toast/toast';
import { answered, api } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { problemOf, useAction } from '@/api/useAction';
import { Button } from '@/components/Button';
import { Dialog } from '@/components/Dialog';
import { CheckField, FormProblem, TextField } from '@/components/Field';
import { ZoneField } from '@/components/ZoneField';
import { HoursFields } from '@/features/directory/HoursFields';
import { usePerson } from '@/features/session/useSession';

/** One's own name, time zone and working hours, and what comes by mail. */
export function SelfDialog({ onClose }: { onClose: () => void }) {
    const person = usePerson();
    const client = useQueryClient();
    const [input, setInput] = useState({ name: person.name, timezone: person.timezone, workingHours: person.workingHours, invitationsByMail: person.invitationsByMail, quietHours: person.quietHours });
    const save = useAction(() => answered(api.PATCH('/session/person', { body: input })), {
        onDone: (session) => {
            client.setQueryData(queryKeys.session, session);
            const changed = [input.name !== person.name && 'Name', input.timezone !== person.timezone && 'Time zone', JSON.stringify(input.workingHours) !== JSON.stringify(person.workingHours) && 'Hours', (input.invitationsByMail !== person.invitationsByMail || input.quietHours !== person.quietHours) && 'Mail'].filter((each) => each !== false);
            toast(changed.length === 0 ? 'Nothing was changed.' : `${changed.join(', ')} saved.`);
            onClose();
        },
        quiet: true,
    });
    const problem = problemOf(save);
    return (
        <Dialog open onOpenChange={onClose} title="You and your hours">
            <form
                className="flex flex-col gap-3"
                noValidate
                onSubmit={(event) => {
                    event.preventDefault();
                    save.mutate();
                }}
            >
                <TextField label="Name" value={input.name} error={problem?.field('name')} autoComplete="name" onChange={(event) => setInput({ ...input, name: event.target.value })} />
                <ZoneField hint="The sheet tells times in this zone." value={input.timezone} error={problem?.field('timezone')} onChange={(timezone) => setInput({ ...input, timezone })} />
                <HoursFields hours={input.workingHours} error={problem?.field('workingHours')} onChange={(workingHours) => setInput({ ...input, workingHours })} />
                <CheckField label="What I am asked to take part in or to prepare comes by mail, too" checked={input.invitationsByMail} onChange={(event) => setInput({ ...input, invitationsByMail: event.target.checked })} />
                <TextField label="No letters at these hours" hint="Such as 22-7. What is within a day comes all the same." value={input.quietHours} error={problem?.field('quietHours')} onChange={(event) => setInput({ ...input, quietHours: event.target.value })} />
                {problem !== null && problem.fields.length === 0 && <FormProblem>{problem.message}</FormProblem>}
                <div className="flex justify-end gap-2">
                    <Button onClick={onClose}>Cancel</Button>
                    <Button type="submit" look="primary" disabled={save.isPending}>
                        Save
                    </Button>
                </div>
            </form>
        </Dialog>
    );
}
