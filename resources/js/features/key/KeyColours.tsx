import type { Schemas } from '@/api/client';
import { ColouredByField } from '@/features/overlays/ColouredByField';
import type { Overlay } from '@/features/overlays/useOverlays';

type Props = { colours: Schemas['SheetColour'][]; /** What they stand for, where one may decide that. */ by: Overlay['colouredBy'] | undefined; onChange: (by: Overlay['colouredBy']) => void };

/** What the colours of events stand for, where that is not their layers. */
export function KeyColours({ colours, by, onChange }: Props) {
    return (
        <section aria-label="Colours" className="mt-3">
            {by === undefined ? <h2 className="mb-1 text-xs text-soft">Colours</h2> : <ColouredByField value={by} onChange={onChange} />}
            <ul className="mt-1.5 flex flex-wrap gap-x-3 gap-y-0.5">
                {colours.map(({ name, colour }) => (
                    <li key={name} className="flex items-baseline gap-1.5">
                        <span data-ink={colour} aria-hidden="true" className="size-2.5 shrink-0 bg-(--k)" />
                        {name}
                    </li>
                ))}
            </ul>
            {by !== undefined && by !== 'layer' && <p className="mt-1 text-[11px] text-soft">{colours.length === 0 ? NONE[by] : 'What has none keeps the colour of its layer.'}</p>}
        </section>
    );
}

const NONE = { category: 'No event in view has a category with a colour.', calendar: 'There is no event in view.', person: 'Nobody is responsible for an event in view.' };
