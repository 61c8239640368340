import { useQuery } from '@tanstack/react-query';
import { X } from 'lucide-react';
import { useEffect, useState } from 'react';
import { answered, api } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { CONTROL } from '@/components/Field';
import { SubjectPicker } from '@/features/directory/SubjectPicker';
import { useCategories } from '@/features/calendars/useCalendars';
import { useRota } from '@/features/sheet/RotaContext';

/** What is asked for on top of whatever is looked through: categories, words, people. It is in the address, and of nobody else's matter. */
export function QuickFilters() {
    const rota = useRota();
    const chosen = rota.search.categories ?? [];
    const inks = new Map(useCategories().data?.map((each) => [each.name, each.colour]));
    const toggle = (name: string) => {
        const next = chosen.includes(name) ? chosen.filter((each) => each !== name) : [...chosen, name];
        rota.go({ categories: next.length === 0 ? undefined : next });
    };
    // A category that is chosen stays in the list when nothing in view has it, so that it can be let go.
    const categories = [...(rota.sheet?.categories ?? []), ...chosen.filter((name) => !rota.sheet?.categories.some((each) => each.name === name)).map((name) => ({ name, count: 0 }))];
    return (
        <>
            <h2 className="mt-4.5 mb-2 text-[15px] font-semibold">Categories</h2>
            {categories.length === 0 ? (
                <p className="text-soft">No event in view has one.</p>
            ) : (
                <div className="flex flex-wrap gap-1.5">
                    {categories.map(({ name, count }) => (
                        <button
                            key={name}
                            type="button"
                            aria-pressed={chosen.includes(name)}
                            title={`${count} in view`}
                            onClick={() => toggle(name)}
                            className="min-h-6 pointer-coarse:min-h-11 pointer-coarse:min-w-11 rounded-sm border border-line bg-sheet px-1.5 py-0.5 hover:border-ink aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-paper"
                        >
                            {inks.get(name) != null && <span data-ink={inks.get(name)} aria-hidden="true" className="mr-1 inline-block size-2.5 rounded-full bg-(--k)" />}
                            {name}
                        </button>
                    ))}
                </div>
            )}
            <h2 className="mt-4.5 mb-2 text-[15px] font-semibold">Only with</h2>
            <div className="flex flex-col gap-2">
                <WordsFilter />
                <PeopleFilter />
            </div>
        </>
    );
}

/** Asks once one pauses, so that not every letter is a question. */
function WordsFilter() {
    const rota = useRota();
    const { go } = rota;
    const [words, setWords] = useState(rota.search.words ?? '');
    const asked = rota.search.words ?? '';
    const [seen, setSeen] = useState(asked);
    // What the address comes to say otherwise, the field says, too.
    if (seen !== asked) {
        setSeen(asked);
        if (asked !== words.trim()) setWords(asked);
    }
    useEffect(() => {
        if (words.trim() === asked) return;
        const timer = setTimeout(() => go({ words: words.trim() === '' ? undefined : words.trim() }), 400);
        return () => clearTimeout(timer);
    }, [words, asked, go]);
    return <input type="search" aria-label="Only with these words" placeholder="these words" className={CONTROL} value={words} onChange={(event) => setWords(event.target.value)} />;
}

function PeopleFilter() {
    const rota = useRota();
    const chosen = rota.search.people ?? [];
    const names = useQuery({ queryKey: queryKeys.directory('people', chosen), queryFn: ({ signal }) => answered(api.GET('/directory', { params: { query: { 'people[]': chosen } }, signal })), enabled: chosen.length > 0 });
    const [met, setMet] = useState<Record<number, string>>({});
    const put = (people: number[]) => rota.go({ people: people.length === 0 ? undefined : people });
    return (
        <div>
            <SubjectPicker
                entry={null}
                kind="person"
                narrow
                label="this person taking part"
                onChange={(entry) => {
                    if (entry?.id == null) return;
                    setMet({ ...met, [entry.id]: entry.name });
                    put([...new Set([...chosen, entry.id])]);
                }}
            />
            {chosen.length > 0 && (
                <ul className="mt-1.5 flex flex-wrap gap-1.5">
                    {chosen.map((id) => {
                        const name = met[id] ?? names.data?.find((each) => each.kind === 'person' && each.id === id)?.name ?? 'somebody';
                        return (
                            <li key={id} className="flex items-center gap-1 border border-ink pl-1.5">
                                {name}
                                <button type="button" className="grid size-6 place-items-center pointer-coarse:size-11" onClick={() => put(chosen.filter((each) => each !== id))} aria-label={`No longer only with ${name}`}>
                                    <X size={13} />
                                </button>
                            </li>
                        );
                    })}
                </ul>
            )}
        </div>
    );
}
