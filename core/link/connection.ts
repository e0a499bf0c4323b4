import { NO_SOURCE, Padding, isStandardAnswerId } from '@pincer/core/obd';
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
  /** The protocol by the number of the adapter's command set, without its mark for "found by search"; may be empty. */
  protocolNumber: string;
  /** A car that answers the standard's questions by ISO 14229 alone (SAE J1979-2). */
  isNewer: boolean;
  /** What was set while requests go to one control unit alone; null while they go to all. */
  addressed: { hasOtherLength: boolean; hasFlow: boolean } | null;
  /** Who is known to fill frames up. */
  padding: Padding;
  /** Control units of the standard that answered the first question. */
  heardFirst: readonly string[];
}

/** Whether each answer on a connection is one message of one unit, which is named. */
export const namesSenders = ({ isCan, hasHeaders }: Connection): boolean => isCan && hasHeaders;

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
  const total = SETUP.length + 4 + NEWER_PROTOCOLS.length + (eachProtocol ? EACH_PROTOCOL.length : 0);
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
    tell(protocol === null ? 'Looking for the vehicle’s protocol' : `Trying ${protocolName(protocol)}`);
    if (protocol !== null) {
      const set = await port.send(`ATSP${protocol}`, { timeoutMs: COMMAND_MS, signal });
      if (!set.ok) return failed(set.fault);
      if (set.lines.some((l) => l.trim() === '?')) continue;
    }
    const first = await firstAnswers(port, signal);
    if (!first.ok) return failed(first.fault);
    answers = first.answers;
    if (answers.length > 0) break;
    fault = first.said;
  }
  let isNewer = false;
  if (answers.length === 0 && (fault === undefined || MAY_BE_NEWER.has(fault.code))) {
    for (const protocol of NEWER_PROTOCOLS) {
      tell('Asking as the newest vehicles want it');
      const set = await port.send(`ATSP${protocol}`, { timeoutMs: COMMAND_MS, signal });
      if (!set.ok) return failed(set.fault);
      answers = await newerAnswers(port, signal);
      isNewer = answers.length > 0;
      if (isNewer || port.hasEnded || signal?.aborted) break;
    }
    // Whoever tries next begins with the search again.
    if (!isNewer) await port.send('ATSP0', { timeoutMs: COMMAND_MS });
  }
  if (answers.length === 0)
    return failed(signal?.aborted ? { code: 'cancelled' } : (fault ?? { code: 'unable-to-connect' }));
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
      protocolNumber: /^A?([1-9])$/i.exec(answer.trim())?.[1] ?? (isCan ? canNumberOf(answers) : ''),
      isCan,
      adapterVolts,
      refused,
      hasHeaders: hasHeadersIn(answers, isCan),
      isNewer,
      addressed: null,
      padding: new Padding(),
      heardFirst: [...new Set(answers.map((a) => a.source))].filter(isStandardAnswerId),
    },
  };
}

/** How often the first question is asked while its answer comes damaged. */
const FIRST_TRIES = 3;

/** Answers to the first question, whole; `said` is what the adapter says where there are none. */
async function firstAnswers(
  port: AdapterPort,
  signal: CancelSignal | undefined,
): Promise<
  | { ok: true; answers: Interpretation['answers']; said: LinkFault | undefined }
  | { ok: false; fault: LinkFault }
> {
  for (let tries = 1; ; tries++) {
    const reply = await port.send('0100', { timeoutMs: SEARCH_MS, signal });
    if (!reply.ok) return reply;
    const { answers, faults, lineCount } = interpretLines(reply.lines.map((text) => ({ text })));
    const whole = answers.filter((a) => a.payload[0] === 0x41 && a.payload[1] === 0x00);
    // Lines without an answer: somebody spoke, and it was damaged on the way.
    if (whole.length === 0 && lineCount > 0 && tries < FIRST_TRIES) continue;
    return { ok: true, answers: whole, said: faults[0] };
  }
}

/** What the search says when nobody answers its question: an ignition that is off, or a car that is too new for it. */
const MAY_BE_NEWER: ReadonlySet<LinkFault['code']> = new Set(['unable-to-connect', 'no-data']);
/** The newest cars are on CAN with 500 kbit/s (SAE J1979-2 on ISO 15765-4); the search does not find what does not answer it. */
const NEWER_PROTOCOLS = ['6', '7'] as const;
/** The list of supported parameters, as the newest cars tell it. */
const NEWER_FIRST = '22F400';

/** Answers to the first question as the newest cars want it. */
async function newerAnswers(
  port: AdapterPort,
  signal: CancelSignal | undefined,
): Promise<Interpretation['answers']> {
  const reply = await port.send(NEWER_FIRST, { timeoutMs: REQUEST_MS, signal });
  if (!reply.ok) return [];
  const { answers } = interpretLines(reply.lines.map((text) => ({ text })));
  return answers.filter(({ payload: [a, b, c] }) => a === 0x62 && b === 0xf4 && c === 0x00);
}

/** Where the number cannot be read, the length of the ids tells which CAN it is; the speed is taken for the usual one. */
const canNumberOf = (answers: Interpretation['answers']): string =>
  answers.some((a) => a.source.length === 8) ? '7' : '6';

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
  if (connection.isNewer) {
    await port.send(`ATSP${connection.protocolNumber}`, { timeoutMs: COMMAND_MS, signal });
    return (await newerAnswers(port, signal)).length > 0;
  }
  const first = await firstAnswers(port, signal);
  if (!first.ok) return false;
  const { answers } = first;
  if (answers.length > 0) connection.hasHeaders = hasHeadersIn(answers, connection.isCan);
  return answers.length > 0;
}
