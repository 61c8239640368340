import { useNavigate } from '@tanstack/react-router';
import { useContext, useMemo } from 'react';
import { usePerson } from '@/features/session/useSession';
import { inViewOf, placeOf, type InView } from '@/features/sheet/inView';
import { beginLater } from '@/features/sheet/beginLater';
import { RotaContext, type Beginning } from '@/features/sheet/RotaContext';
import type { RotaSearch } from '@/features/sheet/rotaSearch';
import { wallNow } from '@/time/dates';

/** The page that a line stands on: what is looked through there, and where what is found or begun shows. */
export type LineHost = {
    zone: string;
    view: InView;
    /** The overlay by which a calendar is remembered. */
    overlay: string;
    /** The day of an event that says none. */
    date: string;
    mayWrite: boolean;
    go: (change: Partial<RotaSearch>) => void;
    begin: (beginning: Beginning) => void;
    /** Shows a day, where it is not in sight. */
    show: (day: string) => void;
};

/** Of the rota, or of any other page: there the rota opens with what was found. */
export function useLineHost(): LineHost {
    const rota = useContext(RotaContext);
    const navigate = useNavigate();
    const zone = usePerson().timezone;
    return useMemo((): LineHost => {
        if (rota === null) {
            return {
                zone, view: { hidden: [] }, overlay: 'all', date: wallNow(zone).slice(0, 10), mayWrite: true,
                go: (change) => void navigate({ to: '/', search: change }),
                begin: (beginning) => {
                    beginLater(beginning);
                    void navigate({ to: '/' });
                },
                show: () => undefined,
            };
        }
        const { span } = rota;
        return {
            zone: rota.zone, date: rota.date, go: rota.go, begin: rota.begin, overlay: placeOf(rota.through), view: inViewOf(rota),
            mayWrite: rota.search.as === undefined,
            show: (day) => {
                if (day < span.from || day >= span.to) rota.go({ date: day });
            },
        };
    }, [rota, navigate, zone]);
}
