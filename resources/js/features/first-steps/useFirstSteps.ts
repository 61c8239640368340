import { useQuery } from '@tanstack/react-query';
import { answered, api, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { useAction } from '@/api/useAction';
import { usePerson } from '@/features/session/useSession';

export type FirstStep = Schemas['FirstStep'];

/** What the organisation begins with, and how far it has come; for administrators alone. */
export function useFirstSteps() {
    const { role, needsSecondFactor } = usePerson();
    return useQuery({
        queryKey: queryKeys.firstSteps,
        queryFn: ({ signal }) => answered(api.GET('/organisation/first-steps', { signal })),
        enabled: role === 'administrator' && !needsSecondFactor,
    });
}

export function useOpenSteps(): FirstStep[] {
    return useFirstSteps().data?.steps.filter((each) => each.state === 'open') ?? [];
}

export function useSkipStep() {
    return useAction(({ step, skipped }: { step: FirstStep['step']; skipped: boolean }) => answered(api.PUT('/organisation/first-steps/{step}', { params: { path: { step } }, body: { skipped } })));
}
