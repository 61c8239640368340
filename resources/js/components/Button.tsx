import type { ComponentProps } from 'react';
import { buttonLook, type Look } from './buttonLook';

type Props = ComponentProps<'button'> & { look?: Look };

export function Button({ look = 'plain', className, type = 'button', ...rest }: Props) {
    return <button type={type} className={buttonLook(look, className)} {...rest} />;
}
