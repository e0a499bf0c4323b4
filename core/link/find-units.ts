import {
  asciiText,
  decodeDtcByStatus,
  decodeOlderCodes,
  hexByte,
  isStandardAnswerId,
  negativeResponseText,
  type FoundUnit,
} from '@pincer/core/obd';
import { addressAll, addressUnit, isLong, lengthCommands } from './addressing.ts';
import { interpretLines } from './answers.ts';
import { COMMAND_MS, REQUEST_MS, setUpAgain, type Connection, type LinkOptions } from './connection.ts';
import type { LinkFault } from './faults.ts';
import { sendRequest } from './request.ts';

/**
 * Everything that a search may ask a control unit, and nothing else can leave this file: tester present, identification and
 * the fault memory, all of them reading only (ISO 14229-1 services 3E, 22, 19; ISO 14230-3 services 3E, 1A, 18). No
 * session, no security access, no routine, no writing, no clearing.
 */
const QUESTIONS = {
  present: '3E00',
  olderPresent: '3E',
  name: '22F197',
  partNumber: '22F187',
  software: '22F195',
  vin: '22F190',
  count: '1901FF',
  codes: '1902FF',
  olderName: '1A97',
  olderPartNumber: '1A91',
  olderSoftware: '1A94',
  olderVin: '1A90',
  olderCodes: '1800FF00',
} as const;
type Question = keyof typeof QUESTIONS;

/** Services that a search asks for, as bytes; for what is said beforehand and for tests. */
export const SEARCH_SERVICES: ReadonlySet<number> = new Set(
  Object.values(QUESTIONS).map((q) => Number.parseInt(q.slice(0, 2), 16)),
);

/** Below this many volts at the socket, with the engine off, a search ends: the engine has to start afterwards. */
export const SEARCH_MIN_VOLTS = 11.8;
/** After so many ids the voltage is measured again. */
const VOLTS_EVERY = 48;

/** How long the adapter waits for an answer, in its steps of 4 ms: at first, when asked again, and as it is set from the start. */
const WAIT = { first: '0F', again: '19', usual: '32' } as const;
/** How long the line is listened to before anything is asked, ms: what is sent there anyway is not asked on. */
const LISTEN_MS = 1_200;

/** Ids of 11 bits that are asked: where diagnosis lives (ISO 15765-4 and makers' custom); lower ones carry the car's own traffic. */
const FIRST_ID = 0x600;
const LAST_ID = 0x7ff;
/** The tester's own address, and the id for all. */
const TESTER = 0xf1;
const ALL = 0x7df;
/** Addresses of the older lines (SAE J2178-1: below 80 are the car's own units). */
const LAST_OLDER = 0x7f;

/** Refusals by which a unit, or a gateway in front of it, says that it wants a key first. */
const WANTS_KEY: ReadonlySet<number> = new Set([0x33, 0x34]);
const UNKNOWN_SERVICE = 0x11;
const NEEDS_TIME: ReadonlySet<number> = new Set([0x21, 0x78]);
const MAX_WAITS = 4;
const WAIT_MS = 200;

/** How a search ended. */
export type SearchEnd =
  | { how: 'complete' }
  | { how: 'stopped'; fault: LinkFault }
  | { how: 'low-voltage'; volts: number };

export interface UnitSearch {
  units: FoundUnit[];
  /** Ids or addresses asked, of how many. */
  asked: number;
  of: number;
  /** Ids that the car uses itself, so that nothing was asked on them. */
  inUse: string[];
  /** Only answers eight above were listened for: the adapter cannot listen wider. */
  isNarrow: boolean;
  /** Whether something in between lets questions through only in part: seen, or likely. */
  gateway: 'asks-for-key' | 'lets-little-through' | null;
  end: SearchEnd;
}

interface SearchOptions extends LinkOptions {
  /** Told of each unit as soon as it has told of itself. */
  onFound?: (unit: FoundUnit) => void;
  /** Units that are known of this car: asked first. */
  known?: readonly { request: string }[];
}

/** One walk over ids of one kind. */
interface Walk {
  requests: string[];
  /** Filter and mask that let the possible answers through; null where the line has none. */
  filter: { code: string; mask: string } | null;
  question: Question;
}

const hex3 = (id: number): string => id.toString(16).toUpperCase().padStart(3, '0');

