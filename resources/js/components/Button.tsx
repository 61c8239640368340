import clsx from 'clsx';
import type { ComponentProps } from 'react';

type Props = ComponentProps<'button'> & { look?: 'plain' | 'primary' | 'quiet' | 'danger' };

const LOOKS = {
    plain: 'border-ink bg-sheet hover:bg-wash',
    primary: 'border-ink bg-ink text-paper hover:opacity-90',
    quiet: 'border-transparent text-soft hover:text-ink hover:bg-wash',
    danger: 'border-pin-ink text-pin-ink bg-sheet hover:bg-wash',
} as const;

export function Button({ look = 'plain', className, type = 'button', ...rest }: Props) {
    return (
        <button
            type={type}
            className={clsx(
                'inline-flex min-h-7 items-center justify-center gap-1.5 rounded-sm border px-2.5 py-1 text-[13px] whitespace-nowrap disabled:opacity-50',
                LOOKS[look],
                className,
            )}
            {...rest}
        />
    );
}
