import fc from 'fast-check';
import { foldCase, type CaseRecord } from '@pincer/core/case';
import {
  CHANGES_NOTHING,
  CHECKS,
  FINDINGS,
  FINDING_OF_OUTCOME,
  FINDING_OF_SIGN,
  OBSERVATIONS,
  OWNER_OBSERVATIONS,
  RETIRED_CHECKS,
  type FindingId,
} from '@pincer/core/knowledge';
import { makeCase, makeScan, saw, scanEntry } from '../test/make-case.ts';
import { driveAllowance, levelRank, urgencyFacts, type AllowanceLevel } from './index.ts';

type Entries = Parameters<typeof makeCase>;

/** A car whose lamps are out and which was read, with what was found. */
const carWith = (...entries: Entries): CaseRecord =>
  makeCase({ kind: 'lamp', lamp: 'engine', mode: 'out' }, scanEntry(makeScan([])), ...entries);
const allowanceOf = (record: CaseRecord) =>
  driveAllowance(urgencyFacts(foldCase(record), { judgements: [] }));
const levelWith = (...entries: Entries): AllowanceLevel => allowanceOf(carWith(...entries)).level;

const checked = (key: string) => {
  const [check = '', outcome = ''] = key.split('/');
  const isOfCylinder = CHECKS.find((c) => c.id === check)?.scope === 'cylinder';
  return { kind: 'check' as const, check: isOfCylinder ? `${check}:1` : check, outcome };
};
/** Every way in to a finding, by its name. */
const waysTo = (finding: FindingId): [string, Entries][] => [
  ...Object.entries(FINDING_OF_OUTCOME)
    .filter(([, f]) => f === finding)
    .map(([key]): [string, Entries] => [key, [checked(key)]]),
  ...Object.entries(FINDING_OF_SIGN)
    .filter(([, f]) => f === finding)
    .map(([key]): [string, Entries] => [key, [saw(key)]]),
  // Two answers together: it smells, and nothing is wet.
  ...(finding === 'fuel-whiff'
    ? [['smells, not wet', [saw('sign:fuel-smell'), saw('sign:fuel-wet', 'no')]] as [string, Entries]]
    : []),
];
const OUTCOMES = CHECKS.flatMap((c) =>
  c.outcomes.slice(1).map((o) => ({ key: `${c.id}/${o.id}`, check: c, outcome: o })),
);

describe('a finding is the same fact by any way in', () => {
  test('nothing found leaves the road as it is', () => {
    expect(levelWith()).toBe('no-limit');
  });

  test.each(Object.keys(FINDINGS) as FindingId[])('%s', (finding) => {
    const levels = waysTo(finding).map(([name, entry]) => [name, levelWith(...entry)]);
    expect(levels.length).toBeGreaterThan(0);
    expect(new Set(levels.map(([, level]) => level)).size).toBe(1);
    // Each of them holds something back.
    expect(levelRank(levelWith(...waysTo(finding).flatMap(([, e]) => e)))).toBeLessThanOrEqual(
      levelRank('short-trips'),
    );
  });

  test.each<[string, AllowanceLevel]>([
    ['pedal-hold/something', 'stop-here'],
    ['pedal-hard/something', 'stop-here'],
    ['brake-wet-look/something', 'stop-here'],
    ['booster-hose-look/something', 'stop-here'],
    ['oil-pressure/low', 'stop-here'],
    ['oil-level/high', 'stop-here'],
    ['belt-slack/something', 'stop-here'],
    ['hose-warmth/cold', 'stop-here'],
    ['brake-fluid-look/low', 'safe-place'],
    ['oil-level/low', 'safe-place'],
    ['coolant-level/low', 'safe-place'],
    ['coolant-level/oily', 'safe-place'],
    ['lock-to-lock/heavy', 'safe-place'],
    ['chain-noise/rattles', 'safe-place'],
    ['charging-volts/low', 'safe-place'],
    ['lid-smell/something', 'safe-place'],
    ['filter-drain/something', 'safe-place'],
    ['ready-clicks/something', 'safe-place'],
    ['fan-runs/stands', 'short-trips'],
    ['exhaust-listen/blows', 'short-trips'],
    ['pads-look/thin', 'short-trips'],
  ])('%s found at a check: %s', (key, level) => {
    expect(levelWith(checked(key))).toBe(level);
  });
});

