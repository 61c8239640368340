import { createRootRoute, createRoute, createRouter, lazyRouteComponent, Link, redirect } from '@tanstack/react-router';
import { frameKey } from '@/api/frame';
import { readRotaSearch } from '@/features/sheet/rotaSearch';
import { Empty } from '@/components/States';
import { Gate } from './Gate';

const root = createRootRoute({
    component: Gate,
    // In a frame on another site there is the sheet alone; all else opens in a window of its own.
    beforeLoad: ({ location }) => {
        if (frameKey === null || location.pathname === '/') return;
        window.open(location.href, '_blank', 'noopener');
        redirect({ to: '/', throw: true });
    },
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

export const rotaRoute = createRoute({ getParentRoute: () => root, path: '/', validateSearch: readRotaSearch, component: lazyRouteComponent(() => import('@/features/rota/RotaPage'), 'RotaPage') });
const calendars = createRoute({
    getParentRoute: () => root,
    path: '/calendars',
    validateSearch: (raw: Record<string, unknown>): { in?: 'directory' } => (raw.in === 'directory' ? { in: 'directory' } : {}),
    component: lazyRouteComponent(() => import('@/features/calendar-pages/CalendarsPage'), 'CalendarsPage'),
});
export const calendarRoute = createRoute({ getParentRoute: () => root, path: '/calendars/$slug', component: lazyRouteComponent(() => import('@/features/calendar-pages/CalendarPage'), 'CalendarPage') });
const publish = createRoute({ getParentRoute: () => root, path: '/publish', component: lazyRouteComponent(() => import('@/features/publishing/PublishPage'), 'PublishPage') });
// As it was called before.
const feeds = createRoute({ getParentRoute: () => root, path: '/feeds', beforeLoad: () => redirect({ to: '/publish', throw: true }) });
const groups = createRoute({ getParentRoute: () => root, path: '/groups', component: lazyRouteComponent(() => import('@/features/directory/GroupsPage'), 'GroupsPage') });
const people = createRoute({ getParentRoute: () => root, path: '/people', component: lazyRouteComponent(() => import('@/features/people/PeoplePage'), 'PeoplePage') });
const organisation = createRoute({ getParentRoute: () => root, path: '/organisation', component: lazyRouteComponent(() => import('@/features/organisation/OrganisationPage'), 'OrganisationPage') });
const firstSteps = createRoute({ getParentRoute: () => root, path: '/first-steps', component: lazyRouteComponent(() => import('@/features/first-steps/FirstStepsPage'), 'FirstStepsPage') });
const waiting = createRoute({ getParentRoute: () => root, path: '/waiting', component: lazyRouteComponent(() => import('@/features/waiting/WaitingPage'), 'WaitingPage') });
const following = createRoute({ getParentRoute: () => root, path: '/following', component: lazyRouteComponent(() => import('@/features/following/FollowingPage'), 'FollowingPage') });
const text = (value: unknown) => (typeof value === 'string' || typeof value === 'number' ? String(value) : '');
// Drawn by the gate itself: whoever comes by it is not signed in yet.
const password = createRoute({
    getParentRoute: () => root,
    path: '/password',
    validateSearch: (raw: Record<string, unknown>) => ({ email: text(raw.email), token: text(raw.token), to: text(raw.to) }),
});
const sources = createRoute({
    getParentRoute: () => root,
    path: '/sources',
    // An address that was pasted elsewhere, to be looked at, and the calendar that it was pasted for.
    validateSearch: (raw: Record<string, unknown>): { address?: string; into?: string } => ({
        ...(typeof raw.address === 'string' ? { address: raw.address } : {}),
        ...(typeof raw.into === 'string' ? { into: raw.into } : {}),
    }),
    component: lazyRouteComponent(() => import('@/features/sources/SourcesPage'), 'SourcesPage'),
});

export const router = createRouter({ ...(frameKey === null ? { defaultPreload: 'intent' } : { basepath: `/members/${frameKey}` }), routeTree: root.addChildren([rotaRoute, calendars, calendarRoute, publish, feeds, sources, groups, people, organisation, firstSteps, waiting, following, password]) });

declare module '@tanstack/react-router' {
    interface Register {
        router: typeof router;
    }
}
