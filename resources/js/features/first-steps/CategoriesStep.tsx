import { Link } from '@tanstack/react-router';
import { useState } from 'react';
import { answered, api, type Schemas } from '@/api/client';
import { useAction } from '@/api/useAction';
import { Button } from '@/components/Button';

type Suggested = Schemas['CommonCategory'];

/** A few categories that many have, of which one ticks what one wants. */
export function CategoriesStep({ suggested, onDone }: { suggested: Suggested[]; onDone: () => void }) {
    const [ticked, setTicked] = useState<string[]>([]);
    const add = useAction(
        // One after the other: each is one of the list by itself.
        async (chosen: Suggested[]) => {
            for (const { name, colour, closesDay } of chosen) await answered(api.POST('/categories', { body: { name, colour, closesDay, calendar: null } }));
        },
        {
            onDone: () => {
                setTicked([]);
                onDone();
            },
        },
    );
    const chosen = suggested.filter((each) => ticked.includes(each.name));
    return (
        <form
            onSubmit={(event) => {
                event.preventDefault();
                add.mutate(chosen);
            }}
        >
            <fieldset className="flex flex-wrap gap-x-6 gap-y-1">
                <legend className="sr-only">Categories to begin with</legend>
                {suggested.map(({ name, colour, closesDay }) => (
                    <label key={name} className="flex min-h-8 min-w-52 items-center gap-2">
                        <input
                            type="checkbox"
                            className="size-4 accent-(--ink)"
                            checked={ticked.includes(name)}
                            onChange={(event) => setTicked(event.target.checked ? [...ticked, name] : ticked.filter((each) => each !== name))}
                        />
                        <span data-ink={colour} aria-hidden="true" className="size-3.5 shrink-0 rounded-sm bg-(--k)" />
                        {name}
                        {closesDay && <span className="text-soft">closes its days</span>}
                    </label>
                ))}
            </fieldset>
            <div className="mt-3 flex flex-wrap items-center gap-4">
                <Button type="submit" look="primary" disabled={chosen.length === 0 || add.isPending}>
                    {chosen.length === 0 ? 'Add them' : chosen.length === 1 ? 'Add one category' : `Add ${chosen.length} categories`}
                </Button>
                <Link to="/organisation" className="underline">
                    Others, and their colours
                </Link>
            </div>
        </form>
    );
}
