import { ChoiceField } from '@/components/Field';
import type { Overlay } from './useOverlays';

const STANDS_FOR: Record<Overlay['colouredBy'], string> = { layer: 'layers', category: 'categories', calendar: 'calendars', person: 'who is responsible' };

/** What the colours of the events of an overlay stand for. */
export function ColouredByField({ value, onChange, className }: { value: Overlay['colouredBy']; onChange: (by: Overlay['colouredBy']) => void; className?: string }) {
    return <ChoiceField label="Colours stand for" value={value} choices={STANDS_FOR} onChange={onChange} {...(className === undefined ? {} : { className })} />;
}
