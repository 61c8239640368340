import { useNavigate } from '@tanstack/react-router';
import { DropdownMenu } from 'radix-ui';
import { useState } from 'react';
import { usePerson, useSignOut } from '@/features/session/useSession';
import { useTheme, type Theme } from './useTheme';
import { lazily } from '@/components/lazily';

const PasswordDialog = lazily(() => import('./PasswordDialog'), 'PasswordDialog');
const DevicesDialog = lazily(() => import('./DevicesDialog'), 'DevicesDialog');
const SecondFactorDialog = lazily(() => import('@/features/second-factor/SecondFactorDialog'), 'SecondFactorDialog');
const SelfDialog = lazily(() => import('./SelfDialog'), 'SelfDialog');

const ITEM = 'flex cursor-pointer items-center gap-2 rounded-sm px-2.5 py-1.5 outline-none data-highlighted:bg-wash';
const THEMES: [Theme, string][] = [
    ['system', 'As this device has it'],
    ['light', 'Paper'],
    ['dark', 'Night'],
];

export function PersonMenu() {
    const person = usePerson();
    const signOut = useSignOut();
    const navigate = useNavigate();
    const [theme, setTheme] = useTheme();
    const [password, setPassword] = useState(false);
    const [self, setSelf] = useState(false);
    const [devices, setDevices] = useState(false);
    const [factor, setFactor] = useState(false);
    const initials = person.name.split(/[\s-]+/).map((word) => word[0]).join('').slice(0, 2);
    return (
        <>
            <DropdownMenu.Root>
                <DropdownMenu.Trigger className="grid size-8 shrink-0 place-items-center rounded-full pointer-coarse:size-11 border-[1.5px] border-ink text-xs font-semibold" aria-label={`You: ${person.name}`}>
                    <span aria-hidden="true">{initials}</span>
                </DropdownMenu.Trigger>
                <DropdownMenu.Portal>
                    <DropdownMenu.Content align="end" sideOffset={6} className="z-50 min-w-56 border border-ink bg-sheet p-1.5 shadow-(--shadow)">
                        <div className="px-2.5 py-1.5">
                            <p className="font-semibold">{person.name}</p>
                            <p className="text-soft">{person.post}</p>
                        </div>
                        <DropdownMenu.Separator className="my-1 border-t border-line" />
                        <DropdownMenu.RadioGroup value={theme} onValueChange={(value) => setTheme(value as Theme)}>
                            {THEMES.map(([value, label]) => (
                                <DropdownMenu.RadioItem key={value} value={value} className={ITEM}>
                                    <span className="w-3 text-center" aria-hidden="true">
                                        {theme === value ? '•' : ''}
                                    </span>
                                    {label}
                                </DropdownMenu.RadioItem>
                            ))}
                        </DropdownMenu.RadioGroup>
                        <DropdownMenu.Separator className="my-1 border-t border-line" />
                        <DropdownMenu.Item className={ITEM} onSelect={() => setSelf(true)}>
                            You and your hours…
                        </DropdownMenu.Item>
                        <DropdownMenu.Item className={ITEM} onSelect={() => setPassword(true)}>
                            Change your password…
                        </DropdownMenu.Item>
                        <DropdownMenu.Item className={ITEM} onSelect={() => setFactor(true)}>
                            Second factor…
                        </DropdownMenu.Item>
                        <DropdownMenu.Item className={ITEM} onSelect={() => setDevices(true)}>
                            Where you are signed in…
                        </DropdownMenu.Item>
                        <DropdownMenu.Item
                            className={ITEM}
                            onSelect={() => signOut.mutate(undefined, { onSuccess: () => void navigate({ to: '/', search: {} }) })}
                        >
                            Sign out
                        </DropdownMenu.Item>
                    </DropdownMenu.Content>
                </DropdownMenu.Portal>
            </DropdownMenu.Root>
            {devices && <DevicesDialog onClose={() => setDevices(false)} />}
            {factor && <SecondFactorDialog onClose={() => setFactor(false)} />}
            {self && <SelfDialog onClose={() => setSelf(false)} />}
            <PasswordDialog open={password} onOpenChange={setPassword} />
        </>
    );
}
