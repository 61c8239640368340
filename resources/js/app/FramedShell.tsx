import { Navigate, Outlet, useLocation } from '@tanstack/react-router';
import type { Schemas } from '@/api/client';
import { readRotaSearch } from '@/features/sheet/rotaSearch';
import { useChanges } from './live/useChanges';

/** What stands in a frame on another site for whoever has signed in within it: the one calendar or overlay that it is of. */
export function FramedShell({ frame }: { frame: NonNullable<Schemas['Session']['frame']> }) {
    useChanges();
    const search = readRotaSearch(useLocation({ select: (location) => location.search }));
    const isThere = search.of === undefined && search[frame.of] === frame.slug && (frame.of === 'calendar' || search.calendar === undefined);
    return isThere ? (
        <div className="h-full" id="content">
            <Outlet />
        </div>
    ) : (
        <Navigate to="/" search={{ [frame.of]: frame.slug, view: frame.view }} replace />
    );
}
