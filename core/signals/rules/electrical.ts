import { RUNNING, fixed, graded, holds, limitWords, rule, within, type Limits } from '../rule.ts';

const AT_REST: Limits = { expected: [12.4, Infinity], odd: [12, Infinity] };
const CHARGING: Limits = { expected: [13.2, Infinity], odd: [12.8, Infinity] };
const TOO_HIGH: Limits = { expected: [-Infinity, 15], odd: [-Infinity, 15.2] };
const RAISED: Limits = { expected: [13.3, Infinity], odd: [13.1, Infinity] };
/** From this voltage on the battery is being charged, whatever it is at another moment of the same recording. */
const CHARGES_AT_TIMES = 13.5;

const SWINGS_BY = 0.5;
/** What a starter may pull the battery down to, and what no 12 V battery has while it turns, V. */
const CRANKING = { low: 9.6, high: 16 };

export const ELECTRICAL_RULES = [
  rule({
    id: 'battery-rest',
    title: 'Battery at rest',
    states: ['key-on'],
    needs: ['volts'],
    expected: limitWords(AT_REST, 'V'),
    source: 'Lead-acid open-circuit voltage',
    toJudge: 'Read with the ignition on and the engine off.',
    judge: (of) => graded(of('volts').mean, AT_REST, `${fixed(of('volts').mean, 1)} V`),
  }),
  rule({
    id: 'charging',
    title: 'Charging voltage',
    states: RUNNING,
    needs: ['volts'],
    expected: limitWords(CHARGING, 'V'),
    source:
      'Lead-acid charging practice; smart charging holds it lower for a while, and charges again while the {car} slows down',
    toJudge: 'Read with the engine running.',
    judge: (of) => {
      const { mean, max } = of('volts');
      const found = graded(mean, CHARGING, `${fixed(mean, 1)} V`);
      // An alternator that charges at times is steered by the car, and not dead.
      return found.verdict === 'odd' && max >= CHARGES_AT_TIMES
        ? { ...found, verdict: 'borderline', measured: `${fixed(mean, 1)} V, at times ${fixed(max, 1)} V` }
        : found;
    },
  }),
  rule({
    id: 'overcharging',
    title: 'Charging is not too high',
    states: RUNNING,
    needs: ['volts'],
    expected: limitWords(TOO_HIGH, 'V'),
    source: 'Above that a lead-acid battery gasses and bulbs fail',
    toJudge: 'Read with the engine running.',
    judge: (of) => graded(of('volts').mean, TOO_HIGH, `${fixed(of('volts').mean, 1)} V`),
  }),
  rule({
    id: 'charging-raised',
    title: 'Charging holds with more speed',
    states: ['raised', 'cruise'],
    needs: ['volts'],
    expected: limitWords(RAISED, 'V'),
    source: 'An alternator gives its most above about 2,000 rpm',
    toJudge: 'Read while holding {2,500 rpm}.',
    judge: (of) => graded(of('volts').mean, RAISED, `${fixed(of('volts').mean, 1)} V`),
  }),
  rule({
    id: 'charging-steady',
    title: 'Charging voltage is steady',
    states: ['idle-warm', 'raised', 'cruise'],
    needs: ['volts'],
    seconds: 5,
    expected: `within ${SWINGS_BY} V`,
    source: 'A regulator holds within a few tenths of a volt; swings point to it, a diode or a loose cable',
    toJudge: 'Record five seconds with the engine running.',
    judge: (of) => {
      const { min, max } = of('volts');
      return holds(max - min <= SWINGS_BY, `${fixed(min, 1)} to ${fixed(max, 1)} V`);
    },
  }),
  rule({
    id: 'cranking-dip',
    title: 'Voltage while cranking',
    states: ['cranking'],
    needs: ['volts'],
    expected: `${CRANKING.low} to ${CRANKING.high} V`,
    source: '{Workshop} practice at {20 °C}; a cold morning costs half a volt',
    toJudge: 'Record while you start it.',
    judge: (of) =>
      within(of('volts').min, CRANKING.low, CRANKING.high, `${fixed(of('volts').min, 1)} V at the lowest`),
  }),
] as const;
