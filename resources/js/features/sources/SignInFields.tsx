import type { Schemas } from '@/api/client';
import { ChoiceField, TextField } from '@/components/Field';

type SignIn = NonNullable<Schemas['AddressInput']['signIn']>;

const KINDS = { none: 'needs none', basic: 'with a name and a password', token: 'with a token' } as const;

type Props = { value: SignIn; /** Whether a secret is kept, which stays where none is typed. */ keepsSecret: boolean; onChange: (value: SignIn) => void };

/** How one signs in at a far side. What is typed is told to nobody again. */
export function SignInFields({ value, keepsSecret, onChange }: Props) {
    const hint = keepsSecret ? 'Leave it empty to keep the one that is there.' : undefined;
    return (
        <div className="grid gap-3 sm:grid-cols-3">
            <ChoiceField label="Signing in there" value={value.kind} choices={KINDS} onChange={(kind) => onChange({ ...value, kind })} />
            {value.kind === 'basic' && <TextField label="Name there" autoComplete="off" value={value.user ?? ''} onChange={(typed) => onChange({ ...value, user: typed.target.value })} />}
            {value.kind !== 'none' && <TextField label={value.kind === 'basic' ? 'Password there' : 'Token'} type="password" autoComplete="off" hint={hint} value={value.secret ?? ''} onChange={(typed) => onChange({ ...value, secret: typed.target.value })} />}
        </div>
    );
}
