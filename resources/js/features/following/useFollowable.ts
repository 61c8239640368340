import { useCalendars, useCategories } from '@/features/calendars/useCalendars';
import type { Overlay } from '@/features/overlays/useOverlays';
import { useRota } from '@/features/sheet/RotaContext';
import type { Followable } from './following';

/** What can be followed of what is looked at: a category of a calendar where one alone is asked for, a calendar, a person, an overlay. */
export function useFollowable(overlay: Overlay | null): Followable | null {
    const rota = useRota();
    const calendars = useCalendars().data;
    const categories = useCategories().data;
    const { calendar: slug, of, categories: asked } = rota.search;
    if (slug !== undefined) {
        const calendar = calendars?.find((each) => each.slug === slug);
        if (calendar === undefined || calendar.level === 'busy') return null;
        const [name, ...more] = asked ?? [];
        const category = more.length > 0 ? undefined : categories?.find((each) => each.name === name && (each.calendar === null || each.calendar === slug));
        return category === undefined
            ? { input: { kind: 'calendar', calendar: slug }, name: calendar.name, suggested: calendar.suggestedPace }
            : { input: { kind: 'category', calendar: slug, category: category.id }, name: `${category.name} on ${calendar.name}`, suggested: calendar.suggestedPace };
    }
    const person = of === undefined ? null : /^person:(\d+)$/.exec(of);
    if (person !== null) return { input: { kind: 'person', person: Number(person[1]) }, name: rota.sheet?.layers[0]?.name ?? 'this person' };
    return of === undefined && overlay !== null ? { input: { kind: 'overlay', overlay: overlay.slug }, name: overlay.name } : null;
}
