import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { answered, api } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { CheckField, Field, TextField } from '@/components/Field';
import { Failed, Loading } from '@/components/States';
import { useGroups } from '@/features/directory/useGroups';
import { CalendarRow } from './CalendarRow';
import { useCategories } from '@/features/calendars/useCalendars';

type Sought = { q: string; keeper: string; group: string; category: string; archived: boolean };

function useDirectory({ group, ...sought }: Sought) {
    return useQuery({
        queryKey: queryKeys.calendarDirectory(sought, group),
        queryFn: ({ signal }) => answered(api.GET('/directory/calendars', { params: { query: { ...sought, ...(group === '' ? {} : { group: Number(group) }) } }, signal })),
        placeholderData: keepPreviousData,
    });
}

/** Whether nothing in particular is sought. */
function isPlain({ q, keeper, group, category, archived }: Sought): boolean {
    return [q, keeper, group, category].every((each) => each === '') && !archived;
}

/** Every calendar one may see, found by name, keeper, group and category. */
export function CalendarDirectory() {
    const [sought, setSought] = useState<Sought>({ q: '', keeper: '', group: '', category: '', archived: false });
    const found = useDirectory(useDeferredValue(sought));
    const groups = useGroups();
    const categories = useCategories();
    const names = [...new Set(categories.data?.map((each) => each.name))];
    const set = (change: Partial<Sought>) => setSought({ ...sought, ...change });
    if (found.isError) return <Failed error={found.error} retry={() => void found.refetch()} />;
    if (found.data === undefined) return <Loading what="the directory" />;
    const more = found.data.total - found.data.calendars.length;
    return (
        <>
            <div className="mb-4 grid gap-3 sm:grid-cols-[2fr_1.4fr_1fr_1fr]">
                <TextField label="Find a calendar" type="search" value={sought.q} onChange={(event) => set({ q: event.target.value })} autoFocus />
                <TextField label="Kept by" type="search" value={sought.keeper} onChange={(event) => set({ keeper: event.target.value })} />
                <Field label="Shared with group">
                    {(control) => (
                        <select {...control} value={sought.group} onChange={(event) => set({ group: event.target.value })}>
                            <option value="">any</option>
                            {groups.data?.map((group) => (
                                <option key={group.id} value={group.id}>
                                    {group.name}
                                </option>
                            ))}
                        </select>
                    )}
                </Field>
                <Field label="With category">
                    {(control) => (
                        <select {...control} value={sought.category} onChange={(event) => set({ category: event.target.value })}>
                            <option value="">any</option>
                            {names.map((name) => (
                                <option key={name}>{name}</option>
                            ))}
                        </select>
                    )}
                </Field>
            </div>
            <div className="mb-1 flex items-center justify-between text-soft">
                <p role="status">{found.data.total === 1 ? '1 calendar' : `${found.data.total} calendars`}</p>
                <CheckField label="Archived ones" checked={sought.archived} onChange={(event) => set({ archived: event.target.checked })} />
            </div>
            {found.data.total === 0 && <p className="text-soft">{isPlain(sought) ? 'There is no calendar yet that you may see. Make the first one, or ask whoever keeps one to share it.' : 'No calendar that you may see is like that.'}</p>}
            <ul aria-label="Calendars found" className="border-t border-line">
                {found.data.calendars.map((calendar) => (
                    <CalendarRow key={calendar.slug} calendar={calendar} />
                ))}
            </ul>
            {more > 0 && <p className="py-2 text-soft">and {more} more: type more of the name.</p>}
        </>
    );
}
