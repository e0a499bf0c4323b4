import type { Taking } from '@pincer/core/meter';
import {
  NO_SOURCE,
  emptyScan,
  isStandardAnswerId,
  partOfValue,
  partsHeld,
  type FreezeFrame,
  type Mil,
  type MonitorStatus,
  type PartRead,
  type ReadCode,
  type ReadValue,
  type Scan,
  type ScanPart,
} from '@pincer/core/obd';
import type { Answered, Entry, EntryOf, LampColour, LampId, LampMode, NotDone } from './entries.ts';

/** How something came to be known: seen by the adapter, in a file, or told by the owner. */
export type How = 'adapter' | 'file' | 'told';

/** Who said it, and when. */
export interface Word {
  entry: string;
  at: string;
  how: How;
}

/**
 * What is known of a part of a control unit: `known` with content, `empty` read as holding nothing, `unsupported` by its
 * own word, `not-read` never, `cleared` erased since it was read and not read again.
 */
export type PartStatus = 'known' | 'empty' | 'unsupported' | 'not-read' | 'cleared';

export interface PartStanding {
  unit: string;
  part: ScanPart;
  status: PartStatus;
  /** Who gave the last word on it; null when nobody did. */
  word: Word | null;
  /** A later try that brought nothing. */
  missed: { entry: string; at: string; why: string } | null;
}

/** Something that is held of a part, with its source. `clearedBy` is the entry that erased it, null while it stands. */
export type Held<T> = T & { word: Word; clearedBy: string | null };

export interface LampSeen {
  mode: LampMode;
  /** Where the lamp comes in both; null when the owner did not say. */
  colour: LampColour | null;
  entry: string;
  at: string;
  /** The clear after which nobody has looked at it again; only the engine lamp's command is erased by one. */
  clearedBy: string | null;
}

/** Prices that the owner told for a repair, currency units. */
export type OwnPrice = Pick<EntryOf<'price'>, 'parts' | 'shop'>;

/** The last result of a check. */
export interface CheckSeen {
  outcome: string;
  /** The numbers that were typed, where it was measured. */
  measured: Taking | null;
  entry: string;
  at: string;
}

export interface ObservationSeen {
  answer: Answered;
  entry: string;
  at: string;
}

/** How a memory was emptied: by this page and the car agreed, as the owner tells it, or with the battery's lead off. */
export type ClearWay = 'adapter' | 'told' | 'battery-off';

/** A memory that was emptied, and what was seen since. */
export interface ClearStanding {
  entry: string;
  at: string;
  way: ClearWay;
  /** The control unit that was cleared by itself; null: all that the standard reaches. */
  unit: { answer: string; name: string } | null;
  /** What was known then of the units that agreed. */
  erased: readonly Held<{ code: ReadCode }>[];
  /** Codes that were erased and were seen failing again, with the entry that saw it; oldest first. */
  returned: readonly { code: ReadCode; entry: string; at: string }[];
  /** Codes that were seen failing only after it. */
  added: readonly { code: ReadCode; entry: string; at: string }[];
  /** The first entry since that read the confirmed and pending codes of a unit that agreed, or all of them. */
  readSince: string | null;
  /** A drive on which the owner saw it again, by its entry; null when none was told. */
  droveBack: string | null;
}

/** Where one episode ends and the next begins. */
export interface Boundary {
  kind: 'clear' | 'battery-off' | 'repair';
  entry: string;
  at: string;
}

