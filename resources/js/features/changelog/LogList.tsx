import { useQuery } from '@tanstack/react-query';
import { toast } from '@/toast/toast';
import { answered, api, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { useAction } from '@/api/useAction';
import { Button } from '@/components/Button';
import { Scrolling } from '@/components/Scrolling';
import { Failed, Loading } from '@/components/States';
import { formatMoment } from '@/time/dates';

type Entry = Schemas['LogEntry'];

/** Of what a log tells. */
type LogOf = { kind: 'calendar' | 'overlay'; slug: string } | { kind: 'organisation' | 'sign-ins' };

function entriesOf(of: LogOf, signal: AbortSignal): Promise<Entry[]> {
    switch (of.kind) {
        case 'calendar':
            return answered(api.GET('/calendars/{slug}/log', { params: { path: { slug: of.slug } }, signal }));
        case 'overlay':
            return answered(api.GET('/overlays/{slug}/log', { params: { path: { slug: of.slug } }, signal }));
        default:
            return answered(api.GET('/log', { params: { query: { of: of.kind === 'sign-ins' ? 'sign-ins' : 'changes' } }, signal }));
    }
}

/** Who changed what and when, newest first; what can be taken back is taken back from here. */
export function LogList({ of }: { of: LogOf }) {
    const log = useQuery({ queryKey: queryKeys.log(of), queryFn: ({ signal }) => entriesOf(of, signal) });
    const revert = useAction(
        ({ id }: Entry) => answered(of.kind === 'calendar' ? api.POST('/calendars/{slug}/log/{id}/revert', { params: { path: { slug: of.slug, id } } }) : api.POST('/log/{id}/revert', { params: { path: { id } } })),
        { onDone: (_, entry) => void toast(`Taken back: ${entry.words}.`) },
    );
    if (log.isError) return <Failed error={log.error} retry={() => void log.refetch()} />;
    if (log.data === undefined) return <Loading what="the change log" />;
    if (log.data.length === 0) return <p className="text-soft">{of.kind === 'sign-ins' ? 'Nobody has signed in yet.' : 'Nothing has been changed yet.'}</p>;
    return (
        <Scrolling as="ol" aria-label={of.kind === 'sign-ins' ? 'Sign-ins' : 'Change log'} className="max-h-96 overflow-y-auto border-t border-line">
            {log.data.map((entry) => (
                <li key={entry.id} className="flex items-baseline gap-3 border-b border-line py-1.5">
                    <time dateTime={entry.at} className="w-28 shrink-0 text-soft">
                        {formatMoment(entry.at)}
                    </time>
                    <span className="min-w-0 flex-1 [overflow-wrap:anywhere]">{entry.words}</span>
                    <span className="shrink-0 text-soft max-sm:hidden">{entry.by}</span>
                    <span className="w-20 shrink-0 text-right">
                        {entry.revertable && (
                            <Button look="quiet" className="min-h-6 py-0" disabled={revert.isPending} onClick={() => revert.mutate(entry)} aria-label={`Take back: ${entry.words}`}>
                                Take back
                            </Button>
                        )}
                    </span>
                </li>
            ))}
        </Scrolling>
    );
}
