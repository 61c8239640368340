import { X } from 'lucide-react';
import { answered, api, type Schemas } from '@/api/client';
import { useAction } from '@/api/useAction';
import { leavingWords, OFFERED, reminderWords } from './reminderWords';

type Event = Schemas['Event'];

/** When one is reminded of an event oneself, by mail: nobody else sees it. What its calendar suggests is taken by one click. */
export function OwnReminders({ event }: { event: Event }) {
    const put = useAction((minutes: number[]) => answered(api.PUT('/events/{id}/reminders', { params: { path: { id: event.id } }, body: { minutes } })), { changes: 'events', untilShown: true });
    const own = event.ownReminders;
    const suggested = event.reminders.filter((each) => !own.includes(each));
    const words = event.travel === null ? reminderWords : leavingWords;
    const add = (minutes: number) => put.mutate([...own, minutes]);
    return (
        <span role="group" aria-label="When you are reminded" className="flex flex-wrap items-center gap-1">
            {own.map((each) => (
                <span key={each} className="flex items-center border border-line bg-sheet pl-1.5 text-xs">
                    {words(each)}
                    <button type="button" className="grid size-6 place-items-center pointer-coarse:size-11" disabled={put.isPending} aria-label={`Do not remind me ${words(each)}`} onClick={() => put.mutate(own.filter((other) => other !== each))}>
                        <X size={12} />
                    </button>
                </span>
            ))}
            <select aria-label="Remind me by mail" className="min-h-6 max-w-full border pointer-coarse:min-h-11 border-line bg-sheet px-1 text-xs" value="" disabled={put.isPending || own.length >= 10} onChange={(change) => change.target.value !== '' && add(Number(change.target.value))}>
                <option value="">{own.length === 0 ? 'by mail…' : 'and…'}</option>
                {OFFERED.filter((each) => !own.includes(each)).map((each) => (
                    <option key={each} value={each}>
                        {words(each)}
                    </option>
                ))}
            </select>
            {suggested.map((each) => (
                <button key={each} type="button" className="hit text-xs underline" disabled={put.isPending} onClick={() => add(each)}>
                    as suggested, {words(each)}
                </button>
            ))}
        </span>
    );
}
