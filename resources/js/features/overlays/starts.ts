import { COLOURS, MARKS, PATTERNS } from '@/api/generated/words';
import type { Calendar } from '@/features/calendars/useCalendars';
import type { Condition } from './ConditionFields';
import type { Layer } from './LayerFields';

/** A layer of one calendar, drawn as the calendar is. */
export function layerOf(calendar: Calendar): Layer {
    return { name: calendar.name, colour: calendar.colour, mark: calendar.mark, pattern: 'plain', takes: 'chosen', group: null, calendars: [calendar.slug], conditions: [] };
}

function layer(index: number, name: string, part: Partial<Layer>): Layer {
    return { name, colour: COLOURS[index % COLOURS.length] ?? 'sea', mark: MARKS[index % MARKS.length] ?? 'disc', pattern: PATTERNS[Math.floor(index / COLOURS.length) % PATTERNS.length] ?? 'plain', takes: 'all', group: null, calendars: [], conditions: [], ...part };
}

const mine: Condition[] = [{ about: 'people', part: 'taking part', who: [{ kind: 'me' }], not: false }];

/** What a new overlay can start from. */
export const STARTS: { name: string; layers: (calendars: Calendar[], categories: string[], people: { id: number; name: string }[]) => Layer[] }[] = [
    { name: 'all that is on my list', layers: (calendars) => calendars.filter((each) => each.onList).map(layerOf) },
    {
        name: 'what my groups keep',
        layers: (calendars) =>
            [...new Map(calendars.filter((each) => each.level === 'manage' && each.keeper.kind === 'group').map((each) => [each.keeper.id, each.keeper.name]))].map(([group, name], index) =>
                layer(index, name, { takes: 'group', group }),
            ),
    },
    {
        name: 'a layer for each category',
        layers: (_, categories) => [
            ...categories.map((name, index) => layer(index, name, { conditions: [{ about: 'category', match: 'any', names: [name], not: false }] })),
            layer(categories.length, 'Everything else', { takes: 'rest' }),
        ],
    },
    {
        name: 'a layer for each person of my groups',
        layers: (_, __, people) => [
            ...people.map(({ id, name }, index) => layer(index, name, { conditions: [{ about: 'people', part: 'responsible', who: [{ kind: 'person', id, name }], not: false }] })),
            layer(people.length, 'Everything else', { takes: 'rest' }),
        ],
    },
    {
        name: 'mine, and everyone else’s',
        layers: () => [layer(0, 'Mine', { conditions: mine }), layer(8, 'Everyone else’s', { takes: 'rest' })],
    },
];
