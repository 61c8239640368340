import { Check } from 'lucide-react';
import clsx from 'clsx';
import type { Schemas } from '@/api/client';
import { Button } from '@/components/Button';
import { CategoriesStep } from './CategoriesStep';
import { CalendarStep } from './CalendarStep';
import { DatesStep } from './DatesStep';
import { GroupsStep } from './GroupsStep';
import { NameStep } from './NameStep';
import { OverlayStep } from './OverlayStep';
import { PeopleStep } from './PeopleStep';
import type { FirstStep } from './useFirstSteps';

type Props = {
    step: FirstStep;
    number: number;
    categories: Schemas['CommonCategory'][];
    open: boolean;
    onOpen: () => void;
    onSkip: (skipped: boolean) => void;
    onDone: () => void;
};

const STATES = { open: '', done: 'done', skipped: 'left out' };

/** One of the first steps: a line, and beneath it what is to be done where it is open. */
export function StepRow({ step, number, categories, open, onOpen, onSkip, onDone }: Props) {
    return (
        <li className="flex gap-4 border-b border-line py-4">
            <span aria-hidden="true" className={clsx('grid size-8 shrink-0 place-items-center border font-serif text-base font-semibold', step.state === 'done' ? 'border-ink bg-ink text-paper' : open ? 'border-2 border-ink' : 'border-line text-soft')}>
                {step.state === 'done' ? <Check size={16} /> : number}
            </span>
            <div className="min-w-0 flex-1">
                <div className="flex flex-wrap items-baseline gap-x-3">
                    <h2 className="text-base font-semibold">
                        <button type="button" aria-expanded={open} className={clsx('hit text-left hover:underline', step.state === 'skipped' && !open && 'text-soft')} onClick={onOpen}>
                            {step.title}
                        </button>
                    </h2>
                    {step.state !== 'open' && <span className="text-soft">{STATES[step.state]}</span>}
                    {open && step.state === 'open' && (
                        <Button look="quiet" className="ml-auto" onClick={() => onSkip(true)} aria-label={`Leave out: ${step.title}`}>
                            Leave it out
                        </Button>
                    )}
                    {step.state === 'skipped' && (
                        <Button look="quiet" className="ml-auto" onClick={() => onSkip(false)} aria-label={`Take up: ${step.title}`}>
                            Take it up
                        </Button>
                    )}
                </div>
                {open && (
                    <>
                        <p className="mt-0.5 mb-3 max-w-prose text-soft">{step.about}</p>
                        <StepContent step={step.step} categories={categories} onDone={onDone} />
                    </>
                )}
            </div>
        </li>
    );
}

function StepContent({ step, categories, onDone }: { step: FirstStep['step']; categories: Schemas['CommonCategory'][]; onDone: () => void }) {
    switch (step) {
        case 'name':
            return <NameStep onDone={onDone} />;
        case 'dates':
            return <DatesStep onDone={onDone} />;
        case 'categories':
            return <CategoriesStep suggested={categories} onDone={onDone} />;
        case 'groups':
            return <GroupsStep onDone={onDone} />;
        case 'people':
            return <PeopleStep />;
        case 'calendar':
            return <CalendarStep onDone={onDone} />;
        case 'overlay':
            return <OverlayStep />;
    }
}
