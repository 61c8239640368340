import { useMemo, useRef, type PointerEvent } from 'react';
import { addDays, addMonths, daysBetween, formatDate, startOfMonth } from '@/time/dates';
import { RulerBars } from './RulerBars';
import { useOrganisationName } from '@/features/session/useSession';
import { useRota } from '@/features/sheet/RotaContext';
import { useRuler, type Through } from '@/features/sheet/useSheet';

type Props = { through: Through; enabled: boolean };

const MONTHS = 6;
/** In days: more than the ruler has room for. */
const LONG_TERM = 150;

/** Half a year of days as bars, so that full weeks and gaps are seen before they are read. The bracket is what the sheet shows. */
export function Ruler({ through, enabled }: Props) {
    const rota = useRota();
    // What names weeks has its place before they are known: nothing moves when they come.
    const hasTerms = useOrganisationName().terms;
    const strip = useRef<HTMLDivElement>(null);
    // A term is shown whole. Else it moves by a quarter, so that it stands still while the sheet is turned.
    const month = Number(rota.date.slice(5, 7)) - 1;
    const term = rota.sheet?.terms.find((each) => each.from <= rota.date && rota.date <= each.to && daysBetween(each.from, each.to) < LONG_TERM);
    const from = term === undefined ? addMonths(startOfMonth(rota.date), -(month % 3) - 1) : startOfMonth(term.from);
    const to = addMonths(from, MONTHS);
    const ruler = useRuler(through, useMemo(() => ({ from, to }), [from, to]), enabled);
    const count = daysBetween(from, to);
    const months = Array.from({ length: MONTHS }, (_, index) => addMonths(from, index));
    const data = ruler.data?.from === from ? ruler.data : undefined;
    const percent = (date: string) => `${(Math.min(Math.max(daysBetween(from, date), 0), count) / count) * 100}%`;
    const length = daysBetween(rota.focus.from, rota.focus.to);

    const jump = (event: PointerEvent) => {
        const box = strip.current?.getBoundingClientRect();
        if (strip.current === null || box === undefined) return;
        const index = Math.min(Math.max(Math.floor(((event.clientX - box.left) / box.width) * count), 0), count - 1);
        const date = addDays(from, index);
        strip.current.title = `${formatDate(date, 'weekdayDay')}: ${data?.closed.includes(date) === true ? 'closed' : (data?.loads[index] ?? 0)}`;
        if (event.type === 'pointermove' && event.buttons !== 1) return;
        if (date < rota.focus.from || date >= rota.focus.to) rota.go({ date });
    };
    return (
        <div className="shrink-0 border-b border-line px-3.5 pt-2 pb-1.5 max-sm:pt-1">
            <div
                ref={strip}
                role="slider"
                tabIndex={0}
                aria-label="Ruler: how full each day is. Arrow keys move a week."
                aria-valuemin={0}
                aria-valuemax={count}
                aria-valuenow={Math.min(Math.max(daysBetween(from, rota.focus.from), 0), count)}
                aria-valuetext={`${formatDate(rota.focus.from, 'long')}, ${length} days`}
                className="relative flex h-11 touch-none items-end max-sm:h-7"
                onPointerDown={(event) => {
                    event.currentTarget.setPointerCapture(event.pointerId);
                    jump(event);
                }}
                onPointerMove={jump}
                onKeyDown={(event) => {
                    if (event.key === 'ArrowLeft') rota.go({ date: addDays(rota.date, -7) });
                    if (event.key === 'ArrowRight') rota.go({ date: addDays(rota.date, 7) });
                }}
            >
                <RulerBars from={from} count={count} load={data} today={rota.today} />
                <span
                    aria-hidden="true"
                    className="pointer-events-none absolute -top-1.5 -bottom-1 border-2 border-t-0 border-b-[3px] border-ink before:absolute before:top-0 before:left-0 before:w-1.5 before:border-t-2 before:border-ink after:absolute after:top-0 after:right-0 after:w-1.5 after:border-t-2 after:border-ink"
                    style={{ left: percent(rota.focus.from), right: `calc(100% - ${percent(rota.focus.to)})` }}
                />
            </div>
            <div className="relative mt-1.5 h-4 font-serif text-xs font-medium text-soft">
                {months.map((each) => (
                    <span key={each} className="absolute max-sm:text-[10px]" style={{ left: percent(each) }}>
                        <span className="sm:hidden">{formatDate(each, 'month').slice(0, 3)}</span>
                        <span className="max-sm:hidden">{formatDate(each, 'month')}</span>
                    </span>
                ))}
            </div>
            {(hasTerms || (data?.weeks.length ?? 0) > 0) && (
                <div aria-hidden="true" className="relative h-3.5 text-[10px] leading-none text-soft max-sm:hidden">
                    {data?.weeks.filter(({ monday }) => monday >= from && addDays(monday, 5) < to).map((week) => (
                        <span key={week.monday} className="absolute max-w-9 overflow-hidden border-l border-line pl-0.5 text-clip whitespace-nowrap" style={{ left: percent(week.monday) }} title={week.name}>
                            {week.number === 1 ? week.term : week.number === null ? '–' : week.short}
                        </span>
                    ))}
                </div>
            )}
        </div>
    );
}
