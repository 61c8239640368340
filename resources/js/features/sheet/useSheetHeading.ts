import { addDays, formatDate, formatSpan, formatYear } from '@/time/dates';
import { useRota } from './RotaContext';

/** What the sheet is about, as a heading: its days, its month or its year. */
export function useSheetHeading(): string {
    const { view, span, focus, search } = useRota();
    switch (view) {
        case 'month':
            return formatDate(focus.from, 'monthYear');
        case 'day':
            return formatDate(span.from, 'long');
        case 'year':
            return formatYear(span.from);
        case 'table':
            return search.period === 'all' ? 'All events' : `from ${formatDate(span.from, 'weekdayDay')}`;
        case 'list':
            return `from ${formatDate(span.from, 'weekdayDay')}`;
        default:
            return formatSpan(span.from, addDays(span.to, -1));
    }
}
