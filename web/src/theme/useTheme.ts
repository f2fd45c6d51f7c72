import { useEffect, useState } from 'react';

export type Theme = 'light' | 'dusk';

/** The theme, kept on this device. */
export function useTheme(): [Theme, () => void] {
  const [theme, setTheme] = useState<Theme>(() => {
    const kept = localStorage.getItem('theme');
    if (kept === 'light' || kept === 'dusk') return kept;
    return matchMedia('(prefers-color-scheme: dark)').matches ? 'dusk' : 'light';
  });
  useEffect(() => {
    document.documentElement.dataset.theme = theme;
    localStorage.setItem('theme', theme);
  }, [theme]);
  return [theme, () => setTheme((t) => (t === 'light' ? 'dusk' : 'light'))];
}
