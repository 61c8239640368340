import { useEffect, useState } from 'react';
import { storage } from '@/offline/storage';

export type Theme = 'system' | 'light' | 'dark';

const KEY = 'rota.theme';

/** The theme a reader chose on this device; the device's own until then. */
export function useTheme(): [Theme, (theme: Theme) => void] {
    const [theme, setTheme] = useState<Theme>(() => (storage.getItem(KEY) as Theme | null) ?? 'system');
    useEffect(() => {
        if (theme === 'system') {
            delete document.documentElement.dataset.theme;
            storage.removeItem(KEY);
        } else {
            document.documentElement.dataset.theme = theme;
            storage.setItem(KEY, theme);
        }
    }, [theme]);
    return [theme, setTheme];
}
