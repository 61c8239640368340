import { useEffect, useState, type ClipboardEvent, type FormEvent } from 'react';
import { answered, api, type Schemas } from '@/api/client';
import { problemOf, tellRefusal, useRefresh } from '@/api/useAction';
import { Button } from '@/components/Button';
import { CheckField, ChoiceField, FormProblem, TextField } from '@/components/Field';
import { InkPicker } from '@/components/InkPicker';
import { useLatest } from '@/components/useLatest';
import { isAddress } from '@/features/imports/bringIn';
import { JobProgress } from '@/features/jobs/JobProgress';
import { useLongWork } from '@/features/jobs/useLongWork';
import { toast } from '@/toast/toast';
import { AlreadySubscribed } from './AlreadySubscribed';
import { FoundAtAddress } from './FoundAtAddress';
import { PackedAtAddress } from './PackedAtAddress';
import { SignInFields } from './SignInFields';
import { usePinTargets } from './usePinning';
import { useLayerOf } from './useLayerOf';

type SignIn = NonNullable<Schemas['AddressInput']['signIn']>;

type Props = {
    /** What is looked at as soon as it is there. */
    address?: string | undefined;
    /** The calendar that it was given for. */
    into?: string | undefined;
    onClose: () => void;
};

/** An address: looked at first, then subscribed to under a name, as a calendar of its own or onto one that is there. */
export function SubscribeForm({ address, into, onClose }: Props) {
    const fresh = useRefresh();
    const [url, setUrl] = useState(address ?? '');
    const [follow, setFollow] = useState(false);
    const [signIn, setSignIn] = useState<SignIn>({ kind: 'none' });
    const [input, setInput] = useState<Pick<Schemas['SourceInput'], 'name' | 'colour' | 'mark'>>({ name: '', colour: 'pine', mark: 'waves' });
    const [pinTo, setPinTo] = useState(into ?? '');
    const targets = usePinTargets();
    const target = targets.find(({ slug }) => slug === pinTo);
    const [overlay, setOverlay] = useState('');
    const layer = useLayerOf();
    const look = useLongWork(
        (asked: { url: string; follow: boolean }) => answered(api.POST('/sources/look', { body: { url: asked.url, signIn, terms: { follow: asked.follow } } })),
        ({ found }) => setInput((before) => ({ ...before, name: before.name === '' ? (found?.name ?? '') : before.name })),
    );
    const create = useLongWork(
        () => answered(api.POST('/sources', { body: { ...input, url, signIn, terms: { follow }, ...(target === undefined ? {} : { pinTo: target.slug }) } })),
        async (job) => {
            await fresh('access');
            // That it is subscribed to is so, whatever becomes of the layer.
            if (target === undefined && overlay !== '' && job.calendar !== null) await layer.put(overlay, input, job.calendar).catch(tellRefusal);
            const many = `${job.counts?.added ?? 0} ${job.counts?.added === 1 ? 'event' : 'events'}`;
            toast(target === undefined ? `“${job.title}” is a calendar of yours now: ${many}.` : `“${job.title}” shows on ${target.name} from now on: ${many}.`);
            onClose();
        },
    );
    // What was found is of the address that stands there.
    const looked = look.variables?.url === url && look.variables.follow === follow ? look.data : undefined;
    const found = looked?.found;
    const problem = problemOf(create) ?? problemOf(look);
    const lookAt = (asked: { url: string; follow: boolean }) => {
        create.reset();
        look.mutate(asked);
    };
    const latest = useLatest(lookAt);
    useEffect(() => {
        if (address !== undefined) latest.current({ url: address, follow: false });
    }, [address, latest]);
    const pasted = (pasting: ClipboardEvent<HTMLInputElement>) => {
        const text = pasting.clipboardData.getData('text/plain').trim();
        if (!isAddress(text) || url !== '') return;
        pasting.preventDefault();
        setUrl(text);
        lookAt({ url: text, follow });
    };
    const submit = (submitted: FormEvent) => {
        submitted.preventDefault();
        if (found?.kind === undefined) lookAt({ url, follow });
        else create.mutate();
    };
    return (
        <form aria-label="Subscribe to an address" className="mb-6 flex flex-col gap-3 border border-ink bg-sheet p-4" onSubmit={submit}>
            <TextField
                label="Address"
                inputMode="url"
                placeholder="https://…"
                hint="Of a calendar (.ics), a table (.csv), a page with dates, a spreadsheet or a document. It is looked at first."
                value={url}
                error={problem?.field('url') ?? problem?.field('pinTo')}
                onPaste={pasted}
                onChange={(typed) => setUrl(typed.target.value.trim())}
                autoFocus
            />
            <SignInFields value={signIn} keepsSecret={false} onChange={setSignIn} />
            {look.isPending && <JobProgress job={look.job} what="Looking at it" />}
            {looked?.hasFile === true && looked.id !== null && <PackedAtAddress job={looked.id} url={url} into={into} onDone={onClose} />}
            {found != null && (
                <>
                    <FoundAtAddress found={found} />
                    {found.kind === 'page' && (
                        <CheckField
                            label="Read the pages that it leads to as well (of the same site, one level deep)"
                            checked={follow}
                            onChange={(change) => {
                                setFollow(change.target.checked);
                                lookAt({ url, follow: change.target.checked });
                            }}
                        />
                    )}
                    <TextField label="Call it" value={input.name} error={problem?.field('name')} onChange={(typed) => setInput({ ...input, name: typed.target.value })} />
                    {targets.length > 0 && (
                        <ChoiceField
                            label="Its events show"
                            className="sm:w-80"
                            hint={target === undefined ? undefined : `Beside those of ${target.name}, marked as from outside; nobody changes them here.`}
                            value={target?.slug ?? ''}
                            choices={{ '': 'on a calendar of its own', ...Object.fromEntries(targets.map(({ slug, name }) => [slug, `on ${name}`])) }}
                            onChange={setPinTo}
                        />
                    )}
                    {found.subscribed.length > 0 && <AlreadySubscribed subscribed={found.subscribed} target={target} onDone={onClose} />}
                    {target === undefined && layer.overlays.length > 0 && (
                        <ChoiceField
                            label="A layer of"
                            className="sm:w-80"
                            value={overlay}
                            choices={{ '': 'no overlay for now', ...Object.fromEntries(layer.overlays.map(({ slug, name }) => [slug, name])) }}
                            onChange={setOverlay}
                        />
                    )}
                    <InkPicker ink={input.colour} mark={input.mark} onChange={(colour, mark) => setInput({ ...input, colour, mark })} />
                </>
            )}
            {problem !== null && problem.fields.length === 0 && (
                <FormProblem>
                    {problem.message} {problem.detail}
                </FormProblem>
            )}
            {create.isPending && <JobProgress job={create.job} what="Fetching it" />}
            <div className="flex gap-2">
                {found == null ? (
                    <Button type="submit" look={looked?.hasFile === true ? 'plain' : 'primary'} disabled={look.isPending}>
                        {look.isPending ? 'Looking…' : 'Look at it'}
                    </Button>
                ) : (
                    <Button type="submit" look="primary" disabled={create.isPending}>
                        {create.isPending ? 'Fetching…' : 'Subscribe'}
                    </Button>
                )}
                <Button onClick={onClose}>{create.isPending ? 'Go on meanwhile' : 'Cancel'}</Button>
            </div>
        </form>
    );
}
