import { Field } from '@/components/Field';
import type { Overlay } from './useOverlays';

const STANDS_FOR: Record<Overlay['colouredBy'], string> = { layer: 'layers', category: 'categories', calendar: 'calendars', person: 'who is responsible' };

/** What the colours of the events of an overlay stand for. */
export function ColouredByField({ value, onChange, className }: { value: Overlay['colouredBy']; onChange: (by: Overlay['colouredBy']) => void; className?: string }) {
    return (
        <Field label="Colours stand for" {...(className === undefined ? {} : { className })}>
            {(control) => (
                <select {...control} value={value} onChange={(event) => onChange(event.target.value as Overlay['colouredBy'])}>
                    {Object.entries(STANDS_FOR).map(([by, name]) => (
                        <option key={by} value={by}>
                            {name}
                        </option>
                    ))}
                </select>
            )}
        </Field>
    );
}
