import { Link } from '@tanstack/react-router';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { Page } from '@/components/Page';
import { Empty, Failed, Loading } from '@/components/States';
import { buttonLook } from '@/components/buttonLook';
import { usePerson } from '@/features/session/useSession';
import { StepRow } from './StepRow';
import { useFirstSteps, useSkipStep, type FirstStep } from './useFirstSteps';

/** What an organisation begins with, one after the other; each can be left out, and done later. */
export function FirstStepsPage() {
    return usePerson().role === 'administrator' ? (
        <Steps />
    ) : (
        <Page title="First steps">
            <Empty title="Administrators take them">What is shared with you is on the rota as soon as it is there.</Empty>
        </Page>
    );
}

function Steps() {
    const steps = useFirstSteps();
    const skip = useSkipStep();
    const [chosen, setChosen] = useState<FirstStep['step'] | null>(null);
    if (steps.isError) return <Failed error={steps.error} retry={() => void steps.refetch()} />;
    if (steps.data === undefined) return <Loading what="the first steps" />;
    const open = steps.data.steps.filter((each) => each.state === 'open');
    const at = chosen ?? open[0]?.step ?? null;
    return (
        <Page
            title="First steps"
            about={open.length === 0 ? 'All of them are done or left out. Each is here for as long as you like.' : 'What an organisation begins with. Leave out what you do not need: each can be done at any time, here or where it is kept.'}
            actions={
                open.length === 0 ? (
                    <Link to="/" className={buttonLook('primary')}>
                        To the rota
                    </Link>
                ) : (
                    <Button disabled={skip.isPending} onClick={() => open.forEach(({ step }) => skip.mutate({ step, skipped: true }))}>
                        Leave out the rest
                    </Button>
                )
            }
        >
            <ol aria-label="First steps" className="border-t border-line">
                {steps.data.steps.map((each, index) => (
                    <StepRow
                        key={each.step}
                        step={each}
                        number={index + 1}
                        categories={steps.data.categories}
                        open={each.step === at}
                        onOpen={() => setChosen(each.step)}
                        onSkip={(skipped) => {
                            // What comes next opens by itself.
                            setChosen(skipped ? null : each.step);
                            skip.mutate({ step: each.step, skipped });
                        }}
                        onDone={() => setChosen(null)}
                    />
                ))}
            </ol>
        </Page>
    );
}
