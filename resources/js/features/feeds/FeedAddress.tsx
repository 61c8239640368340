import { QRCodeSVG } from 'qrcode.react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { CopyField } from '@/components/CopyField';

type Props = { url: string; name: string };

/** The address of a feed, and how it gets onto a device. */
export function FeedAddress({ url, name }: Props) {
    const [showing, setShowing] = useState(false);
    const subscribed = url.replace(/^https?/, 'webcal');
    return (
        <div>
            <CopyField label={`Address of ${name}`} value={url} />
            <p className="mt-1 flex flex-wrap items-center gap-x-5">
                <a href={subscribed} className="hit underline">
                    Follow it on this device
                </a>
                <Button look="quiet" aria-expanded={showing} onClick={() => setShowing(!showing)}>
                    On a phone
                </Button>
            </p>
            {showing && (
                <div className="mt-1 flex flex-wrap items-start gap-4">
                    <div className="border border-ink bg-white p-2.5">
                        <QRCodeSVG value={subscribed} size={152} title={`The address of ${name}, for a camera`} />
                    </div>
                    <div className="min-w-56 flex-1">
                        <p>On a phone, point its camera at the code and open what it finds: it asks whether to subscribe.</p>
                        <p className="mt-1">On a computer, copy the address and give it to your calendar program where it adds a calendar from the network.</p>
                        <p className="mt-1 text-soft">Whoever has the address reads what it gives. Keep it to yourself.</p>
                    </div>
                </div>
            )}
        </div>
    );
}
