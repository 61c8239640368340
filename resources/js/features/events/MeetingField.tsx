import { useFormContext, useWatch } from 'react-hook-form';
import { answered, api, type Problem } from '@/api/client';
import { problemOf, useAction } from '@/api/useAction';
import { Button } from '@/components/Button';
import { FormProblem, TextField } from '@/components/Field';
import type { EventValues } from './eventValues';
import { useOrganisationName } from '@/features/session/useSession';

/** Where the event meets online: one click makes a link, where the organisation has said how. */
export function MeetingField({ problem }: { problem: Problem | null }) {
    const { register, setValue, control } = useFormContext<EventValues>();
    const [meeting] = useWatch({ control, name: ['meeting'] });
    const makes = useOrganisationName().meetings;
    const make = useAction(() => answered(api.POST('/meetings')), { onDone: ({ url }) => setValue('meeting', url, { shouldDirty: true }), quiet: true });
    const failed = problemOf(make);
    if (meeting === '' && !makes) return null;
    return (
        <div className="flex flex-col gap-1">
            {meeting === '' ? (
                <Button className="self-start" disabled={make.isPending} onClick={() => make.mutate()}>
                    Meet online
                </Button>
            ) : (
                <div className="flex items-end gap-1.5">
                    <TextField label="Meets online at" type="url" fieldClassName="min-w-0 flex-1" error={problem?.field('meeting')} {...register('meeting')} />
                    <Button onClick={() => setValue('meeting', '', { shouldDirty: true })} aria-label="Do not meet online">
                        Not online
                    </Button>
                </div>
            )}
            {failed !== null && <FormProblem>{failed.message}</FormProblem>}
        </div>
    );
}
