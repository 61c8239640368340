import { useState } from 'react';
import type { Schemas } from '@/api/client';
import { CheckField, TextField } from '@/components/Field';
import { ANSWERS } from './answerWords';
import { isFull } from './placeWords';
import { useAnswer, type Given } from './useAnswer';

type Event = Schemas['Event'];

/** Whether the viewer takes part, where they are asked to, with a note if they like; of a series in all of it, or at the time that is open. */
export function Answer({ event, answer }: { event: Event; answer: NonNullable<Event['answer']> }) {
    const [note, setNote] = useState<string | null>(null);
    const [single, setSingle] = useState(false);
    const give = useAnswer(event.id, () => setNote(null));
    return (
        <span role="group" aria-label="Whether you take part" className="flex flex-wrap gap-1">
            {(Object.keys(ANSWERS) as Given[]).map((each) => (
                <button
                    key={each}
                    type="button"
                    aria-pressed={answer === each || (answer === 'waiting' && each === 'accepted')}
                    disabled={give.isPending}
                    onClick={() => give.mutate({ answer: each, ...(note === null ? {} : { note }), ...(single && event.occurrence !== null ? { occurrence: event.occurrence } : {}) })}
                    className="min-h-6 pointer-coarse:min-h-11 pointer-coarse:min-w-11 rounded-sm border border-line bg-sheet px-1.5 hover:border-ink aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-paper"
                >
                    {ANSWERS[each]}
                </button>
            ))}
            {note === null ? (
                <button type="button" className="hit text-xs underline" onClick={() => setNote('')}>
                    With a note
                </button>
            ) : (
                <span className="w-full">
                    <TextField label="Note, sent with what you answer" autoFocus maxLength={500} value={note} onChange={(change) => setNote(change.target.value)} />
                </span>
            )}
            {event.occurrence !== null && (
                <span className="w-full">
                    <CheckField label="For this time only" checked={single} onChange={(change) => setSingle(change.target.checked)} />
                </span>
            )}
            {answer === 'waiting' && event.waitsAt !== null && <span className="w-full text-xs text-soft">All places are taken: you wait as number {event.waitsAt}, and are told when one is yours.</span>}
            {answer !== 'waiting' && answer !== 'accepted' && isFull(event) && <span className="w-full text-xs text-soft">All places are taken: who comes waits for one.</span>}
            {answer === 'unanswered' && <span className="w-full text-xs text-soft">You are asked, and have not answered yet.</span>}
        </span>
    );
}
