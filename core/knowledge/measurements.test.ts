import {
  bandOf,
  judgeMeasurement,
  valuesOf,
  type Condition,
  type Measurement,
  type Taken,
} from '@pincer/core/meter';
import { CHECKS, MEASUREMENTS, checkById } from './index.ts';

/** Conditions of an ordinary day, so that every measurement can be judged. */
const DAY: Readonly<Partial<Record<Condition, number>>> = {
  celsius: 20,
  metres: 0,
  battery: 12.5,
  minutes: 90,
  tips: 0,
};
const MANUAL = { from: 8, to: 12 };
const CYLINDERS = 4;

const ALL = Object.entries(MEASUREMENTS).filter(([, m]) => !m.isSlip);
const outcomesOf = (id: string): string[] => checkById(id)?.outcomes.map((o) => o.id) ?? [];

/** The same point of each value’s band: 0 its lower edge, 1 its upper one, beyond where it is asked for. */
function takenAt(measurement: Measurement, share: number): Taken[] {
  return valuesOf(measurement, CYLINDERS).map(({ expected, quantity = measurement.quantity }) => {
    const band = bandOf(expected, quantity, { values: [], conditions: DAY, manual: MANUAL });
    if ('missing' in band) throw new Error(band.missing);
    const { from, to } = band;
    if (from === -Infinity) return to * share;
    if (to === Infinity) return from * (1 + 0.02 * share);
    return from > 0 && band.isRatio ? from * (to / from) ** share : from + (to - from) * share;
  });
}

const judge = (id: string, measurement: Measurement, values: Taken[]) => {
  const only = checkById(id)?.scope === 'cylinder' ? 1 : null;
  const judged = judgeMeasurement(
    measurement,
    { values, conditions: DAY, manual: MANUAL },
    outcomesOf(id),
    CYLINDERS,
    only,
  );
  if ('missing' in judged) throw new Error(`${id}: ${judged.missing}`);
  return judged;
};

describe('every measurement, on an ordinary day', () => {
  test.each(ALL)('%s: the middle of its band is right, and says so', (id, measurement) => {
    const judged = judge(id, measurement, takenAt(measurement, 0.5));
    expect(judged.outcome).toBe(measurement.within);
    expect(judged.weights[measurement.within]).toBe(1);
    expect(judged.verdict).not.toBe('');
  });

  test.each(ALL)('%s: both edges are right', (id, measurement) => {
    for (const share of [0.02, 0.98])
      expect(judge(id, measurement, takenAt(measurement, share)).outcome).toBe(measurement.within);
  });

  test.each(ALL)('%s: something far out is not, one way or the other', (id, measurement) => {
    const far = [-3, 4].map((share) => {
      const values = takenAt(measurement, 0.5);
      const at = checkById(id)?.scope === 'cylinder' ? 1 : 0;
      values[at] = takenAt(measurement, share)[at] ?? null;
      return judge(id, measurement, values).outcome;
    });
    expect(far.some((outcome) => outcome !== measurement.within)).toBe(true);
    for (const outcome of far) expect(outcomesOf(id)).toContain(outcome);
  });

  test.each(ALL.filter(([, m]) => m.quantity === 'resistance'))(
    '%s: an open circuit is never taken for sound',
    (id, measurement) => {
      const values = takenAt(measurement, 0.5);
      values[checkById(id)?.scope === 'cylinder' ? 1 : 0] = 'open';
      const judged = judge(id, measurement, values);
      expect(judged.outcome).toBe(measurement.above);
      expect(judged.weights[measurement.within] ?? 1).toBeLessThan(0.05);
    },
  );

  test('what is asked for is said by its check, and a check of a meter takes a number', () => {
    const withMeter = CHECKS.filter((c) => c.tools.includes('multimeter')).map((c) => c.id);
    const without = withMeter.filter((id) => !(id in MEASUREMENTS));
    // Diodes, falling voltages and pins that are only compared have no one number to type.
    expect(without.length / withMeter.length).toBeLessThan(0.35);
  });
});
