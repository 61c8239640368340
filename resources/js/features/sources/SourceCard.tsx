import { Link } from '@tanstack/react-router';
import { RefreshCw } from 'lucide-react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { Mark } from '@/components/Mark';
import { formatMoment } from '@/time/dates';
import { HeldRefresh } from './HeldRefresh';
import { PinAllTo, PinnedTo } from './PinnedTo';
import { SourceHistory } from './SourceHistory';
import { SourceSettings } from './SourceSettings';
import { everyWords } from './sourceWords';
import { useFetching, type Source } from './useSources';

/** A source: how it fares, what waits for a word, what its refreshes did, and what can be set. */
export function SourceCard({ source }: { source: Source }) {
    const { calendar, held } = source;
    const { refresh, isFetching } = useFetching(source);
    const [isSetting, setSetting] = useState(false);
    return (
        <li className="mb-5 border border-line bg-sheet">
            <div className="flex flex-wrap items-center gap-3 border-b border-line px-3.5 py-2.5">
                <Mark mark={calendar.mark} ink={calendar.colour} size={16} />
                <div className="min-w-48 flex-1">
                    <h3 className="text-base font-semibold">
                        <Link to="/calendars/$slug" params={{ slug: calendar.slug }} className="hit hover:underline">
                            {calendar.name}
                        </Link>
                    </h3>
                    <p className="text-soft [overflow-wrap:anywhere]">{source.url}</p>
                </div>
                <p className="text-soft">
                    {source.succeededAt === null ? 'never fetched' : `fetched ${formatMoment(source.succeededAt)}`}, {everyWords(source.everyMinutes)}
                </p>
                <div className="flex flex-wrap gap-1.5">
                    <PinAllTo source={source} />
                    {source.mayManage && (
                        <>
                            <Button onClick={() => refresh()} disabled={isFetching} aria-label={`Refresh ${calendar.name} now`}>
                                <RefreshCw size={14} aria-hidden="true" className={isFetching ? 'animate-spin' : ''} /> Refresh
                            </Button>
                            <Button aria-expanded={isSetting} onClick={() => setSetting(!isSetting)} aria-label={`Settings of ${calendar.name}`}>
                                Settings
                            </Button>
                        </>
                    )}
                </div>
            </div>
            {source.failingSince !== null && (
                <p role="alert" className="border-b border-line border-l-[3px] border-l-pin px-3.5 py-2">
                    <b className="font-semibold">It fails since {formatMoment(source.failingSince)}.</b> {source.error} What was fetched before stays
                    {source.nextAt !== null && `; it is tried again ${formatMoment(source.nextAt)}`}.
                </p>
            )}
            {held !== null && <HeldRefresh source={source} held={held} />}
            {source.declined && (
                <div className="flex flex-wrap items-center gap-3 border-b border-line px-3.5 py-2">
                    <p className="min-w-48 flex-1">What the far side has now was not wanted: it is not taken in until it has something else.</p>
                    {source.mayManage && (
                        <Button onClick={() => refresh(true)} disabled={isFetching} aria-label={`Take it in all the same: ${calendar.name}`}>
                            Take it in all the same
                        </Button>
                    )}
                </div>
            )}
            {isSetting && <SourceSettings source={source} onDone={() => setSetting(false)} />}
            <PinnedTo source={source} className="border-b border-line px-3.5 py-2" />
            <SourceHistory source={source} />
        </li>
    );
}
