import { useLocation, useNavigate } from '@tanstack/react-router';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { Dialog } from '@/components/Dialog';
import { ChoiceField } from '@/components/Field';
import { Empty } from '@/components/States';
import { useCalendars } from '@/features/calendars/useCalendars';
import { lastTarget } from '@/features/events/lastTarget';
import type { Given } from './bringIn';
import { ImportPanel } from './ImportPanel';
import { takesIn } from './takesIn';

type Props = {
    asked: Given;
    /** Goes on to what comes after it, if there is anything. */
    onNext: (into: string) => void;
    onClose: () => void;
};

/** Brings something in from wherever one is: into which calendar stands at the top, and is guessed by nobody. */
export function BringInDialog({ asked, onNext, onClose }: Props) {
    const calendars = useCalendars().data ?? [];
    const targets = calendars.filter(takesIn);
    const here = useCalendarHere();
    const [chosen, setChosen] = useState<string | null>(asked.into ?? null);
    const slug = [chosen, here, lastTarget('all')].find((each) => each != null && targets.some((target) => target.slug === each)) ?? '';
    const calendar = targets.find((each) => each.slug === slug);
    const navigate = useNavigate();
    return (
        <Dialog open wide onOpenChange={(open) => !open && onClose()} title="Bring in" about="A file, a table, a text with dates in it, or an address. You see what it would add before anything is changed.">
            {targets.length === 0 ? (
                <Empty title="There is no calendar yet that you may bring something into">Make one, or ask for one whose events you may change.</Empty>
            ) : (
                <div className="flex flex-col gap-4">
                    <ChoiceField
                        label="Into"
                        className="sm:w-80"
                        value={slug}
                        choices={{ ...(calendar === undefined ? { '': 'Choose a calendar' } : {}), ...Object.fromEntries(targets.map((each) => [each.slug, each.name])) }}
                        onChange={setChosen}
                    />
                    {asked.given instanceof File && asked.more !== undefined && asked.more.length > 0 && (
                        <div className="flex flex-wrap items-center gap-3 border border-line px-3 py-2">
                            <p className="min-w-48 flex-1 [overflow-wrap:anywhere]">
                                First {asked.given.name}; after it {asked.more.map(({ name }) => name).join(', ')}.
                            </p>
                            <Button onClick={() => onNext(slug)}>Leave this one out</Button>
                        </div>
                    )}
                    {calendar === undefined ? (
                        <p className="text-soft">{asked.given === undefined ? 'Choose where it is to go first.' : 'Choose where it is to go: then you see what it would do there.'}</p>
                    ) : (
                        <ImportPanel
                            key={calendar.slug}
                            calendar={calendar}
                            given={asked.given}
                            onAddress={(address) => {
                                onClose();
                                void navigate({ to: '/sources', search: { address, into: calendar.slug } });
                            }}
                            onDone={() => onNext(calendar.slug)}
                        />
                    )}
                </div>
            )}
        </Dialog>
    );
}

/** The calendar that one is at: its page, or the sheet of it alone. */
function useCalendarHere(): string | undefined {
    return useLocation({ select: ({ pathname, search }) => /^\/calendars\/([^/]+)$/.exec(pathname)?.[1] ?? (search as { calendar?: string }).calendar });
}
