import { useState } from 'react';
import { Button } from '@/components/Button';
import { CopyField } from '@/components/CopyField';
import { formatMoment } from '@/time/dates';
import { FrameDialog } from './FrameDialog';
import { PublicationDialog } from './PublicationDialog';
import { TakeBack } from './TakeBack';
import { LinksDialog } from './LinksDialog';
import { usePublicationActions, type Publication, type PublicationLink } from './usePublications';
import { AUDIENCES, DETAILS, periodWords } from './words';

/** For so many days the address before is answered, too. */
const DAYS = [0, 7, 30, 90];

type Asking = 'change' | 'renew' | 'end' | 'frame' | PublicationLink['purpose'] | null;

/** A page that is published: what it gives to whom, how often it was read, and what can be done with it. */
export function PublicationRow({ publication }: { publication: Publication }) {
    const { pause, renew, end } = usePublicationActions(publication);
    const [asking, setAsking] = useState<Asking>(null);
    const [days, setDays] = useState(7);
    const { name, paused, mine, address, links } = publication;
    const isNamed = publication.audience === 'named people';
    const people = links.filter((each) => each.purpose === 'person').length;
    const screens = links.length - people;
    const read = publication.lastReadAt === null ? 'not read yet' : `read ${publication.reads === 1 ? 'once' : `${publication.reads} times`}, last ${formatMoment(publication.lastReadAt)}`;
    return (
        <li className="border-b border-line py-3">
            <div className="flex flex-wrap items-start gap-x-3 gap-y-1">
                <span className="min-w-56 flex-1">
                    <b className="font-semibold">{name}</b>
                    {paused && <b className="ml-2 font-semibold text-pin-ink">paused</b>}
                    <span className="block text-soft">
                        {publication.ofName}: {DETAILS[publication.detail]}, {periodWords(publication)}, {publication.conditions.length > 0 && 'what it asks for alone, '}for {AUDIENCES[publication.audience]}
                        {people > 0 && ` (${people})`}
                        {screens > 0 && `, on ${screens === 1 ? 'a screen' : `${screens} screens`}`}
                    </span>
                    <span className="block text-soft">
                        {read} · published by {publication.publisher}, {formatMoment(publication.madeAt)}
                    </span>
                    {publication.formerUntil !== null && <span className="block text-soft">The address before this one is answered until {formatMoment(publication.formerUntil)}.</span>}
                </span>
                <span className="flex flex-wrap gap-1.5">
                    {mine && (
                        <Button onClick={() => setAsking('change')} aria-label={`Change ${name}`}>
                            Change
                        </Button>
                    )}
                    {(isNamed || people > 0) && (
                        <Button onClick={() => setAsking('person')} aria-label={`People who read ${name}`}>
                            People
                        </Button>
                    )}
                    {(mine || screens > 0) && (
                        <Button onClick={() => setAsking('screen')} aria-label={`Screens that show ${name}`}>
                            Screens
                        </Button>
                    )}
                    {mine && !paused && !isNamed && (
                        <Button onClick={() => setAsking('frame')} aria-label={`Put ${name} into a frame`}>
                            Frame
                        </Button>
                    )}
                    <Button onClick={() => pause.mutate(!paused)} disabled={pause.isPending} aria-label={paused ? `Show ${name} again` : `Pause ${name}`}>
                        {paused ? 'Show again' : 'Pause'}
                    </Button>
                    {mine && publication.audience === 'with the link' && (
                        <Button onClick={() => setAsking('renew')} aria-label={`Give ${name} a new address`}>
                            New address
                        </Button>
                    )}
                    <Button onClick={() => setAsking('end')} aria-label={`Take ${name} back`}>
                        Take back
                    </Button>
                </span>
            </div>
            {address !== null && <CopyField label={`Address of ${name}`} value={address} />}
            {address === null && !isNamed && <p className="mt-1 text-soft">Its address is known to {publication.publisher}.</p>}
            {isNamed && people === 0 && <p className="mt-1">Nobody is named yet, so nobody reads it.</p>}
            {address !== null && !paused && (
                <p className="mt-1 flex flex-wrap items-center gap-x-5">
                    <a href={address} target="_blank" rel="noreferrer" className="hit underline">
                        Look at it
                    </a>
                    {publication.frameSites > 0 && <span className="text-soft">stands in a frame on {publication.frameSites === 1 ? 'one site' : `${publication.frameSites} sites`}</span>}
                </p>
            )}
            {asking === 'renew' && (
                <p className="mt-2 flex flex-wrap items-center gap-2">
                    <label>
                        The address before goes on for{' '}
                        <select value={days} onChange={(event) => setDays(Number(event.target.value))} className="rounded-sm border border-line bg-sheet px-1.5 py-1">
                            {DAYS.map((each) => (
                                <option key={each} value={each}>
                                    {each} days
                                </option>
                            ))}
                        </select>
                    </label>
                    <Button look="primary" disabled={renew.isPending} onClick={() => renew.mutate(days, { onSuccess: () => setAsking(null) })}>
                        Make a new address
                    </Button>
                    <Button look="quiet" onClick={() => setAsking(null)}>
                        Cancel
                    </Button>
                </p>
            )}
            {asking === 'end' && <TakeBack about="Whoever opens its address is told that it was taken back, for good." pending={end.isPending} onTake={() => end.mutate()} onCancel={() => setAsking(null)} />}
            {(asking === 'person' || asking === 'screen') && <LinksDialog publication={publication} purpose={asking} onClose={() => setAsking(null)} />}
            {asking === 'frame' && <FrameDialog publication={publication} onClose={() => setAsking(null)} />}
            {asking === 'change' && <PublicationDialog publication={publication} onClose={() => setAsking(null)} />}
        </li>
    );
}
