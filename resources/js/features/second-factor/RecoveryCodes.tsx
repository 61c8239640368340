import { useState } from 'react';
import { Button } from '@/components/Button';

/** Recovery codes, which are told this once. */
export function RecoveryCodes({ codes, onDone }: { codes: string[]; onDone: () => void }) {
    const [copied, setCopied] = useState(false);
    return (
        <div className="flex flex-col gap-3">
            <p role="status">
                <b className="font-semibold">Keep these codes where your phone is not.</b> Each lets you in once without the authenticator. They are not shown again.
            </p>
            <ol aria-label="Recovery codes" className="grid grid-cols-2 gap-x-6 border border-ink bg-sheet p-3 font-mono text-[15px]">
                {codes.map((code) => (
                    <li key={code}>{code}</li>
                ))}
            </ol>
            <div className="flex justify-end gap-2">
                <Button onClick={() => void navigator.clipboard.writeText(codes.join('\n')).then(() => setCopied(true))}>{copied ? 'Copied' : 'Copy them'}</Button>
                <Button look="primary" onClick={onDone}>
                    I have them
                </Button>
            </div>
        </div>
    );
}
