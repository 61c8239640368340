import type { Schemas } from '@/api/client';
import { WEEKDAYS } from '@/api/generated/words';
import type { Ink } from '@/components/Mark';
import type { TaskValues } from '@/features/preparation/TasksField';
import { pickOf, ruleInputOf, type RepeatValues } from '@/features/recurrence/repeatValues';
import { addDays, addMinutes, minutesBetween, weekday } from '@/time/dates';
import type { Draft } from '@/features/sheet/RotaContext';
import type { Participant } from '@/features/participants/participants';
import { namedOf } from '@/features/participants/participants';
import type { Event, EventInput } from './useEventActions';

/** What the form holds: dates and times in fields of their own, the last day of an all-day event as people say it. */
export type EventValues = RepeatValues & {
    calendar: string;
    title: string;
    allDay: boolean;
    startTime: string;
    endDate: string;
    endTime: string;
    /** Empty: that of the sheet, or as it was. */
    timezone: string;
    place: string;
    link: string;
    /** Where it meets online; empty for nowhere. */
    meeting: string;
    description: string;
    categories: string[];
    participants: Participant[];
    /** Id of whoever asks the others; null: who added the event. */
    organiser: number | null;
    /** How many may come; null: no end to them. */
    places: number | null;
    /** Minutes on the way; null: none. */
    travel: number | null;
    /** What those who are asked may do beyond answering. */
    guests: Event['guests'];
    /** From when on they are asked; empty: as the calendar has it. */
    askWhen: NonNullable<Event['askWhen']> | '';
    status: Event['status'];
    free: boolean;
    private: boolean;
    priority: number;
    colour: Ink | null;
    joinable: boolean;
    reminders: number[];
    tasks: TaskValues[];
};

/** How a field of a number is registered that may be empty. */
export const A_NUMBER = { setValueAs: (typed: string | number | null) => (typed === '' || typed === null ? null : Number(typed)) };

export function valuesOf(event: Event | Draft): EventValues {
    if ('begun' in event && event.kept !== undefined) return event.kept.values as EventValues;
    const full = 'id' in event ? event : null;
    const begun = 'id' in event ? null : event;
    const startDate = event.start.slice(0, 10);
    const told = full?.repeat ?? begun?.repeat ?? null;
    return {
        calendar: event.calendar,
        title: event.title,
        allDay: event.allDay,
        startDate,
        startTime: event.allDay ? '09:00' : event.start.slice(11, 16),
        endDate: event.allDay ? addDays(event.end.slice(0, 10), -1) : event.end.slice(0, 10),
        endTime: event.allDay ? '10:00' : event.end.slice(11, 16),
        timezone: '',
        place: full?.place ?? begun?.place ?? '',
        link: full?.link ?? '',
        meeting: full?.links.find(({ kind, address }) => kind === 'conference' && /^https?:/i.test(address))?.address ?? '',
        description: full?.description ?? begun?.description ?? '',
        categories: full?.categories ?? begun?.categories ?? [],
        participants: full?.participants ?? begun?.participants ?? [],
        organiser: full?.organiser?.chosen === true ? full.organiser.id : null,
        places: full?.places ?? null,
        travel: full?.travel ?? null,
        guests: full?.guests ?? [],
        askWhen: full?.askWhen ?? '',
        status: full?.status ?? begun?.status ?? 'confirmed',
        free: full === null ? begun?.busy === false : !full.busy,
        private: full?.private ?? begun?.private ?? false,
        priority: full?.priority ?? 0,
        colour: full?.colour ?? null,
        joinable: full?.joinable ?? false,
        reminders: full?.reminders ?? [],
        tasks: full?.tasks.map(({ id, title, days, doer }) => ({ id, title, days, doer })) ?? [],
        repeats: told !== null,
        ...pickOf(told, startDate),
        ends: told?.until != null ? 'until' : told?.count != null ? 'count' : 'never',
        until: told?.until ?? addDays(startDate, 70),
        count: told?.count ?? 10,
        skipped: full?.repeat?.skipped ?? [],
        extra: full?.repeat?.extra ?? [],
        within: told?.within ?? null,
        datesTouched: false,
    };
}

