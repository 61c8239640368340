import type { Problem } from '@/api/client';
import { TextField } from '@/components/Field';

/** Asks for the second factor, of those who have one: who has none never sees it. */
export function CodeField({ code, problem, onChange }: { code: string; problem: Problem | null; onChange: (code: string) => void }) {
    const error = problem?.field('code');
    if (code === '' && error === undefined) return null;
    return <TextField label="Second factor" hint="The six figures of your authenticator, or a recovery code." autoComplete="one-time-code" value={code} error={error} onChange={(event) => onChange(event.target.value)} autoFocus />;
}
