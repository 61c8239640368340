import type { ComponentPropsWithRef } from 'react';

type Props<As extends 'ul' | 'ol' | 'div'> = { as: As; 'aria-label': string } & ComponentPropsWithRef<As>;

/**
 * What has a height of its own and scrolls inside it. It is a stop of the keyboard: where nothing in it can be focused,
 * its end could not be reached otherwise.
 */
export function Scrolling<As extends 'ul' | 'ol' | 'div'>({ as, ...props }: Props<As>) {
    const Element = as as 'div';
    return <Element {...(as === 'div' && { role: 'region' })} tabIndex={0} {...(props as ComponentPropsWithRef<'div'>)} />;
}
