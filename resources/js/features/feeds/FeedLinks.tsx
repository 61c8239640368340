import { useState } from 'react';
import { Problem, type Schemas } from '@/api/client';
import { Button } from '@/components/Button';
import { CopyField } from '@/components/CopyField';
import { Field, FormProblem, TextField } from '@/components/Field';
import type { Calendar } from '@/features/calendars/useCalendars';
import { FeedRow } from './FeedRow';
import { useFeedActions, useFeeds } from './useFeeds';

/** The feed links of a calendar, and a new one. */
export function FeedLinks({ calendar }: { calendar: Calendar }) {
    const feeds = useFeeds();
    const { create } = useFeedActions();
    const [input, setInput] = useState<Schemas['FeedInput']>({ name: '', detail: 'full' });
    const own = feeds.data?.filter((each) => each.calendar.slug === calendar.slug) ?? [];
    const problem = create.error instanceof Problem ? create.error : null;
    return (
        <div className="flex flex-col gap-3">
            <form
                className="flex flex-wrap items-start gap-2"
                onSubmit={(event) => {
                    event.preventDefault();
                    create.mutate({ calendar: calendar.slug, input }, { onSuccess: () => setInput({ ...input, name: '' }) });
                }}
            >
                <TextField label="For whom or what place" fieldClassName="min-w-60 flex-1" placeholder="The screen in the boat hall" value={input.name} error={problem?.field('name')} onChange={(event) => setInput({ ...input, name: event.target.value })} />
                <Field label="It tells" className="w-36">
                    {(control) => (
                        <select {...control} value={input.detail} onChange={(event) => setInput({ ...input, detail: event.target.value as 'full' | 'busy' })}>
                            <option value="full">everything</option>
                            <option value="busy">busy times</option>
                        </select>
                    )}
                </Field>
                <Button type="submit" look="primary" className="mt-5 min-h-8" disabled={create.isPending}>
                    Make a link
                </Button>
            </form>
            {problem !== null && problem.fields.length === 0 && <FormProblem>{problem.message}</FormProblem>}
            {create.data !== undefined && own.some((each) => each.id === create.data.feed.id) && <NewLink url={create.data.url} name={create.data.feed.name} />}
            {own.length === 0 ? (
                <p className="text-soft">No link yet.</p>
            ) : (
                <ul className="border-t border-line" aria-label="Feed links">
                    {own.map((feed) => (
                        <FeedRow key={feed.id} feed={feed} />
                    ))}
                </ul>
            )}
        </div>
    );
}

function NewLink({ url, name }: { url: string; name: string }) {
    return (
        <div role="status" className="border-2 border-ink bg-sheet p-3">
            <p className="font-semibold">The link for “{name}”</p>
            <p className="text-soft">Copy it now: only a digest of it is kept, so it is not shown again.</p>
            <CopyField label="Feed link" value={url} />
        </div>
    );
}
