import { Link, Outlet, useLocation } from '@tanstack/react-router';
import { ArrowDownToLine, BookOpen, Flag, IdCard, Rows3, Send, UsersRound, type LucideIcon } from 'lucide-react';
import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { frameKey } from '@/api/frame';
import { BringInHost } from '@/features/imports/BringInHost';
import { useOpenSteps } from '@/features/first-steps/useFirstSteps';
import { isEnded, jobsQuery } from '@/features/jobs/jobs';
import { usePerson } from '@/features/session/useSession';
import { useWaitingCount } from '@/features/waiting/useWaiting';
import { lazily } from '@/components/lazily';
import { focusSheet } from '@/features/sheet/sheetFocus';
import { beOfDevice } from '@/offline/device';
import { KeptNotice } from '@/offline/KeptNotice';
import { useChanges } from './live/useChanges';

const OneLineField = lazily(() => import('@/features/oneline/OneLineField'), 'OneLineField', <span className="h-8 max-md:h-11" />);

// For administrators alone.
const SecondFactorNotice = lazily(() => import('@/features/second-factor/SecondFactorNotice'), 'SecondFactorNotice');
const SiteNotice = lazily(() => import('@/features/site/SiteNotice'), 'SiteNotice');

const Reminded = lazily(() => import('@/features/reminders/Reminded'), 'Reminded');

type Place = { to: string; label: string; icon: LucideIcon };

const PLACES: Place[] = [
    { to: '/', label: 'Rota', icon: Rows3 },
    { to: '/calendars', label: 'Calendars', icon: BookOpen },
    { to: '/publish', label: 'Publish', icon: Send },
    { to: '/sources', label: 'Sources', icon: ArrowDownToLine },
    { to: '/groups', label: 'Groups', icon: UsersRound },
];
const PEOPLE: Place = { to: '/people', label: 'People', icon: IdCard };
const WAITING: Place = { to: '/waiting', label: 'For you', icon: Flag };

/** The frame of every page: the rail at the side, or at the foot of a narrow screen. */
export function Shell() {
    useChanges();
    useEffect(beOfDevice, []);
    const person = usePerson();
    const jobs = useQuery(jobsQuery).data ?? [];
    const working = jobs.some((job) => !isEnded(job));
    const waiting = useWaitingCount() + jobs.filter(isEnded).length + (useOpenSteps().length > 0 ? 1 : 0);
    const places = [...PLACES, ...(person.role === 'administrator' ? [PEOPLE] : []), WAITING];
    const onRota = useLocation({ select: ({ pathname }) => pathname === '/' });
    return (
        <div className="flex h-full flex-col-reverse sm:flex-row">
            <Reminded />
            {frameKey === null && <BringInHost />}
            <a
                href="#content"
                className="sr-only z-50 border-2 border-ink bg-sheet px-3 py-1.5 font-semibold focus:not-sr-only focus:fixed focus:top-2 focus:left-2"
                onClick={(event) => {
                    event.preventDefault();
                    focusSheet();
                }}
            >
                {onRota ? 'Go to the sheet' : 'Go to the page'}
            </a>
            <nav aria-label="Places" className="z-20 flex shrink-0 border-line bg-paper max-sm:justify-around max-sm:border-t sm:w-15 sm:flex-col sm:items-center sm:gap-1 sm:border-r">
                <Link to="/" aria-label="Pinned Rota, home" className="grid h-15 w-15 place-items-center bg-[#1d2733] max-sm:hidden">
                    <svg width="26" height="30" viewBox="0 0 26 30" aria-hidden="true">
                        <circle cx="13" cy="9" r="7" fill="#c8432b" />
                        <circle cx="10.6" cy="6.6" r="2" fill="#fff" opacity=".65" />
                        <path d="M13 16v12" stroke="#f7f2e8" strokeWidth="2.4" strokeLinecap="round" />
                    </svg>
                </Link>
                {places.map(({ to, label, icon: Icon }) => (
                    <Link
                        key={to}
                        to={to}
                        activeOptions={{ exact: to === '/', includeSearch: false }}
                        className="relative grid h-13 w-14 place-items-center content-center gap-0.5 rounded-sm text-[10px] text-soft hover:text-ink data-[status=active]:bg-wash data-[status=active]:font-bold data-[status=active]:text-ink data-[status=active]:shadow-[inset_3px_0_var(--pin)] max-sm:data-[status=active]:shadow-[inset_0_3px_var(--pin)]"
                    >
                        <Icon size={18} strokeWidth={1.8} aria-hidden="true" />
                        {label}
                        {to === WAITING.to && working && (
                            <span className="absolute top-2 left-2 size-2.5 animate-spin rounded-full border-2 border-pin-ink border-t-transparent motion-reduce:animate-none">
                                <span className="sr-only">, at work</span>
                            </span>
                        )}
                        {to === WAITING.to && waiting > 0 && (
                            <span className="absolute top-0.5 right-1.5 min-w-4.5 rounded-full bg-pin-ink px-1 text-center text-[11px] leading-4.5 font-bold text-paper">
                                {waiting}
                                <span className="sr-only"> waiting</span>
                            </span>
                        )}
                    </Link>
                ))}
            </nav>
            <div className="flex min-h-0 min-w-0 flex-1 flex-col">
                <KeptNotice />
                {person.needsSecondFactor && <SecondFactorNotice />}
                {person.role === 'administrator' && !person.needsSecondFactor && <SiteNotice />}
                {!onRota && (
                    <div className="flex shrink-0 justify-end border-b border-line px-3 py-1.5 sm:px-4.5">
                        <OneLineField className="w-full sm:w-80 sm:transition-[width] sm:focus-within:w-[30rem]" />
                    </div>
                )}
                <div className="min-h-0 flex-1" id="content">
                    <Outlet />
                </div>
            </div>
        </div>
    );
}