function walks(connection: Connection, known: readonly { request: string }[]): Walk[] {
  const of = (length: number) => known.map((k) => k.request).filter((r) => r.length === length);
  if (!connection.isCan) {
    // Only ISO 14230 has a header by which one unit can be asked and which the adapter can set.
    const canAsk = connection.protocolNumber === '4' || connection.protocolNumber === '5';
    const all = Array.from({ length: LAST_OLDER + 1 }, (_, a) => `80${hexByte(a)}F1`);
    return canAsk
      ? [{ requests: [...new Set([...of(6), ...all])], filter: null, question: 'olderPresent' }]
      : [];
  }
  const ids = Array.from({ length: LAST_ID - FIRST_ID + 1 }, (_, i) => FIRST_ID + i).filter(
    (id) => id !== ALL && !isStandardAnswerId(hex3(id)),
  );
  const rank = (id: number) => (id >= 0x7e0 ? 0 : id >= 0x700 ? 1 : 2);
  const short: Walk = {
    requests: [...new Set([...of(3), ...ids.sort((a, b) => rank(a) - rank(b) || a - b).map(hex3)])],
    filter: { code: '600', mask: '600' },
    question: 'present',
  };
  const addresses = Array.from({ length: 256 }, (_, a) => a).filter((a) => a !== TESTER);
  const long: Walk = {
    requests: [...new Set([...of(8), ...addresses.map((a) => `18DA${hexByte(a)}F1`)])],
    filter: { code: '18DAF100', mask: '1FFFFF00' },
    question: 'present',
  };
  return isLong(connection.protocolNumber) ? [long, short] : [short, long];
}

/**
 * Looks for the control units of a car that stands with its ignition on and its engine off: asks every id on which
 * diagnosis may live whether somebody is there, twice, and lets those that are tell of themselves. Bounded, read-only, and
 * it ends at once when it is stopped, when the plug is pulled, or when the voltage falls. The adapter is set back to
 * asking all afterwards, whatever happened.
 */
export async function findUnits(connection: Connection, options: SearchOptions = {}): Promise<UnitSearch> {
  return new Search(connection, options).run();
}

class Search {
  private readonly units: FoundUnit[] = [];
  private readonly inUse = new Set<string>();
  private asked = 0;
  private of = 0;
  private isNarrow = false;
  private hasRefusedForKey = false;
  private end: SearchEnd | null = null;

  constructor(
    private readonly connection: Connection,
    private readonly options: SearchOptions,
  ) {}

  async run(): Promise<UnitSearch> {
    const plan = walks(this.connection, this.options.known ?? []);
    this.of = plan.reduce((n, w) => n + w.requests.length, 0) * 2;
    try {
      for (const walk of plan) {
        if (this.end) break;
        await this.walk(walk);
      }
    } finally {
      await this.setBack();
    }
    const end = this.end ?? { how: 'complete' as const };
    const { units, asked, of, isNarrow } = this;
    return { units, asked, of, isNarrow, inUse: [...this.inUse].sort(), gateway: this.gatewayOf(end), end };
  }

  private gatewayOf(end: SearchEnd): UnitSearch['gateway'] {
    if (this.hasRefusedForKey) return 'asks-for-key';
    const isAlone = this.connection.isCan && this.units.every(isOfTheStandard);
    return end.how === 'complete' && isAlone ? 'lets-little-through' : null;
  }

  /** Sends a setting or a question to the adapter. @returns its lines, or null when the search is over. */
  private async send(command: string, timeoutMs = COMMAND_MS): Promise<string[] | null> {
    const reply = await this.connection.port.send(command, { timeoutMs, signal: this.options.signal });
    if (reply.ok) return reply.lines;
    this.end ??= { how: 'stopped', fault: reply.fault };
    return null;
  }

  private async isSet(command: string): Promise<boolean> {
    return (await this.send(command))?.some((l) => l.trim() === 'OK') ?? false;
  }

  /** All ids of one kind once, and those that stayed silent once more: a unit may have been asleep. */
  private async walk(walk: Walk): Promise<void> {
    const [first = ''] = walk.requests;
    this.connection.addressed = {
      hasOtherLength: lengthCommands(this.connection, first).length > 0,
      hasFlow: this.connection.isCan,
    };
    if (!(await this.measure())) return;
    if (!(await this.open(walk))) {
      this.of -= walk.requests.length * 2;
      return;
    }
    await this.listen(walk);
    let left = walk.requests.filter((r) => !this.inUse.has(r));
    this.of -= (walk.requests.length - left.length) * 2;
    for (const wait of [WAIT.first, WAIT.again]) {
      if (this.over() || !(await this.isSet(`ATST${wait}`))) break;
      const silent: string[] = [];
      for (const request of left) {
        if (this.over()) return;
        // An id that a unit answers on is nobody's to ask on.
        if (this.units.some((u) => u.answer === request)) continue;
        if (this.asked % VOLTS_EVERY === VOLTS_EVERY - 1 && !(await this.measure())) return;
        this.asked++;
        this.options.onProgress?.({
          step: wait === WAIT.first ? `Asking ${request}` : `Asking ${request} once more`,
          done: this.asked,
          total: this.of,
        });
        const isThere = await this.probe(request, walk, wait === WAIT.again);
        if (!isThere) silent.push(request);
      }
      this.of -= left.length - silent.length;
      left = silent;
    }
  }

