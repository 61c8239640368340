import { useState } from 'react';
import { toast } from '@/toast/toast';
import { Problem } from '@/api/client';
import { Button } from '@/components/Button';
import { Dialog } from '@/components/Dialog';
import { CheckField, Field, FormProblem, TextField } from '@/components/Field';
import { ZoneField } from '@/components/ZoneField';
import { InkPicker } from '@/components/InkPicker';
import { COLOURS, MARKS, PACES } from '@/api/generated/words';
import { useGroups } from '@/features/directory/useGroups';
import { usePerson } from '@/features/session/useSession';
import { GoesOn } from '@/features/kept/GoesOn';
import { keptForm } from '@/features/kept/keptForms';
import { useKeeping } from '@/features/kept/useKeeping';
import { useCalendarActions, useCalendars, type Calendar, type CalendarInput } from './useCalendars';

type Props = { open: boolean; onOpenChange: (open: boolean) => void; calendar: Calendar | null; onSaved?: (calendar: Calendar) => void };

const FIRST_DAYS = [
    ['SU', 'Sunday'],
    ['SA', 'Saturday'],
] as const;

/** Makes a calendar, or changes its settings. */
export function CalendarDialog(props: Props) {
    return (
        <Dialog
            open={props.open}
            onOpenChange={props.onOpenChange}
            title={props.calendar === null ? 'Make a calendar' : `Settings of ${props.calendar.name}`}
            about={props.calendar === null ? 'It is yours alone until you share it.' : undefined}
        >
            {props.open && <CalendarForm {...props} />}
        </Dialog>
    );
}

