import { useEffect } from 'react';
import { useFormContext, useWatch } from 'react-hook-form';
import { Mark } from '@/components/Mark';
import { calendarLabel } from '@/features/calendars/calendarLabel';
import { CalendarChips } from '@/features/calendars/CalendarChips';
import { useCalendars } from '@/features/calendars/useCalendars';
import { useRota } from '@/features/sheet/RotaContext';
import type { EventValues } from './eventValues';

/** So many chips are told apart at a glance; the rest are in the list. */
const MOST = 6;

/** The calendar that the event goes on: always in sight, in its colour, before anything is saved. */
export function TargetPicker({ error, fixed }: { error: string | undefined; fixed: boolean }) {
    const rota = useRota();
    const calendars = useCalendars();
    const { register, control, setValue } = useFormContext<EventValues>();
    const chosen = useWatch({ control, name: 'calendar' });
    const calendar = calendars.data?.find((each) => each.slug === chosen);
    const targets = calendars.data?.filter((each) => each.mayAdd || each.slug === calendar?.slug) ?? [];
    const inView = new Set(rota.sheet?.layers.flatMap((layer) => layer.calendars));
    const groups = [
        { label: 'In this overlay', calendars: targets.filter((each) => inView.has(each.slug)) },
        { label: 'Others', calendars: targets.filter((each) => !inView.has(each.slug)) },
    ].filter((group) => group.calendars.length > 0);
    // One key changes the target, from whatever field one types in.
    const order = groups.flatMap((group) => group.calendars.map((each) => each.slug));
    useEffect(() => {
        if (fixed) return;
        const onKey = (event: KeyboardEvent) => {
            // In the one line the key is for the line.
            if (event.key !== 'F2' || event.defaultPrevented || order.length === 0) return;
            event.preventDefault();
            const at = order.indexOf(chosen) + (event.shiftKey ? -1 : 1);
            setValue('calendar', order[(at + order.length) % order.length] ?? chosen, { shouldDirty: true });
        };
        window.addEventListener('keydown', onKey);
        return () => window.removeEventListener('keydown', onKey);
    });
    return (
        <div>
            <label data-ink={calendar?.colour} className="flex items-center gap-2 border border-(--k) bg-[color-mix(in_srgb,var(--k)_9%,var(--sheet))] px-2 text-(--k)">
                <span className="sr-only">Calendar</span>
                {calendar !== undefined && <Mark mark={calendar.mark} size={13} />}
                <select {...register('calendar')} disabled={fixed} aria-invalid={error !== undefined} className="min-w-0 flex-1 bg-transparent py-1.5 font-semibold text-(--k) [&_*]:bg-sheet [&_*]:text-ink">
                    {calendar === undefined && (
                        <option value="" disabled>
                            Choose the calendar it goes on
                        </option>
                    )}
                    {groups.map((group) => (
                        <optgroup key={group.label} label={group.label}>
                            {group.calendars.map((each) => (
                                <option key={each.slug} value={each.slug}>
                                    {calendarLabel(each, calendars.data)}
                                </option>
                            ))}
                        </optgroup>
                    ))}
                </select>
            </label>
            {!fixed && order.length > 1 && (
                <div className="mt-1">
                    <CalendarChips label="Or with one click" calendars={(groups[0]?.calendars ?? []).slice(0, MOST)} chosen={chosen} onChoose={(slug) => setValue('calendar', slug, { shouldDirty: true })} />
                </div>
            )}
            {!fixed && order.length > 1 && (
                <p className="pointer-coarse:hidden mt-0.5 text-right text-[11px] text-soft">
                    <kbd className="border border-line px-1 font-sans">F2</kbd> takes the next calendar
                </p>
            )}
            <p aria-live="polite" className="sr-only">
                {calendar === undefined ? '' : `It goes on ${calendar.name}.`}
            </p>
            {error !== undefined && (
                <p role="alert" className="mt-1 text-xs font-semibold text-pin-ink">
                    {error}
                </p>
            )}
        </div>
    );
}
