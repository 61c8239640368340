import { useState } from 'react';
import { problemOf } from '@/api/useAction';
import { Dialog } from '@/components/Dialog';
import { CheckField, ChoiceField } from '@/components/Field';
import { FormFoot } from '@/components/FormFoot';
import { VIEWS } from './frameLine';
import { SubjectField } from './SubjectField';
import { subjectOf, useManaged } from './useManaged';
import { useMemberFrame, type MemberFrame } from './useMemberFrames';

type Props = { frame: MemberFrame | null; sites: readonly string[]; onClose: () => void };

/** Makes a frame in which people sign in on other sites, or changes one. */
export function MemberFrameDialog({ frame, sites, onClose }: Props) {
    const choices = useManaged();
    const [of, setOf] = useState('');
    const [view, setView] = useState(frame?.view ?? 'lanes');
    const [mayChange, setMayChange] = useState(frame?.mayChange ?? false);
    const save = useMemberFrame(frame, onClose);
    const problem = problemOf(save);
    return (
        <Dialog open onOpenChange={(open) => !open && onClose()} title={frame === null ? 'Make a frame for members' : `Change the frame of ${frame.ofName}`} about={`It stands on ${sites.join(', ')}, and on no other site. Who signs in within it has the rights that they have here, as far as it allows.`}>
            <form
                className="flex flex-col gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    save.mutate({ view, mayChange, ...(frame === null ? subjectOf(of) : {}) });
                }}
            >
                {frame === null && <SubjectField of={of} choices={choices} error={problem?.field('calendar')} onChange={setOf} />}
                <ChoiceField label="It opens as" value={view} choices={VIEWS} onChange={setView} />
                <CheckField label="Who may change events here may add, move and change them there" checked={mayChange} onChange={(event) => setMayChange(event.target.checked)} />
                <FormFoot submit={frame === null ? 'Make it' : 'Save'} pending={save.isPending} problem={problem} onCancel={onClose} />
            </form>
        </Dialog>
    );
}
