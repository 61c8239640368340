import { Link } from '@tanstack/react-router';
import { useState } from 'react';
import { tellRefusal } from '@/api/useAction';
import { Button } from '@/components/Button';
import { ChoiceField } from '@/components/Field';
import { toast } from '@/toast/toast';
import { useLayerOf } from './useLayerOf';
import type { Source } from './useSources';

/** In which overlays of one’s own a source has a layer, and into which more it is put. */
export function OverlaysOfSource({ source: { calendar } }: { source: Source }) {
    const { overlays, put } = useLayerOf();
    const [chosen, setChosen] = useState('');
    const [isPutting, setPutting] = useState(false);
    const has = (overlay: (typeof overlays)[number]) => overlay.layers.some(({ calendars }) => calendars.includes(calendar.slug));
    const [within, others] = [overlays.filter(has), overlays.filter((each) => !has(each))];
    if (overlays.length === 0) return null;
    const lay = async () => {
        const to = others.find(({ slug }) => slug === chosen);
        if (to === undefined) return;
        setPutting(true);
        await put(to.slug, calendar, calendar.slug).then(() => void toast(`${calendar.name} is a layer of ${to.name}.`), tellRefusal);
        setChosen('');
        setPutting(false);
    };
    return (
        <div className="flex flex-wrap items-end gap-x-3 gap-y-1.5 border-b border-hair pb-3">
            {within.length > 0 && (
                <p className="w-full">
                    A layer of{' '}
                    {within.map(({ slug, name }, index) => (
                        <span key={slug}>
                            {index > 0 && ', '}
                            <Link to="/" search={{ overlay: slug }} className="hit underline">
                                {name}
                            </Link>
                        </span>
                    ))}
                    .
                </p>
            )}
            {others.length > 0 && (
                <>
                    <ChoiceField
                        label={within.length === 0 ? 'A layer of' : 'A layer of another'}
                        className="sm:w-80"
                        value={chosen}
                        choices={{ '': 'choose an overlay', ...Object.fromEntries(others.map(({ slug, name }) => [slug, name])) }}
                        onChange={setChosen}
                    />
                    <Button disabled={chosen === '' || isPutting} onClick={() => void lay()}>
                        Put it there
                    </Button>
                </>
            )}
        </div>
    );
}
