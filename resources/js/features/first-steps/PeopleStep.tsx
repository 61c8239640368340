import { Link } from '@tanstack/react-router';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { lazily } from '@/components/lazily';

const PeopleTableDialog = lazily(() => import('@/features/people/PeopleTableDialog'), 'PeopleTableDialog');
const PersonDialog = lazily(() => import('@/features/people/PersonDialog'), 'PersonDialog');

export function PeopleStep() {
    const [doing, setDoing] = useState<'nothing' | 'adding' | 'table'>('nothing');
    return (
        <div className="flex flex-wrap items-center gap-3">
            <Button look="primary" onClick={() => setDoing('table')}>
                From a table…
            </Button>
            <Button onClick={() => setDoing('adding')}>Add somebody</Button>
            <Link to="/people" className="underline">
                Everybody who is here
            </Link>
            {doing === 'adding' && <PersonDialog person={null} onClose={() => setDoing('nothing')} />}
            {doing === 'table' && <PeopleTableDialog onClose={() => setDoing('nothing')} />}
        </div>
    );
}