  /** Asked anew after each wait: what was so before it need not be so any more. */
  private over(): boolean {
    return this.end !== null;
  }

  /** Volts at the socket, where the adapter can measure them. @returns whether the search may go on. */
  private async measure(): Promise<boolean> {
    const lines = await this.send('ATRV');
    const volts = Number(/(\d{1,2}\.\d+)/.exec(lines?.join(' ') ?? '')?.[1] ?? Number.NaN);
    if (volts < SEARCH_MIN_VOLTS) this.end ??= { how: 'low-voltage', volts };
    return !this.over();
  }

  /**
   * Sets the length of the ids and lets every possible answer through.
   * @returns whether ids of that length can be asked at all.
   */
  private async open({ requests, filter }: Walk): Promise<boolean> {
    for (const command of lengthCommands(this.connection, requests[0] ?? ''))
      if (!(await this.isSet(command))) return false;
    if (filter === null) return !this.over();
    if (requests[0]?.length === 8 && !(await this.isSet(`ATCP${requests[0].slice(0, 2)}`))) return false;
    const isWide = (await this.isSet(`ATCF${filter.code}`)) && (await this.isSet(`ATCM${filter.mask}`));
    this.isNarrow ||= !isWide && !this.over();
    return !this.over();
  }

  /** Listens for a moment: ids that the car itself uses are not asked on, for a question there could be taken for traffic. */
  private async listen({ requests, filter }: Walk): Promise<void> {
    if (filter === null || this.isNarrow || this.over()) return;
    const { port } = this.connection;
    const reply = await port.send('ATMA', { timeoutMs: LISTEN_MS, signal: this.options.signal });
    if (!reply.ok && reply.fault.code !== 'silent') {
      this.end ??= { how: 'stopped', fault: reply.fault };
      return;
    }
    const length = requests[0]?.length ?? 3;
    for (const line of reply.lines) {
      const digits = line.replace(/\s/g, '').toUpperCase();
      const id = digits.slice(0, length);
      if (/^[0-9A-F]+$/.test(digits) && digits.length > length) this.inUse.add(id);
    }
  }

  /** Whether somebody answers on an id; who does is asked to tell of itself. */
  private async probe(request: string, walk: Walk, isSecond: boolean): Promise<boolean> {
    // The priority of long ids was set when the walk began.
    const header = [
      `ATSH${request.length === 8 ? request.slice(2) : request}`,
      ...(this.isNarrow && walk.filter ? [`ATCRA${eightAbove(request)}`] : []),
    ];
    for (const command of header) if (!(await this.isSet(command))) return false;
    const lines = await this.send(QUESTIONS[walk.question], REQUEST_MS);
    if (lines === null) return false;
    const said = interpretLines(lines.map((text) => ({ text })));
    if (said.faults.some((f) => f.code === 'low-voltage-reset')) {
      this.end ??= { how: 'stopped', fault: { code: 'low-voltage-reset' } };
      return false;
    }
    const sources = new Set(
      said.answers
        .filter(({ source, payload: [first, second] }) => {
          const isAnswer = first === 0x7e || (first === 0x7f && second === 0x3e);
          return isAnswer && !this.inUse.has(source) && source.length === (walk.filter ? request.length : 2);
        })
        .map((a) => a.source),
    );
    // Several at once: an id for a group of units. Each has one of its own.
    const [answer] = sources;
    if (answer === undefined || sources.size > 1) return false;
    if (this.units.some((u) => u.answer === answer)) return true;
    const unit = await this.introduce(request, answer, isSecond);
    if (unit === null) return false;
    this.units.push(unit);
    this.options.onFound?.(unit);
    if (!this.over()) await this.open(walk);
    return true;
  }

