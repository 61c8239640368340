import { useState } from 'react';
import { toast } from '@/toast/toast';
import { answered, api } from '@/api/client';
import { problemOf, useAction } from '@/api/useAction';
import { ROLES } from '@/api/generated/words';
import { Button } from '@/components/Button';
import { Dialog } from '@/components/Dialog';
import { CheckField, Field, FormProblem, TextField } from '@/components/Field';
import { ZoneField } from '@/components/ZoneField';
import { usePerson } from '@/features/session/useSession';
import { HoursFields } from '@/features/directory/HoursFields';
import { useSendsMail } from '@/features/site/useSite';
import { useGroups } from '@/features/directory/useGroups';
import type { DirectoryPerson } from './usePeople';

/** Adds a person, or changes what is said of one. */
export function PersonDialog({ person, onClose }: { person: DirectoryPerson | null; onClose: () => void }) {
    const self = usePerson();
    const groups = useGroups();
    const [input, setInput] = useState({
        name: person?.name ?? '',
        email: person?.email ?? '',
        post: person?.post ?? '',
        timezone: person?.timezone ?? self.timezone,
        role: person?.role ?? 'member',
        workingHours: person?.workingHours ?? [],
    });
    const [chosen, setChosen] = useState<number[]>([]);
    const sendsMail = useSendsMail();
    const [wanted, setWanted] = useState(true);
    const invite = wanted && sendsMail;
    const save = useAction(
        () => (person === null ? answered(api.POST('/people', { body: { ...input, groups: chosen, invite } })) : answered(api.PATCH('/people/{id}', { params: { path: { id: person.id } }, body: input }))),
        {
            onDone: (saved) => {
                toast(person === null ? `${saved.name} is added${invite ? ' and invited by mail' : ''}.` : `${saved.name} is changed.`);
                onClose();
            },
            quiet: true,
        },
    );
    const problem = problemOf(save);
    const told = new Set(['name', 'email', 'post', 'timezone', 'role', 'workingHours']);
    const rest = problem?.fields.find((each) => !told.has(each.field));
    return (
        <Dialog open onOpenChange={onClose} title={person === null ? 'Add somebody' : `Change ${person.name}`}>
            <form
                className="flex flex-col gap-3"
                noValidate
                onSubmit={(event) => {
                    event.preventDefault();
                    save.mutate();
                }}
            >
                <TextField label="Name" value={input.name} error={problem?.field('name')} autoComplete="off" autoFocus onChange={(event) => setInput({ ...input, name: event.target.value })} />
                <TextField label="Mail address" type="email" value={input.email} error={problem?.field('email')} autoComplete="off" onChange={(event) => setInput({ ...input, email: event.target.value })} />
                <TextField label="Post" hint="What they do, in a few words." value={input.post} error={problem?.field('post')} onChange={(event) => setInput({ ...input, post: event.target.value })} />
                <div className="grid grid-cols-2 gap-3">
                    <ZoneField value={input.timezone ?? ''} error={problem?.field('timezone')} onChange={(timezone) => setInput({ ...input, timezone })} />
                    <Field label="Role" error={problem?.field('role')}>
                        {(control) => (
                            <select {...control} value={input.role} onChange={(event) => setInput({ ...input, role: event.target.value as DirectoryPerson['role'] })}>
                                {Object.entries(ROLES).map(([role, { name }]) => (
                                    <option key={role} value={role}>
                                        {name}
                                    </option>
                                ))}
                            </select>
                        )}
                    </Field>
                </div>
                <p className="-mt-1 text-xs text-soft">
                    {ROLES[input.role].name}: {ROLES[input.role].does}.
                </p>
                {person === null && (groups.data?.length ?? 0) > 0 && (
                    <fieldset>
                        <legend className="text-xs text-soft">Groups</legend>
                        <div className="grid max-h-36 grid-cols-2 overflow-y-auto border border-line bg-sheet px-2">
                            {groups.data?.map((group) => (
                                <CheckField key={group.id} label={group.name} checked={chosen.includes(group.id)} onChange={(event) => setChosen(event.target.checked ? [...chosen, group.id] : chosen.filter((each) => each !== group.id))} />
                            ))}
                        </div>
                    </fieldset>
                )}
                <HoursFields hours={input.workingHours} error={problem?.field('workingHours')} onChange={(workingHours) => setInput({ ...input, workingHours })} />
                {person === null &&
                    (sendsMail ? (
                        <CheckField label="Invite them by mail to set a password" checked={wanted} onChange={(event) => setWanted(event.target.checked)} />
                    ) : (
                        <p className="text-soft">No letters go out from here: you find a link for them to come in by beside their name.</p>
                    ))}
                {problem !== null && (problem.fields.length === 0 || rest !== undefined) && <FormProblem>{rest?.message ?? `${problem.message} ${problem.detail}`}</FormProblem>}
                <div className="flex justify-end gap-2">
                    <Button onClick={onClose}>Cancel</Button>
                    <Button type="submit" look="primary" disabled={save.isPending}>
                        {person === null ? 'Add them' : 'Save'}
                    </Button>
                </div>
            </form>
        </Dialog>
    );
}
