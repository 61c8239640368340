import { CheckField } from '@/components/Field';
import { useTicked } from '@/components/useTicked';
import { formatStart, otherYear } from '@/time/dates';
import type { Preview } from './useImport';

/** What came in by an earlier version and is not there any more: taken away where one says so. */
export function GoneEvents({ preview, disabled, onChoose }: { preview: Preview; disabled: boolean; onChoose: (gone: boolean) => Promise<boolean> }) {
    const { gone, goneCount, takesGone } = preview;
    const ticked = useTicked(takesGone, onChoose);
    if (goneCount === 0) return null;
    return (
        <div className="border-b border-line border-l-[3px] border-l-pin p-3">
            <p>
                It is a new version of what was brought in before. {goneCount === 1 ? 'One event of that is' : `${goneCount.toLocaleString('en-GB')} events of that are`} not in it any more:{' '}
                <span className="text-soft">
                    {gone
                        .slice(0, 6)
                        .map((each) => `${each.title} (${formatStart(each)}${otherYear(each.start)})`)
                        .join(', ')}
                    {goneCount > 6 && ` and ${(goneCount - 6).toLocaleString('en-GB')} more`}.
                </span>
            </p>
            <CheckField label={goneCount === 1 ? 'Take it away' : 'Take them away'} disabled={disabled} {...ticked} />
        </div>
    );
}
