import type { Schemas } from '@/api/client';
import { CONTROL } from '@/components/Field';
import { SavedCheckField } from '@/components/SavedCheckField';
import { Scrolling } from '@/components/Scrolling';
import type { Column } from './useImport';

type Role = NonNullable<Column['role']>;

type Choice = NonNullable<Schemas['ImportInput']['columns']>[number];

const ROLES: Record<Role, string> = {
    title: 'title',
    date: 'day or days',
    'end date': 'last day',
    time: 'hour, or from–to',
    end: 'hour of the end',
    length: 'how long',
    'part of the day': 'part of the day',
    weekday: 'weekday',
    'all day': 'whole day or not',
    place: 'place',
    description: 'text about it',
    category: 'category',
    responsible: 'who is responsible',
    participants: 'who takes part',
    calendar: 'calendar',
    status: 'state',
    link: 'link',
    moment: 'an event of its own',
    nothing: 'nothing of it',
};

type Props = { columns: readonly Column[]; disabled: boolean; onChoose: (columns: Choice[]) => Promise<boolean> };

function nameOf({ name, column }: Column): string {
    return name === '' ? `column ${column + 1}` : name;
}

/** A column as it stands, said to be so. */
function asChosen({ table, column, role, isKey }: Column): Choice {
    return { table, column, role: role ?? 'nothing', isKey };
}

/** What each column of a table was taken for, over some of what is in it: picked anew where it was taken for another. */
export function ColumnFields({ columns, disabled, onChoose }: Props) {
    const tables = [...new Set(columns.map(({ table }) => table))];
    const choose = (changed: Column, role: Role) => {
        const told = (each: Column): Role => (each === changed ? role : each.role === role && role !== 'moment' && each.table === changed.table ? 'nothing' : (each.role ?? 'nothing'));
        void onChoose(columns.map((each) => ({ ...asChosen(each), role: told(each) })));
    };
    const setKey = (changed: Column, isKey: boolean) => onChoose(columns.map((each) => (each === changed ? { ...asChosen(each), isKey } : asChosen(each))));
    const keys = columns.filter(({ isKey }) => isKey).map(nameOf);
    return (
        <details className="border-b border-line p-3">
            <summary className="cursor-pointer text-soft hover:text-ink">What its columns are: {columns.filter(({ role }) => role !== null && role !== 'nothing').map(({ role, name }) => (role === null ? name : ROLES[role])).join(', ')}</summary>
            <p className="mt-2 text-soft">
                {keys.length === 0 ? 'Brought again, a row is known by its title. Tick columns that tell rows apart, such as a number, where titles change.' : `Brought again, a row is known by ${keys.join(' and ')}, whatever else it says.`}
            </p>
            {tables.map((table) => (
                <Scrolling key={table} as="div" className="mt-2 overflow-x-auto" aria-label={tables.length === 1 ? 'Columns' : `Columns of table ${table + 1}`}>
                    <table className="text-left">
                        <tbody>
                            <tr>
                                {columns
                                    .filter((each) => each.table === table)
                                    .map((each) => (
                                        <td key={each.column} className="min-w-32 border border-hair p-1.5 align-top">
                                            <b className="font-semibold">{nameOf(each)}</b>
                                            <select aria-label={`What ${nameOf(each)} is`} disabled={disabled} className={`${CONTROL} mt-1`} value={each.role ?? 'nothing'} onChange={(change) => choose(each, change.target.value as Role)}>
                                                {Object.entries(ROLES).map(([role, words]) => (
                                                    <option key={role} value={role}>
                                                        {words}
                                                    </option>
                                                ))}
                                            </select>
                                            {each.samples.map((said) => (
                                                <span key={said} className="block text-xs text-soft">
                                                    {said}
                                                </span>
                                            ))}
                                            <SavedCheckField label="tells rows apart" aria-label={`${nameOf(each)} tells rows apart`} checked={each.isKey} disabled={disabled} take={(isKey) => setKey(each, isKey)} />
                                        </td>
                                    ))}
                            </tr>
                        </tbody>
                    </table>
                </Scrolling>
            ))}
        </details>
    );
}
