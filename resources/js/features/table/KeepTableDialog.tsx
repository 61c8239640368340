import { useState } from 'react';
import { problemOf } from '@/api/useAction';
import type { Schemas } from '@/api/client';
import { Button } from '@/components/Button';
import { Dialog } from '@/components/Dialog';
import { FormProblem, TextField } from '@/components/Field';
import { useCalendars } from '@/features/calendars/useCalendars';
import { layerOf } from '@/features/overlays/starts';
import { useOverlayActions, useOverlays } from '@/features/overlays/useOverlays';
import { useRota } from '@/features/sheet/RotaContext';
import { AS_IT_OPENS } from '@/features/sheet/asItOpens';
import { COLUMNS, type Column } from './columns';
import { askedConditions, narrowed } from './narrowed';
import type { Asked } from './useTable';

type Props = { asked: Asked; columns: Column['key'][]; onClose: () => void };

/** Keeps what the table shows under a name: an overlay that opens as this table, and is shared as overlays are. */
export function KeepTableDialog({ asked, columns, onClose }: Props) {
    const rota = useRota();
    const calendars = useCalendars().data ?? [];
    const overlays = useOverlays().data ?? [];
    const { save } = useOverlayActions();
    const [name, setName] = useState('');
    const through = rota.search.calendar === undefined ? overlays.find((each) => each.slug === rota.overlay) : undefined;
    const openingTable: Schemas['OpeningTable'] = { columns, sort: asked.sorting.by, descending: asked.sorting.descending, period: rota.period };
    // Without an overlay there is a layer for each calendar that shows.
    const base = through?.layers ?? (rota.sheet?.layers ?? []).flatMap((layer) => calendars.filter((each) => each.slug === layer.calendars[0]).map(layerOf));
    const conditions = askedConditions(asked);
    const layers = narrowed(base.filter((_, index) => !rota.hidden.has(index)), conditions);
    const mayChange = through !== undefined && (through.level === 'change' || through.level === 'manage');
    const problem = problemOf(save);
    const done = (saved: Schemas['Overlay']) => {
        rota.go({ ...AS_IT_OPENS, overlay: saved.slug, calendar: undefined });
        onClose();
    };
    const keep = () => save.mutate({ overlay: null, input: { name, layers, everyLayer: through?.everyLayer ?? false, openingView: 'table', openingTable } }, { onSuccess: done });
    return (
        <Dialog open onOpenChange={onClose} title="Keep this table" about="It is kept as an overlay that opens as this table. Share it as any other: under its name, “Who may look through it…”.">
            <form
                className="flex flex-col gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    keep();
                }}
            >
                <TextField label="Name" value={name} maxLength={120} error={problem?.field('name')} onChange={(event) => setName(event.target.value)} autoFocus />
                <dl className="grid grid-cols-[auto_1fr] gap-x-3 gap-y-1">
                    <dt className="text-soft">Columns</dt>
                    <dd>{COLUMNS.filter((each) => columns.includes(each.key)).map((each) => each.name).join(', ')}</dd>
                    <dt className="text-soft">Sorted by</dt>
                    <dd>
                        {COLUMNS.find((each) => each.key === asked.sorting.by)?.name}
                        {asked.sorting.descending && ', the last first'}
                    </dd>
                    <dt className="text-soft">Layers</dt>
                    <dd>
                        {layers.map((each) => each.name).join(', ')}
                        {conditions.length > 0 && '; narrowed as it is now'}
                    </dd>
                </dl>
                {problem !== null && problem.field('name') === undefined && <FormProblem>{problem.fields[0]?.message ?? `${problem.message} ${problem.detail}`}</FormProblem>}
                <div className="flex flex-wrap justify-end gap-2">
                    {mayChange && conditions.length === 0 && rota.hidden.size === 0 && (
                        <Button
                            className="mr-auto"
                            disabled={save.isPending}
                            onClick={() => save.mutate({ overlay: through, input: { name: through.name, layers: through.layers, everyLayer: through.everyLayer, openingView: 'table', openingTable } }, { onSuccess: done })}
                        >
                            Open “{through.name}” like this
                        </Button>
                    )}
                    <Button onClick={onClose}>Cancel</Button>
                    <Button type="submit" look="primary" disabled={save.isPending || layers.length === 0}>
                        Keep it
                    </Button>
                </div>
            </form>
        </Dialog>
    );
}
