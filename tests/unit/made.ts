import type { Schemas } from '@/api/client';

/** What the server tells of things, with what a test is about put in. */

export function madeCalendar(more: Partial<Schemas['Calendar']> = {}): Schemas['Calendar'] {
    return {
        slug: 'slip', name: 'Slipway', description: '', colour: 'sea', mark: 'disc', givenColour: 'sea', givenMark: 'disc', own: false, timezone: 'Europe/London', keeper: { kind: 'person', id: 1, name: 'Ada Quill' }, level: 'manage', reasons: [],
        mayAdd: true, subscribed: false, onList: true, archived: false, firstDay: null, openingView: null, freeCategories: true, offered: false, asksProvisional: false, remarks: false, suggestedPace: null, version: 1, ...more,
    };
}

export function madeEvent(more: Partial<Schemas['Event']> = {}): Schemas['Event'] {
    return {
        id: 7, occurrence: null, calendar: 'slip', title: 'Haul out', busyOnly: false, allDay: false, start: '2026-11-10T09:00', end: '2026-11-10T10:00', timezone: 'Europe/London', endTimezone: null, endThere: null, links: [], startsAt: null, endsAt: null,
        place: '', link: '', description: '', status: 'confirmed', busy: true, private: false, categories: [], participants: [], answer: null, ownReminders: [], organiser: null, places: null, placesTaken: 0, waitsAt: null, travel: null, leave: null, guests: [], askWhen: null, asks: true, mayBring: false, seesAsked: true, remarks: null, repeat: null, priority: 0, colour: null, reminders: [],
        attachments: [], tasks: [], joinable: false, copyOf: null, origin: null, pins: [], pinned: false, joined: false, joiners: 0, joinerNames: [], addedBy: null, addedAt: null, changedBy: null, changedAt: null,
        mayChange: true, mayDelete: true, version: 3, ...more,
    };
}

export function madeParticipant(more: Partial<Schemas['EventParticipant']> = {}): Schemas['EventParticipant'] {
    return { kind: 'person', id: 1, name: 'Ben Oar', part: 'required', answer: 'unanswered', address: null, note: '', bounce: null, memberOf: null, size: null, ...more };
}

export function madePerson(more: Partial<Schemas['Person']> = {}): Schemas['Person'] {
    return { id: 1, name: 'Ada Quill', email: 'ada@example.org', timezone: 'Europe/London', role: 'administrator', post: 'Coordinator', workingHours: [], needsSecondFactor: false, invitationsByMail: true, quietHours: '', ...more };
}

export function madeDirectoryPerson(more: Partial<Schemas['DirectoryPerson']> = {}): Schemas['DirectoryPerson'] {
    return {
        id: 4, name: 'Ben Oar', email: 'ben@example.org', post: 'Rigger', timezone: 'Europe/London', role: 'member', status: 'active', hasComeIn: true, invitedAt: null, workingHours: [], groups: [],
        hasSecondFactor: false, ...more,
    };
}

/** A refusal with what is wrong at its fields. */
export function refused(status: number, title: string, ...errors: [string, string][]) {
    return { status, body: { type: 'about:blank', title, status, detail: '', errors: errors.map(([field, message]) => ({ field, message })) } };
}
