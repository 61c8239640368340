import { createRootRoute, createRoute, createRouter, Link } from '@tanstack/react-router';
import { CalendarPage } from '@/features/calendars/CalendarPage';
import { CalendarsPage } from '@/features/calendars/CalendarsPage';
import { GroupsPage } from '@/features/directory/GroupsPage';
import { PeoplePage } from '@/features/directory/PeoplePage';
import { FeedsPage } from '@/features/feeds/FeedsPage';
import { RotaPage } from '@/features/overlays/RotaPage';
import { readRotaSearch } from '@/features/overlays/rotaSearch';
import { SourcesPage } from '@/features/sources/SourcesPage';
import { WaitingPage } from '@/features/waiting/WaitingPage';
import { Empty } from '@/components/States';
import { Gate } from './Gate';

const root = createRootRoute({
    component: Gate,
    notFoundComponent: () => (
        <div className="p-8">
            <Empty title="There is no such page">
                <Link to="/" className="underline">
                    Back to the rota
                </Link>
            </Empty>
        </div>
    ),
});

export const rotaRoute = createRoute({ getParentRoute: () => root, path: '/', validateSearch: readRotaSearch, component: RotaPage });
const calendars = createRoute({
    getParentRoute: () => root,
    path: '/calendars',
    validateSearch: (raw: Record<string, unknown>): { in?: 'directory' } => (raw.in === 'directory' ? { in: 'directory' } : {}),
    component: CalendarsPage,
});
export const calendarRoute = createRoute({ getParentRoute: () => root, path: '/calendars/$slug', component: CalendarPage });
const feeds = createRoute({ getParentRoute: () => root, path: '/feeds', component: FeedsPage });
const groups = createRoute({ getParentRoute: () => root, path: '/groups', component: GroupsPage });
const people = createRoute({ getParentRoute: () => root, path: '/people', component: PeoplePage });
const waiting = createRoute({ getParentRoute: () => root, path: '/waiting', component: WaitingPage });
const text = (value: unknown) => (typeof value === 'string' || typeof value === 'number' ? String(value) : '');
// Drawn by the gate itself: whoever comes by it is not signed in yet.
const password = createRoute({
    getParentRoute: () => root,
    path: '/password',
    validateSearch: (raw: Record<string, unknown>) => ({ email: text(raw.email), token: text(raw.token), to: text(raw.to) }),
});
const sources = createRoute({ getParentRoute: () => root, path: '/sources', component: SourcesPage });

export const router = createRouter({ routeTree: root.addChildren([rotaRoute, calendars, calendarRoute, feeds, sources, groups, people, waiting, password]) });

declare module '@tanstack/react-router' {
    interface Register {
        router: typeof router;
    }
}
