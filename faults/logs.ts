import { assess, type Assessment } from '@pincer/core/assess';
import { entrySchema, foldCase, mergeEntries, type CaseRecord, type Entry } from '@pincer/core/case';
import { emptyScan, type CodeState, type Scan, type ScanPart } from '@pincer/core/obd';
import { levelRank } from '@pincer/core/urgency';
import { seededRandom } from '@pincer/simulator';
import { CAR, NOW } from '../core/test/make-case.ts';
import { chosen, chosenAt, shuffled, type Random } from './chance.ts';
import type { Campaign } from './campaign.ts';

const FIRST = Date.UTC(2026, 10, 3, 6);

const UNITS = ['7E8', '7E9', '7A8', 'unknown'] as const;
const CODES = ['P0302', 'P0171', 'P0420', 'P0217', 'P0524', 'C0035', 'U0100'] as const;
const STATES: readonly CodeState[] = ['confirmed', 'pending', 'permanent', 'history'];
const PARTS: readonly ScanPart[] = ['confirmed', 'pending', 'permanent', 'freeze-frames', 'readiness', 'mil'];
const MONITORS = ['misfire', 'fuel', 'catalyst', 'evaporative'] as const;

/** A scan in which anything may be missing: units, codes, monitors, parts, words on parts. */
function someScan(random: Random): Scan {
  const units = UNITS.filter(() => random() < 0.4);
  const some = <T>(list: readonly T[], chance: number) => list.filter(() => random() < chance);
  const codes = units.flatMap((unit) =>
    some(CODES, 0.2).map((code) => ({ code, state: chosen(random, STATES), unit })),
  );
  return {
    ...emptyScan(),
    codes,
    ...(random() < 0.3 ? { vin: 'ZZ9TR1F46CH000302' } : {}),
    mils: some(units, 0.5).map((unit) => ({
      unit,
      on: random() < 0.5,
      count: codes.filter((c) => c.unit === unit).length,
    })),
    monitors: some(units, 0.5).flatMap((unit) =>
      some(MONITORS, 0.6).map((monitor) => ({
        unit,
        span: 'since-clear' as const,
        monitor,
        name: monitor,
        complete: random() < 0.5,
      })),
    ),
    parts: units.flatMap((unit) =>
      some(PARTS, 0.6).map((part) => {
        const isHeld = part === 'confirmed' && codes.some((c) => c.unit === unit && c.state === part);
        const state = chosen(random, ['known', 'empty', 'unsupported', 'not-read'] as const);
        return { unit, part, state: isHeld && state === 'empty' ? 'known' : state };
      }),
    ),
  };
}

/** A scan that brings nothing, or that was cut before anything came: no part of it was read. */
function scanOfNothing(random: Random): Entry {
  const via = chosen(random, ['adapter', 'hand', 'file'] as const);
  const parts = UNITS.flatMap((unit) =>
    PARTS.filter(() => random() < 0.5).map((part) => ({
      unit,
      part,
      state: chosen(random, ['not-read', 'unsupported'] as const),
    })),
  );
  return {
    kind: 'scan',
    id: 'ent_nothing',
    at: later(90),
    via,
    isComplete: false,
    scan: { ...emptyScan(), ...(random() < 0.5 ? { vin: 'ZZ9TR1F46CH000302' } : {}), parts },
  };
}

/** A file in which all is well. Nobody knows when it was recorded. */
function mildFile(random: Random): Entry {
  const units = UNITS.filter(() => random() < 0.6);
  return {
    kind: 'scan',
    id: 'ent_mild',
    at: later(91),
    via: 'file',
    isComplete: false,
    scan: {
      ...emptyScan(),
      mils: units.map((unit) => ({ unit, on: false, count: 0 })),
      monitors: units.flatMap((unit) =>
        MONITORS.map((monitor) => ({
          unit,
          span: 'since-clear' as const,
          monitor,
          name: monitor,
          complete: true,
        })),
      ),
      parts: units.flatMap((unit) => PARTS.map((part) => ({ unit, part, state: 'empty' as const }))),
    },
  };
}

