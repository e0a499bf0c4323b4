import { Dialog } from '../ui/dialog.tsx';

const KEYS: readonly [string, string][] = [
  ['1 … 8', 'Stations of the open case'],
  ['L', 'Log of the open case'],
  ['/ or Ctrl K', 'Search: code, word, vehicle, command'],
  ['G', 'Garage'],
  ['?', 'This list'],
  ['Esc', 'Close what is open'],
];

/** The sheet that lists the keys. */
export function KeySheet({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  return (
    <Dialog title="Keyboard shortcuts" open={open} onOpenChange={onOpenChange}>
      <dl className="grid grid-cols-[auto_1fr] items-center gap-x-5 gap-y-3">
        {KEYS.map(([key, what]) => (
          <div key={key} className="contents">
            <dt>
              <kbd className="rounded border border-line bg-sheet-2 px-2 py-1 font-mono text-[14px]">
                {key}
              </kbd>
            </dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-4 text-[15px] text-ink-2">
        Keys without Ctrl can be switched off in Settings; Ctrl K and Esc always work.
      </p>
    </Dialog>
  );
}
