import { useQuery } from '@tanstack/react-query';
import { useNavigate } from '@tanstack/react-router';
import clsx from 'clsx';
import { DoorOpen, Search, User, Users, X } from 'lucide-react';
import { useEffect, useId, useRef, useState, type ClipboardEvent, type KeyboardEvent } from 'react';
import type { Schemas } from '@/api/client';
import { Mark } from '@/components/Mark';
import { useLatest } from '@/components/useLatest';
import { useSettled } from '@/components/useSettled';
import { formatDate } from '@/time/dates';
import { bringIn } from '@/features/imports/bringIn';
import { toast } from '@/toast/toast';
import { replaced } from './doubtWords';
import { LineDoubts } from './LineDoubts';
import { LineOption } from './LineOption';
import { LinePieces } from './LinePieces';
import { LineTarget } from './LineTarget';
import { atDate, atEvent, atParty, isMeant, PUT_RIGHT, readMessage, useEnteredLines, type Refused } from './useEnteredLines';
import { findQuery, isBlocked, lineQuery, type AskedLine, type UnderstoodLine } from './useLine';
import { useLineHost } from './useLineHost';
import { nextTarget, targetOf, useTargets } from './useLineTarget';

/** A pause after the last key, in milliseconds. */
const PAUSE = 80;

/** What is written, and what was decided about it. */
type Writing = { text: string; plain: string[]; span: NonNullable<UnderstoodLine['span']>; target: string | null; description: string };

const EMPTY: Writing = { text: '', plain: [], span: 'eachDay', target: null, description: '' };

type Found = Schemas['Found'];

type Option = { key: string; go: () => void; face: React.ReactNode };

