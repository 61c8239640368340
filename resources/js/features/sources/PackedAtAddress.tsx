import { useMutation } from '@tanstack/react-query';
import { answered, api } from '@/api/client';
import { tellRefusal } from '@/api/useAction';
import { Button } from '@/components/Button';
import { bringIn } from '@/features/imports/bringIn';

type Props = {
    /** The look that found it, which has kept it. */
    job: number;
    /** Where it was found: by the end of that it is called. */
    url: string;
    /** The calendar that it was given for. */
    into: string | undefined;
    onDone: () => void;
};

/** A spreadsheet or a document at an address: it is brought in once, as a file that one has. */
export function PackedAtAddress({ job, url, into, onDone }: Props) {
    const open = useMutation({
        mutationFn: async () => new File([await answered(api.GET('/jobs/{id}/file', { params: { path: { id: job } }, parseAs: 'blob' }))], nameIn(url)),
        onSuccess: (given) => {
            onDone();
            bringIn({ given, ...(into === undefined ? {} : { into }) });
        },
        onError: tellRefusal,
    });
    return (
        <section aria-label="What is there" className="flex flex-wrap items-center gap-x-3 gap-y-1.5 border border-line bg-paper p-3">
            <p className="min-w-60 flex-1">
                A spreadsheet or a document, <b className="font-semibold">{nameIn(url)}</b>. It is brought in once, as it is now: what changes there later is not.
            </p>
            <Button look="primary" disabled={open.isPending} onClick={() => open.mutate()}>
                See what is in it
            </Button>
        </section>
    );
}

function nameIn(url: string): string {
    const [path = ''] = url.split(/[?#]/);
    return decodeURIComponent(path.split('/').at(-1) ?? '') || 'document';
}
