import { useQuery } from '@tanstack/react-query';
import clsx from 'clsx';
import { useId, useState, type KeyboardEvent } from 'react';
import { answered, api, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { CONTROL } from '@/components/Field';

type Found = Schemas['DirectoryEntry'];

/** A person or a group. */
export type Entry = Omit<Found, 'kind'> & { kind: 'person' | 'group' };

/** Finds a person or a group by typing part of the name. */
export function SubjectPicker({ entry, onChange, label = 'Person or group', kind, narrow = false, onRoom, onAddress }: { entry: Entry | null; onChange: (entry: Entry | null) => void; label?: string; /** Where only one kind will do. */ kind?: 'person' | 'group'; narrow?: boolean; /** What is done with a room, where those are found, too. */ onRoom?: (room: { id: number; name: string }) => void; /** What is done with a mail address that is typed, where whoever has it may be outside. */ onAddress?: (address: string) => void }) {
    const id = useId();
    const [words, setWords] = useState('');
    const [open, setOpen] = useState(false);
    const [active, setActive] = useState(0);
    const found = useQuery({
        queryKey: queryKeys.directory(words, kind, onRoom !== undefined),
        queryFn: ({ signal }) => answered(api.GET('/directory', { params: { query: { q: words, kind, rooms: onRoom !== undefined } }, signal })),
        enabled: open,
        placeholderData: (before) => before,
    });
    const entries = open ? (found.data ?? []) : [];
    // Whose address it is may be known: they stand above it.
    const address = open && onAddress !== undefined && /^[^\s@<>]+@[^\s@<>]+\.[^\s@<>]+$/.test(words.trim()) ? words.trim() : null;
    const count = entries.length + (address === null ? 0 : 1);
    const ask = () => {
        if (address !== null) onAddress?.(address);
        setWords('');
        setOpen(false);
    };
    const choose = (chosen: Found) => {
        if (chosen.kind === 'room') onRoom?.(chosen);
        else onChange({ ...chosen, kind: chosen.kind });
        setWords('');
        setOpen(false);
    };
    const onKeyDown = (event: KeyboardEvent) => {
        const chosen = entries[active];
        if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
            event.preventDefault();
            setOpen(true);
            setActive(Math.min(Math.max(active + (event.key === 'ArrowDown' ? 1 : -1), 0), Math.max(count - 1, 0)));
        } else if (event.key === 'Enter' && open && chosen !== undefined) {
            event.preventDefault();
            choose(chosen);
        } else if (event.key === 'Enter' && address !== null) {
            event.preventDefault();
            ask();
        } else if (event.key === 'Escape') {
            setOpen(false);
        }
    };
    return (
        <div className={clsx('relative flex-1', narrow ? 'min-w-0' : 'min-w-52')}>
            <label htmlFor={id} className="mb-1 block text-xs text-soft">
                {label}
            </label>
            <input
                id={id}
                role="combobox"
                aria-expanded={count > 0}
                aria-controls={`${id}-list`}
                aria-activedescendant={count > 0 ? `${id}-${active}` : undefined}
                autoComplete="off"
                className={CONTROL}
                placeholder={onAddress === undefined ? 'Type a name' : 'Type a name or a mail address'}
                value={entry?.name ?? words}
                onChange={(event) => {
                    onChange(null);
                    setWords(event.target.value);
                    setActive(0);
                    setOpen(true);
                }}
                onFocus={() => setOpen(entry === null)}
                onBlur={() => setOpen(false)}
                onKeyDown={onKeyDown}
            />
            <ul id={`${id}-list`} role="listbox" aria-label="People and groups" className={count === 0 ? 'hidden' : 'absolute z-30 mt-1 max-h-64 w-full overflow-y-auto border border-ink bg-sheet shadow-(--shadow)'}>
                {entries.map((each, index) => (
                    // The keyboard chooses from the field itself, as the combobox pattern has it.
                    // eslint-disable-next-line jsx-a11y/click-events-have-key-events
                    <li
                        key={`${each.kind}:${each.id}`}
                        id={`${id}-${index}`}
                        role="option"
                        aria-selected={index === active}
                        className="flex cursor-pointer items-baseline gap-3 px-2.5 py-1.5 aria-selected:bg-wash"
                        onMouseDown={(event) => event.preventDefault()}
                        onClick={() => choose(each)}
                        onMouseEnter={() => setActive(index)}
                    >
                        {each.name}
                        <span className="ml-auto text-soft">{each.kind === 'group' ? `group, ${each.about}` : each.about}</span>
                    </li>
                ))}
                {address !== null && (
                    // eslint-disable-next-line jsx-a11y/click-events-have-key-events
                    <li id={`${id}-${entries.length}`} role="option" aria-selected={active === entries.length} className="cursor-pointer px-2.5 py-1.5 [overflow-wrap:anywhere] aria-selected:bg-wash" onMouseDown={(event) => event.preventDefault()} onClick={ask} onMouseEnter={() => setActive(entries.length)}>
                        Ask {address} by mail
                    </li>
                )}
            </ul>
        </div>
    );
}
