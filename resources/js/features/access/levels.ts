import type { Schemas } from '@/api/client';

export type Level = Schemas['Calendar']['level'];

/** What each level is called and lets one do, from least to most. */
export const LEVELS: Record<Level, { name: string; means: string }> = {
    none: { name: 'Nothing', means: 'does not see it' },
    busy: { name: 'Busy times', means: 'sees when something is on, never what' },
    see: { name: 'See', means: 'sees everything but private events' },
    add: { name: 'Add', means: 'adds events; changes their own' },
    change: { name: 'Change', means: 'changes every event' },
    manage: { name: 'Manage', means: 'changes all of it, and decides settings and access' },
};

export const GIVABLE: Level[] = ['busy', 'see', 'add', 'change', 'manage'];

/** What levels let one do with an overlay, which shows nothing that one may not see otherwise. */
export const OVERLAY_LEVELS: Partial<Record<Level, string>> = {
    none: 'does not find it',
    see: 'looks through it',
    change: 'lays its layers, too',
    manage: 'decides who may, too',
};
