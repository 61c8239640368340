import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answered, api, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { problemOf, useAction } from '@/api/useAction';
import { Button } from '@/components/Button';
import { CopyField } from '@/components/CopyField';
import { Dialog } from '@/components/Dialog';
import { CheckField, ChoiceField, CONTROL, Field, FormProblem, TextField } from '@/components/Field';
import { linesOf } from '@/components/linesOf';
import { useSettled } from '@/components/useSettled';
import { toast } from '@/toast/toast';
import { addressOfFrame, HEIGHTS, languageName, LINKS, lineOfFrame, LOOKS, PLAIN, VIEWS, type FrameChoices } from './frameLine';
import type { Publication } from './usePublications';

type Props = { publication: Publication; onClose: () => void };

/** The frame in which a publication stands on other sites: which sites may show it, how it looks, and the line to copy. */
export function FrameDialog({ publication, onClose }: Props) {
    const at = { params: { path: { id: publication.id } } };
    const frame = useQuery({ queryKey: queryKeys.frame(publication.id), queryFn: ({ signal }) => answered(api.GET('/publications/{id}/frame', { ...at, signal })) });
    return (
        <Dialog open onOpenChange={(open) => !open && onClose()} wide title={`${publication.name} in a frame`} about="It stands on the sites that you name, and on no other. Whoever looks sees what is published, also where they are signed in here.">
            {frame.data !== undefined && <FrameForm publication={publication} frame={frame.data} />}
            <Button className="mt-4" onClick={onClose}>
                Done
            </Button>
        </Dialog>
    );
}

function FrameForm({ publication, frame }: { publication: Publication; frame: Schemas['Frame'] }) {
    const [sites, setSites] = useState(frame.sites.join('\n'));
    const [choices, setChoices] = useState<FrameChoices>(PLAIN);
    const set = (change: Partial<FrameChoices>) => setChoices((before) => ({ ...before, ...change }));
    const save = useAction((told: string[]) => answered(api.PUT('/publications/{id}/frame', { params: { path: { id: publication.id } }, body: { sites: told } })), {
        quiet: true,
        onDone: (saved) => {
            setSites(saved.sites.join('\n'));
            toast(saved.sites.length === 0 ? 'It stands in no frame now.' : `It may stand on ${saved.sites.length === 1 ? 'one site' : `${saved.sites.length} sites`}.`);
        },
    });
    const problem = problemOf(save);
    return (
        <div className="grid items-start gap-5 sm:grid-cols-[1fr_1.2fr]">
            <div className="flex flex-col gap-3">
                <form
                    className="flex flex-col items-start gap-2"
                    onSubmit={(event) => {
                        event.preventDefault();
                        save.mutate(linesOf(sites));
                    }}
                >
                    <Field label="Sites that may show it, one a line" className="w-full" error={problem?.field('sites')} hint="Such as https://www.school.example. Nobody else can put it into a page.">
                        {(control) => <textarea rows={3} {...control} value={sites} onChange={(event) => setSites(event.target.value)} />}
                    </Field>
                    {problem !== null && problem.fields.length === 0 && <FormProblem>{problem.message}</FormProblem>}
                    <Button type="submit" look="primary" disabled={save.isPending}>
                        Save the sites
                    </Button>
                </form>
                <div className="grid grid-cols-2 gap-3">
                    <ChoiceField label="It opens as" value={choices.view} choices={VIEWS} onChange={(view) => set({ view })} />
                    <ChoiceField label="Look" value={choices.look} choices={LOOKS} onChange={(look) => set({ look })} />
                    <ChoiceField label="Height" value={choices.height} choices={HEIGHTS} onChange={(height) => set({ height })} />
                    {choices.height === 'fixed' && <TextField type="number" min={200} max={4000} label="Pixels" value={choices.pixels} onChange={(event) => set({ pixels: Number(event.target.value) })} />}
                    <Field label="Dates in">
                        {(control) => (
                            <select {...control} value={choices.language} onChange={(event) => set({ language: event.target.value })}>
                                {frame.languages.map((each) => (
                                    <option key={each} value={each}>
                                        {languageName(each)}
                                    </option>
                                ))}
                            </select>
                        )}
                    </Field>
                    <ChoiceField label="Links open" value={choices.opens} choices={LINKS} onChange={(opens) => set({ opens })} />
                </div>
                <AccentField accent={choices.accent} onChange={(accent) => set({ accent })} />
                {frame.layers.length > 1 && (
                    <fieldset>
                        <legend className="mb-1 text-xs text-soft">Layers it opens with</legend>
                        {frame.layers.map((name, index) => (
                            <CheckField key={index} label={name} checked={!choices.off.includes(index)} onChange={() => set({ off: choices.off.includes(index) ? choices.off.filter((each) => each !== index) : [...choices.off, index] })} />
                        ))}
                    </fieldset>
                )}
            </div>
            <div>
                {frame.sites.length === 0 ? (
                    <p className="border border-line bg-sheet p-3 text-soft">Name a site and save it: then it is seen here as it will stand there, with the line to copy.</p>
                ) : (
                    <>
                        <p className="text-xs text-soft">For the site, as one line of HTML</p>
                        <CopyField label="Line for the site" value={lineOfFrame(frame, publication.name, choices)} />
                        <FramePreview address={addressOfFrame(frame.address, choices)} name={publication.name} />
                    </>
                )}
            </div>
        </div>
    );
}

/** As it will stand there, once one pauses. */
function FramePreview({ address, name }: { address: string; name: string }) {
    const shown = useSettled(address, 300);
    return <iframe src={shown} title={`${name}, as it stands there`} className="mt-3 h-105 w-full border border-line" />;
}

/** The colour of the site, or none. */
function AccentField({ accent, onChange }: { accent: string; onChange: (accent: string) => void }) {
    return (
        <div className="flex items-end gap-3">
            <CheckField label="The colour of the site" checked={accent !== ''} onChange={(event) => onChange(event.target.checked ? '#1d5a8c' : '')} />
            {accent !== '' && <input type="color" aria-label="Colour" value={accent} onChange={(event) => onChange(event.target.value)} className={`${CONTROL} h-8 w-16! p-0.5!`} />}
        </div>
    );
}
