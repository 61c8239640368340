import clsx from 'clsx';

const LOOKS = {
    plain: 'border-ink bg-sheet hover:bg-wash',
    primary: 'border-ink bg-ink text-paper hover:opacity-90',
    quiet: 'border-transparent text-soft hover:text-ink hover:bg-wash',
    danger: 'border-pin-ink text-pin-ink bg-sheet hover:bg-wash',
} as const;

export type Look = keyof typeof LOOKS;

/** How a button looks, and a link that is the one next step. */
export function buttonLook(look: Look = 'plain', more?: string): string {
    return clsx('inline-flex min-h-7 pointer-coarse:min-h-11 pointer-coarse:min-w-11 items-center justify-center gap-1.5 rounded-sm border px-2.5 py-1 text-[13px] whitespace-nowrap disabled:opacity-50', LOOKS[look], more);
}
