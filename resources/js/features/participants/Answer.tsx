import { answered, api, type Schemas } from '@/api/client';
import { useAction } from '@/api/useAction';

type Event = Schemas['Event'];

const ANSWERS = { accepted: 'I come', tentative: 'perhaps', declined: 'I do not' } as const;

type Given = Event['participants'][number]['answer'];

/** Whether the viewer takes part, where they are asked to. */
export function Answer({ event, answer }: { event: Event; answer: Given }) {
    const give = useAction((chosen: keyof typeof ANSWERS) => answered(api.PUT('/events/{id}/answer', { params: { path: { id: event.id } }, body: { answer: chosen } })), { changes: 'events' });
    return (
        <span role="group" aria-label="Whether you take part" className="flex flex-wrap gap-1">
            {(Object.keys(ANSWERS) as (keyof typeof ANSWERS)[]).map((each) => (
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
