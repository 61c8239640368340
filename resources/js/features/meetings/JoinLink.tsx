import { buttonLook } from '@/components/buttonLook';
import type { Meeting } from './meetings';

export function JoinLink({ meeting }: { meeting: Pick<Meeting, 'url' | 'title'> }) {
    return (
        <a href={meeting.url} target="_blank" rel="noreferrer" className={buttonLook('primary')} aria-label={`Join: ${meeting.title}`}>
            Join
        </a>
    );
}