describe('no outcome that speaks of danger is passed over', () => {
  const aside = CHANGES_NOTHING.flatMap((c) => c.outcomes);
  const DANGER =
    /brake|pedal|steer|\boil\b|oily|coolant|\bfuel|petrol|\bfire|exhaust gas|fume|high.voltage|airbag|do not (run|drive|move|go on)/i;
  const SYSTEMS = new Set(['brakes', 'steering', 'safety', 'high-voltage', 'oil', 'cooling']);

  test('each is a finding, or stands on the list with its reason; and both lists name what there is', () => {
    const speaks = OUTCOMES.filter(
      ({ check, outcome }) =>
        SYSTEMS.has(check.system) || DANGER.test(`${check.title} ${outcome.title} ${outcome.says}`),
    ).map((o) => o.key);
    const known = new Set([...Object.keys(FINDING_OF_OUTCOME), ...aside]);
    expect(speaks.filter((key) => !known.has(key))).toEqual([]);
    // What is not offered any more may stand in a log.
    const retired = RETIRED_CHECKS.flatMap((c) => c.outcomes.map((o) => `${c.id}/${o.id}`));
    const all = new Set([...OUTCOMES.map((o) => o.key), ...retired]);
    expect([...known].filter((key) => !all.has(key))).toEqual([]);
    expect(aside.filter((key) => key in FINDING_OF_OUTCOME)).toEqual([]);
    expect(new Set(aside).size).toBe(aside.length);
    for (const { because } of CHANGES_NOTHING) expect(because).toMatch(/\w{3,}.*[.]$/);
  });

  test('an outcome that says not to run, drive or move it never leaves more than a way to a safe place', () => {
    for (const { key, outcome } of OUTCOMES.filter((o) =>
      /do not (run|drive far|move|go on)|drive no further/i.test(o.outcome.says),
    ))
      expect([key, outcome.says, levelRank(levelWith(checked(key))) <= levelRank('safe-place')]).toEqual([
        key,
        outcome.says,
        true,
      ]);
  });

  test('the ones on the list leave the road as it is', () => {
    for (const key of aside) expect([key, levelWith(checked(key))]).toEqual([key, 'no-limit']);
  });
});

describe('what takes a finding back', () => {
  test('the newest look at a mark, by any way in', () => {
    expect(levelWith(saw('gauge:oil-low'), checked('oil-level/between'))).toBe('no-limit');
    expect(levelWith(checked('oil-level/low'), saw('gauge:oil-low', 'no'))).toBe('no-limit');
    expect(levelWith(checked('oil-level/between'), saw('gauge:oil-low'))).toBe('safe-place');
  });

  test('of brakes and steering only the way that found it', () => {
    expect(levelWith(saw('sign:long-pedal'), checked('pedal-hold/nothing'))).toBe('stop-here');
    expect(levelWith(checked('pedal-hold/something'), saw('sign:long-pedal', 'no'))).toBe('stop-here');
    expect(levelWith(checked('pedal-hold/something'), checked('pedal-hold/nothing'))).toBe('no-limit');
  });

  test('not “don’t know”, and not a clear', () => {
    expect(levelWith(checked('oil-level/low'), saw('gauge:oil-low', 'unknown'))).toBe('safe-place');
    const cleared = levelWith(checked('pedal-hold/something'), {
      kind: 'clear',
      afterScan: 'ent_2',
      outcome: 'agreed',
    });
    expect(cleared).toBe('stop-here');
  });

  test('a repair after it, of a cause that the check speaks of; no other repair', () => {
    expect(levelWith(checked('pads-look/thin'), { kind: 'repair', cause: 'brake-fluid-low' })).toBe(
      'no-limit',
    );
    expect(levelWith(checked('pads-look/thin'), { kind: 'repair', cause: 'coil:2' })).toBe('short-trips');
    expect(levelWith({ kind: 'repair', cause: 'brake-fluid-low' }, checked('pads-look/thin'))).toBe(
      'short-trips',
    );
  });
});

