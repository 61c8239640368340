import { useState } from 'react';
import { Button } from '@/components/Button';
import { CopyField } from '@/components/CopyField';
import { Section } from '@/components/Page';
import { lineOfMemberFrame, VIEWS } from './frameLine';
import { MemberFrameDialog } from './MemberFrameDialog';
import { TakeBack } from './TakeBack';
import { useMemberFrameEnd, useMemberFrames, type MemberFrame } from './useMemberFrames';

/** The frames in which people sign in on the sites that administrators name; nothing where none is named. */
export function MemberFrames() {
    const told = useMemberFrames().data;
    const [making, setMaking] = useState(false);
    if (told === undefined || (told.sites.length === 0 && told.frames.length === 0)) return null;
    return (
        <Section title="Frames for members" about="A calendar or an overlay within the school’s own site. Whoever opens it signs in there, and has the rights that they have here.">
            {told.frames.length > 0 && (
                <ul className="mb-2 border-t border-line" aria-label="Frames for members">
                    {told.frames.map((each) => (
                        <MemberFrameRow key={each.id} frame={each} sites={told.sites} />
                    ))}
                </ul>
            )}
            {told.sites.length === 0 ? <p>No site is named any more, so they show nothing. Administrators name sites under Organisation.</p> : <Button onClick={() => setMaking(true)}>Make a frame for members</Button>}
            {making && <MemberFrameDialog frame={null} sites={told.sites} onClose={() => setMaking(false)} />}
        </Section>
    );
}

function MemberFrameRow({ frame, sites }: { frame: MemberFrame; sites: readonly string[] }) {
    const [asking, setAsking] = useState<'change' | 'end' | null>(null);
    const end = useMemberFrameEnd(frame);
    return (
        <li className="border-b border-line py-3">
            <div className="flex flex-wrap items-start gap-x-3 gap-y-1">
                <span className="min-w-56 flex-1">
                    <b className="font-semibold">{frame.ofName}</b>
                    <span className="block text-soft">
                        opens as {VIEWS[frame.view]}, {frame.mayChange ? 'events can be changed' : 'to be read'} · made by {frame.maker}
                    </span>
                </span>
                <span className="flex flex-wrap gap-1.5">
                    <Button onClick={() => setAsking('change')} aria-label={`Change the frame of ${frame.ofName}`}>
                        Change
                    </Button>
                    <Button onClick={() => setAsking('end')} aria-label={`Take back the frame of ${frame.ofName}`}>
                        Take back
                    </Button>
                </span>
            </div>
            <CopyField label={`Line for the site, of ${frame.ofName}`} value={lineOfMemberFrame(frame.address, frame.ofName)} />
            {asking === 'end' && <TakeBack about="Where it stands it shows nothing from then on." pending={end.isPending} onTake={() => end.mutate()} onCancel={() => setAsking(null)} />}
            {asking === 'change' && <MemberFrameDialog frame={frame} sites={sites} onClose={() => setAsking(null)} />}
        </li>
    );
}