const later = (minutes: number): string => new Date(FIRST + minutes * 60_000).toISOString();

function someEntry(random: Random, n: number): Entry {
  // Few moments, so that several entries share one.
  const base = { id: `ent_${String(n).padStart(2, '0')}`, at: later(chosenAt(random, 12)) };
  const before = `ent_${String(chosenAt(random, n + 1)).padStart(2, '0')}`;
  const unit = random() < 0.3 ? { unit: { answer: '7A8', name: 'Brakes' } } : {};
  const kinds: (() => Entry)[] = [
    () => ({
      ...base,
      kind: 'scan',
      via: chosen(random, ['adapter', 'adapter', 'file', 'hand'] as const),
      isComplete: random() < 0.5,
      scan: someScan(random),
    }),
    () => ({
      ...base,
      kind: 'lamp',
      lamp: chosen(random, ['engine', 'oil', 'temperature'] as const),
      mode: chosen(random, ['steady', 'flashing', 'out'] as const),
    }),
    () => ({
      ...base,
      kind: 'observation',
      observation: 'misfire-felt',
      answer: chosen(random, ['yes', 'no']),
    }),
    () => ({ ...base, kind: 'clear-asked', afterScan: before, ...unit }),
    () => ({
      ...base,
      kind: 'clear',
      afterScan: before,
      outcome: chosen(random, ['agreed', 'agreed', 'refused', 'unknown'] as const),
      ...unit,
    }),
    () => ({ ...base, kind: 'battery-off' }),
    () => ({ ...base, kind: 'repair', cause: 'coil' }),
    () => ({
      ...base,
      kind: 'drive',
      metConditions: chosen(random, ['yes', 'no', 'unknown'] as const),
      cameBack: chosen(random, ['yes', 'no', 'no'] as const),
    }),
    () => ({ ...base, kind: 'decision', option: chosen(random, ['repair', 'clear', 'help'] as const) }),
    () => ({ ...base, kind: 'retracted', entry: before, reason: 'Wrong car.' }),
    () => ({ ...base, kind: 'closed', outcome: 'fixed' }),
    () => ({ ...base, kind: 'note', text: 'Looked at it again.' }),
  ];
  return (random() < 0.45 ? kinds[0] : chosen(random, kinds))?.() as Entry;
}

const caseOf = (entries: readonly Entry[]): CaseRecord => ({
  id: 'case_faults',
  vehicle: CAR.id,
  title: 'A light came on',
  openedAt: later(0),
  entries: [...entries],
});
const known = new WeakMap<readonly Entry[], Assessment>();
/** What is made of a log; of the same list it is worked out once. */
function judged(entries: readonly Entry[]): Assessment {
  const before = known.get(entries);
  if (before) return before;
  const assessment = assess(caseOf(entries), CAR, NOW);
  known.set(entries, assessment);
  return assessment;
}
const rankOf = (entries: readonly Entry[]) => levelRank(judged(entries).allowance.level);
/** Codes that stand, by unit. */
const standingCodes = (entries: readonly Entry[]) =>
  foldCase(caseOf(entries))
    .standing.codes.filter((c) => c.clearedBy === null)
    .map((c) => `${c.code.unit} ${c.code.code} ${c.code.state}`)
    .sort();

