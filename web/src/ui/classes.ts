/** Class names joined; falsy ones are left out. */
export function cx(...names: (string | false | null | undefined)[]): string {
  return names.filter(Boolean).join(' ');
}

const TARGET =
  'inline-flex min-h-11 items-center justify-center gap-2 rounded-md px-4 text-base font-semibold disabled:opacity-60';

/** Looks of buttons: `solid` for the one next thing, `plain` for the others, `own` for what the owner adds. */
export const BUTTON = {
  solid: `${TARGET} bg-ink text-sheet hover:bg-ink/85`,
  plain: `${TARGET} border border-line bg-sheet text-ink hover:bg-sheet-2`,
  own: `${TARGET} border-2 border-dashed border-own text-own hover:bg-own-soft`,
  quiet:
    'inline-flex min-h-11 items-center gap-2 rounded-md px-3 font-semibold text-ink underline-offset-4 hover:underline',
} as const;

/** Small words with a hairline round them. */
export const TAG =
  'inline-flex items-center rounded border border-line bg-sheet-2 px-2 py-0.5 text-[14px] text-ink';

/** A sheet of paper on the bench. */
export const SHEET = 'rounded-lg border border-line bg-sheet';

export const FIELD = 'min-h-11 w-full rounded-md border border-line bg-sheet px-3 text-base text-ink';

/** A short field for a number, its figures under each other. */
export const NUMBER_FIELD =
  'min-h-11 w-24 rounded-md border border-line bg-sheet px-2 text-right font-mono text-base text-ink';