/** What is known now. The one account: everything that judges reads this and nothing else. */
export interface Standing {
  /** By `unit/part`; see {@link partKey}. */
  parts: ReadonlyMap<string, PartStanding>;
  codes: readonly Held<{ code: ReadCode }>[];
  freezeFrames: readonly Held<{ frame: FreezeFrame }>[];
  monitors: readonly Held<{ monitor: MonitorStatus }>[];
  mils: readonly Held<{ mil: Mil }>[];
  /** Live readings, identity and counters: the last word on each. */
  values: readonly Held<{ value: ReadValue }>[];
  vin: { value: string; word: Word } | null;
  identities: readonly Held<{ identity: Scan['identities'][number] }>[];
  /** Control units of a module map, with why they did not answer at the last try. */
  mapped: ReadonlyMap<string, { name: string; why: string | null; word: Word }>;
  lamps: ReadonlyMap<LampId, LampSeen>;
  observations: ReadonlyMap<string, ObservationSeen>;
  checks: ReadonlyMap<string, CheckSeen>;
  /** Checks without a result, and why. */
  checksNotDone: ReadonlyMap<string, NotDone>;
  /** The owner's own prices, by cause. */
  prices: ReadonlyMap<string, OwnPrice>;
  /** Whether the engine lamp lights at key-on. */
  bulb: EntryOf<'bulb'>['answer'];
  clears: readonly ClearStanding[];
  boundaries: readonly Boundary[];
  /** A clear of which nobody knows whether it was carried out, as long as nothing has been read since. */
  unknownClear: { entry: string; at: string; unit: { answer: string; name: string } | null } | null;
}

export const partKey = (unit: string, part: ScanPart): string => `${unit}/${part}`;

/** What service 04 or 14 erases (SAE J1979, service 04). Permanent codes and the identity stay. */
const ERASED: ReadonlySet<ScanPart> = new Set([
  'confirmed',
  'pending',
  'history',
  'freeze-frames',
  'readiness',
  'mil',
  'counters',
  'tests',
]);
/** What is surely gone when the battery was off; codes may have stayed. */
const LOST_WITH_BATTERY: ReadonlySet<ScanPart> = new Set(['readiness', 'counters', 'tests']);

const HOW = { adapter: 'adapter', file: 'file', hand: 'told' } as const;

/** Content of a part: rows by what tells them apart within it. */
interface Row {
  part: ScanPart;
  unit: string;
  id: string;
  word: Word;
  clearedBy: string | null;
  code?: ReadCode;
  frame?: FreezeFrame;
  monitor?: MonitorStatus;
  mil?: Mil;
  value?: ReadValue;
  identity?: Scan['identities'][number];
}

/** The rows of a scan. What they share is written out in each: spread, it costs a third of an assessment of thousands of readings. */
function rowsOf(scan: Scan, word: Word): Row[] {
  return [
    ...scan.codes.map((code) => ({
      word,
      clearedBy: null,
      part: code.state,
      unit: code.unit,
      id: `${code.code}/${code.failureType ?? ''}`,
      code,
    })),
    ...scan.freezeFrames.map((frame) => ({
      word,
      clearedBy: null,
      part: 'freeze-frames' as const,
      unit: frame.unit,
      id: String(frame.frame),
      frame,
    })),
    ...scan.monitors.map((monitor) => ({
      word,
      clearedBy: null,
      part: 'readiness' as const,
      unit: monitor.unit,
      id: `${monitor.span}/${monitor.monitor}`,
      monitor,
    })),
    ...scan.mils.map((mil) => ({ word, clearedBy: null, part: 'mil' as const, unit: mil.unit, id: '', mil })),
    ...scan.identities.map((identity) => ({
      word,
      clearedBy: null,
      part: 'identity' as const,
      unit: identity.unit,
      id: 'calibration',
      identity,
    })),
    ...scan.values.map((value) => ({
      word,
      clearedBy: null,
      part: partOfValue(value),
      unit: value.source,
      id: `${value.service}/${value.pid}/${value.part ?? ''}`,
      value,
    })),
  ];
}

/** A code that the standard's services can show: a powertrain code. Others live in units that it does not reach. */
const isReachable = (code: string): boolean => code.startsWith('P');

interface OpenClear extends Pick<ClearStanding, 'entry' | 'at' | 'way' | 'unit'> {
  erased: readonly Held<{ code: ReadCode }>[];
  units: ReadonlySet<string> | null;
  returned: { code: ReadCode; entry: string; at: string }[];
  added: { code: ReadCode; entry: string; at: string }[];
  readSince: string | null;
  droveBack: string | null;
}

