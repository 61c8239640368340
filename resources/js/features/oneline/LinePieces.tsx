import { X } from 'lucide-react';
import type { UnderstoodLine } from './useLine';

/** Each piece of a line that was understood; taken wrongly, it is left in the title. */
export function LinePieces({ line, onPlain }: { line: UnderstoodLine; onPlain: (text: string) => void }) {
    if (line.pieces.length === 0) return null;
    return (
        <ul aria-label="Understood" className="flex flex-wrap gap-1 border-t border-line px-2.5 py-1.5">
            {line.pieces.map((piece) => (
                <li key={piece.at}>
                    <button
                        type="button"
                        title="Keep this in the title"
                        aria-label={`Keep ${piece.kind} ${piece.text} in the title`}
                        className="flex min-h-6 pointer-coarse:min-h-11 pointer-coarse:min-w-11 items-center gap-1 border border-line bg-paper px-1.5 text-[11.5px]"
                        onMouseDown={(event) => event.preventDefault()}
                        onClick={() => onPlain(piece.text)}
                    >
                        <span className="text-soft">{piece.kind}</span> {piece.text} <X size={11} aria-hidden="true" />
                    </button>
                </li>
            ))}
        </ul>
    );
}
