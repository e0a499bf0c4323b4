import {
  ANY,
  fixed,
  graded,
  holds,
  limitWords,
  MOVING,
  rule,
  RUNNING,
  within,
  type Limits,
  type Rule,
} from '../rule.ts';
import type { ReadingKey } from '../readings.ts';

const NTC = 'NTC sensors read {−40 °C} when the circuit is open and above {130 °C} when it is shorted';
const RAILS = { low: -38, high: 130 };
const isRail = (t: number): boolean => t <= RAILS.low || t >= RAILS.high;

const rail = <Id extends string>(id: Id, title: string, key: ReadingKey): Rule<Id> =>
  rule({
    id,
    title,
    states: ANY,
    needs: [key],
    expected: `between {−${-RAILS.low} and ${RAILS.high} °C}`,
    source: NTC,
    toJudge: 'Read once with the ignition on.',
    judge: (of) => {
      const t = of(key).last;
      return {
        verdict: isRail(t) ? 'impossible' : 'sound',
        measured: `{${fixed(t)} °C}`,
        ...(isRail(t) ? { side: t < 0 ? ('low' as const) : ('high' as const) } : {}),
      };
    },
  });

const SOAK: Limits = { expected: [-Infinity, 5], odd: [-Infinity, 12] };
const SOAK_IN_SUN: Limits = { expected: [-Infinity, 5], odd: [-Infinity, 15] };
const WARM: Limits = { expected: [75, Infinity], odd: [70, Infinity] };
const HOTTEST = 108;
/** What a coolant sensor that lives shows in two minutes, K. */
const MOVES_BY = 1;
/** Intake air against the outside while moving, K. */
const OVER_OUTSIDE = { low: -8, high: 45 };

/** Two sensors that a night's stand makes equal. */
const soak = <Id extends string>(
  id: Id,
  title: string,
  [a, b]: readonly [ReadingKey, ReadingKey],
  limits: Limits,
  expected: string,
): Rule<Id> =>
  rule({
    id,
    title,
    states: ['key-on', 'idle-cold'],
    needs: [a, b],
    expected,
    source:
      'After 6 to 8 hours everything is at air temperature; {5 K} for sensor tolerance and place, the rest for sun',
    toJudge: 'Read before the first start of the day.',
    judge: (of, w) => {
      const [x, y] = [of(a).first, of(b).first];
      // Only a cold engine that has hardly run says anything; a rail value is judged by its own rule.
      const coolant = w.stats['coolant']?.first ?? 0;
      if (coolant > 40 || (w.stats['runTime']?.first ?? 0) > 30 || isRail(x) || isRail(y) || isRail(coolant))
        return null;
      const measured = `{${fixed(x)} and ${fixed(y)} °C}`;
      return { ...graded(Math.abs(x - y), limits, measured), side: x > y ? 'high' : 'low' };
    },
  });

export const TEMPERATURE_RULES = [
  rail('intake-temperature-rail', 'Intake temperature is possible', 'intake'),
  rail('coolant-temperature-rail', 'Coolant temperature is possible', 'coolant'),
  rail('oil-temperature-rail', 'Oil temperature is possible', 'oil'),
  rail('outside-temperature-rail', 'Outside temperature is possible', 'outside'),
  soak(
    'soak',
    'Coolant and intake air temperatures agree after a night',
    ['coolant', 'intake'],
    SOAK,
    `${limitWords(SOAK, 'K')} apart before the first start`,
  ),
  soak(
    'soak-oil',
    'Oil and coolant agree after a night',
    ['oil', 'coolant'],
    SOAK,
    `${limitWords(SOAK, 'K')} apart before the first start`,
  ),
  soak(
    'soak-outside',
    'Intake and outside agree after a night',
    ['intake', 'outside'],
    SOAK_IN_SUN,
    `${limitWords(SOAK_IN_SUN, 'K')} apart, more in the sun`,
  ),
  rule({
    id: 'warm-up',
    title: 'Coolant warms up in time',
    states: RUNNING,
    needs: ['coolant', 'runTime'],
    expected: `${limitWords(WARM, '°C')} after 15 minutes`,
    source: 'Thermostats open at {80 to 90 °C}',
    toJudge: 'Read after at least 15 minutes of driving.',
    judge: (of) => {
      const [t, s] = [of('coolant').last, of('runTime').last];
      if (s < 900 || isRail(t)) return null;
      return graded(t, WARM, `{${fixed(t)} °C} after ${fixed(s / 60)} min`);
    },
  }),
  rule({
    id: 'coolant-hot',
    title: 'Coolant is not too hot',
    states: RUNNING,
    needs: ['coolant'],
    expected: `up to {${HOTTEST} °C}`,
    source: '{Pressurised} coolant boils near {125 °C}; fans start at {95 to 105 °C}',
    toJudge: 'Read with the engine running.',
    judge: (of) => {
      const t = of('coolant').max;
      return isRail(t) ? null : holds(t <= HOTTEST, `{${fixed(t)} °C}`, 'high');
    },
  }),
  rule({
    id: 'coolant-moves',
    title: 'Coolant reading moves as it warms',
    states: ['idle-cold', 'raised', 'driving', 'cruise'],
    needs: ['coolant'],
    seconds: 120,
    expected: `{${MOVES_BY} K} or more in two minutes from cold`,
    source: 'A cold engine takes {2 to 8 K} a minute into its coolant',
    toJudge: 'Record two minutes from a cold start.',
    judge: (of) => {
      const c = of('coolant');
      if (c.first > 60 || isRail(c.first)) return null;
      return holds(c.max - c.min >= MOVES_BY, `{${fixed(c.first)} to ${fixed(c.last)} °C}`);
    },
  }),
  rule({
    id: 'intake-heat',
    title: 'Intake air is not far hotter than outside',
    states: MOVING,
    needs: ['intake', 'outside'],
    expected: `from {${-OVER_OUTSIDE.low} K} below to {${OVER_OUTSIDE.high} K} above the outside air while moving`,
    source: 'Moving air cools the intake; turbocharged engines read after their cooler',
    toJudge: 'Read while driving; {a passenger does it}.',
    judge: (of) => {
      const [t, o] = [of('intake').mean, of('outside').mean];
      if (isRail(t) || isRail(o)) return null;
      return within(t - o, OVER_OUTSIDE.low, OVER_OUTSIDE.high, `{${fixed(t)} °C}, outside {${fixed(o)} °C}`);
    },
  }),
] as const;