/** What a unit told right after its clear, as a reading of its codes alone. */
function readAgain(entry: EntryOf<'clear'>, unit: string, codes: ReadCode[]): EntryOf<'scan'> {
  const part = (name: 'confirmed' | 'pending') => ({
    unit,
    part: name,
    state: codes.some((c) => c.state === name) ? ('known' as const) : ('empty' as const),
  });
  return {
    id: entry.id,
    at: entry.at,
    kind: 'scan',
    via: 'adapter',
    isComplete: false,
    scan: { ...emptyScan(), codes, parts: [part('confirmed'), part('pending')] },
  };
}

/** One pass over the log, oldest first. */
class StandingFold {
  private readonly parts = new Map<string, PartStanding>();
  private readonly rows = new Map<string, Map<string, Row>>();
  private vin: Standing['vin'] = null;
  readonly mapped = new Map<string, { name: string; why: string | null; word: Word }>();
  private readonly lamps = new Map<LampId, LampSeen>();
  private readonly observations = new Map<string, ObservationSeen>();
  private readonly checks = new Map<string, CheckSeen>();
  private readonly checksNotDone = new Map<string, NotDone>();
  private readonly prices = new Map<string, OwnPrice>();
  private bulb: EntryOf<'bulb'>['answer'] = 'unknown';
  private clears: OpenClear[] = [];
  private readonly boundaries: Boundary[] = [];
  /** Clears that were asked for and have no outcome yet, by the intent's id. */
  private readonly open = new Map<
    string,
    { entry: string; at: string; unit: { answer: string; name: string } | null }
  >();

  add(entry: Entry): void {
    switch (entry.kind) {
      case 'lamp':
        this.lamps.set(entry.lamp, {
          mode: entry.mode,
          colour: entry.colour ?? null,
          entry: entry.id,
          at: entry.at,
          clearedBy: null,
        });
        return;
      case 'bulb':
        this.bulb = entry.answer;
        return;
      case 'observation':
        this.observations.set(entry.observation, { answer: entry.answer, entry: entry.id, at: entry.at });
        return;
      case 'check':
        this.checks.set(entry.check, {
          outcome: entry.outcome,
          measured: entry.measured ?? null,
          entry: entry.id,
          at: entry.at,
        });
        this.checksNotDone.delete(entry.check);
        return;
      case 'check-not-done':
        // What was found before still holds: not to have looked again is no finding.
        if (!this.checks.has(entry.check)) this.checksNotDone.set(entry.check, entry.reason);
        return;
      case 'scan':
        return this.addScan(entry);
      case 'clear-asked':
        this.open.set(entry.id, { entry: entry.id, at: entry.at, unit: entry.unit ?? null });
        return;
      case 'clear':
        return this.addClear(entry);
      case 'clear-told':
        return this.emptied(
          entry,
          'told',
          null,
          null,
          this.erase((u) => isStandardUnit(this, u), ERASED, entry.id),
        );
      case 'battery-off':
        this.erase(() => true, LOST_WITH_BATTERY, entry.id);
        // Whether the codes are gone shows at the next reading; until then they count as they were.
        return this.emptied(entry, 'battery-off', null, null, this.standardCodes());
      case 'repair':
        this.bound('repair', entry);
        return;
      case 'drive':
        if (entry.cameBack === 'yes') for (const c of this.clears) c.droveBack ??= entry.id;
        return;
      case 'price':
        this.prices.set(entry.cause, entry);
        return;
      case 'connection':
      case 'connection-step':
      case 'recording':
      case 'decision':
      case 'offer':
      case 'note':
      case 'attachment':
      case 'bulletin':
      case 'retracted':
      case 'closed':
        return;
    }
  }

  private bound(kind: Boundary['kind'], entry: Entry): void {
    this.boundaries.push({ kind, entry: entry.id, at: entry.at });
  }

