import type { Schemas } from '@/api/client';
import type { Publication } from './usePublications';

/** How much is told, as it is chosen. */
export const DETAILS: Record<Schemas['PublicationInput']['detail'], string> = {
    'busy times': 'busy times',
    titles: 'titles and times',
    'without people': 'everything but people',
    everything: 'everything',
};

export const AUDIENCES: Record<Schemas['PublicationInput']['audience'], string> = {
    everybody: 'everybody, and may be found',
    'with the link': 'whoever has the link',
    'named people': 'people who are named',
};

export const PERIODS: Record<Schemas['PublicationInput']['period'], string> = {
    all: 'all of them',
    year: 'this school year',
    weeks: 'so many weeks',
};

/** “all of it”, “this school year”, “this week, 1 before and 4 after”. */
export function periodWords({ period, weeksBack, weeksOn }: Pick<Publication, 'period' | 'weeksBack' | 'weeksOn'>): string {
    if (period === 'all') return 'all of it';
    if (period === 'year') return 'this school year';
    return `this week${weeksBack === 0 ? '' : `, ${weeksBack} before`}${weeksOn === 0 ? '' : `${weeksBack === 0 ? ', ' : ' and '}${weeksOn} after`}`;
}

/** An address that can be read, of a name: “Keel year” is at “keel-year”. */
export function addressOf(name: string): string {
    return name
        .normalize('NFKD')
        .toLowerCase()
        .replace(/[\u0300-\u036f]/g, '')
        .replace(/[^a-z0-9]+/g, '-')
        .replace(/^-+|-+$/g, '')
        .slice(0, 60);
}
