import type { Connection } from './connection.ts';

/** A control unit of a module map, as far as the link needs it. */
export interface ReachableUnit {
  name: string;
  /** CAN ids as printed: three hexadecimal digits, or eight. */
  request: string;
  answer: string;
}

/** The id on which every control unit of the standard listens: 11 bits, and 29. */
const FUNCTIONAL = '7DF';
const FUNCTIONAL_29_BIT = '18DB33F1';

/** How long a setting may take, ms. */
const SETTING_MS = 2_000;

/** Commands that set the id to ask on: three digits at once; of eight, the first two are the priority. */
function headerCommands(id: string): string[] {
  return id.length === 8 ? [`ATCP${id.slice(0, 2)}`, `ATSH${id.slice(2)}`] : [`ATSH${id}`];
}

export type Addressed = { ok: true } | { ok: false; why: 'refused' | 'no-answer' };

/**
 * Lets requests go to one control unit alone, and only its answers through. From the first command on the connection
 * counts as addressed, until {@link addressAll} has set it back.
 */
export async function addressUnit(
  connection: Connection,
  unit: ReachableUnit,
  options: Parameters<Connection['port']['send']>[1] = { timeoutMs: SETTING_MS },
): Promise<Addressed> {
  connection.addressed = unit.request;
  for (const command of [...headerCommands(unit.request), `ATCRA${unit.answer}`]) {
    const reply = await connection.port.send(command, { ...options, timeoutMs: SETTING_MS });
    if (!reply.ok) return { ok: false, why: 'no-answer' };
    if (!reply.lines.some((l) => l.trim() === 'OK')) return { ok: false, why: 'refused' };
  }
  return { ok: true };
}

/**
 * Sets the adapter back to asking every control unit of the standard. It takes no stop: whatever ended the work with
 * one unit, the next request must not go to that unit alone. What could not be set back stays marked, and is tried
 * again before anything else is asked.
 * @returns whether requests go to all now.
 */
export async function addressAll(connection: Connection): Promise<boolean> {
  const { addressed, port } = connection;
  if (addressed === null) return true;
  for (const command of [
    'ATAR',
    ...headerCommands(addressed.length === 8 ? FUNCTIONAL_29_BIT : FUNCTIONAL),
  ]) {
    const reply = await port.send(command, { timeoutMs: SETTING_MS });
    if (!reply.ok || !reply.lines.some((l) => l.trim() === 'OK')) return false;
  }
  connection.addressed = null;
  return true;
}