  private addScan(entry: EntryOf<'scan'>): void {
    const { scan } = entry;
    const word: Word = { entry: entry.id, at: entry.at, how: HOW[entry.via] };
    const rows = rowsOf(scan, word);
    const byPart = new Map<string, Row[]>();
    for (const row of rows) {
      const key = partKey(row.unit, row.part);
      const list = byPart.get(key);
      if (list) list.push(row);
      else byPart.set(key, [row]);
    }
    // What a scan holds it knows, whether or not it says so of the part.
    const said = new Map(scan.parts.map((p) => [partKey(p.unit, p.part), p]));
    for (const held of partsHeld(scan)) {
      const key = partKey(held.unit, held.part);
      if (!said.has(key)) said.set(key, { ...held, state: 'not-read' });
    }
    for (const [key, part] of said) {
      this.addPart(key, part, byPart.get(key) ?? [], word);
      if (word.how === 'told' && part.unit === NO_SOURCE) this.tellOfCleared(part, word);
    }
    if (scan.vin !== undefined && (word.how !== 'file' || this.vin === null))
      this.vin = { value: scan.vin, word };
    for (const u of scan.units ?? [])
      this.mapped.set(u.unit, {
        name: u.name,
        why: u.hasAnswered ? null : (u.why ?? 'it did not answer'),
        word,
      });
    if (word.how === 'adapter') this.supersedeUnnamed(scan, word);
    this.noteAgain(scan, word);
    this.lookAfterClear(scan, word);
  }

  private addPart(key: string, part: PartRead, rows: readonly Row[], word: Word): void {
    const before = this.parts.get(key);
    const base = { unit: part.unit, part: part.part };
    const isTaken = part.state === 'known' || part.state === 'empty';
    if (!isTaken && rows.length === 0) {
      const missed =
        part.state === 'not-read'
          ? { entry: word.entry, at: word.at, why: part.why ?? 'it was not read' }
          : null;
      // What was known is not taken back by an answer that did not come, or by "I have no such thing".
      if (before && before.status !== 'not-read' && before.status !== 'unsupported')
        this.parts.set(key, { ...before, missed: missed ?? before.missed });
      else
        this.parts.set(key, {
          ...base,
          status: part.state === 'unsupported' ? 'unsupported' : 'not-read',
          word: part.state === 'unsupported' ? word : (before?.word ?? null),
          missed,
        });
      return;
    }
    const held = this.rows.get(key) ?? new Map<string, Row>();
    const isWhole =
      isTaken &&
      (word.how === 'adapter' || (word.how === 'told' && (part.state === 'empty' || part.isAll === true)));
    if (isWhole) {
      // Without headers the adapter's answers stand beside what was told of units that the standard does not reach.
      for (const [id, row] of [...held]) {
        const isBeyond =
          word.how === 'adapter' && row.word.how === 'told' && row.code && !isReachable(row.code.code);
        if (!isBeyond) held.delete(id);
      }
    }
    let isNew = isWhole;
    for (const row of rows) {
      const known = held.get(row.id);
      if (word.how === 'file' && known && !this.mayFileReplace(known, row)) continue;
      held.set(row.id, row);
      isNew = true;
    }
    this.rows.set(key, held);
    const isFirst = before === undefined || before.status === 'not-read' || before.status === 'unsupported';
    if (!isNew && !(isTaken && isFirst)) return;
    const missed =
      part.state === 'not-read' && part.why !== undefined
        ? { entry: word.entry, at: word.at, why: part.why }
        : // A file may be older than the try that brought nothing.
          word.how === 'file'
          ? (before?.missed ?? null)
          : null;
    this.parts.set(key, { ...base, status: held.size > 0 ? 'known' : 'empty', word, missed });
  }

  /**
   * A hand-held reader asks all units that the standard reaches at once. Where it was typed that it shows no more of a part, that
   * ends the wait of the units whose part was erased; what stands unerased in a unit is not taken back by it.
   */
  private tellOfCleared({ part, state, isAll }: PartRead, word: Word): void {
    const isWhole = state === 'empty' || isAll === true || (part === 'readiness' && state === 'known');
    if (!isWhole) return;
    for (const [key, standing] of this.parts) {
      if (standing.part !== part || standing.status !== 'cleared' || !isStandardUnit(this, standing.unit))
        continue;
      this.rows.get(key)?.clear();
      this.parts.set(key, { ...standing, status: 'empty', word, missed: null });
    }
  }

