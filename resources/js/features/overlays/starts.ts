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

/** With a layer for what none of these takes, where there are some. */
function withRest(layers: Layer[]): Layer[] {
    return layers.length === 0 ? [] : [...layers, layer(layers.length, 'Everything else', { takes: 'rest' })];
}

const mine: Condition[] = [{ about: 'people', part: 'taking part', who: [{ kind: 'me' }], not: false }];

/** What a new overlay can start from; where it finds nothing it gives no layers, and says why. */
export const STARTS: { name: string; nothing: string; layers: (calendars: Calendar[], categories: string[], people: { id: number; name: string }[]) => Layer[] }[] = [
    { name: 'all that is on my list', nothing: 'There is no calendar on your list yet: make one, or find one under Calendars.', layers: (calendars) => calendars.filter((each) => each.onList).map(layerOf) },
    {
        name: 'what my groups keep',
        nothing: 'None of your groups keeps a calendar yet.',
        layers: (calendars) =>
            [...new Map(calendars.filter((each) => each.level === 'manage' && each.keeper.kind === 'group').map((each) => [each.keeper.id, each.keeper.name]))].map(([group, name], index) =>
                layer(index, name, { takes: 'group', group }),
            ),
    },
    {
        name: 'a layer for each category',
        nothing: 'There are no categories yet: they come with events, or from what the organisation decides.',
        layers: (_, categories) => withRest(categories.map((name, index) => layer(index, name, { conditions: [{ about: 'category', match: 'any', names: [name], not: false }] }))),
    },
    {
        name: 'a layer for each person of my groups',
        nothing: 'You are in no group yet.',
        layers: (_, __, people) => withRest(people.map(({ id, name }, index) => layer(index, name, { conditions: [{ about: 'people', part: 'responsible', who: [{ kind: 'person', id, name }], not: false }] }))),
    },
    {
        name: 'mine, and everyone else’s',
        nothing: '',
        layers: () => [layer(0, 'Mine', { conditions: mine }), layer(8, 'Everyone else’s', { takes: 'rest' })],
    },
];
