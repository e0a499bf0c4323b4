import { RUNNING, fixed, holds, rule, within } from '../rule.ts';

export const ELECTRICAL_RULES = [
  rule({
    id: 'battery-rest',
    title: 'Battery at rest',
    states: ['key-on'],
    needs: ['volts'],
    expected: '12.4 to 12.7 V rested (AGM up to 12.9), under 12.0 V flat',
    source: 'Lead-acid open-circuit voltage',
    toJudge: 'Read with the ignition on and the engine off.',
    judge: (of) => holds(of('volts').mean >= 12, `${fixed(of('volts').mean, 1)} V`, 'low'),
  }),
  rule({
    id: 'charging',
    title: 'Charging voltage',
    states: RUNNING,
    needs: ['volts'],
    expected: '13.5 to 14.8 V running; smart charging may drop it to 12.5 V',
    source: 'Lead-acid charging practice',
    toJudge: 'Read with the engine running.',
    judge: (of) => holds(of('volts').mean >= 12.8, `${fixed(of('volts').mean, 1)} V`, 'low'),
  }),
  rule({
    id: 'overcharging',
    title: 'Charging is not too high',
    states: RUNNING,
    needs: ['volts'],
    expected: 'up to 15.0 V; a cold morning 15.2',
    source: 'Above that a lead-acid battery gasses and bulbs fail',
    toJudge: 'Read with the engine running.',
    judge: (of) => holds(of('volts').mean <= 15.2, `${fixed(of('volts').mean, 1)} V`, 'high'),
  }),
  rule({
    id: 'charging-raised',
    title: 'Charging holds with more speed',
    states: ['raised', 'cruise'],
    needs: ['volts'],
    expected: '13.3 V or more above idle',
    source: 'An alternator gives its most above about 2,000 rpm',
    toJudge: 'Read while holding 2,500 rpm (motorcycles 5,000).',
    judge: (of) => holds(of('volts').mean >= 13.1, `${fixed(of('volts').mean, 1)} V`, 'low'),
  }),
  rule({
    id: 'charging-steady',
    title: 'Charging voltage is steady',
    states: ['idle-warm', 'raised', 'cruise'],
    needs: ['volts'],
    seconds: 5,
    expected: 'within 0.5 V',
    source: 'A regulator holds within a few tenths of a volt; swings point to it, a diode or a loose cable',
    toJudge: 'Record five seconds with the engine running.',
    judge: (of) => {
      const { min, max } = of('volts');
      return holds(max - min <= 0.5, `${fixed(min, 1)} to ${fixed(max, 1)} V`);
    },
  }),
  rule({
    id: 'cranking-dip',
    title: 'Voltage while cranking',
    states: ['cranking'],
    needs: ['volts'],
    expected: 'not under 9.6 V',
    source: '{Workshop} practice at {20 °C}; a cold morning costs half a volt',
    toJudge: 'Record while you start it.',
    judge: (of) => within(of('volts').min, 9.6, 16, `${fixed(of('volts').min, 1)} V at the lowest`),
  }),
] as const;