  /**
   * Nobody knows when a file was recorded. It adds what is not known, and makes nothing milder: no code, no lit lamp and
   * no open self-check is taken back by it, and what was erased does not come back by it.
   */
  private mayFileReplace(known: Row, row: Row): boolean {
    if (known.clearedBy !== null || known.word.how !== 'file') return false;
    if (row.monitor && known.monitor) return !row.monitor.complete || known.monitor.complete;
    if (row.mil && known.mil) return row.mil.on || !known.mil.on;
    return true;
  }

  /**
   * What was told without its control unit is overtaken once every unit that should answer has answered that part; only
   * powertrain codes, for the others live where the standard does not reach.
   */
  private supersedeUnnamed(scan: Scan, word: Word): void {
    const mapped = new Set((scan.units ?? []).map((u) => u.unit));
    const byPart = new Map<ScanPart, PartRead[]>();
    for (const p of scan.parts) {
      if (mapped.has(p.unit) && !isStandardAnswerId(p.unit)) continue;
      byPart.set(p.part, [...(byPart.get(p.part) ?? []), p]);
    }
    for (const [part, list] of byPart) {
      const key = partKey(NO_SOURCE, part);
      const held = this.rows.get(key);
      const isAnswered = list.some((p) => p.state === 'known' || p.state === 'empty');
      if (!held || !isAnswered || list.some((p) => p.state === 'not-read' || p.unit === NO_SOURCE)) continue;
      for (const [id, row] of [...held]) if (!row.code || isReachable(row.code.code)) held.delete(id);
      if (held.size === 0)
        this.parts.set(key, { unit: NO_SOURCE, part, status: 'empty', word, missed: null });
    }
  }

  /** The engine lamp's command was read again: what the owner saw before the clear is overtaken. */
  private noteAgain(scan: Scan, word: Word): void {
    const engine = this.lamps.get('engine');
    if (engine?.clearedBy && scan.mils.length > 0 && word.how !== 'file')
      this.lamps.set('engine', {
        ...engine,
        mode: scan.mils.some((m) => m.on) ? engine.mode : 'out',
        at: word.at,
        clearedBy: null,
      });
    if (word.how !== 'adapter') return;
    const read = new Set(
      scan.parts
        .filter((p) => p.part === 'confirmed' && (p.state === 'known' || p.state === 'empty'))
        .map((p) => p.unit),
    );
    for (const [id, { unit }] of [...this.open])
      if (unit === null ? read.size > 0 : read.has(unit.answer)) this.open.delete(id);
  }

  private lookAfterClear(scan: Scan, word: Word): void {
    // A file may be older than the clear.
    if (word.how === 'file') return;
    const read = new Map<string, Set<ScanPart>>();
    for (const p of scan.parts)
      if (p.state === 'known' || p.state === 'empty')
        read.set(p.unit, (read.get(p.unit) ?? new Set<ScanPart>()).add(p.part));
    const failing = scan.codes.filter((c) => c.state === 'confirmed' || c.state === 'pending');
    this.clears = this.clears.filter((c) => !this.hasKept(c, scan));
    for (const clear of this.clears) {
      const reaches = (unit: string) => clear.units === null || clear.units.has(unit) || unit === NO_SOURCE;
      const isRead = [...read].some(
        ([unit, parts]) => reaches(unit) && parts.has('confirmed') && parts.has('pending'),
      );
      if (isRead) clear.readSince ??= word.entry;
      for (const code of failing) {
        if (clear.unit && !reaches(code.unit)) continue;
        const was = clear.erased.some((e) => e.code.code === code.code);
        const list = was ? clear.returned : clear.added;
        if (!list.some((r) => r.code.code === code.code)) list.push({ code, entry: word.entry, at: word.at });
      }
    }
  }

  /** A memory that outlived the battery: what was confirmed before stands there at the first reading, and cleared it was not. */
  private hasKept(clear: OpenClear, scan: Scan): boolean {
    return (
      clear.way === 'battery-off' &&
      clear.readSince === null &&
      clear.droveBack === null &&
      scan.codes.some(
        (c) =>
          c.state === 'confirmed' &&
          clear.erased.some((e) => e.code.state === 'confirmed' && e.code.code === c.code),
      )
    );
  }

