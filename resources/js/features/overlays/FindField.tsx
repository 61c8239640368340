import { keepPreviousData, useQuery } from '@tanstack/react-query';
import clsx from 'clsx';
import { Search } from 'lucide-react';
import { useDeferredValue, useId, useState, type KeyboardEvent } from 'react';
import { api, type Schemas } from '@/api/client';
import { Mark } from '@/components/Mark';
import { useCalendars } from '@/features/calendars/useCalendars';
import { formatDate } from '@/time/dates';
import { useRota } from './RotaContext';

type Option = { key: string; go: () => void; face: React.ReactNode };

/** One field that finds events over all one may read, and goes to a date that is typed. */
export function FindField({ className, onDone }: { className?: string; onDone?: () => void }) {
    const rota = useRota();
    const id = useId();
    const calendars = useCalendars();
    const [words, setWords] = useState('');
    const [open, setOpen] = useState(false);
    const [active, setActive] = useState(0);
    const sought = useDeferredValue(words.trim());
    const found = useQuery({
        queryKey: ['find', sought, rota.zone],
        queryFn: ({ signal }) => api<Schemas['Found']>('GET', '/find', { query: { q: sought, tz: rota.zone }, signal }),
        enabled: open && sought !== '',
        placeholderData: keepPreviousData,
    });
    const data = sought === '' ? undefined : found.data;
    const options: Option[] = [];
    if (data?.date != null) {
        const { date } = data;
        options.push({ key: 'date', go: () => rota.go({ date, event: undefined, occurrence: undefined }), face: <span>Go to {formatDate(date, 'long')} {date.slice(0, 4)}</span> });
    }
    for (const event of data?.events ?? []) {
        const calendar = calendars.data?.find((each) => each.slug === event.calendar);
        options.push({
            key: String(event.id),
            go: () => rota.go({ date: event.date, event: event.id, occurrence: event.occurrence ?? undefined }),
            face: (
                <>
                    {calendar !== undefined && <Mark mark={calendar.mark} ink={calendar.colour} size={11} />}
                    <span className="min-w-0 flex-1 truncate">
                        {event.title}
                        {event.place !== '' && <span className="text-soft">, {event.place}</span>}
                    </span>
                    <span className="shrink-0 text-soft">
                        {formatDate(event.date, 'short')} {event.date.slice(0, 4)}
                    </span>
                </>
            ),
        });
    }
    const shown = open && sought !== '' && data !== undefined;
    const choose = (option: Option | undefined) => {
        if (option === undefined) return;
        option.go();
        setWords('');
        setOpen(false);
        onDone?.();
    };
    const onKeyDown = (event: KeyboardEvent) => {
        if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
            event.preventDefault();
            setActive(Math.min(Math.max(active + (event.key === 'ArrowDown' ? 1 : -1), 0), Math.max(options.length - 1, 0)));
        } else if (event.key === 'Enter') {
            event.preventDefault();
            choose(options[active]);
        } else if (event.key === 'Escape') {
            setOpen(false);
        }
    };
    return (
        <div className={clsx('relative', className)}>
            <Search size={15} aria-hidden="true" className="pointer-events-none absolute top-2 left-2 text-soft" />
            <input
                type="search"
                role="combobox"
                aria-label="Find an event, or go to a date"
                aria-expanded={shown}
                aria-controls={`${id}-list`}
                aria-activedescendant={shown && options.length > 0 ? `${id}-${active}` : undefined}
                autoComplete="off"
                placeholder="Find, or “next tue”"
                className="h-8 w-full rounded-sm border border-line bg-sheet pr-2 pl-7 text-[13px]"
                value={words}
                onChange={(event) => {
                    setWords(event.target.value);
                    setActive(0);
                    setOpen(true);
                }}
                onFocus={() => setOpen(true)}
                onBlur={() => setOpen(false)}
                onKeyDown={onKeyDown}
            />
            <ul id={`${id}-list`} role="listbox" aria-label="Found" className={shown && options.length > 0 ? 'absolute right-0 z-40 mt-1 max-h-96 w-96 max-w-[92vw] overflow-y-auto border border-ink bg-sheet shadow-(--shadow)' : 'hidden'}>
                {options.map((option, index) => (
                    // The keyboard chooses from the field itself, as the combobox pattern has it.
                    // eslint-disable-next-line jsx-a11y/click-events-have-key-events
                    <li
                        key={option.key}
                        id={`${id}-${index}`}
                        role="option"
                        aria-selected={index === active}
                        className="flex cursor-pointer items-center gap-2 px-2.5 py-1.5 text-[13px] aria-selected:bg-wash"
                        onMouseDown={(event) => event.preventDefault()}
                        onClick={() => choose(option)}
                        onMouseEnter={() => setActive(index)}
                    >
                        {option.face}
                    </li>
                ))}
            </ul>
            {shown && options.length === 0 && !found.isFetching && (
                <p role="status" className="absolute right-0 z-40 mt-1 w-72 max-w-[92vw] border border-ink bg-sheet px-2.5 py-1.5 text-[13px] text-soft shadow-(--shadow)">
                    Nothing that you may read has these words.
                </p>
            )}
        </div>
    );
}
