import { X } from 'lucide-react';
import { PlacePicker } from '@/features/pins/PlacePicker';
import { usePinning, usePinTargets } from './usePinning';
import type { Source } from './useSources';

type Props = { source: Pick<Source, 'id' | 'calendar' | 'pins'> };

/** Asks for a calendar, and pins all of a source to it. */
export function PinAllTo({ source }: Props) {
    const { pin } = usePinning({ id: source.id, name: source.calendar.name });
    const targets = usePinTargets(source.pins);
    if (targets.length === 0) return null;
    return (
        <PlacePicker
            label="Pin all of it to…"
            name={`Pin all of it to… a calendar: ${source.calendar.name}`}
            calendars={targets}
            onChoose={(slug) => pin({ slug, name: targets.find((each) => each.slug === slug)?.name ?? slug })}
        />
    );
}

/** The calendars to which all of a source is pinned. */
export function PinnedTo({ source, className = '' }: Props & { className?: string }) {
    const { unpin, isBusy } = usePinning({ id: source.id, name: source.calendar.name });
    if (source.pins.length === 0) return null;
    return (
        <ul aria-label={`Pinned to: ${source.calendar.name}`} className={`flex flex-wrap items-center gap-x-4 gap-y-1 ${className}`}>
            {source.pins.map(({ id, calendar, by, shared, mayUnpin }) =>
                calendar === null ? null : (
                    <li key={id} className="flex items-center gap-1.5" title={by === null ? undefined : `pinned by ${by}`}>
                        <span aria-hidden="true" className="size-2 shrink-0 rounded-full bg-pin" />
                        {shared ? `all of it is on ${calendar.name}, too` : `on ${calendar.name}, but no longer shared with ${by ?? 'whoever pinned it'}`}
                        {mayUnpin && (
                            <button type="button" className="grid size-6 place-items-center pointer-coarse:size-11" disabled={isBusy} onClick={() => unpin(id, calendar)} aria-label={`Take ${source.calendar.name} off ${calendar.name}`}>
                                <X size={13} />
                            </button>
                        )}
                    </li>
                ),
            )}
        </ul>
    );
}
