import { TriangleAlert } from 'lucide-react';
import type { Schemas } from '@/api/client';
import { doubtWords } from './doubtWords';

type Doubt = Schemas['LineDoubt'];
type Props = { doubts: readonly Doubt[]; onTake: (doubt: Doubt, offer: string) => void; onPlain: (text: string) => void };

/** What of a line looks like something and was not understood, each with what to do. */
export function LineDoubts({ doubts, onTake, onPlain }: Props) {
    if (doubts.length === 0) return null;
    return (
        <ul aria-label="Not understood" className="flex flex-col gap-1 border-t border-line px-2.5 py-1.5">
            {doubts.map((doubt) => (
                <li key={`${doubt.at}:${doubt.kind}`} className="flex flex-wrap items-center gap-1.5 text-[12px]">
                    <TriangleAlert size={12} aria-hidden="true" className={doubt.blocks ? 'text-pin-ink' : 'text-soft'} />
                    <span>
                        <b className={`border-b-2 font-semibold ${doubt.blocks ? 'border-pin' : 'border-dotted border-soft'}`}>{doubt.text}</b> {doubtWords(doubt)}
                    </span>
                    {doubt.offers.map((offer) => (
                        <button key={offer} type="button" className="min-h-6 pointer-coarse:min-h-11 pointer-coarse:min-w-11 border border-ink bg-sheet px-1.5" onMouseDown={(event) => event.preventDefault()} onClick={() => onTake(doubt, offer)}>
                            {offer}
                        </button>
                    ))}
                    {doubt.blocks && (
                        <button type="button" className="hit px-1 text-soft underline" aria-label={`Keep ${doubt.text} in the title`} onMouseDown={(event) => event.preventDefault()} onClick={() => onPlain(doubt.text)}>
                            keep it in the title
                        </button>
                    )}
                </li>
            ))}
        </ul>
    );
}
