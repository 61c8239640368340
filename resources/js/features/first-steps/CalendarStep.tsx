import { Link } from '@tanstack/react-router';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { lazily } from '@/components/lazily';

const CalendarDialog = lazily(() => import('@/features/calendars/CalendarDialog'), 'CalendarDialog');

export function CalendarStep({ onDone }: { onDone: () => void }) {
    const [making, setMaking] = useState(false);
    return (
        <div className="flex flex-wrap items-center gap-3">
            <Button look="primary" onClick={() => setMaking(true)}>
                Make a calendar
            </Button>
            <Link to="/sources" className="underline">
                Follow one that others publish
            </Link>
            <CalendarDialog open={making} onOpenChange={setMaking} calendar={null} onSaved={onDone} />
        </div>
    );
}