/** The one line: it adds an event that is written in it, finds events over all one may read, and goes to a date that is typed. */
export function OneLineField({ className, onDone, autoFocus = false, handed }: { className?: string; onDone?: () => void; autoFocus?: boolean; /** A text that came from elsewhere, to be read as though it were pasted. */ handed?: string | undefined }) {
    const host = useLineHost();
    const id = useId();
    const navigate = useNavigate();
    const { known, calendars, targets } = useTargets();
    const field = useRef<HTMLInputElement>(null);
    const [writing, setWriting] = useState(EMPTY);
    const [open, setOpen] = useState(false);
    const [active, setActive] = useState(0);
    const [why, setWhy] = useState<string | null>(null);
    const put = (change: Partial<Writing>) => {
        setWriting({ ...writing, ...change });
        setWhy(null);
    };
    const onRefused = ({ entered, why: reason }: Refused) => {
        const back = () => {
            setWriting({ text: entered.asked.text, plain: [...entered.asked.plain], span: entered.asked.span, target: entered.target, description: entered.description });
            setWhy(reason);
            setOpen(true);
            field.current?.focus();
        };
        // What is being written meanwhile stays; the other one can be taken back.
        if (field.current === null || field.current.value.trim() !== '') toast.error(`“${entered.asked.text}” is not added. ${reason}`, { duration: Infinity, action: { label: 'Write on', onClick: back } });
        else back();
    };
    const entered = useEnteredLines(host, onRefused);

    const askedOf = ({ text, plain, span }: Writing): AskedLine => ({ text: text.trim(), zone: host.zone, plain, span, view: host.view });
    const settled = useSettled(writing, PAUSE);
    const asked = askedOf(settled);
    const sought = writing.text.trim();
    const line = useQuery({ ...lineQuery(asked), enabled: open && asked.text !== '' && host.mayWrite });
    const found = useQuery({ ...findQuery(asked.text, host.zone), enabled: open && asked.text !== '' });
    // Nothing that was answered to another text is shown or acted upon.
    const isCurrent = asked.text === sought && sought !== '';
    const written = isCurrent ? line.data : undefined;
    const data = isCurrent ? found.data : undefined;
    const calendar = written === undefined ? undefined : targetOf(written, writing.target, targets, host);

    const done = () => {
        setWriting(EMPTY);
        setActive(0);
        setWhy(null);
        setOpen(false);
    };
    const enter = (inForm: boolean) => {
        if (sought === '') return;
        // Where the answer is there already and says what is to be put right, it stays to be put right.
        if (written !== undefined && isBlocked(written) && !inForm) return setWhy(PUT_RIGHT);
        entered.enter({ asked: askedOf(writing), target: writing.target, description: writing.description, inForm });
        done();
    };
    const options: Option[] = [];
    const date = data?.date ?? null;
    if (date !== null) options.push({ key: 'date', go: () => host.go(atDate(date)), face: <span>Go to {formatDate(date, 'long')} {date.slice(0, 4)}</span> });
    const partyOption = (party: Found['parties'][number]): Option => ({
        key: `${party.kind} ${party.id}`,
        go: () => host.go(atParty(party)),
        face: (
            <>
                {party.kind === 'person' ? <User size={13} aria-hidden="true" /> : party.kind === 'group' ? <Users size={13} aria-hidden="true" /> : <DoorOpen size={13} aria-hidden="true" />}
                <span className="min-w-0 flex-1 truncate">{party.name}</span>
                <span className="shrink-0 text-soft">{party.about}</span>
            </>
        ),
    });
    const parties = data?.parties ?? [];
    options.push(...parties.filter((party) => isMeant(party, sought)).map(partyOption));
    for (const event of data?.events ?? []) {
        const of = calendars.find((each) => each.slug === event.calendar);
        options.push({
            key: String(event.id),
            go: () => host.go(atEvent(event)),
            face: (
                <>
                    {of !== undefined && <Mark mark={of.mark} ink={of.colour} size={11} />}
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
    options.push(...parties.filter((party) => !isMeant(party, sought)).map(partyOption));
    if (written !== undefined && data !== undefined && targets.length > 0) {
        const add: Option = { key: 'add', go: () => enter(false), face: <LineOption line={written} calendar={calendar} /> };
        // What says when is meant to be added; what does not is sought first.
        if (written.start !== null && written.title !== '') options.splice(date === null ? 0 : 1, 0, add);
        else options.push(add);
    }
    if (written !== undefined && known && targets.length === 0) {
        options.push({ key: 'none', go: () => void navigate({ to: '/calendars' }), face: <span>There is no calendar yet that you may add this to: make one, or ask for one</span> });
    }
    const shown = open && isCurrent && data !== undefined && (options.length > 0 || !line.isPending || !host.mayWrite);
    const nothing = data !== undefined && data.events.length === 0 && data.parties.length === 0 && date === null && written?.start == null;
    const choose = (option: Option) => {
        if (option.key === 'add') return enter(false);
        option.go();
        done();
        // What was gone to is to be seen; after adding, the next line can be written.
        onDone?.();
    };
    const onKeyDown = (event: KeyboardEvent) => {
        if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
            event.preventDefault();
            setActive(Math.min(Math.max(active + (event.key === 'ArrowDown' ? 1 : -1), 0), Math.max(options.length - 1, 0)));
        } else if (event.key === 'Enter') {
            event.preventDefault();
            const option = shown ? options[active] : undefined;
            if (option === undefined || event.shiftKey || option.key === 'add') enter(event.shiftKey);
            else choose(option);
        } else if (event.key === 'F2' && written !== undefined) {
            event.preventDefault();
            put({ target: nextTarget(written, calendar, targets, event.shiftKey ? -1 : 1) });
        } else if (event.key === 'F4' && written?.span != null) {
            event.preventDefault();
            put({ span: written.span === 'eachDay' ? 'oneLong' : 'eachDay' });
        } else if (event.key === 'Escape') {
            setOpen(false);
        }
    };
    /** A message becomes one line; all of it goes into the description. */
    const take = (text: string) => {
        void readMessage(text.slice(0, 20_000), host.zone)
            .then((made) => put({ text: made, description: text, plain: [] }))
            .catch(() => put({ text: text.replace(/\s+/g, ' ').slice(0, 500) }));
        setOpen(true);
    };
    const lines = writing.description === '' ? 0 : writing.description.split(/\r?\n/).filter((each) => each.trim() !== '').length;
    // What has several dates in it is a document rather than a message.
    if (lines > 1) options.push({ key: 'bring in', go: () => bringIn({ given: writing.description }), face: <span>Bring in what these {lines} lines say, one event after the other</span> });
    else if (/^bring\b/i.test(sought)) options.push({ key: 'bring in', go: () => bringIn(), face: <span>Bring in a file, a table, a text or an address</span> });
    const latest = useLatest(take);
    useEffect(() => {
        if (handed !== undefined) latest.current(handed);
    }, [handed, latest]);
    const onPaste = (event: ClipboardEvent) => {
        const text = event.clipboardData.getData('text/plain').trim();
        if (!/\r|\n/.test(text)) return;
        event.preventDefault();
        take(text);
    };
    return (
        <div className={clsx('relative', className)}>
            <Search size={15} aria-hidden="true" className="pointer-events-none absolute top-1/2 left-2 -translate-y-1/2 text-soft" />
            <input
                ref={field}
                type="search"
                role="combobox"
                aria-label="Add or find: one line"
                aria-expanded={shown}
                aria-controls={`${id}-list`}
                aria-activedescendant={shown && options.length > 0 ? `${id}-${active}` : undefined}
                aria-describedby={why === null ? undefined : `${id}-why`}
                aria-invalid={why !== null}
                autoComplete="off"
                // Whoever opens it on a phone means to type.
                autoFocus={autoFocus}
                placeholder="Add or find: one line"
                className="h-8 w-full rounded-sm border border-line bg-sheet pr-2 pl-7 text-[13px] max-md:h-11"
                value={writing.text}
                onChange={(event) => {
                    setWriting({ ...writing, text: event.target.value, plain: [] });
                    setActive(0);
                    setWhy(null);
                    setOpen(true);
                }}
                onFocus={() => setOpen(true)}
                onBlur={() => setOpen(false)}
                onKeyDown={onKeyDown}
                onPaste={onPaste}
            />
            {entered.waiting.length > 0 && (
                <p role="status" className="absolute top-full right-0 left-0 z-30 truncate border border-line bg-sheet px-2.5 py-1 text-[12px] text-soft">
                    Reading “{entered.waiting[0]}”…
                </p>
            )}
            <div className={shown || why !== null ? 'absolute right-0 z-40 mt-1 max-h-[70vh] w-[30rem] max-w-[92vw] overflow-y-auto border border-ink bg-sheet text-[13px] shadow-(--shadow)' : 'hidden'}>
                {why !== null && (
                    <p role="alert" id={`${id}-why`} className="border-b border-line px-2.5 py-1.5 font-semibold text-pin-ink">
                        {why}
                    </p>
                )}
                <ul id={`${id}-list`} role="listbox" aria-label="Found">
                    {shown &&
                        options.map((option, index) => (
                            // The keyboard chooses from the field itself, as the combobox pattern has it.
                            // eslint-disable-next-line jsx-a11y/click-events-have-key-events
                            <li
                                key={option.key}
                                id={`${id}-${index}`}
                                role="option"
                                aria-selected={index === active}
                                className="flex min-h-8 cursor-pointer items-center gap-2 px-2.5 py-1.5 text-[13px] aria-selected:bg-wash max-md:min-h-11"
                                onMouseDown={(event) => event.preventDefault()}
                                onClick={() => choose(option)}
                                onMouseEnter={() => setActive(index)}
                            >
                                {option.face}
                            </li>
                        ))}
                </ul>
                {shown && nothing && (
                    <p role="status" className="border-t border-line px-2.5 py-1.5 text-soft">
                        Nothing that you may read has these words.
                    </p>
                )}
                {shown && written !== undefined && (
                    <>
                        <LineDoubts doubts={written.doubts} onTake={(doubt, offer) => put({ text: replaced(sought, doubt, offer) })} onPlain={(text) => put({ plain: [...writing.plain, text] })} />
                        {written.start !== null && targets.length > 0 && <LineTarget line={written} targets={targets} chosen={calendar} onChoose={(slug) => put({ target: slug })} />}
                        <LinePieces line={written} onPlain={(text) => put({ plain: [...writing.plain, text] })} />
                    </>
                )}
                {shown && writing.description !== '' && (
                    <p className="flex items-center gap-1 border-t border-line px-2.5 py-1.5 text-soft">
                        The whole message goes into “About”.
                        <button type="button" className="hit px-1 underline" onMouseDown={(event) => event.preventDefault()} onClick={() => put({ description: '' })}>
                            <X size={11} aria-hidden="true" className="mr-0.5 inline" />
                            leave it out
                        </button>
                    </p>
                )}
            </div>
        </div>
    );
}
