import { useState } from 'react';
import { Button } from '@/components/Button';
import { Empty } from '@/components/States';
import { lazily } from '@/components/lazily';

const CalendarDialog = lazily(() => import('@/features/calendars/CalendarDialog'), 'CalendarDialog');

/** What somebody sees who has no calendar yet. */
export function EmptySheet() {
    const [creating, setCreating] = useState(false);
    return (
        <div className="mx-auto max-w-xl p-8">
            <Empty title="Nothing is laid out yet">
                <p>Make your first calendar, then click in the empty space of a day to put an event on it. Calendars that others share with you show up here by themselves.</p>
                <Button look="primary" className="mt-4" onClick={() => setCreating(true)}>
                    Make a calendar
                </Button>
            </Empty>
            <CalendarDialog open={creating} onOpenChange={setCreating} calendar={null} />
        </div>
    );
}
