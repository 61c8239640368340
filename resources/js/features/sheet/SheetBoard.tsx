import { useCallback, useEffect, useMemo, useRef } from 'react';
import { useRota } from './RotaContext';
import type { Sheet } from './useSheet';
import { BoardContext } from './BoardContext';
import { spotOf } from './cells';
import { itemKey, type Item } from './geometry';
import { lastKind } from './lastKind';
import { LanesSheet } from './LanesSheet';
import { LiftedItem, type LiftedHandle } from './LiftedItem';
import { begunIn, begunInLayer, laneRows } from './rows';
import type { Drawn, Lifted } from './useSheetGestures';
import { useItemStops } from './useItemStops';
import { useSheetKeys } from './useSheetKeys';
import { lazily } from '@/components/lazily';

const SheetGestures = lazily(() => import('./SheetGestures'), 'SheetGestures');
const Essentials = lazily(() => import('./Essentials'), 'Essentials');
const HoursSheet = lazily(() => import('./HoursSheet'), 'HoursSheet');
const MonthSheet = lazily(() => import('./MonthSheet'), 'MonthSheet');
const ListSheet = lazily(() => import('./ListSheet'), 'ListSheet');
const YearSheet = lazily(() => import('./YearSheet'), 'YearSheet');

/** The sheet, however it is drawn: what is pointed at, dragged and typed on it is listened to here, for every view. */
export function SheetBoard({ sheet }: { sheet: Sheet }) {
    const rota = useRota();
    const ref = useRef<HTMLDivElement>(null);
    const lifted = useRef<LiftedHandle>(null);
    const items = useRef<ReadonlyMap<string, Item>>(new Map());
    const register = useCallback((drawn: readonly Item[]) => {
        items.current = new Map(drawn.map((each) => [itemKey(each), each]));
    }, []);
    useEffect(() => register(sheet.items), [register, sheet.items]);
    const rows = useMemo(() => (rota.view === 'lanes' ? laneRows(sheet, rota.through.group, rota.hidden) : []), [sheet, rota.view, rota.through.group, rota.hidden]);
    const board = useMemo(() => ({ rows, register }), [rows, register]);
    const itemOf = useCallback((key: string) => items.current.get(key), []);
    const lookOf = useCallback((item: Item) => sheet.layers[item.layer], [sheet.layers]);

    /** What was here is opened where it is; what is gone cannot be. */
    const onOpen = (item: Item) => {
        if (item.ghost !== true && item.calendar === '') return rota.refuse('You see that the time is taken, not what for.');
        if (item.ghost !== true || item.since === undefined) return rota.open(item);
        if (item.since.is === null) return rota.refuse(`“${item.title}” was here, and is gone.`);
        rota.open({ ...item, occurrence: item.since.occurrence });
    };
    const onDelete = (item: Item) => item.ghost !== true && rota.remove(item);
    const onLift = useCallback((told: Lifted | null, x: number, y: number) => {
        const layer = told?.item == null ? undefined : lookOf(told.item);
        lifted.current?.show(told, layer, x, y);
    }, [lookOf]);
    const onDraw = ({ start, end, allDay, row }: Drawn) => {
        const lane = rows[row] ?? null;
        rota.begin({ start, end, allDay, calendar: lane?.target ?? null, ...begunIn(lane) });
    };
    const onBegin = (cell: HTMLElement, y: number | null, layer: number | null) => {
        const spot = spotOf(cell, y ?? 0);
        const lane = rows[spot.row] ?? null;
        if (lane?.target === null) return rota.refuse(lane.key === '*' ? 'Nothing can be put among what is hidden from you.' : `You may not add to ${lane.name}.`);
        const target = lane?.target ?? (layer === null ? null : (sheet.layers[layer]?.target ?? null));
        const at = layer === null ? undefined : sheet.layers[layer];
        const begun = lane === null && at !== undefined ? begunInLayer(at.begun) : begunIn(lane);
        const whole = spot.kind === 'whole' || (rota.view === 'month' && lastKind() === 'whole');
        if (whole) return rota.begin({ start: spot.day, allDay: true, calendar: target, ...begun });
        const minutes = y === null || spot.minutes === null ? 9 * 60 : Math.max(0, Math.min(23 * 60, Math.floor(spot.minutes / 30) * 30));
        const time = `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;
        rota.begin({ start: `${spot.day}T${time}`, allDay: false, calendar: target, ...begun });
    };
    useSheetKeys(ref, { view: rota.view, itemOf, rows, onMove: rota.move, onOpen, onBegin, onDelete, onStep: rota.step, today: rota.today });
    useItemStops(ref);
    return (
        <BoardContext.Provider value={board}>
            <div ref={ref} className="min-h-full">
                {rota.view === 'lanes' && <LanesSheet sheet={sheet} />}
                {(rota.view === 'week' || rota.view === 'day') && <HoursSheet sheet={sheet} />}
                {rota.view === 'month' && <MonthSheet sheet={sheet} />}
                {rota.view === 'list' && <ListSheet />}
                {rota.view === 'year' && <YearSheet sheet={sheet} />}
            </div>
            <SheetGestures sheet={ref} itemOf={itemOf} rows={rows} mayBegin={rota.search.as === undefined} onMove={rota.move} onDraw={onDraw} onLift={onLift} />
            <Essentials sheet={ref} itemOf={itemOf} lookOf={lookOf} />
            <LiftedItem ref={lifted} />
        </BoardContext.Provider>
    );
}