function CalendarForm({ onOpenChange, calendar, onSaved }: Props) {
    const person = usePerson();
    const calendars = useCalendars();
    const groups = useGroups();
    const mine = groups.data?.filter((group) => group.people.some((each) => each.id === person.id)) ?? [];
    const { create, update } = useCalendarActions();
    const number = calendars.data?.length ?? 0;
    const keptAs = `calendar.${calendar?.slug ?? 'new'}`;
    const [begun] = useState<CalendarInput>({
        name: calendar?.name ?? '',
        description: calendar?.description ?? '',
        colour: calendar?.givenColour ?? COLOURS[number % COLOURS.length] ?? 'sea',
        mark: calendar?.givenMark ?? MARKS[number % MARKS.length] ?? 'disc',
        timezone: calendar?.timezone ?? person.timezone,
        firstDay: calendar?.firstDay ?? null,
        openingView: calendar?.openingView ?? null,
        asksProvisional: calendar?.asksProvisional ?? false,
        remarks: calendar?.remarks ?? false,
        suggestedPace: calendar?.suggestedPace === 'off' ? null : (calendar?.suggestedPace ?? null),
    });
    const [resumed, setResumed] = useState(() => keptForm<CalendarInput>(keptAs)?.values ?? null);
    const [input, setInput] = useState(resumed ?? begun);
    const forget = useKeeping({ name: keptAs, label: input.name ?? '', values: input, touched: JSON.stringify(input) !== JSON.stringify(begun) });
    const namesake = calendars.data?.find((each) => each.slug !== calendar?.slug && each.name.trim().toLowerCase() === input.name?.trim().toLowerCase());
    const saving = calendar === null ? create : update;
    const problem = saving.error instanceof Problem ? saving.error : null;
    const done = (saved: Calendar) => {
        forget();
        toast(calendar === null ? `“${saved.name}” is made. Click in the empty space of a day to put something on it.` : `“${saved.name}” is changed.`);
        onOpenChange(false);
        onSaved?.(saved);
    };
    return (
        <form
            className="flex flex-col gap-3.5"
            onSubmit={(event) => {
                event.preventDefault();
                if (calendar === null) create.mutate(input, { onSuccess: done });
                else update.mutate({ calendar, input }, { onSuccess: done });
            }}
        >
            {resumed !== null && (
                <GoesOn
                    onAnew={() => {
                        setInput(begun);
                        setResumed(null);
                    }}
                />
            )}
            <TextField label="Name" value={input.name} error={problem?.field('name')} hint={namesake === undefined ? undefined : `There is a calendar of this name already, kept by ${namesake.keeper.name}.`} onChange={(event) => setInput({ ...input, name: event.target.value })} autoFocus />
            <Field label="What it is for" error={problem?.field('description')}>
                {(control) => <textarea rows={2} {...control} value={input.description} onChange={(event) => setInput({ ...input, description: event.target.value })} />}
            </Field>
            <div>
                <p className="mb-1 text-xs text-soft">Colour and mark</p>
                <InkPicker ink={input.colour} mark={input.mark} onChange={(colour, mark) => setInput({ ...input, colour, mark })} />
            </div>
            <ZoneField value={input.timezone ?? ''} error={problem?.field('timezone')} onChange={(timezone) => setInput({ ...input, timezone })} />
            <div className="grid grid-cols-2 gap-3">
                <Field label="Week begins on">
                    {(control) => (
                        <select {...control} value={input.firstDay ?? ''} onChange={(event) => setInput({ ...input, firstDay: (event.target.value || null) as Calendar['firstDay'] })}>
                            <option value="">Monday, as usual</option>
                            {FIRST_DAYS.map(([day, name]) => (
                                <option key={day} value={day}>
                                    {name}
                                </option>
                            ))}
                        </select>
                    )}
                </Field>
                <Field label="Opens in">
                    {(control) => (
                        <select {...control} value={input.openingView ?? ''} onChange={(event) => setInput({ ...input, openingView: (event.target.value || null) as Calendar['openingView'] })}>
                            <option value="">the view last used</option>
                            <option value="lanes">Lanes</option>
                            <option value="week">Week</option>
                            <option value="day">Day</option>
                            <option value="month">Month</option>
                            <option value="year">Year</option>
                            <option value="list">List</option>
                        </select>
                    )}
                </Field>
            </div>
            <div>
                <CheckField label="Provisional events ask those who are to take part" checked={input.asksProvisional === true} onChange={(event) => setInput({ ...input, asksProvisional: event.target.checked })} />
                <CheckField label="Who sees its events may remark on them" checked={input.remarks === true} onChange={(event) => setInput({ ...input, remarks: event.target.checked })} />
            </div>
            <Field label="Suggest that others follow it" hint="It is chosen for them beforehand where they follow it; each decides.">
                {(control) => (
                    <select {...control} value={input.suggestedPace ?? ''} onChange={(event) => setInput({ ...input, suggestedPace: (event.target.value || null) as NonNullable<CalendarInput['suggestedPace']> | null })}>
                        <option value="">no suggestion</option>
                        <option value="now">{PACES.now}</option>
                        <option value="daily">{PACES.daily}</option>
                        <option value="weekly">{PACES.weekly}</option>
                    </select>
                )}
            </Field>
            {/* There from the start, so that nothing moves under a finger once the groups are known. */}
            {calendar === null && (
                <Field label="Kept by" hint="A group keeps it when somebody leaves.">
                    {(control) => (
                        <select
                            {...control}
                            value={input.keeper?.kind === 'group' ? input.keeper.id : ''}
                            onChange={(event) => setInput({ ...input, keeper: event.target.value === '' ? { kind: 'person', id: person.id } : { kind: 'group', id: Number(event.target.value) } })}
                        >
                            <option value="">you</option>
                            {mine.map((group) => (
                                <option key={group.id} value={group.id}>
                                    {group.name}
                                </option>
                            ))}
                        </select>
                    )}
                </Field>
            )}
            {problem !== null && problem.fields.length === 0 && (
                <FormProblem>
                    {problem.message} {problem.detail}
                </FormProblem>
            )}
            <div className="flex justify-end gap-2">
                <Button onClick={() => onOpenChange(false)}>Cancel</Button>
                <Button type="submit" look="primary" disabled={saving.isPending}>
                    {calendar === null ? 'Make it' : 'Save'}
                </Button>
            </div>
        </form>
    );
}