  private addClear(entry: EntryOf<'clear'>): void {
    if (entry.asked !== undefined) this.open.delete(entry.asked);
    if (entry.outcome === 'unknown') {
      this.open.set(entry.id, { entry: entry.id, at: entry.at, unit: entry.unit ?? null });
      return;
    }
    if (entry.outcome !== 'agreed') return;
    const units = entry.unit ? new Set([entry.unit.answer]) : entry.agreedBy ? new Set(entry.agreedBy) : null;
    const reaches = (unit: string): boolean =>
      units === null ? isStandardUnit(this, unit) : units.has(unit) || (unit === NO_SOURCE && !entry.unit);
    this.emptied(entry, 'adapter', entry.unit ?? null, units, this.erase(reaches, ERASED, entry.id));
    if (entry.unit && entry.after) this.addScan(readAgain(entry, entry.unit.answer, entry.after));
  }

  /** Begins the watch over a memory that was emptied. @param erased what stood in it. */
  private emptied(
    entry: Entry,
    way: ClearWay,
    unit: ClearStanding['unit'],
    units: ReadonlySet<string> | null,
    erased: readonly Row[],
  ): void {
    this.bound(way === 'battery-off' ? 'battery-off' : 'clear', entry);
    this.clears.push({
      entry: entry.id,
      at: entry.at,
      way,
      unit,
      units,
      erased: erased.flatMap((r) => (r.code ? [{ code: r.code, word: r.word, clearedBy: entry.id }] : [])),
      returned: [],
      added: [],
      readSince: null,
      droveBack: null,
    });
    const engine = this.lamps.get('engine');
    if (engine && !unit && way !== 'battery-off')
      this.lamps.set('engine', { ...engine, clearedBy: entry.id });
  }

  /** Codes that count as failing in units that the standard reaches. */
  private standardCodes(): Row[] {
    return [...this.rows.values()]
      .flatMap((held) => [...held.values()])
      .filter(
        (r) =>
          r.clearedBy === null &&
          (r.code?.state === 'confirmed' || r.code?.state === 'pending') &&
          isStandardUnit(this, r.unit),
      );
  }

  /** Marks parts of units as erased; what they held stays on record until they are read again. */
  private erase(reaches: (unit: string) => boolean, parts: ReadonlySet<ScanPart>, by: string): Row[] {
    const erased: Row[] = [];
    for (const [key, standing] of this.parts) {
      if (!parts.has(standing.part) || !reaches(standing.unit)) continue;
      if (standing.status !== 'known' && standing.status !== 'empty' && standing.status !== 'cleared')
        continue;
      const held = this.rows.get(key);
      let isLeft = false;
      for (const [id, row] of held ?? []) {
        if (standing.unit === NO_SOURCE && row.code && !isReachable(row.code.code)) {
          isLeft = true;
          continue;
        }
        erased.push(row);
        held?.set(id, { ...row, clearedBy: row.clearedBy ?? by });
      }
      if (!isLeft) this.parts.set(key, { ...standing, status: 'cleared' });
    }
    return erased;
  }

  finish(): Standing {
    const rows = [...this.rows.values()].flatMap((held) => [...held.values()]);
    const of = <K extends 'code' | 'frame' | 'monitor' | 'mil' | 'value' | 'identity'>(what: K) =>
      rows.flatMap((r) => {
        const found = r[what];
        return found === undefined
          ? []
          : [{ [what]: found, word: r.word, clearedBy: r.clearedBy } as Held<Record<K, NonNullable<Row[K]>>>];
      });
    return {
      parts: this.parts,
      codes: withoutTwins(of('code')),
      freezeFrames: of('frame'),
      monitors: of('monitor'),
      mils: of('mil'),
      values: of('value'),
      vin: this.vin,
      identities: of('identity'),
      mapped: this.mapped,
      lamps: this.lamps,
      observations: this.observations,
      checks: this.checks,
      checksNotDone: this.checksNotDone,
      prices: this.prices,
      bulb: this.bulb,
      clears: this.clears.map(({ units: _, ...clear }) => clear),
      boundaries: this.boundaries,
      unknownClear: [...this.open.values()].at(-1) ?? null,
    };
  }
}

