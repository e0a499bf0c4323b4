import type { Answered } from '@pincer/core/case';

/** The three answers to a question of the program, as they stand on its buttons. */
export const ANSWERS: readonly { id: Answered; title: string }[] = [
  { id: 'yes', title: 'Yes' },
  { id: 'no', title: 'No' },
  { id: 'unknown', title: 'Don’t know' },
];

/** What was chosen in a segmented control, within a sentence: `comes and goes`. */
export const chosen = <T extends string>(options: readonly { id: T; title: string }[], id: T): string =>
  options.find((o) => o.id === id)?.title.toLowerCase() ?? id;
