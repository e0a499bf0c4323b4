import {
  ANY,
  fixed,
  graded,
  holds,
  limitWords,
  rule,
  RUNNING,
  sumWords,
  within,
  type Limits,
  type Rule,
} from '../rule.ts';
import type { EngineState } from '../window.ts';
import { isSteered } from './gates.ts';

const TRIM: Limits = { expected: [-8, 8], odd: [-10, 10] };
const LAMBDA: Limits = { expected: [0.97, 1.03], odd: [0.96, 1.04] };
const RAIL_AT_IDLE: Limits = { expected: [200, 500], odd: [180, 600] };
const TIMING: Limits = { expected: [0, 20], odd: [-5, 25] };

const trims = <Id extends string>(
  id: Id,
  title: string,
  states: readonly EngineState[],
  toJudge: string,
): Rule<Id> =>
  rule({
    id,
    title,
    states,
    needs: ['shortTrim', 'longTrim'],
    isOfBank: true,
    engines: 'petrol',
    expected: `short plus long trim ${limitWords(TRIM, '%')}`,
    source: '{Workshop} practice; the codes for lean and rich set at about ±25 %',
    toJudge,
    judge: (of, w) => {
      if (!isSteered(w)) return null;
      const [short, long] = [of('shortTrim').mean, of('longTrim').mean];
      return graded(short + long, TRIM, `${sumWords(short, long)} %`);
    },
  });

/** Points by which the correction at idle and above it may differ on a sound engine, %. */
const TRIMS_DIFFER = 8;
const BANKS_DIFFER = 10;
/** How far rail pressure may lie from what is asked for, %. */
const RAIL_FOLLOWS = 10;
const LEVEL = { low: 1, high: 100 };
/** How much a level may slosh while the vehicle stands, %. */
const LEVEL_SLOSHES = 12;
/** Tank against the air, kPa. */
const TANK_PRESSURE = 2.5;

