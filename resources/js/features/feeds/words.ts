import type { Feed } from './useFeeds';

export const DETAILS: Record<Feed['detail'], string> = { full: 'everything', busy: 'busy times' };

/** How far back a link goes, in weeks; nothing for as far as is known. */
export const BACK: Record<string, string> = { '': 'as far as is known', '0': 'from today on', '1': 'one week', '4': 'four weeks', '13': 'a quarter', '52': 'a year' };

/** How long before an event a device reminds, in minutes. */
export const REMINDERS: Record<string, string> = { '': 'not at all', '0': 'when it begins', '10': '10 minutes before', '30': 'half an hour before', '60': 'an hour before', '1440': 'a day before' };

/** “everything, from today on, 10 minutes before”. */
export function feedWords({ detail, weeksBack, reminderMinutes, conditions }: Pick<Feed, 'detail' | 'weeksBack' | 'reminderMinutes' | 'conditions'>): string {
    return [
        DETAILS[detail],
        conditions.length > 0 && 'what it asks for alone',
        weeksBack !== null && (weeksBack === 0 ? 'from today on' : `${weeksBack === 1 ? 'one week' : `${weeksBack} weeks`} back`),
        reminderMinutes !== null && `reminds ${REMINDERS[reminderMinutes] ?? `${reminderMinutes} minutes before`}`,
    ]
        .filter((each) => each !== false)
        .join(', ');
}
