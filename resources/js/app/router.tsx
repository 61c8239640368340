import { createRootRoute, createRoute, createRouter, Link } from '@tanstack/react-router';
import { CalendarPage } from '@/features/calendars/CalendarPage';
import { CalendarsPage } from '@/features/calendars/CalendarsPage';
import { GroupsPage } from '@/features/directory/GroupsPage';
import { FeedsPage } from '@/features/feeds/FeedsPage';
import { RotaPage } from '@/features/overlays/RotaPage';
import { readRotaSearch } from '@/features/overlays/rotaSearch';
import { SourcesPage } from '@/features/sources/SourcesPage';
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
const calendars = createRoute({ getParentRoute: () => root, path: '/calendars', component: CalendarsPage });
export const calendarRoute = createRoute({ getParentRoute: () => root, path: '/calendars/$slug', component: CalendarPage });
const feeds = createRoute({ getParentRoute: () => root, path: '/feeds', component: FeedsPage });
const groups = createRoute({ getParentRoute: () => root, path: '/groups', component: GroupsPage });
const sources = createRoute({ getParentRoute: () => root, path: '/sources', component: SourcesPage });

export const router = createRouter({ routeTree: root.addChildren([rotaRoute, calendars, calendarRoute, feeds, sources, groups]) });

declare module '@tanstack/react-router' {
    interface Register {
        router: typeof router;
    }
}
