import { AdapterPort, ByteQueue, asciiBytes, asciiOf, type Clock } from '@pincer/core/link';

/** Time that runs a thousand times faster: every wait of seconds ends within milliseconds. */
const FAST: Clock = {
  now: () => performance.now() * 1000,
  after: (ms, run) => {
    const timer = setTimeout(run, ms / 1000);
    return () => clearTimeout(timer);
  },
};

/**
 * What an adapter says to a command: lines with `\r` or `|` between them, without the prompt; `silence` for nothing at
 * all; `cut` for a plug that is pulled out.
 * @param count how often this command has been sent before.
 */
export type Says = (command: string, count: number) => string;

/**
 * An adapter that answers by a script, and the commands that reached it.
 * @param clock of a fast time, in which a busy machine may stand still for seconds: a test to which that matters gives its own.
 */
export function scriptedAdapter(says: Says, clock = FAST): { port: AdapterPort; sent: string[] } {
  const incoming = new ByteQueue();
  const sent: string[] = [];
  const port = new AdapterPort(
    {
      incoming,
      write: (bytes) => {
        const command = asciiOf(bytes).trim();
        if (command === '') return Promise.resolve();
        const answer = says(command, sent.filter((c) => c === command).length);
        sent.push(command);
        if (answer === 'cut') incoming.end();
        else if (answer !== 'silence') incoming.push(asciiBytes(`${answer.replaceAll('|', '\r')}\r\r>`));
        return Promise.resolve();
      },
      close: () => {
        incoming.end();
        return Promise.resolve();
      },
    },
    clock,
  );
  return { port, sent };
}

/** Says what the table holds; a list one after the other, its last for ever; else OK to a setting and NO DATA to a question. */
export function byTable(table: Readonly<Record<string, string | readonly string[]>>): Says {
  return (command, count) => {
    const entry = table[command] ?? (command.startsWith('AT') ? 'OK' : 'NO DATA');
    return typeof entry === 'string' ? entry : (entry[Math.min(count, entry.length - 1)] ?? '');
  };
}
