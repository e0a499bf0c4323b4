import { assess } from '@pincer/core/assess';
import { DEFAULT_OWNER, foldCase } from '@pincer/core/case';
import { instancesFor, posteriorOf, type Evidence } from '@pincer/core/diagnosis';
import { faultReturns } from '@pincer/core/proof';
import { CAR, NOW, makeCase, makeScan, saw, scanEntry } from '../test/make-case.ts';

type Entries = Parameters<typeof makeCase>;
/** A code read, cleared, and read again with the counters since the clear. */
const back = (values: Record<string, number>, code = 'P0113'): Entries => [
  scanEntry(makeScan([code])),
  { kind: 'clear', afterScan: 'ent_0', outcome: 'agreed', agreedBy: ['7E8'] },
  scanEntry(makeScan([code], values)),
];
const momentOf = (values: Record<string, number>) =>
  faultReturns(foldCase(makeCase(...back(values))))[0]?.moment;

describe('how soon it was back', () => {
  test.each([
    [{ '31': 0, '30': 0, '0C': 0 }, 'key-on'],
    [{ '31': 0, '30': 0, '0C': 800 }, 'start'],
    [{ '31': 12, '30': 1 }, 'first-drive'],
    [{ '31': 60, '30': 4 }, 'some-drives'],
    [{ '31': 900, '30': 30 }, 'later'],
    [{}, 'unknown'],
  ] as const)('%o is %s', (values, moment) => {
    expect(momentOf(values)).toBe(moment);
  });

  test('only a look before it that found nothing shows that it comes and goes', () => {
    const early = { '31': 0, '30': 0, '0C': 0 };
    const late = { '31': 900, '30': 30 };
    const says = (...entries: Entries) => assess(makeCase(...entries), CAR, NOW).returns.list[0]?.says;
    const [scan, clear, again] = back(late);
    if (!scan || !clear || !again) throw new Error('no entries');
    expect(says(scan, clear, again)).toMatch(/first reading since/);
    expect(says(scan, clear, scanEntry(makeScan([], early)), again)).toMatch(/comes and goes/);
  });

  test('a counter at its end says at least', () => {
    const a = assess(makeCase(...back({ '31': 65_535, '30': 255 })), CAR, NOW);
    expect(a.returns.list[0]?.soon).toMatch(/^at least 65,?535 km/);
  });

  test('it stands among what the car says, with what it means', () => {
    const a = assess(makeCase(...back({ '31': 0, '30': 0, '0C': 0 })), CAR, NOW);
    expect(a.facts.find((f) => f.id.startsWith('return:'))).toMatchObject({
      side: 'car',
      title: expect.stringMatching(/^Back after 0 km/) as string,
      detail: expect.stringMatching(/ignition on/) as string,
    });
    expect(a.returns.living).toBeNull();
  });
});

describe('what it weighs', () => {
  const all = instancesFor(CAR, NOW);
  const chanceOf = (id: string, evidence: Evidence[]) =>
    posteriorOf(all, evidence).marginals[all.findIndex((i) => i.id === id)] ?? 0;
  const cap: Evidence = {
    kind: 'observation',
    fact: 'code',
    key: 'code:evap-leak',
    cylinder: null,
    isPresent: true,
  };
  const iat: Evidence = { ...cap, key: 'code:intake-temperature' };
  const returned = (comesAndGoes: boolean): Evidence => ({ kind: 'returned', fact: 'r', comesAndGoes });

  test('what passes by itself is less likely once it was back', () => {
    expect(chanceOf('fuel-cap', [cap, returned(false)])).toBeLessThan(0.8 * chanceOf('fuel-cap', [cap]));
  });

  test('looked at with every key-on and back only later: a contact rather than a dead part', () => {
    const [wire, part] = ['iat-failed-wire', 'iat-failed'];
    const ratio = (e: Evidence[]) => chanceOf(wire, e) / chanceOf(part, e);
    expect(ratio([iat, returned(true)])).toBeGreaterThan(1.5 * ratio([iat]));
    expect(ratio([iat, returned(false)])).toBeCloseTo(ratio([iat]), 6);
  });
});

test('several returns: the interval, and what living with it costs against curing it', () => {
  const [scan, clear, again] = back({ '31': 140, '30': 8 });
  if (!scan || !clear || !again) throw new Error('no entries');
  const a = assess(makeCase(scan, clear, again, clear, again, saw('sign:wet')), CAR, NOW, {
    ...DEFAULT_OWNER,
    ownHourly: 20,
  });
  expect(a.returns.list).toHaveLength(2);
  expect(a.returns.living).toMatch(/come back 2 times after a clear, about every 140 km/);
  // Half an hour at 20, so many times a year.
  expect(a.returns.living).toMatch(/365 times a year and costs about €3,650/);
});
