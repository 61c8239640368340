import { useQuery } from '@tanstack/react-query';
import { useNavigate } from '@tanstack/react-router';
import { useEffect } from 'react';
import { answered, api } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { storage } from '@/offline/storage';
import { formatWhen } from '@/time/dates';
import { toast } from '@/toast/toast';

/** So often, in milliseconds, it is asked; and so long a reminder stays. */
const MINUTE = 60_000;

/** The last of which this browser has told, whichever of its windows that was. */
const TOLD = 'reminders.told';

/** Tells whoever has the product open of what they want to be reminded of, each once. */
export function Reminded() {
    const navigate = useNavigate();
    const reminders = useQuery({ queryKey: queryKeys.remindersNow, queryFn: ({ signal }) => answered(api.GET('/reminders', { signal })), refetchInterval: MINUTE }).data;
    useEffect(() => {
        const last = Number(storage.getItem(TOLD) ?? 0);
        const fresh = reminders?.filter(({ id }) => id > last) ?? [];
        if (fresh.length === 0) return;
        storage.setItem(TOLD, String(Math.max(...fresh.map(({ id }) => id))));
        for (const each of fresh) {
            const search = { calendar: each.calendar, date: each.start.slice(0, 10), event: each.event, ...(each.occurrence === null ? {} : { occurrence: each.occurrence }) };
            toast(`Reminder: ${each.title}, ${formatWhen(each)}${each.place === '' ? '' : `, ${each.place}`}${each.leave === null ? '' : `, leave at ${each.leave}`}`, { duration: MINUTE, action: { label: 'Look', onClick: () => void navigate({ to: '/', search }) } });
        }
    }, [reminders, navigate]);
    return null;
}
