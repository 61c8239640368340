import { memo } from 'react';
import type { Schemas } from '@/api/client';
import { daysBetween, weekday } from '@/time/dates';

type Props = { from: string; count: number; /** Not known yet: as if nothing were on. */ load: Schemas['Ruler'] | undefined; today: string };

/** The least that is drawn of a day, and the most, of a height of 100. */
const LEAST = 4;
const MOST = 92;

/** A bar for each day, in one drawing: half a year has too many for an element each. Closed days are hatched. */
export const RulerBars = memo(function RulerBars({ from, count, load, today }: Props) {
    const most = Math.max(1, ...(load?.loads ?? []));
    const bars = { pin: '', weekend: '', load: '' };
    const closed = stretches((load?.closed ?? []).map((day) => daysBetween(from, day)));
    const [now, first] = [daysBetween(from, today), weekday(from)];
    for (let index = 0; index < count; index++) {
        if (closed.some((each) => each.from <= index && index <= each.to)) continue;
        bars[index === now ? 'pin' : (first + index) % 7 > 4 ? 'weekend' : 'load'] += `M${index} 100v${-Math.max(LEAST, ((load?.loads[index] ?? 0) / most) * MOST)}h.85V100z`;
    }
    return (
        <>
            <svg aria-hidden="true" viewBox={`0 0 ${count} 100`} preserveAspectRatio="none" className="absolute inset-0 size-full">
                <path d={bars.load} fill="var(--load)" />
                <path d={bars.weekend} fill="var(--load-weekend)" />
                <path d={bars.pin} fill="var(--pin)" />
            </svg>
            {closed.map((each) => (
                <i key={each.from} aria-hidden="true" className="hatched absolute inset-y-0" style={{ left: `${(each.from / count) * 100}%`, width: `${((each.to + 1 - each.from) / count) * 100}%` }} />
            ))}
        </>
    );
});

/** Days in order, by their number: those that follow on each other together, the last one included. */
function stretches(days: readonly number[]): { from: number; to: number }[] {
    const found: { from: number; to: number }[] = [];
    for (const day of days) {
        const before = found.at(-1);
        if (before?.to === day - 1) before.to = day;
        else found.push({ from: day, to: day });
    }
    return found;
}
