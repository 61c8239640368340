import { useFormContext, useWatch } from 'react-hook-form';
import type { Problem } from '@/api/client';
import { CheckField, ChoiceField, TextField } from '@/components/Field';
import { useCalendars, type Calendar } from '@/features/calendars/useCalendars';
import { A_NUMBER, type EventValues } from './eventValues';
import type { Event } from './useEventActions';

type Right = Event['guests'][number];

const RIGHTS: Record<Right, string> = { bring: 'ask others, too', see: 'see who else is asked', change: 'change it' };

const WHEN = { confirmed: 'once it is confirmed', provisional: 'already now' } as const;

/** Whether what is provisional asks those who are to take part: the event says so, or leaves it to its calendar. */
export const asksEarly = (askWhen: EventValues['askWhen'], calendar: Calendar | undefined) => (askWhen === '' ? calendar?.asksProvisional === true : askWhen === 'provisional');

/** How taking part is: how many may come, what those who are asked may do, and when they are. Nothing, as long as nobody is asked. */
export function TermsFields({ problem }: { problem: Problem | null }) {
    const { control, register, setValue } = useFormContext<EventValues>();
    const calendars = useCalendars();
    const [participants, status, guests, places, askWhen, calendar] = useWatch({ control, name: ['participants', 'status', 'guests', 'places', 'askWhen', 'calendar'] });
    if (participants.length === 0 && places === null && guests.length === 0) return null;
    const toggle = (right: Right) => setValue('guests', (Object.keys(RIGHTS) as Right[]).filter((each) => (each === right ? !guests.includes(each) : guests.includes(each))));
    const asCalendar = calendars.data?.find(({ slug }) => slug === calendar)?.asksProvisional === true ? WHEN.provisional : WHEN.confirmed;
    return (
        <>
            {status === 'provisional' && (
                <ChoiceField label="Ask them" value={askWhen} choices={{ '': `as its calendar: ${asCalendar}`, ...WHEN }} onChange={(when) => setValue('askWhen', when)} />
            )}
            <TextField label="How many may come" type="number" inputMode="numeric" min={1} max={10000} placeholder="no end to them" error={problem?.field('places')} hint={places === null ? undefined : 'Who comes when all are taken waits for one, and is told.'} {...register('places', A_NUMBER)} />
            <fieldset>
                <legend className="text-xs text-soft">Who is asked may</legend>
                {(Object.keys(RIGHTS) as Right[]).map((right) => (
                    <CheckField key={right} label={RIGHTS[right]} checked={guests.includes(right)} onChange={() => toggle(right)} />
                ))}
            </fieldset>
        </>
    );
}
