import clsx from 'clsx';
import { COLOURS, MARKS, PATTERNS } from '@/api/generated/words';
import { Mark, type Ink, type MarkName, type Pattern } from './Mark';

type Props = { ink: Ink; mark: MarkName; onChange: (ink: Ink, mark: MarkName) => void; /** Where what is drawn has a ground of its own. */ pattern?: Pattern; onPattern?: (pattern: Pattern) => void };

/** Chooses the colour and the mark, and the pattern, in which something is drawn. */
export function InkPicker({ ink, mark, onChange, pattern, onPattern }: Props) {
    return (
        <div className="flex flex-col gap-2">
            <InkChoice ink={ink} onChange={(each) => onChange(each, mark)} />
            <div role="radiogroup" aria-label="Mark" className="flex flex-wrap gap-1.5">
                {MARKS.map((each) => (
                    <button
                        key={each}
                        type="button"
                        role="radio"
                        aria-checked={each === mark}
                        aria-label={each}
                        title={each}
                        data-ink={ink}
                        onClick={() => onChange(ink, each)}
                        className={clsx('grid h-7 w-7 place-items-center rounded-sm border text-(--k)', each === mark ? 'border-ink bg-wash' : 'border-line bg-sheet')}
                    >
                        <Mark mark={each} size={13} />
                    </button>
                ))}
            </div>
            {onPattern !== undefined && (
                <div role="radiogroup" aria-label="Pattern" className="flex flex-wrap gap-1.5">
                    {PATTERNS.map((each) => (
                        <button
                            key={each}
                            type="button"
                            role="radio"
                            aria-checked={each === pattern}
                            aria-label={each}
                            title={each}
                            data-ink={ink}
                            data-pattern={each === 'plain' ? undefined : each}
                            onClick={() => onPattern(each)}
                            className={clsx('patterned h-7 w-10 rounded-sm border', each === pattern ? 'border-2 border-ink' : 'border-line')}
                        />
                    ))}
                </div>
            )}
        </div>
    );
}

/** Chooses a colour, or where that is offered, none of one's own. */
export function InkChoice({ ink, onChange, none }: { ink: Ink | null; onChange: (ink: Ink) => void; none?: { name: string; onChoose: () => void } }) {
    return (
        <div role="radiogroup" aria-label="Colour" className="flex flex-wrap items-center gap-1.5">
            {none !== undefined && (
                <button type="button" role="radio" aria-checked={ink === null} onClick={none.onChoose} className={clsx('h-6 rounded-sm border px-1.5 text-xs', ink === null ? 'border-ink bg-ink text-paper' : 'border-line bg-sheet')}>
                    {none.name}
                </button>
            )}
            {COLOURS.map((each) => (
                <button
                    key={each}
                    type="button"
                    role="radio"
                    aria-checked={each === ink}
                    aria-label={each}
                    title={each}
                    data-ink={each}
                    onClick={() => onChange(each)}
                    className={clsx('h-6 w-7 rounded-sm border-2 bg-(--k)', each === ink ? 'border-ink outline-2 outline-offset-1 outline-ink' : 'border-sheet')}
                />
            ))}
        </div>
    );
}
