import { useEffect, useState } from 'react';
import type { Toaster as Sonner } from 'sonner';
import { later } from '../ui/later.ts';

/** The place of short messages. Nothing is said in the first moment: it comes after the first screen. */
export function Toasts() {
  const [Toaster, setToaster] = useState<typeof Sonner | null>(null);
  useEffect(
    () =>
      later(
        () =>
          void import('sonner').then(
            (loaded) => setToaster(() => loaded.Toaster),
            // What would have been said in passing stands on the page as well.
            () => undefined,
          ),
        500,
      ),
    [],
  );
  return Toaster ? (
    <Toaster position="bottom-center" toastOptions={{ className: 'font-sans text-base' }} />
  ) : null;
}
