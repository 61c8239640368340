import { useEffect, useRef, useState, type FormEvent } from 'react';
import { FormProvider, useForm, useWatch } from 'react-hook-form';
import { Problem } from '@/api/client';
import { DateField } from '@/components/DateField';
import { CheckField, Field, FormProblem, TextField } from '@/components/Field';
import { TimeField } from '@/components/TimeField';
import { sendOnceRead } from '@/components/typed';
import { useCalendars } from '@/features/calendars/useCalendars';
import { useDraft, useRota } from '@/features/sheet/RotaContext';
import { addDays, formatInstants } from '@/time/dates';
import { ConflictFields } from './ConflictFields';
import { CategoryPicker } from './CategoryPicker';
import { changesOf, endAfter, inputOf, valuesOf, weekdaysAt, type EventValues } from './eventValues';
import { isTouched, KEPT, keptLabel, keptName, type KeptEvent } from './keptEvent';
import { KindNote } from './KindNote';
import { MeetingField } from './MeetingField';
import { MoreFields } from './MoreFields';
import { RepeatFields } from '@/features/recurrence/RepeatFields';
import { OrganiserField } from '@/features/participants/OrganiserField';
import { ParticipantsPicker } from '@/features/participants/ParticipantsPicker';
import { GoesOn } from '@/features/kept/GoesOn';
import { keptForm } from '@/features/kept/keptForms';
import { useKeeping } from '@/features/kept/useKeeping';
import { UnseeingNote } from '@/features/sharing/UnseeingNote';
import { PlaceField } from './PlaceField';
import { SaveButtons } from './SaveButtons';
import { ShowsNote } from './ShowsNote';
import { asksEarly, TermsFields } from './TermsFields';
import { TargetPicker } from './TargetPicker';
import type { Event } from './useEventActions';
import { useEventSaves } from './useEventSaves';
import { isFollowing, type Scope } from './scope';
import { useTelling } from './useTelling';

type Props = {
    event: Event | null;
    scope: Scope;
    /** Whether somebody else has deleted it since it was opened. */
    gone?: boolean;
    /** With the event as it was saved; without where nothing was to be saved. */
    onDone: (saved?: Event) => void;
    onLeave: () => void;
};

