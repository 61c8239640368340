import type { Schemas } from '@/api/client';

type Doubt = Schemas['LineDoubt'];

const UNKNOWN: Partial<Record<Doubt['kind'], string>> = {
    person: 'nobody is called so',
    group: 'no group is called so',
    place: 'no place is called so',
    calendar: 'you may add to no calendar of that name',
    repeat: 'how often is not clear',
    category: 'there is no such category yet',
};

const UNCLEAR: Partial<Record<Doubt['kind'], string>> = { ending: 'until when is not clear', time: 'which hour is not clear' };

/** Why a piece of a line was not understood. */
export function doubtWords({ kind, reason }: Pick<Doubt, 'kind' | 'reason'>): string {
    switch (reason) {
        case 'noSuchDate':
            return 'there is no such day';
        case 'noSuchTime':
            return 'there is no such hour';
        case 'unclear':
            return UNCLEAR[kind] ?? 'which day is not clear';
        case 'wrongWeekday':
            return 'is another day of the week';
        case 'second':
            return kind === 'time' ? 'is a second hour: it stays in the title' : kind === 'place' ? 'is a second place: it stays in the title' : 'is a second day: it stays in the title';
        case 'several':
            return 'several are called so';
        case 'loose':
            return 'is in the title alone';
        case 'newName':
            return 'is a new category';
        default:
            return UNKNOWN[kind] ?? 'is not understood';
    }
}

/** A line with another text where a piece stands; places are counted in characters. */
export function replaced(line: string, { at, text }: Pick<Doubt, 'at' | 'text'>, by: string): string {
    const characters = Array.from(line);
    characters.splice(at, Array.from(text).length, by);
    return characters.join('');
}
