import { useQuery } from '@tanstack/react-query';
import { RefreshCw } from 'lucide-react';
import { useState } from 'react';
import { toast } from '@/toast/toast';
import { answered, api, type Schemas } from '@/api/client';
import { problemOf, tellRefusal, useRefresh } from '@/api/useAction';
import { queryKeys } from '@/api/queryKeys';
import { Button } from '@/components/Button';
import { FormProblem, TextField } from '@/components/Field';
import { InkPicker } from '@/components/InkPicker';
import { Mark } from '@/components/Mark';
import { Page } from '@/components/Page';
import { Empty, Failed, Loading } from '@/components/States';
import { JobProgress } from '@/features/jobs/JobProgress';
import { countsOf } from '@/features/jobs/jobWords';
import { useLongWork } from '@/features/jobs/useLongWork';
import { formatMoment } from '@/time/dates';
import { Link } from '@tanstack/react-router';

type Source = Schemas['Source'];
type Counts = Schemas['ImportCounts'];

function useSources() {
    return useQuery({ queryKey: queryKeys.sources, queryFn: ({ signal }) => answered(api.GET('/sources', { signal })) });
}

/** What is subscribed to from outside. */
export function SourcesPage() {
    const sources = useSources();
    const [adding, setAdding] = useState(false);
    if (sources.isPending) return <Loading what="sources" />;
    if (sources.isError) return <Failed error={sources.error} retry={() => void sources.refetch()} />;
    return (
        <Page
            title="Sources"
            about="Calendars that others publish at an address. They are fetched again by themselves; when the far side fails, the last good copy stays."
            actions={
                <Button look="primary" onClick={() => setAdding(true)} disabled={adding}>
                    Subscribe to an address
                </Button>
            }
        >
            {adding && <SubscribeForm onClose={() => setAdding(false)} />}
            {sources.data.length === 0 && !adding ? (
                <Empty
                    title="No source yet"
                    action={
                        <Button look="primary" onClick={() => setAdding(true)}>
                            Subscribe to the first
                        </Button>
                    }
                >
                    A tide table, a fixture list, public holidays: whatever somebody publishes as iCalendar can be a layer here.
                </Empty>
            ) : (
                <ul>
                    {sources.data.map((source) => (
                        <SourceCard key={source.id} source={source} />
                    ))}
                </ul>
            )}
        </Page>
    );
}

function SubscribeForm({ onClose }: { onClose: () => void }) {
    const fresh = useRefresh();
    const [input, setInput] = useState<Schemas['SourceInput']>({ url: '', name: '', colour: 'pine', mark: 'waves' });
    const create = useLongWork(
        (asked: Schemas['SourceInput']) => answered(api.POST('/sources', { body: asked })),
        async (job) => {
            await fresh('access');
            toast(`“${job.title}” is a calendar of yours now: ${job.counts?.added ?? 0} events.`);
            onClose();
        },
    );
    const problem = problemOf(create);
    return (
        <form
            aria-label="Subscribe to an address"
            className="mb-6 flex flex-col gap-3 border border-ink bg-sheet p-4"
            onSubmit={(event) => {
                event.preventDefault();
                create.mutate(input);
            }}
        >
            <TextField label="Address" type="url" inputMode="url" placeholder="https://…/calendar.ics" value={input.url} error={problem?.field('url')} onChange={(event) => setInput({ ...input, url: event.target.value })} autoFocus />
            <TextField label="Call it" value={input.name} error={problem?.field('name')} onChange={(event) => setInput({ ...input, name: event.target.value })} />
            <InkPicker ink={input.colour} mark={input.mark} onChange={(colour, mark) => setInput({ ...input, colour, mark })} />
            {problem !== null && problem.fields.length === 0 && (
                <FormProblem>
                    {problem.message} {problem.detail}
                </FormProblem>
            )}
            {create.isPending && <JobProgress job={create.job} what="Fetching it" />}
            <div className="flex gap-2">
                <Button type="submit" look="primary" disabled={create.isPending}>
                    {create.isPending ? 'Fetching…' : 'Subscribe'}
                </Button>
                <Button onClick={onClose}>{create.isPending ? 'Go on meanwhile' : 'Cancel'}</Button>
            </div>
        </form>
    );
}

function SourceCard({ source }: { source: Source }) {
    const fresh = useRefresh();
    const refresh = useLongWork(
        () => answered(api.POST('/sources/{id}/refresh', { params: { path: { id: source.id } } })),
        async (job) => {
            await fresh('events');
            toast(`${source.calendar.name}: ${told(job.counts)}.`);
        },
    );
    const refreshNow = () =>
        refresh.mutate(undefined, {
            onError: (error) => {
                // The source says so, too.
                void fresh('events');
                tellRefusal(error);
            },
        });
    return (
        <li className="mb-5 border border-line bg-sheet">
            <div className="flex flex-wrap items-center gap-3 border-b border-line px-3.5 py-2.5">
                <Mark mark={source.calendar.mark} ink={source.calendar.colour} size={16} />
                <div className="min-w-48 flex-1">
                    <h2 className="text-base font-semibold">
                        <Link to="/calendars/$slug" params={{ slug: source.calendar.slug }} className="hit hover:underline">
                            {source.calendar.name}
                        </Link>
                    </h2>
                    <p className="text-soft [overflow-wrap:anywhere]">{source.url}</p>
                </div>
                <p className="text-soft">
                    {source.succeededAt === null ? 'never fetched' : `fetched ${formatMoment(source.succeededAt)}`}, every {source.refreshMinutes} min
                </p>
                {source.mayManage && (
                    <Button onClick={refreshNow} disabled={refresh.isPending} aria-label={`Refresh ${source.calendar.name} now`}>
                        <RefreshCw size={14} aria-hidden="true" className={refresh.isPending ? 'animate-spin' : ''} /> Refresh
                    </Button>
                )}
            </div>
            {source.error !== null && (
                <p role="alert" className="border-b border-line border-l-[3px] border-l-pin px-3.5 py-2">
                    <b className="font-semibold">The last refresh failed.</b> {source.error} What was fetched before stays.
                </p>
            )}
            <details className="px-3.5 py-2">
                <summary className="cursor-pointer text-soft">What the last refreshes did</summary>
                <ol className="mt-1.5">
                    {source.history.map((each) => (
                        <li key={each.at} className="flex gap-3 py-0.5">
                            <span className="w-28 text-soft">{formatMoment(each.at)}</span>
                            {each.error ?? told(each.counts)}
                        </li>
                    ))}
                </ol>
            </details>
        </li>
    );
}

function told(counts: Counts | null): string {
    return counts === null ? 'nothing has changed' : countsOf(counts).toLowerCase();
}
