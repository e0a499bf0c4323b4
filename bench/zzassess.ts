import { assess } from '@pincer/core/assess';
import type { CaseRecord } from '@pincer/core/case';
import { describedCodes } from '@pincer/core/codes';
import { CHECKS } from '@pincer/core/knowledge';
import { statOf, type Stat, type StoredWindow } from '@pincer/core/signals';
import { CAR, NOW, makeCase, makeScan, scanEntry, saw } from '../core/test/make-case.ts';
import { msBudget, pace } from './pace.ts';
import type { Row } from './row.ts';
import { median } from './spread.ts';

const CODES = [
  'P0302',
  'P0300',
  'P0171',
  'P0113',
  'P0102',
  'P0420',
  'P0442',
  'P0128',
  'P0335',
  'P0562',
  'P0133',
  'P0507',
];

/** What a warm car tells at idle. */
const AT_IDLE = {
  '0C': 740,
  '0D': 0,
  '05': 88,
  '06': 8,
  '07': 12,
  '0B': 36,
  '0F': 20,
  '10': 2.1,
  '42': 14,
};

type Entries = Parameters<typeof makeCase>;

/** A case with 12 codes and 10 checks, and any number of notes and repeated answers after them. */
function bigCase(extra: number) {
  const checks = CHECKS.filter((c) => c.scope === 'engine').slice(0, 10);
  const entries = [
    { kind: 'lamp', lamp: 'engine', mode: 'steady' },
    scanEntry(makeScan(CODES, AT_IDLE)),
    recording(0),
    ...checks.map((c) => ({ kind: 'check', check: c.id, outcome: c.outcomes[0].id })),
    ...Array.from({ length: extra }, (_, i) =>
      saw(i % 2 === 0 ? 'sign:shakes' : 'sign:wet', i % 3 === 0 ? 'yes' : 'no'),
    ),
  ] as Entries;
  return makeCase(...entries);
}

/** Runs until an assessment is as quick as it gets, and turns in which it is measured. */
const WARM = 40;
const TURNS = 21;

/** Runs of each size that growth is told from. */
const RUNS = 5;

const msOf = (run: () => void): number => {
  const start = performance.now();
  run();
  return performance.now() - start;
};

/** What a run takes in the middle, milliseconds, after warming up. */
function warm(run: () => void): number {
  for (let i = 0; i < RUNS; i++) run();
  return median(Array.from({ length: RUNS }, () => msOf(run)));
}

/** A log of scans, each read as a car at idle is. */
const scans = (count: number) =>
  makeCase(
    ...Array.from({ length: count }, (_, i) =>
      scanEntry(makeScan(['P0302'], { ...AT_IDLE, '0C': 740 + (i % 7) })),
    ),
  );

const stat = (mean: number): Stat => statOf([mean - 1, mean, mean + 1], 0, 2, 2) as Stat;

/** A recording of twenty windows, idle and raised in turn, with what rules of two states set against each other. */
const WINDOWS: StoredWindow[] = Array.from({ length: 20 }, (_, k) => ({
  state: k % 2 === 0 ? 'idle-warm' : 'raised',
  seconds: 20 + (k % 5),
  stats: {
    engineSpeed: stat(k % 2 === 0 ? 740 : 2_500),
    coolant: stat(88),
    shortTrim: stat(3),
    longTrim: stat(k % 2 === 0 ? 12 : 2),
    manifold: stat(36),
    volts: stat(14),
  },
}));

/** Ten minutes of it. */
const recording = (id: number) => ({
  kind: 'recording' as const,
  recording: `rec_${id}`,
  title: 'Chosen readings',
  seconds: 600,
  samples: 1_000,
  channels: [],
  marks: [],
  via: 'adapter' as const,
  windows: WINDOWS,
});

const recordings = (count: number) => makeCase(...Array.from({ length: count }, (_, i) => recording(i)));

