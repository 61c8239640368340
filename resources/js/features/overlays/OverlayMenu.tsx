import { ChevronDown } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useCalendars } from '@/features/calendars/useCalendars';
import { isThroughOverlay } from '@/features/sheet/rotaSearch';
import { useRota } from '@/features/sheet/RotaContext';
import { AS_IT_OPENS } from '@/features/sheet/asItOpens';
import { useOverlayActions, useOverlays, type Overlay } from './useOverlays';

const ITEM = 'flex cursor-pointer items-baseline gap-3 rounded-sm px-2.5 py-1.5 outline-none data-highlighted:bg-wash';

type Props = { overlay: Overlay | null; onEdit: () => void; onNew: () => void; onShare: () => void; onOut: () => void; /** Null where nothing can be followed. */ onFollow: (() => void) | null };

/** The name of the overlay in view; opens the list of the others and what can be done with this one. */
export function OverlayMenu({ overlay, onEdit, onNew, onShare, onOut, onFollow }: Props) {
    const rota = useRota();
    const overlays = useOverlays();
    const { remove } = useOverlayActions();
    const choose = (slug: string) => rota.go({ ...AS_IT_OPENS, overlay: slug, calendar: undefined, of: undefined, as: undefined });
    const calendar = useCalendars().data?.find((each) => each.slug === rota.search.calendar)?.name;
    const through = overlay?.name ?? (rota.overlay === 'all' ? 'My list' : overlays.isPending ? 'Loading…' : 'No such overlay');
    // What is not known yet goes by no other name meanwhile.
    const name = isThroughOverlay(rota.search) ? through : (calendar ?? rota.sheet?.layers[0]?.name ?? 'Loading…');
    const mayEdit = overlay !== null && (overlay.level === 'change' || overlay.level === 'manage');
    return (
        <h1 className="min-w-0 text-[21px] font-semibold sm:text-[25px]">
            <DropdownMenu.Root>
                <DropdownMenu.Trigger className="flex max-w-full items-center gap-1.5 rounded-sm pointer-coarse:min-h-11">
                    <span className="truncate">{name}</span>
                    <ChevronDown size={18} className="shrink-0 text-soft" aria-hidden="true" />
                </DropdownMenu.Trigger>
                <DropdownMenu.Portal>
                    <DropdownMenu.Content align="start" sideOffset={8} className="z-50 max-h-[70vh] min-w-72 overflow-y-auto border border-ink bg-sheet p-1.5 font-sans text-[13px] shadow-(--shadow)">
                        <DropdownMenu.Label className="px-2.5 py-1 text-xs text-soft">Overlays</DropdownMenu.Label>
                        <DropdownMenu.Item className={ITEM} onSelect={() => choose('all')}>
                            My list <span className="ml-auto text-soft">a layer for each calendar</span>
                        </DropdownMenu.Item>
                        {overlays.data?.map((each) => (
                            <DropdownMenu.Item key={each.slug} className={ITEM} onSelect={() => choose(each.slug)}>
                                {each.name} <span className="ml-auto text-soft">{each.openingView === 'table' ? 'a table' : each.layers.length === 1 ? '1 layer' : `${each.layers.length} layers`}</span>
                            </DropdownMenu.Item>
                        ))}
                        <DropdownMenu.Separator className="my-1 border-t border-line" />
                        <DropdownMenu.Item className={ITEM} onSelect={onNew}>
                            Lay a new overlay…
                        </DropdownMenu.Item>
                        {mayEdit && (
                            <DropdownMenu.Item className={ITEM} onSelect={onEdit}>
                                Change the layers of this one…
                            </DropdownMenu.Item>
                        )}
                        {rota.search.as === undefined && onFollow !== null && (
                            <DropdownMenu.Item className={ITEM} onSelect={onFollow}>
                                Follow what changes here…
                            </DropdownMenu.Item>
                        )}
                        {overlay !== null && (
                            <DropdownMenu.Item className={ITEM} onSelect={onOut}>
                                Have it elsewhere…
                            </DropdownMenu.Item>
                        )}
                        {overlay?.level === 'manage' && !overlay.home && (
                            <>
                                <DropdownMenu.Item className={ITEM} onSelect={onShare}>
                                    Who may look through it…
                                </DropdownMenu.Item>
                                <DropdownMenu.Item
                                    className={ITEM}
                                    onSelect={() => {
                                        choose('all');
                                        remove.mutate(overlay);
                                    }}
                                >
                                    Delete this overlay
                                </DropdownMenu.Item>
                            </>
                        )}
                    </DropdownMenu.Content>
                </DropdownMenu.Portal>
            </DropdownMenu.Root>
        </h1>
    );
}
