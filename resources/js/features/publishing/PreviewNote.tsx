import { formatWhen } from '@/time/dates';
import { leftOutWords, toldWords, warningWords } from './previewWords';
import type { PublicationPreview } from './usePublicationPreview';

/** What would go out, what would not and why, and what one may not want to. */
export function PreviewNote({ preview }: { preview: PublicationPreview | null }) {
    return (
        <section aria-label="What goes out" aria-live="polite" className="border border-line bg-sheet p-3">
            <h3 className="font-semibold">What goes out</h3>
            {preview === null ? <p className="text-soft">Choose what it is of.</p> : <Told preview={preview} />}
        </section>
    );
}

function Told({ preview }: { preview: PublicationPreview }) {
    return (
        <>
            <p>{toldWords(preview)}</p>
            {preview.warnings.length > 0 && (
                <ul aria-label="Mind" className="mt-2 flex flex-col gap-1 border-l-[3px] border-pin pl-2.5">
                    {preview.warnings.map((each) => (
                        <li key={each.where}>{warningWords(each)}</li>
                    ))}
                </ul>
            )}
            {preview.leftOut.length > 0 && (
                <ul aria-label="Left out" className="mt-2 flex flex-col gap-1 border-l-[3px] border-line pl-2.5 text-soft">
                    {preview.leftOut.map((each) => (
                        <li key={each.why}>{leftOutWords(each)}</li>
                    ))}
                </ul>
            )}
            {preview.events.length > 0 && (
                <>
                    <h4 className="mt-3 text-xs text-soft">The next, as they are told</h4>
                    <ul aria-label="The next events, as they are told" className="mt-1">
                        {preview.events.map((each, index) => (
                            <li key={index} className="border-t border-line py-1">
                                <b className="font-semibold">{each.title}</b>, {formatWhen(each)}
                                <span className="block text-soft">{[each.place, each.responsible.join(', '), each.categories.join(', ')].filter((part) => part !== '').join(' · ')}</span>
                            </li>
                        ))}
                    </ul>
                </>
            )}
        </>
    );
}