export const FUEL_RULES = [
  // Before the rules of either state alone: where both are known it says more than they do.
  rule({
    id: 'trims-compared',
    title: 'Fuel trims agree at idle and above idle',
    states: ['idle-warm'],
    against: ['cruise', 'raised', 'driving'],
    needs: ['shortTrim', 'longTrim'],
    isOfBank: true,
    engines: 'petrol',
    expected: `within ${TRIMS_DIFFER} % of each other`,
    source:
      'A fixed leak counts most at idle and recovers with speed; short fuel delivery and an air flow read too low grow with load',
    toJudge: 'Record both: idle warm, then hold {2,500 rpm} or cruise.',
    judge: (of, w, ofOther) => {
      if (!isSteered(w)) return null;
      const [idle, above] = [of, ofOther].map((f) => f('shortTrim').mean + f('longTrim').mean) as [
        number,
        number,
      ];
      const says = `${fixed(idle)} % at idle, ${fixed(above)} % above it`;
      return within(idle - above, -TRIMS_DIFFER, TRIMS_DIFFER, says);
    },
  }),
  trims('trims-idle', 'Fuel trim at idle', ['idle-warm'], 'Read at idle with the engine warm.'),
  trims(
    'trims-load',
    'Mixture correction above idle',
    ['raised', 'driving', 'cruise'],
    'Read while holding {2,500 rpm}, warm.',
  ),
  rule({
    id: 'trims-banks',
    title: 'Both banks have similar fuel trims',
    states: ['idle-warm', 'raised', 'driving', 'cruise'],
    needs: ['longTrim', 'longTrim2'],
    engines: 'petrol',
    expected: `within ${BANKS_DIFFER} % of each other`,
    source: 'A shared cause moves both banks; if only one differs, look on that side',
    toJudge: 'Read warm; engines with two banks only.',
    judge: (of, w) => {
      if (!isSteered(w)) return null;
      const [a, b] = [of('longTrim').mean, of('longTrim2').mean];
      return holds(Math.abs(a - b) <= BANKS_DIFFER, `bank 1 ${fixed(a)} %, bank 2 ${fixed(b)} %`);
    },
  }),
  rule({
    id: 'lambda-command',
    title: 'Mixture asked for',
    states: ['idle-warm', 'raised', 'cruise'],
    needs: ['lambdaCommand', 'coolant'],
    engines: 'petrol',
    expected: `λ ${limitWords(LAMBDA)}, once warm`,
    source: 'Closed loop steers to λ 1 for the catalyst',
    toJudge: 'Read warm, without accelerating hard.',
    judge: (of, w) => {
      const isOpenLoop = (w.stats['fuelLoop']?.last ?? 2) !== 2;
      if (of('coolant').mean < 60 || isOpenLoop) return null;
      return graded(of('lambdaCommand').mean, LAMBDA, `λ ${fixed(of('lambdaCommand').mean, 2)}`);
    },
  }),
  rule({
    id: 'rail-follows',
    title: 'Rail pressure follows its target',
    states: ['idle-cold', 'idle-warm', 'raised', 'driving', 'cruise'],
    needs: ['railGap', 'rail', 'railTarget'],
    expected: `within ${RAIL_FOLLOWS} % of what is asked for`,
    source: 'Control units set a code at 15 to 25 % for some seconds',
    toJudge: 'Read with the engine running.',
    judge: (of) => {
      const gap = of('railGap').mean;
      const bar = (kpa: number) => fixed(kpa / 100);
      return within(
        gap,
        -RAIL_FOLLOWS,
        RAIL_FOLLOWS,
        `{${bar(of('rail').mean)} bar}, asked for {${bar(of('railTarget').mean)} bar}: ${fixed(gap)} %`,
      );
    },
  }),
  rule({
    id: 'rail-idle',
    title: 'Rail pressure at idle',
    states: ['idle-cold', 'idle-warm'],
    needs: ['rail'],
    engines: 'diesel',
    expected: `${limitWords(RAIL_AT_IDLE, 'bar')}, common-rail diesel`,
    source: '{Workshop} practice; the manual’s figure wins',
    toJudge: 'Read at idle.',
    judge: (of) => graded(of('rail').mean / 100, RAIL_AT_IDLE, `{${fixed(of('rail').mean / 100)} bar}`),
  }),
  rule({
    id: 'fuel-level-possible',
    title: 'Fuel level is possible',
    states: ANY,
    needs: ['fuelLevel'],
    expected: `${LEVEL.low} to ${LEVEL.high} %, and within ${LEVEL_SLOSHES} % while it stands`,
    source: 'An open sender reads empty, a shorted one full (or the other way round)',
    toJudge: 'Read once with the ignition on.',
    judge: (of, w) => {
      const { min, max, mean } = of('fuelLevel');
      const isStanding = (w.stats['speed']?.max ?? 0) < 1;
      if (isStanding && max - min > LEVEL_SLOSHES)
        return holds(false, `${fixed(min)} to ${fixed(max)} % standing`);
      return within(mean, LEVEL.low, LEVEL.high, `${fixed(mean)} %`);
    },
  }),
  rule({
    id: 'tank-pressure',
    title: 'Fuel tank {vapour} pressure',
    states: ANY,
    needs: ['tankPressure'],
    engines: 'petrol',
    expected: `within {${TANK_PRESSURE} kPa} of the air`,
    source: 'Leak tests use up to about {3 kPa}; more opens the cap’s valve',
    toJudge: 'Read once with the ignition on.',
    judge: (of) =>
      within(
        of('tankPressure').mean,
        -TANK_PRESSURE * 1_000,
        TANK_PRESSURE * 1_000,
        `${fixed(of('tankPressure').mean)} Pa`,
      ),
  }),
  rule({
    id: 'timing-idle',
    title: 'Ignition timing at idle',
    states: ['idle-warm'],
    needs: ['timing'],
    engines: 'petrol',
    expected: `before top dead {centre}: ${limitWords(TIMING, '°')}`,
    source: '{Workshop} practice; idle is steered with the timing',
    toJudge: 'Read at idle with the engine warm.',
    judge: (of) => graded(of('timing').mean, TIMING, `${fixed(of('timing').mean)}°`),
  }),
  rule({
    id: 'run-time-counts',
    title: 'Time since start counts',
    states: RUNNING,
    needs: ['runTime'],
    seconds: 10,
    expected: 'counts up',
    source: 'The control unit counts from each start; standing still it has restarted or is asleep',
    toJudge: 'Record ten seconds with the engine running.',
    judge: (of, w) => {
      const counted = of('runTime').last - of('runTime').first;
      if (of('runTime').count < 3) return null;
      return holds(counted > 0, `${fixed(counted)} s counted in ${fixed(w.seconds)} s`);
    },
  }),
] as const;
