import { makeScan } from '../test/make-case.ts';
import {
  RULES,
  UNKNOWN_ENGINE,
  judge,
  speedDensity,
  windowOfScan,
  type Judgement,
  type RuleId,
} from './index.ts';

function verdict(
  rule: RuleId,
  live: Record<string, number>,
  displacement: number | null = 1.4,
): Judgement | undefined {
  const engine = {
    displacementLitres: displacement,
    cylinders: 4,
    isDiesel: false,
    isMotorcycle: false,
    heightM: null,
  };
  return judge([windowOfScan(makeScan([], live), engine)]).find((j) => j.rule === rule);
}

const IDLE = { '0C': 740, '0D': 0, '05': 88 };
const RAISED = { '0C': 2500, '0D': 0, '05': 88 };
const KEY_ON = { '0C': 0, '0D': 0 };

describe('speed-density', () => {
  test('a 1.4 at 740 rpm, 32 kPa and 20 °C breathes about 2.4 g/s at 0.72', () => {
    // 0.72 x 0.0007 m3 x 12.33 1/s x 32000/(287.05 x 293.15) kg/m3 = 2.363 g/s
    expect(speedDensity(0.72, 1.4, 740, 32, 20)).toBeCloseTo(2.363, 2);
  });
  test('twice the speed, the pressure or the engine is twice the air; colder air is denser', () => {
    const base = speedDensity(0.8, 1.4, 1000, 50, 20);
    for (const more of [
      speedDensity(0.8, 2.8, 1000, 50, 20),
      speedDensity(0.8, 1.4, 2000, 50, 20),
      speedDensity(0.8, 1.4, 1000, 100, 20),
    ])
      expect(more).toBeCloseTo(2 * base, 9);
    expect(speedDensity(0.8, 1.4, 1000, 50, -10)).toBeGreaterThan(base);
  });
});

describe('several control units', () => {
  test('a reading that two of them tell is the engine’s own, whichever came first', () => {
    const engine = {
      displacementLitres: 1.4,
      cylinders: 4,
      isDiesel: false,
      isMotorcycle: false,
      heightM: null,
    };
    const mine = makeScan([], { '0C': 740, '05': 88 });
    const gearbox = mine.values.map((v) => ({ ...v, source: '7E9', value: 12 }));
    const told = windowOfScan({ ...mine, values: [...gearbox, ...mine.values] }, engine);
    expect(told.stats['engineSpeed']?.mean).toBe(740);
    // What the engine does not tell is better had from another than not at all.
    const alone = windowOfScan({ ...mine, values: gearbox }, engine);
    expect(alone.stats['coolant']?.mean).toBe(12);
  });
});

