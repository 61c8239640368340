import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useNavigate } from '@tanstack/react-router';
import clsx from 'clsx';
import { Search } from 'lucide-react';
import { useDeferredValue, useId, useState, type KeyboardEvent } from 'react';
import { answered, api, Problem } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { toast } from '@/toast/toast';
import { Mark } from '@/components/Mark';
import { useEventActions } from '@/features/events/useEventActions';
import { useCalendars } from '@/features/calendars/useCalendars';
import { formatDate } from '@/time/dates';
import { LineOption } from './LineOption';
import { LinePieces } from './LinePieces';
import { useRota } from '@/features/sheet/RotaContext';
import { beginningOfLine, inputOfLine, useLine } from './useLine';

type Option = { key: string; go: (event: { shiftKey: boolean }) => void; face: React.ReactNode };

/** The one line: it adds an event that is written in it, finds events over all one may read, and goes to a date that is typed. */
export function OneLineField({ className, onDone }: { className?: string; onDone?: () => void }) {
    const rota = useRota();
    const id = useId();
    const navigate = useNavigate();
    const calendars = useCalendars();
    const [words, setWords] = useState('');
    const [open, setOpen] = useState(false);
    const [active, setActive] = useState(0);
    const [plain, setPlain] = useState<string[]>([]);
    const [target, setTarget] = useState<string | null>(null);
    const { create } = useEventActions();
    const sought = useDeferredValue(words.trim());
    const mayWrite = rota.search.as === undefined;
    const line = useLine(sought, rota.zone, plain, open && mayWrite);
    const found = useQuery({
        queryKey: queryKeys.find(sought, rota.zone),
        queryFn: ({ signal }) => answered(api.GET('/find', { params: { query: { q: sought, tz: rota.zone } }, signal })),
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
    const targets = calendars.data?.filter((each) => each.mayAdd) ?? [];
    const written = sought === '' ? undefined : line.data;
    if (written !== undefined && mayWrite && targets.length > 0) {
        // Most likely first: the one that was chosen or named, where such an event went last, the first in view.
        const inView = rota.sheet?.layers.find((layer, index) => layer.target !== null && !rota.hidden.has(index))?.target;
        const calendar = targets.find((each) => each.slug === (target ?? written.calendar)) ?? targets.find((each) => each.slug === inView) ?? targets[0];
        const add: Option = {
            key: 'add',
            go: ({ shiftKey }) => {
                const input = calendar === undefined ? null : inputOfLine(written, calendar.slug);
                if (input === null || shiftKey) return rota.begin(beginningOfLine(written, calendar?.slug ?? null, rota.date));
                create.mutate(input, {
                    onSuccess: ({ answer: event }) => {
                        const day = event.start.slice(0, 10);
                        if (day < rota.span.from || day >= rota.span.to) rota.go({ date: day });
                    },
                    onError: (error) => {
                        toast.error(error instanceof Problem ? (error.fields[0]?.message ?? error.message) : 'Something went wrong.', { description: 'It is in the form: nothing you typed is lost.' });
                        rota.begin(beginningOfLine(written, calendar?.slug ?? null, rota.date));
                    },
                });
            },
            face: <LineOption line={written} calendar={calendar} />,
        };
        // What says when is meant to be added; what does not is sought first.
        if (written.start !== null && written.title !== '') options.splice(data?.date != null ? 1 : 0, 0, add);
        else options.push(add);
    }
    if (written !== undefined && written.start !== null && mayWrite && calendars.data !== undefined && targets.length === 0) {
        options.push({ key: 'none', go: () => void navigate({ to: '/calendars' }), face: <span>There is no calendar yet that you may add this to: make one, or ask for one</span> });
    }
    const onTarget = (by: 1 | -1) => {
        const now = targets.findIndex((each) => each.slug === (target ?? written?.calendar));
        setTarget(targets[(now + by + targets.length) % targets.length]?.slug ?? null);
    };
    const shown = open && sought !== '' && data !== undefined;
    const nothing = written?.start == null && data !== undefined && data.events.length === 0 && data.date === null && !found.isFetching;
    const choose = (option: Option | undefined, event: { shiftKey: boolean }) => {
        if (option === undefined) return;
        option.go(event);
        setWords('');
        setPlain([]);
        setTarget(null);
        setOpen(false);
        onDone?.();
    };
    const onKeyDown = (event: KeyboardEvent) => {
        if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
            event.preventDefault();
            setActive(Math.min(Math.max(active + (event.key === 'ArrowDown' ? 1 : -1), 0), Math.max(options.length - 1, 0)));
        } else if (event.key === 'Enter') {
            event.preventDefault();
            choose(options[active], event);
        } else if (event.key === 'F2') {
            event.preventDefault();
            onTarget(event.shiftKey ? -1 : 1);
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
                aria-label="Add or find: one line"
                aria-expanded={shown}
                aria-controls={`${id}-list`}
                aria-activedescendant={shown && options.length > 0 ? `${id}-${active}` : undefined}
                autoComplete="off"
                placeholder="Add or find: one line"
                className="h-8 w-full rounded-sm border border-line bg-sheet pr-2 pl-7 text-[13px]"
                value={words}
                onChange={(event) => {
                    setWords(event.target.value);
                    setActive(0);
                    setPlain([]);
                    setOpen(true);
                }}
                onFocus={() => setOpen(true)}
                onBlur={() => setOpen(false)}
                onKeyDown={onKeyDown}
            />
            <div className={shown && (options.length > 0 || nothing) ? 'absolute right-0 z-40 mt-1 max-h-[70vh] w-[30rem] max-w-[92vw] overflow-y-auto border border-ink bg-sheet text-[13px] shadow-(--shadow)' : 'hidden'}>
            <ul id={`${id}-list`} role="listbox" aria-label="Found">
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
                        onClick={(event) => choose(option, event)}
                        onMouseEnter={() => setActive(index)}
                    >
                        {option.face}
                    </li>
                ))}
            </ul>
                {nothing && (
                    <p role="status" className="border-t border-line px-2.5 py-1.5 text-soft">
                        Nothing that you may read has these words.
                    </p>
                )}
                {written !== undefined && mayWrite && <LinePieces line={written} onPlain={(text) => setPlain([...plain, text])} />}
            </div>
        </div>
    );
}
