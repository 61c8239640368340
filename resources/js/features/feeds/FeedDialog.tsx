import { useState } from 'react';
import { problemOf } from '@/api/useAction';
import { Dialog } from '@/components/Dialog';
import { ChoiceField, TextField } from '@/components/Field';
import { FormFoot } from '@/components/FormFoot';
import { ConditionFields } from '@/features/overlays/ConditionFields';
import { useFeedChange, type Feed } from './useFeeds';
import { BACK, DETAILS, REMINDERS } from './words';

/** What a feed link gives: its address stays. */
export function FeedDialog({ feed, onClose }: { feed: Feed; onClose: () => void }) {
    const [values, setValues] = useState({ name: feed.name, detail: feed.detail, weeksBack: feed.weeksBack, reminderMinutes: feed.reminderMinutes, conditions: feed.conditions });
    const change = useFeedChange(feed, onClose);
    const set = (part: Partial<typeof values>) => setValues((before) => ({ ...before, ...part }));
    const problem = problemOf(change);
    return (
        <Dialog open onOpenChange={(open) => !open && onClose()} title={`Change the link for ${feed.name}`} about="Whoever follows it has the change the next time their program asks. Its address stays.">
            <form
                className="flex flex-col gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    change.mutate(values);
                }}
            >
                <TextField label="For whom or what place" value={values.name} maxLength={120} error={problem?.field('name')} onChange={(event) => set({ name: event.target.value })} />
                <ChoiceField label="It tells" value={values.detail} choices={DETAILS} onChange={(detail) => set({ detail })} />
                <ChoiceField label="How far back" value={textOf(values.weeksBack)} choices={withOwn(BACK, values.weeksBack, 'weeks')} onChange={(weeks) => set({ weeksBack: numberOf(weeks) })} />
                <ChoiceField label="The device reminds" value={textOf(values.reminderMinutes)} choices={withOwn(REMINDERS, values.reminderMinutes, 'minutes before')} onChange={(minutes) => set({ reminderMinutes: numberOf(minutes) })} />
                <ConditionFields conditions={values.conditions} onChange={(conditions) => set({ conditions })} errorOf={(index) => problem?.fields.find((each) => each.field.startsWith(`conditions.${index}.`))?.message} />
                <FormFoot submit="Save" pending={change.isPending} problem={problem} onCancel={onClose} />
            </form>
        </Dialog>
    );
}

const textOf = (number: number | null) => (number === null ? '' : String(number));
const numberOf = (text: string) => (text === '' ? null : Number(text));

/** What it has now can be kept, also where it is none of those that are offered. */
function withOwn(choices: Record<string, string>, now: number | null, unit: string): Record<string, string> {
    return now === null || String(now) in choices ? choices : { ...choices, [now]: `${now} ${unit}` };
}
