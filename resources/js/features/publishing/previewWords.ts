import type { Schemas } from '@/api/client';
import type { PublicationPreview } from './usePublicationPreview';

const events = (count: number) => (count === 1 ? 'one event' : `${count} events`);

const such = (examples: readonly string[]) => (examples.length === 0 ? '' : `, such as ${examples.map((each) => `“${each}”`).join(', ')}`);

/** “42 events of the coming year, 3 of them as busy times.” */
export function toldWords({ count, busy }: PublicationPreview): string {
    if (count === 0) return 'Nothing of the last four weeks and the coming year.';
    const told = `${count === 1 ? 'One event' : `${count} events`} of the last four weeks and the coming year`;
    if (busy === 0) return `${told}.`;
    return busy === count ? `${told}, ${count === 1 ? 'as a busy time' : 'all as busy times'}.` : `${told}, ${busy} of them as busy times.`;
}

const WHY: Record<Schemas['LeftOut']['why'], string> = {
    private: 'private: when the time is taken goes out, and nothing else',
    beyond: 'out of its days',
    conditions: 'not what it asks for',
    busy: 'seen as busy times by yourself, and no more than that goes out',
};

/** Why some is not told, with what it is. */
export function leftOutWords({ why, count, examples }: Schemas['LeftOut']): string {
    return `${count === 1 ? 'One is' : `${count} are`} ${WHY[why]}${why === 'busy' ? '' : such(examples)}.`;
}

/** What one may not want to go out. */
export function warningWords({ where, count, people, examples }: Schemas['PublicationWarning']): string {
    const names = people.join(', ');
    switch (where) {
        case 'title':
            return `The titles of ${events(count)} name people (${names})${such(examples)}.`;
        case 'place':
            return `The places of ${events(count)} name people (${names})${such(examples)}.`;
        case 'responsible':
            return `Whoever is responsible is named on ${events(count)}: ${names}${count > people.length ? ' and others' : ''}.`;
        case 'notes':
            return `What stands under “About” goes out with ${events(count)}${such(examples)}.`;
    }
}
