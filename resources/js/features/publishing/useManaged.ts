import { useCalendars } from '@/features/calendars/useCalendars';
import { useOverlays } from '@/features/overlays/useOverlays';

/** @property value what it is, such as `calendar:keel-year` */
export type Managed = { value: string; name: string; kind: 'calendar' | 'overlay' };

/** The calendars and overlays that one manages. */
export function useManaged(): Managed[] {
    const calendars = useCalendars();
    const overlays = useOverlays();
    return [
        ...(overlays.data ?? []).filter((each) => each.level === 'manage' && !each.home).map(({ slug, name }) => ({ value: `overlay:${slug}`, name, kind: 'overlay' as const })),
        ...(calendars.data ?? []).filter((each) => each.level === 'manage').map(({ slug, name }) => ({ value: `calendar:${slug}`, name, kind: 'calendar' as const })),
    ];
}

/** As it is sent: `{ calendar: 'keel-year' }`; nothing where nothing is chosen. */
export function subjectOf(value: string): { calendar?: string; overlay?: string } {
    const at = value.indexOf(':');
    return at === -1 ? {} : { [value.slice(0, at)]: value.slice(at + 1) };
}