/** What memory costs more when there is more of it: so much above linear is no other exponent. */
const LINEAR = 1.1;

function growth(what: string, few: CaseRecord, many: CaseRecord, times: number): Row {
  const [a, b] = [few, many].map((record) => warm(() => assess(record, CAR, NOW)));
  const grown = (b ?? 0) / (a ?? 1);
  return {
    what: `${what}: cost of ${times} times as many`,
    measured: `${(a ?? 0).toFixed(0)} ms to ${(b ?? 0).toFixed(0)} ms, ${grown.toFixed(1)} x`,
    budget: `${LINEAR} x ${times} (linear)`,
    ratio: grown / (LINEAR * times),
  };
}

/** Described codes of the powertrain, from all over the catalogue. */
const codes = (count: number) => {
  const all = describedCodes().flatMap(({ code }) => (code.startsWith('P') ? [code] : []));
  const step = Math.floor(all.length / count);
  return makeCase(scanEntry(makeScan(all.filter((_, i) => i % step === 0).slice(0, count), AT_IDLE)));
};

/** Checks that were done, each with its first outcome, beside one code. */
const checksDone = (count: number) =>
  makeCase(
    scanEntry(makeScan(['P0302'], AT_IDLE)),
    ...CHECKS.slice(0, count).map((c) => ({
      kind: 'check' as const,
      check: c.scope === 'engine' ? c.id : `${c.id}:1`,
      outcome: c.outcomes[0].id,
    })),
  );

/** A misfire in an engine of so many cylinders. */
const misfire = makeCase(scanEntry(makeScan(['P0300', 'P0302', 'P0171'], AT_IDLE)));

/** Where more of it makes more that can be, the cost may grow a little faster. */
const EXPONENT = 1.3;

/** What becomes of the cost with so many `times` as many: its exponent. */
function power(what: string, few: () => unknown, many: () => unknown, times: number): Row {
  const [a, b] = [few, many].map(warm);
  const exponent = Math.log((b ?? 0) / (a ?? 1)) / Math.log(times);
  return {
    what: `${what}: exponent of the cost`,
    measured: `${(a ?? 0).toFixed(0)} ms to ${(b ?? 0).toFixed(0)} ms, ${exponent.toFixed(2)}`,
    budget: `${EXPONENT}`,
    ratio: exponent / EXPONENT,
  };
}

const assessed = (record: CaseRecord, cylinders?: number) => () =>
  assess(record, cylinders === undefined ? CAR : { ...CAR, cylinders }, NOW);

export function assessRows(): Row[] {
  const small = bigCase(0);
  const first = msOf(() => assess(small, CAR, NOW));
  for (let n = 0; n < WARM; n++) assess(small, CAR, NOW);
  // In turns: a shared machine is now fast, now slow, within a second.
  const turns = Array.from({ length: TURNS }, () => ({
    ms: msOf(() => assess(small, CAR, NOW)),
    slower: pace(1),
  }));
  const ms = median(turns.map((t) => t.ms));
  const slower = median(turns.map((t) => t.slower));
  return [
    {
      what: 'assess() with next checks, 12 codes, 10 checks and a ten-minute recording, warm',
      measured: `${ms.toFixed(1)} ms; the first time ${first.toFixed(0)} ms`,
      ...msBudget(ms, 25, slower),
    },
    growth('250 readings', scans(250), scans(2_000), 8),
    growth('125 recordings of 20 windows', recordings(125), recordings(1_000), 8),
    growth('200 notes and answers', bigCase(200), bigCase(3_200), 16),
    power('13 codes to 130', assessed(codes(13)), assessed(codes(130)), 10),
    power('20 checks done to 160', assessed(checksDone(20)), assessed(checksDone(160)), 8),
    power('4 cylinders to 16', assessed(misfire, 4), assessed(misfire, 16), 4),
  ];
}
const c = scans(10_000); console.log(warm(() => assess(c, CAR, NOW)).toFixed(0), 'ms');
