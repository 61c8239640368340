import { DndContext, DragOverlay, MouseSensor, TouchSensor, pointerWithin, useSensor, useSensors, type DragEndEvent, type DragStartEvent } from '@dnd-kit/core';
import { useState } from 'react';
import type { Ink, MarkName } from '@/components/Mark';
import { useRota } from '@/features/overlays/RotaContext';
import type { Sheet } from '@/features/overlays/useSheet';
import type { Item } from './geometry';
import { ItemFace } from './ItemView';
import { HoursSheet } from './HoursSheet';
import { LanesSheet } from './LanesSheet';
import { ListSheet } from './ListSheet';
import { MonthSheet } from './MonthSheet';
import { YearSheet } from './YearSheet';

type Lifted = { item: Item; ink: Ink; mark: MarkName };

/** The sheet with what is dragged over it. */
export function SheetBoard({ sheet }: { sheet: Sheet }) {
    const rota = useRota();
    const [lifted, setLifted] = useState<Lifted | null>(null);
    const sensors = useSensors(
        useSensor(MouseSensor, { activationConstraint: { distance: 5 } }),
        useSensor(TouchSensor, { activationConstraint: { delay: 250, tolerance: 8 } }),
    );
    const onDragStart = (event: DragStartEvent) => setLifted(event.active.data.current as Lifted);
    const onDragEnd = (event: DragEndEvent) => {
        setLifted(null);
        const day = (event.over?.data.current as { day: string } | undefined)?.day;
        const { item } = event.active.data.current as Lifted;
        if (day !== undefined && day !== item.start.slice(0, 10)) rota.move(item, day);
    };
    return (
        <DndContext sensors={sensors} collisionDetection={pointerWithin} onDragStart={onDragStart} onDragEnd={onDragEnd} onDragCancel={() => setLifted(null)}>
            {rota.view === 'lanes' && <LanesSheet sheet={sheet} />}
            {(rota.view === 'week' || rota.view === 'day') && <HoursSheet sheet={sheet} />}
            {rota.view === 'month' && <MonthSheet sheet={sheet} />}
            {rota.view === 'list' && <ListSheet />}
            {rota.view === 'year' && <YearSheet sheet={sheet} />}
            <DragOverlay dropAnimation={null}>
                {lifted !== null && (
                    <div className="ticket lifted" data-ink={lifted.ink}>
                        <ItemFace item={lifted.item} shape="ticket" mark={lifted.mark} />
                    </div>
                )}
            </DragOverlay>
        </DndContext>
    );
}