describe('whatever is found, in whatever order', () => {
  const WAYS = [
    ...Object.keys(FINDING_OF_OUTCOME).map((key) => checked(key)),
    ...Object.keys(FINDING_OF_SIGN).map((key) => saw(key)),
  ] as Entries;
  const someOf = fc.subarray([...WAYS], { maxLength: 8 });
  const shorterOrSame = (a: AllowanceLevel, b: AllowanceLevel) => levelRank(a) <= levelRank(b);

  test('property: one finding more never lengthens the road', () => {
    fc.assert(
      fc.property(someOf, fc.constantFrom(...WAYS), (before, one) => {
        // The same check again may say something else: then it is another answer, not one more.
        fc.pre(!before.some((e) => e.kind === 'check' && one.kind === 'check' && e.check === one.check));
        expect(shorterOrSame(levelWith(...before, one), levelWith(...before))).toBe(true);
      }),
    );
  });

  test('property: the order in which different things are found changes nothing', () => {
    fc.assert(
      fc.property(someOf, (found) => {
        const checks = found.flatMap((e) => (e.kind === 'check' ? [e.check] : []));
        fc.pre(new Set(checks).size === checks.length);
        expect(levelWith(...[...found].reverse())).toBe(levelWith(...found));
      }),
    );
  });

  test('property: “don’t know” to everything that is asked takes nothing back', () => {
    const unknown = Object.keys(FINDING_OF_SIGN).map((key) => saw(key, 'unknown'));
    fc.assert(
      fc.property(fc.subarray(Object.keys(FINDING_OF_OUTCOME), { maxLength: 6 }), (keys) => {
        const found = keys.map((key) => checked(key));
        expect(levelWith(...found, ...unknown)).toBe(levelWith(...found));
      }),
    );
  });

  test('property: every way in that shortens the road says the finding in its reasons', () => {
    fc.assert(
      fc.property(fc.constantFrom(...WAYS), (one) => {
        const { reasons, change } = allowanceOf(carWith(one));
        expect(reasons.length).toBeGreaterThan(0);
        expect(change?.level).toBe('no-limit');
        for (const r of reasons) expect(r.then.length).toBeGreaterThan(20);
      }),
    );
  });
});

describe('what is asked at Light', () => {
  test('every sign that finds something is asked', () => {
    for (const key of Object.keys(FINDING_OF_SIGN)) expect(Object.keys(OBSERVATIONS)).toContain(key);
  });

  test('a yes that speaks of brakes, steering, oil, coolant, fuel, fumes or smoke shortens the road', () => {
    /** Says something of the mixture or of a cause, and nothing leaks or burns. */
    const harmless = new Set([
      'sign:thirsty',
      'before:refuelled',
      'before:service-overdue',
      // Oil that is used up is only a danger once the level is low, which is asked by itself.
      'sign:uses-oil',
      // Unburnt fuel or steam while it warms up; what smokes when warm is another sign.
      'sign:cold-smoke',
      'sign:pops',
    ]);
    const speaks = OWNER_OBSERVATIONS.filter((key) =>
      /brake|steer|\boil\b|coolant|fuel|exhaust|smoke|burnt|sweet|knock/i.test(OBSERVATIONS[key].title),
    );
    expect(speaks.length).toBeGreaterThan(12);
    for (const key of speaks)
      expect([key, levelWith(saw(key)) === 'no-limit']).toEqual([key, harmless.has(key)]);
  });
});
