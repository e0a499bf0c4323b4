import { Ellipsis } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';

/** What can be done with one entry of the log; its name says which entry it is. */
export function LogMenu({ sentence, onStrike }: { sentence: string; onStrike: () => void }) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        className="grid size-11 shrink-0 place-items-center rounded-md hover:bg-sheet-2"
        aria-label={`More: ${sentence.slice(0, 80)}`}
      >
        <Ellipsis size={20} aria-hidden="true" />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          className="z-50 rounded-md border border-line bg-sheet p-1 text-ink shadow-lg"
          // The field for the reason takes the focus itself.
          onCloseAutoFocus={(e) => e.preventDefault()}
        >
          <DropdownMenu.Item
            className="flex min-h-11 cursor-pointer items-center rounded px-3 outline-none data-highlighted:bg-sheet-2 data-highlighted:outline-2 data-highlighted:outline-ink"
            onSelect={onStrike}
          >
            Strike out
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
