import { CalendarDays } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useState } from 'react';
import { formatFull } from '@/time/dates';
import { MonthPicker } from './MonthPicker';
import { TypedField } from './TypedField';

type Props = { label: string; value: string; onChange: (value: string) => void; zone: string; today: string; error?: string | undefined; className?: string; hidesLabel?: boolean; optional?: boolean; keepsEnter?: boolean };

/** A day, typed as one likes (“wed”, “14 mar”, “2/11” in the order of the organisation), or picked from a small calendar. */
export function DateField({ today, ...props }: Props) {
    const { value, onChange, label } = props;
    const [open, setOpen] = useState(false);
    return (
        <TypedField
            {...props}
            kind="date"
            placeholder="14 mar"
            format={formatFull}
            beside={
                <Popover.Root open={open} onOpenChange={setOpen}>
                    <Popover.Trigger className="absolute top-1/2 right-0.5 grid size-7 -translate-y-1/2 pointer-coarse:size-11 place-items-center text-soft hover:text-ink" aria-label={`Pick a day: ${label}`}>
                        <CalendarDays size={14} aria-hidden="true" />
                    </Popover.Trigger>
                    <Popover.Portal>
                        <Popover.Content align="end" sideOffset={4} className="z-50 border border-ink bg-sheet p-2 shadow-(--shadow)" aria-label={`Days: ${label}`}>
                            <MonthPicker
                                value={value}
                                today={today}
                                onPick={(date) => {
                                    onChange(date);
                                    setOpen(false);
                                }}
                            />
                        </Popover.Content>
                    </Popover.Portal>
                </Popover.Root>
            }
        />
    );
}
