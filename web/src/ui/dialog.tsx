import { X } from 'lucide-react';
import { useRef } from 'react';
import { Dialog as Radix } from 'radix-ui';
import { cx } from './classes.ts';

/** A sheet over the page: in the middle, or pulled in from a side. */
export function Dialog({
  title,
  description,
  open,
  onOpenChange,
  side = 'middle',
  children,
}: {
  title: string;
  description?: string;
  open: boolean;
  onOpenChange: (open: boolean) => void;
  side?: 'middle' | 'left' | 'right';
  children: React.ReactNode;
}) {
  const body = useRef<HTMLDivElement>(null);
  const opener = useRef<HTMLElement | null>(null);
  return (
    <Radix.Root open={open} onOpenChange={onOpenChange}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-black/50" />
        <Radix.Content
          {...(description ? {} : { 'aria-describedby': undefined })}
          // What the sheet is about comes first, not the way out of it.
          onOpenAutoFocus={(e) => {
            e.preventDefault();
            const at = document.activeElement;
            opener.current = at instanceof HTMLElement && at !== document.body ? at : null;
            body.current?.focus();
          }}
          // Back to what opened it; where that is gone meanwhile, the work goes on from the page and not from nowhere.
          onCloseAutoFocus={(e) => {
            e.preventDefault();
            const back = opener.current?.isConnected ? opener.current : document.getElementById('work');
            // The page stands as it did: what had the focus may have been scrolled out of sight since.
            back?.focus({ preventScroll: true });
          }}
          className={cx(
            'fixed z-50 flex flex-col border-line bg-sheet text-ink',
            side === 'middle' &&
              'left-1/2 top-[6vh] max-h-[88vh] w-[min(680px,94vw)] -translate-x-1/2 rounded-lg border',
            side === 'left' && 'inset-y-0 left-0 w-[min(440px,88vw)] border-r',
            side === 'right' && 'inset-y-0 right-0 w-[min(480px,92vw)] border-l',
          )}
        >
          <div className="flex items-start justify-between gap-3 border-b border-line px-4 py-2">
            <div className="py-2">
              <Radix.Title className="text-lg">{title}</Radix.Title>
              {description ? (
                <Radix.Description className="text-[15px] text-ink-2">{description}</Radix.Description>
              ) : null}
            </div>
            <Radix.Close
              className="grid size-11 place-items-center rounded-md hover:bg-sheet-2"
              aria-label="Close"
            >
              <X size={22} aria-hidden="true" />
            </Radix.Close>
          </div>
          <div
            ref={body}
            className="min-h-0 flex-1 overflow-y-auto px-4 py-3 focus:outline-none"
            tabIndex={-1}
          >
            {children}
          </div>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
