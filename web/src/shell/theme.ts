import { useEffect } from 'react';
import { useAppSelector } from '../store/store.ts';

/** Puts the chosen theme on the page; `auto` follows the device. */
export function useTheme(): void {
  const theme = useAppSelector((s) => s.settings.theme);
  useEffect(() => {
    const prefers = window.matchMedia('(prefers-color-scheme: dark)');
    const apply = () => {
      // From here on the page's own colours count, and not those that it was sent with.
      document.documentElement.dataset['started'] = '';
      document.documentElement.classList.toggle(
        'dark',
        theme === 'garage' || (theme === 'auto' && prefers.matches),
      );
    };
    apply();
    prefers.addEventListener('change', apply);
    return () => prefers.removeEventListener('change', apply);
  }, [theme]);
}
