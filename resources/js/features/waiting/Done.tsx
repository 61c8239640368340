import { Link } from '@tanstack/react-router';
import { useState } from 'react';
import type { Schemas } from '@/api/client';
import { Button } from '@/components/Button';
import { Mark } from '@/components/Mark';
import { Section } from '@/components/Page';
import { ANSWERS } from '@/features/participants/answerWords';
import { formatWhen } from '@/time/dates';
import { Notices } from './Notices';
import type { Notice } from './notices';

type Answered = Schemas['AnsweredEvent'];

/** What one has read and answered of late: there to look up, out of the way otherwise. */
export function Done({ answered, notices }: { answered: readonly Answered[]; notices: readonly Notice[] }) {
    const [open, setOpen] = useState(false);
    if (answered.length + notices.length === 0) return null;
    return (
        <Section title="Done">
            <Button aria-expanded={open} onClick={() => setOpen(!open)}>
                {open ? 'Hide it' : `Show what you answered and read of late (${answered.length + notices.length})`}
            </Button>
            {open && (
                <div className="mt-3">
                    {answered.length > 0 && (
                        <ul className="border-t border-line" aria-label="What you answered">
                            {answered.map((each) => (
                                <li key={each.id} className="flex flex-wrap items-center gap-3 border-b border-line py-2.5">
                                    <Mark mark={each.calendar.mark} ink={each.calendar.colour} size={18} />
                                    <span className="min-w-60 flex-1">
                                        <Link to="/" search={{ calendar: each.calendar.slug, date: each.start.slice(0, 10), event: each.id, ...(each.occurrence === null ? {} : { occurrence: each.occurrence }) }} className="hit font-semibold hover:underline">
                                            {each.title}
                                        </Link>
                                        , {formatWhen(each)}
                                    </span>
                                    <span>{each.answer in ANSWERS ? ANSWERS[each.answer as keyof typeof ANSWERS] : each.answer}</span>
                                </li>
                            ))}
                        </ul>
                    )}
                    {notices.length > 0 && <Notices notices={notices} label="What you have read" />}
                </div>
            )}
        </Section>
    );
}
