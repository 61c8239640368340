/**
 * By what changes arrive: of events, or of who may see what and of everything else that is kept. Whoever may see other
 * calendars sees other events, so a change of access is one of events, too.
 */
export type Topic = 'events' | 'access';

const events = <Rest extends readonly unknown[]>(...rest: Rest) => ['events', ...rest] as const;
const access = <Rest extends readonly unknown[]>(...rest: Rest) => ['access', ...rest] as const;

/** The names under which answers are kept. The first word of a name is the topic with which it is asked for anew. */
export const queryKeys = {
    /** What is told of oneself and of changes: no change of others makes it old. */
    session: ['session'] as const,
    changes: ['changes'] as const,
    passwordLink: (...of: string[]) => ['password link', ...of] as const,
    /** One's own long work, which is asked after while it goes on. */
    jobs: ['jobs'] as const,
    /** Asked for now and then: what others change is on the sheet at once, that it is new can wait. */
    sinces: ['since'] as const,
    since: (...asked: unknown[]) => ['since', ...asked] as const,
    /** What one is told of what changed: asked for now and then. */
    notices: ['notices'] as const,
    unread: ['notices', 'unread'] as const,
    remindersNow: ['reminders'] as const,
    repeat: (asked: string) => ['repeat', asked] as const,

    sheets: events('sheet'),
    sheet: (...asked: unknown[]) => events('sheet', 'window', ...asked),
    endlessSheet: (...asked: unknown[]) => events('sheet', 'endless', ...asked),
    tables: events('sheet', 'table'),
    table: (...asked: unknown[]) => events('sheet', 'table', ...asked),
    ruler: (...asked: unknown[]) => events('ruler', ...asked),
    event: (id: number, ...asked: unknown[]) => events('event', id, ...asked),
    eventHistory: (id: number, version: number) => events('history', id, version),
    remarks: (id: number) => events('remarks', id),
    dueTasks: (...asked: unknown[]) => events('tasks', ...asked),
    calendarPins: (slug: string) => events('pins', slug),
    deletedEvents: (slug: string) => events('deleted', slug),
    find: (...asked: unknown[]) => events('find', ...asked),
    /** New ones come with events; calendars are found by those of their events. */
    places: events('places'),
    layerCounts: (asked: string) => events('layer counts', asked),
    categories: events('categories'),
    categoryUses: (id: number) => events('category uses', id),
    calendarDirectory: (...asked: unknown[]) => events('calendar directory', ...asked),
    sources: events('sources'),
    sourcesOn: (slug: string) => events('sources on', slug),
    imports: (slug: string) => events('imports', slug),
    refreshed: (source: number, refresh: number) => events('refreshed', source, refresh),

    meetings: events('meetings'),

    calendars: access('calendars'),
    overlays: access('overlays'),
    overlaySharing: (slug: string) => access('overlay sharing', slug),
    sharing: (slug: string) => access('sharing', slug),
    reach: (...asked: unknown[]) => access('reach', ...asked),
    unseeing: (slug: string, people: readonly number[]) => access('unseeing', slug, ...people),
    managers: (slug: string) => access('managers', slug),
    waiting: access('waiting'),
    follows: access('follows'),
    log: (...of: unknown[]) => access('log', ...of),
    /** It changes by itself as letters go: asked for by hand. */
    outbox: (...of: unknown[]) => access('outbox', ...of),
    organisation: access('organisation'),
    schoolYearPreview: (asked: string) => events('school year', asked),
    firstSteps: access('first steps'),
    site: access('site'),
    secondFactor: access('second factor'),
    feeds: access('feeds'),
    publications: access('publications'),
    memberFrames: access('member frames'),
    publicationPreview: (asked: string) => events('publication preview', asked),
    frame: (id: number) => access('frame', id),
    pagesOfEvent: (id: number, occurrence: string | null) => events('pages', id, occurrence),
    directory: (...asked: unknown[]) => access('directory', ...asked),
    groups: access('groups'),
    rooms: access('rooms'),
    people: (...asked: unknown[]) => access('people', ...asked),
    devices: access('devices'),
    kept: (person: number) => access('kept', person),
    /** Where an event would show is decided by access and overlays. */
    shows: (asked: string) => access('shows', asked),
    /** A line is understood by the names of calendars, people and the like. */
    line: (...asked: unknown[]) => access('line', ...asked),
};

/** The beginnings of the names of all that a change makes old. */
export function changedBy(topic: Topic): readonly [readonly [Topic], ...(readonly [Topic])[]] {
    return topic === 'access' ? [['access'], ['events']] : [['events']];
}
