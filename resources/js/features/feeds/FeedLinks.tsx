import { useState } from 'react';
import { problemOf } from '@/api/useAction';
import { Button } from '@/components/Button';
import { ChoiceField, FormProblem, TextField } from '@/components/Field';
import { FeedRow } from './FeedRow';
import { useFeedForOthers, useFeeds, type FeedInput, type FeedOf } from './useFeeds';
import { DETAILS } from './words';

/** The feed links of a calendar or an overlay, and a new one for a reader or a place. */
export function FeedLinks({ of, slug }: FeedOf) {
    const feeds = useFeeds();
    const create = useFeedForOthers({ of, slug });
    const [input, setInput] = useState<FeedInput>({ name: '', detail: 'full' });
    const links = feeds.data?.filter((each) => each.of === of && each.slug === slug && !(each.personal && each.mine)) ?? [];
    const problem = problemOf(create);
    return (
        <div className="flex flex-col gap-3">
            <form
                className="flex flex-wrap items-start gap-2"
                onSubmit={(event) => {
                    event.preventDefault();
                    create.mutate(input, { onSuccess: () => setInput({ ...input, name: '' }) });
                }}
            >
                <TextField label="For whom or what place" fieldClassName="min-w-60 flex-1" placeholder="The screen in the boat hall" value={input.name} error={problem?.field('name')} onChange={(event) => setInput({ ...input, name: event.target.value })} />
                <ChoiceField label="It tells" className="w-36" value={input.detail} choices={DETAILS} onChange={(detail) => setInput({ ...input, detail })} />
                <Button type="submit" look="primary" className="mt-5 min-h-8" disabled={create.isPending}>
                    Make a link
                </Button>
            </form>
            {problem !== null && problem.fields.length === 0 && <FormProblem>{problem.message}</FormProblem>}
            {links.length === 0 ? (
                <p className="text-soft">No link yet.</p>
            ) : (
                <ul className="border-t border-line" aria-label="Feed links">
                    {links.map((feed) => (
                        <FeedRow key={feed.id} feed={feed} />
                    ))}
                </ul>
            )}
        </div>
    );
}
