import { useQuery } from '@tanstack/react-query';
import { answered, api, type Schemas } from '@/api/client';
import { queryKeys } from '@/api/queryKeys';
import { useAction } from '@/api/useAction';
import { Button } from '@/components/Button';
import { Dialog } from '@/components/Dialog';
import { Scrolling } from '@/components/Scrolling';
import { Failed, Loading } from '@/components/States';
import { formatMoment } from '@/time/dates';
import { toast } from '@/toast/toast';

/** Where one is signed in, each to be ended alone or all others at once. */
export function DevicesDialog({ onClose }: { onClose: () => void }) {
    const devices = useQuery({ queryKey: queryKeys.devices, queryFn: ({ signal }) => answered(api.GET('/session/devices', { signal })), staleTime: 0 });
    const end = useAction(({ id }: Schemas['Device']) => answered(api.DELETE('/session/devices/{device}', { params: { path: { device: id } } })), { onDone: () => toast('You are signed out there.') });
    const endOthers = useAction(() => answered(api.DELETE('/session/devices')), { onDone: () => toast('You are signed in here alone.') });
    const others = devices.data?.filter((each) => !each.current) ?? [];
    return (
        <Dialog open onOpenChange={onClose} title="Where you are signed in" about="If you do not know one of these, end it and change your password.">
            {devices.isError ? (
                <Failed error={devices.error} retry={() => void devices.refetch()} />
            ) : devices.data === undefined ? (
                <Loading what="where you are signed in" />
            ) : (
                <Scrolling as="ul" aria-label="Signed in" className="max-h-[50vh] overflow-y-auto border-t border-line">
                    {devices.data.map((each) => (
                        <li key={each.id} className="flex min-h-11 flex-wrap items-center gap-x-3 border-b border-line py-1.5">
                            <span className="min-w-0 flex-1">
                                <b className="font-semibold">{each.current ? 'Here' : each.address}</b>
                                <span className="block text-xs text-soft [overflow-wrap:anywhere]">
                                    {each.agent === '' ? 'a browser that does not say what it is' : each.agent}, used {formatMoment(each.seenAt)}
                                </span>
                            </span>
                            {!each.current && (
                                <Button disabled={end.isPending} onClick={() => end.mutate(each)} aria-label={`Sign out at ${each.address}`}>
                                    Sign out
                                </Button>
                            )}
                        </li>
                    ))}
                </Scrolling>
            )}
            <div className="mt-3 flex justify-end gap-2">
                <Button onClick={onClose}>Cancel</Button>
                <Button look="primary" disabled={others.length === 0 || endOthers.isPending} onClick={() => endOthers.mutate()}>
                    Sign out everywhere else
                </Button>
            </div>
        </Dialog>
    );
}
