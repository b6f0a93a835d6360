import { createContext, useContext, useEffect, useState } from 'react';

export type Theme = 'light' | 'dark';

interface Prefs {
  theme: Theme;
  setTheme: (theme: Theme) => void;
}

export const PrefsContext = createContext<Prefs>({ theme: 'light', setTheme: () => undefined });
export const usePrefs = () => useContext(PrefsContext);

/** The theme as chosen before, else as the device asks. */
export function useTheme(): Prefs {
  const [theme, setTheme] = useState<Theme>(() => {
    const kept = localStorage.getItem('hollin.theme');
    if (kept === 'light' || kept === 'dark') return kept;
    return window.matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light';
  });
  useEffect(() => {
    document.documentElement.dataset.theme = theme;
    localStorage.setItem('hollin.theme', theme);
  }, [theme]);
  return { theme, setTheme };
}
