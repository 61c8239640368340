import type { ComponentProps } from 'react';
import { CheckField } from './Field';
import { useTicked } from './useTicked';

type Props = Omit<ComponentProps<typeof CheckField>, 'checked' | 'onChange'> & {
    checked: boolean;
    /** Saves it; whether that was taken. */
    take: (checked: boolean) => Promise<boolean>;
};

/** A tick that is saved as it is set: it shows at once, and goes back where it could not be saved. */
export function SavedCheckField({ checked, take, ...props }: Props) {
    return <CheckField {...props} {...useTicked(checked, take)} />;
}
