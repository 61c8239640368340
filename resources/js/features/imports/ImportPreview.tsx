import type { ReactNode } from 'react';
import type { Schemas } from '@/api/client';
import { formatDate, timeOfDay } from '@/time/dates';
import { Scrolling } from '@/components/Scrolling';
import { GoneEvents } from './GoneEvents';
import { PreviewHead } from './PreviewHead';
import { verdictWords } from './verdictWords';

/** Row by row, what bringing a file in would do. */
export function ImportPreview({ preview, actions, isPutting, onChoose }: { preview: Schemas['ImportPreview']; actions: ReactNode; isPutting: boolean; onChoose: (choice: { gone: boolean }) => Promise<boolean> }) {
    const { counts, rows, problems, problemCount } = preview;
    const total = counts.added + counts.changed + counts.unchanged;
    return (
        <section aria-label="Preview of the import" className="w-full border border-ink bg-sheet">
            <PreviewHead preview={preview} more={problemCount > 0 && `, ${problemCount} ${problemCount === 1 ? 'problem' : 'problems'}`} actions={actions} />
            <GoneEvents preview={preview} disabled={isPutting} onChoose={(gone) => onChoose({ gone })} />
            {problems.length > 0 && (
                <Scrolling as="ul" aria-label="Problems" className="max-h-40 overflow-y-auto border-b border-line p-3">
                    {problems.map((each, index) => (
                        <li key={index}>
                            {each.line > 0 && <b className="font-semibold">Line {each.line} </b>}
                            {each.property !== '' && `${each.property}: `}
                            {each.problem} <span className="text-soft">({each.outcome})</span>
                        </li>
                    ))}
                </Scrolling>
            )}
            <Scrolling as="div" className="max-h-96 overflow-auto" aria-label="Events of the file">
                <table className="w-full text-left">
                    <thead className="sticky top-0 bg-paper text-xs text-soft">
                        <tr>
                            {['', 'Event', 'When', 'Place'].map((head) => (
                                <th key={head} scope="col" className="border-b border-line px-3 py-1.5 font-normal">
                                    {head === '' ? <span className="sr-only">Verdict</span> : head}
                                </th>
                            ))}
                        </tr>
                    </thead>
                    <tbody>
                        {rows.map((row, index) => (
                            <tr key={index} className={row.verdict === 'unchanged' ? 'text-soft' : ''}>
                                <td className="border-b border-hair px-3 py-1 whitespace-nowrap italic">{verdictWords[row.verdict]}</td>
                                <td className="border-b border-hair px-3 py-1 [overflow-wrap:anywhere]">{row.title}</td>
                                <td className="border-b border-hair px-3 py-1 whitespace-nowrap">
                                    {formatDate(row.start, 'weekdayDay')} {row.start.slice(0, 4)}
                                    {!row.allDay && `, ${timeOfDay(row.start)}`}
                                    {row.repeats && ', repeats'}
                                    {row.timezone !== null && <span className="text-soft"> {row.timezone}</span>}
                                </td>
                                <td className="border-b border-hair px-3 py-1">{row.place}</td>
                            </tr>
                        ))}
                    </tbody>
                </table>
            </Scrolling>
            {total > rows.length && <p className="p-3 text-soft">and {total - rows.length} more.</p>}
        </section>
    );
}
