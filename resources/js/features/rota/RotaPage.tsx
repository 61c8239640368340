import { getRouteApi } from '@tanstack/react-router';
import clsx from 'clsx';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { frameKey } from '@/api/frame';
import { useDeletion } from '@/features/events/useDeletion';
import { useMoves } from '@/features/events/useMoves';
import { useUndoKeys } from '@/features/history/useUndo';
import { Key } from '@/features/key/Key';
import { PrintFrame } from '@/features/printing/PrintFrame';
import { DraftContext, RotaContext, type Draft } from '@/features/sheet/RotaContext';
import { RotaHeader } from './RotaHeader';
import type { RotaSearch } from '@/features/sheet/rotaSearch';
import { Ruler } from './Ruler';
import { SheetControls } from './SheetControls';
import { SheetFrame } from './SheetFrame';
import { TitleMeanwhile } from './TitleMeanwhile';
import { rememberOverlay, usePane } from './usePane';
import { lazily } from '@/components/lazily';

// Its place is kept: nothing moves away under a pointer when it comes.
const CalendarNotice = lazily(() => import('@/features/sharing/CalendarNotice'), 'CalendarNotice', <div className="h-[45px] shrink-0 border-b border-line bg-wash" />);
const SharedNotice = lazily(() => import('@/features/waiting/SharedNotice'), 'SharedNotice');
const JoinNotice = lazily(() => import('@/features/meetings/JoinNotice'), 'JoinNotice');
const FramedHeader = lazily(() => import('./FramedHeader'), 'FramedHeader', <div className="h-12 shrink-0 border-b-2 border-ink" />);
const KeptEvents = lazily(() => import('@/features/events/KeptEvents'), 'KeptEvents');
const EventAside = lazily(() => import('@/features/events/EventAside'), 'EventAside', <TitleMeanwhile />);
const BesidePane = lazily(() => import('./BesidePane'), 'BesidePane');

const route = getRouteApi('/');

/** The screen people live in: the sheet, its ruler above, its key beside it, a second sheet where it is asked for. */
export function RotaPage() {
    const search = route.useSearch();
    const navigate = route.useNavigate();
    const [draft, setDraft] = useState<Draft | null>(null);
    const [keyOpen, setKeyOpen] = useState(false);
    const { move, question } = useMoves();
    useUndoKeys();
    const go = useCallback(
        (change: Partial<RotaSearch>) => void navigate({ search: (before: RotaSearch) => ({ ...before, ...change }) }),
        [navigate],
    );
    const { deleteItem, deletionQuestion } = useDeletion(search, go);
    const doing = useMemo(() => ({ setDraft, move, deleteItem }), [move, deleteItem]);
    const { rota, sheet, overlays } = usePane(search, go, doing);
    useEffect(() => {
        if (overlays.isSuccess && search.overlay !== undefined) rememberOverlay(search.overlay);
    }, [overlays.isSuccess, search.overlay]);
    useEffect(() => {
        if (sheet.isSuccess) EventAside.loadAhead();
    }, [sheet.isSuccess]);
    const drafting = useMemo(() => ({ draft, setDraft }), [draft]);
    const aside = draft !== null || search.event !== undefined;
    return (
        <RotaContext.Provider value={rota}>
            <DraftContext.Provider value={drafting}>
                <div className="flex h-full flex-col">
                    {frameKey === null ? <RotaHeader onKey={() => setKeyOpen((open) => !open)} /> : <FramedHeader onKey={() => setKeyOpen((open) => !open)} />}
                    <div className="flex min-h-0 flex-1">
                        <main tabIndex={-1} className={clsx('flex min-w-0 flex-1 flex-col', search.as !== undefined && 'border-8 border-ink')} aria-label="Rota">
                            {search.calendar !== undefined && frameKey === null && <CalendarNotice />}
                            {frameKey === null && <SharedNotice />}
                            {frameKey === null && search.as === undefined && <JoinNotice />}
                            <KeptEvents />
                            <Ruler through={rota.through} enabled={overlays.isSuccess} />
                            <SheetControls />
                            <PrintFrame>
                                <div className="flex min-h-0 flex-1">
                                    <SheetFrame sheet={sheet} overlaysError={overlays.error} />
                                    {search.beside !== undefined && <BesidePane search={search} go={go} doing={doing} />}
                                </div>
                            </PrintFrame>
                        </main>
                        {aside ? <EventAside /> : <Key open={keyOpen} onClose={() => setKeyOpen(false)} />}
                    </div>
                </div>
                {question}
                {deletionQuestion}
            </DraftContext.Provider>
        </RotaContext.Provider>
    );
}
