import { useState } from 'react';
import { toast } from '@/toast/toast';
import { answered, api } from '@/api/client';
import { problemOf, useAction } from '@/api/useAction';
import { Button } from '@/components/Button';
import { Dialog } from '@/components/Dialog';
import { Field, FormProblem } from '@/components/Field';
import type { Calendar } from '@/features/calendars/useCalendars';
import { LEVELS } from '@/api/generated/words';
import { GIVABLE, type Level } from '@/features/access/levels';
import { LevelSelect } from '@/features/access/LevelSelect';
import { useManagers } from './useAccess';

/** Says whom to ask for more of a calendar, and asks them. */
export function AskForAccess({ calendar }: { calendar: Calendar }) {
    const managers = useManagers(calendar.slug);
    const [asking, setAsking] = useState(false);
    const withdraw = useAction(() => answered(api.DELETE('/calendars/{slug}/requests', { params: { path: { slug: calendar.slug } } })));
    const rank = GIVABLE.indexOf(calendar.level);
    const levels = GIVABLE.filter((level, index) => index > rank && level !== 'manage');
    const first = levels[0];
    if (managers.data === undefined || first === undefined) return null;
    const { names, asked } = managers.data;
    return (
        <>
            <span>
                {names.length === 0 ? '' : `${names.join(', ')} ${names.length === 1 ? 'decides' : 'decide'}. `}
                {asked !== null && `You have asked for “${LEVELS[asked].name}”. `}
            </span>
            {asked === null ? (
                <Button onClick={() => setAsking(true)}>Ask for more</Button>
            ) : (
                <Button look="quiet" onClick={() => withdraw.mutate()}>
                    Ask no longer
                </Button>
            )}
            {asking && <AskDialog calendar={calendar} levels={levels} first={first} names={names} onClose={() => setAsking(false)} />}
        </>
    );
}

type DialogProps = { calendar: Calendar; levels: Level[]; first: Level; names: string[]; onClose: () => void };

function AskDialog({ calendar, levels, first, names, onClose }: DialogProps) {
    const [level, setLevel] = useState(first);
    const [message, setMessage] = useState('');
    const ask = useAction(() => answered(api.POST('/calendars/{slug}/requests', { params: { path: { slug: calendar.slug } }, body: { level, message } })), {
        onDone: () => {
            toast(`Asked. You are told as soon as somebody has decided.`);
            onClose();
        },
        quiet: true,
    });
    const problem = problemOf(ask);
    return (
        <Dialog open onOpenChange={onClose} title={`Ask for more of “${calendar.name}”`} about={names.length === 0 ? undefined : `It goes to ${names.join(', ')}.`}>
            <form
                className="flex flex-col gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    ask.mutate();
                }}
            >
                <LevelSelect label="Level" value={level} levels={levels} onChange={setLevel} />
                <p className="text-soft">
                    {LEVELS[level].name}: {LEVELS[level].does}.
                </p>
                <Field label="What for" error={problem?.field('message')}>
                    {(control) => <textarea rows={3} maxLength={500} {...control} value={message} onChange={(event) => setMessage(event.target.value)} />}
                </Field>
                {problem !== null && problem.field('message') === undefined && <FormProblem>{problem.fields[0]?.message ?? `${problem.message} ${problem.detail}`}</FormProblem>}
                <div className="flex justify-end gap-2">
                    <Button onClick={onClose}>Cancel</Button>
                    <Button type="submit" look="primary" disabled={ask.isPending}>
                        Ask
                    </Button>
                </div>
            </form>
        </Dialog>
    );
}
