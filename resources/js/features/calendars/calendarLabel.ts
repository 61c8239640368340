import type { Calendar } from './useCalendars';

/** A calendar as it is told apart: by its name, and by whoever keeps it where another one has that name, too. */
export function calendarLabel(calendar: Pick<Calendar, 'slug' | 'name' | 'keeper'>, all: readonly Pick<Calendar, 'slug' | 'name'>[] | undefined): string {
    const name = calendar.name.trim().toLowerCase();
    const twice = all?.some((each) => each.slug !== calendar.slug && each.name.trim().toLowerCase() === name) === true;
    return twice ? `${calendar.name} (${calendar.keeper.name})` : calendar.name;
}
