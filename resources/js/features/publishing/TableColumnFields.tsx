import type { Schemas } from '@/api/client';
import { CheckField } from '@/components/Field';

type Columns = Exclude<Schemas['Publication']['tableColumns'], null>;

const NAMES: Record<Columns[number], string> = { state: 'State', place: 'Place', categories: 'Categories', responsible: 'Responsible', layer: 'Layer, of an overlay' };

const ALL = Object.keys(NAMES) as Columns;

/** Which columns a published table has; all of them where nothing else was said. */
export function TableColumnFields({ columns, onChange }: { columns: Columns | null; onChange: (columns: Columns | null) => void }) {
    const chosen = columns ?? ALL;
    const toggle = (column: Columns[number]) => {
        const next = ALL.filter((each) => (each === column ? !chosen.includes(each) : chosen.includes(each)));
        onChange(next.length === ALL.length ? null : next);
    };
    return (
        <fieldset className="ml-6">
            <legend className="text-xs text-soft">Its columns, besides title and time; what the page does not tell is in none</legend>
            <div className="flex flex-wrap gap-x-4">
                {ALL.map((each) => (
                    <CheckField key={each} label={NAMES[each]} checked={chosen.includes(each)} onChange={() => toggle(each)} />
                ))}
            </div>
        </fieldset>
    );
}
