import { useMutation } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { answered, api, Problem, type Schemas } from '@/api/client';
import { problemOf } from '@/api/useAction';
import { Button } from '@/components/Button';
import { Dialog } from '@/components/Dialog';
import { FormProblem } from '@/components/Field';
import { useRota } from '@/features/sheet/RotaContext';
import { JobProgress } from '@/features/jobs/JobProgress';
import { BulkPreview } from './BulkPreview';
import { changeOf, ChangeFields, NOTHING, type ChangeValues } from './ChangeFields';
import type { BulkAction } from './TableBar';
import { useBulk } from './useBulk';

/** What is begun with: chosen events and what is to be done with them, or cells that were pasted. */
export type BulkStart = { kind: 'change'; action: BulkAction; events: Schemas['BulkEvent'][] } | { kind: 'cells'; events: Schemas['BulkEvent'][]; note: string };

type Props = { start: BulkStart; names: (id: number) => string; onClose: () => void; onDone: () => void };

const TITLES: Record<BulkAction, string> = { set: 'Change', shift: 'Move in time', copy: 'Copy to other days', delete: 'Delete' };
const DID: Record<BulkAction | 'cells', (events: string) => string> = {
    set: (events) => `${events} changed.`,
    shift: (events) => `${events} moved.`,
    copy: (events) => `${events} added.`,
    delete: (events) => `${events} deleted.`,
    cells: (events) => `${events} changed.`,
};

const some = (count: number) => `${count} ${count === 1 ? 'event' : 'events'}`;

/** Does one thing with many events: said first, looked at with all that it does, then done as one. */
export function BulkDialog({ start, names, onClose, onDone }: Props) {
    const rota = useRota();
    const [values, setValues] = useState<ChangeValues>(NOTHING);
    const [events, setEvents] = useState(start.events);
    const action = start.kind === 'cells' ? 'cells' : start.action;
    const carryOut = useBulk((count) => DID[action](`${some(count)} ${count === 1 ? 'is' : 'are'}`));
    const body = (asked: Schemas['BulkEvent'][]) => ({ tz: rota.zone, events: asked, ...(action === 'cells' ? {} : changeOf(action, values)) });
    const preview = useMutation({ mutationFn: (asked: Schemas['BulkEvent'][]) => answered(api.POST('/bulk/preview', { body: body(asked) })) });
    const { mutate: look } = preview;
    // What needs no further word is looked at right away.
    const looked = useRef(false);
    useEffect(() => {
        if (looked.current || (action !== 'cells' && action !== 'delete')) return;
        looked.current = true;
        look(events);
    }, [action, look, events]);
    const problem = problemOf(carryOut) ?? problemOf(preview);
    const rows = preview.data;
    const doable = rows?.filter((row) => row.what !== 'refused' && row.what !== 'nothing') ?? [];
    const apply = () => {
        const ids = new Set(doable.map((row) => row.id));
        carryOut.mutate(body(events.filter((each) => ids.has(each.id))), {
            onSuccess: () => {
                onDone();
                onClose();
            },
            onError: (error) => {
                // Who was first is known now: looked at again, their versions are the ones to go on from.
                if (!(error instanceof Problem) || error.status !== 412) return;
                const current = new Map((error.current as { id: number; version: number }[]).map((each) => [each.id, each.version]));
                const next = events.map((each) => ({ ...each, version: current.get(each.id) ?? each.version }));
                setEvents(next);
                look(next);
            },
        });
    };
    const title = action === 'cells' ? `Paste into ${some(events.length)}` : `${TITLES[action]}: ${some(events.length)}`;
    return (
        <Dialog open onOpenChange={(open) => !open && onClose()} title={title} wide about={rows === undefined ? undefined : 'This is what would happen. Nothing is changed yet.'}>
            {action !== 'cells' && action !== 'delete' && rows === undefined && <ChangeFields action={action} values={values} onChange={setValues} problem={problem} />}
            {start.kind === 'cells' && start.note !== '' && <p className="mb-2 text-pin-ink">{start.note}</p>}
            {preview.isPending && (
                <p role="status" className="py-3 text-soft italic">
                    Looking at what it does…
                </p>
            )}
            {rows !== undefined && <BulkPreview rows={rows} names={names} />}
            {problem !== null && problem.fields.length === 0 && (
                <div className="mt-3">
                    <FormProblem>
                        <b className="font-semibold">{problem.status === 412 ? 'Somebody else was first with some of these.' : problem.message}</b>{' '}
                        {problem.status === 412 ? 'Nothing was changed. This is what it would do to them as they are now.' : problem.detail}
                    </FormProblem>
                </div>
            )}
            {carryOut.isPending && (
                <div className="mt-3">
                    <JobProgress job={carryOut.job} what={some(doable.length)} />
                </div>
            )}
            <div className="mt-4 flex flex-wrap gap-2">
                {rows === undefined ? (
                    action !== 'cells' && action !== 'delete' && (
                        <Button look="primary" disabled={preview.isPending || (action === 'set' && JSON.stringify(values) === JSON.stringify(NOTHING))} onClick={() => look(events)}>
                            See what it does
                        </Button>
                    )
                ) : (
                    <>
                        <Button look={action === 'delete' ? 'danger' : 'primary'} disabled={doable.length === 0 || carryOut.isPending} onClick={apply} autoFocus>
                            {action === 'delete' ? 'Delete' : action === 'copy' ? 'Add copies of' : 'Change'} {some(doable.length)}
                        </Button>
                        {action !== 'cells' && action !== 'delete' && (
                            <Button disabled={carryOut.isPending} onClick={preview.reset}>
                                Back
                            </Button>
                        )}
                    </>
                )}
                <Button look="quiet" onClick={onClose}>
                    {carryOut.isPending ? 'Go on meanwhile' : 'Cancel'}
                </Button>
            </div>
        </Dialog>
    );
}
