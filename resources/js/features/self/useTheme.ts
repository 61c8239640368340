import { useEffect, useState } from 'react';

export type Theme = 'system' | 'light' | 'dark';

const KEY = 'rota.theme';

/** The theme a reader chose on this device; the device's own until then. */
export function useTheme(): [Theme, (theme: Theme) => void] {
    const [theme, setTheme] = useState<Theme>(() => (localStorage.getItem(KEY) as Theme | null) ?? 'system');
    useEffect(() => {
        if (theme === 'system') {
            delete document.documentElement.dataset.theme;
            localStorage.removeItem(KEY);
        } else {
            document.documentElement.dataset.theme = theme;
            localStorage.setItem(KEY, theme);
        }
    }, [theme]);
    return [theme, setTheme];
}
