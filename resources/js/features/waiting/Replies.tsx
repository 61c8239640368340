import { Link } from '@tanstack/react-router';
import { answered, api, type Schemas } from '@/api/client';
import { problemOf, useAction } from '@/api/useAction';
import { Button } from '@/components/Button';
import { FormProblem } from '@/components/Field';
import { Mark } from '@/components/Mark';
import { Section } from '@/components/Page';
import { ANSWER_WORDS } from '@/features/participants/answerWords';
import { formatMoment, formatWhen } from '@/time/dates';
import { toast } from '@/toast/toast';

type Reply = Schemas['ReplyWaiting'];

const REASONS: Record<NonNullable<Reply['reason']>, string> = {
    unsigned: 'It is not certain that it is from them: it does not have what they were sent. Ask them before you count it.',
    outdated: 'It answers to how the event was before, and was not counted.',
    delegated: 'They want to send somebody else. Ask whom you like instead.',
};

/** What came back by mail to what one asks others to: other times that are proposed, answers that were not counted, words. */
export function Replies({ replies }: { replies: readonly Reply[] }) {
    return (
        <Section title="Came back by mail" about="Answers are counted by themselves. What needs you is here.">
            <ul className="border-t border-line" aria-label="Came back by mail">
                {replies.map((reply) => (
                    <ReplyRow key={reply.id} reply={reply} />
                ))}
            </ul>
        </Section>
    );
}

function ReplyRow({ reply }: { reply: Reply }) {
    const decide = useAction((take: boolean) => answered(api.PUT('/replies/{id}', { params: { path: { id: reply.id } }, body: { take } })), { onDone: (_, take) => void toast(doneWords(reply, take)) });
    const problem = problemOf(decide);
    const words = BUTTONS[reply.kind];
    return (
        <li className="flex flex-wrap items-center gap-3 border-b border-line py-2.5">
            <Mark mark={reply.calendar.mark} ink={reply.calendar.colour} size={18} />
            <div className="min-w-60 flex-1">
                <Link to="/" search={{ calendar: reply.calendar.slug, date: reply.was.slice(0, 10), event: reply.event, ...(reply.occurrence === null ? {} : { occurrence: reply.occurrence }) }} className="hit font-semibold hover:underline">
                    {reply.title}
                </Link>
                <span className="block">{said(reply)}</span>
                {reply.note !== '' && <q className="block italic [overflow-wrap:anywhere]">{reply.note}</q>}
                {reply.reason !== null && <span className="block text-soft">{REASONS[reply.reason]}</span>}
                <span className="block text-soft">
                    {formatMoment(reply.received)}, {reply.calendar.name}
                </span>
                {problem !== null && <FormProblem>{problem.message}</FormProblem>}
            </div>
            <div className="flex items-center gap-2">
                <Button disabled={decide.isPending} onClick={() => decide.mutate(false)} aria-label={`${words.leave}: ${reply.title}, ${reply.from}`}>
                    {words.leave}
                </Button>
                {reply.mayTake && (
                    <Button look="primary" disabled={decide.isPending} onClick={() => decide.mutate(true)} aria-label={`${words.take}: ${reply.title}, ${reply.from}`}>
                        {words.take}
                    </Button>
                )}
            </div>
        </li>
    );
}

const BUTTONS: Record<Reply['kind'], { take: string; leave: string }> = {
    proposal: { take: 'Move it there', leave: 'Stay as it is' },
    answer: { take: 'Count it', leave: 'Leave it' },
    message: { take: '', leave: 'Seen' },
};

function said(reply: Reply): string {
    if (reply.kind === 'proposal') return `${reply.from} proposes ${formatWhen({ start: reply.start ?? '', end: reply.end ?? '', allDay: reply.allDay })}`;
    if (reply.kind === 'answer') return `${reply.from} ${ANSWER_WORDS[reply.answer ?? 'unanswered']}`;
    return `${reply.from} writes:`;
}

function doneWords(reply: Reply, take: boolean): string {
    if (reply.kind === 'proposal') return take ? `“${reply.title}” is moved; those who are asked are told.` : `“${reply.title}” stays as it is; ${reply.from} is told.`;
    return take ? `Counted: ${reply.from} ${ANSWER_WORDS[reply.answer ?? 'unanswered']}.` : 'Done.';
}
