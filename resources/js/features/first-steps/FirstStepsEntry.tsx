import { Link } from '@tanstack/react-router';
import { Section } from '@/components/Page';
import { buttonLook } from '@/components/buttonLook';
import { useOpenSteps } from './useFirstSteps';

/** Says to an administrator which of the first steps are open, for as long as some are. */
export function FirstStepsEntry() {
    const open = useOpenSteps();
    if (open.length === 0) return null;
    return (
        <Section title="First steps" about={`${open.length === 1 ? 'One is' : `${open.length} are`} open: ${open.map((each) => each.title).join(' · ')}.`}>
            <Link to="/first-steps" className={buttonLook('primary')}>
                Go on
            </Link>
        </Section>
    );
}
