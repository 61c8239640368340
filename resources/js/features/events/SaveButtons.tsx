import { useState } from 'react';
import { Button } from '@/components/Button';
import { people, tells, type Telling } from './useTelling';

type Props = { /** “Save”, “Add”. */ verb: string; /** What the button says where nobody is told. */ plain: string; telling: Telling; pending: boolean; onLeave: () => void };

/** How the form of an event ends: saved with word to those whom it concerns, or quietly; what was chosen last comes first, and is what Enter does. */
export function SaveButtons({ verb, plain, telling, pending, onLeave }: Props) {
    const [tellsFirst] = useState(tells);
    const choices = [
        { tell: true, words: `${verb} and tell ${people(telling.count)}` },
        { tell: false, words: `${verb} quietly` },
    ];
    if (!tellsFirst) choices.reverse();
    return (
        <div className="sticky -bottom-3.5 -mx-4 flex flex-wrap gap-1.5 border-t border-line bg-paper px-4 py-2.5">
            {telling.count === 0 ? (
                <Button type="submit" look="primary" disabled={pending}>
                    {plain}
                </Button>
            ) : (
                choices.map(({ tell, words }, index) => (
                    <Button key={words} type="submit" {...(index === 0 ? { look: 'primary' as const } : { className: 'border-line' })} disabled={pending} onClick={() => telling.choose(tell)}>
                        {words}
                    </Button>
                ))
            )}
            <Button onClick={onLeave}>Cancel</Button>
        </div>
    );
}
