import { buttonLook } from '@/components/buttonLook';
import { Dialog } from '@/components/Dialog';
import { Section } from '@/components/Page';
import { FeedLinks } from '@/features/feeds/FeedLinks';
import { OnMyDevices } from '@/features/feeds/OnMyDevices';
import type { Overlay } from '@/features/overlays/useOverlays';
import { PagesOf } from './PagesOf';

/** How an overlay is looked through from outside: on one's own devices, and by those who manage it for others. */
export function OverlayOutDialog({ overlay, onClose }: { overlay: Overlay; onClose: () => void }) {
    const manages = overlay.level === 'manage' && !overlay.home;
    return (
        <Dialog open onOpenChange={(open) => !open && onClose()} wide title={`${overlay.name}, elsewhere`} about="What goes out is what whoever made the link or the page may see at that moment, never more.">
            <Section title="On my devices" about="It stays up to date in the calendar of your phone or computer.">
                <OnMyDevices of="overlay" slug={overlay.slug} name={overlay.name} />
            </Section>
            <Section title="Take it as a file" about="As you see it today: a file does not stay up to date. For a spreadsheet, look at it as a table.">
                <a href={`/api/v1/overlays/${overlay.slug}/file`} download className={buttonLook('plain')}>
                    {overlay.name}.ics
                </a>
            </Section>
            {manages && (
                <Section title="Publish" about="A page for people without an account, or a link for one reader or one place.">
                    <PagesOf of="overlay" slug={overlay.slug} name={overlay.name} />
                    <FeedLinks of="overlay" slug={overlay.slug} />
                </Section>
            )}
        </Dialog>
    );
}
