import type { Schemas } from '@/api/client';
import { pickOf, ruleOf, type MonthBy, type Unit } from './repeatRule';
import { WEEKDAYS, type Weekday } from './weekdays';
import { addDays, addMinutes, minutesBetween, weekday } from '@/time/dates';
import type { Draft, Participant } from '@/features/overlays/RotaContext';
import { knownOf, type Event, type EventInput } from './useEventActions';

/** What the form holds: dates and times in fields of their own, the last day of an all-day event as people say it. */
export type EventValues = {
    calendar: string;
    title: string;
    allDay: boolean;
    startDate: string;
    startTime: string;
    endDate: string;
    endTime: string;
    place: string;
    link: string;
    description: string;
    categories: string[];
    participants: Participant[];
    /** A rule that the fields of the form do not offer, kept until another repeat is chosen. */
    rule: { rule: string; until: string | null; count: number | null } | null;
    status: Event['status'];
    free: boolean;
    private: boolean;
    repeats: boolean;
    unit: Unit;
    interval: number;
    weekdays: Weekday[];
    monthBy: MonthBy;
    ends: 'never' | 'until' | 'count';
    until: string;
    count: number;
};

export function valuesOf(event: Event | Draft): EventValues {
    const full = 'id' in event ? event : null;
    const begun = 'id' in event ? null : event;
    const startDate = event.start.slice(0, 10);
    const told = full?.repeat ?? begun?.repeat ?? null;
    const pick = told?.rule == null ? null : pickOf(told.rule, startDate);
    return {
        calendar: event.calendar,
        title: event.title,
        allDay: event.allDay,
        startDate,
        startTime: event.allDay ? '09:00' : event.start.slice(11, 16),
        endDate: event.allDay ? addDays(event.end.slice(0, 10), -1) : event.end.slice(0, 10),
        endTime: event.allDay ? '10:00' : event.end.slice(11, 16),
        place: full?.place ?? begun?.place ?? '',
        link: full?.link ?? '',
        description: full?.description ?? '',
        categories: full?.categories ?? begun?.categories ?? [],
        participants: full?.participants ?? begun?.participants ?? [],
        rule: told?.rule != null && pick === null ? { rule: told.rule, until: told.until, count: told.count } : null,
        status: full?.status ?? begun?.status ?? 'confirmed',
        free: full === null ? false : !full.busy,
        private: full?.private ?? begun?.private ?? false,
        repeats: pick !== null,
        unit: pick?.unit ?? 'week',
        interval: pick?.interval ?? 1,
        weekdays: pick?.weekdays ?? [WEEKDAYS[weekday(startDate)] ?? 'MO'],
        monthBy: pick?.monthBy ?? 'date',
        ends: told?.until != null ? 'until' : told?.count != null ? 'count' : 'never',
        until: told?.until ?? addDays(startDate, 70),
        count: told?.count ?? 10,
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
        place: values.place,
        link: values.link,
        description: values.description,
        categories: values.categories,
        participants: knownOf(values.participants),
        status: values.status,
        busy: !values.free,
        private: values.private,
        ...(withRepeat ? { repeat: repeatOf(values) } : {}),
    };
}

function repeatOf(values: EventValues): Schemas['RepeatInput'] | null {
    if (values.rule !== null) return values.rule;
    if (!values.repeats) return null;
    const end = { until: values.ends === 'until' ? values.until : null, count: values.ends === 'count' ? values.count : null };
    // Weekdays are told as such, so that it is said at their field where none is chosen.
    if (values.unit === 'week') return { interval: values.interval, weekdays: values.weekdays, ...end };
    return { rule: ruleOf(values, values.startDate), ...end };
}

/** The end that goes with another start: the length stays. */
export function endAfter(values: EventValues, startDate: string, startTime: string): { endDate: string; endTime: string } {
    const before = `${values.startDate}T${values.startTime}`;
    const length = minutesBetween(before, `${values.endDate}T${values.endTime}`);
    const end = addMinutes(`${startDate}T${startTime}`, length);
    return { endDate: end.slice(0, 10), endTime: end.slice(11, 16) };
}