describe('plausibility rules', () => {
  test.each<[RuleId, string, Record<string, number>, string]>([
    ['intake-temperature-rail', 'open circuit', { ...KEY_ON, '0F': -40 }, 'impossible'],
    ['intake-temperature-rail', 'a winter’s day', { ...KEY_ON, '0F': -25 }, 'sound'],
    ['coolant-temperature-rail', 'shorted', { ...KEY_ON, '05': 139 }, 'impossible'],
    ['air-flow-dead', 'unplugged', { ...IDLE, '10': 0 }, 'impossible'],
    ['air-flow-dead', 'engine off', { ...KEY_ON, '10': 0 }, 'not-judged'],
    ['air-flow-fits', 'right', { ...IDLE, '0B': 32, '0F': 20, '10': 2.4 }, 'sound'],
    ['air-flow-fits', 'far too low', { ...IDLE, '0B': 32, '0F': 20, '10': 0.9 }, 'odd'],
    ['air-flow-fits', 'far too high', { ...IDLE, '0B': 32, '0F': 20, '10': 9 }, 'odd'],
    ['air-flow-fits', 'left to the other rule', { ...IDLE, '0B': 32, '0F': 20, '10': 0 }, 'not-judged'],
    ['trims-idle', 'sound', { ...IDLE, '06': 2, '07': -3 }, 'sound'],
    ['trims-idle', 'lean', { ...IDLE, '06': 8, '07': 14 }, 'odd'],
    ['trims-idle', 'cold', { ...IDLE, '05': 30, '06': 8, '07': 14 }, 'not-judged'],
    ['trims-load', 'lean', { ...RAISED, '06': 3, '07': 14 }, 'odd'],
    ['trims-load', 'at idle', { ...IDLE, '06': 3, '07': 14 }, 'not-judged'],
    ['manifold-key-on', 'equals the air', { ...KEY_ON, '0B': 99, '33': 100 }, 'sound'],
    ['manifold-key-on', 'does not', { ...KEY_ON, '0B': 60, '33': 100 }, 'odd'],
    ['manifold-key-on', 'in the mountains, air not measured', { ...KEY_ON, '0B': 80 }, 'sound'],
    ['manifold-idle', 'sound', { ...IDLE, '0B': 33 }, 'sound'],
    ['manifold-idle', 'high', { ...IDLE, '0B': 58 }, 'odd'],
    ['charging', 'charges', { ...IDLE, '42': 14.1 }, 'sound'],
    ['charging', 'does not', { ...IDLE, '42': 12.1 }, 'odd'],
    ['battery-rest', 'rested', { ...KEY_ON, '42': 12.5 }, 'sound'],
    ['battery-rest', 'flat', { ...KEY_ON, '42': 11.6 }, 'odd'],
    ['soak', 'agree', { ...KEY_ON, '05': 9, '0F': 11, '1F': 0 }, 'sound'],
    ['soak', 'differ', { ...KEY_ON, '05': 9, '0F': 38, '1F': 0 }, 'odd'],
    ['soak', 'warm engine', { ...KEY_ON, '05': 80, '0F': 20, '1F': 0 }, 'not-judged'],
    ['warm-up', 'warm', { '0C': 2000, '0D': 60, '05': 88, '1F': 1200 }, 'sound'],
    ['warm-up', 'stays cool', { '0C': 2000, '0D': 60, '05': 58, '1F': 1200 }, 'odd'],
    ['warm-up', 'too early', { '0C': 2000, '0D': 60, '05': 58, '1F': 200 }, 'not-judged'],
  ])('%s, %s', (rule, _, live, expected) => {
    expect(verdict(rule, live)?.verdict).toBe(expected);
  });

  test('each rule is reached by the table above, and gives source and expectation', () => {
    expect(RULES.length).toBeGreaterThanOrEqual(12);
    expect(new Set(RULES.map((r) => r.id)).size).toBe(RULES.length);
    for (const rule of RULES) {
      expect(rule.source.length).toBeGreaterThan(5);
      expect(rule.expected.length).toBeGreaterThan(5);
    }
  });

  test('a verdict shows its arithmetic; what is not judged says what to do', () => {
    expect(verdict('trims-idle', { ...IDLE, '06': 8, '07': 14 })?.measured).toBe('8 + 14 = 22 %');
    expect(verdict('trims-idle', KEY_ON)?.toJudge).toMatch(/idle/);
  });

  test('without the displacement the air flow is not judged', () => {
    expect(verdict('air-flow-fits', { ...IDLE, '0B': 32, '0F': 20, '10': 2.4 }, null)?.verdict).toBe(
      'not-judged',
    );
  });

  test('of a motorcycle no rule is asked that needs a particulate filter', () => {
    const asked = (isMotorcycle: boolean) =>
      judge([windowOfScan(makeScan([]), { ...UNKNOWN_ENGINE, isMotorcycle })]).map((j) => j.rule);
    expect(asked(false)).toContain('filter-pressure');
    expect(asked(true).filter((rule) => rule.startsWith('filter-'))).toEqual([]);
    expect(asked(true)).toContain('idle-speed');
  });

  test('an empty reading judges nothing', () => {
    expect(new Set(judge([windowOfScan(makeScan([]), UNKNOWN_ENGINE)]).map((j) => j.verdict))).toEqual(
      new Set(['not-judged']),
    );
  });
});
