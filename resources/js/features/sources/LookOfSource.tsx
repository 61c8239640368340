import { useState } from 'react';
import { tellRefusal } from '@/api/useAction';
import { Button } from '@/components/Button';
import { TextField } from '@/components/Field';
import { InkPicker } from '@/components/InkPicker';
import { useCalendarActions, useCalendars } from '@/features/calendars/useCalendars';
import { toast } from '@/toast/toast';
import type { Source } from './useSources';

/** What a source is called, and in which colour and mark everybody sees it who has chosen no other. */
export function LookOfSource({ source }: { source: Source }) {
    const calendar = useCalendars().data?.find(({ slug }) => slug === source.calendar.slug);
    const { update } = useCalendarActions();
    const [name, setName] = useState(source.calendar.name);
    const [look, setLook] = useState({ colour: source.calendar.colour, mark: source.calendar.mark });
    const isSame = name === source.calendar.name && look.colour === source.calendar.colour && look.mark === source.calendar.mark;
    const save = () => {
        if (calendar !== undefined) update.mutate({ calendar, input: { name, ...look } }, { onSuccess: () => void toast(`${name} is called and drawn so.`), onError: tellRefusal });
    };
    return (
        <div className="flex flex-col gap-2 border-b border-hair pb-3">
            <TextField label="Call it" fieldClassName="sm:w-80" value={name} onChange={(typed) => setName(typed.target.value)} />
            <InkPicker ink={look.colour} mark={look.mark} onChange={(colour, mark) => setLook({ colour, mark })} />
            <Button className="self-start" disabled={isSame || name.trim() === '' || calendar === undefined || update.isPending} onClick={save}>
                Call and draw it so
            </Button>
        </div>
    );
}
