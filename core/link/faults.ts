/** What can go wrong between here and the car. The code is stable; the wording is in `words.ts`. */
export type LinkFault =
  | { code: 'silent'; waitedMs: number }
  | { code: 'cut' }
  | { code: 'cancelled' }
  | { code: 'unable-to-connect' }
  | { code: 'no-data' }
  | { code: 'can-error' }
  | { code: 'bus-init' }
  | { code: 'bus-error' }
  | { code: 'bus-busy' }
  | { code: 'feedback' }
  | { code: 'data-error' }
  | { code: 'buffer-full' }
  | { code: 'stopped' }
  | { code: 'unknown-command' }
  | { code: 'low-voltage-reset' }
  | { code: 'power-alert' }
  | { code: 'adapter-error'; number: string }
  | { code: 'garbled'; text: string };

export type LinkFaultCode = LinkFault['code'];

const TEXTS: readonly [RegExp, (match: RegExpMatchArray) => LinkFault][] = [
  [/^\?$/, () => ({ code: 'unknown-command' })],
  [/UNABLE TO CONNECT/, () => ({ code: 'unable-to-connect' })],
  [/NO DATA/, () => ({ code: 'no-data' })],
  [/CAN ERROR/, () => ({ code: 'can-error' })],
  [/BUS INIT:?.*ERROR/, () => ({ code: 'bus-init' })],
  [/BUS ERROR/, () => ({ code: 'bus-error' })],
  [/BUS BUSY/, () => ({ code: 'bus-busy' })],
  [/FB ERROR/, () => ({ code: 'feedback' })],
  [/(DATA|RX) ERROR/, () => ({ code: 'data-error' })],
  [/BUFFER FULL|OUT OF MEMORY/, () => ({ code: 'buffer-full' })],
  [/^STOPPED/, () => ({ code: 'stopped' })],
  [/LV RESET/, () => ({ code: 'low-voltage-reset' })],
  [/(ACT|LP) ALERT/, () => ({ code: 'power-alert' })],
  [/^ERR(?:OR)?\s?(\d*)$/, (m) => ({ code: 'adapter-error', number: m[1] ?? '' })],
];

const ONLY_DIGITS = /^[0-9A-F ]*$/;

/** Recognises an error text of the adapter's command set in one line. */
export function faultInLine(line: string): LinkFault | null {
  const text = line.trim().toUpperCase();
  // Nearly every line is an answer: digits and nothing else.
  if (ONLY_DIGITS.test(text)) return null;
  for (const [pattern, make] of TEXTS) {
    const match = pattern.exec(text);
    if (match) return make(match);
  }
  return null;
}
