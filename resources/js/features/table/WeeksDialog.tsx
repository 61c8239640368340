import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { answered, api, done, type Schemas } from '@/api/client';
import { problemOf, useAction } from '@/api/useAction';
import { Button } from '@/components/Button';
import { DateField } from '@/components/DateField';
import { sendOnceRead } from '@/components/typed';
import { Dialog } from '@/components/Dialog';
import { Field, FormProblem, TextField } from '@/components/Field';
import { Scrolling } from '@/components/Scrolling';
import { useCalendars } from '@/features/calendars/useCalendars';
import { useTellDone } from '@/features/history/useTellDone';
import { useRota } from '@/features/sheet/RotaContext';
import { addDays, formatDate, startOfWeek } from '@/time/dates';

/** Lays the events of one week over other weeks, leaving out the days that a calendar of closures names. */
export function WeeksDialog({ onClose }: { onClose: () => void }) {
    const rota = useRota();
    const tellDone = useTellDone();
    const calendars = useCalendars().data ?? [];
    const targets = calendars.filter((each) => each.mayAdd);
    const week = startOfWeek(rota.date);
    const [input, setInput] = useState<Schemas['WeeksInput']>({
        calendar: targets.find((each) => each.slug === rota.search.calendar)?.slug ?? targets[0]?.slug ?? '',
        week, from: addDays(week, 7), to: addDays(week, 7 * 13 - 1), every: 1, closures: null, tz: rota.zone,
    });
    const preview = useMutation({ mutationFn: () => answered(api.POST('/weeks/preview', { body: input })) });
    const lay = useAction(() => done(api.POST('/weeks', { body: input })), {
        quiet: true,
        changes: 'events',
        onDone: ({ answer, operation }) => {
            tellDone(operation, `${answer.events} series ${answer.events === 1 ? 'is' : 'are'} added.`);
            onClose();
        },
    });
    const problem = problemOf(lay) ?? problemOf(preview);
    const put = (part: Partial<Schemas['WeeksInput']>) => {
        setInput({ ...input, ...part });
        preview.reset();
        lay.reset();
    };
    const laid = preview.data?.filter((each) => each.why === null) ?? [];
    return (
        <Dialog open onOpenChange={onClose} title="Lay a week over other weeks" about="What is on in one week becomes a series over others; closed days are left out. What is in the week itself stays as it is." wide>
            <form
                className="flex flex-col gap-3"
                onSubmit={(event) => sendOnceRead(event, () => preview.mutate())}
            >
                <div className="grid gap-3 sm:grid-cols-3">
                    <Field label="The events of" error={problem?.field('calendar')}>
                        {(control) => (
                            <select {...control} value={input.calendar} onChange={(event) => put({ calendar: event.target.value })}>
                                {targets.map((each) => (
                                    <option key={each.slug} value={each.slug}>
                                        {each.name}
                                    </option>
                                ))}
                            </select>
                        )}
                    </Field>
                    <DateField label="in the week of" zone={rota.zone} today={rota.today} value={input.week} error={problem?.field('week')} onChange={(date) => put({ week: date })} />
                    <Field label="leaving out what is closed by" error={problem?.field('closures')}>
                        {(control) => (
                            <select {...control} value={input.closures ?? ''} onChange={(event) => put({ closures: event.target.value === '' ? null : event.target.value })}>
                                <option value="">nothing</option>
                                {calendars
                                    .filter((each) => each.level !== 'busy')
                                    .map((each) => (
                                        <option key={each.slug} value={each.slug}>
                                            {each.name}
                                        </option>
                                    ))}
                            </select>
                        )}
                    </Field>
                    <DateField label="over the weeks from" zone={rota.zone} today={rota.today} value={input.from} error={problem?.field('from')} onChange={(date) => put({ from: date })} />
                    <DateField label="to" zone={rota.zone} today={rota.today} value={input.to} error={problem?.field('to')} onChange={(date) => put({ to: date })} />
                    <TextField label="every so many weeks" type="number" min={1} max={12} value={input.every} error={problem?.field('every')} onChange={(event) => put({ every: Number(event.target.value) })} />
                </div>
                {preview.data !== undefined && (
                    <Scrolling as="ul" aria-label="What would be laid" className="max-h-[40vh] overflow-y-auto border-y border-line">
                        {preview.data.map((each) => (
                            <li key={each.id} className="grid grid-cols-[minmax(140px,1fr)_2fr] gap-3 border-b border-hair py-1 last:border-0">
                                <span>
                                    <b className="font-semibold">{each.title}</b>
                                    <span className="block text-xs text-soft">{formatDate(each.start.slice(0, 10), 'weekdayDay')}</span>
                                </span>
                                {each.why !== null ? (
                                    <span className="text-soft italic">left as it is: {each.why}</span>
                                ) : (
                                    <span>
                                        {each.days.length} {each.days.length === 1 ? 'time' : 'times'}, {formatDate(each.days[0] ?? each.start.slice(0, 10), 'short')} to {formatDate(each.days.at(-1) ?? each.start.slice(0, 10), 'short')}
                                        {each.closed.length > 0 && <span className="block text-xs text-pin-ink">closed, left out: {each.closed.map((day) => formatDate(day, 'short')).join(', ')}</span>}
                                    </span>
                                )}
                            </li>
                        ))}
                        {preview.data.length === 0 && <li className="py-2 text-soft italic">Nothing is on in this week.</li>}
                    </Scrolling>
                )}
                {problem !== null && problem.fields.length === 0 && (
                    <FormProblem>
                        {problem.message} {problem.detail}
                    </FormProblem>
                )}
                <div className="flex gap-2">
                    {preview.data === undefined ? (
                        <Button type="submit" look="primary" disabled={preview.isPending}>
                            See what it adds
                        </Button>
                    ) : (
                        <Button look="primary" disabled={laid.length === 0 || lay.isPending} onClick={() => lay.mutate()} autoFocus>
                            Add {laid.length} series
                        </Button>
                    )}
                    <Button look="quiet" onClick={onClose}>
                        Cancel
                    </Button>
                </div>
            </form>
        </Dialog>
    );
}
