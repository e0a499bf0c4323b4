import {
  NEWER_GROUP,
  NO_SOURCE,
  codeListProblem,
  fromNewerAnswer,
  toNewerRequest,
  type Answer,
  type CanFrame,
  type ReadError,
  isStandardAnswerId,
} from '@pincer/core/obd';
import { interpretLines, type Interpretation } from './answers.ts';
import type { Connection } from './connection.ts';
import type { LinkFault } from './faults.ts';
import type { CancelSignal } from './transport.ts';

/** First byte of a refusal (ISO 14229-1: negative response). */
const REFUSAL = 0x7f;
/** A positive answer's first byte is the service plus this. */
export const POSITIVE = 0x40;

/** What came back on one request, sorted. */
export interface Heard {
  /** Whole answers to this very request, from units that may answer it. */
  answers: Answer[];
  /** The last refusal of each unit, by ISO 14229 code; that it needs more time (78) among them. */
  refusals: Map<string, number>;
  /** What did not come whole, or is no answer to this request; empty when the line was clean. */
  damage: ReadError[];
  /** Whether an answer came without the header that it was set to have: the adapter has restarted and told nobody. */
  isHeaderless: boolean;
  /** Everything that the adapter said of itself. */
  faults: LinkFault[];
  /** Why there was no reply at all; null when the prompt came. */
  fault: LinkFault | null;
  /** The frames that came, and in how many lines the car's answers are. */
  frames: readonly CanFrame[];
  lineCount: number;
}

export interface RequestOptions {
  timeoutMs: number;
  signal?: CancelSignal | undefined;
  /** Id of the one unit that is addressed; every unit of the standard otherwise. */
  from?: string;
}

/** PIDs that one CAN request may name (SAE J1979: six), and on the older protocols one. */
const GROUP = 6;

/** How many readings one request may name on a connection. */
export const groupSize = ({ isCan, isNewer }: Connection): number =>
  isNewer ? NEWER_GROUP : isCan ? GROUP : 1;

/** A request as it goes out: to a newer car what services 01 and 09 ask goes out as service 22. */
export const asSent = ({ isNewer }: Connection, text: string): string =>
  (isNewer ? toNewerRequest(text) : null) ?? text;

/** An answer as services 01 and 09 would have put it. */
export function asAsked({ isNewer }: Connection, answer: Answer): Answer {
  const payload = isNewer ? fromNewerAnswer(answer.payload) : null;
  return payload === null ? answer : { ...answer, payload };
}

/** Errors that say nothing of damage: the car had nothing to say. */
const NO_DAMAGE: ReadonlySet<string> = new Set(['no-data']);

function mayAnswer(connection: Connection, source: string, from: string | undefined): boolean {
  if (!connection.hasHeaders) return source === NO_SOURCE;
  if (from !== undefined) return source === from;
  return connection.isCan ? isStandardAnswerId(source) : source !== NO_SOURCE;
}

/** Why an answer to a request cannot be whole, or null. */
function contentProblem(answer: Answer): string | null {
  const service = answer.payload[0];
  return service === 0x43 || service === 0x47 || service === 0x4a ? codeListProblem(answer) : null;
}

/** What an adapter's reply says, by what is known of who answers. */
export const interpretReply = ({ padding }: Connection, lines: readonly string[]): Interpretation =>
  interpretLines(
    lines.map((text) => ({ text })),
    padding,
  );

/**
 * Sends one request once, and sorts what comes back. An answer counts only when it is one to this request, whole, and
 * from a unit that may give it; everything else is damage. Nothing is asked again here: see {@link ScanRun} for that.
 * @param text request bytes in hexadecimal digits, service first.
 */
export async function sendRequest(
  connection: Connection,
  text: string,
  { timeoutMs, signal, from }: RequestOptions,
): Promise<Heard> {
  // What one unit is asked by itself is said in its own language already.
  const sent = from === undefined ? asSent(connection, text) : text;
  const reply = await connection.port.send(sent, { timeoutMs, signal });
  const said = interpretReply(connection, reply.lines);
  const heard: Heard = {
    answers: [],
    refusals: new Map(),
    damage: said.errors.filter((e) => !NO_DAMAGE.has(e.kind)),
    isHeaderless: false,
    faults: said.faults,
    fault: reply.ok ? null : reply.fault,
    frames: said.frames,
    lineCount: said.lineCount,
  };
  const service = Number.parseInt(text.slice(0, 2), 16);
  const refused = Number.parseInt(sent.slice(0, 2), 16);
  for (const raw of said.answers) {
    const told = from === undefined ? asAsked(connection, raw) : raw;
    // Without a header the protocol is a guess by the length; here it is known.
    const answer = told.source === NO_SOURCE ? { ...told, isCan: connection.isCan } : told;
    const [first, second, third] = answer.payload;
    const isRefusal = first === REFUSAL && second === refused;
    if (!mayAnswer(connection, answer.source, from)) {
      if (answer.source === NO_SOURCE && (isRefusal || first === service + POSITIVE))
        heard.isHeaderless = true;
      heard.damage.push({
        kind: 'unexpected',
        message: `An answer came from ${answer.source}, which was not asked.`,
      });
    } else if (isRefusal && third !== undefined) {
      heard.refusals.set(answer.source, third);
    } else if (first === service + POSITIVE) {
      const problem = contentProblem(answer);
      if (problem === null) heard.answers.push(answer);
      else heard.damage.push({ kind: 'incomplete', message: problem });
    } else {
      heard.damage.push({
        kind: 'unexpected',
        message: `Something came from ${answer.source} that is no answer to the question.`,
      });
    }
  }
  // A unit that needed more time and then answered has answered.
  for (const { source } of heard.answers) heard.refusals.delete(source);
  return heard;
}
