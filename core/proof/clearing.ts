import {
  NEWER_REQUESTS,
  decodeDtcByStatus,
  decodeOlderCodes,
  negativeResponseText,
  type ReadCode,
} from '@pincer/core/obd';
import {
  SEARCH_MS,
  addressAll,
  addressUnit,
  faultWords,
  sendRequest,
  type Connection,
  type Heard,
  type LinkFault,
} from '@pincer/core/link';
import { usePermit, type ClearPermit, type ClearableUnit } from './permit.ts';

/** What became of a clear. */
export type ClearOutcome =
  /**
   * `agreedBy`: answer ids of the control units that erased their memory. `after`: what a single unit told when it was read
   * again at once; null where it was not, or did not answer cleanly.
   */
  | { outcome: 'agreed'; agreedBy: string[]; refusedBy: string[]; after: ReadCode[] | null }
  /** Nothing was erased, and why in plain words. */
  | { outcome: 'refused'; why: string; fault: LinkFault | null }
  /** It went out and no answer came: it may or may not have been carried out. */
  | { outcome: 'unknown'; why: string; fault: LinkFault | null };

const refused = (why: string, fault: LinkFault | null = null): ClearOutcome => ({
  outcome: 'refused',
  why,
  fault,
});

/**
 * Sends the clear that a permit stands for: service 04 to all, or service 14 to one control unit of the module map
 * (SAE J1979; ISO 14229-1, 11.2; ISO 14230-3). The permit is used up, whatever comes of it, and a clear takes no stop: once it is
 * out, its answer is waited for. The adapter is set back to asking all control units.
 */
export async function sendClear(connection: Connection, permit: ClearPermit): Promise<ClearOutcome> {
  const terms = usePermit(permit);
  if (!terms) return refused('This clear was not permitted. Read everything again first.');
  if (terms.connection !== connection.port.id)
    return refused('The adapter was connected anew since the scan. Read everything again first.');
  return terms.target.kind === 'standard'
    ? clearStandard(connection)
    : clearUnit(connection, terms.target.unit);
}

const RESPONSE_PENDING = 0x78;

/** Silence, damage and "I need more time" are no answer: nobody knows what became of it. */
function unknown(heard: Heard): ClearOutcome {
  const fault = heard.fault ?? heard.faults[0] ?? null;
  const why = fault ? faultWords(fault).sentence : 'No answer to the clear could be read.';
  return { outcome: 'unknown', why, fault: heard.fault };
}

async function clearStandard(connection: Connection): Promise<ClearOutcome> {
  if (!(await addressAll(connection)))
    return refused('The adapter did not let itself be set to asking all control units. Nothing was sent.');
  const request = connection.isNewer ? NEWER_REQUESTS.clear : '04';
  const heard = await sendRequest(connection, request, { timeoutMs: SEARCH_MS });
  const agreedBy = heard.answers.map((a) => a.source);
  const refusals = [...heard.refusals].filter(([, code]) => code !== RESPONSE_PENDING);
  if (agreedBy.length > 0)
    return { outcome: 'agreed', agreedBy, refusedBy: refusals.map(([unit]) => unit), after: null };
  const isClean = heard.fault === null && heard.damage.length === 0;
  const [first] = refusals;
  if (first && isClean && refusals.length === heard.refusals.size)
    return refused(
      `The vehicle refused: ${negativeResponseText(first[1])}. Clearing needs the ignition on and the engine off.`,
    );
  return unknown(heard);
}

/** How a unit's codes are read, and how all of them are erased, in what it speaks (ISO 14229-1; ISO 14230-3). */
const SPOKEN = {
  'iso-14229': { read: '1902FF', clear: '14FFFFFF', decode: decodeDtcByStatus },
  'iso-14230': { read: '1800FF00', clear: '14FF00', decode: decodeOlderCodes },
} as const;
const spokenBy = ({ language = 'iso-14229' }: ClearableUnit) => SPOKEN[language];

/** What the unit holds now; null where it does not say so cleanly: then nobody knows, and nothing is taken for clean. */
async function readAgain(connection: Connection, unit: ClearableUnit): Promise<ReadCode[] | null> {
  const { read, decode } = spokenBy(unit);
  const heard = await sendRequest(connection, read, { timeoutMs: SEARCH_MS, from: unit.answer });
  const [answer] = heard.answers;
  if (!answer || heard.answers.length > 1 || heard.fault || heard.damage.length > 0) return null;
  const { codes, left } = decode(answer.payload, unit.answer);
  return left === 0 ? codes : null;
}

async function clearUnit(connection: Connection, unit: ClearableUnit): Promise<ClearOutcome> {
  const { read, clear } = spokenBy(unit);
  if (!connection.isCan && unit.language !== 'iso-14230')
    return refused(`${unit.name}: the older protocol reaches only the engine’s own services.`);
  try {
    const addressed = await addressUnit(connection, unit);
    if (!addressed.ok)
      return refused(
        addressed.why === 'refused'
          ? `${unit.name}: the adapter cannot address single control units.`
          : `${unit.name}: the adapter did not answer. Nothing was sent to the vehicle.`,
      );
    // An adapter that says OK to an address may still ask all: the unit itself has to answer before it is cleared.
    const there = await sendRequest(connection, read, { timeoutMs: SEARCH_MS, from: unit.answer });
    if (there.fault) return refused(`${unit.name}: ${faultWords(there.fault).sentence}`, there.fault);
    if (there.answers.length + there.refusals.size === 0 || there.damage.length > 0)
      return refused(`${unit.name}: it does not answer: not fitted, or asleep. Nothing was sent.`);
    const heard = await sendRequest(connection, clear, { timeoutMs: SEARCH_MS, from: unit.answer });
    if (heard.answers.length > 0)
      return {
        outcome: 'agreed',
        agreedBy: [unit.answer],
        refusedBy: [],
        after: await readAgain(connection, unit),
      };
    const refusal = heard.refusals.get(unit.answer);
    if (refusal !== undefined && refusal !== RESPONSE_PENDING && heard.fault === null)
      return refused(`${unit.name}: it refuses: ${negativeResponseText(refusal)}.`);
    return unknown(heard);
  } finally {
    await addressAll(connection);
  }
}
