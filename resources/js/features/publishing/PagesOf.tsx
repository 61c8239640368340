import { useState } from 'react';
import { Button } from '@/components/Button';
import { PublicationDialog } from './PublicationDialog';
import { PublicationRow } from './PublicationRow';
import { usePublications, type Publication } from './usePublications';

type Props = Pick<Publication, 'of' | 'slug'> & { name: string };

/** The pages that are published of a calendar or an overlay, and another one. */
export function PagesOf({ of, slug, name }: Props) {
    const publications = usePublications();
    const [publishing, setPublishing] = useState(false);
    const pages = publications.data?.filter((each) => each.of === of && each.slug === slug) ?? [];
    return (
        <div className="mb-4">
            {pages.length > 0 && (
                <ul className="mb-3 border-t border-line" aria-label={`Pages of ${name}`}>
                    {pages.map((each) => (
                        <PublicationRow key={each.id} publication={each} />
                    ))}
                </ul>
            )}
            <Button onClick={() => setPublishing(true)}>Publish a page</Button>
            {publishing && <PublicationDialog publication={null} begun={{ of: `${of}:${slug}`, name }} onClose={() => setPublishing(false)} />}
        </div>
    );
}
