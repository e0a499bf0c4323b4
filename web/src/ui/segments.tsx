import { ToggleGroup } from 'radix-ui';
import { cx } from './classes.ts';

/** A few choices side by side, one of them taken or none. */
export function Segments<T extends string>({
  label,
  options,
  value,
  onChange,
  tone = 'ink',
}: {
  label: string;
  options: readonly { id: T; title: string }[];
  value: T | null;
  onChange: (value: T) => void;
  tone?: 'ink' | 'own';
}) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={label}
      value={value ?? ''}
      onValueChange={(next) => {
        const found = options.find((o) => o.id === next);
        if (found) onChange(found.id);
      }}
      className="flex w-full flex-wrap overflow-hidden sm:w-auto rounded-md border border-line bg-sheet"
    >
      {options.map((o) => (
        <ToggleGroup.Item
          key={o.id}
          value={o.id}
          className={cx(
            'min-h-11 flex-1 whitespace-nowrap border-r border-line px-2.5 text-[15px] font-semibold last:border-r-0 hover:bg-sheet-2',
            tone === 'own'
              ? 'data-[state=on]:bg-own data-[state=on]:text-sheet'
              : 'data-[state=on]:bg-ink data-[state=on]:text-sheet',
          )}
        >
          {o.title}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