/** What should hold of a log, with the words for when it does not. */
const PROPERTIES: readonly [string, (entries: Entry[], random: Random) => boolean][] = [
  [
    'the order of the list changed what is known',
    (log, random) => {
      const other = shuffled(random, log);
      return JSON.stringify(judged(other)) === JSON.stringify(judged(log));
    },
  ],
  [
    'a scan that brought nothing raised the allowance',
    (log, random) => {
      const nothing = scanOfNothing(random);
      return rankOf([...log, nothing]) <= rankOf(log);
    },
  ],
  [
    'a scan that brought nothing took a code away',
    (log, random) => {
      const after = new Set(standingCodes([...log, scanOfNothing(random)]));
      return standingCodes(log).every((c) => after.has(c));
    },
  ],
  [
    'a file made the advice milder',
    (log, random) => {
      const file = mildFile(random);
      const after = new Set(standingCodes([...log, file]));
      return rankOf([...log, file]) <= rankOf(log) && standingCodes(log).every((c) => after.has(c));
    },
  ],
  [
    'two files in another order, or one twice, gave another case',
    (log, random) => {
      const one = log.filter(() => random() < 0.6);
      const two = log.filter((e) => !one.includes(e) || random() < 0.3);
      const there = mergeEntries(mergeEntries(one, two), two);
      const here = mergeEntries(mergeEntries(two, one), one);
      return (
        there.length === log.length &&
        JSON.stringify(judged(there)) === JSON.stringify(judged(here)) &&
        JSON.stringify(judged(there)) === JSON.stringify(judged(log))
      );
    },
  ],
  [
    'drives from before the clear, brought in late, proved something',
    (log) => {
      const cleared = foldCase(caseOf(log)).standing.clears.at(-1);
      if (!cleared) return true;
      const old = [1, 2, 3].map((n): Entry => ({
        id: `ent_old${n}`,
        at: new Date(Date.parse(cleared.at) - n * 3_600_000).toISOString(),
        kind: 'drive',
        metConditions: 'yes',
        cameBack: 'no',
      }));
      const [without, added] = [judged(log).proof, judged([...log, ...old]).proof];
      return added.status === without.status && added.gone === without.gone;
    },
  ],
  [
    'what was cleared came back by itself',
    (log) => {
      const clear: Entry = {
        id: 'ent_z1',
        at: later(60),
        kind: 'clear',
        afterScan: 'ent_00',
        outcome: 'agreed',
      };
      const erased = foldCase(caseOf([...log, clear])).standing.codes.filter((c) => c.clearedBy === clear.id);
      const then: Entry[] = [
        clear,
        { id: 'ent_z2', at: later(61), kind: 'note', text: 'Drove home.' },
        { id: 'ent_z3', at: later(62), kind: 'drive', metConditions: 'yes', cameBack: 'no' },
        {
          id: 'ent_z4',
          at: later(63),
          kind: 'scan',
          via: 'file',
          isComplete: true,
          scan: { ...emptyScan(), codes: erased.map((c) => c.code) },
        },
      ];
      const standing = new Set(standingCodes([...log, ...then]));
      return erased.every((c) => !standing.has(`${c.code.unit} ${c.code.code} ${c.code.state}`));
    },
  ],
  [
    'a case that is closed warned',
    (log) => {
      const closed: Entry = { id: 'ent_zz', at: later(80), kind: 'closed', outcome: 'fixed' };
      return judged([...log, closed]).allowance.level === 'no-limit';
    },
  ],
  [
    'an outcome that nobody knows was taken for a clear',
    (log) => {
      const asked: Entry = { id: 'ent_y1', at: later(70), kind: 'clear-asked', afterScan: 'ent_00' };
      return (
        standingCodes([...log, asked]).join() === standingCodes(log).join() &&
        foldCase(caseOf([...log, asked])).standing.unknownClear?.entry === asked.id
      );
    },
  ],
];

/** Random logs: what is known now never depends on luck, and never gets milder by knowing less. */
export const LOGS: Campaign = {
  id: 'logs',
  title: 'What is known now, over random logs',
  full: 2_000,
  short: 20,
  run: (seed) => {
    const random = seededRandom(seed);
    const log = Array.from({ length: 1 + chosenAt(random, 14) }, (_, n) => someEntry(random, n));
    const unfit = log.find((e) => !entrySchema.safeParse(e).success);
    if (unfit) return Promise.resolve({ seed, problem: `the log is none: ${unfit.kind}` });
    const broken = PROPERTIES.find(([, holds]) => !holds(log, random));
    return Promise.resolve({ seed, problem: broken?.[0] ?? null });
  },
};
