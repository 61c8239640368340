import type { Schemas } from '@/api/client';
import { ANSWERS } from './answerWords';
import { useAnswer, type Given } from './useAnswer';

type Event = Schemas['Event'];

/** Whether the viewer takes part, where they are asked to. */
export function Answer({ event, answer }: { event: Event; answer: Event['participants'][number]['answer'] }) {
    const give = useAnswer(event.id);
    return (
        <span role="group" aria-label="Whether you take part" className="flex flex-wrap gap-1">
            {(Object.keys(ANSWERS) as Given[]).map((each) => (
                <button
                    key={each}
                    type="button"
                    aria-pressed={answer === each}
                    disabled={give.isPending}
                    onClick={() => give.mutate(each)}
                    className="min-h-6 rounded-sm border border-line bg-sheet px-1.5 hover:border-ink aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-paper"
                >
                    {ANSWERS[each]}
                </button>
            ))}
            {answer === 'unanswered' && <span className="w-full text-xs text-soft">You are asked, and have not answered yet.</span>}
        </span>
    );
}