/** What the form sends; `repeat` only where the form is about a repeat it can offer. */
export function inputOf(values: EventValues, withRepeat: boolean): EventInput {
    const { allDay, startDate, endDate } = values;
    return {
        calendar: values.calendar,
        title: values.title.trim(),
        allDay,
        start: allDay ? startDate : `${startDate}T${values.startTime}`,
        end: allDay ? addDays(endDate, 1) : `${endDate}T${values.endTime}`,
        ...(values.timezone === '' || allDay ? {} : { timezone: values.timezone }),
        place: values.place,
        link: values.link,
        meeting: values.meeting === '' ? null : values.meeting,
        description: values.description,
        categories: values.categories,
        participants: namedOf(values.participants),
        organiser: values.organiser,
        places: values.places,
        travel: allDay ? null : values.travel,
        guests: values.guests,
        askWhen: values.askWhen === '' ? null : values.askWhen,
        status: values.status,
        busy: !values.free,
        private: values.private,
        priority: values.priority,
        colour: values.colour,
        joinable: values.joinable,
        reminders: values.reminders,
        tasks: values.tasks.filter((task) => task.title.trim() !== '').map(({ id, title, days, doer }) => ({ id, title, days, doer: doer?.id ?? null })),
        ...(withRepeat ? { repeat: repeatOf(values) } : {}),
    };
}

/** What each part of an input is called, the parts of the time together. */
export const FIELDS: { name: string; keys: (keyof EventInput)[] }[] = [
    { name: 'Title', keys: ['title'] },
    { name: 'When', keys: ['allDay', 'start', 'end', 'timezone'] },
    { name: 'Calendar', keys: ['calendar'] },
    { name: 'Place', keys: ['place'] },
    { name: 'Categories', keys: ['categories'] },
    { name: 'People', keys: ['participants'] },
    { name: 'Places', keys: ['places'] },
    { name: 'Who is asked may', keys: ['guests'] },
    { name: 'Asks', keys: ['askWhen'] },
    { name: 'On the way', keys: ['travel'] },
    { name: 'State', keys: ['status'] },
    { name: 'Time', keys: ['busy'] },
    { name: 'Private', keys: ['private'] },
    { name: 'Repeat', keys: ['repeat'] },
    { name: 'Link', keys: ['link'] },
    { name: 'Online', keys: ['meeting'] },
    { name: 'Priority', keys: ['priority'] },
    { name: 'Colour', keys: ['colour'] },
    { name: 'Reminders', keys: ['reminders'] },
    { name: 'Joining', keys: ['joinable'] },
    { name: 'To prepare', keys: ['tasks'] },
    { name: 'About', keys: ['description'] },
];

/** Whether two values of an input mean the same: what is not there is nothing. */
export function same(a: unknown, b: unknown): boolean {
    return JSON.stringify(a ?? null) === JSON.stringify(b ?? null);
}

const TIMES: (keyof EventInput)[] = ['allDay', 'start', 'end', 'timezone'];

/** What of an input is another than before; of the time, all of it or nothing. */
export function changesOf(before: EventInput, input: EventInput): Partial<EventInput> {
    const differs = (key: keyof EventInput) => !same(input[key], before[key]);
    const timed = TIMES.some(differs);
    // Which of its weekdays a day is in its month is another where the day is.
    const { pick } = input.repeat ?? {};
    const counted = pick?.unit === 'month' && pick.monthBy !== 'date' && input.start?.slice(0, 10) !== before.start?.slice(0, 10);
    return Object.fromEntries((Object.keys(input) as (keyof EventInput)[]).filter((key) => (TIMES.includes(key) ? timed : differs(key) || (key === 'repeat' && counted))).map((key) => [key, input[key]]));
}

function repeatOf(values: EventValues): Schemas['RepeatInput'] | null {
    if (!values.repeats) return null;
    const ends = values.unit === 'dates' ? 'never' : values.ends;
    return {
        ...ruleInputOf(values),
        until: ends === 'until' ? values.until : null,
        count: ends === 'count' ? values.count : null,
        within: values.unit === 'dates' ? null : values.within,
        ...(values.datesTouched || values.unit === 'dates' ? { skipped: values.skipped, extra: values.extra } : {}),
    };
}

/** The end that goes with another start: the length stays. */
export function endAfter(values: EventValues, startDate: string, startTime: string): { endDate: string; endTime: string } {
    const before = `${values.startDate}T${values.startTime}`;
    const length = minutesBetween(before, `${values.endDate}T${values.endTime}`);
    const end = addMinutes(`${startDate}T${startTime}`, length);
    return { endDate: end.slice(0, 10), endTime: end.slice(11, 16) };
}

/** The days of a weekly repeat when its start goes to another date: the one it was on follows it. */
export function weekdaysAt(values: Pick<EventValues, 'startDate' | 'weekdays'>, startDate: string): EventValues['weekdays'] {
    if (values.startDate === '' || startDate === '') return values.weekdays;
    const [before, after] = [WEEKDAYS[weekday(values.startDate)], WEEKDAYS[weekday(startDate)]];
    if (before === undefined || after === undefined || before === after || !values.weekdays.includes(before)) return values.weekdays;
    return WEEKDAYS.filter((day) => day === after || (day !== before && values.weekdays.includes(day)));
}
