import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { toast } from '@/toast/toast';
import { answered, api, Problem } from '@/api/client';
import { Button } from '@/components/Button';
import { Dialog } from '@/components/Dialog';
import { FormProblem, TextField } from '@/components/Field';

export function PasswordDialog({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
    const [current, setCurrent] = useState('');
    const [password, setPassword] = useState('');
    const change = useMutation({
        mutationFn: () => answered(api.PUT('/session/password', { body: { current, password } })),
        onSuccess: () => {
            toast('Your password is changed. Other sessions of yours have ended.');
            setCurrent('');
            setPassword('');
            onOpenChange(false);
        },
    });
    const problem = change.error instanceof Problem ? change.error : null;
    return (
        <Dialog open={open} onOpenChange={onOpenChange} title="Change your password">
            <form
                className="flex flex-col gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    change.mutate();
                }}
            >
                <TextField label="Present password" type="password" autoComplete="current-password" value={current} error={problem?.field('current')} onChange={(event) => setCurrent(event.target.value)} />
                <TextField label="New password" type="password" autoComplete="new-password" value={password} error={problem?.field('password')} hint="At least 10 characters." onChange={(event) => setPassword(event.target.value)} />
                {problem !== null && problem.fields.length === 0 && <FormProblem>{problem.message}</FormProblem>}
                <div className="flex justify-end gap-2">
                    <Button onClick={() => onOpenChange(false)}>Keep it</Button>
                    <Button type="submit" look="primary" disabled={change.isPending}>
                        Change
                    </Button>
                </div>
            </form>
        </Dialog>
    );
}
