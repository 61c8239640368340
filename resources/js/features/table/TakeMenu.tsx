import { Download } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { Button } from '@/components/Button';
import type { Column } from './columns';
import { fileAddress, type Asked } from './useTable';

const ITEM = 'block cursor-pointer rounded-sm px-2.5 py-1.5 outline-none data-highlighted:bg-wash pointer-coarse:py-3';

type Props = { asked: Asked; shown: Column['key'][]; /** Of all rows, those alone; none: all. */ chosen: { id: number }[] };

/** The rows as a file, in the columns that are shown. */
export function TakeMenu({ asked, shown, chosen }: Props) {
    return (
        <DropdownMenu.Root>
            <DropdownMenu.Trigger asChild>
                <Button className="border-line">
                    <Download size={14} aria-hidden="true" className="max-sm:hidden" /> Take…
                </Button>
            </DropdownMenu.Trigger>
            <DropdownMenu.Portal>
                <DropdownMenu.Content align="end" sideOffset={6} className="z-40 border border-ink bg-sheet p-1.5 text-[13px] shadow-(--shadow)">
                    <DropdownMenu.Item asChild className={ITEM}>
                        <a href={fileAddress('xlsx', asked, shown, chosen)} download>
                            For a spreadsheet (.xlsx)
                        </a>
                    </DropdownMenu.Item>
                    <DropdownMenu.Item asChild className={ITEM}>
                        <a href={fileAddress('csv', asked, shown, chosen)} download>
                            As text (.csv)
                        </a>
                    </DropdownMenu.Item>
                </DropdownMenu.Content>
            </DropdownMenu.Portal>
        </DropdownMenu.Root>
    );
}
