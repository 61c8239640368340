import { useState } from 'react';
import { Button } from '@/components/Button';
import { TextField } from '@/components/Field';
import { useCatalogue, type Source } from './useSources';

/** For administrators: whether a source stands in the catalogue, and what is said of it there. */
export function CatalogueField({ source }: { source: Source }) {
    const [about, setAbout] = useState(source.catalogue ?? '');
    const put = useCatalogue();
    const isThere = source.catalogue !== null;
    return (
        <div className="flex flex-wrap items-end gap-2 border-t border-hair pt-3">
            <TextField fieldClassName="min-w-60 flex-1" label="Worth having for everyone, because" hint="In the catalogue everyone in the organisation sees it, and adds it in one click." value={about} onChange={(typed) => setAbout(typed.target.value)} />
            <Button disabled={put.isPending || about.trim() === '' || about === source.catalogue} onClick={() => put.mutate({ source, about })}>
                {isThere ? 'Say it so' : 'Put it in the catalogue'}
            </Button>
            {isThere && (
                <Button disabled={put.isPending} onClick={() => put.mutate({ source, about: null })}>
                    Take it out of the catalogue
                </Button>
            )}
        </div>
    );
}
