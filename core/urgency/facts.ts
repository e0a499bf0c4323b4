import {
  foldCase,
  isStandardUnit,
  lampOn,
  type CaseState,
  type LampId,
  type LampMode,
  type Standing,
} from '@pincer/core/case';
import { COMPONENTS, codeEntry, type Area, type CodeEntry } from '@pincer/core/codes';
import { findingOfCode, type FindingId, type ObservationKey } from '@pincer/core/knowledge';
import { NO_SOURCE, type ReadCode, type ScanPart } from '@pincer/core/obd';
import type { Judgement } from '@pincer/core/signals';
import { findingsOf } from './findings.ts';

/** What the drive allowance looks at. */
export interface UrgencyFacts {
  lamps: ReadonlyMap<LampId, LampMode>;
  /** Lit lamps that come in more than one colour and that the owner saw in red. */
  redLamps: ReadonlySet<LampId>;
  observations: ReadonlyMap<string, 'yes' | 'no' | 'unknown'>;
  /** What was found to be so, by whatever way. */
  findings: ReadonlySet<FindingId>;
  /**
   * Codes that are failing or failed lately, those among them that were cleared and not read since: a clear alone makes
   * nothing safer. History is left out, it never worsens anything.
   */
  activeCodes: readonly ReadCode[];
  activeKeys: ReadonlySet<ObservationKey>;
  /** The same without the codes that the owner knows and accepts. */
  newCodes: readonly ReadCode[];
  newKeys: ReadonlySet<ObservationKey>;
  /** Structure of the failing codes that the catalogue describes, with their area; accepted ones included. */
  entries: readonly (CodeEntry & { area: Area; isNew: boolean })[];
  /** Whether every unit that should answer has told its confirmed and pending codes, or the owner typed some. */
  isRead: boolean;
  /** Whether something was read, and something else that matters was tried and not read. */
  isPartlyRead: boolean;
  /** Whether the car was cleared and the fault is not proven gone. */
  isClearedUnproven: boolean;
  /** Whether what was cleared then holds a code that asked to stop at once or at the next safe place. */
  wasDangerous: boolean;
  /** Whether a clear was sent of which nobody knows what became. */
  isClearUnknown: boolean;
  /** Whether the owner has closed the case and nothing was seen since. */
  isClosed: boolean;
  bulb: Standing['bulb'];
  /** Whether a control unit commands the engine lamp on, as read last. */
  isLampCommanded: boolean;
  /** Kilometres driven with the engine light commanded on, as a control unit counts them; 0 where none are told. */
  lampOnKm: number;
  /** Whether the lamp's command was read and no control unit commands it on. */
  isLampUncommanded: boolean;
  judgements: readonly Judgement[];
}

/** What the allowance must know beyond the standing. */
export interface UrgencyKnown {
  judgements: readonly Judgement[];
  /**
   * Codes with a known reason. They no longer shorten the road by being there, but what is dangerous stays dangerous.
   */
  accepted?: ReadonlySet<string>;
  /** Whether a clear is waiting for its proof. */
  isClearedUnproven?: boolean;
  /** Whether a code that was cleared with it asked to stop at once or at the next safe place. */
  wasDangerous?: boolean;
}

function keysOf(codes: readonly ReadCode[]): Set<ObservationKey> {
  return new Set(codes.flatMap(({ code }) => findingOfCode(code)?.key ?? []));
}

/** Parts whose silence hides what matters for driving. */
const MATTERS: ReadonlySet<ScanPart> = new Set(['confirmed', 'pending', 'mil']);

/** Whether the codes are known: read of every unit that should answer, or told. */
function isRead(standing: Standing): boolean {
  const { parts, codes } = standing;
  const lists = [...parts.values()].filter(
    (p) => (p.part === 'confirmed' || p.part === 'pending') && isStandardUnit(standing, p.unit),
  );
  const isTold = codes.some(
    (c) => c.clearedBy === null && c.word.how !== 'adapter' && c.code.unit === NO_SOURCE,
  );
  const has = (part: ScanPart) =>
    lists.some(
      (p) => p.part === part && (p.status === 'known' || p.status === 'empty') && p.word?.how !== 'file',
    );
  const isOpen = lists.some((p) => p.unit !== NO_SOURCE && p.status === 'not-read');
  return isTold || codes.some((c) => c.clearedBy === null) || (has('confirmed') && has('pending') && !isOpen);
}

/** Units of a module map are each told with their own reason; one that is not fitted is no gap. */
function isPartlyRead(standing: Standing): boolean {
  const all = [...standing.parts.values()].filter(
    (p) => MATTERS.has(p.part) && isStandardUnit(standing, p.unit),
  );
  return (
    all.some((p) => p.status !== 'not-read') && all.some((p) => p.status === 'not-read' || p.missed !== null)
  );
}

/** Gathers the facts for the rules from what is known now. */
export function urgencyFacts(
  { standing, closed, repairs }: Pick<CaseState, 'standing' | 'closed' | 'repairs'>,
  { judgements, accepted = new Set(), isClearedUnproven = false, wasDangerous = false }: UrgencyKnown,
): UrgencyFacts {
  const active = standing.codes.filter((c) => c.code.state !== 'history');
  const activeCodes = active.map((c) => c.code);
  const newCodes = activeCodes.filter((c) => !accepted.has(c.code));
  return {
    lamps: new Map([...standing.lamps].map(([lamp, { mode }]) => [lamp, mode])),
    redLamps: new Set(
      [...standing.lamps].flatMap(([lamp, { mode, colour }]) =>
        mode !== 'out' && colour === 'red' ? [lamp] : [],
      ),
    ),
    observations: new Map([...standing.observations].map(([key, { answer }]) => [key, answer])),
    findings: findingsOf({ standing, repairs }, judgements),
    activeCodes,
    activeKeys: keysOf(activeCodes),
    newCodes,
    newKeys: keysOf(newCodes),
    entries: activeCodes.flatMap(({ code }) => {
      const entry = codeEntry(code);
      return entry ? [{ ...entry, area: COMPONENTS[entry.component].area, isNew: !accepted.has(code) }] : [];
    }),
    isRead: isRead(standing),
    isPartlyRead: isPartlyRead(standing),
    isClearedUnproven,
    wasDangerous,
    isClearUnknown: standing.unknownClear !== null,
    isClosed: closed !== null,
    bulb: standing.bulb,
    isLampCommanded: standing.mils.some((m) => m.clearedBy === null && m.mil.on),
    lampOnKm: lampOn(standing)?.km ?? 0,
    isLampUncommanded:
      standing.mils.length > 0 && standing.mils.every((m) => m.clearedBy === null && !m.mil.on),
    judgements,
  };
}

/** The facts of a car of which nothing is known but its codes, its engine lamp being out. */
export function factsOfCodes(codes: readonly ReadCode[]): UrgencyFacts {
  const word = { entry: '', at: '', how: 'told' } as const;
  const { standing } = foldCase({ entries: [] });
  return urgencyFacts(
    {
      standing: {
        ...standing,
        codes: codes.map((code) => ({ code, word, clearedBy: null })),
        lamps: new Map([['engine', { mode: 'out', colour: null, entry: '', at: '', clearedBy: null }]]),
      },
      closed: null,
      repairs: [],
    },
    { judgements: [] },
  );
}
