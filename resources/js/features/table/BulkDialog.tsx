import { useMutation } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { answered, api, Problem, type Schemas } from '@/api/client';
import { problemOf } from '@/api/useAction';
import { Button } from '@/components/Button';
import { Dialog } from '@/components/Dialog';
import { CheckField, CONTROL, FormProblem } from '@/components/Field';
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

type Times = NonNullable<Schemas['BulkEvent']['times']>;

const TIMES: Record<Times, string> = { one: 'only the time that stands in its row', following: 'that and all that follow', all: 'all of them' };

/** What is told at its own field. */
const CHANGED = ['place', 'categories'];

const some = (count: number) => `${count} ${count === 1 ? 'event' : 'events'}`;

/** Does one thing with many events: said first, looked at with all that it does, then done as one. */
export function BulkDialog({ start, names, onClose, onDone }: Props) {
    const rota = useRota();
    const [values, setValues] = useState<ChangeValues>(NOTHING);
    const [events, setEvents] = useState(start.events);
    const action = start.kind === 'cells' ? 'cells' : start.action;
    const carryOut = useBulk((count) => DID[action](`${some(count)} ${count === 1 ? 'is' : 'are'}`));
    // Cells that say when a series is say it of the time in their row: of which others, is asked once for all of them.
    const [times, setTimes] = useState<Times>('one');
    const [newCategories, setNewCategories] = useState(false);
    const series = events.filter((each) => each.occurrence != null && each.cells?.when !== undefined).length;
    const body = (asked: Schemas['BulkEvent'][]) => ({ tz: rota.zone, newCategories, events: series === 0 ? asked : asked.map((each) => ({ ...each, times })), ...(action === 'cells' ? {} : changeOf(action, values)) });
    const preview = useMutation({ mutationFn: (asked: Schemas['BulkEvent'][]) => answered(api.POST('/bulk/preview', { body: body(asked) })) });
    const { mutate: look } = preview;
    // What needs no further word is looked at right away; and anew once it is to be done otherwise.
    const looked = useRef('');
    const way = `${times} ${newCategories}`;
    useEffect(() => {
        if (looked.current === way || (action !== 'cells' && action !== 'delete')) return;
        looked.current = way;
        look(events);
    }, [action, look, events, way]);
    const problem = problemOf(carryOut) ?? problemOf(preview);
    const [known, setKnown] = useState<{ rows: Schemas['BulkPreviewRow'][]; fresh: string[] } | null>(null);
    // What it would be otherwise is looked at while it still shows what it was.
    if (preview.data !== undefined && preview.data !== known?.rows) setKnown({ rows: preview.data, fresh: [...new Set([...(known?.fresh ?? []), ...preview.data.flatMap((row) => row.newCategories)])] });
    const rows = preview.data ?? (action === 'cells' ? known?.rows : undefined);
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
            {series > 0 && (
                <label className="mb-2 flex flex-wrap items-center gap-2">
                    {series === 1 ? 'One of these is a series:' : `${series} of these are series:`}
                    <select aria-label="Which times are meant" className={`${CONTROL} w-auto!`} value={times} disabled={carryOut.isPending} onChange={(event) => setTimes(event.target.value as Times)}>
                        {Object.entries(TIMES).map(([value, name]) => (
                            <option key={value} value={value}>
                                {name}
                            </option>
                        ))}
                    </select>
                </label>
            )}
            {known !== null && known.fresh.length > 0 && (
                <div className="mb-2">
                    <CheckField label={`Add ${known.fresh.map((name) => `“${name}”`).join(', ')} as ${known.fresh.length === 1 ? 'a new category' : 'new categories'}`} checked={newCategories} disabled={carryOut.isPending} onChange={(event) => setNewCategories(event.target.checked)} />
                </div>
            )}
            {preview.isPending && rows === undefined && (
                <p role="status" className="py-3 text-soft italic">
                    Looking at what it does…
                </p>
            )}
            {rows !== undefined && <BulkPreview rows={rows} names={names} />}
            {problem !== null && problem.fields[0] !== undefined && !problem.fields.some((each) => CHANGED.includes(each.field)) && (
                <div className="mt-3">
                    <FormProblem>{problem.fields[0].message}</FormProblem>
                </div>
            )}
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
                        <Button look={action === 'delete' ? 'danger' : 'primary'} disabled={doable.length === 0 || carryOut.isPending || preview.isPending} onClick={apply} autoFocus>
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
