import { useQuery } from '@tanstack/react-query';
import { toast } from '@/toast/toast';
import { answered, api, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { useAction } from '@/api/useAction';

export type Publication = Schemas['Publication'];

export function usePublications() {
    return useQuery({ queryKey: queryKeys.publications, queryFn: ({ signal }) => answered(api.GET('/publications', { signal })) });
}

const at = ({ id }: Publication) => ({ params: { path: { id } } });

/** Publishes, or changes what was published where that is given. */
export function usePublish(of: Publication | null, onDone: (publication: Publication) => void) {
    return useAction((input: Schemas['PublicationInput']) => answered(of === null ? api.POST('/publications', { body: input }) : api.PUT('/publications/{id}', { ...at(of), body: input })), { quiet: true, onDone });
}

export function usePublicationActions(of: Publication) {
    const pause = useAction((paused: boolean) => answered(api.PUT('/publications/{id}/paused', { ...at(of), body: { paused } })), {
        onDone: ({ paused }) => void toast(paused ? `“${of.name}” is not shown for now. Its address stays.` : `“${of.name}” is shown again.`),
    });
    const renew = useAction((days: number) => answered(api.POST('/publications/{id}/renewal', { ...at(of), body: { days } })), {
        onDone: () => void toast(`“${of.name}” has a new address.`),
    });
    const end = useAction(() => answered(api.DELETE('/publications/{id}', at(of))), {
        onDone: () => void toast(`“${of.name}” was taken back. All others go on.`),
    });
    return { pause, renew, end };
}

export type PublicationLink = Publication['links'][number];

/** Makes links for people or screens, and takes one back. */
export function usePublicationLinks(of: Publication, purpose: PublicationLink['purpose']) {
    const make = useAction((names: string[]) => answered(api.POST('/publications/{id}/links', { ...at(of), body: { purpose, names } })), { quiet: true });
    const end = useAction((link: PublicationLink) => answered(api.DELETE('/publications/{id}/links/{link}', { params: { path: { id: of.id, link: link.id } } })), {
        onDone: () => void toast('That link was taken back. All others go on.'),
    });
    return { make, end };
}
