import type { Schemas } from '@/api/client';
import type { Asked } from './useTable';

type Layer = Schemas['OverlayLayer'];

/** What is asked for on top of what the table is looked at through, as conditions of a layer. */
export function askedConditions({ through: { categories, words, people }, status }: Asked): Schemas['Condition'][] {
    const asked: Schemas['Condition'][] = [];
    if (categories.length > 0) asked.push({ about: 'category', match: 'any', names: categories, not: false });
    if (words !== undefined) asked.push({ about: 'words', words: [words], not: false });
    if (people.length > 0) asked.push({ about: 'people', part: 'taking part', who: people.map((id) => ({ kind: 'person', id, name: '' })), not: false });
    if (status !== '') asked.push({ about: 'status', statuses: [status], not: false });
    return asked;
}

/** Layers that take only what the table shows of them. */
export function narrowed(layers: Layer[], conditions: Schemas['Condition'][]): Layer[] {
    return layers.map((layer) => ({ ...layer, conditions: [...layer.conditions, ...conditions] }));
}
