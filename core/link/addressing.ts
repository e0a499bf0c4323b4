import type { UnitLanguage } from '@pincer/core/obd';
import type { Connection } from './connection.ts';

/** A control unit of a module map, as far as the link needs it. */
export interface ReachableUnit {
  name: string;
  /** Ids as printed: three hexadecimal digits, eight, or the three bytes of an older header. */
  request: string;
  answer: string;
  /** ISO 14229 where it does not say. */
  language?: UnitLanguage | undefined;
}

/** The id on which every control unit of the standard listens: 11 bits, and 29. */
const FUNCTIONAL = '7DF';
const FUNCTIONAL_29_BIT = '18DB33F1';

/** How long a setting may take, ms. */
const SETTING_MS = 2_000;

/** Digits of a 29-bit id, and of a header of the older lines. */
const LONG = 8;
const OLDER = 6;

/** The protocol with ids of the other length at the same speed (numbers of the adapter's command set). */
const OTHER_LENGTH: Readonly<Record<string, string>> = { '6': '7', '7': '6', '8': '9', '9': '8' };

/** Whether the protocol of a connection has ids of 29 bits. */
export const isLong = (protocolNumber: string): boolean => protocolNumber === '7' || protocolNumber === '9';

/** Commands that set the id to ask on: three digits at once; of eight, the first two are the priority. */
function headerCommands(id: string): string[] {
  return id.length === LONG ? [`ATCP${id.slice(0, 2)}`, `ATSH${id.slice(2)}`] : [`ATSH${id}`];
}

/** Commands that take the adapter to ids of another length, where a unit's are not those of the connection. */
export function lengthCommands({ protocolNumber }: Connection, id: string): string[] {
  const other = OTHER_LENGTH[protocolNumber];
  return id.length !== OLDER && other !== undefined && (id.length === LONG) !== isLong(protocolNumber)
    ? [`ATSP${other}`]
    : [];
}

/** Whether an adapter answers long messages of this pairing by itself: eight above on 11 bits, swapped on 29. */
export const isUsualPairing = (request: string, answer: string): boolean =>
  request.length === LONG
    ? answer.slice(4) === `${request.slice(6)}${request.slice(4, 6)}`
    : request.length === OLDER || Number.parseInt(answer, 16) === Number.parseInt(request, 16) + 8;

/** Commands by which long answers of an unusual pairing are asked on with the unit's own id (ISO 15765-2 flow control). */
const flowCommands = (request: string): string[] => [`ATFCSH${request}`, 'ATFCSD300000', 'ATFCSM1'];

export type Addressed = { ok: true } | { ok: false; why: 'refused' | 'no-answer' };

/**
 * Lets requests go to one control unit alone, and only its answers through. From the first command on the connection
 * counts as addressed, until {@link addressAll} has set it back.
 */
export async function addressUnit(
  connection: Connection,
  unit: Pick<ReachableUnit, 'request' | 'answer'>,
  options: Parameters<Connection['port']['send']>[1] = { timeoutMs: SETTING_MS },
): Promise<Addressed> {
  const { request, answer } = unit;
  const isOlder = request.length === OLDER;
  const before = connection.addressed;
  const length = lengthCommands(connection, request);
  const isUsual = isUsualPairing(request, answer);
  const flow = isUsual ? (before?.hasFlow ? ['ATFCSM0'] : []) : flowCommands(request);
  // What the unit before was asked with, and this one is not, is taken back with it.
  const back = length.length === 0 && before?.hasOtherLength ? [`ATSP${connection.protocolNumber}`] : [];
  connection.addressed = {
    hasOtherLength: length.length > 0 || (before?.hasOtherLength ?? false),
    hasFlow: !isUsual || (before?.hasFlow ?? false),
  };
  const commands = [...length, ...back, ...headerCommands(request), ...(isOlder ? [] : [`ATCRA${answer}`])];
  for (const command of [...commands, ...flow]) {
    const reply = await connection.port.send(command, { ...options, timeoutMs: SETTING_MS });
    if (!reply.ok) return { ok: false, why: 'no-answer' };
    // Without its own flow control an adapter still brings short answers, and says what is cut of long ones.
    if (!reply.lines.some((l) => l.trim() === 'OK') && !flow.includes(command))
      return { ok: false, why: 'refused' };
  }
  return { ok: true };
}

/** The header by which every control unit of the standard is asked on the older lines (SAE J1979 on SAE J1850, ISO 9141-2
 * and ISO 14230-4). */
const functionalHeader = ({ isCan, protocolNumber }: Connection): string => {
  if (isCan) return isLong(protocolNumber) ? FUNCTIONAL_29_BIT : FUNCTIONAL;
  if (protocolNumber === '4' || protocolNumber === '5') return 'C233F1';
  return protocolNumber === '1' ? '616AF1' : '686AF1';
};

/**
 * Sets the adapter back to asking every control unit of the standard. It takes no stop: whatever ended the work with
 * one unit, the next request must not go to that unit alone. What could not be set back stays marked, and is tried
 * again before anything else is asked.
 * @returns whether requests go to all now.
 */
export async function addressAll(connection: Connection): Promise<boolean> {
  const { addressed, port, protocolNumber } = connection;
  if (addressed === null) return true;
  const commands = [
    ...(addressed.hasFlow ? ['ATFCSM0'] : []),
    ...(addressed.hasOtherLength ? [`ATSP${protocolNumber}`] : []),
    ...(connection.isCan ? ['ATAR'] : []),
    ...headerCommands(functionalHeader(connection)),
  ];
  for (const command of commands) {
    const reply = await port.send(command, { timeoutMs: SETTING_MS });
    const isSet = reply.ok && (reply.lines.some((l) => l.trim() === 'OK') || command === 'ATFCSM0');
    if (!isSet) return false;
  }
  connection.addressed = null;
  return true;
}
