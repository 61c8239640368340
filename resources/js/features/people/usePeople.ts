import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { toast } from '@/toast/toast';
import { answered, api, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { useAction } from '@/api/useAction';

export type DirectoryPerson = Schemas['DirectoryPerson'];
export type Status = DirectoryPerson['status'];

export function usePeople(words: string, status: Status | '', page: number) {
    return useQuery({
        queryKey: queryKeys.people(words, status, page),
        queryFn: ({ signal }) => answered(api.GET('/people', { params: { query: { q: words, page, ...(status === '' ? {} : { status }) } }, signal })),
        placeholderData: keepPreviousData,
    });
}

/** What administrators do with people. */
export function usePeopleActions() {
    const invite = useAction((person: DirectoryPerson) => answered(api.POST('/people/{id}/invitation', { params: { path: { id: person.id } } })), {
        onDone: (_, person) => void toast(`${person.name} is invited by mail.`),
    });
    const suspend = useAction(({ person, suspended }: { person: DirectoryPerson; suspended: boolean }) => answered(api.PUT('/people/{id}/suspended', { params: { path: { id: person.id } }, body: { suspended } })), {
        onDone: (_, { person, suspended }) => void tellSuspended(person, suspended),
    });
    const tellSuspended = async (person: DirectoryPerson, suspended: boolean) => {
        const kept = suspended ? await answered(api.GET('/people/{id}/kept', { params: { path: { id: person.id } } })).catch(() => null) : null;
        const names = [...(kept?.calendars ?? []), ...(kept?.overlays ?? [])].map((each) => each.name);
        toast(suspended ? `${person.name} is kept out from now on.` : `${person.name} can come in again.`, {
            ...(names.length === 0 ? {} : { description: `They still keep ${names.slice(0, 3).join(', ')}${names.length > 3 ? ` and ${names.length - 3} more` : ''}: see that somebody else manages it meanwhile.` }),
            action: { label: 'Undo', onClick: () => suspend.mutate({ person, suspended: !suspended }) },
        });
    };
    const comeBack = useAction((person: DirectoryPerson) => answered(api.DELETE('/people/{id}/departure', { params: { path: { id: person.id } } })), {
        onDone: (_, person) => void toast(`${person.name} is back, in no group and with nothing shared by name.`),
    });
    const signOut = useAction((person: DirectoryPerson) => answered(api.DELETE('/people/{id}/sessions', { params: { path: { id: person.id } } })), {
        onDone: (_, person) => toast(`${person.name} is signed out everywhere.`),
    });
    const endFactor = useAction((person: DirectoryPerson) => answered(api.DELETE('/people/{id}/second-factor', { params: { path: { id: person.id } } })), {
        onDone: (_, person) => toast(`${person.name} signs in by the password alone until they set up another.`),
    });
    // The link stands in its dialog, and nowhere else.
    const makeLink = useAction((person: DirectoryPerson) => answered(api.POST('/people/{id}/link', { params: { path: { id: person.id } } })));
    return { invite, makeLink, suspend, signOut, comeBack, endFactor };
}
