import { useQuery } from '@tanstack/react-query';
import { answered, api, done, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { useAction } from '@/api/useAction';
import { Button } from '@/components/Button';
import { Failed, Loading } from '@/components/States';
import { formatMoment } from '@/time/dates';
import { useTellDone } from './useTellDone';

const DID: Record<Schemas['HistoryEntry']['kind'], string> = {
    add: 'added it',
    change: 'changed it',
    delete: 'deleted it',
    restore: 'put an earlier state back',
    bulk: 'changed it with others',
    weeks: 'laid a week over others',
    import: 'brought it in by a file',
    refresh: 'It came from outside',
    answer: 'answered',
    pin: 'pinned it',
    unpin: 'took a pin off',
    join: 'joined it',
    leave: 'is no longer coming',
};

/** What was done with an event, by whom and when; any earlier state can be put back. */
export function EventHistory({ id, version }: { id: number; version: number }) {
    const tellDone = useTellDone();
    const history = useQuery({ queryKey: queryKeys.eventHistory(id, version), queryFn: ({ signal }) => answered(api.GET('/events/{id}/history', { params: { path: { id } }, signal })) });
    const restore = useAction((entry: Schemas['HistoryEntry']) => done(api.POST('/events/{id}/history/{operation}/restore', { params: { path: { id, operation: entry.operation } } })), {
        changes: 'events',
        onDone: ({ operation }) => tellDone(operation, 'It is as it was before that.'),
    });
    if (history.isError) return <Failed error={history.error} retry={() => void history.refetch()} />;
    if (history.data === undefined) return <Loading what="its history" />;
    if (history.data.length === 0) return <p className="mt-3 text-soft">Nothing was changed since history is kept.</p>;
    return (
        <ol aria-label="History" className="mt-3 border-t border-line">
            {history.data.map((entry) => (
                <li key={entry.operation} className="border-b border-line py-2">
                    <p>
                        {entry.by !== '' && <b className="font-semibold">{entry.by} </b>}
                        {entry.by === '' && entry.kind !== 'refresh' ? 'A command of the site' : ''} {DID[entry.kind]}
                        <span className="block text-xs text-soft">
                            {formatMoment(entry.at)}
                            {entry.undone && ', undone since'}
                        </span>
                    </p>
                    <ul className="mt-1 text-[12.5px]">
                        {entry.changes
                            .filter((each) => !['add', 'import'].includes(entry.kind) || ['title', 'starts', 'calendar'].includes(each.field))
                            .map((each) => (
                                <li key={`${each.of ?? ''}:${each.field}`} className="[overflow-wrap:anywhere]">
                                    <span className="text-soft">
                                        {each.of !== null && `${each.of}, `}
                                        {each.field}:
                                    </span>{' '}
                                    {each.before !== '' && <del>{each.before}</del>} {each.after === '' ? <i>nothing</i> : <ins className="no-underline">{each.after}</ins>}
                                </li>
                            ))}
                    </ul>
                    {entry.restorable && (
                        <Button look="quiet" className="-ml-2" disabled={restore.isPending} onClick={() => restore.mutate(entry)}>
                            Back to before this
                        </Button>
                    )}
                </li>
            ))}
        </ol>
    );
}