  /** Lets one unit tell of itself; null when it answers to nothing: what came was no unit, or the search is over. */
  private async introduce(request: string, answer: string, wasAsleep: boolean): Promise<FoundUnit | null> {
    const { connection, options } = this;
    const set = await addressUnit(
      connection,
      { request, answer },
      { timeoutMs: COMMAND_MS, ...(options.signal ? { signal: options.signal } : {}) },
    );
    if (!set.ok) {
      if (set.why === 'no-answer') this.end ??= { how: 'stopped', fault: this.whyNoAnswer() };
      return null;
    }
    const first = await this.ask('codes', answer);
    if (first === null) return null;
    const mayBeOlder = first.refusal === UNKNOWN_SERVICE || !connection.isCan;
    const older = mayBeOlder ? await this.ask('olderCodes', answer) : null;
    // A unit that knows neither keeps no codes by either standard, and is taken for the newer one.
    const isOlder =
      older !== null &&
      older.refusal !== UNKNOWN_SERVICE &&
      !(older.payload === null && older.refusal === null);
    const codes = this.over() ? null : isOlder ? older : first;
    if (codes === null) return null;
    if (codes.payload === null && codes.refusal === null) return null;
    if (codes.refusal !== null && WANTS_KEY.has(codes.refusal)) this.hasRefusedForKey = true;
    const text = async (question: Question): Promise<string | null> => {
      const heard = this.over() ? null : await this.ask(question, answer);
      if (heard && heard.refusal !== null && WANTS_KEY.has(heard.refusal)) this.hasRefusedForKey = true;
      // The echo of the identifier stands before the text: two bytes of ISO 14229, one of ISO 14230.
      const told = heard?.payload ? asciiText(heard.payload.slice(isOlder ? 2 : 3)) : '';
      return told === '' ? null : told;
    };
    const unit: FoundUnit = {
      request,
      answer,
      language: isOlder ? 'iso-14230' : 'iso-14229',
      name: await text(isOlder ? 'olderName' : 'name'),
      partNumber: await text(isOlder ? 'olderPartNumber' : 'partNumber'),
      software: await text(isOlder ? 'olderSoftware' : 'software'),
      vin: await text(isOlder ? 'olderVin' : 'vin'),
      codes: countOf(codes.payload),
      why: codes.refusal === null ? null : negativeResponseText(codes.refusal),
      wasAsleep,
    };
    if (unit.codes === null && !isOlder && !this.over()) {
      const counted = await this.ask('count', answer);
      if (counted?.payload && counted.payload.length >= 6)
        unit.codes = ((counted.payload[4] ?? 0) << 8) | (counted.payload[5] ?? 0);
    }
    return unit;
  }

  /** Why the adapter did not answer to a setting. */
  private whyNoAnswer(): LinkFault {
    if (this.options.signal?.aborted) return { code: 'cancelled' };
    return this.connection.port.hasEnded ? { code: 'cut' } : { code: 'silent', waitedMs: COMMAND_MS };
  }

  /** One question to one unit, asked again while it needs time. @returns null when the search is over. */
  private async ask(
    question: Question,
    from: string,
  ): Promise<{ payload: readonly number[] | null; refusal: number | null } | null> {
    for (let waits = 0; ; waits++) {
      const heard = await sendRequest(this.connection, QUESTIONS[question], {
        timeoutMs: REQUEST_MS,
        signal: this.options.signal,
        from,
      });
      if (heard.fault) {
        this.end ??= { how: 'stopped', fault: heard.fault };
        return null;
      }
      const refusal = heard.refusals.get(from) ?? null;
      if (refusal !== null && NEEDS_TIME.has(refusal) && waits < MAX_WAITS) {
        await this.connection.port.pause(WAIT_MS, this.options.signal);
        continue;
      }
      return { payload: heard.answers[0]?.payload ?? null, refusal };
    }
  }

  /** Sets the adapter back, without a stop: the next request has to go to all, as it did before. */
  private async setBack(): Promise<void> {
    const { connection } = this;
    if (connection.port.hasEnded) return;
    await connection.port.send(`ATST${WAIT.usual}`, { timeoutMs: COMMAND_MS });
    if ((await addressAll(connection)) || (await setUpAgain(connection, undefined))) return;
    this.end ??= { how: 'stopped', fault: { code: 'silent', waitedMs: COMMAND_MS } };
  }
}

/** Powertrain units are the ones that the standard's questions reach: 7E8 to 7EF, and addresses 10 to 1F. */
const isOfTheStandard = ({ answer }: FoundUnit): boolean =>
  isStandardAnswerId(answer) && (answer.length === 3 || answer.slice(6).startsWith('1'));

const eightAbove = (request: string): string =>
  request.length === 8
    ? `18DA${request.slice(6)}${request.slice(4, 6)}`
    : hex3(Number.parseInt(request, 16) + 8);

/** How many codes a list holds; null where it is none, or not whole. */
function countOf(payload: readonly number[] | null): number | null {
  if (payload === null) return null;
  const { codes, left } =
    payload[0] === 0x58 ? decodeOlderCodes(payload, '') : decodeDtcByStatus(payload, '');
  return left === 0 ? codes.length : null;
}