/** A code told without its control unit that a unit reports as well is the unit's. */
function withoutTwins(codes: Held<{ code: ReadCode }>[]): Held<{ code: ReadCode }>[] {
  const named = new Set(
    codes
      .filter((c) => c.code.unit !== NO_SOURCE && c.clearedBy === null)
      .map((c) => `${c.code.code}/${c.code.state}`),
  );
  return codes.filter((c) => c.code.unit !== NO_SOURCE || !named.has(`${c.code.code}/${c.code.state}`));
}

/**
 * What is known now, from the entries that count.
 * @param entries in order, retracted ones left out; see `inOrder`.
 */
export function standingOf(entries: readonly Entry[]): Standing {
  const fold = new StandingFold();
  for (const entry of entries) fold.add(entry);
  return fold.finish();
}

/** What is known of a part of a unit. */
export function partStanding(standing: Standing, unit: string, part: ScanPart): PartStanding {
  return (
    standing.parts.get(partKey(unit, part)) ?? { unit, part, status: 'not-read', word: null, missed: null }
  );
}

/** Whether a control unit is one of those that the standard's services reach. */
export function isStandardUnit({ mapped }: Pick<Standing, 'mapped'>, unit: string): boolean {
  return !mapped.has(unit) || isStandardAnswerId(unit);
}

/** What was read last of a PID of service 01, with the reading that told it, or null. @param of whether a value is looked at. */
export function lastValue(
  { values }: Pick<Standing, 'values'>,
  pid: string,
  of: (value: ReadValue) => boolean = () => true,
): Held<{ value: ReadValue }> | null {
  return values
    .filter(({ value: v, clearedBy }) => clearedBy === null && v.service === '01' && v.pid === pid && of(v))
    .reduce<Held<{ value: ReadValue }> | null>(
      (best, h) => (best === null || h.word.at > best.word.at ? h : best),
      null,
    );
}

/** The number that was read last of a PID of service 01, or null. */
export function valueNow(standing: Standing, pid: string, part?: string): number | null {
  const last = lastValue(standing, pid, (v) => part === undefined || v.part === part);
  return typeof last?.value.value === 'number' ? last.value.value : null;
}

/** The parts that were tried and not read since they were known, or never read, with what to do about them. */
export function openParts(standing: Standing): PartStanding[] {
  return [...standing.parts.values()].filter((p) => p.status === 'not-read' || p.missed !== null);
}

/** What is known now as one scan, whatever it came from and whenever; what was erased and not read since is left out. */
export function scanOf(standing: Standing): Scan {
  const now = <T>(list: readonly Held<T>[]): Held<T>[] => list.filter((h) => h.clearedBy === null);
  return {
    ...emptyScan(),
    ...(standing.vin ? { vin: standing.vin.value } : {}),
    mils: now(standing.mils).map((m) => m.mil),
    identities: now(standing.identities).map((i) => i.identity),
    units: [...standing.mapped].map(([unit, { name, why }]) => ({
      unit,
      name,
      hasAnswered: why === null,
      ...(why === null ? {} : { why }),
    })),
    codes: now(standing.codes).map((c) => c.code),
    values: now(standing.values).map((v) => v.value),
    freezeFrames: now(standing.freezeFrames).map((f) => f.frame),
    monitors: now(standing.monitors).map((m) => m.monitor),
    parts: [...standing.parts.values()].map(({ unit, part, status }) => ({
      unit,
      part,
      state: status === 'cleared' ? 'not-read' : status,
    })),
  };
}

/**
 * The engine light as it is known last: what a car commands counts, and outranks what was seen before it was read.
 * `unknown`: nobody has looked or read since it was cleared.
 */
export function engineLightOf({ mils, lamps }: Standing): 'commanded' | 'seen' | 'off' | 'unknown' {
  const now = mils.filter((m) => m.clearedBy === null);
  if (now.some((m) => m.mil.on)) return 'commanded';
  const seen = lamps.get('engine');
  const isSeen = seen !== undefined && seen.clearedBy === null && !now.some((m) => m.word.at > seen.at);
  if (isSeen) return seen.mode === 'out' ? 'off' : 'seen';
  return now.length > 0 ? 'off' : 'unknown';
}
