import { useEffect, useState } from 'react';
import type { Toaster as Sonner } from 'sonner';
import { later } from '../ui/later.ts';

/** Above the foot with the next step, which a message must not cover; where there is none, at the edge. */
const ABOVE_FOOT = { bottom: 'var(--foot, 16px)' };

/** As everything else that is read and touched, in the theme's colours; the package's own styles come after ours. */
const TEXT = {
  fontSize: 16,
  background: 'var(--sheet)',
  color: 'var(--ink)',
  border: '1px solid var(--ink-2)',
};
const TARGET = {
  fontSize: 16,
  minHeight: 44,
  paddingInline: 16,
  background: 'var(--ink)',
  color: 'var(--sheet)',
};

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
    <Toaster
      position="bottom-center"
      offset={ABOVE_FOOT}
      mobileOffset={ABOVE_FOOT}
      toastOptions={{ className: 'font-sans', style: TEXT, actionButtonStyle: TARGET }}
    />
  ) : null;
}
