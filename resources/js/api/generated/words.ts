// Written by bin/api from the core; what it says is said there.

export const LEVELS = {
    "none": {
        "name": "Nothing",
        "does": "does not see it"
    },
    "busy": {
        "name": "Busy times",
        "does": "sees when something is on, never what"
    },
    "see": {
        "name": "See",
        "does": "sees everything but private events"
    },
    "add": {
        "name": "Add",
        "does": "adds events; changes their own"
    },
    "change": {
        "name": "Change",
        "does": "changes every event"
    },
    "manage": {
        "name": "Manage",
        "does": "changes all of it, and decides settings and access"
    }
} as const;

export const OVERLAY_LEVELS = {
    "none": "does not find it",
    "see": "looks through it",
    "change": "lays its layers, too",
    "manage": "decides who may, too"
} as const;

export const ROLES = {
    "member": {
        "name": "member",
        "does": "uses what is shared with them, and keeps calendars of their own"
    },
    "coordinator": {
        "name": "coordinator",
        "does": "keeps groups, rooms and the categories of the organisation, too, and so decides who is in what is shared with a group"
    },
    "administrator": {
        "name": "administrator",
        "does": "looks after people and what the organisation decides, too"
    }
} as const;

export const HOLDS = {
    "hidden": "What it is is hidden from you, so it stays where it is.",
    "outside": "It comes from outside and is changed there.",
    "archived": "Its calendar is archived, so nothing on it changes.",
    "level": "You may look at this event, not change it.",
    "pinned": "It is pinned here, and is changed on its own calendar.",
    "looking": "You look with somebody else’s eyes; nothing can be changed."
} as const;

export const FOLLOWED_CHANGES = {
    "added": "new events",
    "moved": "moves",
    "changed": "other changes",
    "cancelled": "cancellations",
    "answered": "answers"
} as const;

export const PACES = {
    "now": "as it happens",
    "daily": "once a day",
    "weekly": "once a week",
    "off": "never"
} as const;

export const STATUSES = [
    "confirmed",
    "provisional",
    "cancelled"
] as const;

export const COLOURS = [
    "sea",
    "brick",
    "moss",
    "plum",
    "ochre",
    "cobalt",
    "pine",
    "rose",
    "slate",
    "umber"
] as const;

export const MARKS = [
    "disc",
    "triangle",
    "square",
    "diamond",
    "pentagon",
    "plus",
    "waves",
    "ring",
    "star",
    "bars"
] as const;

export const PATTERNS = [
    "plain",
    "stripes",
    "dots",
    "checks",
    "weave"
] as const;

export const WEEKDAYS = [
    "MO",
    "TU",
    "WE",
    "TH",
    "FR",
    "SA",
    "SU"
] as const;

export const REPEAT_UNITS = [
    "day",
    "week",
    "month",
    "year"
] as const;

export const MONTH_BYS = [
    "date",
    "weekday",
    "last weekday",
    "last day"
] as const;
