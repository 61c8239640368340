import { Check, Copy } from 'lucide-react';
import { useState } from 'react';
import { Button } from './Button';
import { CONTROL } from './Field';

/** Something to be taken along, such as a secret link. */
export function CopyField({ label, value }: { label: string; value: string }) {
    const [copied, setCopied] = useState(false);
    return (
        <div className="mt-2 flex gap-2">
            <input readOnly aria-label={label} className={CONTROL} value={value} onFocus={(event) => event.target.select()} />
            <Button
                onClick={() => {
                    void navigator.clipboard.writeText(value).then(() => setCopied(true));
                }}
            >
                {copied ? <Check size={15} aria-hidden="true" /> : <Copy size={15} aria-hidden="true" />}
                {copied ? 'Copied' : 'Copy'}
            </Button>
        </div>
    );
}