/** Writes an event, new or old. Title and start are enough. */
export function EventForm({ event: current, scope, gone = false, onDone, onLeave }: Props) {
    // What others save meanwhile refreshes the event; the form goes on from what it was opened with, so that the
    // server sees that somebody else was first.
    const [event] = useState(current);
    const rota = useRota();
    const { draft, setDraft } = useDraft();
    const calendars = useCalendars();
    const { create, update } = useEventSaves();
    // Each new event is kept under a name of its own, so that beginning another one loses nothing.
    const [name] = useState(() => (event === null ? (draft?.kept?.name ?? `${KEPT}new.${crypto.randomUUID()}`) : keptName(event.id, scope)));
    const [begun] = useState(() => valuesOf(event ?? { ...(draft ?? { begun: 0, calendar: '', title: '', allDay: false, start: `${rota.date}T09:00`, end: `${rota.date}T10:00` }), kept: undefined }));
    const [resumed, setResumed] = useState(() => (draft?.kept?.values as EventValues | undefined) ?? keptForm<KeptEvent>(name)?.values.values ?? null);
    const form = useForm<EventValues>({ defaultValues: resumed ?? begun });
    const { register, control, setValue, getValues } = form;
    const values = { ...getValues(), ...useWatch({ control }) } as EventValues;
    const forget = useKeeping<KeptEvent>({ name, label: keptLabel(values), values: { event: event?.id ?? null, scope, values }, touched: resumed !== null || isTouched(values, begun, event === null) });
    const saved = (done?: Event) => {
        forget();
        onDone(done);
    };
    // What was refused is to be put right: one is taken there.
    const onError = () => requestAnimationFrame(() => document.querySelector<HTMLElement>('aside form [aria-invalid="true"]')?.focus());
    const filled = useRef(draft?.begun ?? 0);
    const saving = event === null || gone ? create : update;
    const problem = saving.error instanceof Problem ? saving.error : null;
    // Several rules, as a file may have them, are kept as they are.
    const telling = useTelling(gone ? null : event, values.participants, values.status, asksEarly(values.askWhen, calendars.data?.find(({ slug }) => slug === values.calendar)));
    const foreignRule = event?.repeat?.several === true;
    // Of one and all that follow the repeat goes on as it was, unless it is changed here.
    const whole = scope === null || isFollowing(scope);
    const withRepeat = whole && !foreignRule;
    const repeatIs = (is: EventValues) => JSON.stringify(inputOf(is, true).repeat);
    const sendsRepeat = (given: EventValues) => withRepeat && (scope === null || event === null || repeatIs(given) !== repeatIs(valuesOf(event)));

    const { calendar, title, allDay, place, categories, participants, startDate, startTime, endDate, endTime } = values;
    useEffect(() => {
        if (event !== null || startDate === '' || endDate === '' || startTime === '' || endTime === '') return;
        setDraft({ begun: filled.current, calendar, title, allDay, place, categories, participants, start: allDay ? startDate : `${startDate}T${startTime}`, end: allDay ? addDays(endDate, 1) : `${endDate}T${endTime}` });
    }, [event, setDraft, calendar, title, allDay, place, categories, participants, startDate, startTime, endDate, endTime]);

    // Pointing at another place while writing takes the event there; what was typed stays.
    useEffect(() => {
        if (event !== null || draft === null || draft.begun === filled.current) return;
        filled.current = draft.begun;
        const { calendar: target, allDay: whole, startDate: first, startTime: from, endDate: last, endTime: to } = valuesOf(draft);
        const weekdays = weekdaysAt(getValues(), first);
        // A place that suggests no calendar leaves the one that was chosen.
        for (const [field, value] of Object.entries({ ...(target === '' ? {} : { calendar: target }), allDay: whole, startDate: first, startTime: from, endDate: last, endTime: to, weekdays })) setValue(field as keyof EventValues, value);
        if (draft.place !== undefined) setValue('place', draft.place);
        if (draft.categories !== undefined) setValue('categories', draft.categories);
        if (draft.participants !== undefined) setValue('participants', draft.participants);
    }, [event, draft, setValue, getValues]);

    const moveStart = (date: string, time: string) => {
        // What is not understood is kept as nothing, so that it is not saved as what was there before.
        if (date === '' || time === '' || getValues('startDate') === '' || getValues('startTime') === '') {
            setValue('startDate', date);
            setValue('startTime', time);
            return;
        }
        const end = endAfter(getValues(), date, time);
        setValue('weekdays', weekdaysAt(getValues(), date));
        setValue('startDate', date);
        setValue('startTime', time);
        setValue('endDate', end.endDate);
        setValue('endTime', end.endTime);
    };
    const submit = form.handleSubmit((given) => {
        const input = inputOf(given, sendsRepeat(given));
        if (event === null || gone) return create.mutate({ input: { ...input, ...telling.sent() }, told: telling.told() }, { onSuccess: ({ answer }) => saved(answer), onError });
        const changes = changesOf(inputOf(valuesOf(event), sendsRepeat(given)), input);
        if (Object.keys(changes).length === 0) return saved();
        update.mutate({ event, scope, change: { ...changes, ...telling.sent() }, told: telling.told() }, { onSuccess: ({ answer }) => saved(answer), onError });
    });
    // What was typed last is read before it is sent; what was not understood is put right first.
    const send = (submitted: FormEvent<HTMLFormElement>) =>
        sendOnceRead(submitted, () => {
            const { startDate: first, startTime: from, endDate: last, endTime: to, allDay: whole } = getValues();
            if (first === '' || last === '' || (!whole && (from === '' || to === ''))) return onError();
            void submit();
        });
    const conflict = problem?.status === 412 ? (problem.current as Event) : null;
    return (
        <FormProvider {...form}>
            <form onSubmit={send} className="flex flex-col gap-3" aria-label={event === null ? 'New event' : 'Change the event'} noValidate>
                {resumed !== null && (
                    <GoesOn
                        onAnew={() => {
                            form.reset(begun);
                            setResumed(null);
                        }}
                    />
                )}
                {gone && (
                    <FormProblem>
                        Somebody has deleted this event meanwhile. What you wrote is still here: you can add it as a new event.
                    </FormProblem>
                )}
                <TargetPicker error={problem?.field('calendar')} fixed={scope !== null} />
                <TextField label="Title" error={problem?.field('title')} autoFocus autoComplete="off" {...register('title')} />
                <CheckField label="All day" {...register('allDay')} />
                <div className="grid grid-cols-[1fr_100px] gap-2">
                    <DateField label={allDay ? 'First day' : 'Starts'} zone={rota.zone} today={rota.today} error={problem?.field('start')} value={startDate} onChange={(date) => moveStart(date, startTime)} />
                    {!allDay && <TimeField label="at" zone={rota.zone} value={startTime} onChange={(time) => moveStart(startDate, time)} />}
                    <DateField label={allDay ? 'Last day' : 'Ends'} zone={rota.zone} today={rota.today} className="col-start-1" error={problem?.field('end')} value={endDate} onChange={(date) => setValue('endDate', date)} />
                    {!allDay && <TimeField label="at" zone={rota.zone} value={endTime} onChange={(time) => setValue('endTime', time)} />}
                </div>
                {!allDay && event?.timezone != null && event.timezone !== rota.zone && values.timezone === '' && (
                    <p className="-mt-1 text-xs text-soft">
                        Times of {event.timezone}; on this sheet ({rota.zone}) it is {formatInstants(event, rota.zone)}.
                    </p>
                )}
                {event === null && <ShowsNote values={values} onChoose={(slug) => setValue('calendar', slug)} />}
                <PlaceField error={problem?.field('place')} />
                <MeetingField problem={problem} />
                <CategoryPicker calendar={calendar} chosen={values.categories} onChange={(categories) => setValue('categories', categories)} error={problem?.field('categories')} />
                <ParticipantsPicker onRoom={(name) => getValues('place') === '' && setValue('place', name)} chosen={participants} onChange={(chosen) => setValue('participants', chosen)} error={problem?.fields.find((each) => each.field.startsWith('participants'))?.message} />
                <UnseeingNote calendar={calendar} people={participants.flatMap((each) => (each.kind === 'person' && each.id !== null ? [each.id] : []))} />
                <OrganiserField participants={participants} organiser={values.organiser} onChange={(id) => setValue('organiser', id)} />
                <Field label="State">
                    {(control) => (
                        <select {...control} {...register('status')}>
                            <option value="confirmed">Confirmed</option>
                            <option value="provisional">Provisional</option>
                            <option value="cancelled">Cancelled</option>
                        </select>
                    )}
                </Field>
                <TermsFields problem={problem} />
                {withRepeat ? <RepeatFields problem={problem} withDates={scope === null} /> : foreignRule && whole && <p className="text-soft">Repeats {event?.repeat?.words}. This repeat is kept as it is.</p>}
                {event !== null && scope === null && <KindNote event={event} allDay={allDay} />}
                <div>
                    <CheckField label="Leaves the time free" {...register('free')} />
                    <CheckField label="Private: busy to all who may not change it" {...register('private')} />
                </div>
                <Field label="About" error={problem?.field('description')}>
                    {(control) => <textarea rows={3} {...control} {...register('description')} />}
                </Field>
                <MoreFields problem={problem} zone={event?.timezone ?? null} whole={scope === null} begun={event === null} />
                {conflict !== null && event !== null ? (
                    <ConflictFields
                        before={inputOf(valuesOf(event), withRepeat)}
                        theirs={inputOf(valuesOf(conflict), withRepeat)}
                        mine={inputOf(values, withRepeat)}
                        current={conflict}
                        saving={saving.isPending}
                        onSave={(part) => update.mutate({ event: { ...event, version: conflict.version }, scope, change: { ...part, ...telling.sent() }, told: telling.told() }, { onSuccess: ({ answer }) => saved(answer) })}
                        onTheirs={() => saved()}
                    />
                ) : (
                    problem !== null &&
                    problem.fields.length === 0 && (
                        <FormProblem>
                            {problem.message} {problem.detail}
                        </FormProblem>
                    )
                )}
                <SaveButtons verb={event === null || gone ? 'Add' : 'Save'} plain={event === null ? 'Add it' : gone ? 'Add it as new' : 'Save'} telling={telling} pending={saving.isPending} onLeave={onLeave} />
            </form>
        </FormProvider>
    );
}
