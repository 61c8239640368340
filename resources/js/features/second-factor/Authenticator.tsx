import { QRCodeSVG } from 'qrcode.react';
import { useState } from 'react';
import type { Problem, Schemas } from '@/api/client';
import { Button } from '@/components/Button';
import { FormProblem, TextField } from '@/components/Field';

type Props = { told: Schemas['NewSecondFactor']; problem: Problem | null; pending: boolean; onCode: (code: string) => void; onCancel: () => void };

/** What an authenticator takes in, and the first figures that it shows. */
export function Authenticator({ told, problem, pending, onCode, onCancel }: Props) {
    const [code, setCode] = useState('');
    return (
        <form
            className="flex flex-col gap-3"
            onSubmit={(event) => {
                event.preventDefault();
                onCode(code);
            }}
        >
            <p>Take this picture with your authenticator, or type the letters and figures into it.</p>
            <div className="flex flex-wrap items-center gap-4">
                {/* Dark on light in either theme: a camera reads it so. */}
                <div className="border border-ink bg-white p-2.5">
                    <QRCodeSVG value={told.uri} size={168} title="The secret of the second factor, for a camera" />
                </div>
                <div className="min-w-40 flex-1">
                    <p className="text-xs text-soft">or type</p>
                    <code className="font-mono text-[15px] [overflow-wrap:anywhere]">{told.secret.match(/.{1,4}/g)?.join(' ')}</code>
                    <a href={told.uri} className="mt-2 block underline">
                        Open it on this device
                    </a>
                </div>
            </div>
            <TextField label="The six figures that it shows" inputMode="numeric" autoComplete="one-time-code" value={code} error={problem?.field('code')} onChange={(event) => setCode(event.target.value)} autoFocus />
            {problem !== null && problem.fields.length === 0 && <FormProblem>{problem.message}</FormProblem>}
            <div className="flex justify-end gap-2">
                <Button onClick={onCancel}>Cancel</Button>
                <Button type="submit" look="primary" disabled={pending}>
                    Confirm
                </Button>
            </div>
        </form>
    );
}
