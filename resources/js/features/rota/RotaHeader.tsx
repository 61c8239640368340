import { Search } from 'lucide-react';
import { useState } from 'react';
import { Button } from '@/components/Button';
import { isThroughOverlay } from '@/features/sheet/rotaSearch';
import { useRota } from '@/features/sheet/RotaContext';
import { useOverlays } from '@/features/overlays/useOverlays';
import { lazily } from '@/components/lazily';
import { useFollowable } from '@/features/following/useFollowable';
import { AddEventButton, BringInButton, KeyButton } from './HeaderButtons';

const OneLineField = lazily(() => import('@/features/oneline/OneLineField'), 'OneLineField', <span className="h-8 w-60 rounded-sm border border-line bg-sheet max-md:hidden" />);

const PersonMenu = lazily(() => import('@/features/self/PersonMenu'), 'PersonMenu', <span className="size-8.5" />);

const OverlayMenu = lazily(() => import('@/features/overlays/OverlayMenu'), 'OverlayMenu', <span className="h-9 min-w-0 flex-1" />);

const OverlayDialog = lazily(() => import('@/features/overlays/OverlayDialog'), 'OverlayDialog');
const FollowDialog = lazily(() => import('@/features/following/FollowDialog'), 'FollowDialog');
const OverlayOutDialog = lazily(() => import('@/features/publishing/OverlayOutDialog'), 'OverlayOutDialog');
const OverlaySharingDialog = lazily(() => import('@/features/overlays/OverlaySharingDialog'), 'OverlaySharingDialog');

export function RotaHeader({ onKey }: { onKey: () => void }) {
    const rota = useRota();
    const overlays = useOverlays();
    const [finding, setFinding] = useState(false);
    const [editing, setEditing] = useState<'this' | 'sharing' | 'out' | 'following' | null>(null);
    const overlay = (isThroughOverlay(rota.search) ? overlays.data?.find((each) => each.slug === rota.overlay) : undefined) ?? null;
    const followed = useFollowable(overlay);
    // Nothing is told of what is not known yet.
    const layers = overlay?.layers.length ?? rota.sheet?.layers.length;
    const about = layers === undefined ? '' : rota.search.of !== undefined ? (rota.sheet?.layers[0]?.about ?? '') : `${layers} ${layers === 1 ? 'layer' : 'layers'}${overlay === null ? '' : ` · kept by ${overlay.keeper.name}`}`;
    return (
        <header className="relative flex h-15 shrink-0 items-center gap-3 border-b-2 border-ink px-3 sm:gap-4 sm:px-4.5">
            <OverlayMenu overlay={overlay} onEdit={() => setEditing('this')} onNew={() => rota.go({ laying: true })} onShare={() => setEditing('sharing')} onOut={() => setEditing('out')} onFollow={followed === null ? null : () => setEditing('following')} />
            <p className="truncate text-[13px] text-soft max-md:hidden">{about}</p>
            <div className="ml-auto flex items-center gap-2 sm:gap-3">
                <OneLineField className="w-60 transition-[width] focus-within:w-[30rem] max-lg:focus-within:w-80 max-md:hidden" />
                {rota.search.as === undefined && <AddEventButton />}
                {rota.search.as === undefined && <BringInButton />}
                <KeyButton onKey={onKey} />
                <Button className="md:hidden" aria-expanded={finding || rota.search.shared !== undefined} onClick={() => (rota.search.shared === undefined ? setFinding(!finding) : rota.go({ shared: undefined }))} aria-label="Add or find">
                    <Search size={15} aria-hidden="true" />
                </Button>
                <PersonMenu />
            </div>
            {(finding || rota.search.shared !== undefined) && (
                <div className="absolute inset-x-0 top-full z-40 border-b-2 border-ink bg-paper p-2 md:hidden">
                    <OneLineField
                        autoFocus
                        handed={rota.search.shared}
                        onDone={() => {
                            setFinding(false);
                            rota.go({ shared: undefined });
                        }}
                    />
                </div>
            )}
            {editing === 'following' && followed !== null && <FollowDialog what={followed} onClose={() => setEditing(null)} />}
            {editing === 'out' && overlay !== null && <OverlayOutDialog overlay={overlay} onClose={() => setEditing(null)} />}
            {editing === 'sharing' && overlay !== null && <OverlaySharingDialog overlay={overlay} onClose={() => setEditing(null)} />}
            {editing === 'this' && <OverlayDialog overlay={overlay} onClose={() => setEditing(null)} />}
            {rota.search.laying === true && <OverlayDialog overlay={null} onClose={() => rota.go({ laying: undefined })} />}
        </header>
    );
}

