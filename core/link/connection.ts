import { NO_SOURCE, isStandardAnswerId } from '@pincer/core/obd';
import { interpretLines, type Interpretation } from './answers.ts';
import type { LinkFault } from './faults.ts';
import type { AdapterPort } from './port.ts';
import { isCanProtocol, protocolName } from './saved-session.ts';
import type { CancelSignal } from './transport.ts';

/** A connection on which the car has answered. */
export interface Connection {
  port: AdapterPort;
  protocol: string;
  isCan: boolean;
  /** Volts at the socket, when the adapter can measure them. */
  adapterVolts: number | null;
  /** Commands that the adapter refused while it was set up. */
  refused: string[];
  /** Whether answers carry their sender: seen from the answers, not believed of the adapter. */
  hasHeaders: boolean;
  /** The id that requests go to while they go to one control unit alone; null while they go to all. */
  addressed: string | null;
}

export type ConnectResult =
  | { ok: true; connection: Connection }
  /** `refused`: commands that the adapter does not know, for finding out why. */
  | { ok: false; fault: LinkFault; adapterVolts: number | null; refused: string[] };

export interface ReadProgress {
  step: string;
  done: number;
  total: number;
}

/** What every longer talk with the car may be given. */
export interface LinkOptions {
  signal?: CancelSignal;
  onProgress?: (progress: ReadProgress) => void;
}

/** How long a setting, a reset, the search for the protocol and a request may take, ms. Every wait ends. */
export const COMMAND_MS = 2_000;
export const RESET_MS = 4_000;
/** The first request makes the adapter try each protocol in turn. */
export const SEARCH_MS = 15_000;
export const REQUEST_MS = 6_000;

/** Protocols to try one by one, by the number of the adapter's command set: CAN first, then the older ones. */
const EACH_PROTOCOL = ['6', '8', '7', '9', '5', '4', '3', '2', '1'] as const;

/** Echo, line feeds and spaces off, headers on, adaptive timing, protocol by search. */
const SETUP = ['ATE0', 'ATL0', 'ATS0', 'ATH1', 'ATAT1', 'ATSP0'] as const;

/**
 * Resets and sets up the adapter and finds the protocol. Ends in at most half a minute, whatever happens.
 * With `eachProtocol` it sets one protocol after the other instead of leaving the search to the adapter, whose
 * search may miss one; that ends in at most three minutes.
 */
export async function connect(
  port: AdapterPort,
  { signal, onProgress, eachProtocol = false }: LinkOptions & { eachProtocol?: boolean } = {},
): Promise<ConnectResult> {
  const total = SETUP.length + 4 + (eachProtocol ? EACH_PROTOCOL.length : 0);
  let done = 0;
  let adapterVolts: number | null = null;
  const tell = (step: string) => onProgress?.({ step, done: done++, total });
  const refused: string[] = [];
  const failed = (fault: LinkFault): ConnectResult => ({ ok: false, fault, adapterVolts, refused });

  tell('Starting the adapter');
  const reset = await port.send('ATZ', { timeoutMs: RESET_MS, signal });
  if (!reset.ok) return failed(reset.fault);
  for (const command of SETUP) {
    tell('Setting the adapter up');
    const reply = await port.send(command, { timeoutMs: COMMAND_MS, signal });
    if (!reply.ok) return failed(reply.fault);
    if (reply.lines.some((l) => l.trim() === '?')) refused.push(command);
  }
  tell('Measuring the battery');
  const volts = await port.send('ATRV', { timeoutMs: COMMAND_MS, signal });
  if (!volts.ok) return failed(volts.fault);
  const match = /(\d{1,2}\.\d+)/.exec(volts.lines.join(' '));
  if (match) adapterVolts = Number(match[1]);
  let answers: Interpretation['answers'] = [];
  let fault: LinkFault | undefined;
  for (const protocol of eachProtocol ? EACH_PROTOCOL : [null]) {
    tell(protocol === null ? 'Looking for the car’s protocol' : `Trying ${protocolName(protocol)}`);
    if (protocol !== null) {
      const set = await port.send(`ATSP${protocol}`, { timeoutMs: COMMAND_MS, signal });
      if (!set.ok) return failed(set.fault);
      if (set.lines.some((l) => l.trim() === '?')) continue;
    }
    const first = await port.send('0100', { timeoutMs: SEARCH_MS, signal });
    if (!first.ok) return failed(first.fault);
    const said = interpretLines(first.lines.map((text) => ({ text })));
    answers = said.answers.filter((a) => a.payload[0] === 0x41 && a.payload[1] === 0x00);
    if (answers.length > 0) break;
    fault = said.faults[0];
  }
  if (answers.length === 0) return failed(fault ?? { code: 'unable-to-connect' });
  tell('Asking which protocol it is');
  const number = await port.send('ATDPN', { timeoutMs: COMMAND_MS, signal });
  if (!number.ok) return failed(number.fault);
  const answer = number.lines[0] ?? '';
  // The number tells. Only where it cannot be read do the answers: a stray one may look like another protocol's.
  const isCan = isCanProtocol(answer) ?? answers.some((a) => a.isCan);
  return {
    ok: true,
    connection: {
      port,
      protocol: protocolName(answer),
      isCan,
      adapterVolts,
      refused,
      hasHeaders: hasHeadersIn(answers, isCan),
      addressed: null,
    },
  };
}

/**
 * Whether answers name their sender. An adapter that says OK to a setting may still not have it, and a damaged line may
 * look like one without a header: one answer with a sender that can be is enough.
 */
const hasHeadersIn = (answers: Interpretation['answers'], isCan: boolean): boolean =>
  answers.some(
    (a) => a.source !== NO_SOURCE && a.isCan === isCan && (!isCan || isStandardAnswerId(a.source)),
  );

/** Settings and protocol once more, after the adapter has lost them. @returns whether the car answers again. */
export async function setUpAgain(connection: Connection, signal: CancelSignal | undefined): Promise<boolean> {
  const { port } = connection;
  for (const command of SETUP)
    if (!(await port.send(command, { timeoutMs: COMMAND_MS, signal })).ok) return false;
  // A restart has set the header back too.
  connection.addressed = null;
  const first = await port.send('0100', { timeoutMs: SEARCH_MS, signal });
  if (!first.ok) return false;
  const { answers } = interpretLines(first.lines.map((text) => ({ text })));
  if (answers.length > 0) connection.hasHeaders = hasHeadersIn(answers, connection.isCan);
  return answers.length > 0;
}
