import { useState } from 'react';
import { toast } from '@/toast/toast';
import { answered, api } from '@/api/client';
import { problemOf, useAction } from '@/api/useAction';
import { Button } from '@/components/Button';
import { Dialog } from '@/components/Dialog';
import { FormProblem } from '@/components/Field';
import { LEVELS } from '@/api/generated/words';
import type { Level } from '@/features/access/levels';
import { LevelSelect } from '@/features/access/LevelSelect';
import { SubjectPicker, type Entry } from '@/features/directory/SubjectPicker';
import type { Calendar } from '@/features/calendars/useCalendars';

/** Gives a calendar another keeper, in one action. */
export function HandOverDialog({ calendar, onClose }: { calendar: Calendar; onClose: () => void }) {
    const [entry, setEntry] = useState<Entry | null>(null);
    const [stays, setStays] = useState<Level>('manage');
    const hand = useAction((to: Entry) => answered(api.PUT('/calendars/{slug}/keeper', { params: { path: { slug: calendar.slug } }, body: { kind: to.kind, id: to.id, stays } })), {
        onDone: (saved) => {
            toast(`“${saved.name}” is kept by ${saved.keeper.name} now.`);
            onClose();
        },
        quiet: true,
    });
    const problem = problemOf(hand);
    return (
        <Dialog open onOpenChange={onClose} title={`Hand over “${calendar.name}”`} about={`Kept by ${calendar.keeper.name} until now. A group keeps it however its people come and go.`}>
            <form
                className="flex flex-col gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    if (entry !== null) hand.mutate(entry);
                }}
            >
                <SubjectPicker entry={entry} onChange={setEntry} />
                <LevelSelect label={`${calendar.keeper.name} goes on with`} value={stays} levels={['none', 'see', 'add', 'change', 'manage']} onChange={setStays} />
                <p className="text-soft">
                    {calendar.keeper.name} {LEVELS[stays].does}.
                </p>
                {problem !== null && <FormProblem>{problem.fields[0]?.message ?? `${problem.message} ${problem.detail}`}</FormProblem>}
                <div className="flex justify-end gap-2">
                    <Button onClick={onClose}>Cancel</Button>
                    <Button type="submit" look="primary" disabled={entry === null || hand.isPending}>
                        Hand over
                    </Button>
                </div>
            </form>
        </Dialog>
    );
}
