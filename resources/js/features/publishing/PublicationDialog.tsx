import { useState } from 'react';
import type { Schemas } from '@/api/client';
import { problemOf } from '@/api/useAction';
import { Dialog } from '@/components/Dialog';
import { CheckField, ChoiceField, TextField } from '@/components/Field';
import { FormFoot } from '@/components/FormFoot';
import { ConditionFields } from '@/features/overlays/ConditionFields';
import { LinksDialog } from './LinksDialog';
import { PreviewNote } from './PreviewNote';
import { SubjectField } from './SubjectField';
import { subjectOf, useManaged } from './useManaged';
import { TableColumnFields } from './TableColumnFields';
import { usePublicationPreview } from './usePublicationPreview';
import { usePublications, usePublish, type Publication } from './usePublications';
import { addressOf, AUDIENCES, DETAILS, PERIODS } from './words';

type Props = { publication: Publication | null; /** Of what it is begun, where that is known. */ begun?: { of: string; name: string; audience?: Values['audience'] }; onClose: () => void };

type Values = Required<Pick<Schemas['PublicationInput'], 'name' | 'detail' | 'audience' | 'period' | 'weeksBack' | 'weeksOn' | 'followed' | 'asTable' | 'tableColumns' | 'conditions'>> & { of: string; slug: string | null };

/** What one may not think of. */
const HINTS: Partial<Record<Values['detail'], string>> = {
    titles: 'A name that stands in a title goes out with it.',
    'without people': 'A name that stands in a title or a place goes out with it.',
    everything: 'Names of people go out, too: everybody at the address reads who is responsible.',
};

const BEGUN: Values = { of: '', name: '', detail: 'without people', audience: 'with the link', period: 'all', weeksBack: 1, weeksOn: 6, followed: true, asTable: false, tableColumns: null, conditions: [], slug: null };

/** Publishes a page, or changes what one gives. */
export function PublicationDialog({ publication, begun, onClose }: Props) {
    const choices = useManaged();
    const [values, setValues] = useState<Values>(() => (publication === null ? { ...BEGUN, ...begun } : { ...valuesOf(publication), of: `${publication.of}:${publication.slug}`, slug: publication.audience === 'everybody' ? (publication.address?.split('/').at(-1) ?? null) : null }));
    const published = usePublications();
    const [madeId, setMadeId] = useState<number | null>(null);
    // What is for named people is read by nobody until they are named.
    const publish = usePublish(publication, (saved) => (saved.audience === 'named people' && !saved.links.some((each) => each.purpose === 'person') ? setMadeId(saved.id) : onClose()));
    const set = (change: Partial<Values>) => setValues((before) => ({ ...before, ...change }));
    const choose = (of: string) => {
        const chosen = choices.find((each) => each.value === of);
        set({ of, ...(values.name === '' || choices.some((each) => each.name === values.name) ? { name: chosen?.name ?? '' } : {}) });
    };
    const isFindable = values.audience === 'everybody';
    const slug = values.slug ?? addressOf(values.name);
    const problem = problemOf(publish);
    const input = inputOf(values, isFindable ? slug : null, publication === null);
    const preview = usePublicationPreview(input, publication?.id ?? null);
    const made = published.data?.find((each) => each.id === madeId);
    if (made !== undefined) return <LinksDialog publication={made} purpose="person" onClose={onClose} />;
    return (
        <Dialog open onOpenChange={(open) => !open && onClose()} wide title={publication === null ? 'Publish a page' : `Change ${publication.name}`} about="It gives what you may see at that moment, never more. Private events show as busy times at most.">
            <form
                className="grid items-start gap-x-5 gap-y-4 sm:grid-cols-2"
                onSubmit={(event) => {
                    event.preventDefault();
                    publish.mutate(input);
                }}
            >
                <div className="flex flex-col gap-3">
                    {publication === null && (
                        <SubjectField of={values.of} choices={choices} error={problem?.field('calendar')} onChange={choose} />
                    )}
                    <TextField label="Name, at its top" value={values.name} maxLength={120} error={problem?.field('name')} onChange={(event) => set({ name: event.target.value })} />
                    <ChoiceField label="It tells" value={values.detail} choices={DETAILS} error={problem?.field('detail')} hint={HINTS[values.detail]} onChange={(detail) => set({ detail })} />
                    <ChoiceField label="Of which days" value={values.period} choices={PERIODS} onChange={(period) => set({ period })} />
                    {values.period === 'weeks' && (
                        <div className="flex gap-3">
                            <TextField type="number" min={0} max={260} label="Weeks before this one" value={values.weeksBack} error={problem?.field('weeksBack')} onChange={(event) => set({ weeksBack: Number(event.target.value) })} />
                            <TextField type="number" min={0} max={260} label="Weeks after it" value={values.weeksOn} error={problem?.field('weeksOn')} onChange={(event) => set({ weeksOn: Number(event.target.value) })} />
                        </div>
                    )}
                    <ConditionFields conditions={values.conditions} onChange={(conditions) => set({ conditions })} errorOf={(index) => problem?.fields.find((each) => each.field.startsWith(`conditions.${index}.`))?.message} />
                    <ChoiceField label="For" value={values.audience} choices={AUDIENCES} error={problem?.field('audience')} hint={values.audience === 'named people' ? 'Each of them gets a link of their own, which you can take back alone. You name them next.' : undefined} onChange={(audience) => set({ audience })} />
                    {isFindable && <TextField label="Its address" value={slug} error={problem?.field('slug')} hint={`${window.location.origin}/p/${slug}`} onChange={(event) => set({ slug: event.target.value })} />}
                    <div>
                        <CheckField label="Devices may follow it" checked={values.followed} onChange={(event) => set({ followed: event.target.checked })} />
                        <CheckField label="It can be taken as a table" checked={values.asTable} onChange={(event) => set({ asTable: event.target.checked })} />
                        {values.asTable && <TableColumnFields columns={values.tableColumns} onChange={(tableColumns) => set({ tableColumns })} />}
                    </div>
                </div>
                <div className="flex flex-col gap-3">
                    <PreviewNote preview={preview} />
                </div>
                <div className="flex flex-col gap-3 sm:col-span-2">
                    <FormFoot submit={publication === null ? 'Publish it' : 'Save'} pending={publish.isPending} problem={problem} onCancel={onClose} />
                </div>
            </form>
        </Dialog>
    );
}

function valuesOf({ name, detail, audience, period, weeksBack, weeksOn, followed, asTable, tableColumns, conditions }: Omit<Values, 'of' | 'slug'>) {
    return { name, detail, audience, period, weeksBack, weeksOn, followed, asTable, tableColumns, conditions };
}

/** As it is sent: what it is of is said once, when it is made. */
function inputOf({ of, ...values }: Values, slug: string | null, isNew: boolean): Schemas['PublicationInput'] {
    return { ...valuesOf(values), ...(slug === null ? {} : { slug }), ...(isNew ? subjectOf(of) : {}) };
}
