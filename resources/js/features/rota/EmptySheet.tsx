import { Link } from '@tanstack/react-router';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { Empty } from '@/components/States';
import { useOpenSteps } from '@/features/first-steps/useFirstSteps';
import { lazily } from '@/components/lazily';

const CalendarDialog = lazily(() => import('@/features/calendars/CalendarDialog'), 'CalendarDialog');

/** What somebody sees who has no calendar yet. */
export function EmptySheet() {
    const [creating, setCreating] = useState(false);
    const steps = useOpenSteps().length;
    return (
        <div className="mx-auto max-w-xl p-8">
            <Empty title="Nothing is laid out yet">
                <p>Make your first calendar, then click in the empty space of a day to put an event on it. Calendars that others share with you show up here by themselves.</p>
                <div className="mt-4 flex flex-wrap items-center justify-center gap-4">
                    <Button look="primary" onClick={() => setCreating(true)}>
                        Make a calendar
                    </Button>
                    {steps > 0 && (
                        <Link to="/first-steps" className="underline">
                            First steps of your organisation
                        </Link>
                    )}
                </div>
            </Empty>
            <CalendarDialog open={creating} onOpenChange={setCreating} calendar={null} />
        </div>
    );
}
