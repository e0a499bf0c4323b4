import fc from 'fast-check';
import { DEFAULT_OWNER } from '@pincer/core/case';
import { assess } from '@pincer/core/assess';
import { CAR, NOW, makeCase, makeScan, scanEntry } from '../test/make-case.ts';
import { graded, limitWords, type Limits } from './rule.ts';
import { RULES, judge, type EngineState, type Stat } from './index.ts';

const stat = (mean: number, max = mean): Stat => ({
  count: 60,
  mean,
  min: mean,
  max,
  first: mean,
  last: mean,
  swings: 0,
});
const ENGINE = { displacementLitres: 1.4, cylinders: 4, isDiesel: false, isMotorcycle: false, heightM: null };
const verdict = (id: string, state: EngineState, stats: Record<string, Stat>) =>
  judge([{ state, seconds: 130, stats, engine: ENGINE, tests: [] }]).find((j) => j.rule === id)?.verdict;

test.each([
  ['battery-rest', 'key-on', { volts: stat(12.6) }, 'sound'],
  ['battery-rest', 'key-on', { volts: stat(12.2) }, 'borderline'],
  ['battery-rest', 'key-on', { volts: stat(11.8) }, 'odd'],
  ['charging', 'idle-warm', { volts: stat(14.1) }, 'sound'],
  ['charging', 'idle-warm', { volts: stat(13) }, 'borderline'],
  ['charging', 'idle-warm', { volts: stat(12.5) }, 'odd'],
  // Smart charging: low now, and charging at another moment of the same minutes.
  ['charging', 'driving', { volts: stat(12.6, 14.6) }, 'borderline'],
  ['idle-speed', 'idle-warm', { engineSpeed: stat(1_020) }, 'borderline'],
  ['trims-idle', 'idle-warm', { shortTrim: stat(2), longTrim: stat(7), coolant: stat(90) }, 'borderline'],
  ['trims-idle', 'idle-warm', { shortTrim: stat(-2), longTrim: stat(-7), coolant: stat(90) }, 'borderline'],
  ['soak', 'key-on', { coolant: stat(14), intake: stat(22) }, 'borderline'],
  ['warm-up', 'driving', { coolant: stat(72), runTime: stat(1_200) }, 'borderline'],
] as const)('%s, %s, %j: %s', (id, state, stats, expected) => {
  expect(verdict(id, state, stats)).toBe(expected);
});

test('the three verdicts follow each other outwards, and the words name the limits that are judged', () => {
  const between = fc.double({ min: -1e4, max: 1e4, noNaN: true });
  fc.assert(
    fc.property(fc.tuple(between, between, between, between), between, (numbers, value) => {
      const [a, b, c, d] = numbers.sort((x, y) => x - y);
      const limits: Limits = { expected: [b, c], odd: [a, d] };
      const { verdict: found } = graded(value, limits, '');
      expect(found).toBe(value < a || value > d ? 'odd' : value < b || value > c ? 'borderline' : 'sound');
    }),
  );
  expect(limitWords({ expected: [12.4, Infinity], odd: [12, Infinity] }, 'V')).toBe(
    '12.4 V or more; odd under 12 V',
  );
  expect(limitWords({ expected: [25, 45], odd: [18, 50] }, 'kPa')).toBe(
    '{25 to 45 kPa}; odd under {18 kPa} or over {50 kPa}',
  );
  // Wherever a verdict lies between two, both of its edges stand in what is expected.
  for (const rule of RULES) if (/; odd/.test(rule.expected)) expect(rule.expected).toMatch(/\d.*; odd.*\d/);
});

test('a borderline reading speaks neither for nor against a cause, and takes nothing back', () => {
  const at = (volts: number) => scanEntry(makeScan(['P0562'], { '0C': 740, '05': 88, '42': volts }));
  const facts = (...volts: number[]) =>
    assess(makeCase(...volts.map(at)), CAR, NOW, DEFAULT_OWNER).facts.filter((f) => f.id === 'rule:charging');
  expect(facts(13)).toEqual([]);
  expect(facts(12.2).map((f) => f.title)).toEqual(['Charging voltage: no']);
  expect(facts(12.2, 13).map((f) => f.title)).toEqual(['Charging voltage: no']);
  const level = (...volts: number[]) => assess(makeCase(...volts.map(at)), CAR, NOW, DEFAULT_OWNER).allowance;
  expect(level(12.2, 13).level).toBe(level(12.2).level);
  expect(level(12.2, 13).level).not.toBe(level(12.2, 14.2).level);
  expect(facts(12.2, 14.2).map((f) => f.title)).toEqual(['Charging voltage: yes']);
});
